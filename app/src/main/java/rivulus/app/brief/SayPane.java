package rivulus.app.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.edit.ShowEdits;
import rivulus.form.Steps;
import rivulus.gear.Catalogue;
import rivulus.say.Page;
import rivulus.say.Said;
import rivulus.show.Show;
import rivulus.words.Severity;

/// Where a show is said: its title, lines as one would write them on paper, and what it says so
/// far; every part of that opens as a form.
final class SayPane extends VBox implements View<SaySight> {
    private static final String EXAMPLE =
            """
            Maren, host, Reading Room
            Nadia, caller, call program
            show desk
            mic for Maren
            Maren's mic > Show desk
            stream""";

    private final Session session;
    private final Runnable look;
    private final TextField title = new TextField();
    private final TextArea lines = new TextArea();
    private final VBox understood = new VBox(2);
    private final Button add = new Button("Add (Enter)");
    private final Label told = Look.paragraph("", "cause");
    private final VBox saying = new VBox(8);
    private final OutlineBox outline;
    private final StepsBox steps;
    private boolean walks = true;
    private final FormBox form;
    private final VBox one = new VBox(8);
    private final Label formTitle = Look.paragraph("", "pane-title");
    private String key = "";
    /// What is to be added once it is read; empty where nothing is.
    private String taking = "";
    /// What waits for it to be added, whether it can be or not.
    private Runnable afterwards = () -> {};

    /// How much of what is there now is to be added after that, too; 0 for nothing.
    private int upTo;
    /// What was read last, or null before anything was.
    private Page page;
    /// Takes what lines leave open as it is likeliest meant.
    private final Button answer = new Button("Take what is open as it is likeliest meant");
    private boolean answered;

