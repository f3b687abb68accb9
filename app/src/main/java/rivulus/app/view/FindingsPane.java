package rivulus.app.view;

import java.util.ArrayList;
import java.util.List;
import javafx.collections.MapChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.session.Session;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.cure.Cure;
import rivulus.cure.Effect;

/// What is wrong for the chosen ear, or for all, why, and what cures it. Standing on a cure shows
/// its effect everywhere before it is taken.
public final class FindingsPane extends VBox {
    private static final int EFFECTS_SHOWN = 3;
    private static final double CURE_WIDTH = 232;
    private static final double LINE_WIDTH = 244;

    private final Session session;
    private final VBox cards = new VBox();
    private final Label title = Look.text("", "pane-title");

    /// The findings of a session.
    public FindingsPane(Session session) {
        this.session = session;
        getStyleClass().add("findings");
        setId("findings");
        cards.getStyleClass().add("cards");
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, scroll);
        session.proof().addListener((_, _, _) -> fill());
        session.ear().addListener((_, _, _) -> fill());
        session.scene().addListener((_, _, _) -> fill());
        session.cures().addListener((MapChangeListener<String, List<Cure>>) _ -> fill());
    }

    private void fill() {
        Proof proof = session.proof().get();
        cards.getChildren().clear();
        if (proof == null) {
            title.setText("Findings");
            return;
        }
        List<Trouble> own = new ArrayList<>();
        List<Trouble> others = new ArrayList<>();
        for (Trouble trouble : Trouble.of(proof)) {
            boolean here =
                    trouble.ear().isEmpty() || trouble.ear().get().equals(session.ear().get());
            (here ? own : others).add(trouble);
        }
        String ear = proof.show().ear(session.ear().get()).map(e -> e.name()).orElse("");
        title.setText(own.isEmpty() ? "Nothing wrong for " + ear : "Findings for " + ear);
        for (Trouble trouble : own) cards.getChildren().add(card(trouble));
        if (!others.isEmpty()) {
            cards.getChildren().add(Look.text("Other ears", "pane-title", "others"));
            for (Trouble trouble : others) cards.getChildren().add(line(trouble));
        }
    }

    private Button line(Trouble trouble) {
        Button line = new Button();
        line.getStyleClass().add("other-trouble");
        line.setGraphic(
                new HBox(
                        8,
                        Marks.of(trouble.severity()),
                        Look.block(trouble.headline(), LINE_WIDTH)));
        line.setMaxWidth(Double.MAX_VALUE);
        line.setAccessibleText(trouble.severity().word() + ": " + trouble.headline());
        line.setOnAction(_ -> trouble.ear().ifPresent(session.ear()::set));
        return line;
    }

    private VBox card(Trouble trouble) {
        Finding first =
                trouble.findings().stream()
                        .filter(f -> f.scene().equals(session.scene().get()))
                        .findFirst()
                        .orElse(trouble.first());
        VBox card = new VBox();
        card.getStyleClass().addAll("card", trouble.severity().word());
        Label headline = Look.paragraph(trouble.headline() + ".", "headline");
        HBox.setHgrow(headline, Priority.ALWAYS);
        Label severity = Look.text(trouble.severity().word(), "severity-word");
        HBox tag = new HBox(6, Marks.of(trouble.severity()), severity);
        tag.getStyleClass().add("tag");
        card.getChildren().addAll(tag, headline);
        String cause = first.evidence().cause();
        if (!cause.isEmpty())
            card.getChildren()
                    .add(Look.paragraph(rivulus.words.Words.sentence(cause) + ".", "cause"));
        first.evidence().ways().stream()
                .findFirst()
                .ifPresent(way -> card.getChildren().add(Look.paragraph(way.words(), "way")));
        card.getChildren()
                .add(Look.paragraph("In " + String.join(", ", trouble.scenes()), "scenes"));
        addCures(card, trouble);
        return card;
    }

    private void addCures(VBox card, Trouble trouble) {
        List<Cure> cures = session.cures().get(trouble.id());
        if (cures == null) {
            card.getChildren().add(Look.text("Trying cures …", "soft"));
        } else if (cures.isEmpty()) {
            card.getChildren()
                    .add(
                            Look.paragraph(
                                    "No turn of a knob cures this without causing something else.",
                                    "soft"));
        } else {
            for (Cure cure : cures) card.getChildren().add(button(cure, cure == cures.getFirst()));
        }
    }

    private Button button(Cure cure, boolean best) {
        VBox words = new VBox(2, Look.block(cure.sentence(), CURE_WIDTH, "order"));
        cure.effects().stream()
                .map(Effect::words)
                .distinct()
                .limit(EFFECTS_SHOWN)
                .forEach(
                        effect ->
                                words.getChildren()
                                        .add(Look.block(effect + ".", CURE_WIDTH, "effect")));
        Button button = new Button();
        button.setGraphic(words);
        button.setMaxWidth(Double.MAX_VALUE);
        button.getStyleClass().addAll("cure", best ? "best" : "other");
        button.setAccessibleText("Cure: " + cure.sentence());
        button.setOnAction(_ -> session.take(cure));
        button.focusedProperty()
                .addListener((_, _, focused) -> session.preview().set(focused ? cure : null));
        button.hoverProperty()
                .addListener((_, _, over) -> session.preview().set(over ? cure : null));
        return button;
    }
}
