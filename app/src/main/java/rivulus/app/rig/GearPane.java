package rivulus.app.rig;

import java.util.List;
import javafx.collections.MapChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.gear.Template;
import rivulus.rig.GearSearch;
import rivulus.rig.RigFinding;
import rivulus.rig.RigFix;
import rivulus.show.Place;

/// What is wrong with the gear, and the catalogue to add from.
public final class GearPane extends VBox {
    private static final int SHOWN = 12;
    private static final double WIDTH = 228;

    private final Session session;
    private final Label title = Look.text("", "pane-title");
    private final VBox findings = new VBox(12);
    private final TextField search = new TextField();
    private final VBox found = new VBox(4);

    /// The gear of a session.
    public GearPane(Session session) {
        this.session = session;
        getStyleClass().add("gear-pane");
        setId("gear-pane");
        search.setId("gear-search");
        search.setPromptText("What do you need? two xlr in, battery");
        search.setAccessibleText("Search the catalogue by name or by what you need");
        search.textProperty().addListener((_, _, words) -> list(words));
        search.setOnAction(_ -> addFirst());
        VBox all =
                new VBox(10, title, findings, Look.text("Add gear", "pane-title"), search, found);
        all.getStyleClass().add("cards");
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        session.picture().addListener((_, _, picture) -> fill(picture));
        session.rigFixes()
                .addListener(
                        (MapChangeListener<String, List<RigFix>>)
                                _ -> fill(session.picture().get()));
        list("");
    }

    private void fill(Picture picture) {
        findings.getChildren().clear();
        if (picture == null) return;
        List<RigFinding> wrong = picture.rig().findings();
        title.setText(wrong.isEmpty() ? "Nothing wrong with the gear" : "Findings in the rig");
        for (RigFinding finding : wrong) findings.getChildren().add(card(finding));
    }

    private VBox card(RigFinding finding) {
        VBox box = new VBox();
        box.getStyleClass().addAll("card", "rig-finding", finding.severity().word());
        HBox tag =
                new HBox(
                        6,
                        Marks.of(finding.severity()),
                        Look.text(finding.severity().word(), "severity-word"));
        tag.getStyleClass().add("tag");
        box.getChildren().addAll(tag, Look.paragraph(finding.sentence(), "cause"));
        List<RigFix> fixes = session.rigFixes().get(finding.id());
        if (fixes == null) return box;
        for (RigFix fix : fixes) {
            Button button = new Button();
            button.setGraphic(Look.block(fix.sentence(), WIDTH, "order"));
            button.getStyleClass().addAll("cure", "rig-fix");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setAccessibleText("Fix: " + fix.sentence());
            button.setOnAction(
                    _ ->
                            session.edit(
                                    fix.sentence().substring(0, fix.sentence().length() - 1),
                                    fix.after()));
            box.getChildren().add(button);
        }
        return box;
    }

    private void list(String words) {
        found.getChildren().clear();
        List<Template> fitting = GearSearch.find(session.prover().catalogue(), words);
        for (Template template : fitting.stream().limit(SHOWN).toList())
            found.getChildren().add(entry(template));
        if (fitting.isEmpty())
            found.getChildren().add(Look.paragraph("No gear fits all of that.", "soft"));
        else if (fitting.size() > SHOWN)
            found.getChildren()
                    .add(
                            Look.paragraph(
                                    "and %d more; say more of what you need."
                                            .formatted(fitting.size() - SHOWN),
                                    "soft"));
    }

    private Button entry(Template template) {
        Button add = new Button();
        add.setGraphic(
                new VBox(
                        Look.block(template.name(), WIDTH, "order"),
                        Look.block(template.about(), WIDTH, "effect")));
        add.setMaxWidth(Double.MAX_VALUE);
        add.getStyleClass().addAll("device", "gear-entry");
        add.setAccessibleText("Add " + template.name());
        add.setOnAction(_ -> add(template));
        return add;
    }

    private void addFirst() {
        GearSearch.find(session.prover().catalogue(), search.getText()).stream()
                .findFirst()
                .ifPresent(this::add);
    }

    /// New gear comes to the chosen device's computer or place, else to the first place.
    private void add(Template template) {
        String where =
                template.kind().equals("program")
                        ? session.show().get().rig().devices().stream()
                                .filter(d -> isComputer(d.template()))
                                .map(d -> d.id())
                                .findFirst()
                                .orElse("")
                        : session.show().get().places().stream()
                                .map(Place::id)
                                .findFirst()
                                .orElse("");
        session.edit(session.rigEdits().add(template.id(), where));
        session.device().set(session.show().get().rig().devices().getLast().id());
    }

    private boolean isComputer(String template) {
        return session.prover().catalogue().find(template).filter(Template::isComputer).isPresent();
    }
}
