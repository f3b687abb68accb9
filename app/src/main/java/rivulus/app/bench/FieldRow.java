package rivulus.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import rivulus.app.form.Rows;
import rivulus.app.look.Look;
import rivulus.file.TemplateDraft;
import rivulus.file.TemplateForm;

/// One field of a kind of gear, to be filled in.
final class FieldRow extends VBox {
    private static final double NAMES = 112;

    private final TemplateForm.Field field;
    private final String place;
    private final Label trouble = Rows.trouble();
    private final Consumer<Object> set;
    private String shown;

    /// @param of what it is a field of
    /// @param set told what was filled in, as a plain value; an empty text takes the field out
    FieldRow(
            TemplateForm.Field field, String of, Object value, boolean open, Consumer<Object> set) {
        this.field = field;
        this.place = of + "/" + field.name();
        this.set = set;
        this.shown = TemplateDraft.shown(field, value);
        Node entry = entry();
        entry.setDisable(!open);
        entry.setId("field-" + field.name());
        entry.setAccessibleText(field.label() + ". " + field.about());
        List<Node> under = new ArrayList<>();
        if (!field.about().isEmpty())
            under.add(Look.paragraph(field.about(), "soft", "field-about"));
        under.add(trouble);
        String asked = field.label() + (field.required() ? " *" : "");
        getChildren().add(Rows.row(asked, NAMES, entry, under));
    }

    private Node entry() {
        return switch (field.kind()) {
            case WORD -> choice(field.words());
            case TRUTH -> choice(List.of("yes", "no"));
            case TEXT, NUMBER, PARTS, EITHER -> typed();
        };
    }

    private ComboBox<String> choice(List<String> words) {
        ComboBox<String> choice = new ComboBox<>();
        List<String> all = new ArrayList<>(words);
        if (!shown.isEmpty() && !all.contains(shown)) all.add(shown);
        if (!field.required()) all.addFirst("");
        choice.getItems().setAll(all);
        choice.setValue(shown);
        choice.valueProperty().addListener((_, _, word) -> take(word == null ? "" : word));
        return choice;
    }

    private TextField typed() {
        TextField text = new TextField(shown);
        Rows.onDone(text, place, () -> take(text.getText()));
        return text;
    }

    private void take(String typed) {
        if (typed.equals(shown)) return;
        Optional<Object> value = TemplateDraft.read(field, typed);
        Look.show(trouble, value.isEmpty());
        if (value.isEmpty()) {
            trouble.setText(
                    field.kind() == TemplateForm.Kind.NUMBER
                            ? "This has to be a number."
                            : "This is no JSON yet: [\"a\", \"b\"] or {\"a\": 1}.");
            return;
        }
        shown = typed;
        set.accept(value.get());
    }
}
