package rivulus.app.mixes;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import javafx.scene.text.TextBoundsType;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.chart.Course;
import rivulus.chart.CourseLayout;
import rivulus.check.Verdict;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.words.Words;

/// What reaches the chosen ear, or where the chosen source goes, as ribbons through places and
/// machines.
final class Watercourse extends Pane {
    private static final double LEFT = 4;
    private static final double MOUTH = 122;
    private static final double EARS = 140;
    private static final double TWO_LINES = 44;
    /// A label stays so far inside its bed, both sides together.
    private static final double MARGIN = 8;

    private final Consumer<String> onDevice;
    private final Consumer<String> onSource;
    private final Consumer<String> onEar;
    private Sight sight;
    private boolean moves = true;
    private boolean delta;
    private Map<String, double[]> lay = new HashMap<>();

    /// @param onDevice told a device whose bed is clicked
    /// @param onSource told a source whose name is clicked
    /// @param onEar told an ear whose name is clicked
    Watercourse(Consumer<String> onDevice, Consumer<String> onSource, Consumer<String> onEar) {
        this.onEar = onEar;
        this.onDevice = onDevice;
        this.onSource = onSource;
        getStyleClass().add("watercourse");
        setId("watercourse");
        setMinSize(0, 0);
        widthProperty().addListener((_, _, _) -> draw(false));
        heightProperty().addListener((_, _, _) -> draw(false));
    }

    /// Shows what was drawn up.
    ///
    /// @param move whether ribbons may run to their new beds
    void show(Sight newSight, boolean move) {
        boolean sameView =
                sight != null
                        && newSight != null
                        && sight.picture()
                                .scene()
                                .scene()
                                .id()
                                .equals(newSight.picture().scene().scene().id())
                        && sight.picture().ear() == newSight.picture().ear()
                        && sight.picture().source() == newSight.picture().source();
        sight = newSight;
        setMinHeight(sight == null ? 0 : CourseLayout.leastHeight(sight.course()));
        draw(move && sameView);
    }

    private void draw(boolean move) {
        moves = move;
        getChildren().clear();
        Map<String, double[]> before = lay;
        lay = new HashMap<>();
        if (sight == null || getWidth() < 100 || getHeight() < 60) return;
        Course course = sight.course();
        delta = course.shape() == Course.Shape.FROM_SOURCE;
        CourseLayout layout =
                CourseLayout.of(course, getWidth() - LEFT - (delta ? EARS : MOUTH), getHeight());
        for (int bed = 0; bed < course.beds().size(); bed++)
            drawBed(course.beds().get(bed), layout.box(bed));
        if (!delta && !course.ribbons().isEmpty()) drawMouth();
        for (int r = 0; r < course.ribbons().size(); r++) drawRibbon(course, layout, r, before);
        for (Course.Eddy eddy : course.eddies()) drawEddy(eddy, layout.box(eddy.bed()));
        setAccessibleText(inWords());
    }

    private String inWords() {
        StringBuilder words = new StringBuilder();
        for (Course.Ribbon ribbon : sight.course().ribbons()) {
            words.append(Sources.name(show(), ribbon.source())).append(", ");
            if (ribbon.broken().isPresent())
                words.append("missing: ").append(ribbon.broken().get().why());
            else
                words.append(Words.db(ribbon.levelDb()))
                        .append(" after ")
                        .append(Words.ms(ribbon.ms()));
            words.append(". ");
        }
        return words.toString();
    }

    private Show show() {
        return sight.picture().show();
    }

    private void drawBed(Course.Bed bed, CourseLayout.Box box) {
        Region ground = new Region();
        ground.getStyleClass().add("bed");
        ground.setManaged(false);
        ground.resizeRelocate(LEFT + box.x(), box.y(), box.width(), box.height());
        Text title = text(bed.title(), "bed-title");
        title.setX(LEFT + box.x() + MARGIN / 2);
        title.setY(box.y() + 15);
        if (!bed.device().isEmpty()) {
            ground.getStyleClass().add("machine");
            onClick(ground, () -> onDevice.accept(bed.device()));
            onClick(title, () -> onDevice.accept(bed.device()));
        }
        getChildren().addAll(ground, title);
        if (box.height() < TWO_LINES) fit(title, box.width() - MARGIN, 0);
        Look.wrap(title, box.width() - MARGIN);
    }

    private static void onClick(Node node, Runnable then) {
        node.setCursor(Cursor.HAND);
        node.setOnMouseClicked(
                event -> {
                    if (event.getButton() == MouseButton.PRIMARY) then.run();
                });
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
        Region mouth = new Region();
        mouth.getStyleClass().add("mouth");
        mouth.setManaged(false);
        mouth.resizeRelocate(mouthX(), 8, 4, getHeight() - 16);
        getChildren().add(mouth);
    }

