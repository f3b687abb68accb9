package rivulus.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/// An order in which sound can be followed through a live graph, and the few nodes at which its
/// loops are cut for it.
///
/// The strongly connected components are found with Tarjan's algorithm (1972), in time linear in
/// nodes and edges. In every component that goes round, one node is cut (its incoming edges from
/// within the component are set aside), until nothing goes round: the one with the most ways in
/// times ways out. The cut set is small, not proven smallest; results do not depend on it. Where
/// sound is run in time, nodes that it needs time to come to are cut before others, so that no
/// block of samples waits for itself.
public final class FlowOrder {
    private final LiveGraph live;
    private final boolean inTime;
    private final boolean[] cut;
    private final int[] order;
    private int ordered;
    private final List<int[]> rounds = new ArrayList<>();
    private final int[] firstComponent;
    /// For each node the number of its component, alone or going round, before anything is cut;
    /// what gives on to another has the higher number.
    private int[] component;
    private final int[] positions;
    private final int[] cutIndexes;

    // Tarjan's state, let go of once all is ordered
    private int[] index;
    private int[] low;
    private boolean[] onStack;
    private int[] stack;
    private int[] path;
    private int[] next;

    private FlowOrder(LiveGraph live, boolean inTime) {
        this.live = live;
        this.inTime = inTime;
        int n = live.size();
        cut = new boolean[n];
        order = new int[n];
        index = new int[n];
        low = new int[n];
        onStack = new boolean[n];
        stack = new int[n];
        path = new int[n];
        next = new int[n];
        firstComponent = new int[n];
        Arrays.fill(firstComponent, -1);
        component = new int[n];
        components();
        int[] first = component;
        component = null;
        for (int c = 0; c < rounds.size(); c++) for (int v : rounds.get(c)) firstComponent[v] = c;
        while (!rounds.isEmpty()) {
            for (int[] round : rounds) cut[busiest(round)] = true;
            components();
        }
        for (int i = 0; i < n / 2; i++) {
            int swap = order[i];
            order[i] = order[n - 1 - i];
            order[n - 1 - i] = swap;
        }
        positions = new int[n];
        for (int i = 0; i < n; i++) positions[order[i]] = i;
        cutIndexes = new int[n];
        Arrays.fill(cutIndexes, -1);
        int[] cuts = cuts();
        for (int k = 0; k < cuts.length; k++) cutIndexes[cuts[k]] = k;
        component = first;
        index = low = stack = path = next = null;
        onStack = null;
    }

    /// The order of a live graph with few cuts.
    public static FlowOrder of(LiveGraph live) {
        return new FlowOrder(live, false);
    }

    /// The order of a live graph that cuts loops where sound takes time.
    public static FlowOrder inTime(LiveGraph live) {
        return new FlowOrder(live, true);
    }

    /// Nodes so that every edge goes forward, but for those that enter a cut node from its own
    /// component. Not to be changed.
    public int[] order() {
        return order;
    }

    /// Whether a node's incoming edges from its own component are set aside.
    public boolean isCut(int node) {
        return cut[node];
    }

    /// The cut nodes, ascending.
    public int[] cuts() {
        int[] cuts = new int[cut.length];
        int k = 0;
        for (int v = 0; v < cut.length; v++) if (cut[v]) cuts[k++] = v;
        return Arrays.copyOf(cuts, k);
    }

    /// Where each node stands in the order. Not to be changed.
    public int[] positions() {
        return positions;
    }

    /// For each node its place among the cuts, or −1. Not to be changed.
    public int[] cutIndexes() {
        return cutIndexes;
    }

    /// Whether it is an order of another state of its graph, too, in which all is live that is live
    /// in its own, and goes round in the same systems: what is live besides only goes forward,
    /// among what goes round by itself and within that.
    public boolean holdsFor(LiveGraph other) {
        if (!other.hasAllOf(live)) return false;
        for (int v = 0; v < other.size(); v++)
            for (int e = other.firstEdge(v); e < other.firstEdge(v + 1); e++) {
                int to = other.to(e);
                boolean forward = positions[v] < positions[to] || isSetAside(v, to);
                if (!forward || component[v] < component[to]) return false;
            }
        return true;
    }

    /// The number of the loop system a node is in, or −1 where nothing goes round through it.
    public int loopOf(int node) {
        return firstComponent[node];
    }

    private int busiest(int[] round) {
        boolean[] member = new boolean[live.size()];
        for (int v : round) member[v] = true;
        int[] in = new int[live.size()];
        int[] out = new int[live.size()];
        boolean[] atOnce = new boolean[live.size()];
        for (int v : round) {
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                int to = live.to(e);
                if (!member[to] || isSetAside(v, to)) continue;
                out[v]++;
                in[to]++;
                atOnce[to] |= inTime && live.ns(e) == 0;
            }
        }
        int best = round[0];
        for (int v : round) {
            boolean better =
                    atOnce[best] == atOnce[v]
                            ? in[v] * out[v] > in[best] * out[best]
                            : atOnce[best];
            if (better) best = v;
        }
        return best;
    }

    private boolean isSetAside(int from, int to) {
        return cut[to] && firstComponent[from] == firstComponent[to];
    }

    /// Fills `order` (sinks first) and `rounds`, the components that go round.
    private void components() {
        Arrays.fill(index, 0);
        rounds.clear();
        ordered = 0;
        int counter = 0;
        int top = 0;
        for (int root = 0; root < live.size(); root++) {
            if (index[root] != 0) continue;
            int depth = 0;
            path[0] = root;
            while (depth >= 0) {
                int v = path[depth];
                if (index[v] == 0) {
                    index[v] = low[v] = ++counter;
                    next[v] = live.firstEdge(v);
                    stack[top++] = v;
                    onStack[v] = true;
                }
                int deeper = -1;
                while (next[v] < live.firstEdge(v + 1) && deeper < 0) {
                    int to = live.to(next[v]++);
                    if (isSetAside(v, to)) continue;
                    if (index[to] == 0) deeper = to;
                    else if (onStack[to]) low[v] = Math.min(low[v], index[to]);
                }
                if (deeper >= 0) {
                    path[++depth] = deeper;
                    continue;
                }
                if (low[v] == index[v]) top = closeComponent(v, top);
                if (--depth >= 0) low[path[depth]] = Math.min(low[path[depth]], low[v]);
            }
        }
    }

    private int closeComponent(int v, int top) {
        int bottom = top;
        int first = ordered;
        do {
            bottom--;
            onStack[stack[bottom]] = false;
            if (component != null) component[stack[bottom]] = first;
            order[ordered++] = stack[bottom];
        } while (stack[bottom] != v);
        if (top - bottom > 1 || feedsItself(v)) rounds.add(Arrays.copyOfRange(stack, bottom, top));
        return bottom;
    }

    private boolean feedsItself(int v) {
        if (cut[v]) return false;
        for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++)
            if (live.to(e) == v) return true;
        return false;
    }
}
