package rivulus.signal;

import java.util.Arrays;
import java.util.BitSet;

/// The strongest way of one source to every node of a live graph that leads to an ear: how loud it
/// comes there, and by which nodes. How loud it comes to where nobody listens says
/// [LiveGraph#gainsDb]. Costs one relaxation over the live edges; a loop that gains is gone round a
/// few times at most.
public final class Strongest {
    private static final int MOST_ROUNDS = 200;
    private static final double HARDLY = 1 + 1e-9;

    private final LiveGraph live;
    private final double[] gain;
    private final int[] edge;
    private final int[] from;

    private Strongest(LiveGraph live, int[] starts) {
        this.live = live;
        gain = new double[live.size()];
        edge = new int[live.size()];
        from = new int[live.size()];
        Arrays.fill(edge, -1);
        BitSet now = new BitSet(gain.length);
        BitSet next = new BitSet(gain.length);
        for (int start : starts) {
            gain[start] = 1;
            now.set(start);
        }
        for (int round = 0; round < MOST_ROUNDS && !now.isEmpty(); round++) {
            for (int v = now.nextSetBit(0); v >= 0; v = now.nextSetBit(v + 1))
                for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                    int w = live.to(e);
                    double through = gain[v] * live.gain(e);
                    if (through <= gain[w] * HARDLY || isOn(w, v)) continue;
                    gain[w] = through;
                    edge[w] = e;
                    from[w] = v;
                    next.set(w);
                }
            BitSet done = now;
            now = next;
            next = done;
            next.clear();
        }
    }

    /// Whether a node lies on the way to another: no way passes a node twice.
    private boolean isOn(int node, int to) {
        int at = to;
        for (int steps = 0; steps < gain.length; steps++) {
            if (at == node) return true;
            if (edge[at] < 0) return false;
            at = from[at];
        }
        return true;
    }

    /// The strongest ways of a source.
    public static Strongest of(LiveGraph live, String source) {
        return new Strongest(live, live.graph().source(source));
    }

    /// How loud it comes to a node, as a factor; 0 where it does not.
    public double gain(int node) {
        return gain[node];
    }

    /// The same in dB against nominal; negative infinity where it does not come.
    public double db(int node) {
        return 20 * Math.log10(gain[node]);
    }

    /// The leg by which it comes to a node.
    ///
    /// @throws IllegalStateException at the start, and where it does not come
    public Leg by(int node) {
        if (edge[node] < 0) throw new IllegalStateException("nothing comes to node " + node);
        return live.leg(edge[node]);
    }

    /// The index of that leg; −1 at the start, and where it does not come.
    public int legTo(int node) {
        return edge[node] < 0 ? -1 : live.legIndex(edge[node]);
    }

    /// The nodes on its way to a node, from where it begins to that; empty where it does not come.
    public int[] to(int node) {
        if (gain[node] == 0) return new int[0];
        int length = 1;
        for (int at = node; edge[at] >= 0; at = from[at]) length++;
        int[] way = new int[length];
        for (int at = node, i = length - 1; i >= 0; at = from[at], i--) way[i] = at;
        return way;
    }

    /// Of some nodes the one that it comes to loudest; −1 where it comes to none.
    public int loudest(int[] nodes) {
        int best = -1;
        for (int node : nodes) if (gain[node] > (best < 0 ? 0 : gain[best])) best = node;
        return best;
    }
}
