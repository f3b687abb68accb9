package rivulus.app.view;

import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.show.Ear;

/// The whole window: rail on the left, stage in the middle, findings on the right.
public final class Workspace extends BorderPane {
    /// The workspace of a session.
    public Workspace(Session session) {
        getStyleClass().add("workspace");
        EarRail rail = new EarRail(session);
        Watercourse course = new Watercourse();
        ArrivalRuler ruler = new ArrivalRuler();
        Label heading = Look.text("", "stage-title");
        Label resting = Look.paragraph("", "resting");
        VBox stage =
                new VBox(heading, course, resting, Look.text("Arrivals", "stage-subtitle"), ruler);
        stage.getStyleClass().add("stage");
        VBox.setVgrow(course, Priority.ALWAYS);
        ruler.setPrefHeight(196);
        ruler.setMinHeight(196);
        setTop(new TopBar(session));
        setLeft(rail);
        setCenter(stage);
        setRight(new FindingsPane(session));
        setBottom(new BottomBar(session));
        session.picture()
                .addListener(
                        (_, _, picture) -> {
                            course.show(picture);
                            ruler.show(picture);
                            heading.setText(heading(picture));
                            resting.setText(resting(picture));
                        });
    }

    private static String heading(Picture picture) {
        if (picture == null || picture.ear() == null) return "";
        Ear ear = picture.ear();
        return "What reaches " + rivulus.check.Names.of(ear);
    }

    private static String resting(Picture picture) {
        if (picture == null || picture.course().resting().isEmpty()) return "";
        return "Not heard: "
                + String.join(
                        ", ",
                        picture.course().resting().stream()
                                .map(
                                        r ->
                                                Sources.name(picture.proof().show(), r.source())
                                                        + (r.why().isEmpty()
                                                                ? ""
                                                                : " (" + r.why() + ")"))
                                .toList());
    }
}
