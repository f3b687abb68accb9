package rivulus.app.day;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
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
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.air.Clocks;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.setup.Progress;
import rivulus.setup.Step;
import rivulus.show.Lesson;
import rivulus.show.Profile;
import rivulus.show.Show;
import rivulus.show.Tick;
import rivulus.words.Words;

/// The set-up as a list, ticked by key; at its side what to do now.
final class SetUpBox implements DayStage.PartBox {
    private static final int MOST_HANDS = 4;

    private final Session session;
    private final Consumer<Step> find;
    private final VBox middle = new VBox(6);
    private final VBox side = new VBox(10);
    private final Label clock = Look.text("", "day-clock");
    private final Button hands = new Button();
    private final VBox rows = new VBox();
    private final ScrollPane scroll = Look.scroll(rows);
    private final Label what = Look.paragraph("", "headline");
    private final Label why = Look.paragraph("", "cause");
    private final Label about = Look.paragraph("", "soft");
    private final Button done = new Button("Done   (Enter)");
    private final Button fails = new Button("It does not work   (F)");
    private final Button skip = new Button("Skip it   (S)");
    private final Button again = new Button("Open it again   (O)");
    private final TextField reason = new TextField();
    private final Label empty =
            Look.paragraph(
                    "There is nothing to set up yet. Put gear into the rig, and every step stands"
                            + " here: where, what, why, and how long it takes.",
                    "soft",
                    "empty");
    private Optional<Progress> progress = Optional.empty();
    private String chosen = "";
    /// Whether somebody chose it.
    private boolean picked;
    private final Map<Step, StepRow> made = new HashMap<>();
    private int pairs = 1;
    private Progress.Order order = Progress.Order.DONE;
    private final Button ordered = new Button();
    private final Button from = new Button();
    private String left = "";