    private void drawRibbon(
            Course course, CourseLayout layout, int r, Map<String, double[]> before) {
        Course.Ribbon ribbon = course.ribbons().get(r);
        List<CourseLayout.Point> points = layout.points(r);
        boolean dry = ribbon.broken().isPresent();
        double thick = thickness(ribbon);
        double[] path = path(points, dry);
        String key = ribbon.source() + "/" + ribbon.ear() + "/" + r;
        lay.put(key, path);
        Ribbon drawn = strand(path, thick, ribbon, style(ribbon.flow()));
        if (moves && before.containsKey(key)) drawn.runFrom(before.get(key));
        if (ribbon.flow() == Verdict.Flow.DOUBLED)
            strand(path, thick / 4, ribbon, "gap-between-strands");
        if (dry) strand(path, thick - 3, ribbon, "between-dry-banks");
        if (!delta) labels(course, layout, r, points);
        CourseLayout.Point end = points.get(lastInBed(points));
        if (!dry) drawLetter(ribbon, LEFT + points.getFirst().x(), points.getFirst().y());
        if (delta) drawEar(ribbon, LEFT + points.getLast().x(), end.y());
        if (dry) drawBreak(ribbon, LEFT + end.x(), end.y());
        else if (!delta) drawFigures(ribbon, LEFT + end.x(), end.y(), thick);
    }

    /// Hues are used again beyond eight sources; a letter on the ribbon tells those apart.
    private void drawLetter(Course.Ribbon ribbon, double x, double y) {
        String letter = Sources.letter(show(), ribbon.source());
        if (letter.isEmpty()) return;
        Text mark = text(letter, "ribbon-letter");
        mark.setTextOrigin(VPos.CENTER);
        mark.setX(x + 6);
        mark.setY(y);
        mark.setMouseTransparent(true);
        getChildren().add(mark);
    }

    private Ribbon strand(double[] path, double thick, Course.Ribbon ribbon, String style) {
        Ribbon strand = new Ribbon(path);
        strand.getStyleClass().addAll("ribbon", style, Sources.hue(show(), ribbon.source()));
        strand.setStrokeWidth(thick);
        strand.setMouseTransparent(true);
        getChildren().add(strand);
        return strand;
    }

    /// The points a ribbon runs through: a dry one up to where it breaks, the others on to the
    /// mouth.
    private double[] path(List<CourseLayout.Point> points, boolean dry) {
        int count = dry ? lastInBed(points) + 1 : points.size();
        double[] path = new double[2 * count + (dry ? 0 : 4)];
        for (int i = 0; i < count; i++) {
            path[2 * i] = LEFT + points.get(i).x();
            path[2 * i + 1] = points.get(i).y();
        }
        if (!dry) {
            double end = LEFT + points.getLast().x();
            path[2 * count] = end + 1;
            path[2 * count + 1] = points.getLast().y();
            path[2 * count + 2] = delta ? end + 14 : mouthX();
            path[2 * count + 3] = points.getLast().y();
        }
        return path;
    }

    private static int lastInBed(List<CourseLayout.Point> points) {
        int last = points.size() - 1;
        while (points.get(last).bed() < 0) last--;
        return last;
    }

