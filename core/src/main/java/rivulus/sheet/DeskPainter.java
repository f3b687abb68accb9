package rivulus.sheet;

import java.util.List;
import java.util.Optional;
import rivulus.chart.DeskSheet;
import rivulus.desk.Channel;

/// Draws a desk as it is to be labelled, control by control in reading order: what is written on
/// each, and what sits there. Words in boxes, no picture of a machine.
final class DeskPainter {
    static final double WIDTH = 760;
    private static final int EACH_ROW = 8;
    private static final double GAP = 6;
    private static final double HIGH = 50;
    private static final double TITLE = 20;
    private static final double BOX = (WIDTH - (EACH_ROW - 1) * GAP) / EACH_ROW;
    private static final double INSET = 6;

    private DeskPainter() {}

    static double height(DeskSheet desk) {
        double high = 0;
        for (DeskSheet.Group group : desk.groups())
            high += TITLE + rows(group.rows().size()) * (HIGH + GAP);
        return high;
    }

    private static int rows(int boxes) {
        return (boxes + EACH_ROW - 1) / EACH_ROW;
    }

    static void paint(DeskSheet desk, Canvas canvas) {
        double y = 0;
        for (DeskSheet.Group group : desk.groups()) {
            canvas.words(group.title(), 0, y + TITLE - 7, 9, false, Ink.SOFT);
            y += TITLE;
            List<DeskSheet.Row> rows = group.rows();
            for (int i = 0; i < rows.size(); i++)
                box(
                        rows.get(i),
                        i % EACH_ROW * (BOX + GAP),
                        y + i / EACH_ROW * (HIGH + GAP),
                        canvas);
            y += rows(rows.size()) * (HIGH + GAP);
        }
    }

    private static void box(DeskSheet.Row row, double x, double y, Canvas canvas) {
        Optional<Channel> used = row.used();
        canvas.box(x, y, BOX, HIGH, 3, used.isPresent() ? Ink.PAPER : Ink.BAND, Ink.EDGE);
        double room = BOX - 2 * INSET;
        canvas.words(
                Letters.fitted(row.place(), room, 8, false), x + INSET, y + 12, 8, false, Ink.SOFT);
        if (used.isEmpty()) return;
        String name = Letters.fitted(row.name(), room, 12, true);
        canvas.words(name, x + INSET, y + 28, 12, true, Ink.INK);
        String label = used.get().label() + (row.taped() ? ", tape over" : "");
        canvas.words(Letters.fitted(label, room, 8, false), x + INSET, y + 42, 8, false, Ink.SOFT);
    }
}
