package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import rivulus.gear.ChannelMap;
import rivulus.gear.Delay;
import rivulus.search.BestFirst;
import rivulus.search.Found;
import rivulus.show.Ref;
import rivulus.signal.Bands;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;
import rivulus.signal.Strongest;

/// Finds the strongest ways through a live graph.
///
/// Best-first search with an exact bound: the greatest gain from each node onward, found backwards
/// first by relaxation. Ways come out in order of gain; a way passes no node twice, except that a
/// round ends where it began. What goes left and right by the same legs, or by
/// legs between the same two points, is one way. Stops after
/// [#MOST_STEPS] steps; the answer says so.
public final class Ways {
    private static final int MOST_STEPS = 20_000;

    private static final long SAME_TIME_NS = 100_000;

    private final LiveGraph live;

    private Ways(LiveGraph live) {
        this.live = live;
    }

    /// Ways through that live graph.
    public static Ways of(LiveGraph live) {
        return new Ways(live);
    }

    /// The strongest ways from a source to an ear, strongest first, at most `most`.
    public Found<Way> strongest(String source, String ear, int most) {
        return strongest(live.graph().source(source), targets(ear), most);
    }

    /// The strongest way from a source to a point on the way to an ear, if sound gets there.
    public Optional<Way> strongestTo(String source, Ref point) {
        return strongest(live.graph().source(source), live.graph().nodesOf(point), 1).first();
    }

    /// The strongest way by which a source comes to an ear at some time, once round a loop if need
    /// be; empty where nothing does.
    ///
    /// @param ms after the sound was made; taken to 0.1 ms
    public Optional<Way> arriving(String source, String ear, double ms) {
        long wanted = Math.round(ms * 1e6);
        return strongest(
                        live.graph().source(source),
                        targets(ear),
                        1,
                        2,
                        trail -> Math.abs(trail.ns - wanted) <= SAME_TIME_NS)
                .first();
    }

    private int[] targets(String ear) {
        return live.graph().ear(ear).nodes();
    }

    /// A way as far as it has been followed.
    private record Trail(int node, int edge, Trail before, double gain, double bound, long ns) {
        int passes(int other) {
            int times = 0;
            for (Trail t = this; t != null; t = t.before) if (t.node == other) times++;
            return times;
        }
    }

    Found<Way> strongest(int[] starts, int[] targets, int most) {
        return strongest(starts, targets, most, 1, _ -> true);
    }

    /// @param rounds how often a way may pass a node
    /// @param counts whether a way that has come to an end is one that is asked for
    private Found<Way> strongest(
            int[] starts, int[] targets, int most, int rounds, Predicate<Trail> counts) {
        double[] onward = greatestGains(targets);
        boolean[] isTarget = new boolean[live.size()];
        for (int t : targets) isTarget[t] = true;
        List<Trail> begin = new ArrayList<>();
        for (int start : starts) begin.add(new Trail(start, -1, null, 1, Double.MAX_VALUE, 0));
        Set<List<Integer>> seen = new HashSet<>();
        Found<Way> found =
                BestFirst.search(
                        Comparator.comparingDouble(t -> -t.bound),
                        begin,
                        most,
                        MOST_STEPS,
                        (trail, search) -> {
                            if (trail.edge < 0 || !isTarget[trail.node])
                                follow(trail, onward, isTarget, rounds, search);
                            else if (counts.test(trail) && seen.add(legsOf(trail)))
                                search.answer(way(trail));
                        });
        return found.map(
                ways ->
                        ways.stream()
                                .sorted(Comparator.comparingDouble(Way::levelDb).reversed())
                                .toList());
    }

    private void follow(
            Trail trail,
            double[] onward,
            boolean[] isTarget,
            int rounds,
            BestFirst<Trail, Way> search) {
        for (int e = live.firstEdge(trail.node); e < live.firstEdge(trail.node + 1); e++) {
            int to = live.to(e);
            double gain = trail.gain * live.gain(e);
            double bound = gain * (isTarget[to] ? 1 : onward[to]);
            if (bound < Taps.FLOOR || trail.passes(to) >= rounds && !isTarget[to]) continue;
            search.open(new Trail(to, e, trail, gain, bound, trail.ns + live.ns(e)));
        }
    }

