package rivulus.bench;

import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;

/// The least window the toolkit can show, to compare with: see [StartTime].
public final class EmptyWindow extends Application {
    /// Shows it, says that it is usable, and goes.
    public static void main(String[] args) {
        launch(EmptyWindow.class, args);
    }

    @Override
    public void start(Stage stage) {
        stage.setScene(new Scene(new Pane(), 1280, 800));
        stage.show();
        Usable.sayOnce(() -> true);
    }
}
