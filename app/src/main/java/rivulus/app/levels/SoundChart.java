package rivulus.app.levels;

import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import rivulus.chart.SoundPicture;

/// A track over time: a stream between its banks. Peaks are its spray, the line its loudness, the
/// band where it should run; a wedge at the top marks where it clipped, a gap where it fell silent,
/// a dashed line how loud it hums.
final class SoundChart extends Pane {
    private static final double TALL = 56;

    private final SoundPicture picture;
    private final String hue;

    SoundChart(SoundPicture picture, String hue) {
        this.picture = picture;
        this.hue = hue;
        getStyleClass().add("sound-chart");
        setMinSize(0, TALL);
        setPrefHeight(TALL);
        setMaxHeight(TALL);
        setAccessibleRole(AccessibleRole.TEXT);
        setAccessibleText(picture.words());
        widthProperty().addListener((_, _, _) -> draw());
    }

    private double y(double part) {
        return TALL * (1 - part);
    }

    private void draw() {
        getChildren().clear();
        double wide = getWidth();
        if (wide < 40) return;
        Region band = new Region();
        band.getStyleClass().add("sound-band");
        band.setManaged(false);
        band.resizeRelocate(
                0, y(picture.bandHigh()), wide, y(picture.bandLow()) - y(picture.bandHigh()));
        getChildren().add(band);
        for (SoundPicture.Mark mark : picture.marks())
            if (mark.kind() == SoundPicture.Mark.Kind.SILENT) silent(mark, wide);
        float[] peaks = picture.peaks();
        Polygon spray = new Polygon();
        spray.getStyleClass().addAll("sound-peaks", hue);
        spray.getPoints().addAll(0.0, TALL);
        for (int i = 0; i < peaks.length; i++)
            spray.getPoints().addAll(x(i, peaks, wide), y(peaks[i]));
        spray.getPoints().addAll(wide, TALL);
        float[] curve = picture.curve();
        double from = picture.curveFrom() * wide;
        Polyline line = new Polyline();
        line.getStyleClass().addAll("sound-line", hue);
        for (int i = 0; i < curve.length; i++)
            line.getPoints().addAll(from + x(i, curve, wide - 2 * from), y(curve[i]));
        getChildren().addAll(spray, line);
        if (picture.hum() > 0) {
            Line hum = new Line(0, y(picture.hum()), wide, y(picture.hum()));
            hum.getStyleClass().add("sound-hum");
            getChildren().add(hum);
        }
        for (SoundPicture.Mark mark : picture.marks())
            if (mark.kind() == SoundPicture.Mark.Kind.CLIPPED) {
                double x = mark.from() * wide;
                Polygon wedge = new Polygon(x - 4, 0, x + 4, 0, x, 8);
                wedge.getStyleClass().add("sound-clip");
                getChildren().add(wedge);
            }
    }

    private static double x(int point, float[] of, double wide) {
        return of.length < 2 ? 0 : wide * point / (of.length - 1);
    }

    private void silent(SoundPicture.Mark mark, double wide) {
        Line gap = new Line(mark.from() * wide, TALL - 2, mark.to() * wide, TALL - 2);
        gap.getStyleClass().add("sound-silence");
        getChildren().add(gap);
    }
}
