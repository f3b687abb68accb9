package rivulus.app;

import java.nio.file.Path;
import java.util.List;
import javafx.application.Application;
import javafx.stage.Stage;
import rivulus.app.session.Session;
import rivulus.app.view.Look;
import rivulus.app.view.MainWindow;
import rivulus.check.Limits;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.file.FileTrouble;
import rivulus.file.Templates;

/// The application.
public final class App extends Application {
    private Session session;

    @Override
    public void start(Stage stage) throws FileTrouble {
        Look.loadFonts();
        session =
                new Session(
                        Prover.of(Templates.shipped(), Templates.briefDefaults(), Limits.USUAL));
        MainWindow window = new MainWindow(session);
        stage.setTitle("Rivulus");
        stage.setScene(window.scene());
        stage.show();
        List<String> words = getParameters().getRaw();
        if (words.equals(List.of("demo"))) {
            session.take(
                    DemoShows.open(DemoShows.LANTERN_HOUR, session.prover().catalogue()), null);
        } else if (words.size() == 2 && words.getFirst().equals("open")) {
            session.open(Path.of(words.getLast()));
        }
    }

    @Override
    public void stop() {
        session.close();
    }
}
