package rivulus.app.session;

import java.util.function.Consumer;
import rivulus.disk.FileTrouble;

/// What came of something that was tried with a file.
sealed interface Attempt<T> {
    /// It worked.
    record Done<T>(T result) implements Attempt<T> {}

    /// It did not.
    record Failed<T>(FileTrouble trouble) implements Attempt<T> {}

    /// Something to be tried.
    interface Trial<T> {
        T run() throws FileTrouble;
    }

    /// Tries it.
    static <T> Attempt<T> at(Trial<T> trial) {
        try {
            return new Done<>(trial.run());
        } catch (FileTrouble trouble) {
            return new Failed<>(trouble);
        }
    }

    /// Goes on with what came of it.
    default void either(Consumer<T> done, Consumer<FileTrouble> failed) {
        switch (this) {
            case Done<T>(T result) -> done.accept(result);
            case Failed<T>(FileTrouble trouble) -> failed.accept(trouble);
        }
    }
}
