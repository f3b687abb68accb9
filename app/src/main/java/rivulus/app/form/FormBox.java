package rivulus.app.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import rivulus.app.look.Look;
import rivulus.edit.Edit;
import rivulus.form.Deed;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.Option;

/// One part of a show, to be answered field by field: every answer is an edit at once. What cannot
/// be is told under its field, and the field keeps what was typed.
public final class FormBox extends VBox {
    private static final double NAMES = 92;
    private static final double ENTRY = 168;
    private static final double WIDTH = 268;
    /// So many can be looked over as boxes to tick; of more, those that are chosen.
    private static final int MOST_TICKED = 12;

    private final Consumer<Edit> edits;
    private final Label told = Look.paragraph("", "cause");
    private Form shown;
    private boolean laying;

    /// @param id by which it is found in the window
    /// @param edits told every edit that an answer comes to
    public FormBox(String id, Consumer<Edit> edits) {
        super(8);
        this.edits = edits;
        setId(id);
        getStyleClass().add("form");
        told.setId(id + "-told");
    }

    /// Shows a form. The keyboard stays where it is, and what is being typed is neither taken nor
    /// lost, whatever else has changed meanwhile.
    public void show(Form form) {
        boolean same = shown != null && shown.key().equals(form.key());
        boolean alike = same && face(shown).equals(face(form));
        Optional<Typing> typing = same ? typing() : Optional.empty();
        shown = form;
        if (alike) return;
        laying = true;
        Look.relaid(
                this,
                () -> {
                    getChildren().clear();
                    tell("");
                    for (Field field : form.fields()) getChildren().add(row(field));
                    if (!form.deeds().isEmpty()) getChildren().add(deeds(form));
                    getChildren().add(told);
                });
        typing.ifPresent(this::goOn);
        laying = false;
    }

    /// All that is seen of a form.
    private static List<Object> face(Form form) {
        List<Object> face = new ArrayList<>(List.of(form.title()));
        for (Field field : form.fields())
            face.add(
                    switch (field) {
                        case Field.Text t ->
                                List.of(t.id(), t.label(), t.value(), t.hint(), t.offers());
                        case Field.Choice c ->
                                List.of(c.id(), c.label(), c.value(), c.options(), c.told());
                        case Field.Several s -> List.of(s.id(), s.label(), s.values(), s.options());
                    });
        for (Deed deed : form.deeds())
            face.add(List.of(deed.id(), deed.words(), deed.told(), deed.edit().isPresent()));
        return face;
    }

    /// What somebody is typing.
    private record Typing(String id, String text, int caret) {}

    private Optional<Typing> typing() {
        Node focused = getScene() == null ? null : getScene().getFocusOwner();
        return focused == null
                        || focused.getId() == null
                        || lookup("#" + focused.getId()) != focused
                ? Optional.empty()
                : typed(focused)
                        .map(
                                field ->
                                        new Typing(
                                                focused.getId(),
                                                field.getText(),
                                                field.getCaretPosition()));
    }

    private static Optional<TextField> typed(Node node) {
        if (node instanceof TextField field) return Optional.of(field);
        return node instanceof ComboBox<?> choice && choice.isEditable()
                ? Optional.of(choice.getEditor())
                : Optional.empty();
    }

    private void goOn(Typing typing) {
        applyCss(); // a field selects all of itself when its skin comes to it
        typed(lookup("#" + typing.id()))
                .ifPresent(
                        field -> {
                            field.setText(typing.text());
                            field.positionCaret(typing.caret());
                        });
    }

    /// Puts the keyboard on the first field.
    public void focusFirst() {
        Node first = lookup(".field-entry");
        if (first != null) first.requestFocus();
    }

    private void tell(String words) {
        told.setText(words);
        Look.show(told, !words.isEmpty());
    }

    // Fields

    private Node row(Field field) {
        Label trouble = Rows.trouble();
        Node entry =
                switch (field) {
                    case Field.Text text -> text(text, trouble);
                    case Field.Choice choice -> choice(choice, trouble);
                    case Field.Several several -> several(several, trouble);
                };
        boolean told = field instanceof Field.Choice choice && !choice.told().isEmpty();
        List<Node> under = new ArrayList<>(List.of(trouble));
        if (told) under.addFirst(Look.paragraph(((Field.Choice) field).told(), "soft"));
        return Rows.row(field.label(), NAMES, entry, under);
    }

    /// An id by which the window finds a node.
    private static String safe(String id) {
        return id.replaceAll("[^a-zA-Z0-9-]", "-");
    }

    private static void entry(Control control, Field field) {
        control.setId("field-" + safe(field.id()));
        control.getStyleClass().add("field-entry");
        control.setMaxWidth(Double.MAX_VALUE);
        control.setMinWidth(0);
        control.setPrefWidth(ENTRY);
        control.setAccessibleText(field.label());
    }

    private String place(Field field) {
        return shown.key() + "/" + field.id();
    }

