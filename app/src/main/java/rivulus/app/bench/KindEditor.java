package rivulus.app.bench;

import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.disk.FileTrouble;
import rivulus.file.TemplateDraft;
import rivulus.file.TemplateForm;

/// A kind of gear, section by section: what it is, then the lists of ports, points, routes, knobs
/// and the rest, and all of it as text. What may be filled in comes from the language itself.
final class KindEditor extends VBox {
    private static final String ITSELF = "itself";
    private static final String TEXT = "as text";
    private static final double ITEMS = 232;

    private final TemplateForm form = TemplateForm.shipped();
    private final Consumer<TemplateDraft> changed;
    private final Consumer<String> typing;
    private final Consumer<String> told;
    private final FlowPane tabs = new FlowPane();
    private final VBox fields = new VBox(6);
    private final ListView<String> items = new ListView<>();
    private final Button add = new Button("Add");
    private final Button twice = new Button("Double");
    private final Button out = new Button("Take out");
    private final VBox list = new VBox(6, items, new HBox(4, add, twice, out));
    private final TextArea text = new TextArea();
    private final HBox body = new HBox(16);
    private final ScrollPane scroll = Look.scroll(fields);

    private TemplateDraft draft = TemplateDraft.fresh("new-kind", "New kind");

    /// Text that was typed and cannot be read yet; empty where there is none.
    private String unread = "";

    private boolean open;
    private boolean filling;
    private String section = ITSELF;

