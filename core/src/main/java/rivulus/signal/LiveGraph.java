package rivulus.signal;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import rivulus.gear.Block;
import rivulus.gear.Delay;
import rivulus.gear.Setting;
import rivulus.show.Ref;

/// The graph as sound finds it at one stand of the knobs: only open legs, only what can still reach
/// an ear.
///
/// Building costs time and memory in proportion to the channels of all legs.
public final class LiveGraph {
    private final SignalGraph graph;
    private final Positions positions;
    private final double[] legGain;
    private final long[] legNs;
    private volatile double[] lifts;

    private final Shape shape;
    private final double[] gain;
    private final long[] ns;

    /// Which channels of legs are live, by the nodes that they leave: shared by all states in which
    /// the same legs are open.
    private static final class Shape {
        private final int[] head;
        private final int[] edge;
        private final int[] to;
        private final int[] band;
        private int[] enterHead;
        private int[] enteringFrom;

        Shape(int[] head, int[] edge, int[] to, int[] band) {
            this.head = head;
            this.edge = edge;
            this.to = to;
            this.band = band;
        }

        int size() {
            return head.length - 1;
        }

        /// Marks every node that can be reached from some.
        void downstream(int[] starts, boolean[] marked) {
            mark(starts, head, to, marked);
        }

        /// Marks every node from which some can be reached.
        void upstream(int[] starts, boolean[] marked) {
            turnRound();
            mark(starts, enterHead, enteringFrom, marked);
        }

        private void mark(int[] starts, int[] head, int[] next, boolean[] marked) {
            boolean[] seen = new boolean[marked.length];
            int[] stack = new int[size()];
            int top = 0;
            for (int v : starts) {
                if (seen[v]) continue;
                seen[v] = true;
                stack[top++] = v;
            }
            while (top > 0) {
                int v = stack[--top];
                marked[v] = true;
                for (int i = head[v]; i < head[v + 1]; i++) {
                    if (seen[next[i]]) continue;
                    seen[next[i]] = true;
                    stack[top++] = next[i];
                }
            }
        }

        private synchronized void turnRound() {
            if (enterHead != null) return;
            int[] count = new int[head.length];
            for (int w : to) count[w + 1]++;
            for (int v = 0; v < size(); v++) count[v + 1] += count[v];
            int[] next = count.clone();
            enteringFrom = new int[to.length];
            for (int v = 0; v < size(); v++)
                for (int e = head[v]; e < head[v + 1]; e++) enteringFrom[next[to[e]]++] = v;
            enterHead = count;
        }
    }

    /// Another state in which the same legs are open.
    ///
    /// @param delays whether any delay differs
    private LiveGraph(
            LiveGraph like, Positions positions, double[] legGain, long[] legNs, boolean delays) {
        graph = like.graph;
        this.positions = positions;
        this.legGain = legGain;
        this.legNs = legNs;
        shape = like.shape;
        gain = legGain == like.legGain ? like.gain : gains();
        ns = delays ? delays() : like.ns;
    }

    /// The same state with some of its live edges only.
    private LiveGraph(LiveGraph like, IntPredicate keeps) {
        graph = like.graph;
        positions = like.positions;
        legGain = like.legGain;
        legNs = like.legNs;
        int n = like.size();
        int[] head = new int[n + 1];
        int[] kept = new int[like.shape.edge.length];
        int count = 0;
        for (int v = 0; v < n; v++) {
            for (int e = like.firstEdge(v); e < like.firstEdge(v + 1); e++)
                if (keeps.test(e)) kept[count++] = e;
            head[v + 1] = count;
        }
        int[] edge = new int[count];
        int[] to = new int[count];
        int[] band = new int[count];
        for (int slot = 0; slot < count; slot++) {
            int e = kept[slot];
            edge[slot] = like.shape.edge[e];
            to[slot] = like.to(e);
            band[slot] = like.band(e);
        }
        shape = new Shape(head, edge, to, band);
        gain = gains();
        ns = delays();
    }

