package rivulus.app.mixes;

import javafx.geometry.Pos;
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
import rivulus.chart.Course;
import rivulus.show.Names;
import rivulus.show.Show;

/// What reaches the chosen ear, and when; or where the chosen source goes.
public final class MixesStage extends StackPane {
    private final Session session;
    private final Label heading = Look.text("", "stage-title");
    private final Button back = new Button();
    private final Watercourse course;
    private final ArrivalRuler ruler;
    private final Label resting = Look.paragraph("", "resting");
    private final VBox drawing = new VBox();
    private final VBox start = new VBox();
    private final Label arrivals = Look.text("Arrivals", "stage-subtitle");

    /// The stage of a session.
    ///
    /// @param demo opens the demo show
    /// @param open asks for a show to open
    public MixesStage(Session session, Runnable demo, Runnable open) {
        this.session = session;
        course = new Watercourse(session.device()::set, this::follow, this::listen);
        ruler = new ArrivalRuler(this::follow);
        back.setId("back-to-ear");
        back.getStyleClass().add("back");
        back.setOnAction(_ -> session.source().set(""));
        HBox head = new HBox(12, heading, back);
        head.setAlignment(Pos.BASELINE_LEFT);
        ruler.setPrefHeight(196);
        ruler.setMinHeight(196);
        ScrollPane scroll = new ScrollPane(course);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.setFocusTraversable(false);
        scroll.setMinHeight(120);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        drawing.getStyleClass().add("stage");
        drawing.getChildren().addAll(head, scroll, resting, arrivals, ruler);
        fillStart(demo, open);
        getChildren().addAll(drawing, start);
        session.picture().addListener((_, _, picture) -> show(picture));
        show(null);
    }

    private void fillStart(Runnable demo, Runnable open) {
        start.getStyleClass().add("start");
        start.visibleProperty().bind(session.show().map(show -> show.ears().isEmpty()));
        start.managedProperty().bind(start.visibleProperty());
        start.setId("start");
        start.setAlignment(Pos.CENTER);
        Button openDemo = new Button("Open the demo show");
        openDemo.setId("open-demo");
        openDemo.getStyleClass().add("first-answer");
        openDemo.setOnAction(_ -> demo.run());
        Button openFile = new Button("Open a show …");
        openFile.setOnAction(_ -> open.run());
        HBox answers = new HBox(8, openDemo, openFile);
        answers.setAlignment(Pos.CENTER);
        start.getChildren()
                .addAll(
                        Look.text("Nobody is listening yet", "stage-title"),
                        Look.paragraph(
                                "A show says who is in it, who listens, and how the gear is joined. Open one, or drop a"
                                        + " .rivulus file here.",
                                "soft"),
                        answers);
    }

    private void follow(String source) {
        session.source().set(source);
    }

    private void listen(String ear) {
        session.source().set("");
        session.ear().set(ear);
    }

    private void show(Picture picture) {
        boolean listens = picture != null && picture.ear() != null;
        Look.show(drawing, listens);
        course.show(picture, session.settings().motion().get());
        ruler.show(picture);
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
        resting.setText(resting(picture));
        Look.show(resting, !ofSource && !resting.getText().isEmpty());
    }

    private static String resting(Picture picture) {
        Show show = picture.show();
        return picture.course().resting().isEmpty()
                ? ""
                : "Not heard here: "
                        + String.join(
                                ", ",
                                picture.course().resting().stream()
                                        .map(rest -> name(show, rest))
                                        .toList());
    }

    private static String name(Show show, Course.Resting rest) {
        String name = Sources.name(show, rest.source());
        return rest.why().isEmpty() ? name : name + " (" + rest.why() + ")";
    }
}
