package rivulus.app;

import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import rivulus.app.look.Look;

/// The toolkit, started once for all tests of a process.
public final class Toolkit {
    private static boolean started;

    private Toolkit() {}

    /// Starts it, where it is not, and waits until it runs.
    public static synchronized void start() {
        if (started) return;
        CountDownLatch running = new CountDownLatch(1);
        Platform.startup(
                () -> {
                    Platform.setImplicitExit(false);
                    Look.loadFonts();
                    running.countDown();
                });
        try {
            running.await();
        } catch (InterruptedException hurried) {
            throw new IllegalStateException(hurried);
        }
        started = true;
    }
}
