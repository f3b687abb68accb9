package rivulus.app.day;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;

/// Answers one under the other, each with the number that gives it.
final class Replies extends VBox {
    private static final int NUMBERED = 9;

    /// One answer.
    record Reply(String words, Runnable gives) {}

    private List<Reply> all = List.of();

    Replies(String id) {
        super(4);
        setId(id);
    }

    void show(List<Reply> replies) {
        all = List.copyOf(replies);
        getChildren().clear();
        for (int i = 0; i < all.size(); i++) {
            Reply reply = all.get(i);
            String number = i < NUMBERED ? (i + 1) + "   " : "     ";
            Button button = new Button(number + reply.words());
            button.setId(getId() + "-" + (i + 1));
            button.getStyleClass().add("reply");
            if (i == 0) button.getStyleClass().add("day-focus");
            button.setMaxWidth(Double.MAX_VALUE);
            Look.wraps(button);
            button.setAccessibleText(reply.words());
            button.setOnAction(_ -> reply.gives().run());
            getChildren().add(button);
        }
    }

    /// The answer of a number key, given where there is one.
    void key(KeyEvent event) {
        number(event, number -> all.get(number - 1).gives().run(), all.size());
    }

    /// Takes a number key from 1 to so many.
    static void number(KeyEvent event, Consumer<Integer> taken, int most) {
        String text = event.getText();
        if (text.length() != 1 || !Character.isDigit(text.charAt(0))) return;
        int number = text.charAt(0) - '0';
        if (number < 1 || number > Math.min(most, NUMBERED)) return;
        event.consume();
        taken.accept(number);
    }
}
