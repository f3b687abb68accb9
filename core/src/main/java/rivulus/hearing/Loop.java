package rivulus.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.Grid;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Response;

/// Something that goes round: a strongly connected part of a live graph, with its gain once round.
///
/// The gain at a frequency is the spectral radius of the matrix of gains between the nodes at which
/// the loop is cut, with the magnitudes of all ways added as if in phase. That is the worst case
/// over all delays: it bounds the radius of the block of I − A(ω) at every phase, so a positive
/// margin proves stability, and as delays of real gear and air wander, a margin that only holds by
/// cancellation is not counted.
public final class Loop {
    /// As near as the gain once round is known; see [#radius].
    private static final double AS_GOOD_AS_HOWLING_DB = 0.01;

    private final LiveGraph live;
    private final int system;
    private final int node;
    private final double[] gainDb;
    private final List<Leg> legs;

    private Loop(LiveGraph live, int system, int node, double[] gainDb, List<Leg> legs) {
        this.live = live;
        this.system = system;
        this.node = node;
        this.gainDb = gainDb;
        this.legs = legs;
    }

    /// The number of the loop system in [FlowOrder#loopOf(int)].
    int system() {
        return system;
    }

    static List<Loop> find(LiveGraph live, FlowOrder order, int[] cuts, Flow.Field[] from) {
        Map<Integer, List<Integer>> systems = new LinkedHashMap<>();
        for (int k = 0; k < cuts.length; k++) {
            systems.computeIfAbsent(order.loopOf(cuts[k]), _ -> new ArrayList<>()).add(k);
        }
        List<Loop> loops = new ArrayList<>();
        systems.forEach(
                (system, members) -> {
                    double[] gain = new double[Grid.SIZE];
                    for (int f = 0; f < gain.length; f++) {
                        gain[f] =
                                20
                                        * Math.log10(
                                                radius(
                                                        magnitudes(
                                                                members,
                                                                from,
                                                                live.graph().bands(),
                                                                f)));
                    }
                    loops.add(
                            new Loop(
                                    live,
                                    system,
                                    cuts[members.getFirst()],
                                    gain,
                                    legsIn(live, order, system)));
                });
        loops.sort(Comparator.comparingDouble(Loop::marginDb));
        return List.copyOf(loops);
    }

    private static List<Leg> legsIn(LiveGraph live, FlowOrder order, int system) {
        List<Leg> legs = new ArrayList<>();
        for (int v = 0; v < live.size(); v++) {
            if (order.loopOf(v) != system) continue;
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                if (order.loopOf(live.to(e)) == system && !legs.contains(live.leg(e)))
                    legs.add(live.leg(e));
            }
        }
        return legs;
    }

    private static double[][] magnitudes(
            List<Integer> members, Flow.Field[] from, Bands bands, int f) {
        double[][] m = new double[members.size()][members.size()];
        for (int j = 0; j < m.length; j++) {
            for (int i = 0; i < m.length; i++) {
                Taps taps = from[members.get(j)].intoCut()[members.get(i)];
                for (int t = 0; t < taps.size(); t++) {
                    Response band = bands.response(taps.band[t]);
                    m[i][j] += taps.gain[t] * Math.sqrt(band.power(f));
                }
            }
        }
        return m;
    }

    /// Spectral radius of a matrix without negative entries, by repeated squaring: ‖Mⁿ‖^(1/n) with
    /// n = 2¹², to 0.01 dB.
    static double radius(double[][] m) {
        if (m.length == 1) return m[0][0];
        double[][] power = m;
        double logScale = 0;
        double n = 1;
        for (int squarings = 0; squarings < 12; squarings++) {
            double norm = 0;
            for (double[] row : power) for (double x : row) norm = Math.max(norm, x);
            if (norm == 0) return 0;
            logScale += Math.log(norm) / n;
            power = square(power, 1 / norm);
            n *= 2;
        }
        double norm = 0;
        for (double[] row : power) for (double x : row) norm = Math.max(norm, x);
        return norm == 0 ? 0 : Math.exp(logScale + Math.log(norm) / n);
    }

    private static double[][] square(double[][] m, double scale) {
        int k = m.length;
        double[][] out = new double[k][k];
        for (int i = 0; i < k; i++) {
            for (int j = 0; j < k; j++) {
                double a = m[i][j] * scale;
                if (a == 0) continue;
                for (int l = 0; l < k; l++) out[i][l] += a * m[j][l] * scale;
            }
        }
        return out;
    }

    /// Gain once round in dB at one frequency of the [Grid].
    public double gainDb(int i) {
        return gainDb[i];
    }

    /// How many dB are left before it howls, at the worst frequency.
    public double marginDb() {
        return -gainDb[worst()];
    }

    /// The frequency in Hz at which it is nearest to howling, the lowest of several.
    public double worstHz() {
        return Grid.hz(worst());
    }

    private int worst() {
        int worst = 0;
        for (int i = 1; i < gainDb.length; i++) if (gainDb[i] > gainDb[worst] + 1e-9) worst = i;
        return worst;
    }

    /// Whether it dies away, however the phases fall. What is nearer to howling than
    /// [#AS_GOOD_AS_HOWLING_DB] is told as a howl: no figure could be worked out behind it.
    public boolean isStable() {
        return marginDb() > AS_GOOD_AS_HOWLING_DB;
    }

    /// Every leg that is part of it.
    public List<Leg> legs() {
        return legs;
    }

    /// Whether air in a room is part of it.
    public boolean isAcoustic() {
        return legs.stream().anyMatch(leg -> leg.kind() == Leg.Kind.AIR);
    }

    /// The strongest way once round.
    public Optional<Way> way() {
        return Ways.of(live).strongest(new int[] {node}, new int[] {node}, 1).stream().findFirst();
    }

    /// The weakest of the legs with a knob on them that leaves this loop stable when it alone is
    /// cut: the one whose loss takes least sound with it. Empty where no single knob will do. Tries
    /// every such leg.
    public Optional<Leg> weakestCut() {
        return legs.stream()
                .filter(leg -> !leg.governors().isEmpty())
                .sorted(Comparator.comparingDouble(leg -> live.legGain(leg.index())))
                .filter(leg -> stableWithout(leg))
                .findFirst();
    }

    private boolean stableWithout(Leg leg) {
        return Tracer.loopsOf(live.without(leg)).stream()
                .filter(other -> other.legs.stream().anyMatch(legs::contains))
                .allMatch(Loop::isStable);
    }
}