    private LiveGraph(SignalGraph graph, Positions positions, double[] legGain, long[] legNs) {
        this.graph = graph;
        this.positions = positions;
        this.legGain = legGain;
        this.legNs = legNs;
        Edges edges = graph.edges;
        BitSet useful = reachingEars();
        int n = graph.nodes().size();
        int[] head = new int[n + 1];
        int[] live = new int[edges.size()];
        int count = 0;
        for (int e = 0; e < live.length; e++) {
            if (legGain[edges.leg[e]] <= 0 || !useful.get(edges.to[e])) continue;
            live[count++] = e;
            head[edges.from[e] + 1] = count;
        }
        for (int v = 0; v < n; v++) head[v + 1] = Math.max(head[v + 1], head[v]);
        int[] edge = Arrays.copyOf(live, count);
        int[] to = new int[count];
        int[] band = new int[count];
        for (int slot = 0; slot < count; slot++) {
            int e = edge[slot];
            to[slot] = edges.to[e];
            band[slot] = graph.bandOf(edges.leg[e]);
        }
        shape = new Shape(head, edge, to, band);
        gain = gains();
        ns = delays();
    }

    private double[] gains() {
        Edges edges = graph.edges;
        int[] edge = shape.edge;
        double[] gains = new double[edge.length];
        for (int slot = 0; slot < gains.length; slot++)
            gains[slot] = legGain[edges.leg[edge[slot]]] * edges.mapGain[edge[slot]];
        return gains;
    }

    private long[] delays() {
        int[] edge = shape.edge;
        long[] delays = new long[edge.length];
        for (int slot = 0; slot < delays.length; slot++)
            delays[slot] = legNs[graph.edges.leg[edge[slot]]];
        return delays;
    }

    /// The graph as it is live at that stand of the knobs.
    public static LiveGraph of(SignalGraph graph, Positions positions) {
        double[] gains = new double[graph.legs().size()];
        long[] ns = new long[gains.length];
        for (Leg leg : graph.legs()) {
            gains[leg.index()] = gain(leg, positions);
            ns[leg.index()] = nanos(leg, positions);
        }
        return new LiveGraph(graph, positions, gains, ns);
    }

    /// The same graph with one leg at another gain.
    ///
    /// @param by a factor on its gain, over 0
    public LiveGraph with(Leg leg, double by) {
        double[] gains = legGain.clone();
        gains[leg.index()] *= by;
        return new LiveGraph(graph, positions, gains, legNs);
    }

    /// The same graph as what goes round finds it: every processor lifts as far as it ever does,
    /// since nothing is loud enough yet to be held back. The graph itself where none is on.
    public LiveGraph unheld() {
        double[] lift = liftsDb();
        if (lift.length == 0) return this;
        double[] gains = legGain.clone();
        boolean same = true;
        for (int l : graph.processed()) {
            if (lift[l] == 0) continue;
            same = false;
            gains[l] *= Math.pow(10, lift[l] / 20);
        }
        return same ? this : new LiveGraph(this, positions, gains, legNs, false);
    }

    /// Whether a processor is on anywhere.
    public boolean isProcessed() {
        for (int k : graph.switches())
            if (positions.get(k) instanceof Setting.Switch(boolean on) && on) return true;
        return false;
    }

    /// Whether every processor stands as in another state of the same graph.
    public boolean isProcessedLike(LiveGraph other) {
        for (int k : graph.processing())
            if (!positions.stands(k, other.positions.get(k))) return false;
        return true;
    }

    /// By how many dB more each leg lifts what is too soft to be held back than a voice at nominal;
    /// empty where no processor is on.
    public double[] liftsDb() {
        double[] known = lifts;
        if (known != null) return known;
        double[] made = isProcessed() ? new double[legGain.length] : new double[0];
        if (made.length > 0)
            for (int l : graph.processed()) {
                List<Block> blocks = positions.blocks(graph.legs().get(l));
                made[l] = Processing.mostDb(blocks) - Processing.nominalDb(blocks);
            }
        lifts = made;
        return made;
    }

    /// The same state with some of its live edges only, for sound to be followed by them.
    ///
    /// @param keeps which, by their numbers
    public LiveGraph by(IntPredicate keeps) {
        return new LiveGraph(this, keeps);
    }

    /// The same graph with nothing passing through some devices, as if they had failed.
    public LiveGraph withoutDevices(Set<String> devices) {
        return without(
                leg ->
                        devices.contains(leg.from().device())
                                || devices.contains(leg.to().device()));
    }

    /// The same graph with some legs cut.
    public LiveGraph without(Collection<Leg> cut) {
        double[] gains = legGain.clone();
        for (Leg leg : cut) gains[leg.index()] = 0;
        return new LiveGraph(graph, positions, gains, legNs);
    }

