package rivulus.app.shell;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;

/// A calm panel over the window: a question or a piece of news, and what can be done about it.
/// Escape closes it.
final class Panel extends StackPane {
    private final VBox card = new VBox();
    private final FlowPane answers = new FlowPane();
    private final Runnable close;

    /// What has the keyboard first, where that is no answer; or null.
    private Node first;

    Panel(String title, String words, Runnable close) {
        this.close = close;
        getStyleClass().add("veil");
        setId("panel");
        card.getStyleClass().add("panel");
        card.setMaxSize(560, Region.USE_PREF_SIZE);
        answers.getStyleClass().add("answers");
        card.getChildren().add(Look.paragraph(title, "panel-title"));
        if (!words.isEmpty()) card.getChildren().add(Look.paragraph(words, "panel-words"));
        card.getChildren().add(answers);
        getChildren().add(card);
        addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() == KeyCode.ESCAPE) {
                        close.run();
                        event.consume();
                    }
                });
        setAccessibleText(title + " " + words);
    }

    /// Adds something between the words and the answers.
    Panel with(Node node) {
        card.getChildren().add(card.getChildren().size() - 1, node);
        return this;
    }

    /// Adds an answer; the first one has the keyboard.
    Panel answer(String words, Runnable then) {
        Button button = new Button(words);
        button.getStyleClass().add(answers.getChildren().isEmpty() ? "first-answer" : "answer");
        button.setOnAction(
                _ -> {
                    close.run();
                    then.run();
                });
        answers.getChildren().add(button);
        return this;
    }

    /// Adds an answer that is not the first to think of.
    Panel quietly(String words, Runnable then) {
        answer(words, then);
        answers.getChildren().getLast().getStyleClass().setAll("button", "answer");
        return this;
    }

    /// Has the keyboard on something else than the first answer.
    Panel first(Node node) {
        first = node;
        return this;
    }

    /// Puts the keyboard on the first answer.
    void focus() {
        if (first != null && first.getScene() == null) {
            applyCss(); // what can be scrolled is there once it is dressed
            layout();
        }
        if (first != null && first.getScene() != null) first.requestFocus();
        else if (!answers.getChildren().isEmpty()) answers.getChildren().getFirst().requestFocus();
    }
}