    /// For every node the greatest gain of any walk on to a target; loops that gain are walked a
    /// few times at most.
    private double[] greatestGains(int[] targets) {
        double[] best = new double[live.size()];
        for (int t : targets) best[t] = 1;
        boolean changed = true;
        for (int round = 0; round < 64 && changed; round++) {
            changed = false;
            for (int v = live.size() - 1; v >= 0; v--) {
                for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                    double through = live.gain(e) * best[live.to(e)];
                    if (through <= best[v] * (1 + 1e-12)) continue;
                    best[v] = through;
                    changed = true;
                }
            }
        }
        return best;
    }

    private List<Integer> legsOf(Trail end) {
        List<Integer> legs = new ArrayList<>();
        for (Trail t = end; t.edge >= 0; t = t.before)
            legs.add(alongside(live.leg(t.edge)).getFirst().index());
        return legs;
    }

    /// The open legs that join the same two points in the same time, as those to the left and to
    /// the right of a pan: they are one stretch of a way.
    private List<Leg> alongside(Leg leg) {
        return live.graph().legsFrom(leg.from()).stream()
                .filter(other -> other.to().equals(leg.to()))
                .filter(other -> other == leg || live.legGain(other.index()) > 0)
                .filter(other -> other.band().equals(leg.band()))
                .filter(other -> live.legDelay(other).equals(live.legDelay(leg)))
                .toList();
    }

    private Way way(Trail end) {
        List<Integer> nodes = new ArrayList<>();
        List<Leg> legs = new ArrayList<>();
        for (Trail t = end; t != null; t = t.before) {
            nodes.add(t.node);
            if (t.edge >= 0) legs.add(live.leg(t.edge));
        }
        return along(nodes.reversed(), legs.reversed());
    }

    /// The way of a source to a node by which it is loudest; empty where it does not come.
    public Optional<Way> of(Strongest source, int node) {
        List<Integer> nodes = Arrays.stream(source.to(node)).boxed().toList();
        if (nodes.isEmpty()) return Optional.empty();
        return Optional.of(along(nodes, nodes.stream().skip(1).map(source::by).toList()));
    }

    /// Every step with its gain over all channels: powers are averaged over the channels of a
    /// point, as an ear would.
    ///
    /// @param nodes every node passed, one more than legs
    private Way along(List<Integer> nodes, List<Leg> legs) {
        Node start = live.graph().nodes().get(nodes.getFirst());
        List<Way.Step> steps = new ArrayList<>();
        Bands bands = live.graph().bands();
        int band = Bands.OPEN;
        Delay delay = Delay.NONE;
        double[][] gains = identity(live.graph().nodesOf(start.point()).length);
        for (int i = 0; i < legs.size(); i++) {
            Leg leg = legs.get(i);
            delay = delay.plus(live.legDelay(leg));
            band = bands.after(band, live.graph().bandOf(leg.index()));
            gains = through(leg, gains);
            steps.add(
                    new Way.Step(
                            leg,
                            live.graph().nodes().get(nodes.get(i + 1)),
                            powerDb(gains),
                            delay.ms(),
                            delay.minMs(),
                            delay.maxMs()));
        }
        return new Way(start, steps, powerDb(gains) + 10 * Math.log10(bands.power(band)));
    }

    private static double[][] identity(int channels) {
        double[][] gains = new double[channels][channels];
        for (int c = 0; c < channels; c++) gains[c][c] = 1;
        return gains;
    }

    private double[][] through(Leg leg, double[][] gains) {
        double[][] out = new double[live.graph().nodesOf(leg.to()).length][gains[0].length];
        for (Leg part : alongside(leg))
            for (ChannelMap map : part.map()) {
                double gain = live.legGain(part.index()) * Math.pow(10, map.gainDb() / 20);
                for (int s = 0; s < gains[0].length; s++)
                    out[map.to()][s] += gain * gains[map.from()][s];
            }
        return out;
    }

    private static double powerDb(double[][] gains) {
        double power = 0;
        for (double[] row : gains) for (double g : row) power += g * g / gains.length;
        return 10 * Math.log10(power);
    }
}
