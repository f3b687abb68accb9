package rivulus.app.bench;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.FileAsker;
import rivulus.app.session.Session;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.TemplateDraft;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.words.Severity;
import rivulus.words.Words;

/// The bench on which kinds of gear are looked at, doubled, changed, and kept: with the show, in
/// the library, or as a file. The language is checked at every change; nothing is kept that does
/// not hold together. Escape leaves, Shortcut+Z takes back.
public final class TemplateBench extends StackPane {
    private static final String ENDING = ".json";
    private static final KeyCombination UNDO = KeyCombination.valueOf("Shortcut+Z");

    private final Session session;
    private final Drafts drafts;
    private final FileAsker files;
    private final BiConsumer<String, Consumer<Path>> toSave;
    private final Runnable close;
    private final TextField filter = new TextField();
    private final ListView<Shelved> kinds = new ListView<>();
    private final Label name = Look.text("", "panel-title");
    private final Label shelf = Look.text("", "soft");
    private final KindEditor editor;
    private final HBox checked = new HBox(8);
    private final Button goTo = new Button("Go there");
    private final Button keep = new Button("Keep with the show");
    private final Button library = new Button("Keep in the library");
    private final Button drop = new Button("Out of the library");
    private final Button export = new Button("Export …");
    private final Button back = new Button("Undo");
    private final Button away = new Button("Throw it away");
    private final Deque<TemplateDraft> before = new ArrayDeque<>();

    private TemplateDraft draft = TemplateDraft.fresh("new-kind", "New kind");
    private Optional<Device> device = Optional.empty();

    /// The id under which what is on the bench was taken to it.
    private String begun = "";

    /// What was held of it then.
    private Optional<String> heldAtFirst = Optional.empty();

    private boolean open;
    private boolean told;
    private boolean filling;

    /// @param toSave asks for a file to write to, by what it might be called, and goes on with it
    /// @param close takes the bench away
    public TemplateBench(
            Session session,
            FileAsker files,
            BiConsumer<String, Consumer<Path>> toSave,
            Runnable close) {
        this.session = session;
        this.files = files;
        this.toSave = toSave;
        this.close = close;
        this.drafts = new Drafts(session);
        this.editor = new KindEditor(this::change, text -> drafts.hold(begun, text), this::say);
        getStyleClass().addAll("veil", "bench-veil");
        setId("bench");
        HBox.setHgrow(editor, Priority.ALWAYS);
        VBox work = new VBox(8, head(), editor, checked, foot());
        VBox.setVgrow(editor, Priority.ALWAYS);
        HBox.setHgrow(work, Priority.ALWAYS);
        HBox card = new HBox(20, shelves(), work);
        card.getStyleClass().addAll("panel", "bench");
        card.setMaxSize(1120, 700);
        checked.setAlignment(Pos.CENTER_LEFT);
        checked.setId("bench-check");
        getChildren().add(card);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        session.shelf().library().addListener((_, _, _) -> fillKinds());
    }

    private VBox shelves() {
        filter.setId("bench-filter");
        filter.setPromptText("find a kind");
        filter.setAccessibleText("Find a kind of gear by name");
        filter.textProperty().addListener((_, _, _) -> fillKinds());
        kinds.setId("bench-kinds");
        kinds.setAccessibleText("Kinds of gear");
        kinds.setCellFactory(_ -> new Row());
        kinds.getSelectionModel()
                .selectedItemProperty()
                .addListener(
                        (_, _, kind) -> {
                            if (kind != null && !filling) look(kind);
                        });
        VBox.setVgrow(kinds, Priority.ALWAYS);
        Button fresh = button("New", "bench-new", this::fresh);
        Button take = button("Import …", "bench-import", this::importKind);
        VBox box = new VBox(8, filter, kinds, new HBox(6, fresh, take));
        box.setMinWidth(248);
        box.setMaxWidth(248);
        return box;
    }

