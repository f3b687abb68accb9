package rivulus.app.mixes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Function;
import javafx.collections.MapChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.form.SilenceBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.TroubleCard;
import rivulus.app.session.View;
import rivulus.check.Finding;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedy;
import rivulus.words.Severity;

/// What is wrong for the chosen ear, and for the others, why, and what cures it. Standing on a cure
/// shows its effect everywhere before it is taken.
final class FindingsPane extends VBox implements View<FindingsPane.Sight> {
    private static final String LEAST = "Proven least: no cheaper turns will do.";
    private static final String SEARCHES_ON = "Ctrl Shift Enter searches on.";
    private static final int LINES_SHOWN = 60;
    private static final int EFFECTS_SHOWN = 3;
    private static final double CURE_WIDTH = 232;
    private static final double LINE_WIDTH = 244;

    /// What is wrong for the chosen ear, for other ears, and what is serious in the rig.
    record Sight(
            Picture picture,
            List<TroubleCard> own,
            List<TroubleCard> others,
            List<TroubleCard> rig) {
        static Sight of(Picture picture) {
            String ear = picture.ear() == null ? "" : picture.ear().id();
            List<TroubleCard> own = new ArrayList<>();
            List<TroubleCard> others = new ArrayList<>();
            List<TroubleCard> rig = new ArrayList<>();
            for (TroubleCard card : picture.troubles())
                if (card.concerns(ear)) own.add(card);
                else if (!card.isOfTheRig()) others.add(card);
                else if (card.trouble().severity().isSerious()) rig.add(card);
            return new Sight(picture, own, others, rig);
        }
    }

    private final Session session;
    private final Runnable afterwards;
    private final BiConsumer<String, String> fault;
    private final VBox cards = new VBox();
    private final Label title = Look.text("", "pane-title");
    private Picture shown;
    private final Map<String, VBox> cureBoxes = new HashMap<>();
    private String foremost = "";