    private static String style(Verdict.Flow flow) {
        return flow.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /// The port by which a ribbon passes each bed, told once where several pass one below the other
    /// by the same; at its beginning what it is.
    private void labels(
            Course course, CourseLayout layout, int r, List<CourseLayout.Point> points) {
        Course.Ribbon ribbon = course.ribbons().get(r);
        double thick = thickness(ribbon);
        int pass = 0;
        for (int i = 0; i + 1 < points.size(); i += 2) {
            if (points.get(i).bed() < 0) continue;
            boolean first = pass == 0;
            Course.Pass here = ribbon.passes().get(pass++);
            String label = here.label();
            String name = Sources.name(show(), ribbon.source());
            boolean told = isToldAbove(course, layout, here, points.get(i).y());
            if (first) label = label.isEmpty() || told ? name : name + " · " + label;
            else if (told) continue;
            double room = points.get(i + 1).x() - points.get(i).x() - MARGIN;
            if (label.isEmpty() || layout.laneHeight() < 22) continue;
            Text text = text(label, "pass-label", first ? "source-name" : "point-name");
            text.setTextOrigin(VPos.BOTTOM);
            text.setX(LEFT + points.get(i).x() + 5);
            text.setY(points.get(i).y() - thick / 2 - 1);
            if (first) onClick(text, () -> onSource.accept(ribbon.source()));
            else text.setMouseTransparent(true);
            getChildren().add(text);
            boolean whole = fit(text, room, layout.laneHeight() - thick - 2);
            if (!whole && !first) getChildren().remove(text);
            if (whole && text.getWrappingWidth() > 0) text.setY(points.get(i).y() - thick / 2 - 1);
        }
    }

    private static double thickness(Course.Ribbon ribbon) {
        return ribbon.broken().isPresent() ? 11 : CourseLayout.thickness(ribbon.levelDb());
    }

    /// Whether the ribbon next above in a bed passes it by the same port.
    private static boolean isToldAbove(
            Course course, CourseLayout layout, Course.Pass pass, double y) {
        String above = "";
        double nearest = Double.NEGATIVE_INFINITY;
        for (int r = 0; r < course.ribbons().size(); r++) {
            List<Course.Pass> passes = course.ribbons().get(r).passes();
            for (int p = 0; p < passes.size(); p++) {
                if (passes.get(p).bed() != pass.bed()) continue;
                double at = yIn(layout.points(r), pass.bed());
                if (at >= y || at <= nearest) continue;
                nearest = at;
                above = passes.get(p).label();
            }
        }
        return !pass.label().isEmpty() && above.equals(pass.label());
    }

    private static double yIn(List<CourseLayout.Point> points, int bed) {
        return points.stream()
                .filter(point -> point.bed() == bed)
                .mapToDouble(CourseLayout.Point::y)
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /// As much of a text as has room, measured: all of it, in two lines where they have room, its
    /// first part, or what fits.
    ///
    /// @param height how high it may be
    /// @return whether no word of it had to be cut
    private static boolean fit(Text text, double room, double height) {
        String label = text.getText();
        text.applyCss();
        if (width(text) <= room) return true;
        double line = text.getLayoutBounds().getHeight();
        boolean wordsFit = Stream.of(label.split(" ")).allMatch(word -> width(text, word) <= room);
        text.setText(label);
        if (wordsFit) {
            Look.wrap(text, room);
            if (text.getLayoutBounds().getHeight() <= Math.min(height, 2.2 * line)) return true;
            text.setWrappingWidth(0);
        }
        for (String joint : new String[] {" → ", " · "}) {
            int end = label.indexOf(joint);
            if (end > 0 && width(text, label.substring(0, end)) <= room) return true;
        }
        int least = 0;
        int most = label.length();
        while (least < most) {
            int middle = (least + most + 1) / 2;
            if (width(text, cut(label, middle)) <= room) least = middle;
            else most = middle - 1;
        }
        text.setText(cut(label, Math.max(1, least)));
        return false;
    }

    private static String cut(String label, int letters) {
        return label.substring(0, letters).strip() + "…";
    }

    private static double width(Text text, String words) {
        text.setText(words);
        return width(text);
    }

    private static double width(Text text) {
        return text.getLayoutBounds().getWidth();
    }

    private void drawFigures(Course.Ribbon ribbon, double x, double y, double thick) {
        String figures = Words.ms(ribbon.ms()) + "  " + Words.db(ribbon.levelDb());
        Text figure = text(figures, "sounding");
        figure.setTextOrigin(VPos.BOTTOM);
        figure.setX(x + 18);
        figure.setY(y - thick / 2 - 1);
        getChildren().add(figure);
    }

    /// Where a delta comes to an ear: its name, and what it hears of the source.
    private void drawEar(Course.Ribbon ribbon, double x, double y) {
        String name = show().ear(ribbon.ear()).map(Ear::name).orElse("");
        Text ear = text(name, "source-name", "pass-label");
        ear.setTextOrigin(VPos.BOTTOM);
        ear.setX(x + 22);
        ear.setY(y);
        onClick(ear, () -> onEar.accept(ribbon.ear()));
        getChildren().add(ear);
        if (ribbon.broken().isPresent()) return;
        String figures = Words.ms(ribbon.ms()) + "  " + Words.db(ribbon.levelDb());
        Text figure = text(figures, "sounding");
        figure.setTextOrigin(VPos.TOP);
        figure.setX(x + 22);
        figure.setY(y);
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

    private void drawEddy(Course.Eddy eddy, CourseLayout.Box box) {
        SVGPath spiral = Look.mark("M10 10 a2 2 0 1 1 2 2 a4 4 0 1 1 -4 -4 a6 6 0 1 1 6 6", "eddy");
        spiral.relocate(LEFT + box.x() + 6, box.y() + box.height() - 22);
        String words = eddy.marginDb() > 0 ? Words.db(eddy.marginDb()) + " to spare" : "howls";
        Text margin = text(words, "break-why");
        margin.setX(LEFT + box.x() + 26);
        margin.setY(box.y() + box.height() - 8);
        getChildren().addAll(spiral, margin);
    }
}
