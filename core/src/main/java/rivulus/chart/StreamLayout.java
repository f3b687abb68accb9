package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/// Places what reaches an ear.
///
/// Each column holds its beds and, for ribbons that pass it by, a free lane. Lanes and beds are
/// ordered by a few sweeps of the barycentre method (Sugiyama, Tagawa, Toda 1981), so that few
/// ribbons cross.
final class StreamLayout implements CourseLayout {
    private static final int SWEEPS = 6;
    private static final double TITLE = 36;
    private static final double PAD = 4;
    private static final double BED_GAP = 10;
    private static final double WIDEST_LANE = 44;
    private static final double LEAST_LANE = 18;
    private static final double BETWEEN_COLUMNS = 30;

    private final Course course;
    private final CourseColumns across;
    private final double height;
    private final List<List<Group>> columns = new ArrayList<>();
    private final Map<Course.Bed, Group> groupOfBed = new HashMap<>();
    private double lane = WIDEST_LANE;

    /// A bed with its lanes, or one free lane.
    private static final class Group {
        private final Course.Bed bed;
        private final List<Lane> lanes = new ArrayList<>();
        private double order;
        private double top;

        Group(Course.Bed bed) {
            this.bed = bed;
        }
    }

    /// A ribbon in one column.
    private static final class Lane {
        private final int ribbon;
        private double order;
        private double y;

        Lane(int ribbon) {
            this.ribbon = ribbon;
            this.order = ribbon;
        }
    }

    private StreamLayout(Course course, double width, double height) {
        this.course = course;
        across = new CourseColumns(course, width, BETWEEN_COLUMNS / 2, 0.11);
        this.height = height;
        fillColumns();
        sweep();
        stack();
    }

    static StreamLayout of(Course course, double width, double height) {
        return new StreamLayout(course, width, height);
    }

    static double leastHeight(Course course) {
        StreamLayout any = new StreamLayout(course, 1, 1);
        double tallest = 0;
        for (List<Group> column : any.columns) {
            int lanes = column.stream().mapToInt(g -> g.lanes.size()).sum();
            tallest = Math.max(tallest, overhead(column) + LEAST_LANE * lanes);
        }
        return tallest;
    }

    private void fillColumns() {
        for (int c = 0; c < course.columns(); c++) columns.add(new ArrayList<>());
        for (int r = 0; r < course.ribbons().size(); r++) {
            Course.Ribbon ribbon = course.ribbons().get(r);
            int next = course.beds().get(ribbon.passes().getFirst().bed()).column();
            for (Course.Pass pass : ribbon.passes()) {
                Course.Bed bed = course.beds().get(pass.bed());
                for (; next < bed.column(); next++) addFreeLane(next, r);
                Group group =
                        groupOfBed.computeIfAbsent(
                                bed,
                                b -> {
                                    Group made = new Group(b);
                                    columns.get(b.column()).add(made);
                                    return made;
                                });
                group.lanes.add(new Lane(r));
                next = bed.column() + 1;
            }
            for (; next < course.columns(); next++) addFreeLane(next, r);
        }
    }

    /// A ribbon that passes a column by, or the words beyond its end, keep a lane to themselves.
    private void addFreeLane(int column, int ribbon) {
        Group free = new Group(null);
        free.lanes.add(new Lane(ribbon));
        columns.get(column).add(free);
    }

    private void sweep() {
        for (int sweep = 0; sweep < SWEEPS; sweep++) {
            boolean forward = sweep % 2 == 0;
            for (int i = 0; i < columns.size(); i++) {
                List<Group> column = columns.get(forward ? i : columns.size() - 1 - i);
                for (Group group : column) {
                    group.lanes.sort(Comparator.comparingDouble(lane -> lane.order));
                    group.order =
                            group.lanes.stream()
                                    .mapToDouble(lane -> lane.order)
                                    .average()
                                    .orElse(0);
                }
                column.sort(Comparator.comparingDouble(group -> group.order));
                int place = 0;
                for (Group group : column) for (Lane l : group.lanes) l.order = place++;
                int neighbour = forward ? i + 1 : columns.size() - 2 - i;
                if (neighbour >= 0 && neighbour < columns.size())
                    pull(column, columns.get(neighbour));
            }
        }
    }

    /// Gives each lane of a column the order of the same ribbon next door, scaled to the number of
    /// lanes.
    private static void pull(List<Group> from, List<Group> to) {
        double count = from.stream().mapToInt(g -> g.lanes.size()).sum();
        Map<Integer, Double> orders = new HashMap<>();
        for (Group group : from)
            for (Lane lane : group.lanes) orders.put(lane.ribbon, lane.order / count);
        double own = to.stream().mapToInt(g -> g.lanes.size()).sum();
        for (Group group : to) {
            for (Lane lane : group.lanes)
                lane.order = orders.getOrDefault(lane.ribbon, lane.order / own);
        }
    }

    private void stack() {
        for (List<Group> column : columns) lane = Math.min(lane, room(column));
        lane = Math.max(lane, LEAST_LANE);
        for (List<Group> column : columns) {
            double y = (height - heightOf(column)) / 2;
            for (Group group : column) {
                group.top = y;
                y += group.bed == null ? 0 : TITLE + PAD;
                for (Lane l : group.lanes) {
                    l.y = y + lane / 2;
                    y += lane;
                }
                y += group.bed == null ? 0 : PAD + BED_GAP;
            }
        }
    }

    private static double overhead(List<Group> column) {
        long beds = column.stream().filter(g -> g.bed != null).count();
        return beds * (TITLE + 2 * PAD + BED_GAP) - (beds > 0 ? BED_GAP : 0);
    }

    private double room(List<Group> column) {
        int lanes = column.stream().mapToInt(g -> g.lanes.size()).sum();
        return lanes == 0 ? WIDEST_LANE : (height - overhead(column)) / lanes;
    }

    private double heightOf(List<Group> column) {
        return overhead(column) + lane * column.stream().mapToInt(g -> g.lanes.size()).sum();
    }

    @Override
    public double laneHeight() {
        return lane;
    }

    @Override
    public Box box(int bed) {
        Course.Bed it = course.beds().get(bed);
        Group group = groupOfBed.get(it);
        double tall = TITLE + 2 * PAD + lane * group.lanes.size();
        return new Box(
                across.left(it.column()),
                group.top,
                across.right(it.column()) - across.left(it.column()),
                tall);
    }

    @Override
    public List<Point> points(int ribbon) {
        List<Point> points = new ArrayList<>();
        for (int c = 0; c < columns.size(); c++) {
            for (Group group : columns.get(c)) {
                for (Lane l : group.lanes) {
                    if (l.ribbon != ribbon) continue;
                    double left = across.left(c);
                    double right = across.right(c);
                    int bed = group.bed == null ? -1 : course.beds().indexOf(group.bed);
                    points.add(new Point(left, l.y, bed));
                    points.add(new Point(right, l.y, bed));
                }
            }
        }
        return points;
    }
}
