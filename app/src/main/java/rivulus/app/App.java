package rivulus.app;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import rivulus.app.look.Look;
import rivulus.app.session.Rest;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.check.Prover;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.UserFolder;

/// The application: `demo`, `open FILE`, or nothing for an empty window.
public final class App extends Application {
    private Session session;
    private Rest rest;

    @Override
    public void start(Stage stage) {
        Look.loadFonts();
        Prover prover = Early.prover();
        Settings settings = Settings.in(UserFolder.usual());
        List<String> notes = new ArrayList<>(settings.troubles());
        Journal.Found found = Journal.leftIn(settings.journals(), prover.catalogue());
        notes.addAll(found.troubles());
        session = new Session(prover, settings, journal(settings, notes));
        Early.proof().ifPresent(session::expect);
        Thread.setDefaultUncaughtExceptionHandler(
                (_, thrown) ->
                        Platform.runLater(() -> session.failed("showing the window", thrown)));
        rest = new Rest(session);
        MainWindow window = new MainWindow(session, Optional.empty());
        stage.setTitle("Rivulus");
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        stage.setScene(window.scene());
        stage.setOnCloseRequest(
                event -> {
                    event.consume();
                    window.quit();
                });
        List<String> words = getParameters().getRaw();
        if (words.equals(List.of(Early.DEMO))) window.openDemo(DemoShows.LANTERN_HOUR);
        stage.show();
        if (words.size() == 2 && words.getFirst().equals("open"))
            window.open(Path.of(words.getLast()));
        else if (words.isEmpty()) window.begin();
        window.tell(notes);
        window.offer(found.left());
    }

    static Optional<Journal> journal(Settings settings, List<String> notes) {
        try {
            return Optional.of(Journal.in(settings.journals()));
        } catch (FileTrouble unwritable) {
            notes.add(
                    "Unsaved changes are not kept if the program is killed: "
                            + unwritable.getMessage());
            return Optional.empty();
        }
    }

    @Override
    public void stop() {
        if (rest != null) rest.close();
        session.close();
    }
}
