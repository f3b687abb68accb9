package rivulus.app.brief;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.edit.Edit;
import rivulus.edit.Said;
import rivulus.edit.ShowEdits;
import rivulus.gear.Catalogue;
import rivulus.show.Person;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Severity;

/// Where a show is said: its title, lines as one would write them on paper, and what it says so
/// far.
final class SayPane extends VBox implements View<SaySight> {
    private static final String EXAMPLE =
            "Maren, host, Reading Room\nNadia, caller, call program\nstream\nscene Doors, 10 min";

    private static final double BUTTONS = 240;

    private final Session session;
    private final TextField title = new TextField();
    private final TextArea lines = new TextArea();
    private final VBox understood = new VBox(2);
    private final Button add = new Button("Add (Enter)");
    private final VBox said = new VBox(10);
    private Optional<Function<Said.Meaning, Optional<Edit>>> changing = Optional.empty();
    private final Label told = Look.paragraph("", "cause");

    SayPane(Session session) {
        this.session = session;
        setSpacing(8);
        setId("say");
        title.setId("say-title");
        title.setPromptText("Title of the show");
        title.setAccessibleText("Title of the show");
        title.setOnAction(_ -> entitle());
        title.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) entitle();
                        });
        lines.setId("say-lines");
        lines.setPromptText(EXAMPLE);
        lines.setPrefRowCount(4);
        lines.setWrapText(true);
        lines.setAccessibleText(
                "Lines that say who is in the show, who listens, and its scenes. Enter adds them; Shift"
                        + " Enter begins a new line.");
        lines.textProperty().addListener((_, _, text) -> understand(text));
        lines.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        add.setId("say-add");
        add.getStyleClass().add("first-answer");
        add.setOnAction(_ -> add());
        HBox row = new HBox(8, Look.text("Shift Enter begins a line", "soft"), Look.spring(), add);
        row.setAlignment(Pos.CENTER_LEFT);
        told.setId("say-told");
        getChildren().addAll(title, lines, understood, row, told, said);
        Look.show(told, false);
        understand("");
        session.show()
                .addListener(
                        (_, _, show) -> {
                            fillTitle(show);
                            understand(lines.getText());
                        });
        fillTitle(session.show().get());
        session.draws(this);
    }

    /// Puts the keyboard where lines are typed.
    void focusLines() {
        lines.requestFocus();
    }

    private void fillTitle(Show show) {
        if (!title.isFocused()) title.setText(show.title());
    }

    private ShowEdits edits() {
        return new ShowEdits(session.show().get(), session.shelf().prover().catalogue());
    }

    private void entitle() {
        String now = session.show().get().title();
        if (title.getText().isBlank()) title.setText(now);
        else if (!title.getText().strip().equals(now)) session.edit(edits().title(title.getText()));
    }

    // Lines

    private void key(KeyEvent event) {
        if (event.getCode() == KeyCode.TAB && !event.isControlDown()) {
            // Tab walks on, as everywhere else
            lines.requestFocusTraversal(
                    event.isShiftDown() ? TraversalDirection.PREVIOUS : TraversalDirection.NEXT);
            event.consume();
        }
        boolean undoes = event.getCode() == KeyCode.Z && event.isShortcutDown();
        if (undoes && lines.getText().isEmpty()) {
            // nothing is typed here: what is meant is the show
            if (event.isShiftDown()) session.document().redo();
            else session.document().undo();
            event.consume();
        }
        if (event.getCode() != KeyCode.ENTER || event.isShortcutDown()) return;
        if (event.isShiftDown()) lines.insertText(lines.getCaretPosition(), "\n");
        else add();
        event.consume();
    }

    private void understand(String text) {
        if (text.isBlank()) changeTo(Optional.empty());
        List<Said> all = Said.all(text, session.show().get());
        understood.getChildren().clear();
        for (Said one : all) {
            VBox row = new VBox(Look.paragraph(one.words(session.show().get()), "order"));
            if (!one.unclear().isEmpty())
                row.getChildren()
                        .add(
                                new HBox(
                                        6,
                                        Marks.of(Severity.CAUTION),
                                        Look.paragraph(
                                                "not understood: "
                                                        + String.join(", ", one.unclear()),
                                                "cause")));
            understood.getChildren().add(row);
        }
        add.setDisable(all.stream().noneMatch(Said::isSomething));
    }

    /// Adds what was understood; lines with something unclear in them stay, to be mended.
    private void add() {
        List<Said> all = Said.all(lines.getText(), session.show().get());
        List<Said> clear =
                all.stream().filter(s -> s.isSomething() && s.unclear().isEmpty()).toList();
        List<String> left = all.stream().filter(s -> !clear.contains(s)).map(Said::line).toList();
        if (changing.isPresent()) {
            Optional<Edit> change =
                    all.size() == 1 && clear.size() == 1
                            ? changing.get().apply(clear.getFirst().meant())
                            : Optional.empty();
            if (change.isPresent()) {
                lines.clear();
                tell("");
                session.edit(change.get());
            } else {
                tell("Change it by one line that is understood; empty it to leave all as it is.");
            }
            return;
        }
        if (clear.isEmpty()) {
            if (!left.isEmpty())
                tell("Mend what is not understood, or take it out; then it can be added.");
            return;
        }
        session.edit(edits().add(clear));
        lines.setText(String.join("\n", left));
        lines.positionCaret(lines.getLength());
        tell(left.isEmpty() ? "" : "What is left has something in it that was not understood.");
    }

    /// A line is taken up to be changed.
    private void change(String line, Function<Said.Meaning, Optional<Edit>> how) {
        lines.setText(line);
        lines.positionCaret(line.length());
        changeTo(Optional.of(how));
        lines.requestFocus();
    }

    private void changeTo(Optional<Function<Said.Meaning, Optional<Edit>>> how) {
        changing = how;
        add.setText(how.isPresent() ? "Change (Enter)" : "Add (Enter)");
    }

    /// A change by a line that says a certain kind of thing.
    private static <M extends Said.Meaning> Function<Said.Meaning, Optional<Edit>> by(
            Class<M> kind, Function<M, Edit> how) {
        return meant -> Optional.of(meant).filter(kind::isInstance).map(kind::cast).map(how);
    }

    private void changePerson(Person person) {
        change(
                Said.line(person, session.show().get()),
                by(Said.Meaning.Somebody.class, to -> edits().change(person, to)));
    }

    private void changeScene(Scene scene) {
        change(
                Said.line(scene, session.show().get()),
                by(Said.Meaning.Part.class, to -> edits().change(scene, to)));
    }

    private void tell(String words) {
        told.setText(words);
        Look.show(told, !words.isEmpty());
    }

    // What is said so far

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(BriefStage.ID);
    }

    @Override
    public Function<Picture, SaySight> drawing() {
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> SaySight.of(picture, catalogue);
    }

    @Override
    public void clear() {
        said.getChildren().clear();
        lines.clear();
        tell("");
        fillTitle(session.show().get());
    }

    @Override
    public void show(SaySight sight) {
        Optional<String> focused =
                Optional.ofNullable(getScene())
                        .map(scene -> scene.getFocusOwner())
                        .map(node -> node.getId());
        said.getChildren().clear();
        for (SaySight.Section section : sight.sections()) {
            if (section.rows().isEmpty()) continue;
            VBox rows = new VBox(2, Look.text(section.title(), "pane-title", "others"));
            for (SaySight.Row row : section.rows()) rows.getChildren().add(row(row));
            said.getChildren().add(rows);
        }
        focused.map(id -> lookup("#" + id)).ifPresent(node -> node.requestFocus());
    }

    private Pane row(SaySight.Row row) {
        Label name = Look.text(row.name(), "order");
        Label words = Look.text(row.words(), "soft");
        name.setMinWidth(0);
        words.setMinWidth(0);
        words.setWrapText(true);
        words.setMinHeight(USE_PREF_SIZE);
        VBox text = new VBox(name, words);
        HBox.setHgrow(text, Priority.ALWAYS);
        text.setMinWidth(0);
        Pane buttons = row.scene().isPresent() ? wrapping() : new HBox(4);
        row.person()
                .ifPresent(
                        person -> {
                            Button change =
                                    small("Change", "change-" + row.id(), "Change " + row.name());
                            change.setOnAction(_ -> changePerson(person));
                            buttons.getChildren().add(change);
                        });
        row.scene().ifPresent(scene -> buttons.getChildren().addAll(ofScene(scene)));
        Button remove = small("Remove", "remove-" + row.id(), "Remove " + row.name());
        remove.setDisable(row.removal().isEmpty());
        remove.setOnAction(_ -> row.removal().ifPresent(this::take));
        remove.focusedProperty().addListener((_, _, on) -> tell(on ? row.told() : ""));
        buttons.getChildren().add(remove);
        // five buttons are too many for one line with the words
        Pane line =
                row.scene().isPresent() ? new VBox(2, text, buttons) : new HBox(4, text, buttons);
        line.getStyleClass().add("said-row");
        line.hoverProperty().addListener((_, _, on) -> tell(on ? row.told() : ""));
        return line;
    }

    private static FlowPane wrapping() {
        FlowPane buttons = new FlowPane(4, 4);
        buttons.setPrefWrapLength(BUTTONS);
        return buttons;
    }

    private List<Button> ofScene(Scene scene) {
        Button up =
                small(
                        "↑",
                        "up-scene-" + scene.id(),
                        "Move the scene %s up".formatted(scene.name()));
        up.setOnAction(_ -> session.edit(edits().move(scene, -1)));
        Button down =
                small(
                        "↓",
                        "down-scene-" + scene.id(),
                        "Move the scene %s down".formatted(scene.name()));
        down.setOnAction(_ -> session.edit(edits().move(scene, 1)));
        Button twice =
                small("Double", "double-scene-" + scene.id(), "Double the scene " + scene.name());
        twice.setOnAction(_ -> session.edit(edits().twice(scene)));
        Button change =
                small("Change", "change-scene-" + scene.id(), "Change the scene " + scene.name());
        change.setOnAction(_ -> changeScene(scene));
        return List.of(up, down, change, twice);
    }

    private static Button small(String words, String id, String spoken) {
        Button button = new Button(words);
        button.setId(id);
        button.getStyleClass().add("take-out");
        button.setMinWidth(USE_PREF_SIZE);
        button.setAccessibleText(spoken);
        return button;
    }

    private void take(Edit removal) {
        tell("");
        session.edit(removal);
    }
}