    /// The same graph with those legs cut that are meant.
    public LiveGraph without(Predicate<Leg> cut) {
        double[] gains = legGain.clone();
        for (Leg leg : graph.legs()) if (cut.test(leg)) gains[leg.index()] = 0;
        return new LiveGraph(graph, positions, gains, legNs);
    }

    /// The same graph at another stand of the knobs; only legs of turned knobs are worked out anew.
    public LiveGraph at(Positions others) {
        return turned(
                others,
                IntStream.range(0, graph.knobs().size())
                        .filter(k -> !positions.stands(k, others.get(k))));
    }

    /// The same graph with one knob turned.
    public LiveGraph with(int knob, Setting setting) {
        return turned(positions.with(knob, setting), IntStream.of(knob));
    }

    private LiveGraph turned(Positions others, IntStream knobs) {
        double[] gains = legGain;
        long[] ns = legNs;
        boolean alike = true;
        for (int k : knobs.toArray())
            for (Leg leg : graph.governedBy(k)) {
                int l = leg.index();
                double lets = gain(leg, others);
                long takes = nanos(leg, others);
                if (lets != gains[l]) {
                    if (gains == legGain) gains = legGain.clone();
                    gains[l] = lets;
                    alike &= lets > 0 == legGain[l] > 0;
                }
                if (takes != ns[l]) {
                    if (ns == legNs) ns = legNs.clone();
                    ns[l] = takes;
                }
            }
        return alike
                ? new LiveGraph(this, others, gains, ns, ns != legNs)
                : new LiveGraph(graph, others, gains, ns);
    }

    /// Whether anything that a source gives may come to an ear otherwise with one knob turned.
    /// Costs a search around the legs that it changes.
    public boolean mayBeHeard(int knob, Setting setting) {
        Positions others = positions.with(knob, setting);
        List<Leg> changed = new ArrayList<>();
        BitSet opened = new BitSet();
        for (Leg leg : graph.governedBy(knob)) {
            double gain = gain(leg, others);
            boolean differs =
                    gain != legGain[leg.index()] || nanos(leg, others) != legNs[leg.index()];
            if (!differs || gain == 0 && legGain[leg.index()] == 0) continue;
            changed.add(leg);
            opened.set(leg.index());
        }
        if (changed.isEmpty()) return false;
        IntPredicate open = leg -> legGain[leg] > 0 || opened.get(leg);
        int[] ends = changed.stream().flatMapToInt(this::ends).toArray();
        int[] starts = changed.stream().flatMapToInt(this::starts).toArray();
        return comesTo(ends, graph.earNodes(), open, false)
                && comesTo(starts, graph.sourceNodes(), open, true);
    }

    /// Whether any of some nodes is met on the way from others, or on the way to them.
    private boolean comesTo(int[] from, BitSet goals, IntPredicate open, boolean backwards) {
        Edges edges = graph.edges;
        BitSet seen = new BitSet(graph.nodes().size());
        Deque<Integer> next = new ArrayDeque<>();
        for (int v : from) next.push(v);
        while (!next.isEmpty()) {
            int v = next.pop();
            if (goals.get(v)) return true;
            if (seen.get(v)) continue;
            seen.set(v);
            int first = backwards ? edges.enterHead[v] : edges.leaveHead[v];
            int end = backwards ? edges.enterHead[v + 1] : edges.leaveHead[v + 1];
            for (int i = first; i < end; i++) {
                int e = backwards ? edges.entering[i] : i;
                if (open.test(edges.leg[e])) next.push(backwards ? edges.from[e] : edges.to[e]);
            }
        }
        return false;
    }

    /// Whether every leg lets through what it does in another state of the same graph: some knob
    /// may stand otherwise, but nobody hears it.
    public boolean soundsLike(LiveGraph other) {
        return legGain == other.legGain && legNs == other.legNs;
    }

    private static long nanos(Leg leg, Positions positions) {
        return leg.delay().nanos() + Math.round(positions.governedMs(leg) * 1e6);
    }

    private static double gain(Leg leg, Positions positions) {
        double db = positions.legDb(leg);
        return db == 0 ? 1 : Math.pow(10, db / 20);
    }

    /// The nodes from which an ear can be reached by open legs.
    private BitSet reachingEars() {
        BitSet ears = new BitSet(graph.nodes().size());
        for (SignalGraph.EarNodes ear : graph.ears().values()) {
            for (int[] channel : ear.channels()) for (int v : channel) ears.set(v);
        }
        return upstream(ears, leg -> legGain[leg] > 0);
    }

