package rivulus.hearing;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.LiveGraph;
import rivulus.signal.SignalGraph;

/// Answers what every ear hears of every source in one live graph.
///
/// Loops are cut at a few nodes; from every source and every cut an impulse is followed once
/// through the rest, which is a sum over paths in topological order; the cuts are then joined again
/// at every frequency (see [Feedback]). The response is exact for any graph, except that single
/// ways under −120 dB are left out. Cost: sources times live edges, plus 51 · k³ for k cuts.
///
/// A source is followed when it is first asked for. May be shared between threads.
public final class Tracer {
    private final LiveGraph live;
    private final Bands bands;
    private final FlowOrder order;
    private final int[] cuts;
    private final Listened listened;
    private final Flow flow;
    private final Feedback feedback;
    private final List<Loop> loops;

    private final Hearing[][] rows;

    private Kinship kinship;
    private int toFollow;

    /// @param kinship what does not differ from another state, or null
    private Tracer(LiveGraph live, Listened listened, FlowOrder order, Kinship kinship) {
        this.live = live;
        this.kinship = kinship;
        SignalGraph graph = live.graph();
        this.bands = graph.bands();
        this.order = order;
        this.cuts = order.cuts();
        this.listened = listened;
        this.flow = new Flow(live, order, cuts, listened.nodes());
        Flow.Field[] fromCuts = new Flow.Field[cuts.length];
        boolean known = kinship != null && kinship.other().order == order;
        boolean asKnown = known;
        for (int k = 0; k < cuts.length; k++) {
            boolean same = known && !kinship.differsFrom(cuts[k]);
            asKnown &= same;
            fromCuts[k] = same ? kinship.other().feedback.fromCut(k) : flow.fromCut(cuts[k]);
        }
        this.loops = asKnown ? kinship.other().loops : loops(live.unheld(), fromCuts);
        this.feedback = new Feedback(fromCuts, bands, joints());
        this.rows = new Hearing[graph.sources().size()][];
        this.toFollow = rows.length;
    }

    /// What goes round, in the graph as it is while nothing is held back.
    private List<Loop> loops(LiveGraph unheld, Flow.Field[] held) {
        if (unheld == live) return Loop.find(live, order, cuts, held);
        Flow round = new Flow(unheld, order, cuts, listened.nodes());
        Flow.Field[] from = new Flow.Field[cuts.length];
        for (int k = 0; k < cuts.length; k++) from[k] = round.fromCut(cuts[k]);
        return Loop.find(unheld, order, cuts, from);
    }

    private Feedback.Joint[][] joints() {
        Feedback.Joint[][] joints = new Feedback.Joint[cuts.length][cuts.length];
        for (int i = 0; i < cuts.length; i++) {
            for (int j = 0; j < cuts.length; j++) joints[i][j] = joint(cuts[j], cuts[i]);
        }
        return joints;
    }

    private Feedback.Joint joint(int from, int to) {
        int system = order.loopOf(to);
        if (order.loopOf(from) != system) return Feedback.Joint.PLAIN;
        Loop loop = loops.stream().filter(l -> l.system() == system).findFirst().orElseThrow();
        return loop.isAcoustic() ? Feedback.Joint.ROOM : Feedback.Joint.PLAIN;
    }

    /// Traces a live graph from nothing.
    public static Tracer of(LiveGraph live) {
        return of(live, FlowOrder.of(live));
    }

    private Tracer(LiveGraph live, Listened listened) {
        this(live, listened, FlowOrder.of(live), null);
    }

    /// Traces a live graph in an order of one's own.
    static Tracer of(LiveGraph live, FlowOrder order) {
        return new Tracer(live, Listened.of(live.graph()), order, null);
    }

    /// Traces a live graph, taking over from another state of the same graph what does not differ:
    /// the hearings of sources that do not lie upstream of a difference, and of ears that do not
    /// lie downstream.
    ///
    /// @param kindred tracers of other states of the same [SignalGraph], at least one; the nearest
    ///     is used
    /// @throws IllegalArgumentException if one belongs to another graph
    public static Tracer after(LiveGraph live, List<Tracer> kindred) {
        FlowOrder order =
                kindred.stream()
                        .filter(other -> live.hasShapeOf(other.live))
                        .map(other -> other.order)
                        .findFirst()
                        .orElseGet(() -> FlowOrder.of(live));
        Kinship nearest = null;
        for (Tracer other : kindred) {
            Kinship kinship = Kinship.between(live, other);
            if (nearest == null || kinship.cost() < nearest.cost()) nearest = kinship;
        }
        return new Tracer(live, kindred.getFirst().listened, order, nearest);
    }