    private HBox head() {
        Button twice = button("Double it to change it", "bench-double", this::twice);
        name.setMinWidth(0);
        HBox head = new HBox(12, name, shelf, Look.spring(), away, back, twice);
        away.setId("bench-away");
        away.setAccessibleText("Throw away what was changed here and is not kept yet");
        away.setOnAction(_ -> throwAway());
        back.setId("bench-undo");
        back.setOnAction(_ -> undo());
        for (Region fixed : List.of(shelf, away, back, twice))
            fixed.setMinWidth(Region.USE_PREF_SIZE);
        head.setAlignment(Pos.CENTER_LEFT);
        return head;
    }

    private HBox foot() {
        keep.setId("bench-keep");
        keep.getStyleClass().add("first-answer");
        keep.setOnAction(_ -> keep());
        library.setId("bench-library");
        library.setOnAction(_ -> session.shelf().keep(draft.own(), this::say));
        drop.setId("bench-drop");
        drop.setOnAction(_ -> session.shelf().drop(draft.own(), this::say));
        export.setId("bench-export");
        export.setOnAction(_ -> export());
        goTo.setId("bench-go");
        goTo.setOnAction(_ -> editor.turnTo(draft.section(), draft.item()));
        Button leave = button("Close", "bench-close", close);
        HBox foot = new HBox(8, keep, library, drop, export, Look.spring(), leave);
        foot.setAlignment(Pos.CENTER_LEFT);
        return foot;
    }

    private static Button button(String words, String id, Runnable then) {
        Button button = new Button(words);
        button.setId(id);
        button.setOnAction(_ -> then.run());
        return button;
    }

    /// Opens the bench on a kind of gear.
    ///
    /// @param kind its id; empty for the first there is
    /// @param forDevice the device that takes up what is kept
    public void open(Optional<String> kind, Optional<Device> forDevice) {
        device = forDevice;
        fillKinds();
        choose(kind);
        filter.requestFocus();
    }

    /// Reads a kind of gear from a file and puts it on the bench.
    public void open(Path file) {
        session.papers()
                .openKind(
                        file,
                        own ->
                                put(
                                        own.template().id(),
                                        TemplateDraft.of(own),
                                        "read from " + file.getFileName(),
                                        true),
                        this::say);
    }

    private void fillKinds() {
        String words = filter.getText().toLowerCase(Locale.ROOT).strip();
        filling = true;
        drafts.sort();
        kinds.getItems()
                .setAll(
                        drafts.with(Shelved.all(session)).stream()
                                .filter(k -> k.name().toLowerCase(Locale.ROOT).contains(words))
                                .toList());
        filling = false;
        show();
    }

    private void look(Shelved kind) {
        put(kind.id(), kind.draft().get(), kind.shelf(), kind.own());
        drafts.unread(kind.id()).ifPresent(editor::show);
    }

    /// What was changed and not kept goes; what is kept of it is there again.
    private void throwAway() {
        letGo();
        fillKinds();
        choose(Optional.of(begun));
    }

    private void letGo() {
        drafts.drop(begun);
    }

    private void choose(Optional<String> kind) {
        kinds.getItems().stream()
                .filter(shelved -> kind.isEmpty() || shelved.id().equals(kind.get()))
                .findFirst()
                .ifPresentOrElse(kinds.getSelectionModel()::select, this::fresh);
        kinds.scrollTo(kinds.getSelectionModel().getSelectedIndex());
    }

    private void fresh() {
        kinds.getSelectionModel().clearSelection();
        String id = freeId("new-kind");
        put(id, TemplateDraft.fresh(id, "New kind"), "new", true);
    }

    private void twice() {
        String base = draft.written().getOrDefault("template", "kind").toString();
        kinds.getSelectionModel().clearSelection();
        String id = freeId(base + "-own");
        put(
                id,
                draft.copy(id, draft.written().getOrDefault("name", "Kind") + ", own"),
                "new",
                true);
    }

    private String freeId(String wanted) {
        String id = wanted;
        for (int i = 2; isTaken(id); i++) id = wanted + "-" + i;
        return id;
    }

    private boolean isTaken(String id) {
        return session.shelf().catalogue().get().find(id).isPresent() || drafts.of(id).isPresent();
    }

    private void importKind() {
        files.toOpen("a kind of gear", List.of(ENDING)).ifPresent(this::open);
    }