    /// Where this state and another of the same graph differ.
    ///
    /// @param upstream for every node whether a leg that differs can be reached from it, and an ear
    ///     by that, in either state
    /// @param downstream for every node whether it lies on a way to an ear and can be reached from
    ///     such a leg, in either state
    public record Difference(boolean[] upstream, boolean[] downstream) {}

    /// The nodes at which a leg begins that has another gain or delay than in another state of the
    /// same graph.
    public int[] differingFrom(LiveGraph other) {
        return differing(other).stream()
                .mapToObj(graph.legs()::get)
                .flatMapToInt(this::starts)
                .distinct()
                .toArray();
    }

    /// Where this state and another of the same graph differ.
    ///
    /// @throws IllegalArgumentException if the other belongs to another graph
    public Difference from(LiveGraph other) {
        if (other.graph != graph)
            throw new IllegalArgumentException("these are states of two different graphs");
        boolean[] upstream = new boolean[size()];
        boolean[] downstream = new boolean[size()];
        BitSet differing = differing(other);
        int[] starts =
                differing.stream().mapToObj(graph.legs()::get).flatMapToInt(this::starts).toArray();
        int[] ends =
                differing.stream().mapToObj(graph.legs()::get).flatMapToInt(this::ends).toArray();
        shape.upstream(starts, upstream);
        shape.downstream(ends, downstream);
        if (!hasShapeOf(other)) {
            other.shape.upstream(starts, upstream);
            other.shape.downstream(ends, downstream);
        }
        return new Difference(upstream, downstream);
    }

    private IntStream starts(Leg leg) {
        int[] nodes = graph.nodesOf(leg.from());
        return leg.map().stream().mapToInt(channel -> nodes[channel.from()]);
    }

    private IntStream ends(Leg leg) {
        int[] nodes = graph.nodesOf(leg.to());
        return leg.map().stream().mapToInt(channel -> nodes[channel.to()]);
    }

    /// The legs that have another gain or delay.
    private BitSet differing(LiveGraph other) {
        BitSet differing = new BitSet(legGain.length);
        int n = legGain.length;
        for (int from = 0; from < n; ) {
            int at = Arrays.mismatch(legGain, from, n, other.legGain, from, n);
            if (at < 0) break;
            differing.set(from + at);
            from += at + 1;
        }
        for (int from = legNs == other.legNs ? n : 0; from < n; ) {
            int at = Arrays.mismatch(legNs, from, n, other.legNs, from, n);
            if (at < 0) break;
            differing.set(from + at);
            from += at + 1;
        }
        return differing;
    }

    /// Whether the same channels of legs are live in another state of the same graph, at whatever
    /// gain and delay.
    public boolean hasShapeOf(LiveGraph other) {
        return other.graph == graph
                && (shape == other.shape || Arrays.equals(shape.edge, other.shape.edge));
    }

    /// Whether all is live that is live in another state of the same graph.
    boolean hasAllOf(LiveGraph other) {
        if (other.graph != graph) return false;
        int[] mine = shape.edge;
        int at = 0;
        for (int edge : other.shape.edge) {
            while (at < mine.length && mine[at] < edge) at++;
            if (at == mine.length || mine[at] != edge) return false;
        }
        return true;
    }

    /// Whether no leg is louder than in another state of the same graph, so that nothing is live
    /// that is not live there.
    public boolean isWithin(LiveGraph other) {
        if (other.graph != graph) return false;
        for (int l = 0; l < legGain.length; l++) if (legGain[l] > other.legGain[l]) return false;
        return true;
    }

    private BitSet downstream(BitSet starts, IntPredicate open) {
        Edges edges = graph.edges;
        BitSet marked = (BitSet) starts.clone();
        int[] stack = new int[graph.nodes().size()];
        int top = 0;
        for (int v = starts.nextSetBit(0); v >= 0; v = starts.nextSetBit(v + 1)) stack[top++] = v;
        while (top > 0) {
            int v = stack[--top];
            for (int e = edges.leaveHead[v]; e < edges.leaveHead[v + 1]; e++) {
                int w = edges.to[e];
                if (marked.get(w) || !open.test(edges.leg[e])) continue;
                marked.set(w);
                stack[top++] = w;
            }
        }
        return marked;
    }

