package rivulus.signal;

import java.util.Arrays;
import java.util.BitSet;
import java.util.PriorityQueue;
import java.util.function.IntToDoubleFunction;
import java.util.stream.Stream;

/// Where sound could come from and get to in a graph, whatever stands open now.
public final class Reach {
    /// How far it is to what cannot be reached.
    public static final int NEVER = Integer.MAX_VALUE;

    /// A way round that gains is gone round a few times at most.
    private static final int MOST_ROUNDS = 64;

    private static final double HARDLY_DB = 1e-9;

    private Reach() {}

    /// The greatest gain from any of some nodes to every node, in dB; negative infinity where there
    /// is no way.
    ///
    /// @param legDb the gain of a leg, by its index
    public static double[] gainsFrom(SignalGraph graph, int[] starts, IntToDoubleFunction legDb) {
        return gains(graph, starts, legDb, false);
    }

    /// The greatest gain from every node to any of some nodes, in dB; negative infinity where there
    /// is no way.
    public static double[] gainsTo(SignalGraph graph, int[] ends, IntToDoubleFunction legDb) {
        return gains(graph, ends, legDb, true);
    }

    private static double[] gains(
            SignalGraph graph, int[] starts, IntToDoubleFunction legDb, boolean backwards) {
        Edges edges = graph.edges;
        double[] best = new double[graph.nodes().size()];
        Arrays.fill(best, Double.NEGATIVE_INFINITY);
        BitSet now = new BitSet(best.length);
        BitSet next = new BitSet(best.length);
        for (int start : starts) {
            best[start] = 0;
            now.set(start);
        }
        for (int round = 0; round < best.length + MOST_ROUNDS && !now.isEmpty(); round++) {
            for (int v = now.nextSetBit(0); v >= 0; v = now.nextSetBit(v + 1)) {
                int first = backwards ? edges.enterHead[v] : edges.leaveHead[v];
                int end = backwards ? edges.enterHead[v + 1] : edges.leaveHead[v + 1];
                for (int i = first; i < end; i++) {
                    int e = backwards ? edges.entering[i] : i;
                    int w = backwards ? edges.from[e] : edges.to[e];
                    double by = legDb.applyAsDouble(edges.leg[e]);
                    if (by == Double.NEGATIVE_INFINITY) continue;
                    double map = edges.mapGain[e];
                    double db = best[v] + by + (map == 1 ? 0 : 20 * Math.log10(map));
                    if (db <= best[w] + HARDLY_DB) continue;
                    best[w] = db;
                    next.set(w);
                }
            }
            BitSet done = now;
            now = next;
            next = done;
            next.clear();
            if (round >= MOST_ROUNDS && isGaining(best)) break;
        }
        return best;
    }

    private static boolean isGaining(double[] best) {
        for (double db : best) if (db > 3 * MOST_ROUNDS) return true;
        return false;
    }

    /// The least cost from any of some nodes to every node (Dijkstra 1959); [#NEVER] where there is
    /// no way.
    ///
    /// @param cost what passing a leg from a node costs, from 0; negative where nothing passes
    public static int[] from(SignalGraph graph, int[] starts, Cost cost) {
        Edges edges = graph.edges;
        int[] distance = new int[graph.nodes().size()];
        Arrays.fill(distance, NEVER);
        PriorityQueue<int[]> open = new PriorityQueue<>((a, b) -> Integer.compare(a[1], b[1]));
        for (int start : starts) {
            distance[start] = 0;
            open.add(new int[] {start, 0});
        }
        while (!open.isEmpty()) {
            int[] next = open.remove();
            int v = next[0];
            if (next[1] > distance[v]) continue;
            for (int e = edges.leaveHead[v]; e < edges.leaveHead[v + 1]; e++) {
                int w = edges.to[e];
                int step = cost.of(v, edges.leg[e], w);
                if (step < 0 || distance[v] + step >= distance[w]) continue;
                distance[w] = distance[v] + step;
                open.add(new int[] {w, distance[w]});
            }
        }
        return distance;
    }

    /// What it costs to come from a node by a leg to a node; negative where nothing does.
    public interface Cost {
        int of(int from, int leg, int to);
    }

    /// The legs by which something comes from a node to a node, in the order of the graph.
    public static Stream<Leg> crossing(SignalGraph graph, Crossing crosses) {
        Edges edges = graph.edges;
        BitSet legs = new BitSet(graph.legs().size());
        for (int e = 0; e < edges.size(); e++)
            if (crosses.test(edges.from[e], edges.leg[e], edges.to[e])) legs.set(edges.leg[e]);
        return legs.stream().mapToObj(graph.legs()::get);
    }

    /// Whether a leg from a node to a node is one of those meant.
    public interface Crossing {
        boolean test(int from, int leg, int to);
    }
}
