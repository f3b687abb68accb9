package rivulus.app.mixes;

import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.QuadCurve;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.look.Sources;
import rivulus.chart.Ruler;
import rivulus.hearing.Doubling;
import rivulus.show.Show;
import rivulus.words.Words;

/// The arrivals of the chosen ear: each source's first one on the left-hand line, whatever follows
/// on a log axis, over bands that say what such a gap does.
final class ArrivalRuler extends Pane {
    private static final double NAMES = 150;
    private static final double RIGHT = 16;
    private static final double HEAD = 22;
    private static final double FOOT = 18;
    private static final double DROP_WIDTH = 10;
    private static final double STEP = 20;
    private static final int FEWEST_ROWS = 3;
    private static final double TALLEST = 196;

    /// As tall as so many rows need.
    static double tall(int rows) {
        return Math.min(TALLEST, HEAD + FOOT + 16 + STEP * Math.max(FEWEST_ROWS, rows));
    }

    private final Consumer<String> onSource;
    private Sight sight;

    /// @param onSource told a source whose name is clicked
    ArrivalRuler(Consumer<String> onSource) {
        this.onSource = onSource;
        getStyleClass().add("ruler");
        setId("ruler");
        setMinSize(0, 0);
        widthProperty().addListener((_, _, _) -> draw());
        heightProperty().addListener((_, _, _) -> draw());
    }

    /// Shows what was drawn up.
    void show(Sight newSight) {
        sight = newSight;
        draw();
    }

    private void draw() {
        getChildren().clear();
        if (sight == null || getWidth() < 200 || getHeight() < 50) return;
        double from = Ruler.LEAST_MS;
        for (Doubling.Effect effect : Doubling.Effect.values()) {
            double to = Math.min(effect.underMs(), Ruler.MOST_MS);
            drawBand(effect, from, to);
            from = to;
        }
        for (double ms : new double[] {1, 3, 10, 30, 50, 100, 300, 1000}) drawTick(ms);
        Line first = new Line(NAMES, HEAD - 4, NAMES, getHeight() - FOOT);
        first.getStyleClass().add("first-line");
        getChildren().add(first);
        int rows = sight.ruler().rows().size();
        double step = Math.min(STEP, (getHeight() - HEAD - FOOT - 4) / Math.max(1, rows));
        for (int r = 0; r < rows; r++)
            drawRow(sight.ruler().rows().get(r), HEAD + step * (r + 0.5), step);
    }

    private String inWords() {
        StringBuilder words = new StringBuilder();
        for (Ruler.Row row : sight.ruler().rows()) {
            words.append(Sources.name(sight.picture().show(), row.source()));
            words.append(" after ").append(Words.ms(row.firstMs()));
            if (row.isDoubled())
                words.append(", again ")
                        .append(Words.ms(row.drops().getLast().gapMs()))
                        .append(" later");
            words.append(". ");
        }
        return words.toString();
    }

    private double x(double gapMs) {
        double start = NAMES + 26;
        return gapMs <= 0 ? NAMES : start + Ruler.position(gapMs) * (getWidth() - start - RIGHT);
    }

    private void drawBand(Doubling.Effect effect, double fromMs, double toMs) {
        Region band = new Region();
        band.getStyleClass()
                .addAll("effect-band", effect.name().toLowerCase(java.util.Locale.ROOT));
        band.setManaged(false);
        band.resizeRelocate(
                x(fromMs), HEAD - 4, x(toMs) - x(fromMs), getHeight() - HEAD - FOOT + 4);
        Text name =
                text(
                        switch (effect) {
                            case SHIFTS -> "shifts";
                            case COLOURS -> "fuses, colours";
                            case SLAPS -> "slaps";
                            case ECHOES -> "echoes";
                        },
                        "effect-name");
        name.setX(x(fromMs) + 5);
        name.setY(HEAD - 9);
        getChildren().addAll(band, name);
    }

    private void drawTick(double ms) {
        Text tick = text(Words.ms(ms), "tick");
        tick.setX(x(ms) - tick.getLayoutBounds().getWidth() / 2);
        tick.setY(getHeight() - 4);
        Line line = new Line(x(ms), getHeight() - FOOT, x(ms), getHeight() - FOOT + 4);
        line.getStyleClass().add("tick-line");
        getChildren().addAll(line, tick);
    }

    private void drawRow(Ruler.Row row, double y, double step) {
        Show show = sight.picture().show();
        Text name = text(Sources.name(show, row.source()), "row-name");
        name.setTextOrigin(VPos.CENTER);
        name.setX(8);
        name.setY(y);
        name.setCursor(Cursor.HAND);
        name.setOnMouseClicked(_ -> onSource.accept(row.source()));
        Text first = text(row.own() ? "in the head" : Words.ms(row.firstMs()), "row-first");
        first.setTextOrigin(VPos.CENTER);
        first.setX(NAMES - 12 - first.getLayoutBounds().getWidth());
        first.setY(y);
        getChildren().addAll(name, first);
        double scale = Math.min(1, step / 16);
        for (int d = 0; d < row.drops().size(); d++) {
            Ruler.Drop drop = row.drops().get(d);
            boolean inHead = row.own() && d == 0;
            if (d > 0) drawArc(row, drop, y, step);
            SVGPath shape =
                    Look.mark(
                            Marks.DROP,
                            inHead ? "head-drop" : "drop",
                            Sources.hue(show, row.source()));
            double size = inHead ? scale : scale * Math.clamp(1 + drop.levelDb() / 40, 0.45, 1.1);
            shape.setScaleX(size);
            shape.setScaleY(size);
            shape.relocate(x(drop.gapMs()) - DROP_WIDTH / 2, y - 7);
            getChildren().add(shape);
            if (d > 0 && !row.verdict().isGood()) drawGap(drop, y);
        }
    }

    private void drawArc(Ruler.Row row, Ruler.Drop drop, double y, double step) {
        if (!row.isDoubled()) return;
        QuadCurve arc = new QuadCurve();
        arc.setStartX(NAMES);
        arc.setStartY(y + 2);
        arc.setEndX(x(drop.gapMs()));
        arc.setEndY(y + 2);
        arc.setControlX((NAMES + x(drop.gapMs())) / 2);
        arc.setControlY(y - step * 0.9);
        arc.getStyleClass().addAll("arc", Sources.hue(sight.picture().show(), row.source()));
        getChildren().add(arc);
    }

    private void drawGap(Ruler.Drop drop, double y) {
        Text gap = text(Words.ms(drop.gapMs()) + " later", "gap");
        gap.setTextOrigin(VPos.CENTER);
        double at = x(drop.gapMs()) + 10;
        boolean fits = at + gap.getLayoutBounds().getWidth() < getWidth();
        gap.setX(fits ? at : x(drop.gapMs()) - 12 - gap.getLayoutBounds().getWidth());
        gap.setY(y);
        getChildren().add(gap);
    }

    private static Text text(String words, String... classes) {
        Text text = new Text(words);
        text.getStyleClass().addAll(classes);
        return text;
    }
}
