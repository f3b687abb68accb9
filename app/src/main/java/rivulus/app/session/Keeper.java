package rivulus.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.file.Journal;
import rivulus.show.Show;

/// Keeps what is not saved, out of reach of a kill. Where it cannot, that is told for as long as it
/// is so, and it is tried again by itself: a disk may have room again, a folder be there again.
///
/// To be used on the interface thread; the writing itself goes on elsewhere.
final class Keeper implements AutoCloseable {
    private static final int AGAIN_SECONDS = 3;
    private static final Executor LATER =
            CompletableFuture.delayedExecutor(AGAIN_SECONDS, TimeUnit.SECONDS);

    private final Path folder;
    private final Work writing;
    private final Work flushing;
    private final ReadOnlyStringWrapper trouble = new ReadOnlyStringWrapper("");

    /// Empty where it could not be begun, or is gone. Used by the writing lane.
    private Optional<Journal> journal;

    private Runnable again = () -> {};
    private boolean closed;

    /// What is to be kept.
    ///
    /// @param show with what is typed
    /// @param file the one it belongs to, if it has one
    /// @param unsaved whether there is anything to keep
    /// @param takenUp what holds the same, and goes once it is written here or saved
    record Unsaved(Show show, Optional<Path> file, boolean unsaved, List<Journal.Left> takenUp) {}

    /// @param folder where journals are
    /// @param journal the one that was begun there; empty where that failed
    Keeper(Path folder, Optional<Journal> journal, Consumer<Mishap> mishaps) {
        this.folder = folder;
        this.journal = journal;
        writing = new Work("keep", "keeping unsaved changes", mishaps);
        flushing = new Work("flush", "keeping unsaved changes", mishaps);
    }

    /// Why what is not saved is not kept either, at the moment; empty where it is.
    ReadOnlyStringProperty trouble() {
        return trouble.getReadOnlyProperty();
    }

    /// Keeps a show in place of what was kept.
    ///
    /// @param held what a file held when it was last read or written here
    /// @param done told once it is kept
    void keep(Unsaved what, Function<Optional<Path>, Fingerprint> held, Runnable done) {
        again = () -> keep(what, held, done);
        writing.ask(
                _ -> written(what, held),
                failed -> {
                    trouble.set(failed.orElse(""));
                    if (failed.isPresent()) LATER.execute(() -> Platform.runLater(this::tryAgain));
                    else done.run();
                });
    }

    private void tryAgain() {
        if (!closed && writing.isIdle() && !trouble.get().isEmpty()) again.run();
    }

    private Optional<String> written(Unsaved what, Function<Optional<Path>, Fingerprint> held) {
        try {
            if (journal.filter(Journal::isThere).isEmpty())
                journal = what.unsaved() ? Optional.of(Journal.in(folder)) : Optional.empty();
            if (what.unsaved()) {
                Journal open = journal.orElseThrow();
                open.keep(what.show(), what.file(), held.apply(what.file()), what.takenUp());
                flushing.ask(_ -> flushed(open), _ -> {});
            }
            for (Journal.Left other : what.takenUp()) other.discard();
            if (!what.unsaved() && journal.isPresent()) journal.get().clear();
            return Optional.empty();
        } catch (FileTrouble failed) {
            return what.unsaved() ? Optional.of(failed.getMessage()) : Optional.empty();
        }
    }

    /// That it cannot be flushed is told by the next line that cannot be written.
    private static boolean flushed(Journal open) {
        try {
            open.flush();
            return true;
        } catch (FileTrouble failed) {
            return false;
        }
    }

    boolean isSettled() {
        return Stream.of(writing, flushing).allMatch(Work::isIdle);
    }

    /// Ends, and forgets what was kept.
    @Override
    public void close() {
        closed = true;
        for (Work work : List.of(writing, flushing)) work.close();
        journal.ifPresent(
                kept -> {
                    try {
                        kept.close();
                    } catch (FileTrouble failed) {
                        System.getLogger("rivulus")
                                .log(System.Logger.Level.WARNING, failed.getMessage());
                    }
                });
    }
}