    /// @param find looks for what is broken where a step failed
    /// @param print asks where the list goes, with boxes
    SetUpBox(Session session, Consumer<Step> find, Runnable print) {
        this.session = session;
        this.find = find;
        rows.setId("setup-rows");
        clock.setId("setup-clock");
        what.setId("setup-now");
        hands.setId("setup-hands");
        hands.setMinWidth(Region.USE_PREF_SIZE);
        hands.setOnAction(
                _ -> {
                    pairs = pairs % MOST_HANDS + 1;
                    tick();
                });
        from.setId("setup-left");
        from.setMinWidth(Region.USE_PREF_SIZE);
        from.setOnAction(_ -> leftOtherwise());
        ordered.setId("setup-order");
        ordered.setMinWidth(Region.USE_PREF_SIZE);
        ordered.setOnAction(
                _ -> {
                    order =
                            Progress.Order.values()[
                                    (order.ordinal() + 1) % Progress.Order.values().length];
                    session.redraw();
                });
        Button printed = new Button("Print …");
        printed.setId("setup-print");
        printed.setMinWidth(Region.USE_PREF_SIZE);
        printed.setOnAction(_ -> print.run());
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox head = new HBox(8, ordered, hands, from, Look.spring(), printed);
        head.getStyleClass().add("day-bar");
        head.setAlignment(Pos.CENTER_LEFT);
        middle.getChildren().setAll(clock, head, empty, scroll);
        done.setId("setup-done");
        done.getStyleClass().addAll("first-answer", "day-focus");
        fails.setId("setup-fails");
        skip.setId("setup-skip");
        again.setId("setup-again");
        done.setOnAction(_ -> tick(Tick.How.DONE, ""));
        fails.setOnAction(_ -> failed());
        skip.setOnAction(_ -> ask());
        again.setOnAction(_ -> chosen().ifPresent(at -> session.days().open(at.step())));
        reason.setId("setup-reason");
        reason.setPromptText("why, then Enter");
        reason.setOnAction(
                _ -> {
                    tick(Tick.How.SKIPPED, reason.getText().strip());
                    Look.show(reason, false);
                    done.requestFocus();
                });
        reason.setOnKeyPressed(
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE) return;
                    Look.show(reason, false);
                    done.requestFocus();
                    event.consume();
                });
        for (Button button : List.of(done, fails, skip, again))
            button.setMaxWidth(Double.MAX_VALUE);
        side.getStyleClass().add("day-side");
        side.getChildren()
                .setAll(
                        Look.text("To do now", "pane-title"),
                        what,
                        why,
                        about,
                        done,
                        fails,
                        skip,
                        reason,
                        again);
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
        progress = Optional.empty();
        chosen = "";
        left = "";
        made.clear();
        rows.getChildren().clear();
        Look.show(reason, false);
        now();
    }

    @Override
    public void show(DaySight sight) {
        if (sight.progress().isEmpty()) return;
        progress = sight.progress();
        Progress all = progress.get();
        boolean any = !all.steps().isEmpty();
        Look.show(empty, !any);
        Look.show(scroll, any);
        boolean free = chosen().filter(at -> !at.standing().isOver()).isEmpty();
        if (free && !picked) chosen = all.next().map(at -> at.step().id()).orElse("");
        List<Node> lines = new ArrayList<>(learned(sight.picture().show()));
        all.by(order)
                .forEach(
                        (title, own) -> {
                            long over = own.stream().filter(at -> at.standing().isOver()).count();
                            lines.add(
                                    Look.text(
                                            "%s   %d of %d".formatted(title, over, own.size()),
                                            "day-part"));
                            for (Progress.At at : own) lines.add(row(at));
                        });
        made.keySet().retainAll(all.steps().stream().map(Progress.At::step).toList());
        rows.getChildren().setAll(lines);
        now();
        tick();
    }

    /// What was learned before stands on top, until it is taken to heart.
    private List<Node> learned(Show show) {
        List<Node> lines = new ArrayList<>();
        for (Lesson lesson : show.day().lessons()) {
            if (lesson.taken() || lesson.from().isEmpty()) continue;
            if (lines.isEmpty()) lines.add(Look.text("Learned before", "day-part"));
            lines.add(
                    new DayRow(
                                    "setup-" + lesson.id(),
                                    "Learned before: %s. Space takes it to heart."
                                            .formatted(lesson.text()),
                                    Look.text("\u25cb", "day-mark"),
                                    Look.text(lesson.text(), "day-what"),
                                    Look.text(lesson.from(), "soft"))
                            .does(() -> session.days().taken(lesson, true)));
        }
        return lines;
    }

    private Node row(Progress.At at) {
        StepRow row =
                made.computeIfAbsent(at.step(), step -> new StepRow(step, () -> choose(step)));
        row.show(at, at.step().id().equals(chosen));
        return row.node();
    }

    private void choose(Step step) {
        chosen = step.id();
        picked = true;
        session.redraw();
    }

    /// How the gear was left, where somebody said so.
    Optional<Profile> left() {
        return session.show().get().profiles().stream()
                .filter(profile -> profile.id().equals(left))
                .findFirst();
    }

    /// From how it comes to each way of standing that is kept, and round again.
    private void leftOtherwise() {
        List<Profile> kept = session.show().get().profiles();
        int next = left().map(kept::indexOf).orElse(-1) + 1;
        left = next < kept.size() ? kept.get(next).id() : "";
        session.redraw();
    }

    private Optional<Progress.At> chosen() {
        return progress.stream()
                .flatMap(all -> all.steps().stream())
                .filter(at -> at.step().id().equals(chosen))
                .findFirst();
    }

    private void now() {
        Optional<Progress.At> at = chosen();
        boolean over = at.filter(step -> step.standing().isOver()).isPresent();
        what.setText(
                at.map(step -> step.step().what())
                        .orElse(progress.isPresent() ? "All is done." : ""));
        why.setText(at.map(step -> Words.sentence(step.step().why())).orElse(""));
        about.setText(
                at.map(
                                step ->
                                        "About %s%s. %s"
                                                .formatted(
                                                        Words.figure(
                                                                step.step().minutes(), 1, "min"),
                                                        step.step().who().isEmpty()
                                                                ? ""
                                                                : ", by " + step.step().who(),
                                                        Words.sentence(step.words())))
                        .orElse(""));
        for (Button button : List.of(done, fails, skip)) Look.show(button, at.isPresent() && !over);
        boolean ticked =
                at.filter(step -> over || step.standing() == Progress.Standing.FAILED).isPresent();
        Look.show(again, ticked);
        Look.show(why, !why.getText().isEmpty());
    }

    @Override
    public void tick() {
        ordered.setText(order.title() + "   (G)");
        from.setText(
                left().map(profile -> "From “%s”".formatted(profile.name()))
                                .orElse("From how it comes")
                        + "   (L)");
        Look.show(from, !session.show().get().profiles().isEmpty());
        progress.ifPresent(
                all ->
                        clock.setText(
                                all.clock(
                                        Clocks.toAir(session.show().get(), session.days().now()),
                                        pairs)));
        hands.setText(
                pairs == 1 ? "1 pair of hands   (H)" : "%d pairs of hands   (H)".formatted(pairs));
    }

    private void tick(Tick.How how, String words) {
        picked = false;
        chosen().ifPresent(at -> session.days().tick(at.step(), how, words));
    }

    private void failed() {
        Optional<Progress.At> at = chosen();
        if (at.isEmpty()) return;
        tick(Tick.How.FAILED, "does not work");
        find.accept(at.get().step());
    }

    private void ask() {
        if (chosen().isEmpty()) return;
        reason.clear();
        Look.stands(reason, "set-up/" + chosen().get().step().id());
        Look.show(reason, true);
        side.applyCss();
        reason.requestFocus();
    }

    @Override
    public void key(KeyEvent event) {
        switch (event.getCode()) {
            case ENTER -> {
                if (chosen().filter(at -> !at.standing().isOver()).isEmpty()) return;
                tick(Tick.How.DONE, "");
            }
            case F -> failed();
            case S -> ask();
            case O -> again.fire();
            case H -> hands.fire();
            case G -> ordered.fire();
            case L -> leftOtherwise();
            default -> {
                return;
            }
        }
        event.consume();
    }
}
