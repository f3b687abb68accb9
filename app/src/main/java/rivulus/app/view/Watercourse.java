package rivulus.app.view;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import javafx.scene.text.TextBoundsType;
import rivulus.app.session.Picture;
import rivulus.chart.Course;
import rivulus.chart.CourseLayout;
import rivulus.show.Show;
import rivulus.words.Words;

/// What reaches the chosen ear, or where the chosen source goes, as ribbons through places and
/// machines.
public final class Watercourse extends Pane {
    private static final double LEFT = 4;
    private static final double MOUTH = 122;

    private Picture picture;

    /// An empty watercourse.
    public Watercourse() {
        getStyleClass().add("watercourse");
        setId("watercourse");
        setMinSize(0, 0);
        widthProperty().addListener((_, _, _) -> draw());
        heightProperty().addListener((_, _, _) -> draw());
    }

    /// Shows a picture.
    public void show(Picture newPicture) {
        picture = newPicture;
        draw();
    }

    private void draw() {
        getChildren().clear();
        if (picture == null || getWidth() < 100 || getHeight() < 60) return;
        Course course = picture.course();
        CourseLayout layout = CourseLayout.of(course, getWidth() - LEFT - MOUTH, getHeight());
        for (int bed = 0; bed < course.beds().size(); bed++)
            drawBed(course.beds().get(bed), layout.box(bed));
        drawMouth();
        for (int r = 0; r < course.ribbons().size(); r++) drawRibbon(course, layout, r);
        setAccessibleText(inWords());
    }

    private String inWords() {
        StringBuilder words = new StringBuilder();
        for (Course.Ribbon ribbon : picture.course().ribbons()) {
            words.append(Sources.name(show(), ribbon.source())).append(", ");
            words.append(
                    ribbon.broken().isPresent()
                            ? "missing: " + ribbon.broken().get().why()
                            : Words.db(ribbon.levelDb()) + " after " + Words.ms(ribbon.ms()));
            words.append(". ");
        }
        return words.toString();
    }

    private Show show() {
        return picture.proof().show();
    }

    private void drawBed(Course.Bed bed, CourseLayout.Box box) {
        Region ground = new Region();
        ground.getStyleClass().add("bed");
        ground.setManaged(false);
        ground.resizeRelocate(LEFT + box.x(), box.y(), box.width(), box.height());
        Text title = text(bed.title(), "bed-title");
        title.setWrappingWidth(box.width() - 8);
        title.setX(LEFT + box.x() + 4);
        title.setY(box.y() + 15);
        getChildren().addAll(ground, title);
    }

    private static Text text(String words, String... classes) {
        Text text = new Text(words);
        text.getStyleClass().addAll(classes);
        text.setBoundsType(TextBoundsType.LOGICAL);
        return text;
    }

    private double mouthX() {
        return getWidth() - 14;
    }

    /// The ear's end of the water: a lantern-coloured bar that the ribbons run into.
    private void drawMouth() {
        if (!picture.source().isEmpty()) return;
        Region mouth = new Region();
        mouth.getStyleClass().add("mouth");
        mouth.setManaged(false);
        mouth.resizeRelocate(mouthX(), 8, 4, getHeight() - 16);
        getChildren().add(mouth);
    }

    private void drawRibbon(Course course, CourseLayout layout, int r) {
        Course.Ribbon ribbon = course.ribbons().get(r);
        List<CourseLayout.Point> points = layout.points(r);
        boolean dry = ribbon.broken().isPresent();
        double thick = dry ? 9 : CourseLayout.thickness(ribbon.levelDb());
        Path path = new Path();
        path.getStyleClass()
                .addAll("ribbon", style(ribbon.state()), Sources.hue(show(), ribbon.source()));
        path.setStrokeWidth(thick);
        CourseLayout.Point at = points.getFirst();
        path.getElements().add(new MoveTo(LEFT + at.x(), at.y()));
        for (int i = 1; i < points.size(); i++) {
            CourseLayout.Point to = points.get(i);
            boolean insideBed = i % 2 == 1;
            if (insideBed) path.getElements().add(new LineTo(LEFT + to.x(), to.y()));
            else path.getElements().add(bend(at.x() + LEFT, at.y(), to.x() + LEFT, to.y()));
            at = to;
        }
        if (!dry) {
            path.getElements().add(new LineTo(mouthX(), at.y()));
        }
        getChildren().add(path);
        labels(course, layout, ribbon, points, thick);
        if (dry) drawBreak(ribbon, LEFT + at.x(), at.y());
        else drawFigures(ribbon, LEFT + at.x(), at.y(), thick);
    }

    private static CubicCurveTo bend(double x0, double y0, double x1, double y1) {
        double middle = (x0 + x1) / 2;
        return new CubicCurveTo(middle, y0, middle, y1, x1, y1);
    }

    private static String style(Course.State state) {
        return switch (state) {
            case AS_WISHED -> "as-wished";
            case ALLOWED -> "allowed";
            case FAINT -> "faint";
            case LATE -> "late";
            case DOUBLED -> "doubled";
            case LEAK -> "leak";
            case MISSING -> "missing";
        };
    }

    private void labels(
            Course course,
            CourseLayout layout,
            Course.Ribbon ribbon,
            List<CourseLayout.Point> points,
            double thick) {
        int pass = 0;
        for (int i = 0; i + 1 < points.size(); i += 2) {
            if (points.get(i).bed() < 0) continue;
            String label = ribbon.passes().get(pass).label();
            if (pass == 0) {
                String name = Sources.name(show(), ribbon.source());
                label = label.isEmpty() ? name : name + " · " + label;
            }
            double room = points.get(i + 1).x() - points.get(i).x() - 6;
            if (!label.isEmpty() && layout.laneHeight() >= 22) {
                Text text =
                        text(
                                fit(label, room),
                                "pass-label",
                                pass == 0 ? "source-name" : "point-name");
                text.setTextOrigin(VPos.BOTTOM);
                text.setX(LEFT + points.get(i).x() + 5);
                text.setY(points.get(i).y() - thick / 2 - 1);
                getChildren().add(text);
            }
            pass++;
        }
    }

    /// As much of a label as has room, by the average width of a letter: all of it, its first part,
    /// or what fits.
    private static String fit(String label, double room) {
        int letters = (int) (room / 5.6);
        if (label.length() <= letters) return label;
        int arrow = Math.max(label.indexOf(" → "), label.indexOf(" · "));
        String first = arrow > 0 ? label.substring(0, arrow) : label;
        return first.length() <= letters
                ? first
                : first.substring(0, Math.max(1, letters - 1)).strip() + "…";
    }

    private void drawFigures(Course.Ribbon ribbon, double x, double y, double thick) {
        Text figure = text(Words.ms(ribbon.ms()) + "  " + Words.db(ribbon.levelDb()), "sounding");
        figure.setTextOrigin(VPos.BOTTOM);
        figure.setX(x + 18);
        figure.setY(y - thick / 2 - 1);
        getChildren().add(figure);
    }

    private void drawBreak(Course.Ribbon ribbon, double x, double y) {
        SVGPath cross = Look.mark("M0 0 L8 8 M8 0 L0 8", "break-mark");
        cross.relocate(x + 4, y - 4);
        Text why = text(ribbon.broken().orElseThrow().why(), "break-why");
        why.setTextOrigin(VPos.CENTER);
        why.setX(x + 18);
        why.setY(y);
        getChildren().addAll(cross, why);
    }
}
