package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Catalogue;
import rivulus.hearing.Loop;
import rivulus.hearing.Opening;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.search.Found;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.signal.Leg;
import rivulus.signal.Node;
import rivulus.signal.SignalGraph;

/// Works out watercourses.
///
/// Columns follow the longest row of beds between a source and an ear. A bed that one way enters
/// twice, or that two ways pass in opposite orders, stands twice.
public final class Courses {
    private static final int MOST_WAYS = 2;

    private final SceneProof scene;
    private final Beds beds;
    private final SignalGraph graph;

    private Courses(SceneProof scene, Catalogue catalogue) {
        this.scene = scene;
        this.beds = new Beds(scene.show(), scene.show().kinds(catalogue));
        this.graph = scene.tracer().live().graph();
    }

    /// What reaches an ear in a scene.
    public static Course toEar(SceneProof scene, String ear, Catalogue catalogue) {
        return new Courses(scene, catalogue).toEar(scene.of(ear));
    }

    /// Where a source goes in a scene.
    public static Course ofSource(SceneProof scene, String source, Catalogue catalogue) {
        List<SceneProof.Heard> cells =
                scene.all().stream().filter(cell -> cell.source().id().equals(source)).toList();
        return new Courses(scene, catalogue).delta(cells);
    }

    /// A ribbon before its beds have columns.
    private record Draft(
            SceneProof.Heard cell,
            Verdict.Flow flow,
            double levelDb,
            List<Stop> stops,
            Optional<Course.Break> broken) {}

    /// A stay in one bed.
    private record Stop(Beds.Bed bed, String label, double ms) {}

    private Course toEar(List<SceneProof.Heard> cells) {
        List<Course.Resting> resting = new ArrayList<>();
        return columns(drafts(cells, resting), resting);
    }

    private List<Draft> drafts(List<SceneProof.Heard> cells, List<Course.Resting> resting) {
        List<Draft> drafts = new ArrayList<>();
        for (SceneProof.Heard cell : cells) {
            Verdict verdict = scene.verdict(cell.ear().id(), cell.source().id());
            List<Draft> own =
                    verdict == Verdict.MISSING ? List.of(missing(cell)) : heard(cell, verdict);
            drafts.addAll(own);
            if (own.isEmpty())
                resting.add(new Course.Resting(cell.source().id(), scene.gate(cell.source().id())));
        }
        return drafts;
    }

    private List<Draft> heard(SceneProof.Heard cell, Verdict verdict) {
        if (isTooFaint(scene, cell) || isKeptOut(verdict)) return List.of();
        List<Draft> drafts = new ArrayList<>();
        for (Way way : waysThatCount(scene, cell)) {
            drafts.add(
                    new Draft(cell, verdict.flow(), way.levelDb(), stops(way), Optional.empty()));
        }
        return drafts;
    }

    /// The strongest way, and the next where it is nearly as strong.
    static List<Way> waysThatCount(SceneProof scene, SceneProof.Heard cell) {
        List<Way> ways =
                Ways.of(scene.tracer().live())
                        .strongest(cell.source().id(), cell.ear().id(), MOST_WAYS)
                        .all();
        Limits limits = scene.show().checks().limits();
        return ways.stream()
                .filter(
                        way ->
                                way.levelDb()
                                        > Math.max(
                                                ways.getFirst().levelDb()
                                                        - limits.get(Limit.WAY_DRAWN),
                                                limits.get(Limit.DRAWN)))
                .toList();
    }

    private static boolean isKeptOut(Verdict verdict) {
        return verdict == Verdict.KEPT_OUT || verdict == Verdict.FAR_DOWN;
    }

    /// Whether what is heard is too faint to be drawn.
    static boolean isTooFaint(SceneProof scene, SceneProof.Heard cell) {
        return cell.hearing().levelDb() < scene.show().checks().limits().get(Limit.DRAWN);
    }

