package rivulus.app.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.show.Symptom;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Question;
import rivulus.trouble.Reply;
import rivulus.trouble.Soundcheck;
import rivulus.trouble.Suspect;
import rivulus.words.Words;

/// What is broken, question by question: the next one large, what it can still be under it, and at
/// its side what was answered.
final class TroubleBox implements DayStage.PartBox {
    private static final int SUSPECTS = 8;
    private static final double BAR = 90;

    private final Session session;
    private final VBox middle = new VBox(10);
    private final VBox side = new VBox(8);
    private final Label head = Look.paragraph("", "stage-title");
    private final Label why = Look.paragraph("", "soft");
    private final Replies replies = new Replies("trouble-reply");
    private final VBox found = new VBox(8);
    private final VBox suspects = new VBox(2);
    private final Label couldBe = Look.text("It could be", "day-part");
    private final VBox answers = new VBox(6);
    private final Button back = new Button("Take the last answer back   (Backspace)");
    private final Button leave = new Button("Begin again   (Esc)");
    private final VBox begin = new VBox(8);
    private final ComboBox<Soundcheck.Row> ear = new ComboBox<>();
    private final ComboBox<Soundcheck.Check> source = new ComboBox<>();
    private String wantedEar = "";
    private String wantedSource = "";
    private final Replies how = new Replies("trouble-how");

    TroubleBox(Session session) {
        this.session = session;
        head.setId("trouble-head");
        why.setId("trouble-why");
        suspects.setId("trouble-suspects");
        answers.setId("trouble-answers");
        found.setId("trouble-found");
        back.setId("trouble-back");
        leave.setId("trouble-leave");
        ear.setId("trouble-ear");
        source.setId("trouble-source");
        ear.getStyleClass().add("day-focus");
        ear.setPromptText("who hears something amiss");
        source.setPromptText("of whom, or of what");
        ear.setAccessibleText("Who hears something amiss");
        source.setAccessibleText("Of whom, or of what");
        ear.setButtonCell(cell(row -> row.ear().name()));
        ear.setCellFactory(_ -> cell(row -> row.ear().name()));
        source.setButtonCell(cell(check -> check.ask().source().name()));
        source.setCellFactory(_ -> cell(check -> check.ask().source().name()));
        ear.setOnAction(
                _ -> {
                    if (ear.getValue() == null) return;
                    source.getItems().setAll(ear.getValue().checks());
                    source.getSelectionModel().selectFirst();
                });
        source.setOnAction(_ -> offer());
        begin.getChildren()
                .setAll(
                        Look.paragraph(
                                "Say what somebody hears. Every question after that is the one that"
                                        + " tells most for the time it takes: people are asked, meters"
                                        + " looked at, headphones plugged in.",
                                "soft"),
                        new HBox(8, ear, source),
                        how);
        back.setOnAction(_ -> session.days().back());
        leave.setOnAction(_ -> session.days().leave());
        side.getStyleClass().add("day-side");
        for (Button button : List.of(back, leave)) button.setMaxWidth(Double.MAX_VALUE);
        ScrollPane said = Look.scroll(answers);
        VBox.setVgrow(said, Priority.ALWAYS);
        side.getChildren().setAll(Look.text("What was answered", "pane-title"), said, back, leave);
        VBox inside = new VBox(10, why, begin, found, replies, couldBe, suspects);
        inside.getStyleClass().add("day-inside");
        ScrollPane scroll = Look.scroll(inside);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        middle.getChildren().setAll(head, scroll);
        session.days().search().addListener((_, _, _) -> goneOn());
        session.days().next().addListener((_, _, _) -> goneOn());
        draw();
    }

    private static <T> ListCell<T> cell(Function<T, String> words) {
        return new ListCell<>() {
            @Override
            protected void updateItem(T item, boolean isEmpty) {
                super.updateItem(item, isEmpty);
                setText(isEmpty || item == null ? null : words.apply(item));
            }
        };
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
        ear.getItems().clear();
        source.getItems().clear();
        draw();
    }

    @Override
    public void show(DaySight sight) {
        sight.check()
                .ifPresent(
                        check -> {
                            String was = ear.getValue() == null ? "" : ear.getValue().ear().id();
                            ear.getItems().setAll(check.rows());
                            check.row(was).ifPresent(ear::setValue);
                            choose();
                        });
        draw();
    }

    /// Begins with an ear and, where it is asked there, a source.
    void about(String atEar, String ofSource) {
        wantedEar = atEar;
        wantedSource = ofSource;
    }

    private void choose() {
        ear.getItems().stream()
                .filter(row -> row.ear().id().equals(wantedEar))
                .findFirst()
                .ifPresent(
                        row -> {
                            ear.setValue(row);
                            source.getItems().setAll(row.checks());
                            source.getSelectionModel().selectFirst();
                            row.checks().stream()
                                    .filter(c -> c.ask().source().id().equals(wantedSource))
                                    .findFirst()
                                    .ifPresent(source::setValue);
                            wantedEar = "";
                        });
    }

