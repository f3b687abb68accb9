package rivulus.app.levels;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.chart.ProcessingSheet;
import rivulus.form.Form;

/// What acts on the chosen source on its way to the chosen ear: every processor, to be turned, what
/// it does, and what all of them come to.
final class ProcessingPane extends VBox {
    private final Label words = Look.paragraph("", "soft");
    private final VBox orders = new VBox(4);
    private final FormBox deeds;
    private final FormBox form;
    /// Whether the keyboard is wanted as soon as it is drawn up.
    private boolean isAsked;

    ProcessingPane(Session session) {
        setId("processing");
        getStyleClass().add("findings");
        words.setId("processing-words");
        orders.setId("processing-orders");
        deeds = new FormBox("processing-deeds", session::edit);
        form = new FormBox("processing-form", session::edit);
        VBox whole = new VBox(10, words, orders, deeds, form);
        whole.getStyleClass().add("processing");
        ScrollPane scroll = Look.scroll(whole);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(Look.text("Processing", "pane-title"), scroll);
        clear();
    }

    void clear() {
        words.setText("Choose somebody who is heard: what acts on them stands here.");
        Look.show(orders, false);
        Look.show(deeds, false);
        Look.show(form, false);
    }

    void show(ProcessingSheet sheet) {
        words.setText(sheet.words());
        List<Node> lines =
                sheet.orders().stream().<Node>map(line -> Look.paragraph(line, "soft")).toList();
        orders.getChildren().setAll(lines);
        Look.show(orders, !lines.isEmpty());
        Form all = sheet.form();
        Look.show(deeds, !all.deeds().isEmpty());
        Look.show(form, true);
        deeds.show(all.toDo());
        form.show(all.toAnswer());
        if (isAsked) form.focusFirst();
        isAsked = false;
    }

    /// Puts the keyboard on the first field, as soon as it is drawn up.
    void focusFirst() {
        isAsked = true;
    }
}
