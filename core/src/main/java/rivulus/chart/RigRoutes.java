package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rivulus.chart.RigDrawing.Box;

/// Ways for leads between boxes that stand in columns and rows: along the gutters between columns
/// and the corridors between rows, so that none passes behind a box.
///
/// Out at the right and in at the left where that goes forward; round the near side where two boxes
/// stand above each other; else out at the left and in at the right. Leads that share a gutter or a
/// corridor get lanes beside each other, as far as there is room.
final class RigRoutes {
    /// How far lanes are apart where there is room for it.
    private static final double LANE = 4;

    private final int columns;
    private final double gutter;
    private final double corridor;
    private final List<Route> routes = new ArrayList<>();

    /// @param columns how many columns there are
    /// @param gutter how wide it is between two columns
    /// @param corridor how high it is between two rows
    RigRoutes(int columns, double gutter, double corridor) {
        this.columns = columns;
        this.gutter = gutter;
        this.corridor = corridor;
    }

    /// A lead on its way from one box to another.
    private static final class Route {
        final Box a;
        final Box b;
        final int columnA;
        final int columnB;
        final int out;
        final int in;
        double fromY;
        double toY;
        /// Where its vertical runs are in the gutters, and its horizontal run is between rows.
        double outX;
        double inX;
        double along;

        Route(Box a, int columnA, Box b, int columnB, int columns) {
            this.a = a;
            this.b = b;
            this.columnA = columnA;
            this.columnB = columnB;
            if (columnA == columnB) {
                out = columnA + 1 < columns || columnA == 0 ? columnA + 1 : columnA;
                in = out;
            } else {
                out = columnA < columnB ? columnA + 1 : columnA;
                in = columnA < columnB ? columnB : columnB + 1;
            }
        }

        boolean isDirect() {
            return out == in;
        }
    }

    /// One more lead.
    ///
    /// @return its number, counted from 0
    int add(Box a, int columnA, Box b, int columnB) {
        routes.add(new Route(a, columnA, b, columnB, columns));
        return routes.size() - 1;
    }

    /// The ways of all leads, in the order in which they were added: x and y of every corner.
    List<double[]> ways() {
        spreadOverSides();
        for (Route route : routes) route.along = corridorOf(route);
        lanesInCorridors();
        lanesInGutters();
        return routes.stream().map(this::way).toList();
    }

    private double sideX(Route route, boolean end) {
        Box box = end ? route.b : route.a;
        int column = end ? route.columnB : route.columnA;
        boolean right = (end ? route.in : route.out) > column;
        return right ? box.x() + box.width() : box.x();
    }

    /// How many leads meet at the side of a box where a lead begins, or ends.
    int crowd(int route, boolean end) {
        Route one = routes.get(route);
        Box box = end ? one.b : one.a;
        double x = sideX(one, end);
        int crowd = 0;
        for (Route other : routes) {
            if (other.a == box && sideX(other, false) == x) crowd++;
            if (other.b == box && sideX(other, true) == x) crowd++;
        }
        return crowd;
    }

    /// Leads that meet at one side of a box are spread over it in the order in which they come.
    private void spreadOverSides() {
        Map<List<Object>, List<End>> sides = new HashMap<>();
        for (Route route : routes)
            for (boolean end : new boolean[] {false, true}) {
                Box box = end ? route.b : route.a;
                sides.computeIfAbsent(
                                List.of(box.device().id(), sideX(route, end)),
                                _ -> new ArrayList<>())
                        .add(new End(route, end));
            }
        for (List<End> side : sides.values()) {
            side.sort(Comparator.comparingDouble(End::comesFrom));
            double room = side.getFirst().box().height() - 10;
            for (int i = 0; i < side.size(); i++) {
                double middle = side.get(i).box().y() + side.get(i).box().height() / 2;
                double apart = side.size() == 1 ? 0 : i / (side.size() - 1.0) - 0.5;
                side.get(i).put(middle + apart * Math.min(room, 9.0 * (side.size() - 1)));
            }
        }
    }

    private record End(Route route, boolean end) {
        Box box() {
            return end ? route.b : route.a;
        }

