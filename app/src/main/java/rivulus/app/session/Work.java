package rivulus.app.session;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;

/// Work that is done off the interface thread. Each lane does one thing at a time, and only its
/// latest request counts: what was asked before is told to stop, and its answer is dropped.
final class Work implements AutoCloseable {
    private final ExecutorService thread;
    private final AtomicLong latest = new AtomicLong();
    private volatile int waiting;

    /// A lane with a thread of its own.
    Work(String name) {
        thread =
                Executors.newSingleThreadExecutor(
                        task ->
                                Thread.ofPlatform()
                                        .name("rivulus-" + name)
                                        .daemon()
                                        .unstarted(task));
    }

    /// Asks for something; the answer is handed over on the interface thread unless something newer
    /// was asked by then.
    ///
    /// @param question is given a test that turns true once the answer is no longer wanted
    synchronized <T> void ask(Function<BooleanSupplier, T> question, Consumer<T> answer) {
        long ticket = latest.incrementAndGet();
        BooleanSupplier stale = () -> latest.get() != ticket;
        waiting++;
        thread.execute(
                () -> {
                    if (stale.getAsBoolean()) {
                        done();
                        return;
                    }
                    try {
                        T result = question.apply(stale);
                        Platform.runLater(
                                () -> {
                                    try {
                                        if (!stale.getAsBoolean()) answer.accept(result);
                                    } finally {
                                        done();
                                    }
                                });
                    } catch (RuntimeException | Error broken) {
                        done();
                        throw broken;
                    }
                });
    }

    private synchronized void done() {
        waiting--;
    }

    /// Drops whatever was asked.
    void forget() {
        latest.incrementAndGet();
    }

    /// Whether nothing is being worked out.
    synchronized boolean isIdle() {
        return waiting == 0;
    }

    @Override
    public void close() {
        forget();
        thread.shutdownNow();
    }
}
