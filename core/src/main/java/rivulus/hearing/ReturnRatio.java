package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.LiveGraph;

/// What comes back through a leg of a loop when it is opened there and all the rest stays closed:
/// its return ratio (Bode 1945), with the magnitudes of all ways added as if in phase. Its inverse
/// is how much that leg alone may be raised before the loop howls, however the phases fall; so it
/// does not depend on where the graph is cut to be followed.
///
/// Of a leg with several channels it is the spectral radius of what comes from each to each. Cost
/// at one frequency: edges of the system times its cuts, the cube of the cuts, and for each leg the
/// square of them.
final class ReturnRatio {
    private static final int MOST_ROUNDS = 20_000;

    private final Bands bands;
    /// The nodes of the system in the order of flow; edges name them by their place in it.
    private final int nodes;
    private final int[] cutAt;
    private final int cuts;
    private final int[] from;
    private final int[] to;
    private final double[] gain;
    private final int[] band;
    private final int[] firstEdge;
    private final int[] legs;
    /// For each leg, its edges.
    private final int[][] edgesOf;

    /// @param system as [FlowOrder#loopOf] numbers it
    ReturnRatio(LiveGraph live, FlowOrder order, int system) {
        bands = live.graph().bands();
        int[] place = new int[live.size()];
        Arrays.fill(place, -1);
        List<Integer> members = new ArrayList<>();
        for (int v : order.order())
            if (order.loopOf(v) == system) {
                place[v] = members.size();
                members.add(v);
            }
        nodes = members.size();
        cutAt = new int[nodes];
        int k = 0;
        for (int i = 0; i < nodes; i++) cutAt[i] = order.isCut(members.get(i)) ? k++ : -1;
        cuts = k;
        List<int[]> edges = new ArrayList<>();
        for (int i = 0; i < nodes; i++) {
            int v = members.get(i);
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++)
                if (place[live.to(e)] >= 0) edges.add(new int[] {i, place[live.to(e)], e});
        }
        from = edges.stream().mapToInt(edge -> edge[0]).toArray();
        to = edges.stream().mapToInt(edge -> edge[1]).toArray();
        gain = edges.stream().mapToDouble(edge -> live.gain(edge[2])).toArray();
        band = edges.stream().mapToInt(edge -> live.band(edge[2])).toArray();
        firstEdge = new int[nodes + 1];
        for (int v : from) firstEdge[v + 1]++;
        for (int v = 0; v < nodes; v++) firstEdge[v + 1] += firstEdge[v];
        Map<Integer, List<Integer>> byLeg = new LinkedHashMap<>();
        for (int e = 0; e < from.length; e++)
            byLeg.computeIfAbsent(live.leg(edges.get(e)[2]).index(), _ -> new ArrayList<>()).add(e);
        legs = byLeg.keySet().stream().mapToInt(Integer::intValue).toArray();
        edgesOf =
                byLeg.values().stream()
                        .map(of -> of.stream().mapToInt(Integer::intValue).toArray())
                        .toArray(int[][]::new);
    }

    /// The indices of the legs that are part of the system.
    int[] legs() {
        return legs;
    }

    /// By how many dB each leg alone may be raised before the loop howls, at one frequency of the
    /// grid; where it howls already, by how many it has to come down (negative), or negative
    /// infinity where that does not end it. In the order of [#legs()].
    ///
    /// @param stable whether it dies away at that frequency
    double[] marginsDb(int f, boolean stable) {
        double[] magnitude = new double[gain.length];
        for (int e = 0; e < magnitude.length; e++)
            magnitude[e] = gain[e] * Math.sqrt(bands.response(band[e]).power(f));
        Closed closed = new Closed(magnitude);
        double[] margins = new double[legs.length];
        for (int l = 0; l < legs.length; l++) {
            double ratio;
            if (stable) {
                double back = closed.back(edgesOf[l], magnitude);
                ratio = back / (1 + back);
            } else {
                double[] without = magnitude.clone();
                for (int e : edgesOf[l]) without[e] = 0;
                Closed rest = new Closed(without);
                ratio =
                        rest.diesAway()
                                ? rest.back(edgesOf[l], magnitude)
                                : Double.POSITIVE_INFINITY;
            }
            margins[l] = -20 * Math.log10(ratio);
        }
        return margins;
    }

    /// By how many dB every leg at once may be raised at one frequency; negative where it howls.
    /// The spectral radius of the matrix of all edges, by the power method, which an added 1 keeps
    /// from going round in circles; to 0.01 dB.
    double everyLegDb(int f) {
        double[] x = new double[nodes];
        Arrays.fill(x, 1);
        double radius = 0;
        for (int round = 0; round < MOST_ROUNDS; round++) {
            double[] next = x.clone();
            for (int e = 0; e < from.length; e++)
                next[to[e]] += x[from[e]] * gain[e] * Math.sqrt(bands.response(band[e]).power(f));
            double norm = Arrays.stream(next).max().orElse(1);
            for (int v = 0; v < nodes; v++) next[v] /= norm;
            boolean settled = Math.abs(norm - 1 - radius) < 1e-7 * norm && round > nodes;
            radius = norm - 1;
            x = next;
            if (settled) break;
        }
        return -20 * Math.log10(radius);
    }

    /// The system at one frequency, with every edge at a magnitude.
    private final class Closed {
        private final double[] magnitude;
        /// From the cut nodes to every node, and from every node into the cuts, no cut passed
        /// between.
        private final double[][] forward = new double[cuts][nodes];
        private final double[][] backward = new double[cuts][nodes];
        private final double[][] between = new double[cuts][cuts];
        private double[][] inverse;

        Closed(double[] magnitude) {
            this.magnitude = magnitude;
            for (int v = 0; v < nodes; v++) if (cutAt[v] >= 0) forward[cutAt[v]][v] = 1;
            for (int e = 0; e < from.length; e++)
                for (int c = 0; c < cuts; c++) {
                    double passed = forward[c][from[e]] * magnitude[e];
                    if (cutAt[to[e]] >= 0) between[cutAt[to[e]]][c] += passed;
                    else forward[c][to[e]] += passed;
                }
            for (int e = from.length - 1; e >= 0; e--)
                for (int c = 0; c < cuts; c++)
                    backward[c][from[e]] += magnitude[e] * arriving(to[e], c);
        }

        /// What arrives at a cut of what leaves a node; a cut node is at its own cut.
        private double arriving(int node, int cut) {
            if (cutAt[node] >= 0) return cutAt[node] == cut ? 1 : 0;
            return backward[cut][node];
        }

        boolean diesAway() {
            return Loop.radius(between) < 1;
        }

        /// The spectral radius of what comes from each of some edges back to each.
        double back(int[] edges, double[] over) {
            double[][] returns = new double[edges.length][edges.length];
            for (int j = 0; j < edges.length; j++) {
                double[] standing = standing(to[edges[j]]);
                double[] straight = straight(to[edges[j]], edges);
                for (int i = 0; i < edges.length; i++) {
                    int end = from[edges[i]];
                    double back = straight.length == 0 ? 0 : straight[end];
                    for (int c = 0; c < cuts; c++) back += forward[c][end] * standing[c];
                    returns[i][j] = over[edges[i]] * back;
                }
            }
            return Loop.radius(returns);
        }

        /// What stands at every cut of what leaves a node.
        private double[] standing(int node) {
            if (inverse == null) inverse = inverse(between);
            double[] standing = new double[cuts];
            for (int c = 0; c < cuts; c++) {
                double arrives = arriving(node, c);
                if (arrives == 0) continue;
                for (int d = 0; d < cuts; d++) standing[d] += inverse[d][c] * arrives;
            }
            return standing;
        }

        /// What comes of a node to where some edges begin without passing a cut; empty where that
        /// is nothing, since they all begin earlier in the order.
        private double[] straight(int node, int[] edges) {
            int last = -1;
            for (int e : edges) last = Math.max(last, from[e]);
            if (cutAt[node] >= 0 || last <= node) return new double[0];
            double[] at = new double[nodes];
            at[node] = 1;
            for (int e = firstEdge[node]; e < firstEdge[last]; e++)
                if (cutAt[to[e]] < 0 && at[from[e]] > 0) at[to[e]] += at[from[e]] * magnitude[e];
            return at;
        }
    }

    /// (I − T)⁻¹ by Gauss-Jordan elimination; T dies away, so that the pivots are never 0.
    private static double[][] inverse(double[][] t) {
        int k = t.length;
        double[][] rows = new double[k][2 * k];
        for (int i = 0; i < k; i++) {
            for (int j = 0; j < k; j++) rows[i][j] = (i == j ? 1 : 0) - t[i][j];
            rows[i][k + i] = 1;
        }
        for (int c = 0; c < k; c++) {
            int pivot = c;
            for (int r = c + 1; r < k; r++)
                if (Math.abs(rows[r][c]) > Math.abs(rows[pivot][c])) pivot = r;
            double[] row = rows[pivot];
            rows[pivot] = rows[c];
            rows[c] = row;
            double by = 1 / row[c];
            for (int j = 0; j < row.length; j++) row[j] *= by;
            for (int r = 0; r < k; r++) {
                double factor = rows[r][c];
                if (r == c || factor == 0) continue;
                for (int j = 0; j < row.length; j++) rows[r][j] -= factor * row[j];
            }
        }
        double[][] inverse = new double[k][];
        for (int i = 0; i < k; i++) inverse[i] = Arrays.copyOfRange(rows[i], k, 2 * k);
        return inverse;
    }
}
