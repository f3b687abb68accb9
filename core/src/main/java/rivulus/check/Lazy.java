package rivulus.check;

import java.util.Optional;
import java.util.function.Supplier;

/// Something worked out at most once, when it is first asked for. May be shared between threads.
final class Lazy<T> {
    private Supplier<T> work;
    private T done;

    Lazy(Supplier<T> work) {
        this.work = work;
    }

    synchronized Optional<T> ifDone() {
        return Optional.ofNullable(done);
    }

    synchronized T get() {
        if (done == null) {
            done = work.get();
            work = null;
        }
        return done;
    }
}
