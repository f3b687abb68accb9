package rivulus.app.shell;

import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.util.Duration;
import rivulus.app.look.Look;
import rivulus.app.session.Session;

/// What was last done, whether it can be undone, and when the show was last proven.
final class BottomBar extends HBox {
    /// What is over sooner is not worth telling.
    private static final Duration PATIENCE = Duration.millis(500);

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");

    BottomBar(Session session, Node drawer) {
        getStyleClass().add("bottom-bar");
        setAlignment(Pos.CENTER_LEFT);
        Label done = Look.text("", "last-done");
        done.setId("last-done");
        Label undo = Look.text("", "shortcut");
        undo.setId("undo-hint");
        Label proven = Look.text("", "soft");
        Label doing = Look.text("", "soft");
        doing.setId("doing");
        Button stop = new Button("Stop");
        stop.setId("stop-doing");
        stop.getStyleClass().add("back");
        stop.setAccessibleText("Stop trying remedies");
        stop.setOnAction(_ -> session.stopSearching());
        HBox going = new HBox(8, doing, stop);
        going.setAlignment(Pos.CENTER_LEFT);
        Look.show(going, false);
        getChildren().addAll(done, undo, Look.spring(), going, proven, drawer);
        PauseTransition patience = new PauseTransition(PATIENCE);
        patience.setOnFinished(_ -> Look.show(going, !session.doing().get().isEmpty()));
        session.doing()
                .addListener(
                        (_, was, words) -> {
                            doing.setText(words);
                            if (was.isEmpty()) patience.playFromStart();
                            if (words.isEmpty()) Look.show(going, false);
                        });
        session.lastDone()
                .addListener(
                        (_, _, words) -> {
                            done.setText(words);
                            undo.setText(
                                    session.document()
                                            .undoName()
                                            .map(name -> "Ctrl Z undoes: " + name)
                                            .orElse(""));
                        });
        session.proof()
                .addListener(
                        (_, _, proof) -> {
                            if (proof != null)
                                proven.setText("Proven " + LocalTime.now().format(CLOCK));
                        });
    }
}
