package rivulus.app.rig;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Session;
import rivulus.chart.RigPage;

/// What a layer of the rig says beside the drawing.
final class RigPageBox extends VBox {
    private static final double HEADS = 216;

    private final Session session;

    RigPageBox(Session session) {
        this.session = session;
        getStyleClass().add("rig-page");
        setId("rig-page");
    }

    /// Shows a page.
    void show(RigPage page) {
        getChildren().clear();
        for (RigPage.Section section : page.sections()) {
            getChildren().add(Look.text(section.title(), "group-title"));
            for (RigPage.Row row : section.rows()) getChildren().add(line(row));
        }
    }

    private Node line(RigPage.Row row) {
        Label head = Look.paragraph(row.head(), "page-head");
        head.setMinWidth(HEADS);
        head.setMaxWidth(HEADS);
        StackPane mark = new StackPane();
        mark.setMinWidth(16);
        mark.setAlignment(Pos.TOP_CENTER);
        row.severity().ifPresent(severity -> mark.getChildren().add(Marks.of(severity)));
        VBox words = new VBox(4, Look.paragraph(row.text(), "page-text"));
        HBox.setHgrow(words, Priority.ALWAYS);
        row.edit()
                .ifPresent(
                        edit -> {
                            Button take = new Button("Take every step");
                            take.setId("take-plan");
                            take.getStyleClass().add("first-answer");
                            take.setOnAction(_ -> session.edit(edit));
                            words.getChildren().add(take);
                        });
        HBox line = new HBox(8, mark, head, words);
        line.getStyleClass().add("page-row");
        if (row.device().isEmpty()) return line;
        line.getStyleClass().add("page-link");
        line.setOnMouseClicked(_ -> session.device().set(row.device()));
        line.setMinHeight(Region.USE_PREF_SIZE);
        return line;
    }
}
