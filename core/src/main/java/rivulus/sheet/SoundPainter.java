package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.chart.SoundPicture;

/// Draws tracks over time, one under another: where the loudness should run as a band, the peaks as
/// spray, the loudness as a line in it; a wedge where it clipped, a bar under it where it fell
/// silent, a dashed line as high as it hums.
final class SoundPainter {
    static final double WIDTH = 760;
    private static final double HEAD = 16;
    private static final double TALL = 56;
    private static final double GAP = 12;
    private static final double EACH = HEAD + TALL + GAP;
    private static final double WEDGE = 4;

    private SoundPainter() {}

    static double height(List<SoundPicture> tracks) {
        return tracks.size() * EACH;
    }

    static void paint(List<SoundPicture> tracks, Canvas canvas) {
        for (int t = 0; t < tracks.size(); t++) {
            SoundPicture track = tracks.get(t);
            double top = t * EACH;
            String name = Letters.fitted(track.track().name(), WIDTH / 3, 10, true);
            canvas.words(name, 0, top + HEAD - 5, 10, true, Ink.INK);
            canvas.words(
                    Letters.fitted(track.figures(), WIDTH * 0.6, 8, false),
                    WIDTH / 3 + 12,
                    top + HEAD - 5,
                    8,
                    false,
                    Ink.SOFT);
            track(track, top + HEAD, canvas);
        }
    }

    private static void track(SoundPicture track, double top, Canvas canvas) {
        canvas.box(0, top, WIDTH, TALL, 0, Ink.NONE, Ink.EDGE);
        double high = y(top, track.bandHigh());
        canvas.box(0, high, WIDTH, y(top, track.bandLow()) - high, 0, Ink.BAND, Ink.NONE);
        spray(track.peaks(), top, canvas);
        line(track, top, canvas);
        if (track.hum() > 0) {
            double y = y(top, track.hum());
            canvas.curve(
                    new double[] {0, y, WIDTH / 3, y, WIDTH * 2 / 3, y, WIDTH, y},
                    Ink.PROBLEM,
                    1,
                    true);
        }
        for (SoundPicture.Mark mark : track.marks()) {
            double from = mark.from() * WIDTH;
            if (mark.kind() == SoundPicture.Mark.Kind.CLIPPED)
                canvas.polygon(
                        new double[] {from - WEDGE, top, from + WEDGE, top, from, top + 2 * WEDGE},
                        Ink.PROBLEM,
                        Ink.NONE);
            else
                canvas.box(
                        from,
                        top + TALL - 3,
                        (mark.to() - mark.from()) * WIDTH,
                        3,
                        0,
                        Ink.CAUTION,
                        Ink.NONE);
        }
    }

    private static void spray(float[] peaks, double top, Canvas canvas) {
        if (peaks.length < 2) return;
        double[] outline = new double[2 * peaks.length + 4];
        outline[1] = top + TALL;
        for (int i = 0; i < peaks.length; i++) {
            outline[2 * i + 2] = WIDTH * i / (peaks.length - 1);
            outline[2 * i + 3] = y(top, peaks[i]);
        }
        outline[outline.length - 2] = WIDTH;
        outline[outline.length - 1] = top + TALL;
        canvas.polygon(outline, Ink.EDGE, Ink.NONE);
    }

    private static void line(SoundPicture track, double top, Canvas canvas) {
        float[] curve = track.curve();
        double from = track.curveFrom() * WIDTH;
        double wide = WIDTH - 2 * from;
        List<double[]> at = new ArrayList<>();
        for (int i = 0; i < curve.length; i++)
            at.add(
                    new double[] {
                        from + (curve.length < 2 ? 0 : wide * i / (curve.length - 1)),
                        y(top, curve[i])
                    });
        for (int i = 1; i < at.size(); i++) {
            double[] a = at.get(i - 1);
            double[] b = at.get(i);
            canvas.curve(
                    new double[] {a[0], a[1], a[0], a[1], b[0], b[1], b[0], b[1]},
                    Ink.INK,
                    1.2,
                    false);
        }
    }

    private static double y(double top, double part) {
        return top + TALL * (1 - part);
    }
}