    /// @param changed told every new draft
    /// @param typing told what is typed as text, read or not
    /// @param told told in words what went wrong with the text
    KindEditor(Consumer<TemplateDraft> changed, Consumer<String> typing, Consumer<String> told) {
        super(8);
        this.changed = changed;
        this.typing = typing;
        this.told = told;
        items.setId("kind-items");
        items.setAccessibleText("Items of this list");
        items.setCellFactory(_ -> new Item());
        items.getSelectionModel()
                .selectedIndexProperty()
                .addListener(
                        (_, _, _) -> {
                            if (!filling) fillFields();
                        });
        add.setId("item-add");
        add.setOnAction(_ -> list(list -> draft.plusItem(list), Integer.MAX_VALUE));
        twice.setId("item-double");
        twice.setOnAction(_ -> ofChosen(list -> draft.doubled(list, chosen()), chosen() + 1));
        out.setId("item-out");
        out.setOnAction(_ -> ofChosen(list -> draft.minusItem(list, chosen()), chosen()));
        VBox.setVgrow(items, Priority.ALWAYS);
        list.setMinWidth(ITEMS);
        list.setMaxWidth(ITEMS);
        text.setId("kind-text");
        text.setAccessibleText("The kind of gear as text");
        text.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) takeText();
                        });
        text.textProperty()
                .addListener(
                        (_, _, now) -> {
                            if (!filling && open) typing.accept(now);
                        });
        HBox.setHgrow(text, Priority.ALWAYS);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        fillTabs();
        tabs.getStyleClass().add("kind-tabs");
        getChildren().addAll(tabs, body);
    }

    /// Shows a kind of gear.
    ///
    /// @param open whether it may be changed
    void show(TemplateDraft draft, boolean open) {
        this.draft = draft;
        this.open = open;
        unread = "";
        fill(chosen());
    }

    /// Shows text that cannot be read yet, to go on with.
    void show(String unread) {
        this.unread = unread;
        turnTo(TEXT, 0);
    }

    /// Turns to a section, and to one of its items.
    void turnTo(String where, int item) {
        section = where.equals(TEXT) || form.sections().containsKey(where) ? where : ITSELF;
        fillTabs();
        fill(item);
    }

    private void fillTabs() {
        tabs.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        tab(ITSELF, group);
        form.sections().keySet().forEach(name -> tab(name, group));
        tab(TEXT, group);
    }

    private void tab(String name, ToggleGroup group) {
        ToggleButton button = new ToggleButton(TemplateForm.label(name));
        button.setId("section-" + name.replace(' ', '-'));
        button.getStyleClass().setAll("pane-tab");
        button.setToggleGroup(group);
        button.setSelected(name.equals(section));
        button.setOnAction(
                _ -> {
                    button.setSelected(true);
                    section = name;
                    fill(0);
                });
        tabs.getChildren().add(button);
    }

    private int chosen() {
        return items.getSelectionModel().getSelectedIndex();
    }

    private boolean isList() {
        return form.sections().containsKey(section);
    }

    /// Of an empty list nothing is chosen.
    private void ofChosen(Function<String, TemplateDraft> change, int then) {
        if (chosen() >= 0) list(change, then);
    }

    private void list(Function<String, TemplateDraft> change, int then) {
        if (!open || !isList()) return;
        draft = change.apply(section);
        fill(then);
        changed.accept(draft);
    }

    private void fill(int item) {
        body.getChildren().clear();
        if (section.equals(TEXT)) {
            filling = true;
            text.setText(unread.isEmpty() ? draft.text() : unread);
            filling = false;
            text.setEditable(open);
            body.getChildren().add(text);
            return;
        }
        if (isList()) body.getChildren().add(list);
        body.getChildren().add(scroll);
        fillItems(item);
        fillFields();
    }

    private void fillItems(int item) {
        filling = true;
        items.getItems().clear();
        List<Map<String, Object>> all = isList() ? draft.items(section) : List.of();
        for (int i = 0; i < all.size(); i++) items.getItems().add(draft.summary(section, i));
        items.getSelectionModel().select(Math.clamp(item, 0, Math.max(0, all.size() - 1)));
        filling = false;
        for (Button button : List.of(add, twice, out)) button.setDisable(!open);
    }

    private void fillFields() {
        fields.getChildren().clear();
        scroll.setVvalue(0);
        if (!isList()) {
            fill(form.top(), draft.written(), (name, value) -> draft = draft.with(name, value));
            return;
        }
        int item = chosen();
        if (item < 0) {
            fields.getChildren().add(Look.text("Nothing here yet.", "soft"));
            return;
        }
        String list = section;
        fill(
                form.fields(list),
                draft.items(list).get(item),
                (name, value) -> draft = draft.with(list, item, name, value));
    }

    private void fill(
            List<TemplateForm.Field> form,
            Map<String, Object> values,
            BiConsumer<String, Object> set) {
        for (TemplateForm.Field field : form) {
            fields.getChildren()
                    .add(
                            new FieldRow(
                                    field,
                                    place(),
                                    values.get(field.name()),
                                    open,
                                    value -> {
                                        set.accept(field.name(), value);
                                        nameAgain();
                                        changed.accept(draft);
                                    }));
        }
    }

    /// What the fields are fields of, so that they are known again.
    private String place() {
        String kind = "kind/%s/%s".formatted(draft.written().get("id"), section);
        return isList() ? kind + "/" + chosen() : kind;
    }

    /// The chosen item may be called otherwise now.
    private void nameAgain() {
        if (!isList() || chosen() < 0) return;
        filling = true;
        int at = chosen();
        items.getItems().set(at, draft.summary(section, at));
        items.getSelectionModel().select(at);
        filling = false;
    }

    /// One item in the list, no wider than it.
    private static final class Item extends ListCell<String> {
        @Override
        protected void updateItem(String words, boolean empty) {
            super.updateItem(words, empty);
            setText(empty ? null : words);
            setPrefWidth(0);
        }
    }

    private void takeText() {
        if (!open || text.getText().equals(draft.text())) return;
        try {
            draft = TemplateDraft.ofText(text.getText());
            unread = "";
            changed.accept(draft);
        } catch (FileTrouble noText) {
            unread = text.getText();
            told.accept(noText.getMessage());
        }
    }
}
