package rivulus.app.mixes;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;
import rivulus.chart.Course;
import rivulus.gear.Catalogue;
import rivulus.show.Names;
import rivulus.show.Show;

/// What reaches the chosen ear, and when; or where the chosen source goes. At its side, what is
/// wrong with that.
public final class MixesStage extends StackPane implements Stage, View<Sight> {
    /// By which the session knows it.
    public static final String ID = "mixes";

    /// Its name in the top bar.
    public static final String TITLE = "Mixes";

    private final Session session;
    private final FindingsPane findings;
    private final Label heading = Look.text("", "stage-title");
    private final Button back = new Button();
    private final Watercourse course;
    private final ArrivalRuler ruler;
    private final Label resting = Look.paragraph("", "resting");
    private final VBox drawing = new VBox();
    private final Label arrivals = Look.text("Arrivals", "stage-subtitle");
    private final FeedsBox feeds;
    private final List<Node> ofOneEar;
    private final BooleanProperty all = new SimpleBooleanProperty(false);
    private final ToggleButton one = new ToggleButton("One listener");
    private final ToggleButton every = new ToggleButton("Every mix");

    /// The stage of a session.
    ///
    /// @param plan turns to where a show is said
    /// @param afterwards where the keyboard goes once a remedy is taken
    public MixesStage(
            Session session, Runnable plan, Runnable afterwards, BiConsumer<String, String> fault) {
        this.session = session;
        findings = new FindingsPane(session, afterwards, fault);
        course = new Watercourse(session.device()::set, this::follow, this::listen);
        ruler = new ArrivalRuler(this::follow);
        back.setId("back-to-ear");
        back.getStyleClass().add("back");
        back.setOnAction(_ -> session.source().set(""));
        feeds = new FeedsBox(session, () -> isSeen() && all.get());
        VBox.setVgrow(feeds, Priority.ALWAYS);
        one.setId("one-listener");
        every.setId("every-mix");
        for (ToggleButton tab : List.of(one, every)) tab.getStyleClass().setAll("pane-tab");
        one.setOnAction(_ -> turn(false));
        every.setOnAction(_ -> turn(true));
        HBox tabs = new HBox(one, every);
        tabs.getStyleClass().add("layers");
        HBox head = new HBox(12, heading, back, Look.spring(), tabs);
        head.setAlignment(Pos.BASELINE_LEFT);
        ScrollPane scroll = new ScrollPane(course);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.setFocusTraversable(false);
        scroll.setMinHeight(120);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        drawing.getStyleClass().add("stage");
        ofOneEar = List.of(scroll, resting, arrivals, ruler);
        drawing.getChildren().addAll(head, scroll, resting, arrivals, ruler, feeds);
        getChildren().addAll(drawing, nobody(plan));
        session.draws(this);
        turn(false);
        clear();
    }

    /// What stands there while nobody listens.
    private VBox nobody(Runnable plan) {
        Button write = new Button("Write the evening down");
        write.setId("plan-show");
        write.getStyleClass().add("first-answer");
        write.setOnAction(_ -> plan.run());
        VBox nobody =
                new VBox(
                        12,
                        Look.text("Nobody is listening yet", "stage-title"),
                        Look.paragraph(
                                "A show says who is in it, who listens, and how the gear is joined.",
                                "soft"),
                        write);
        nobody.getStyleClass().add("start");
        nobody.visibleProperty().bind(session.show().map(show -> show.ears().isEmpty()));
        nobody.managedProperty().bind(nobody.visibleProperty());
        return nobody;
    }

    /// Turns to every mix, or to what one listener hears.
    private void turn(boolean toAll) {
        all.set(toAll);
        one.setSelected(!toAll);
        every.setSelected(toAll);
        for (Node node : ofOneEar) Look.show(node, !toAll);
        Look.show(feeds, toAll);
        session.redraw();
    }

    /// What can be asked of it.
    public static List<Command> commands(Supplier<MixesStage> stage) {
        return List.of(
                Command.of(
                        "Mixes: every mix as a sentence",
                        "Shortcut+M",
                        () -> stage.get().everyMix()),
                Command.of("Mixes: what one listener hears", "", () -> stage.get().oneListener()),
                Command.of("Write every mix from the brief", "", () -> stage.get().writeAll()));
    }

    private void writeAll() {
        everyMix();
        session.mixings().all();
    }

    private void everyMix() {
        session.stage().set(ID);
        turn(true);
        every.requestFocus();
    }

    private void oneListener() {
        session.stage().set(ID);
        turn(false);
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return findings;
    }

    /// Puts the keyboard on the first remedy, or the first finding.
    public void focusFindings() {
        findings.focusFirst();
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(ID);
    }

    @Override
    public Function<Picture, Sight> drawing() {
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> Sight.of(picture, catalogue);
    }

    @Override
    public void clear() {
        Look.show(drawing, false);
        course.show(null, false);
        ruler.show(null);
    }

    private void follow(String source) {
        session.source().set(source);
    }

    private void listen(String ear) {
        session.source().set("");
        session.ear().set(ear);
    }

    @Override
    public void show(Sight sight) {
        Picture picture = sight.picture();
        boolean listens = picture.ear() != null;
        Look.show(drawing, listens);
        double tall = ArrivalRuler.tall(sight.ruler().rows().size());
        ruler.setPrefHeight(tall);
        ruler.setMinHeight(tall);
        course.show(sight, session.settings().motion().get());
        ruler.show(sight);
        if (all.get()) {
            heading.setText("What every mix carries");
            Look.show(back, false);
            return;
        }
        if (!listens) return;
        boolean ofSource = picture.source() != null;
        boolean would = session.preview().get() != null;
        heading.setText(
                ofSource
                        ? "Where %s %s"
                                .formatted(Names.of(picture.source()), would ? "would go" : "goes")
                        : "What %s %s"
                                .formatted(
                                        would ? "would reach" : "reaches",
                                        Names.of(picture.ear())));
        back.setText("Back to " + picture.ear().name());
        Look.show(back, ofSource);
        Look.show(ruler, !ofSource);
        Look.show(arrivals, !ofSource);
        resting.setText(resting(sight));
        Look.show(resting, !ofSource && !resting.getText().isEmpty());
    }

    private static String resting(Sight sight) {
        Show show = sight.picture().show();
        return sight.course().resting().isEmpty()
                ? ""
                : "Not heard here: "
                        + String.join(
                                ", ",
                                sight.course().resting().stream()
                                        .map(rest -> name(show, rest))
                                        .toList());
    }

    private static String name(Show show, Course.Resting rest) {
        String name = Sources.name(show, rest.source());
        return rest.why().isEmpty() ? name : name + " (" + rest.why() + ")";
    }
}