    /// What does not differ from another state of the same graph.
    ///
    /// @param changed the sources, by index, that may sound different
    /// @param ears the ears, by index, to whom they may
    /// @param upstream the nodes from which something that differs is reached
    private record Kinship(Tracer other, BitSet changed, BitSet ears, boolean[] upstream) {
        static Kinship between(LiveGraph live, Tracer other) {
            LiveGraph.Difference difference = live.from(other.live);
            BitSet ears = new BitSet();
            int e = 0;
            for (SignalGraph.EarNodes at : live.graph().ears().values()) {
                for (int[] nodes : at.channels())
                    if (anyIn(difference.downstream(), nodes)) ears.set(e);
                e++;
            }
            BitSet changed = new BitSet();
            int s = 0;
            for (int[] nodes : live.graph().sources().values()) {
                if (!ears.isEmpty() && anyIn(difference.upstream(), nodes)) changed.set(s);
                s++;
            }
            return new Kinship(other, changed, ears, difference.upstream());
        }

        private static boolean anyIn(boolean[] set, int[] nodes) {
            for (int v : nodes) if (set[v]) return true;
            return false;
        }

        /// Whether anything that leaves a node may go otherwise.
        boolean differsFrom(int node) {
            return upstream[node];
        }

        int cost() {
            return changed.cardinality() * ears.cardinality();
        }
    }

    /// Only what goes round in a live graph; no source is followed.
    static List<Loop> loopsOf(LiveGraph live) {
        return of(live).loops;
    }

    /// What an ear hears of a source.
    ///
    /// @throws IllegalArgumentException if the graph has no such ear or source
    public Hearing hearing(String ear, String source) {
        int e = live.graph().earIndex(ear);
        int s = live.graph().sourceIndex(source);
        if (e < 0 || s < 0) {
            throw new IllegalArgumentException(
                    "there is no ear \"%s\" or no source \"%s\"".formatted(ear, source));
        }
        return row(s, source)[e];
    }

    /// What every ear hears of a source, in the order of the graph's ears.
    ///
    /// @throws IllegalArgumentException if the graph has no such source
    public List<Hearing> hearings(String source) {
        int s = live.graph().sourceIndex(source);
        if (s < 0)
            throw new IllegalArgumentException("there is no source \"%s\"".formatted(source));
        return Collections.unmodifiableList(Arrays.asList(row(s, source)));
    }

    /// Whether every ear hears a source by the very same hearing in another state of the same
    /// graph.
    public boolean sharesHearings(String source, Tracer other) {
        int s = live.graph().sourceIndex(source);
        return s >= 0
                && other.live.graph() == live.graph()
                && row(s, source) == other.row(s, source);
    }

    /// Everything that goes round, the nearest to howling first.
    public List<Loop> loops() {
        return loops;
    }

    /// The graph that was traced.
    public LiveGraph live() {
        return live;
    }

    private synchronized Hearing[] row(int index, String source) {
        if (rows[index] != null) return rows[index];
        int[] nodes = live.graph().source(source);
        rows[index] = followed(index, source, nodes);
        if (--toFollow == 0) kinship = null;
        return rows[index];
    }

    private Hearing[] followed(int index, String source, int[] nodes) {
        if (kinship == null) return follow(source, nodes, new Hearing[live.graph().ears().size()]);
        Hearing[] before = kinship.other().row(index, source);
        if (!kinship.changed().get(index)) return before;
        Hearing[] row = before.clone();
        BitSet ears = kinship.ears();
        for (int e = ears.nextSetBit(0); e >= 0; e = ears.nextSetBit(e + 1)) row[e] = null;
        return follow(source, nodes, row);
    }

    /// Fills what is null in a row of ears. What howls is passed once by every source, and by no
    /// way that comes back: the howl is a finding of its own.
    private Hearing[] follow(String source, int[] nodes, Hearing[] row) {
        if (loops.stream().allMatch(Loop::isStable))
            return follow(Followed.of(source, nodes, flow, feedback, bands), row);
        Set<Integer> howling =
                loops.stream()
                        .filter(loop -> !loop.isStable())
                        .map(Loop::system)
                        .collect(Collectors.toSet());
        BitSet back = Returning.edges(live, nodes, v -> howling.contains(order.loopOf(v)));
        Tracer calm = new Tracer(live.by(e -> !back.get(e)), listened);
        return follow(Followed.of(source, nodes, calm.flow, calm.feedback, bands), row);
    }

    private Hearing[] follow(Followed followed, Hearing[] row) {
        int e = 0;
        for (String ear : live.graph().ears().keySet()) {
            if (row[e] == null) row[e] = followed.at(ear, listened.ears()[e]);
            e++;
        }
        return row;
    }
}
