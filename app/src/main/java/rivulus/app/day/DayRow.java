package rivulus.app.day;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;

/// A row of a list of the day: what stands in it side by side, and all of it can be pressed.
final class DayRow extends Button {
    private static final int GAP = 8;

    /// @param id by which it is found again
    /// @param says for who does not see it
    DayRow(String id, String says, Node... inside) {
        HBox line = new HBox(GAP, inside);
        line.setAlignment(Pos.CENTER_LEFT);
        setGraphic(line);
        setId(id);
        getStyleClass().setAll("button", "day-row");
        setMaxWidth(Double.MAX_VALUE);
        setAccessibleText(says);
    }

    /// Styles it so, or not.
    DayRow being(String style, boolean is) {
        style(this, style, is);
        return this;
    }

    /// What a press does.
    DayRow does(Runnable deed) {
        setOnAction(_ -> deed.run());
        return this;
    }

    static void style(Node node, String style, boolean is) {
        node.getStyleClass().remove(style);
        if (is) node.getStyleClass().add(style);
    }
}