        double comesFrom() {
            Box far = end ? route.a : route.b;
            return far.y() * 10_000 + far.x();
        }

        void put(double y) {
            if (end) route.toY = y;
            else route.fromY = y;
        }
    }

    /// The middle of the corridor by the row where a lead arrives, on the side it comes from.
    private double corridorOf(Route route) {
        Box b = route.b;
        return route.a.y() > b.y() ? b.y() + b.height() + corridor / 2 : b.y() - corridor / 2;
    }

    /// A run along a gutter or a corridor.
    private record Run(Route route, boolean end, double from, double to) {}

    private void lanesInCorridors() {
        Map<Double, List<Run>> runs = new HashMap<>();
        for (Route route : routes)
            if (!route.isDirect())
                runs.computeIfAbsent(route.along, _ -> new ArrayList<>())
                        .add(
                                new Run(
                                        route,
                                        false,
                                        Math.min(route.out, route.in),
                                        Math.max(route.out, route.in)));
        runs.forEach(
                (y, inIt) ->
                        lanes(inIt, corridor - 2).forEach((run, by) -> run.route().along = y + by));
    }

    private void lanesInGutters() {
        Map<Integer, List<Run>> runs = new HashMap<>();
        for (Route route : routes) {
            double turn = route.isDirect() ? route.toY : route.along;
            runs.computeIfAbsent(route.out, _ -> new ArrayList<>())
                    .add(run(route, false, route.fromY, turn));
            if (!route.isDirect())
                runs.computeIfAbsent(route.in, _ -> new ArrayList<>())
                        .add(run(route, true, route.along, route.toY));
        }
        runs.forEach(
                (number, inIt) -> {
                    double middle = middle(number);
                    lanes(inIt, gutter - 4)
                            .forEach(
                                    (run, by) -> {
                                        if (run.end()) run.route().inX = middle + by;
                                        else run.route().outX = middle + by;
                                        if (run.route().isDirect()) run.route().inX = middle + by;
                                    });
                });
    }

    private static Run run(Route route, boolean end, double from, double to) {
        return new Run(route, end, Math.min(from, to), Math.max(from, to));
    }

    private double middle(int number) {
        Box any = routes.getFirst().a;
        int column = routes.getFirst().columnA;
        double left = any.x() - column * (any.width() + gutter);
        return left + number * (any.width() + gutter) - gutter / 2;
    }

    /// Lanes for runs, so that none that overlap share one while there is room.
    ///
    /// @param room how wide all lanes together may be
    private static Map<Run, Double> lanes(List<Run> runs, double room) {
        List<Run> inOrder = new ArrayList<>(runs);
        inOrder.sort(Comparator.comparingDouble(Run::from).thenComparingDouble(Run::to));
        List<Double> ends = new ArrayList<>();
        Map<Run, Integer> lane = new HashMap<>();
        for (Run run : inOrder) {
            int at = 0;
            while (at < ends.size() && ends.get(at) >= run.from()) at++;
            if (at == ends.size()) ends.add(run.to());
            else ends.set(at, run.to());
            lane.put(run, at);
        }
        double apart = ends.size() < 2 ? 0 : Math.min(LANE, room / (ends.size() - 1));
        Map<Run, Double> by = new HashMap<>();
        lane.forEach((run, at) -> by.put(run, (at - (ends.size() - 1) / 2.0) * apart));
        return by;
    }

    private double[] way(Route route) {
        double from = sideX(route, false);
        double to = sideX(route, true);
        if (route.isDirect()) {
            return Math.abs(route.fromY - route.toY) < 0.5 && from != to
                    ? new double[] {from, route.fromY, to, route.fromY}
                    : new double[] {
                        from,
                        route.fromY,
                        route.outX,
                        route.fromY,
                        route.outX,
                        route.toY,
                        to,
                        route.toY
                    };
        }
        return new double[] {
            from,
            route.fromY,
            route.outX,
            route.fromY,
            route.outX,
            route.along,
            route.inX,
            route.along,
            route.inX,
            route.toY,
            to,
            route.toY
        };
    }
}
