package rivulus.app.day;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.BiConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Session;
import rivulus.show.Answer;
import rivulus.show.Scene;
import rivulus.show.Symptom;
import rivulus.trouble.Reply;
import rivulus.trouble.Soundcheck;
import rivulus.words.Words;

/// The soundcheck, ear by ear; at its side the question to ask now.
final class SoundcheckBox implements DayStage.PartBox {
    private final Session session;
    private final BiConsumer<Soundcheck.Check, Symptom> find;
    private final VBox middle = new VBox(6);
    private final VBox side = new VBox(10);
    private final Label head = Look.text("", "stage-title");
    private final VBox rows = new VBox();
    private final Label question = Look.paragraph("", "headline");
    private final Label about = Look.paragraph("", "soft");
    private final Replies replies = new Replies("check-reply");
    private final Button all = new Button("All is well here   (A)");
    private final Button recorded = new Button("As the recording says   (R)");
    private final Button fault = new Button("Find out why   (F)");
    private Optional<Soundcheck> check = Optional.empty();
    private String chosen = "";

    /// @param find looks for what is broken after an answer
    SoundcheckBox(Session session, BiConsumer<Soundcheck.Check, Symptom> find) {
        this.session = session;
        this.find = find;
        rows.setId("check-rows");
        head.setId("check-head");
        question.setId("check-question");
        all.setId("check-all");
        fault.setId("check-find");
        ScrollPane scroll = Look.scroll(rows);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        middle.getChildren().setAll(head, scroll);
        all.setOnAction(_ -> now().flatMap(this::rowOf).ifPresent(session.days()::allWell));
        fault.setOnAction(_ -> findIt());
        recorded.setId("check-recorded");
        recorded.setOnAction(
                _ -> {
                    var said = recorded();
                    if (!said.isEmpty())
                        session.days().answer(said, session.recordings().heard().get().tracks());
                });
        for (Button button : List.of(all, recorded, fault)) button.setMaxWidth(Double.MAX_VALUE);
        side.getStyleClass().add("day-side");
        side.getChildren()
                .setAll(
                        Look.text("To ask now", "pane-title"),
                        question,
                        about,
                        fault,
                        replies,
                        all,
                        recorded);
        clear();
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
        check = Optional.empty();
        chosen = "";
        rows.getChildren().clear();
        ask();
    }

    private Optional<Soundcheck.Row> rowOf(Soundcheck.Check one) {
        return check.flatMap(all -> all.row(one.ask().ear().id()));
    }

    /// What was chosen, else the first that was not asked.
    private Optional<Soundcheck.Check> now() {
        if (check.isEmpty()) return Optional.empty();
        return check.get().rows().stream()
                .flatMap(row -> row.checks().stream())
                .filter(one -> one.id().equals(chosen))
                .findFirst()
                .or(() -> check.get().next());
    }

    @Override
    public void show(DaySight sight) {
        if (sight.check().isEmpty()) return;
        check = sight.check();
        head.setText(
                check.get().rows().isEmpty()
                        ? "Nobody listens yet"
                        : Words.sentence(check.get().words()));
        Optional<Soundcheck.Check> now = now();
        List<Node> lines = new ArrayList<>();
        for (Soundcheck.Row row : check.get().rows()) {
            boolean open =
                    now.filter(one -> one.ask().ear().id().equals(row.ear().id())).isPresent();
            lines.add(ear(row, open));
            if (open) for (Soundcheck.Check one : row.checks()) lines.add(source(one, now));
        }
        rows.getChildren().setAll(lines);
        ask();
    }

    private Node ear(Soundcheck.Row row, boolean open) {
        String mark = row.isWell() ? "\u2713" : row.isAmiss() ? "!" : "\u25cb";
        return new DayRow(
                        "check-" + row.ear().id(),
                        row.ear().name() + ": " + row.words(),
                        Look.text(mark, "day-mark"),
                        Look.text(row.ear().name(), "day-what"),
                        Look.text(row.words(), row.isAmiss() ? "off-word" : "soft"))
                .being("chosen", open)
                .being("settled", row.isWell())
                .does(() -> choose(row.checks().getFirst().id()));
    }

    private Node source(Soundcheck.Check one, Optional<Soundcheck.Check> now) {
        Region bar = new Region();
        bar.getStyleClass()
                .addAll("seat-hue", Sources.hue(session.show().get(), one.ask().source().id()));
        String said =
                one.answer()
                        .map(Answer::heard)
                        .map(heard -> one.ask().words(heard))
                        .orElse("not asked yet");
        String when = one.answer().map(answer -> "%tR".formatted(answer.at().local())).orElse("");
        Label words = Look.text(said, one.answer().isEmpty() || one.isWell() ? "soft" : "off-word");
        return new DayRow(
                        "check-" + one.id(),
                        one.ask().words() + " " + said,
                        bar,
                        Look.text(one.ask().source().name(), "row-source"),
                        words,
                        Look.spring(),
                        Look.text(when, "soft"))
                .being("inner", true)
                .being("asked", now.filter(other -> other.id().equals(one.id())).isPresent())
                .does(() -> choose(one.id()));
    }

    private void choose(String id) {
        chosen = id;
        session.redraw();
    }

    private void ask() {
        Optional<Soundcheck.Check> now = now();
        question.setText(
                now.map(one -> one.ask().words())
                        .orElse(check.isEmpty() ? "" : "Everything was asked."));
        about.setText(
                now.map(
                                one ->
                                        "Asked as in %s."
                                                .formatted(
                                                        session.show()
                                                                .get()
                                                                .scene(one.scene())
                                                                .map(Scene::name)
                                                                .orElse(one.scene())))
                        .orElse(""));
        List<Replies.Reply> given = new ArrayList<>();
        now.ifPresent(
                one -> {
                    for (Reply reply : one.ask().replies())
                        if (reply instanceof Reply.Heard(Symptom symptom))
                            given.add(
                                    new Replies.Reply(
                                            Words.sentence(one.ask().words(symptom)),
                                            () -> answer(one, symptom)));
                });
        replies.show(given);
        Look.show(recorded, !recorded().isEmpty());
        Look.show(all, now.filter(one -> one.answer().isEmpty()).isPresent());
        Look.show(fault, now.filter(one -> one.answer().isPresent() && !one.isWell()).isPresent());
    }

    private SequencedMap<Soundcheck.Check, Symptom> recorded() {
        var heard = session.recordings().heard().get();
        return check.map(all -> all.answeredBy(heard.tracks(), heard.remarks()))
                .orElseGet(LinkedHashMap::new);
    }

    /// What is not as it should be stays chosen, so that one can find out why at once.
    private void answer(Soundcheck.Check one, Symptom symptom) {
        chosen = symptom == Symptom.AS_WISHED ? "" : one.id();
        session.days().answer(one, symptom);
    }

    private void findIt() {
        now().filter(one -> one.answer().isPresent() && !one.isWell())
                .ifPresent(one -> find.accept(one, one.answer().get().heard()));
    }

    @Override
    public void key(KeyEvent event) {
        if (event.getCode() == KeyCode.A) {
            all.fire();
            event.consume();
        } else if (event.getCode() == KeyCode.F) {
            findIt();
            event.consume();
        } else if (event.getCode() == KeyCode.R) {
            recorded.fire();
            event.consume();
        } else replies.key(event);
    }
}
