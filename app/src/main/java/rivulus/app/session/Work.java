package rivulus.app.session;

import java.time.Duration;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;

/// Work that is done off the interface thread, one thing at a time.
///
/// What fails ends in a [Mishap] and never silently; the lane goes on.
final class Work implements AutoCloseable {
    private static final int SECONDS_TO_END = 10;
    private static final long POLL_NANOS = 5_000_000;

    private final ExecutorService thread;
    private final String doing;
    private final Consumer<Mishap> mishaps;
    private final AtomicLong latest = new AtomicLong();
    /// What was asked up to here is not wanted any more.
    private volatile long forgotten;
    private int waiting;

    /// A lane with a thread of its own.
    ///
    /// @param name of the thread
    /// @param doing what it does, for a sentence that begins with "While": "proving the show"
    /// @param mishaps told on the interface thread what failed
    Work(String name, String doing, Consumer<Mishap> mishaps) {
        this.doing = doing;
        this.mishaps = mishaps;
        thread =
                Executors.newSingleThreadExecutor(
                        task ->
                                Thread.ofPlatform()
                                        .name("rivulus-" + name)
                                        .daemon()
                                        .unstarted(task));
    }

    /// Asks for something of which only the latest counts: what was asked before is told to stop,
    /// and its answer is dropped.
    ///
    /// @param question is given a test that turns true once the answer is no longer wanted
    synchronized <T> void ask(Function<BooleanSupplier, T> question, Consumer<T> answer) {
        long ticket = latest.incrementAndGet();
        BooleanSupplier stale = () -> latest.get() != ticket;
        work(question, answer, stale, stale);
    }

    /// Asks for something of which every answer is shown that is newer than what is shown: while
    /// questions come faster than answers those in between are skipped, but what was worked out is
    /// handed over, so that one sees it follow.
    synchronized <T> void follow(Supplier<T> question, Consumer<T> answer) {
        long ticket = latest.incrementAndGet();
        work(_ -> question.get(), answer, () -> latest.get() != ticket, () -> ticket <= forgotten);
    }

    /// Asks for something that has to be done, after all that was asked before; every answer is
    /// handed over.
    synchronized <T> void each(Function<BooleanSupplier, T> question, Consumer<T> answer) {
        work(question, answer, () -> false, () -> false);
    }

    /// @param stale whether it is not worth beginning, or going on, any more
    /// @param unwanted whether not even the answer is wanted any more
    private <T> void work(
            Function<BooleanSupplier, T> question,
            Consumer<T> answer,
            BooleanSupplier stale,
            BooleanSupplier unwanted) {
        if (thread.isShutdown()) return; // a clock may tick once more while the window closes
        waiting++;
        thread.execute(
                () -> {
                    if (stale.getAsBoolean()) {
                        done();
                        return;
                    }
                    try {
                        T result = question.apply(stale);
                        later(() -> answer.accept(result), unwanted);
                    } catch (Throwable broken) {
                        later(() -> mishaps.accept(Mishap.of(doing, broken)), unwanted);
                    }
                });
    }

    private void later(Runnable deed, BooleanSupplier unwanted) {
        Platform.runLater(
                () -> {
                    try {
                        if (!unwanted.getAsBoolean()) deed.run();
                    } catch (RuntimeException | Error broken) {
                        mishaps.accept(Mishap.of(doing, broken));
                    } finally {
                        done();
                    }
                });
    }

    private synchronized void done() {
        waiting--;
    }

    /// Waits on a lane, as long as an answer is wanted.
    static void pause(Duration time, BooleanSupplier stale) {
        long end = System.nanoTime() + time.toNanos();
        while (System.nanoTime() < end && !stale.getAsBoolean()) LockSupport.parkNanos(POLL_NANOS);
    }

    /// Drops whatever was asked.
    void forget() {
        forgotten = latest.incrementAndGet();
    }

    /// Whether nothing is being worked out.
    synchronized boolean isIdle() {
        return waiting == 0;
    }

    /// Ends the lane at once; what was asked of it is dropped.
    @Override
    public void close() {
        forget();
        thread.shutdownNow();
    }

    /// Ends the lane once everything that was asked of it is done, or it takes too long.
    void finish() {
        thread.shutdown();
        try {
            if (!thread.awaitTermination(SECONDS_TO_END, TimeUnit.SECONDS)) thread.shutdownNow();
        } catch (InterruptedException hurried) {
            thread.shutdownNow();
            Thread.currentThread().interrupt();
        }
    }
}
