package rivulus.app.levels;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.chart.GoingSheet;

/// What goes out and is kept, as it is set, and beside it where all of it is said.
final class GoingBox extends ScrollPane {
    private static final double NAMES = 168;

    private final VBox list = new VBox(4);
    private final VBox side = new VBox();
    private final FormBox form;
    /// Whether the keyboard is wanted as soon as it is drawn up.
    private boolean isAsked;

    GoingBox(Session session) {
        setId("going");
        setContent(list);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        form = new FormBox("going-form", session::edit);
        VBox padded = new VBox(form);
        padded.getStyleClass().add("processing");
        ScrollPane scroll = new ScrollPane(padded);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        side.getStyleClass().add("findings");
        side.getChildren().setAll(Look.text("How it is set", "pane-title"), scroll);
    }

    /// Where it is said.
    Node side() {
        return side;
    }

    /// Puts the keyboard on the first field, as soon as it is drawn up.
    void focusFirst() {
        isAsked = true;
    }

    void clear() {
        list.getChildren().clear();
    }

    void show(GoingSheet sheet) {
        List<Node> lines = new ArrayList<>();
        for (GoingSheet.Section section : sheet.sections()) {
            lines.add(Look.text(section.title(), "stage-subtitle"));
            for (GoingSheet.Row row : section.rows()) lines.add(row(row));
            for (String note : section.notes()) lines.add(Look.paragraph(note, "soft", "note"));
        }
        list.getChildren().setAll(lines);
        form.show(sheet.form());
        if (isAsked) form.focusFirst();
        isAsked = false;
    }

    private static Node row(GoingSheet.Row row) {
        Label name = Look.text(row.name(), "row-source");
        name.setMinWidth(NAMES);
        name.setMaxWidth(NAMES);
        Label words = Look.paragraph(row.words(), row.isLacking() ? "lacking" : "soft");
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(8, name, words);
        line.getStyleClass().add("going-row");
        return line;
    }
}
