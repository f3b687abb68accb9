package rivulus.bench;

import javafx.application.Platform;
import javafx.stage.Window;
import rivulus.app.Main;

/// The demo show in its window, as `./rivulus demo` opens it: see [StartTime].
public final class DemoWindow {
    private DemoWindow() {}

    /// Opens it, says that it is usable once the first finding is told, and goes.
    public static void main(String[] args) {
        Platform.startup(() -> Usable.sayOnce(DemoWindow::tellsAFinding));
        new Thread(() -> Main.main(new String[] {"demo"})).start();
    }

    private static boolean tellsAFinding() {
        return Window.getWindows().stream()
                .anyMatch(w -> w.getScene().getRoot().lookup(".card") != null);
    }
}
