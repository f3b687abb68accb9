package rivulus.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import rivulus.app.session.Session;
import rivulus.app.view.Look;
import rivulus.app.view.MainWindow;
import rivulus.check.Limits;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.file.Templates;

/// Takes a picture of every main view of the demo show, without a display.
public final class Shots extends Application {
    private Session session;
    private MainWindow window;
    private Path folder;

    /// A view to be pictured: what to do first, and the file's name.
    private record Shot(String name, Runnable prepare) {}

    private final Deque<Shot> shots = new ArrayDeque<>();

    /// Pictures into the folder that is named.
    public static void main(String[] args) {
        launch(Shots.class, args);
    }

    @Override
    public void start(Stage stage) throws IOException {
        Look.loadFonts();
        folder = Path.of(getParameters().getUnnamed().getFirst());
        Files.createDirectories(folder);
        session =
                new Session(
                        Prover.of(Templates.shipped(), Templates.briefDefaults(), Limits.USUAL));
        window = new MainWindow(session);
        stage.setScene(window.scene());
        stage.show();
        session.take(DemoShows.open(DemoShows.LANTERN_HOUR, session.prover().catalogue()), null);
        shots.add(
                new Shot(
                        "mixes-nadia-echo",
                        () -> {
                            session.scene().set("tales");
                            session.ear().set("nadia");
                        }));
        shots.add(new Shot("mixes-stream-alerts", () -> session.ear().set("stream")));
        shots.add(
                new Shot(
                        "mixes-sunniva-missing",
                        () -> {
                            session.scene().set("call-in");
                            session.ear().set("sunniva");
                        }));
        shots.add(
                new Shot(
                        "night-teo-late",
                        () -> {
                            window.theme("night");
                            session.ear().set("teo");
                        }));
        next();
    }

    private void next() {
        Shot shot = shots.poll();
        if (shot == null) {
            Platform.exit();
            return;
        }
        whenSettled(
                () -> {
                    shot.prepare().run();
                    whenSettled(
                            () -> {
                                take(window.scene(), folder.resolve(shot.name() + ".png"));
                                next();
                            });
                });
    }

    /// Runs something once nothing is being worked out any more and the window has been laid out.
    private void whenSettled(Runnable then) {
        Platform.runLater(
                () -> {
                    if (session.isSettled() && session.picture().get() != null)
                        Platform.runLater(then);
                    else whenSettled(then);
                });
    }

    private static void take(Scene scene, Path file) {
        WritableImage image = scene.snapshot(null);
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++)
                picture.setRGB(x, y, image.getPixelReader().getArgb(x, y));
        }
        try {
            ImageIO.write(picture, "png", file.toFile());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