    private BitSet upstream(BitSet starts, IntPredicate open) {
        Edges edges = graph.edges;
        BitSet marked = (BitSet) starts.clone();
        int[] stack = new int[graph.nodes().size()];
        int top = 0;
        for (int v = starts.nextSetBit(0); v >= 0; v = starts.nextSetBit(v + 1)) stack[top++] = v;
        while (top > 0) {
            int v = stack[--top];
            for (int i = edges.enterHead[v]; i < edges.enterHead[v + 1]; i++) {
                int e = edges.entering[i];
                int u = edges.from[e];
                if (marked.get(u) || !open.test(edges.leg[e])) continue;
                marked.set(u);
                stack[top++] = u;
            }
        }
        return marked;
    }

    /// Whether sound at a point can come to an ear by open legs.
    public boolean leads(Ref point, String ear) {
        return earsBehind(point).contains(ear);
    }

    /// The ids of the ears to which sound at a point can come by open legs.
    public Set<String> earsBehind(Ref point) {
        BitSet starts = new BitSet(graph.nodes().size());
        for (int v : graph.nodesOf(point)) starts.set(v);
        BitSet reached = downstream(starts, leg -> legGain[leg] > 0);
        Set<String> ears = new HashSet<>();
        graph.ears()
                .forEach(
                        (id, ear) -> {
                            for (int node : ear.nodes()) if (reached.get(node)) ears.add(id);
                        });
        return ears;
    }

    /// The gain of the strongest way by which a source comes to each node, in dB against nominal;
    /// negative infinity where it does not. Whether anybody listens there or not: while a rig is
    /// being put together nobody does yet.
    public double[] gainsDb(String source) {
        return gainsDb(source, _ -> true);
    }

    private double[] gainsDb(String source, Predicate<Leg> by) {
        return Reach.gainsFrom(
                graph,
                graph.source(source),
                leg ->
                        legGain[leg] > 0 && by.test(graph.legs().get(leg))
                                ? 20 * Math.log10(legGain[leg])
                                : Double.NEGATIVE_INFINITY);
    }

    /// Whether sound of a source comes to a machine, by open legs and at least so loud at some
    /// point of it.
    ///
    /// @param db against nominal
    public boolean comesTo(String source, String device, double db) {
        return comesTo(source, device, db, _ -> true);
    }

    /// The same by some legs only.
    public boolean comesTo(String source, String device, double db, Predicate<Leg> by) {
        double[] best = gainsDb(source, by);
        for (Node node : graph.nodes())
            if (node.point().device().equals(device) && best[node.index()] >= db) return true;
        return false;
    }

    /// The ids of all machines to which a source comes at so many dB or more.
    public Set<String> devicesReached(String source, double db) {
        double[] best = gainsDb(source);
        Set<String> reached = new HashSet<>();
        for (Node node : graph.nodes())
            if (best[node.index()] >= db) reached.add(node.point().device());
        return reached;
    }

    /// The graph this is a state of.
    public SignalGraph graph() {
        return graph;
    }

    /// How the knobs stand.
    public Positions positions() {
        return positions;
    }

    /// Gain of a leg with its knobs as they stand; 0 where it is closed.
    public double legGain(int leg) {
        return legGain[leg];
    }

    /// How long a leg takes with its knobs as they stand.
    public Delay legDelay(Leg leg) {
        double more = positions.governedMs(leg);
        return more == 0 ? leg.delay() : leg.delay().plus(Delay.exactly(more));
    }

    /// How many nodes there are, live or not.
    public int size() {
        return shape.size();
    }

    /// The first live edge out of a node; the last is before `firstEdge(node + 1)`.
    public int firstEdge(int node) {
        return shape.head[node];
    }

    /// Where a live edge goes.
    public int to(int liveEdge) {
        return shape.to[liveEdge];
    }

    /// The gain of a live edge, above 0.
    public double gain(int liveEdge) {
        return gain[liveEdge];
    }

    /// The delay of a live edge in nanoseconds.
    public long ns(int liveEdge) {
        return ns[liveEdge];
    }

    /// The number of a live edge's band limit in [SignalGraph#bands()].
    public int band(int liveEdge) {
        return shape.band[liveEdge];
    }

    /// The leg that a live edge is a channel of.
    public Leg leg(int liveEdge) {
        return graph.legs().get(legIndex(liveEdge));
    }

    /// The index of the leg that a live edge belongs to.
    int legIndex(int liveEdge) {
        return graph.edges.leg[shape.edge[liveEdge]];
    }
}
