package rivulus.app.view;

import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import rivulus.app.session.Session;

/// What was last done, and when the show was last proven.
public final class BottomBar extends HBox {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");

    /// The bottom bar of a session.
    public BottomBar(Session session) {
        getStyleClass().add("bottom-bar");
        setAlignment(Pos.CENTER_LEFT);
        Label done = Look.text("", "last-done");
        done.setId("last-done");
        Label proven = Look.text("", "soft");
        getChildren().addAll(done, Look.spring(), proven);
        session.lastDone()
                .addListener(
                        (_, _, words) -> {
                            String undo =
                                    session.undoName().isPresent() ? "   Ctrl Z undoes it" : "";
                            done.setText(words + undo);
                        });
        session.proof()
                .addListener(
                        (_, _, proof) -> {
                            if (proof != null)
                                proven.setText("Proven " + LocalTime.now().format(CLOCK));
                        });
    }
}
