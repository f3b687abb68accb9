package rivulus.app.shell;

import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;

/// What was last done, whether it can be undone, and when the show was last proven.
final class BottomBar extends HBox {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");

    BottomBar(Session session, Node drawer) {
        getStyleClass().add("bottom-bar");
        setAlignment(Pos.CENTER_LEFT);
        Label done = Look.text("", "last-done");
        done.setId("last-done");
        Label undo = Look.text("", "shortcut");
        undo.setId("undo-hint");
        Label proven = Look.text("", "soft");
        getChildren().addAll(done, undo, Look.spring(), proven, drawer);
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
