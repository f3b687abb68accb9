package rivulus.app.levels;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.chart.LevelSheet;
import rivulus.show.Turn;
import rivulus.words.Words;

/// How the input gains stand and should, in the gear's own marks; all set in one step, with what
/// everybody would hear of it told before.
final class GainsPane extends VBox {
    private static final int EFFECTS_SHOWN = 5;

    private final Session session;
    private final Label title = Look.text("Input gains", "pane-title");
    private final Button all = new Button();
    private final VBox effects = new VBox(2);
    private final VBox list = new VBox();
    private List<LevelSheet.Gain> shown = List.of();

    GainsPane(Session session) {
        this.session = session;
        setId("gains");
        getStyleClass().add("findings");
        all.setId("set-all-gains");
        all.getStyleClass().add("first-answer");
        all.setMaxWidth(Double.MAX_VALUE);
        all.setOnAction(_ -> setAll());
        effects.setId("gain-effects");
        list.getStyleClass().add("cards");
        VBox first = new VBox(6, all, effects);
        first.getStyleClass().add("gains-head");
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, first, scroll);
    }

    void clear() {
        shown = List.of();
        list.getChildren().clear();
        Look.show(all, false);
        Look.show(effects, false);
    }

    private List<Turn> turns() {
        return shown.stream().flatMap(gain -> gain.input().turn().stream()).toList();
    }

    /// Sets every gain as it should be.
    void setAll() {
        List<Turn> turns = turns();
        if (turns.isEmpty()) {
            session.say("Every input gain stands as it should.");
            return;
        }
        session.document()
                .edit(
                        "Set %s".formatted(Words.count(turns.size(), "input gain")),
                        session.show().get().with(turns));
    }

    void show(LevelsSight sight) {
        shown = sight.sheet().map(LevelSheet::gains).orElse(List.of());
        int turns = turns().size();
        Look.show(all, turns > 0);
        all.setText("Set %s".formatted(turns == 1 ? "it" : "all " + Words.number(turns)));
        Look.show(effects, !sight.effects().isEmpty());
        effects.getChildren()
                .setAll(
                        sight.effects().stream()
                                .limit(EFFECTS_SHOWN)
                                .map(line -> Look.paragraph(line, "soft"))
                                .toList());
        int more = sight.effects().size() - EFFECTS_SHOWN;
        if (more > 0)
            effects.getChildren()
                    .add(Look.text("and %s".formatted(Words.count(more, "change")), "soft"));
        Look.relaid(
                list,
                () -> {
                    list.getChildren()
                            .setAll(
                                    shown.stream()
                                            .filter(gain -> !gain.isIdle())
                                            .map(this::row)
                                            .toList());
                    long idle = shown.stream().filter(LevelSheet.Gain::isIdle).count();
                    if (idle > 0)
                        list.getChildren()
                                .add(
                                        Look.paragraph(
                                                "%s not in use: no gain there."
                                                        .formatted(
                                                                idle == 1
                                                                        ? "One input is"
                                                                        : idle + " inputs are"),
                                                "soft"));
                    if (shown.isEmpty())
                        list.getChildren()
                                .add(
                                        Look.paragraph(
                                                "No machine of this show has an input gain.",
                                                "soft"));
                });
    }

    private Node row(LevelSheet.Gain gain) {
        VBox card = new VBox(2);
        card.getStyleClass().add("gain");
        card.getChildren()
                .addAll(
                        Look.paragraph(gain.place(), "gain-place"),
                        Look.paragraph(
                                gain.isIdle()
                                        ? "not in use"
                                        : gain.isOff()
                                                ? "%s → %s".formatted(gain.stands(), gain.should())
                                                : gain.stands(),
                                gain.isOff() ? "gain-off" : "gain-stands"),
                        Look.paragraph(gain.input().why(), "soft"));
        gain.input()
                .turn()
                .ifPresent(
                        turn -> {
                            Button set = new Button("Set");
                            set.setId(
                                    "set-"
                                            + turn.knob().device()
                                            + "-"
                                            + turn.knob().name().replace('.', '-'));
                            set.setAccessibleText(
                                    "Set %s to %s".formatted(gain.place(), gain.should()));
                            set.setOnAction(
                                    _ ->
                                            session.document()
                                                    .edit(
                                                            "Set %s to %s"
                                                                    .formatted(
                                                                            gain.place(),
                                                                            gain.should()),
                                                            session.show().get().with(turn)));
                            card.getChildren().add(set);
                        });
        return card;
    }
}