    private List<Stop> stops(Way way) {
        List<Node> nodes = new ArrayList<>(List.of(way.start()));
        List<Double> times = new ArrayList<>(List.of(0.0));
        for (Way.Step step : way.steps()) {
            nodes.add(step.to());
            times.add(step.ms());
        }
        return stops(nodes, times);
    }

    private List<Stop> stops(List<Node> nodes, List<Double> times) {
        List<Stop> stops = new ArrayList<>();
        List<String> labels = new ArrayList<>();
        Beds.Bed here = begin(nodes);
        double ms = 0;
        for (int i = 0; i < nodes.size(); i++) {
            Beds.Bed bed = beds.of(nodes.get(i).point().device()).orElse(here);
            if (!here.equals(bed)) {
                stops.add(new Stop(here, String.join(" → ", labels), ms));
                labels.clear();
            }
            here = bed;
            ms = times.get(i);
            String label = nodes.get(i).label();
            if (!label.isEmpty() && !labels.contains(label)) labels.add(label);
        }
        stops.add(new Stop(here, String.join(" → ", labels), ms));
        return stops;
    }

    /// Where a way begins: what only sits in a lead is passed over, unless there is nothing else.
    private Beds.Bed begin(List<Node> nodes) {
        return nodes.stream()
                .flatMap(node -> beds.of(node.point().device()).stream())
                .findFirst()
                .orElseGet(() -> beds.alone(nodes.getFirst().point().device()));
    }

    private Draft missing(SceneProof.Heard cell) {
        Found<Opening> openings = scene.openings().nearest(cell.source().id(), cell.ear().id(), 1);
        Node start = graph.nodes().get(graph.source(cell.source().id())[0]);
        List<Node> nodes = new ArrayList<>(List.of(start));
        List<Double> times = new ArrayList<>(List.of(0.0));
        if (openings.isEmpty()) {
            return new Draft(
                    cell,
                    Verdict.Flow.MISSING,
                    Double.NEGATIVE_INFINITY,
                    stops(nodes, times),
                    Optional.of(
                            new Course.Break(
                                    openings.complete()
                                            ? "nothing joins it to this ear"
                                            : "no way to this ear was found")));
        }
        Opening opening = openings.all().getFirst();
        double ms = 0;
        for (Leg leg : opening.legs().subList(0, opening.breaksAt())) {
            ms += leg.delay().ms();
            nodes.add(graph.nodes().get(graph.nodesOf(leg.to())[0]));
            times.add(ms);
        }
        Opening.KnobTurn turn = opening.turns().getFirst();
        String why = "%s is %s".formatted(turn.knob().knob().label(), turn.knob().say(turn.from()));
        return new Draft(
                cell,
                Verdict.Flow.MISSING,
                Double.NEGATIVE_INFINITY,
                stops(nodes, times),
                Optional.of(new Course.Break(why)));
    }

    // Columns

    /// A bed with the turn at which it is passed, counted from the ear.
    private record Visit(Beds.Bed bed, int turn) {}

    private Course columns(List<Draft> drafts, List<Course.Resting> resting) {
        Columns<Visit> columns = new Columns<>();
        List<List<Visit>> rows = new ArrayList<>();
        drafts.sort(Comparator.comparing((Draft d) -> d.broken().isPresent()));
        for (Draft draft : drafts) {
            List<Visit> visits = visits(draft.stops());
            while (!columns.add(visits)) visits = later(visits);
            rows.add(visits);
        }
        Map<Visit, Integer> column = columns.columns();
        Map<Visit, Integer> index = new HashMap<>();
        List<Course.Bed> placed = new ArrayList<>();
        List<Course.Ribbon> ribbons = new ArrayList<>();
        for (int d = 0; d < drafts.size(); d++) {
            Draft draft = drafts.get(d);
            List<Course.Pass> passes = new ArrayList<>();
            for (int s = 0; s < draft.stops().size(); s++) {
                Visit visit = rows.get(d).get(s);
                int bed =
                        index.computeIfAbsent(
                                visit,
                                v -> {
                                    placed.add(
                                            new Course.Bed(
                                                    v.bed().title(),
                                                    column.get(v),
                                                    v.bed().device()));
                                    return placed.size() - 1;
                                });
                passes.add(
                        new Course.Pass(
                                bed, draft.stops().get(s).label(), draft.stops().get(s).ms()));
            }
            ribbons.add(ribbon(draft, passes));
        }
        return new Course(
                Course.Shape.TO_EAR, placed, ribbons, columns.count(), resting, eddies(index));
    }