    private void offer() {
        Soundcheck.Check check = source.getValue();
        if (check == null) {
            how.show(List.of());
            return;
        }
        List<Replies.Reply> ways = new ArrayList<>();
        for (Reply reply : check.ask().replies())
            if (reply instanceof Reply.Heard(Symptom symptom) && symptom != Symptom.AS_WISHED)
                ways.add(
                        new Replies.Reply(
                                Words.sentence(check.ask().words(symptom)),
                                () -> session.days().find(check, symptom)));
        how.show(ways);
    }

    /// The search has gone on: the keyboard is on what is asked now.
    private void goneOn() {
        draw();
        if (middle.getScene() == null || session.days().isSearching()) return;
        middle.applyCss();
        Node first =
                !found.getChildren().isEmpty()
                        ? found.getChildren().getFirst()
                        : !replies.getChildren().isEmpty()
                                ? replies.getChildren().getFirst()
                                : session.days().search().get().isEmpty() ? ear : back;
        first.requestFocus();
    }

    private void draw() {
        Optional<Diagnosis> search = session.days().search().get();
        Diagnosis.Next next = session.days().next().get();
        boolean works = session.days().isSearching();
        boolean idle = search.isEmpty() && !works;
        Look.show(begin, idle);
        if (idle) offer();
        if (works && search.isPresent()) return; // the last question stays until the next is there
        for (Node node : List.of(couldBe, suspects)) Look.show(node, search.isPresent());
        for (Button button : List.of(back, leave)) Look.show(button, !idle);
        answers.getChildren().clear();
        replies.show(List.of());
        found.getChildren().clear();
        if (search.isEmpty()) {
            head.setText(works ? "Trying everything that can break …" : "What is amiss?");
            why.setText("");
            if (idle) answers.getChildren().add(Look.paragraph("Nothing yet.", "soft"));
            return;
        }
        Diagnosis now = search.get();
        for (Diagnosis.Said said : now.answers()) {
            VBox one =
                    new VBox(
                            Look.paragraph(said.question().words(), "soft"),
                            Look.paragraph(words(said), "cause"));
            answers.getChildren().add(one);
        }
        suspects.getChildren().clear();
        for (Suspect suspect : now.suspects().stream().limit(SUSPECTS).toList())
            suspects.getChildren().add(row(suspect));
        if (next != null) {
            head.setText(next.question().words());
            why.setText(
                    "%s. About %s%s."
                            .formatted(
                                    Words.sentence(next.why()),
                                    Words.figure(next.question().minutes(), 1, "min"),
                                    next.question().who().isEmpty()
                                            ? ""
                                            : ", by " + next.question().who()));
            List<Replies.Reply> given = new ArrayList<>();
            for (Reply reply : next.question().replies())
                given.add(
                        new Replies.Reply(
                                words(next.question(), reply),
                                () -> session.days().said(next.question(), reply)));
            replies.show(given);
        } else if (!works) ended(now);
    }

    private void ended(Diagnosis now) {
        head.setText(now.words());
        Optional<Suspect> what =
                now.found()
                        .or(() -> now.suspects().stream().findFirst())
                        .filter(suspect -> !suspect.faults().isEmpty());
        why.setText(what.map(Suspect::todo).orElse("Take an answer back, or begin again."));
        if (what.isEmpty()) return;
        Button right = new Button("It is put right   (Enter)");
        right.setId("trouble-right");
        right.getStyleClass().addAll("first-answer", "day-focus");
        right.setOnAction(_ -> session.days().putRight(what.get()));
        found.getChildren().add(right);
        if (what.get().faults().size() == 1 && what.get().faults().getFirst().plan().isPresent()) {
            Button stays = new Button("It stays so: change the plan");
            stays.setId("trouble-stays");
            stays.setOnAction(_ -> session.days().stays(what.get()));
            found.getChildren().add(stays);
        }
    }

    private static String words(Diagnosis.Said said) {
        return words(said.question(), said.reply());
    }

    private static String words(Question question, Reply reply) {
        return question instanceof Question.Ask ask && reply instanceof Reply.Heard(Symptom symptom)
                ? Words.sentence(ask.words(symptom))
                : reply.words();
    }

    private static Node row(Suspect suspect) {
        Region bar = new Region();
        bar.getStyleClass().add("chance");
        bar.setMinWidth(Math.max(2, BAR * suspect.chance()));
        bar.setMaxWidth(Math.max(2, BAR * suspect.chance()));
        HBox room = new HBox(bar);
        room.setMinWidth(BAR);
        room.setMaxWidth(BAR);
        room.setAlignment(Pos.CENTER_LEFT);
        Label percent = Look.text("%.0f %%".formatted(100 * suspect.chance()), "soft");
        percent.setMinWidth(44);
        Label words = Look.paragraph(Words.sentence(suspect.words()), "cause");
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, percent, room, words);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    @Override
    public void key(KeyEvent event) {
        boolean going = session.days().search().get().isPresent();
        if (going && session.days().isSearching()) return;
        if (going && event.getCode() == KeyCode.BACK_SPACE) session.days().back();
        else if (event.getCode() == KeyCode.ESCAPE && (going || session.days().isSearching()))
            session.days().leave();
        else if (going && event.getCode() == KeyCode.ENTER && !found.getChildren().isEmpty())
            ((Button) found.getChildren().getFirst()).fire();
        else {
            (going ? replies : how).key(event);
            return;
        }
        event.consume();
    }
}
