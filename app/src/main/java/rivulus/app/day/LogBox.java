package rivulus.app.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// The log, searched; at its side what to do otherwise the next time.
final class LogBox implements DayStage.PartBox {
    private static final int SHOWN = 300;

    private final Session session;
    private final VBox middle = new VBox(8);
    private final VBox side = new VBox(8);
    private final Label head = Look.text("", "stage-title");
    private final TextField search = new TextField();
    private final VBox lines = new VBox();
    private final VBox lessons = new VBox(6);
    private final TextField lesson = new TextField();

    LogBox(Session session, Runnable saveLog, Runnable saveChapters, Runnable nextShow) {
        this.session = session;
        lines.setId("log-lines");
        lessons.setId("lessons");
        search.setId("log-search");
        search.setPromptText("search the log");
        search.getStyleClass().add("day-focus");
        search.textProperty().addListener((_, _, _) -> draw());
        lesson.setId("lesson");
        lesson.setPromptText("what to do otherwise, then Enter");
        lesson.setOnAction(_ -> learn());
        session.document().typed().watch("lesson", lesson, () -> "", this::learn);
        Button save = new Button("Save the log …");
        save.setId("log-save");
        save.setOnAction(_ -> saveLog.run());
        Button chapters = new Button("Save chapter marks …");
        chapters.setId("log-chapters");
        chapters.setOnAction(_ -> saveChapters.run());
        Button next = new Button("Begin the next evening from this one");
        next.setId("log-next");
        next.setMaxWidth(Double.MAX_VALUE);
        next.setOnAction(_ -> nextShow.run());
        HBox.setHgrow(search, Priority.ALWAYS);
        ScrollPane scroll = Look.scroll(lines);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox bar = new HBox(8, search, save, chapters);
        bar.getStyleClass().add("day-bar");
        middle.getChildren().setAll(head, bar, scroll);
        side.getStyleClass().add("day-side");
        side.getChildren().setAll(Look.text("The next time", "pane-title"), lessons, lesson, next);
        session.show().addListener((_, _, _) -> draw());
        draw();
    }

    private void learn() {
        String text = lesson.getText().strip();
        if (text.isEmpty() || session.days().learn(text)) lesson.clear();
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
        search.clear();
        lesson.clear();
        draw();
    }

    @Override
    public void show(DaySight sight) {
        draw();
    }

    /// Only while somebody looks: a long evening has thousands of lines.
    private void draw() {
        if (middle.getScene() == null) return;
        Show show = session.show().get();
        List<Logged> log = show.day().log();
        head.setText(
                log.isEmpty() ? "Nothing has been logged yet" : Words.count(log.size(), "line"));
        String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
        List<Node> rows = new ArrayList<>();
        for (Logged line : log.reversed()) {
            if (rows.size() == SHOWN) {
                rows.add(Look.paragraph("Older lines are found by searching.", "soft"));
                break;
            }
            String scene = show.scene(line.scene()).map(Scene::name).orElse("");
            String all = (line.kind().words() + " " + scene + " " + line.text());
            if (all.toLowerCase(Locale.ROOT).contains(wanted)) rows.add(row(line, scene));
        }
        if (rows.isEmpty())
            rows.add(
                    Look.paragraph(
                            log.isEmpty()
                                    ? "Times of scenes, notes, marks, faults and cures come to stand"
                                            + " here. On air (Ctrl Shift 4) they are one key each."
                                    : "No line says that.",
                            "soft"));
        lines.getChildren().setAll(rows);
        Look.relaid(
                lessons,
                () ->
                        lessons.getChildren()
                                .setAll(
                                        show.day().lessons().isEmpty()
                                                ? List.of(
                                                        Look.paragraph(
                                                                "Nothing yet. What is kept here"
                                                                        + " stands on top of the next"
                                                                        + " evening.",
                                                                "soft"))
                                                : show.day().lessons().stream()
                                                        .map(this::row)
                                                        .toList()));
    }

    private Node row(Logged line, String scene) {
        Label time = Look.text("%tT".formatted(line.at().local()), "soft");
        time.setMinWidth(64);
        Label kind = Look.text(line.kind().words(), "soft");
        kind.setMinWidth(84);
        Label where = Look.text(scene, "soft");
        where.setMinWidth(90);
        Label text =
                Look.paragraph(
                        line.text(), line.kind() == Logged.Kind.SCENE ? "day-what" : "cause");
        HBox.setHgrow(text, Priority.ALWAYS);
        HBox row = new HBox(8, time, kind, where, text);
        row.getStyleClass().add("page-row");
        row.setAlignment(Pos.BASELINE_LEFT);
        return row;
    }

    private Node row(Lesson one) {
        CheckBox box = new CheckBox(one.text());
        box.setId(one.id());
        Look.wraps(box);
        box.setSelected(one.taken());
        box.setOnAction(_ -> session.days().taken(one, box.isSelected()));
        box.setOnKeyPressed(
                event -> {
                    if (event.getCode() != KeyCode.DELETE) return;
                    session.days().forget(one);
                    event.consume();
                });
        VBox row = new VBox(box);
        if (!one.from().isEmpty()) row.getChildren().add(Look.text(one.from(), "soft"));
        return row;
    }

    @Override
    public void key(KeyEvent event) {}
}
