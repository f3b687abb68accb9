package rivulus.app.form;

import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;

/// A finding that somebody has looked at and does not want to be told again, with the reason.
public final class SilenceBox extends HBox {
    private final Button ask = new Button("Silence …");
    private final TextField reason = new TextField();
    private final VBox asked;

    /// @param what is silenced, for who does not see it: "Teo hears himself"
    /// @param silence told the reason
    public SilenceBox(String what, Consumer<String> silence) {
        getStyleClass().add("silence");
        ask.getStyleClass().add("silence-ask");
        ask.setAccessibleText("Silence: " + what);
        reason.getStyleClass().add("silence-reason");
        reason.setPromptText("Why? Enter silences it");
        reason.setAccessibleText("Why this finding is not to be told again. Enter silences it.");
        asked =
                new VBox(
                        2,
                        reason,
                        Look.paragraph(
                                "It is listed under Brief · How it is judged, and told again from"
                                        + " there.",
                                "soft"));
        HBox.setHgrow(asked, Priority.ALWAYS);
        ask.setOnAction(_ -> turn(true));
        reason.setOnAction(_ -> silence.accept(reason.getText().strip()));
        reason.addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE) return;
                    turn(false);
                    event.consume();
                });
        getChildren().addAll(ask, asked);
        turn(false);
    }

    private void turn(boolean asking) {
        boolean had = reason.isFocused();
        Look.show(ask, !asking);
        Look.show(asked, asking);
        if (asking) reason.requestFocus();
        else if (had) ask.requestFocus();
    }
}
