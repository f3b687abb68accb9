package rivulus.chart;

import java.util.ArrayList;
import java.util.List;

/// Places where a source goes: a delta. Every ear has a row of its own at the right; ways run as
/// one as long as they share their beds, in the middle of the rows that they will part into.
///
/// The ribbons of the course must come in the order of its tree, as [Courses] gives them.
final class DeltaLayout implements CourseLayout {
    private static final double LEAST_ROW = 38;
    private static final double WIDEST_ROW = 56;
    private static final double TALL_ROW = 52;
    private static final double GAP = 3;
    private static final double TITLE = 15;

    private final Course course;
    private final CourseColumns columns;
    private final double row;
    private final double top;
    private final int[] first;
    private final int[] last;

    private DeltaLayout(Course course, double width, double height) {
        this.course = course;
        columns = new CourseColumns(course, width, 9, 0.06);
        int rows = Math.max(1, course.ribbons().size());
        row = Math.min(WIDEST_ROW, height / rows);
        top = (height - rows * row) / 2;
        first = new int[course.beds().size()];
        last = new int[course.beds().size()];
        java.util.Arrays.fill(first, Integer.MAX_VALUE);
        for (int r = 0; r < course.ribbons().size(); r++) {
            for (Course.Pass pass : course.ribbons().get(r).passes()) {
                first[pass.bed()] = Math.min(first[pass.bed()], r);
                last[pass.bed()] = r;
            }
        }
    }

    static DeltaLayout of(Course course, double width, double height) {
        return new DeltaLayout(course, width, height);
    }

    static double leastHeight(Course course) {
        return course.ribbons().size() * LEAST_ROW;
    }

    @Override
    public double laneHeight() {
        return row;
    }

    @Override
    public Box box(int bed) {
        return new Box(
                columns.left(course.beds().get(bed).column()),
                top + first[bed] * row + GAP,
                columns.right(course.beds().get(bed).column())
                        - columns.left(course.beds().get(bed).column()),
                (last[bed] - first[bed] + 1) * row - 2 * GAP);
    }

    /// Under the title, in the middle of the rows of those that go on together.
    private double y(int ribbon, int bed, boolean ends) {
        double middle = ends ? ribbon : (first[bed] + last[bed]) / 2.0;
        return top + (middle + 0.5) * row + (row < TALL_ROW ? TITLE : 2 * TITLE) / 2;
    }

    @Override
    public List<Point> points(int ribbon) {
        List<Point> points = new ArrayList<>();
        List<Course.Pass> passes = course.ribbons().get(ribbon).passes();
        for (int p = 0; p < passes.size(); p++) {
            int bed = passes.get(p).bed();
            Box box = box(bed);
            double y = y(ribbon, bed, p == passes.size() - 1);
            points.add(new Point(box.x(), y, bed));
            points.add(new Point(box.x() + box.width(), y, bed));
        }
        double end = y(ribbon, passes.getLast().bed(), true);
        for (int c = course.beds().get(passes.getLast().bed()).column() + 1;
                c < course.columns();
                c++) {
            points.add(new Point(columns.left(c), end, -1));
            points.add(new Point(columns.right(c), end, -1));
        }
        return points;
    }
}
