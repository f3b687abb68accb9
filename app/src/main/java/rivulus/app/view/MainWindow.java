package rivulus.app.view;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.stage.FileChooser;
import rivulus.app.session.Session;
import rivulus.file.FileTrouble;
import rivulus.file.ShowFile;

/// The window's scene: workspace, style and keys.
public final class MainWindow {
    private final Scene scene;
    private final Session session;

    /// The window of a session.
    public MainWindow(Session session) {
        this.session = session;
        scene = new Scene(new Workspace(session), 1280, 800);
        theme("day");
        scene.getAccelerators()
                .put(
                        new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN),
                        session::undo);
        scene.getAccelerators()
                .put(
                        new KeyCodeCombination(KeyCode.Y, KeyCombination.SHORTCUT_DOWN),
                        session::redo);
        scene.getAccelerators()
                .put(new KeyCodeCombination(KeyCode.S, KeyCombination.SHORTCUT_DOWN), this::save);
    }

    private void save() {
        Path file = Optional.ofNullable(session.file().get()).orElseGet(this::askWhere);
        if (file == null) return;
        try {
            session.save(file);
        } catch (FileTrouble trouble) {
            session.say(trouble.getMessage());
        }
    }

    private Path askWhere() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the show");
        chooser.setInitialFileName("show" + ShowFile.ENDING);
        var file = chooser.showSaveDialog(scene.getWindow());
        return file == null ? null : file.toPath();
    }

    /// The scene to put on a stage.
    public Scene scene() {
        return scene;
    }

    /// Changes between `day` and `night`.
    public void theme(String name) {
        scene.getStylesheets().setAll(Look.sheet(name), Look.sheet("rivulus"));
    }
}