    private void export() {
        toSave.accept(
                draft.own().template().id() + ENDING,
                file -> session.papers().write(file, draft.own(), this::say));
    }

    private void put(String id, TemplateDraft on, String where, boolean changeable) {
        begun = id;
        heldAtFirst = drafts.of(id);
        before.clear();
        draft = on;
        open = changeable;
        told = false;
        shelf.setText(where);
        editor.show(draft, open);
        show();
    }

    private void change(TemplateDraft now) {
        if (now.written().equals(draft.written())) return;
        before.push(draft);
        draft = now;
        told = false;
        drafts.hold(begun, draft.text());
        show();
    }

    private void undo() {
        if (before.isEmpty()) return;
        draft = before.pop();
        told = false;
        if (before.isEmpty()) heldAtFirst.ifPresentOrElse(t -> drafts.hold(begun, t), this::letGo);
        else drafts.hold(begun, draft.text());
        editor.show(draft, open);
        show();
    }

    private void show() {
        boolean sound = draft.kept().isPresent();
        name.setText(draft.written().getOrDefault("name", "").toString());
        back.setDisable(before.isEmpty());
        Look.show(away, open && drafts.of(begun).isPresent());
        keep.setDisable(!sound || !open);
        library.setDisable(!sound || !open);
        export.setDisable(!sound);
        boolean shelved =
                session.shelf().library().get().kinds().stream()
                        .anyMatch(k -> k.template().id().equals(draft.written().get("template")));
        Look.show(drop, shelved && sound);
        keep.setText(
                device.map(d -> "Keep, and make “%s” one".formatted(d.name()))
                        .orElse("Keep with the show"));
        if (sound) say(Severity.NOTE, counts());
        else say(Severity.PROBLEM, draft.trouble());
    }

    private String counts() {
        return draft.kept().map(own -> counts(own.template())).orElse("");
    }

    private static String counts(Template kind) {
        return "Holds together: %s, %s, %s, %s."
                .formatted(
                        Words.count(kind.ports().size(), "port"),
                        Words.count(kind.routes().size(), "route"),
                        Words.count(kind.knobs().size(), "knob"),
                        Words.count(kind.pickers().size(), "picker"));
    }

    private void say(FileTrouble trouble) {
        say(trouble.getMessage());
    }

    private void say(String words) {
        say(Severity.PROBLEM, words);
    }

    private void say(Severity severity, String words) {
        Label line = Look.paragraph(words, "cause");
        HBox.setHgrow(line, Priority.ALWAYS);
        line.setMaxWidth(Double.MAX_VALUE);
        checked.getChildren().setAll(Marks.of(severity), line);
        if (draft.trouble().equals(words) && draft.item() >= 0) checked.getChildren().add(goTo);
    }

    /// What would be lost is told first; the second press means it.
    private void keep() {
        Edit edit =
                device.map(d -> session.rigEdits().keepFor(draft.own(), d))
                        .orElseGet(() -> session.rigEdits().keep(draft.own()));
        List<String> losses = edit.losses();
        if (!losses.isEmpty() && !told) {
            told = true;
            keep.setText("Keep it all the same");
            say(Severity.CAUTION, "Would be lost: " + Words.list(losses) + ".");
            return;
        }
        session.edit(edit);
        drafts.sort();
        close.run();
    }

    private void key(KeyEvent event) {
        if (event.getCode() == KeyCode.ESCAPE) {
            close.run();
            event.consume();
        } else if (UNDO.match(event) && !(event.getTarget() instanceof TextField)) {
            undo();
            event.consume();
        }
    }

    /// One kind of gear in the list.
    private static final class Row extends ListCell<Shelved> {
        @Override
        protected void updateItem(Shelved kind, boolean empty) {
            super.updateItem(kind, empty);
            setText(null);
            setGraphic(null);
            if (empty || kind == null) return;
            Label title = Look.text(kind.name(), "order");
            VBox words = new VBox(title);
            if (kind.own()) words.getChildren().add(Look.text(kind.shelf(), "soft", "kind-shelf"));
            setPrefWidth(0);
            setGraphic(words);
        }
    }
}
