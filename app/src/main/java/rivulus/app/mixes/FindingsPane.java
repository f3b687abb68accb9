package rivulus.app.mixes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.collections.MapChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.TroubleCard;
import rivulus.remedy.Effect;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.search.Found;
import rivulus.words.Severity;

/// What is wrong for the chosen ear, and for the others, why, and what cures it. Standing on a cure
/// shows its effect everywhere before it is taken.
final class FindingsPane extends VBox {
    private static final int LINES_SHOWN = 60;
    private static final int EFFECTS_SHOWN = 3;
    private static final double CURE_WIDTH = 232;
    private static final double LINE_WIDTH = 244;

    private final Session session;
    private final Runnable afterwards;
    private final Runnable onRig;
    private final VBox cards = new VBox();
    private final Label title = Look.text("", "pane-title");
    private Picture shown;
    private final Map<String, VBox> cureBoxes = new HashMap<>();

    /// @param afterwards where the keyboard goes once a cure is taken
    /// @param onRig turns to where findings of the rig are acted on
    FindingsPane(Session session, Runnable afterwards, Runnable onRig) {
        this.onRig = onRig;
        this.session = session;
        this.afterwards = afterwards;
        getStyleClass().add("findings");
        setId("findings");
        cards.getStyleClass().add("cards");
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, scroll);
        session.picture().addListener((_, _, picture) -> fill(picture));
        fill(null);
        session.remedies()
                .addListener(
                        (MapChangeListener<String, Found<Remedy>>)
                                change -> {
                                    VBox box = cureBoxes.get(change.getKey());
                                    if (box != null && change.wasAdded())
                                        fillCures(box, change.getValueAdded());
                                });
    }

    /// Puts the keyboard on the first cure, or the first finding that has none.
    void focusFirst() {
        Node first = cards.lookup(".cure");
        if (first == null) first = cards.lookup(".other-trouble");
        if (first != null) first.requestFocus();
    }

    private void fill(Picture picture) {
        boolean previewed = picture != null && picture.proof() != session.proof().get();
        if (previewed || isShown(picture)) return;
        cards.getChildren().clear();
        cureBoxes.clear();
        if (picture == null || picture.ear() == null) {
            title.setText("Findings");
            if (picture != null)
                cards.getChildren()
                        .add(
                                Look.paragraph(
                                        "Findings turn up here as soon as somebody listens.",
                                        "soft"));
            return;
        }
        String ear = picture.ear().id();
        List<TroubleCard> own =
                picture.troubles().stream().filter(card -> card.concerns(ear)).toList();
        List<TroubleCard> others =
                picture.troubles().stream()
                        .filter(card -> !card.concerns(ear) && !card.isOfTheRig())
                        .toList();
        title.setText(
                (own.isEmpty() ? "Nothing wrong for " : "Findings for ") + picture.ear().name());
        List<Button> rigLines = new ArrayList<>();
        for (TroubleCard card : own) cards.getChildren().add(card(card));
        for (TroubleCard card : picture.troubles())
            if (card.isOfTheRig() && card.trouble().severity().isSerious())
                rigLines.add(line(card));
        if (others.isEmpty() && own.isEmpty())
            cards.getChildren()
                    .add(Look.paragraph("Every ear hears what it should, in every scene.", "soft"));
        if (!others.isEmpty()) {
            cards.getChildren().add(Look.text("Other ears", "pane-title", "others"));
            others.stream().limit(LINES_SHOWN).map(this::line).forEach(cards.getChildren()::add);
            if (others.size() > LINES_SHOWN) {
                String more = "and %d more".formatted(others.size() - LINES_SHOWN);
                cards.getChildren().add(Look.text(more, "soft"));
            }
        }
        if (!rigLines.isEmpty()) {
            cards.getChildren().add(Look.text("The rig", "pane-title", "others"));
            cards.getChildren().addAll(rigLines);
        }
    }

    /// Whether the cards are already those of that picture: laying them again would take the
    /// keyboard away from the one it is on.
    private boolean isShown(Picture picture) {
        boolean same =
                picture != null
                        && shown != null
                        && picture.proof() == shown.proof()
                        && picture.scene() == shown.scene()
                        && picture.ear() == shown.ear();
        shown = picture;
        return same;
    }

    private Button line(TroubleCard card) {
        Button line = line(card.trouble().severity(), card.headline());
        line.setOnAction(_ -> goTo(card));
        return line;
    }

    private static Button line(Severity severity, String words) {
        Button line = new Button();
        line.getStyleClass().add("other-trouble");
        line.setGraphic(new HBox(8, Marks.of(severity), Look.block(words, LINE_WIDTH)));
        line.setMaxWidth(Double.MAX_VALUE);
        line.setAccessibleText(severity.word() + ": " + words);
        return line;
    }

    private void goTo(TroubleCard card) {
        if (card.isOfTheRig()) {
            onRig.run();
            return;
        }
        session.source().set("");
        card.trouble().ear().ifPresent(session.ear()::set);
        if (card.elsewhere()) session.scene().set(card.trouble().first().scene());
    }

    private VBox card(TroubleCard card) {
        VBox box = new VBox();
        box.getStyleClass().addAll("card", card.trouble().severity().word());
        Label severity = Look.text(card.trouble().severity().word(), "severity-word");
        HBox tag = new HBox(6, Marks.of(card.trouble().severity()), severity);
        tag.getStyleClass().add("tag");
        box.getChildren().addAll(tag, Look.paragraph(card.headline(), "headline"));
        if (!card.cause().isEmpty()) box.getChildren().add(Look.paragraph(card.cause(), "cause"));
        if (!card.way().isEmpty()) box.getChildren().add(Look.paragraph(card.way(), "way"));
        box.getChildren()
                .add(Look.paragraph("In " + String.join(", ", card.scenes()), "in-scenes"));
        VBox cures = new VBox();
        cures.getStyleClass().add("cures");
        box.getChildren().add(cures);
        cureBoxes.put(card.trouble().id(), cures);
        fillCures(cures, session.remedies().get(card.trouble().id()));
        return box;
    }

    /// @param cured null while they are still being searched
    private void fillCures(VBox box, Found<Remedy> found) {
        box.getChildren().clear();
        if (found == null) {
            box.getChildren().add(Look.text("Trying remedies …", "soft"));
        } else if (found.isEmpty()) {
            box.getChildren().add(Look.paragraph(Remedies.words(found), "soft"));
        } else {
            Remedy best = found.all().getFirst();
            for (Remedy remedy : found.all()) box.getChildren().add(button(remedy, remedy == best));
        }
    }

    private Button button(Remedy remedy, boolean best) {
        VBox words = new VBox(2, Look.block(remedy.sentence(), CURE_WIDTH, "order"));
        List<String> effects = remedy.effects().stream().map(Effect::words).distinct().toList();
        effects.stream()
                .limit(EFFECTS_SHOWN)
                .forEach(
                        effect ->
                                words.getChildren()
                                        .add(Look.block(effect + ".", CURE_WIDTH, "effect")));
        if (effects.size() > EFFECTS_SHOWN) {
            String more = "and %d more differences.".formatted(effects.size() - EFFECTS_SHOWN);
            words.getChildren().add(Look.block(more, CURE_WIDTH, "effect"));
        }
        if (best && cureBoxes.size() == 1)
            words.getChildren().add(Look.block("Ctrl Enter takes it", CURE_WIDTH, "effect"));
        Button button = new Button();
        button.setGraphic(words);
        button.setMaxWidth(Double.MAX_VALUE);
        button.getStyleClass().add("cure");
        button.setAccessibleText(
                "Cure: %s %s.".formatted(remedy.sentence(), String.join(". ", effects)));
        button.setOnAction(
                _ -> {
                    afterwards.run();
                    session.take(remedy);
                });
        button.focusedProperty()
                .addListener((_, _, focused) -> session.preview().set(focused ? remedy : null));
        button.hoverProperty()
                .addListener((_, _, over) -> session.preview().set(over ? remedy : null));
        return button;
    }
}