    /// @param afterwards where the keyboard goes once a cure is taken
    FindingsPane(Session session, Runnable afterwards, BiConsumer<String, String> fault) {
        this.fault = fault;
        this.session = session;
        this.afterwards = afterwards;
        getStyleClass().add("findings");
        setId("findings");
        cards.getStyleClass().add("cards");
        ScrollPane scroll = Look.scroll(cards);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, scroll);
        clear();
        session.remedies()
                .addListener(
                        (MapChangeListener<String, Cures>)
                                change -> {
                                    if (change.wasAdded() && cureBoxes.containsKey(change.getKey()))
                                        fillCures(change.getKey(), change.getValueAdded());
                                });
        session.draws(this);
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(MixesStage.ID);
    }

    @Override
    public Function<Picture, Sight> drawing() {
        return Sight::of;
    }

    @Override
    public void clear() {
        shown = null;
        cards.getChildren().clear();
        cureBoxes.clear();
        title.setText("Findings");
        boolean listens = !session.show().get().ears().isEmpty();
        cards.getChildren()
                .add(
                        listens
                                ? Look.paragraph(
                                        "Nothing is proven yet: who hears whom is being worked out.",
                                        "soft")
                                : nobody());
    }

    /// Puts the keyboard on the first cure, or the first finding that has none.
    void focusFirst() {
        Node first = cards.lookup(".cure");
        if (first == null) first = cards.lookup(".other-trouble");
        if (first != null) first.requestFocus();
    }

    @Override
    public void show(Sight sight) {
        Picture picture = sight.picture();
        boolean previewed = picture.proof() != session.proof().get();
        if (previewed || isShown(picture)) return;
        clear();
        shown = picture;
        if (picture.ear() == null) return;
        cards.getChildren().clear();
        title.setText(
                (sight.own().isEmpty() ? "Nothing wrong for " : "Findings for ")
                        + picture.ear().name());
        for (TroubleCard card : sight.own()) cards.getChildren().add(card(card));
        if (sight.others().isEmpty() && sight.own().isEmpty())
            cards.getChildren()
                    .add(
                            Look.paragraph(
                                    "Every ear that is looked at hears what it should, in every scene.",
                                    "soft"));
        fillLines(sight.others());
        if (sight.rig().isEmpty()) return;
        cards.getChildren().add(Look.text("The rig", "pane-title", "others"));
        for (TroubleCard card : sight.rig()) cards.getChildren().add(card(card));
    }

    private static Label nobody() {
        return Look.paragraph("Findings turn up here as soon as somebody listens.", "soft");
    }

    private void fillLines(List<TroubleCard> lines) {
        if (lines.isEmpty()) return;
        cards.getChildren().add(Look.text("Other ears", "pane-title", "others"));
        lines.stream().limit(LINES_SHOWN).map(this::line).forEach(cards.getChildren()::add);
        if (lines.size() > LINES_SHOWN) {
            String more = "and %d more".formatted(lines.size() - LINES_SHOWN);
            cards.getChildren().add(Look.text(more, "soft"));
        }
    }

    /// Whether the cards are already those of that picture: laying them again would take the
    /// keyboard away from the one it is on.
    private boolean isShown(Picture picture) {
        return shown != null
                && picture.proof() == shown.proof()
                && picture.scene() == shown.scene()
                && picture.ear() == shown.ear();
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
        session.source().set("");
        card.trouble().ear().ifPresent(session.ear()::set);
        if (card.elsewhere()) session.scene().set(card.trouble().first().scene());
    }

    /// On the day the plan may be right and the rig not.
    private Button faultOf(TroubleCard card) {
        Button find = new Button("Find the fault …");
        find.getStyleClass().add("fault-ask");
        find.setAccessibleText("Find the fault on the day: " + card.headline());
        Finding first = card.trouble().first();
        Look.show(find, first.ear().isPresent() && first.source().isPresent());
        find.setOnAction(
                _ -> fault.accept(first.ear().orElseThrow(), first.source().orElseThrow()));
        return find;
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
        if (!card.isOfTheRig())
            box.getChildren()
                    .add(Look.paragraph("In " + String.join(", ", card.scenes()), "in-scenes"));
        VBox cures = new VBox();
        cures.getStyleClass().add("cures");
        box.getChildren().add(cures);
        List<String> ids = card.trouble().findings().stream().map(Finding::id).distinct().toList();
        SilenceBox silence =
                new SilenceBox(card.headline(), reason -> session.silence(ids, reason));
        HBox.setHgrow(silence, Priority.ALWAYS);
        box.getChildren().add(new HBox(faultOf(card), silence));
        String id = card.trouble().id();
        if (cureBoxes.isEmpty()) foremost = id;
        cureBoxes.put(id, cures);
        fillCures(id, session.remedies().get(id));
        return box;
    }

    /// @param found null while they are still being searched
    private void fillCures(String trouble, Cures found) {
        VBox box = cureBoxes.get(trouble);
        box.getChildren().clear();
        if (found == null) {
            box.getChildren().add(Look.text("Trying remedies …", "soft"));
        } else if (found.isEmpty()) {
            box.getChildren().add(Look.paragraph(found.words(), "soft"));
            if (trouble.startsWith("missing/"))
                box.getChildren().add(Look.paragraph("Ctrl P plans what is lacking.", "soft"));
        } else {
            Remedy best = found.all().getFirst();
            for (Remedy remedy : found.all()) {
                boolean taken = remedy == best && trouble.equals(foremost);
                box.getChildren().add(button(remedy, taken));
            }
            if (!found.words().isEmpty())
                box.getChildren().add(Look.paragraph(found.words(), "soft"));
        }
        if (found != null && found.mayBeBettered() && !found.isSoFar())
            box.getChildren().add(Look.paragraph(SEARCHES_ON, "soft"));
    }

    /// @param byKey whether a key takes it
    private Button button(Remedy remedy, boolean byKey) {
        VBox words = new VBox(2, Look.block(remedy.sentence(), CURE_WIDTH, "order"));
        if (remedy.least()) words.getChildren().add(Look.block(LEAST, CURE_WIDTH, "effect"));
        for (String brought : remedy.brings())
            words.getChildren().add(Look.block("But: " + brought + ".", CURE_WIDTH, "effect"));
        List<String> effects = remedy.effectsInWords();
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
        for (String loss : remedy.losses())
            words.getChildren().add(Look.block("Takes out " + loss + ".", CURE_WIDTH, "effect"));
        if (byKey) words.getChildren().add(Look.block("Ctrl Enter takes it", CURE_WIDTH, "effect"));
        Button button = new Button();
        button.setGraphic(words);
        button.setMaxWidth(Double.MAX_VALUE);
        button.getStyleClass().add("cure");
        List<String> spoken = new ArrayList<>(List.of("Remedy: " + remedy.sentence()));
        if (remedy.least()) spoken.add(LEAST);
        remedy.brings().forEach(brought -> spoken.add("But: " + brought + "."));
        effects.forEach(effect -> spoken.add(effect + "."));
        remedy.losses().forEach(loss -> spoken.add("Takes out " + loss + "."));
        button.setAccessibleText(String.join(" ", spoken));
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
