package rivulus.app.mixes;

import java.nio.file.Path;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
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

    private final Session session;
    private final FindingsPane findings;
    private final Label heading = Look.text("", "stage-title");
    private final Button back = new Button();
    private final Watercourse course;
    private final ArrivalRuler ruler;
    private final Label resting = Look.paragraph("", "resting");
    private final VBox drawing = new VBox();
    private final Label arrivals = Look.text("Arrivals", "stage-subtitle");

    /// The stage of a session.
    ///
    /// @param plan turns to where a show is said
    /// @param open asks for a show to open
    /// @param recent opens a file
    /// @param example opens one of the evenings, by name
    /// @param afterwards where the keyboard goes once a remedy is taken
    public MixesStage(
            Session session,
            Runnable plan,
            Runnable open,
            Consumer<Path> recent,
            Consumer<String> example,
            Runnable afterwards) {
        StartPage.Wanted wanted = new StartPage.Wanted(plan, open, recent, example);
        this.session = session;
        findings = new FindingsPane(session, afterwards);
        course = new Watercourse(session.device()::set, this::follow, this::listen);
        ruler = new ArrivalRuler(this::follow);
        back.setId("back-to-ear");
        back.getStyleClass().add("back");
        back.setOnAction(_ -> session.source().set(""));
        HBox head = new HBox(12, heading, back);
        head.setAlignment(Pos.BASELINE_LEFT);
        ScrollPane scroll = new ScrollPane(course);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.setFocusTraversable(false);
        scroll.setMinHeight(120);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        drawing.getStyleClass().add("stage");
        drawing.getChildren().addAll(head, scroll, resting, arrivals, ruler);
        getChildren().addAll(drawing, new StartPage(session, wanted));
        session.draws(this);
        clear();
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Mixes";
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
