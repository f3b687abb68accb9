package rivulus.hearing;

import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.Leg;
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
    /// The graph as what goes round finds it; the same where nothing is held back.
    private final LiveGraph unheld;
    private final Bands bands;
    private final FlowOrder order;
    private final int[] cuts;
    private final Listened listened;
    private final Flow flow;
    private final Feedback feedback;
    /// What goes round, with how much it has to spare; see [Loop#spare].
    private final Map<Integer, double[]> systems;
    private final boolean stable;

    private final Hearing[][] rows;

    private Kinship kinship;
    private List<Loop> loops;
    /// A tracer in the same order, in which all but some systems go round as here; empty where
    /// there is none, or nobody needs it any more.
    private WeakReference<Tracer> like = new WeakReference<>(null);
    private final Set<Integer> changed = new HashSet<>();
    private int toFollow;

    /// @param kinship what does not differ from another state, or null
    /// @param weaker whether it only lacks something that the other has, which rings nowhere
    private Tracer(
            LiveGraph live, Listened listened, FlowOrder order, Kinship kinship, boolean weaker) {
        this.live = live;
        this.unheld = live.unheld();
        this.kinship = kinship;
        SignalGraph graph = live.graph();
        this.bands = graph.bands();
        this.order = order;
        this.cuts = order.cuts();
        this.listened = listened;
        this.flow = new Flow(live, order, cuts, listened.nodes());
        Flow.Field[] fromCuts = new Flow.Field[cuts.length];
        boolean known = kinship != null && kinship.other().order == order;
        for (int k = 0; k < cuts.length; k++) {
            boolean same = known && !kinship.differsFrom(cuts[k]);
            if (!same) changed.add(order.loopOf(cuts[k]));
            fromCuts[k] = same ? kinship.other().feedback.fromCut(k) : flow.fromCut(cuts[k]);
        }
        Tracer alike = known && !isHeld() && !kinship.other().isHeld() ? kinship.other() : null;
        like = new WeakReference<>(alike);
        systems = weaker ? Map.of() : systems(fromCuts, alike);
        stable = systems.values().stream().allMatch(Loop::isStable);
        feedback =
                new Feedback(
                        fromCuts,
                        bands,
                        joints(),
                        Arrays.stream(cuts).map(order::loopOf).toArray());
        rows = new Hearing[graph.sources().size()][];
        toFollow = rows.length;
    }

    /// Whether a processor holds something back, so that more goes round than is heard.
    private boolean isHeld() {
        return unheld != live;
    }

    /// What goes round, in the graph as it is while nothing is held back.
    ///
    /// @param alike a tracer in the same order, or null
    private Map<Integer, double[]> systems(Flow.Field[] held, Tracer alike) {
        Flow.Field[] from = held;
        if (isHeld()) {
            Flow round = new Flow(unheld, order, cuts, listened.nodes());
            from = new Flow.Field[cuts.length];
            for (int k = 0; k < cuts.length; k++) from[k] = round.fromCut(cuts[k]);
        }
        Map<Integer, double[]> all = new HashMap<>();
        if (alike != null)
            alike.systems.forEach(
                    (system, spare) -> {
                        if (!changed.contains(system)) all.put(system, spare);
                    });
        all.putAll(Loop.spare(bands, order, cuts, from, system -> !all.containsKey(system)));
        return all;
    }

    private Feedback.Joint[][] joints() {
        Set<Integer> acoustic = cuts.length == 0 ? Set.of() : acoustic();
        Feedback.Joint[][] joints = new Feedback.Joint[cuts.length][cuts.length];
        for (int i = 0; i < cuts.length; i++)
            for (int j = 0; j < cuts.length; j++) {
                int system = order.loopOf(cuts[i]);
                boolean rings = order.loopOf(cuts[j]) == system && acoustic.contains(system);
                joints[i][j] = rings ? Feedback.Joint.ROOM : Feedback.Joint.PLAIN;
            }
        return joints;
    }

    /// The numbers of the systems of which air in a room is part.
    private Set<Integer> acoustic() {
        Set<Integer> acoustic = new HashSet<>();
        for (int v = 0; v < live.size(); v++) {
            int system = order.loopOf(v);
            if (system < 0) continue;
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++)
                if (order.loopOf(live.to(e)) == system && live.leg(e).kind() == Leg.Kind.AIR)
                    acoustic.add(system);
        }
        return acoustic;
    }

    /// Traces a live graph from nothing.
    public static Tracer of(LiveGraph live) {
        return of(live, FlowOrder.of(live));
    }

    private Tracer(LiveGraph live, Listened listened) {
        this(live, listened, FlowOrder.of(live), null, false);
    }

    /// Traces a live graph in an order of one's own.
    static Tracer of(LiveGraph live, FlowOrder order) {
        return new Tracer(live, Listened.of(live.graph()), order, null, false);
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
        return new Tracer(live, kindred.getFirst().listened, order, nearest, false);
    }

    /// What is heard in another state of the same graph, but for what is left out of any tracing;
    /// what goes round is not told of it. Where that state only lacks something of this one, the
    /// order in which sound is followed holds there too, and what is stable stays so; it also holds
    /// where what is open besides only leads forward.
    ///
    /// @throws IllegalArgumentException if it belongs to another graph
    public Listening in(LiveGraph other) {
        if (other.soundsLike(live)) return this::hearing;
        return listening(other)::hearing;
    }

    private Tracer listening(LiveGraph other) {
        boolean weaker = stable && other.isWithin(live);
        return weaker || order.holdsFor(other)
                ? new Tracer(other, listened, order, Kinship.between(other, this), weaker)
                : after(other, List.of(this));
    }

    /// What an ear hears of a source, and nothing else.
    public interface Listening {
        /// As [Tracer#hearing].
        Hearing hearing(String ear, String source);
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
        return of(live).loops();
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

    /// Everything that goes round, the nearest to howling first. Worked out when first asked for,
    /// but for what another tracer knows.
    public List<Loop> loops() {
        Tracer other;
        synchronized (this) {
            if (loops != null) return loops;
            other = like.get();
        }
        Map<Integer, Loop> known = new HashMap<>();
        if (other != null)
            for (Loop loop : other.loops())
                if (!changed.contains(loop.system())) known.put(loop.system(), loop);
        return loops(known);
    }

    private synchronized List<Loop> loops(Map<Integer, Loop> known) {
        if (loops != null) return loops;
        List<Loop> all = new ArrayList<>();
        for (int cut : cuts) {
            int system = order.loopOf(cut);
            if (all.stream().anyMatch(loop -> loop.system() == system)) continue;
            Loop same = known.get(system);
            all.add(same == null ? new Loop(unheld, order, system, systems.get(system)) : same);
        }
        all.sort(Comparator.comparingDouble(Loop::marginDb));
        loops = List.copyOf(all);
        like.clear();
        return loops;
    }

    /// How many other tracers are kept since this one may still take something over from them.
    public int leaning() {
        int leaning = 0;
        for (Kinship to = kinship; to != null; to = to.other().kinship) leaning++;
        return leaning;
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
        if (stable) return follow(Followed.of(source, nodes, flow, feedback, bands), row);
        Set<Integer> howling = new HashSet<>();
        systems.forEach(
                (system, spare) -> {
                    if (!Loop.isStable(spare)) howling.add(system);
                });
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
