package rivulus.app.rig;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.collections.MapChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.form.SilenceBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedy;
import rivulus.words.Words;

/// What is wrong with the gear, the catalogue to add from, and what is in the cupboard.
public final class GearPane extends VBox implements View<Picture> {
    private static final double WIDTH = 228;

    private final Session session;
    private final Label title = Look.text("", "pane-title");
    private final VBox findings = new VBox(12);
    /// Of which the cards are.
    private Proof shown;
    private final Map<String, VBox> remedies = new HashMap<>();
    private final CatalogueBox catalogue;
    private final CupboardBox cupboard;
    private final HBox tabs = new HBox();
    private final ToggleGroup choice = new ToggleGroup();
    private final ToggleButton toAdd;

    /// The gear of a session.
    ///
    /// @param onKind told the id of a template to look at on the bench; empty for own kinds in
    ///     general
    public GearPane(Session session, Consumer<Optional<String>> onKind) {
        this.session = session;
        getStyleClass().add("gear-pane");
        setId("gear-pane");
        tabs.getStyleClass().add("gear-tabs");
        catalogue = new CatalogueBox(session, onKind);
        cupboard = new CupboardBox(session);
        StackPane body = new StackPane();
        ToggleButton wrong = tab("Findings", "findings-tab", new VBox(10, title, findings), body);
        toAdd = tab("Add gear", "add-tab", catalogue, body);
        tab("Cupboard", "cupboard-tab", cupboard, body);
        body.getStyleClass().add("cards");
        ScrollPane scroll = Look.scroll(body);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(tabs, scroll);
        wrong.setSelected(true);
        session.remedies()
                .addListener(
                        (MapChangeListener<String, Cures>)
                                change -> {
                                    VBox box = remedies.get(change.getKey());
                                    if (box != null && change.wasAdded())
                                        fill(box, change.getValueAdded());
                                });
        session.draws(this);
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(RigStage.ID);
    }

    @Override
    public Function<Picture, Picture> drawing() {
        return picture -> picture;
    }

    @Override
    public void clear() {
        findings.getChildren().clear();
        remedies.clear();
        shown = null;
        title.setText("");
    }

    private ToggleButton tab(String words, String id, Node content, StackPane body) {
        ToggleButton button = new ToggleButton(words);
        button.setId(id);
        button.getStyleClass().setAll("pane-tab");
        button.setToggleGroup(choice);
        button.setOnAction(_ -> button.setSelected(true));
        button.selectedProperty().addListener((_, _, chosen) -> Look.show(content, chosen));
        Look.show(content, false);
        StackPane.setAlignment(content, Pos.TOP_LEFT);
        body.getChildren().add(content);
        tabs.getChildren().add(button);
        return button;
    }

    /// Turns to the catalogue, with the keyboard in its search.
    public void search() {
        toAdd.setSelected(true);
        catalogue.search();
    }

    @Override
    public void show(Picture picture) {
        cupboard.fill(picture);
        if (picture.proof() == shown) return;
        clear();
        shown = picture.proof();
        List<Finding> wrong = picture.proof().ofTheRig();
        title.setText(wrong.isEmpty() ? "Nothing wrong with the gear" : "Findings in the rig");
        for (Finding finding : wrong) findings.getChildren().add(card(finding));
    }

    private VBox card(Finding finding) {
        VBox box = new VBox();
        box.getStyleClass().addAll("card", "rig-finding", finding.severity().word());
        HBox tag =
                new HBox(
                        6,
                        Marks.of(finding.severity()),
                        Look.text(finding.severity().word(), "severity-word"));
        tag.getStyleClass().add("tag");
        box.getChildren().addAll(tag, Look.paragraph(finding.sentence(), "cause"));
        VBox fixes = new VBox(4);
        remedies.put(finding.id(), fixes);
        Cures found = session.remedies().get(finding.id());
        if (found != null) fill(fixes, found);
        box.getChildren()
                .addAll(
                        fixes,
                        new SilenceBox(
                                finding.sentence(),
                                reason -> session.silence(List.of(finding.id()), reason)));
        return box;
    }

    private void fill(VBox box, Cures found) {
        box.getChildren().clear();
        for (Remedy remedy : found.all()) {
            Button button = new Button();
            VBox words = new VBox(2, Look.block(remedy.sentence(), WIDTH, "order"));
            for (String loss : remedy.losses())
                words.getChildren().add(Look.block("Takes out " + loss + ".", WIDTH, "effect"));
            button.setGraphic(words);
            button.getStyleClass().addAll("cure", "rig-fix");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setAccessibleText(
                    "Remedy: %s %s"
                            .formatted(
                                    remedy.sentence(),
                                    remedy.losses().isEmpty()
                                            ? ""
                                            : "Takes out " + Words.list(remedy.losses()) + "."));
            button.setOnAction(_ -> session.take(remedy));
            box.getChildren().add(button);
        }
        if (found.mayBeBettered() && !found.isSoFar())
            box.getChildren()
                    .add(Look.paragraph(found.words() + " Ctrl Shift Enter searches on.", "soft"));
    }
}
