package rivulus.app.brief;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.edit.Edit;
import rivulus.form.Deed;
import rivulus.form.Outline;

/// What a show says so far, by kind; sections fold, and every row opens its form.
final class OutlineBox extends VBox {
    private static final double WIDTH = 250;

    /// What is long in most shows, and looked at elsewhere.
    private final Set<String> folded = new HashSet<>(Set.of("gear", "leads", "checks"));

    private final Consumer<String> onRow;
    private final Consumer<Edit> edits;
    private Outline shown = new Outline(List.of());

    /// @param onRow told the key of the row that is opened
    /// @param edits told what adds one more
    OutlineBox(Consumer<String> onRow, Consumer<Edit> edits) {
        super(10);
        this.onRow = onRow;
        this.edits = edits;
        setId("outline");
    }

    void clear() {
        getChildren().clear();
    }

    void show(Outline outline) {
        shown = outline;
        Look.relaid(
                this,
                () ->
                        getChildren()
                                .setAll(outline.sections().stream().map(this::section).toList()));
    }

    /// Puts the keyboard on a row, or where it was if it has gone.
    void focus(String key) {
        Node row = lookup("#row-" + id(key));
        if (row == null) row = lookup(".outline-row");
        if (row != null) row.requestFocus();
    }

    private static String id(String key) {
        return key.replaceAll("[^a-zA-Z0-9-]", "-");
    }

    private VBox section(Outline.Section section) {
        boolean open = !folded.contains(section.id());
        String count = section.rows().size() < 2 ? "" : "  " + section.rows().size();
        ToggleButton head = new ToggleButton((open ? "▾ " : "▸ ") + section.title() + count);
        head.setId("section-" + section.id());
        head.getStyleClass().setAll("outline-head");
        head.setSelected(open);
        head.setAccessibleText(
                "%s, %d, %s"
                        .formatted(
                                section.title(), section.rows().size(), open ? "shown" : "folded"));
        head.setOnAction(
                _ -> {
                    if (open) folded.add(section.id());
                    else folded.remove(section.id());
                    show(shown);
                });
        VBox box = new VBox(2, head);
        if (!open) return box;
        if (section.rows().isEmpty() && !section.hint().isEmpty())
            box.getChildren().add(Look.text("none yet: " + section.hint(), "soft", "outline-hint"));
        for (Outline.Row row : section.rows()) box.getChildren().add(row(row));
        section.add().ifPresent(add -> box.getChildren().add(more(add)));
        return box;
    }

    private Button row(Outline.Row row) {
        VBox words = new VBox(Look.block(row.name(), WIDTH, "order"));
        if (!row.words().isEmpty())
            words.getChildren().add(Look.block(row.words(), WIDTH, "effect"));
        Button button = new Button();
        button.setGraphic(new HBox(words));
        button.setId("row-" + id(row.key()));
        button.getStyleClass().addAll("other-trouble", "outline-row");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setAccessibleText(row.name() + ", " + row.words() + ". Opens it to be changed.");
        button.setOnAction(_ -> onRow.accept(row.key()));
        return button;
    }

    private Node more(Deed add) {
        Button button = new Button(add.words());
        button.setId(add.id());
        button.getStyleClass().add("take-out");
        button.setOnAction(_ -> add.edit().ifPresent(edits));
        return button;
    }
}
