package rivulus.app.day;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.air.Board;
import rivulus.air.Clocks;
import rivulus.air.Press;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.show.Logged;
import rivulus.show.Scene;
import rivulus.words.Words;

/// The board for the dark: what is on, what is next and what to press for it, read from two metres
/// and worked with one hand. Nothing here changes the plan.
final class AirBox implements DayStage.PartBox {
    private final Session session;
    private final Runnable trouble;
    private final VBox middle = new VBox(8);
    private final VBox side = new VBox(8);
    private final Label scene = Look.text("", "air-scene");
    private final Label clock = Look.text("", "air-clock");
    private final Label evening = Look.text("", "air-line");
    private final Button begin = new Button();
    private final VBox presses = new VBox(4);
    private final VBox hears = new VBox(2);
    private final VBox keys = new VBox(4);
    private final VBox batteries = new VBox(4);
    private final VBox held = new VBox(4);
    private final TextField note = new TextField();
    private final Label lock = Look.text("", "soft");
    private final Set<String> pressed = new HashSet<>();
    private Optional<Board> board = Optional.empty();
    private Logged.Kind noting = Logged.Kind.NOTE;

    /// @param trouble turns to the search for what is broken
    AirBox(Session session, Runnable trouble) {
        this.session = session;
        this.trouble = trouble;
        scene.setId("air-scene");
        clock.setId("air-clock");
        evening.setId("air-evening");
        begin.setId("air-begin");
        begin.getStyleClass().addAll("air-begin", "day-focus");
        begin.setOnAction(_ -> next());
        presses.setId("air-presses");
        hears.setId("air-hears");
        keys.setId("air-keys");
        batteries.setId("air-batteries");
        held.setId("air-held");
        note.setId("air-note");
        note.getStyleClass().add("air-note");
        VBox.setMargin(note, new Insets(0, 16, 0, 0));
        note.setOnAction(_ -> keep());
        note.setOnKeyPressed(
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE) return;
                    note.clear();
                    Look.show(note, false);
                    begin.requestFocus();
                    event.consume();
                });
        HBox head = new HBox(24, scene, Look.spring(), clock);
        head.setAlignment(Pos.BASELINE_LEFT);
        head.getStyleClass().add("day-bar");
        VBox inside =
                new VBox(10, begin, presses, Look.text("Who hears whom now", "day-part"), hears);
        inside.getStyleClass().add("day-inside");
        ScrollPane scroll = Look.scroll(inside);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        middle.getChildren().setAll(head, evening, note, scroll, lock);
        side.getStyleClass().add("day-side");
        side.getChildren()
                .setAll(
                        Look.text("Keys", "pane-title"),
                        hint("Space", "the next scene begins"),
                        hint("1 to 9", "this is pressed"),
                        hint("N", "a note"),
                        hint("M", "a mark"),
                        hint("W", "that went wrong"),
                        hint("B", "the soonest battery is swapped"),
                        hint("C", "a caller waits, or no longer does"),
                        hint("F", "find what is broken"),
                        hint("E", "the evening ends"),
                        keys,
                        batteries,
                        held);
        Look.show(note, false);
        session.document().locked().subscribe(_ -> locked());
        clear();
        session.document()
                .typed()
                .watch("note", note, () -> "", this::keep, () -> Look.show(note, true));
    }

    private static Node hint(String key, String does) {
        Label name = Look.text(key, "air-key");
        name.setMinWidth(64);
        return new HBox(8, name, Look.paragraph(does, "cause"));
    }

    @Override
    public Node middle() {
        return middle;
    }

    @Override
    public Node side() {
        return side;
    }

    @Override
    public void clear() {
        board = Optional.empty();
        pressed.clear();
        for (VBox box : List.of(presses, hears, keys, batteries, held)) box.getChildren().clear();
        note.clear();
        Look.show(note, false);
        locked();
        tick();
    }

    private void locked() {
        lock.setText(
                session.document().locked().get()
                        ? "The plan is locked. Ctrl Shift U opens it."
                        : "The plan can be changed.");
    }

    @Override
    public void show(DaySight sight) {
        if (sight.board().isEmpty()) return;
        Optional<Scene> was = board.flatMap(b -> b.clocks().now());
        board = sight.board();
        if (!was.equals(board.get().clocks().now())) pressed.clear();
        List<Node> toPress = new ArrayList<>();
        List<Press> all = board.get().presses();
        for (int i = 0; i < all.size(); i++) toPress.add(press(all.get(i), i + 1));
        presses.getChildren().setAll(toPress);
        hears.getChildren()
                .setAll(board.get().hears().stream().map(line -> line(line, "air-line")).toList());
        fill(keys, "What keys silence", board.get().keys());
        fill(batteries, "Batteries", board.get().batteries());
        fill(held, "Waiting", board.get().held());
        tick();
    }

    private static void fill(VBox box, String title, List<Board.Line> lines) {
        box.getChildren().clear();
        if (lines.isEmpty()) return;
        box.getChildren().add(Look.text(title, "day-part"));
        for (Board.Line line : lines) box.getChildren().add(line(line, "cause"));
    }

    private static Node line(Board.Line line, String style) {
        Label name = Look.paragraph((line.urgent() ? "! " : "") + line.name(), style, "strong");
        Label words = Look.paragraph(line.words(), style);
        if (line.urgent()) words.getStyleClass().add("off");
        if (style.equals("cause")) return new VBox(name, words);
        name.setMinWidth(170);
        name.setMaxWidth(170);
        HBox.setHgrow(words, Priority.ALWAYS);
        return new HBox(12, name, words);
    }

    private Node press(Press press, int number) {
        boolean done = pressed.contains(press.use().ref().toString());
        Label mark = Look.text(done ? "\u2713" : String.valueOf(number), "air-key");
        mark.setMinWidth(28);
        Label words = Look.paragraph(press.words(), "air-line", "strong");
        Label does = Look.paragraph(Words.sentence(press.effect()) + ".", "cause");
        HBox row = new HBox(8, mark, new VBox(words, does));
        if (done) row.getStyleClass().add("settled");
        return row;
    }

    @Override
    public void tick() {
        Clocks clocks = Clocks.of(session.show().get(), session.days().now());
        scene.setText(
                clocks.now()
                        .map(Scene::name)
                        .orElse(clocks.over() ? "The evening is over" : "Before air"));
        clock.setText(clocks.over() ? "" : clocks.scene());
        evening.setText(Words.sentence(clocks.evening()));
        Look.show(evening, !evening.getText().isEmpty());
        begin.setText(
                clocks.next()
                        .map(next -> "Begin “%s”   (Space)".formatted(next.name()))
                        .orElse(clocks.over() ? "" : "End the evening   (E)"));
        Look.show(begin, !begin.getText().isEmpty());
        note.setPromptText("what happened, then Enter");
    }

    private void next() {
        Clocks clocks = Clocks.of(session.show().get(), session.days().now());
        if (clocks.next().isPresent()) session.days().begin(clocks.next().get());
        else if (clocks.now().isPresent()) end();
    }

    private void end() {
        if (Clocks.of(session.show().get(), session.days().now()).now().isPresent())
            session.days().end();
    }

    private void ask(Logged.Kind kind, String begins) {
        noting = kind;
        // what was typed and could not be entered is not written over
        if (note.getText().isBlank()) note.setText(begins);
        Look.show(note, true);
        middle.applyCss();
        note.requestFocus();
        note.positionCaret(note.getLength());
    }

    private void keep() {
        String text = note.getText().strip();
        if (!text.isEmpty() && !session.days().log(noting, text)) return; // it stays, to be mended
        boolean had = note.isFocused();
        note.clear();
        Look.show(note, false);
        if (had) begin.requestFocus();
    }

    private void battery() {
        board.flatMap(b -> b.batteries().stream().findFirst())
                .ifPresentOrElse(
                        line ->
                                session.days()
                                        .log(
                                                Logged.Kind.BATTERY,
                                                line.id(),
                                                Board.swapped(line.name())),
                        () -> session.say("Nothing runs from a battery"));
    }

    private void tickOff(int number) {
        Press press = board.orElseThrow().presses().get(number - 1);
        String ref = press.use().ref().toString();
        if (!pressed.remove(ref)) pressed.add(ref);
        session.redraw();
    }

    @Override
    public void key(KeyEvent event) {
        switch (event.getCode()) {
            case SPACE -> next();
            case N -> ask(Logged.Kind.NOTE, "");
            case M ->
                    session.days()
                            .log(
                                    Logged.Kind.MARK,
                                    "Mark at %tT".formatted(session.days().now().at()));
            case W -> session.days().log(Logged.Kind.WRONG, "That went wrong");
            case B -> battery();
            case C -> ask(Logged.Kind.HELD, caller());
            case F -> trouble.run();
            case E -> end();
            default -> {
                board.ifPresent(b -> Replies.number(event, this::tickOff, b.presses().size()));
                return;
            }
        }
        event.consume();
    }

    private String caller() {
        return board.stream()
                .flatMap(b -> b.held().stream())
                .map(line -> line.name() + " waits")
                .findFirst()
                .orElse("");
    }
}
