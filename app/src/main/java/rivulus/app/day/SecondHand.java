package rivulus.app.day;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;

/// Tells that a second has gone by, while somebody looks at it. An animation would keep the whole
/// window drawing sixty times a second for it. Used on the interface thread.
final class SecondHand {
    private final Runnable tick;
    private ScheduledExecutorService running;

    /// @param tick done on the interface thread, once a second while it runs
    SecondHand(Runnable tick) {
        this.tick = tick;
    }

    /// Runs from now on, or stands.
    void run(boolean seen) {
        if (seen == isRunning()) return;
        if (seen) {
            running =
                    Executors.newSingleThreadScheduledExecutor(
                            Thread.ofPlatform().daemon().name("rivulus-second-hand").factory());
            running.scheduleAtFixedRate(
                    () -> Platform.runLater(this::second), 1, 1, TimeUnit.SECONDS);
        } else {
            running.shutdownNow();
            running = null;
        }
    }

    boolean isRunning() {
        return running != null;
    }

    private void second() {
        if (isRunning()) tick.run();
    }
}