    /// @param look turns to what the show comes to
    SayPane(Session session, Runnable look) {
        this.session = session;
        this.look = look;
        setSpacing(8);
        setId("say");
        outline = new OutlineBox(this::open, session::edit);
        form = new FormBox("form", session::edit);
        title.setId("say-title");
        title.setPromptText("Title of the show");
        title.setAccessibleText("Title of the show");
        title.setOnAction(_ -> entitle());
        session.document()
                .typed()
                .watch("title", title, () -> session.show().get().title(), this::entitle);
        title.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) entitle();
                        });
        lines.setId("say-lines");
        lines.setPromptText(EXAMPLE);
        lines.setPrefRowCount(6);
        Look.wraps(lines);
        lines.setAccessibleText(
                "Lines that say who is in the show, its gear and leads, who listens, and its scenes."
                        + " Enter adds them; Shift Enter begins a new line.");
        lines.textProperty()
                .addListener(
                        (_, _, text) -> {
                            answered &= !text.isBlank();
                            understand(text);
                        });
        answer.setId("say-answer");
        answer.setOnAction(
                _ -> {
                    answered = true;
                    understand(lines.getText());
                    lines.requestFocus();
                });
        Look.show(answer, false);
        lines.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        session.document().typed().watch("say", lines, () -> "", this::enter, () -> {});
        add.setId("say-add");
        add.getStyleClass().add("first-answer");
        add.setOnAction(_ -> add());
        HBox row = new HBox(8, Look.text("Shift Enter begins a line", "soft"), Look.spring(), add);
        row.setAlignment(Pos.CENTER_LEFT);
        told.setId("say-told");
        steps = new StepsBox(this::go, () -> walk(false));
        saying.getChildren().addAll(steps, title, lines, understood, answer, row, told, outline);
        Button back = new Button("Back to all (Esc)");
        back.setId("form-back");
        back.getStyleClass().add("back");
        back.setOnAction(_ -> close());
        one.getChildren().addAll(back, formTitle, form);
        one.addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE) return;
                    close();
                    event.consume();
                });
        getChildren().addAll(saying, one);
        Look.show(told, false);
        Look.show(one, false);
        add.setDisable(true);
        empty();
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
        close();
        lines.requestFocus();
    }

    private void fillTitle(Show show) {
        if (!title.isFocused()) title.setText(show.title());
    }

    private Catalogue catalogue() {
        return session.shelf().prover().catalogue();
    }

    private void entitle() {
        Show show = session.show().get();
        if (title.getText().isBlank()) title.setText(show.title());
        else if (!title.getText().strip().equals(show.title()))
            session.edit(new ShowEdits(show, catalogue()).title(title.getText()));
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
        if (!taking.isEmpty()) return;
        session.understand(text, answered, this::understood);
    }

    private void understood(Page read) {
        page = read;
        understood.getChildren().clear();
        long assumed = read.assumed();
        if (assumed > 0 || !read.left().isEmpty())
            understood.getChildren().add(Look.paragraph(counted(assumed, read), "soft"));
        String own = "";
        for (Said line : read.lines()) {
            if (line.assumed() && !line.line().equals(own))
                understood.getChildren().add(Look.paragraph(line.line(), "soft"));
            own = line.line();
            understood.getChildren().add(row(line));
        }
        Look.show(answer, read.open() > 0);
        add.setDisable(lines.getText().isBlank());
    }

    /// "12 assumed, 2 stay".
    private static String counted(long assumed, Page read) {
        List<String> words = new ArrayList<>();
        if (assumed > 0) words.add(assumed + " assumed: look whether that is what you mean");
        if (!read.left().isEmpty())
            words.add(
                    read.left().size() == 1
                            ? "one line stays"
                            : read.left().size() + " lines stay");
        return String.join(" · ", words);
    }

    private static VBox row(Said line) {
        String words = line.assumed() ? "≈ " + line.words() : line.words();
        VBox row = new VBox(Look.paragraph(words, "order"));
        if (!line.trouble().isEmpty())
            row.getChildren()
                    .add(
                            new HBox(
                                    6,
                                    Marks.of(Severity.CAUTION),
                                    Look.paragraph(line.trouble(), "cause")));
        return row;
    }

    /// Adds what was understood; lines with something unclear in them stay, to be mended.
    private void add() {
        Show show = session.show().get();
        String text = lines.getText();
        boolean read = page != null && page.show() == show && page.text().equals(text);
        if (read) {
            add(page);
            return;
        }
        if (taking.isEmpty()) read(text);
        else upTo = text.length();
    }

    /// Adds what is there, and then goes on.
    private void enter(Runnable then) {
        add();
        if (taking.isEmpty()) {
            then.run();
            return;
        }
        Runnable others = afterwards;
        afterwards =
                () -> {
                    others.run();
                    then.run();
                };
    }

    private void goOn() {
        Runnable then = afterwards;
        afterwards = () -> {};
        then.run();
    }

    /// Many that were pasted are still being read: they are added as soon as they are, and what is
    /// typed meanwhile stays.
    private void read(String text) {
        taking = text;
        session.understand(
                text,
                answered,
                whole -> {
                    taking = "";
                    boolean stands =
                            whole.show() == session.show().get()
                                    && lines.getText().startsWith(text);
                    if (!stands) {
                        understand(lines.getText());
                        goOn();
                        return;
                    }
                    String typed = lines.getText();
                    int next = Math.max(upTo, text.length());
                    upTo = 0;
                    understood(whole);
                    add(whole);
                    String before = lines.getText();
                    boolean parted = before.isEmpty() || typed.length() == text.length();
                    before += (parted ? "" : "\n") + typed.substring(text.length(), next);
                    lines.setText(before + typed.substring(next));
                    lines.positionCaret(lines.getLength());
                    if (next > text.length()) read(before);
                    else goOn();
                });
    }

    private void add(Page whole) {
        List<String> left = whole.left();
        if (left.size() == whole.lines().size()) {
            if (!left.isEmpty()) tell("Mend what is marked, or take it out; then it can be added.");
            return;
        }
        if (!session.edit(whole.edit())) {
            tell("Nothing was added; it stays here, to be mended.");
            return;
        }
        lines.setText(String.join("\n", left));
        lines.positionCaret(lines.getLength());
        tell(left.isEmpty() ? "" : "What is left was not understood, or cannot be.");
    }

    private void tell(String words) {
        told.setText(words);
        Look.show(told, !words.isEmpty());
    }

    /// Before anything is said there is nothing to be proven, and the way is shown all the same.
    private void empty() {
        Show show = session.show().get();
        steps.show(walks ? Steps.of(show, 0, catalogue()) : List.of(), walks);
    }

    /// The steps are shown, or left.
    void walk(boolean with) {
        walks = with;
        lines.setPromptText(EXAMPLE);
        if (session.proof().get() == null) empty();
        session.redraw();
        lines.requestFocus();
    }

    /// A step is a line like that, or a look at what it comes to.
    private void go(Steps.Step step) {
        if (step.line().isEmpty()) {
            look.run();
            return;
        }
        lines.setPromptText(step.line());
        lines.requestFocus();
    }

    // What is said so far

    private void open(String part) {
        key = part;
        session.redraw();
    }

    private void close() {
        if (key.isEmpty()) return;
        String left = key;
        key = "";
        Look.show(one, false);
        Look.show(saying, true);
        applyCss();
        outline.focus(left);
        session.redraw();
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(BriefStage.ID);
    }

    @Override
    public Function<Picture, SaySight> drawing() {
        Catalogue catalogue = catalogue();
        String part = key;
        return picture -> SaySight.of(picture, part, catalogue);
    }

    @Override
    public void clear() {
        key = "";
        walks = session.show().get().cast().people().isEmpty();
        empty();
        outline.clear();
        taking = "";
        goOn();
        lines.clear();
        tell("");
        Look.show(one, false);
        Look.show(saying, true);
        fillTitle(session.show().get());
    }

    @Override
    public void show(SaySight sight) {
        steps.show(sight.steps(), walks);
        outline.show(sight.outline());
        boolean opened = sight.form().isPresent() && !one.isVisible();
        if (sight.form().isEmpty() && one.isVisible()) close();
        Look.show(one, sight.form().isPresent());
        Look.show(saying, sight.form().isEmpty());
        sight.form()
                .ifPresent(
                        part -> {
                            formTitle.setText(part.title());
                            form.show(part);
                        });
        if (!opened) return;
        applyCss();
        form.focusFirst();
    }
}
