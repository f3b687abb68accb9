package rivulus.app.brief;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.disk.Line;
import rivulus.edit.ShowEdits;
import rivulus.gear.Catalogue;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.show.Show;

/// The sheet on which an evening is said: at the left lines as one would write them on paper, at
/// the right what was read of each.
final class SheetPane extends VBox {
    static final String EXAMPLE =
            """
            Maren hosts, in the Reading Room, with a clip-on
            guests: Ivo and Runa, a table mic each
            Nadia joins by video call, she must not hear herself
            about forty in the room, two loudspeakers
            jingles from the laptop
            stream, and a podcast without the jingles
            welcome 5 min, talk 40 min, questions 15 min""";

    private static final String NOTHING_YET =
            "What was read of each line stands here, before any of it is taken.";

    /// So much of what is written is seen at least.
    private static final double LEAST = 180;

    private final Session session;
    private final TextField title = new TextField();
    private final TextArea lines = new TextArea();
    private final Readings readings = new Readings(this::answer, this::turnTo);
    private final Label counted = Look.paragraph(NOTHING_YET, "soft");
    private final Button add = new Button("Add (Enter)");
    private final Label told = Look.paragraph("", "cause");
    private final Button first = new Button("Take what is open as it is likeliest meant");
    private final Button all = new Button("All as meant (Alt Enter)");
    private final Button again = new Button("Read again what was turned down");
    private Answers answers = Answers.NONE;
    /// What is to be added once it is read; empty where nothing is.
    private String taking = "";
    /// What waits for it to be added, whether it can be or not.
    private Runnable afterwards = () -> {};

    /// How much of what is there now is to be added after that, too; 0 for nothing.
    private int upTo;
    /// What was read last, or null before anything was.
    private Page page;

    /// @param below what stands below while nothing is written
    SheetPane(Session session, Node below) {
        super(12);
        this.session = session;
        setId("sheet");
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
        lines.setPrefRowCount(14);
        lines.setMinHeight(LEAST);
        Look.wraps(lines);
        lines.setAccessibleText(
                "The evening, as you would write it on paper: who is there, gear and leads, who"
                        + " listens, its parts. Enter adds it; Shift Enter begins a new line.");
        lines.textProperty()
                .addListener(
                        (_, _, text) -> {
                            if (text.isBlank()) answers = Answers.NONE;
                            understand(text);
                        });
        lines.caretPositionProperty()
                .addListener((_, _, at) -> readings.turnTo(line(at.intValue())));
        lines.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        session.document().typed().watch("say", lines, () -> "", this::enter, () -> {});
        add.setId("say-add");
        add.getStyleClass().add("first-answer");
        add.setOnAction(_ -> add());
        counted.setId("sheet-counted");
        told.setId("say-told");
        first.setId("say-answer");
        first.setOnAction(_ -> answer(answers.first()));
        all.setId("say-confirm");
        all.setOnAction(_ -> confirm());
        again.setId("say-again");
        again.getStyleClass().add("silence-ask");
        again.setOnAction(_ -> answer(answers.again()));
        HBox row = new HBox(8, Look.text("Shift Enter begins a line", "soft"), Look.spring(), add);
        row.setAlignment(Pos.CENTER_LEFT);
        VBox writing = new VBox(8, title, lines, row, told);
        VBox.setVgrow(lines, Priority.ALWAYS);
        ScrollPane scroll = Look.scroll(readings);
        scroll.setId("readings-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox read = new VBox(6, counted, new HBox(8, all, again), first, scroll);
        read.getStyleClass().add("sheet-read");
        HBox columns = new HBox(16, writing, read);
        for (VBox half : List.of(writing, read)) {
            HBox.setHgrow(half, Priority.ALWAYS);
            half.setPrefWidth(300);
            half.setMinWidth(0);
        }
        VBox.setVgrow(columns, Priority.ALWAYS);
        VBox.setVgrow(below, Priority.ALWAYS);
        getChildren().addAll(columns, below);
        below.visibleProperty()
                .bind(
                        Bindings.createBooleanBinding(
                                () -> lines.getText().isEmpty() && isBlank(session.show().get()),
                                lines.textProperty(),
                                session.show()));
        below.managedProperty().bind(below.visibleProperty());
        Look.show(told, false);
        add.setDisable(true);
        for (Button button : List.of(first, all, again)) Look.show(button, false);
        session.show()
                .addListener(
                        (_, _, show) -> {
                            fillTitle(show);
                            understand(lines.getText());
                        });
        fillTitle(session.show().get());
    }

    /// Whether nothing is said in a show.
    static boolean isBlank(Show show) {
        return show.ears().isEmpty();
    }

    /// Puts the keyboard where lines are typed.
    void focusLines() {
        lines.requestFocus();
    }

    /// What stands there while nothing is written.
    void prompt(String words) {
        lines.setPromptText(words);
        lines.requestFocus();
    }

    /// Another show begins.
    void clear() {
        taking = "";
        goOn();
        lines.clear();
        tell("");
        fillTitle(session.show().get());
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
        if (event.isAltDown()) {
            boolean meant =
                    event.getCode().isDigitKey()
                            && readings.answer(Integer.parseInt(event.getCode().getName()));
            if (event.getCode() == KeyCode.ENTER && all.isVisible()) confirm();
            else if (!meant) return;
            lines.requestFocus();
            event.consume();
            return;
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
        session.understand(text, answers, this::understood);
    }

    private void understood(Page read) {
        page = read;
        readings.show(read, answers);
        readings.turnTo(line(lines.getCaretPosition()));
        counted.setText(read.lines().isEmpty() ? NOTHING_YET : counted(read));
        Look.show(counted, !counted.getText().isEmpty());
        Look.show(first, read.isAnswerable());
        Look.show(all, read.assumed() > 0);
        Look.show(again, !answers.wrong().isEmpty());
        add.setDisable(lines.getText().isBlank());
    }

    /// "1 to answer, 12 assumed, 2 lines stay".
    private static String counted(Page read) {
        List<String> words = new ArrayList<>();
        if (read.open() > 0) words.add(read.open() + " to answer (Alt and its number)");
        if (read.assumed() > 0)
            words.add(read.assumed() + " assumed: look whether that is what you mean");
        if (!read.left().isEmpty())
            words.add(
                    read.left().size() == 1
                            ? "one line stays"
                            : read.left().size() + " lines stay");
        return String.join(" · ", words);
    }

    // Answers

    private void answer(Answers said) {
        answers = said;
        understand(lines.getText());
    }

    private void confirm() {
        answer(answers.confirm(page));
        lines.requestFocus();
    }

    /// The line at a place of the text.
    private String line(int at) {
        String text = lines.getText();
        int to = text.indexOf('\n', Math.min(at, text.length()));
        int from = text.lastIndexOf('\n', Math.max(0, at - 1));
        String line =
                text.substring(from < 0 || at == 0 ? 0 : from + 1, to < 0 ? text.length() : to);
        return Line.of(line);
    }

    /// Puts the keyboard at a line.
    private void turnTo(String line) {
        int at = 0;
        for (String one : lines.getText().split("\n", -1)) {
            if (Line.of(one).equals(line)) {
                lines.requestFocus();
                lines.positionCaret(at + one.length());
                return;
            }
            at += one.length() + 1;
        }
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
                answers,
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
}
