package rivulus.app.form;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;

/// What every form is laid of, that of a show and that of a kind of gear alike.
public final class Rows {
    private Rows() {}

    /// What is asked at the left; at the right what stands, and under it what there is to say.
    ///
    /// @param names how wide what is asked may be
    public static HBox row(String asked, double names, Node entry, List<? extends Node> under) {
        Label name = Look.text(asked, "field-name");
        name.setMinWidth(names);
        name.setMaxWidth(names);
        Look.wraps(name);
        VBox box = new VBox(2, entry);
        box.getChildren().addAll(under);
        HBox.setHgrow(box, Priority.ALWAYS);
        box.setMinWidth(0);
        HBox row = new HBox(8, name, box);
        row.getStyleClass().add("field-row");
        return row;
    }

    /// Where it is told why an answer cannot be; hidden until then.
    public static Label trouble() {
        Label trouble = Look.paragraph("", "field-trouble");
        Look.show(trouble, false);
        return trouble;
    }

    /// Does something once somebody has typed: on Enter, and when they go on elsewhere.
    ///
    /// @param place where the field stands, so that it is known again
    public static void onDone(TextField typed, String place, Runnable then) {
        Look.stands(typed, place);
        typed.setOnAction(_ -> then.run());
        typed.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) then.run();
                        });
    }
}
