package rivulus.sheet;

import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.words.Severity;

/// Paints the drawing of a rig for print: every lead in ink, boxes on white, severities by shape.
final class RigPainter {
    private static final double SIZE = 9;
    private static final double MARK = 8;

    private final RigDrawing drawing;
    private final Canvas canvas;

    private RigPainter(RigDrawing drawing, Canvas canvas) {
        this.drawing = drawing;
        this.canvas = canvas;
    }

    static void paint(RigDrawing drawing, Canvas canvas) {
        RigPainter painter = new RigPainter(drawing, canvas);
        drawing.bands().forEach(painter::band);
        drawing.leads().forEach(painter::line);
        drawing.boxes().forEach(painter::box);
        drawing.leads().forEach(painter::tag);
    }

    private void band(RigDrawing.Band band) {
        canvas.box(band.x(), band.y(), band.width(), band.height(), 5, Ink.BAND, Ink.EDGE);
        canvas.words(band.title(), band.x() + 8, band.y() + 12, SIZE, true, Ink.SOFT);
    }

    private void line(RigDrawing.Line line) {
        switch (line.state()) {
            case LIT -> way(line, Ink.INK, 1.4, false);
            case QUIET -> way(line, Ink.SOFT, 0.8, false);
            case JOINS -> way(line, Ink.SOFT, 1.8, false);
            case RING -> way(line, Ink.PROBLEM, 2, false);
            case FEEDS -> way(line, Ink.INK, 1, true);
        }
    }

    private void way(RigDrawing.Line line, Ink ink, double width, boolean dashed) {
        double[] way = line.way();
        for (int i = 0; i + 3 < way.length; i += 2)
            canvas.curve(
                    new double[] {
                        way[i],
                        way[i + 1],
                        way[i],
                        way[i + 1],
                        way[i + 2],
                        way[i + 3],
                        way[i + 2],
                        way[i + 3]
                    },
                    ink,
                    width,
                    dashed);
    }

    private void box(RigDrawing.Box box) {
        canvas.box(box.x(), box.y(), box.width(), box.height(), 4, Ink.PAPER, Ink.SOFT);
        double marks = (box.severity().isPresent() ? 14 : 0) + (box.marked() ? 14 : 0);
        double room = box.width() - 10 - marks;
        String name = Letters.fitted(box.device().name(), room, SIZE + 1, true);
        String note = Letters.fitted(box.note(), room, SIZE, false);
        canvas.words(name, box.x() + 5, box.y() + 15, SIZE + 1, true, Ink.INK);
        canvas.words(note, box.x() + 5, box.y() + 28, SIZE, false, Ink.SOFT);
        double x = box.x() + box.width() - 13;
        double y = box.y() + box.height() / 2;
        if (box.severity().isPresent()) {
            mark(box.severity().get(), x, y);
            x -= 14;
        }
        if (box.marked() && drawing.layer() == RigLayer.EARTHS) earth(x, y);
        if (box.marked() && drawing.layer() == RigLayer.POWER) bolt(x, y);
    }

    private void tag(RigDrawing.Line line) {
        if (line.tag().isEmpty()) return;
        RigDrawing.Line.Tag at = line.tagged();
        double width =
                Letters.width(line.tag(), SIZE, false) + (line.severity().isPresent() ? 11 : 0);
        double x = at.toTheLeft() ? at.x() - width - 4 : at.x() + 3;
        double y = at.y();
        canvas.box(x - 1, y - 5.5, width + 2, 11, 2, Ink.BAND, Ink.NONE);
        if (line.severity().isPresent()) {
            mark(line.severity().get(), x + 4, y);
            x += 11;
        }
        canvas.words(line.tag(), x, y + 3, SIZE, false, Ink.INK);
    }

    /// Danger a filled triangle, problem a filled diamond, caution an open diamond, note a ring.
    private void mark(Severity severity, double x, double y) {
        double r = MARK / 2;
        double[] diamond = {x, y - r, x + r, y, x, y + r, x - r, y};
        switch (severity) {
            case DANGER ->
                    canvas.polygon(
                            new double[] {x, y - r, x + r, y + r, x - r, y + r},
                            Ink.DANGER,
                            Ink.DANGER);
            case PROBLEM -> canvas.polygon(diamond, Ink.PROBLEM, Ink.PROBLEM);
            case CAUTION -> canvas.polygon(diamond, Ink.PAPER, Ink.CAUTION);
            case NOTE -> canvas.box(x - 3, y - 3, 6, 6, 3, Ink.PAPER, Ink.SOFT);
        }
    }

    private void earth(double x, double y) {
        bar(x, y - 5, x, y);
        bar(x - 5, y, x + 5, y);
        bar(x - 3, y + 2.5, x + 3, y + 2.5);
        bar(x - 1, y + 5, x + 1, y + 5);
    }

    private void bar(double x, double y, double toX, double toY) {
        canvas.curve(new double[] {x, y, x, y, toX, toY, toX, toY}, Ink.SOFT, 1.2, false);
    }

    private void bolt(double x, double y) {
        canvas.polygon(
                new double[] {
                    x + 1, y - 5.5, x - 4, y + 0.5, x, y + 0.5, x - 1, y + 5.5, x + 4, y - 1, x,
                    y - 1
                },
                Ink.SOFT,
                Ink.SOFT);
    }
}