    private static Course.Ribbon ribbon(Draft draft, List<Course.Pass> passes) {
        return new Course.Ribbon(
                draft.cell().source().id(),
                draft.cell().ear().id(),
                draft.flow(),
                draft.levelDb(),
                draft.stops().getLast().ms(),
                passes,
                draft.broken());
    }

    // A delta

    /// Beds stand once for every way up to them, in the column of how many came before.
    private Course delta(List<SceneProof.Heard> cells) {
        Map<List<Beds.Bed>, Integer> index = new LinkedHashMap<>();
        List<Course.Bed> placed = new ArrayList<>();
        List<Course.Ribbon> ribbons = new ArrayList<>();
        int columns = 1;
        for (Draft draft : inTreeOrder(drafts(cells, new ArrayList<>()), 0)) {
            List<Course.Pass> passes = new ArrayList<>();
            List<Beds.Bed> way = new ArrayList<>();
            for (Stop stop : draft.stops()) {
                int column = way.size();
                way.add(stop.bed());
                int bed =
                        index.computeIfAbsent(
                                List.copyOf(way),
                                _ -> {
                                    placed.add(
                                            new Course.Bed(
                                                    stop.bed().title(),
                                                    column,
                                                    stop.bed().device()));
                                    return placed.size() - 1;
                                });
                passes.add(new Course.Pass(bed, stop.label(), stop.ms()));
            }
            columns = Math.max(columns, way.size());
            ribbons.add(ribbon(draft, passes));
        }
        return new Course(Course.Shape.FROM_SOURCE, placed, ribbons, columns, List.of(), List.of());
    }

    /// Ways with the same beds so far stand together, those first that were drafted first.
    private static List<Draft> inTreeOrder(List<Draft> drafts, int depth) {
        Map<Beds.Bed, List<Draft>> branches = new LinkedHashMap<>();
        List<Draft> ordered = new ArrayList<>();
        for (Draft draft : drafts) {
            if (draft.stops().size() <= depth) ordered.add(draft);
            else
                branches.computeIfAbsent(draft.stops().get(depth).bed(), _ -> new ArrayList<>())
                        .add(draft);
        }
        for (List<Draft> branch : branches.values()) ordered.addAll(inTreeOrder(branch, depth + 1));
        return ordered;
    }

    private static List<Visit> visits(List<Stop> stops) {
        Map<Beds.Bed, Integer> seen = new HashMap<>();
        List<Visit> visits = new ArrayList<>();
        for (Stop stop : stops.reversed()) {
            visits.addFirst(new Visit(stop.bed(), seen.merge(stop.bed(), 1, Integer::sum)));
        }
        return visits;
    }

    private static List<Visit> later(List<Visit> visits) {
        return visits.stream().map(v -> new Visit(v.bed(), v.turn() + 1)).toList();
    }

    private List<Course.Eddy> eddies(Map<Visit, Integer> index) {
        List<Course.Eddy> eddies = new ArrayList<>();
        for (Loop loop : scene.tracer().loops()) {
            if (loop.marginDb() >= scene.limit(Limit.LOOP_MARGIN)) continue;
            loop.way().stream()
                    .flatMap(way -> way.steps().stream())
                    .flatMap(step -> beds.of(step.to().point().device()).stream())
                    .filter(bed -> index.containsKey(new Visit(bed, 1)))
                    .map(bed -> index.get(new Visit(bed, 1)))
                    .findFirst()
                    .ifPresent(bed -> eddies.add(new Course.Eddy(bed, loop.marginDb())));
        }
        return eddies;
    }
}
