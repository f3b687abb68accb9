package rivulus.app.levels;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.chart.GainSheet;
import rivulus.level.InputGain;
import rivulus.show.Ref;
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
    private Optional<GainSheet> sheet = Optional.empty();
    /// Whether they are to be set as soon as they are drawn up.
    private boolean isAsked;

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
        ScrollPane scroll = Look.scroll(list);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, first, scroll);
    }

    void clear() {
        sheet = Optional.empty();
        list.getChildren().clear();
        Look.show(all, false);
        Look.show(effects, false);
    }

    /// Sets every gain as it should be; where they have not been drawn up yet, as soon as they are.
    void setAll() {
        isAsked = sheet.isEmpty();
        sheet.ifPresent(
                gains ->
                        gains.set(session.show().get())
                                .ifPresentOrElse(
                                        session::edit,
                                        () ->
                                                session.say(
                                                        "Every input gain stands as it should.")));
    }

    void show(LevelsSight sight) {
        GainSheet gains = sight.gains();
        sheet = Optional.of(gains);
        int turns = gains.turns().size();
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
        Look.relaid(list, () -> list.getChildren().setAll(rows(gains)));
        if (isAsked) setAll();
    }

    private List<Node> rows(GainSheet gains) {
        List<Node> rows = new ArrayList<>();
        for (InputGain gain : gains.used()) rows.add(row(gain));
        gains.idle().ifPresent(idle -> rows.add(Look.paragraph(idle + ": no gain there.", "soft")));
        if (rows.isEmpty())
            rows.add(Look.paragraph("No machine of this show has an input gain.", "soft"));
        return rows;
    }

    private Node row(InputGain gain) {
        String place = gain.now().use().words();
        String stands = gain.now().marks();
        String should = gain.should().marks();
        boolean isOff = gain.turn().isPresent();
        VBox card = new VBox(2);
        card.getStyleClass().add("gain");
        card.getChildren()
                .addAll(
                        Look.paragraph(place, "gain-place"),
                        Look.paragraph(
                                isOff ? "%s → %s".formatted(stands, should) : stands,
                                isOff ? "gain-off" : "gain-stands"),
                        Look.paragraph(gain.why(), "soft"));
        if (isOff) {
            Button set = new Button("Set");
            Ref knob = gain.knob();
            set.setId("set-" + knob.device() + "-" + knob.name().replace('.', '-'));
            set.setAccessibleText("Set %s to %s".formatted(place, should));
            set.setOnAction(
                    _ -> GainSheet.set(gain, session.show().get()).ifPresent(session::edit));
            card.getChildren().add(set);
        }
        return card;
    }
}