    private Node text(Field.Text field, Label trouble) {
        if (field.offers().isEmpty()) {
            TextField typed = new TextField(field.value());
            entry(typed, field);
            typed.setPromptText(field.hint());
            Rows.onDone(typed, place(field), () -> take(field.id(), typed.getText(), trouble));
            return typed;
        }
        ComboBox<String> typed = new ComboBox<>();
        entry(typed, field);
        typed.setEditable(true);
        typed.getItems().setAll(field.offers());
        typed.setValue(field.value());
        typed.setPromptText(field.hint());
        typed.valueProperty()
                .addListener((_, _, word) -> take(field.id(), word == null ? "" : word, trouble));
        Rows.onDone(
                typed.getEditor(),
                place(field),
                () -> take(field.id(), typed.getEditor().getText(), trouble));
        return typed;
    }

    private void take(String id, String typed, Label trouble) {
        if (laying) return;
        Field.Text field = now(id, Field.Text.class);
        if (typed.equals(field.value())) Look.show(trouble, false);
        else answer(() -> field.to().apply(typed), trouble);
    }

    private Node choice(Field.Choice field, Label trouble) {
        ComboBox<Option> choice = options(field.options());
        entry(choice, field);
        choice.setValue(find(field.options(), field.value()));
        choice.valueProperty()
                .addListener(
                        (_, was, is) -> {
                            if (is != null && !is.equals(was))
                                answer(
                                        () ->
                                                now(field.id(), Field.Choice.class)
                                                        .to()
                                                        .apply(is.id()),
                                        trouble);
                        });
        return choice;
    }

    private static Option find(List<Option> options, String id) {
        return options.stream().filter(option -> option.id().equals(id)).findFirst().orElse(null);
    }

    private static ComboBox<Option> options(List<Option> options) {
        ComboBox<Option> choice = new ComboBox<>();
        choice.getItems().setAll(options);
        choice.setConverter(
                new StringConverter<>() {
                    @Override
                    public String toString(Option option) {
                        return option == null ? "" : option.words();
                    }

                    @Override
                    public Option fromString(String words) {
                        throw new UnsupportedOperationException("it is chosen, not typed");
                    }
                });
        return choice;
    }

    private Node several(Field.Several field, Label trouble) {
        FlowPane box = new FlowPane(8, 4);
        box.setPrefWrapLength(ENTRY);
        box.setMinWidth(0);
        if (field.options().isEmpty()) {
            box.getChildren().add(Look.text("nothing there yet", "soft"));
            return box;
        }
        boolean many = field.options().size() > MOST_TICKED;
        List<Option> left = new ArrayList<>();
        boolean first = true;
        for (Option option : field.options()) {
            boolean chosen = field.values().contains(option.id());
            if (many && !chosen) {
                left.add(option);
                continue;
            }
            CheckBox tick = new CheckBox(option.words());
            tick.setSelected(chosen);
            tick.setMinWidth(ENTRY / 2 - 4);
            tick.setMaxWidth(ENTRY);
            Look.wraps(tick);
            tick.setId("field-" + field.id() + "-" + safe(option.id()));
            if (first) tick.getStyleClass().add("field-entry");
            first = false;
            tick.setAccessibleText(field.label() + ": " + option.words());
            tick.setOnAction(_ -> answer(() -> turned(field.id(), option), trouble));
            box.getChildren().add(tick);
        }
        if (!left.isEmpty()) {
            ComboBox<Option> more = options(left);
            entry(more, field);
            more.setPromptText("one more …");
            more.valueProperty()
                    .addListener(
                            (_, _, option) -> {
                                if (option != null)
                                    answer(() -> turned(field.id(), option), trouble);
                            });
            box.getChildren().add(more);
        }
        return box;
    }

    /// What stands, with one more or one fewer.
    private Edit turned(String id, Option option) {
        Field.Several field = now(id, Field.Several.class);
        List<String> values = new ArrayList<>(field.values());
        if (!values.remove(option.id())) values.add(option.id());
        return field.to().apply(values);
    }

    /// A field as the show has it now.
    private <F extends Field> F now(String id, Class<F> kind) {
        return kind.cast(shown.field(id).orElseThrow());
    }

    private void answer(Supplier<Edit> answer, Label trouble) {
        try {
            Edit edit = answer.get();
            Look.show(trouble, false);
            edits.accept(edit);
        } catch (IllegalArgumentException cannotBe) {
            trouble.setText(cannotBe.getMessage());
            Look.show(trouble, true);
        }
    }

    // Deeds

    private Node deeds(Form form) {
        FlowPane buttons = new FlowPane(4, 4);
        buttons.getStyleClass().add("deeds");
        buttons.setPrefWrapLength(WIDTH);
        buttons.setMinWidth(0);
        for (Deed deed : form.deeds()) {
            Button button = new Button(deed.words());
            button.setId("deed-" + safe(deed.id()));
            button.getStyleClass().add("take-out");
            Look.wraps(button);
            button.setMaxWidth(WIDTH);
            button.setAccessibleText(deed.words() + " " + form.title() + ". " + deed.told());
            button.setDisable(deed.edit().isEmpty());
            button.setOnAction(_ -> shown.deed(deed.id()).flatMap(Deed::edit).ifPresent(edits));
            button.focusedProperty().addListener((_, _, on) -> tell(on ? deed.told() : ""));
            button.hoverProperty().addListener((_, _, on) -> tell(on ? deed.told() : ""));
            buttons.getChildren().add(button);
            // what cannot be done has no focus to say why
            if (deed.edit().isEmpty())
                buttons.getChildren().add(Look.paragraph(deed.told(), "soft"));
        }
        return buttons;
    }
}
