package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import rivulus.gear.Knob;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.Grid;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Response;

/// Something that goes round: a strongly connected part of a live graph, with how near it is to
/// howling.
///
/// The margin is how much its most critical leg alone may be raised before it howls: the least over
/// its legs and over all frequencies of the inverse [ReturnRatio], with the magnitudes of all ways
/// added as if in phase. That is the worst case over all delays: it bounds the block of I − A(ω) at
/// every phase, so a positive margin proves stability, and as delays of real gear and air wander, a
/// margin that only holds by cancellation is not counted. Of what howls the margin is negative: the
/// least by which a leg alone has to come down, or, where none alone ends it, every leg at once.
///
/// Whether it dies away is told by the spectral radius of the gains between the nodes at which it
/// is cut; raising a leg raises that radius by no more, so that frequencies at which even the whole
/// loop has more to spare than a leg that is known need not be looked at.
public final class Loop {
    /// As near as the gain once round is known; see [#radius].
    private static final double AS_GOOD_AS_HOWLING_DB = 0.01;

    /// Legs whose margins differ by less are equally critical: those of one round.
    private static final double ALIKE_DB = 0.05;

    private final LiveGraph live;
    private final int system;
    private final boolean stable;
    private final double marginDb;
    private final int worst;
    private final List<Leg> legs;
    private final List<Critical> critical;

    /// A leg with how much it alone may be raised at the worst frequency.
    private record Critical(Leg leg, double marginDb) {}

    /// @param spare as [#spare] of this system
    Loop(LiveGraph live, FlowOrder order, int system, double[] spare) {
        this.live = live;
        this.system = system;
        legs = legsIn(live, order, system);
        stable = isStable(spare);
        ReturnRatio ratio = new ReturnRatio(live, order, system);
        double[] margins = new double[ratio.legs().length];
        Arrays.fill(margins, Double.POSITIVE_INFINITY);
        double told = Double.POSITIVE_INFINITY;
        int at = 0;
        double[] atWorst = margins;
        for (int f : nearestFirst(spare)) {
            if (stable ? spare[f] >= told : spare[f] > AS_GOOD_AS_HOWLING_DB) break;
            double[] here = ratio.marginsDb(f, stable);
            for (int l = 0; l < margins.length; l++) margins[l] = Math.min(margins[l], here[l]);
            double now = stable ? least(margins) : most(margins);
            if (now < told - 1e-9) {
                told = now;
                at = f;
                atWorst = here;
            }
        }
        if (told == Double.NEGATIVE_INFINITY) {
            at = nearestFirst(spare).getFirst();
            told = ratio.everyLegDb(at);
        }
        marginDb = told;
        worst = at;
        critical = new ArrayList<>();
        for (int l = 0; l < margins.length; l++)
            critical.add(
                    new Critical(
                            live.graph().legs().get(ratio.legs()[l]),
                            stable ? atWorst[l] : margins[l]));
        Comparator<Critical> byMargin = Comparator.comparingDouble(Critical::marginDb);
        critical.sort(stable ? byMargin : byMargin.reversed());
    }

    private static double least(double[] of) {
        return Arrays.stream(of).min().orElse(Double.POSITIVE_INFINITY);
    }

    private static double most(double[] of) {
        return Arrays.stream(of).max().orElse(Double.NEGATIVE_INFINITY);
    }

    /// The frequencies by how much is left once round, the least first.
    private static List<Integer> nearestFirst(double[] spare) {
        return IntStream.range(0, spare.length)
                .boxed()
                .sorted(Comparator.comparingDouble(f -> spare[f]))
                .toList();
    }

    /// The number of the loop system in [FlowOrder#loopOf(int)].
    int system() {
        return system;
    }

    /// How many dB each system has to spare once round at each frequency of the grid, by its number
    /// in [FlowOrder#loopOf(int)].
    ///
    /// @param wanted the systems that are asked about
    static Map<Integer, double[]> spare(
            Bands bands, FlowOrder order, int[] cuts, Flow.Field[] from, IntPredicate wanted) {
        Map<Integer, List<Integer>> systems = new LinkedHashMap<>();
        for (int k = 0; k < cuts.length; k++)
            if (wanted.test(order.loopOf(cuts[k])))
                systems.computeIfAbsent(order.loopOf(cuts[k]), _ -> new ArrayList<>()).add(k);
        Map<Integer, double[]> all = new LinkedHashMap<>();
        systems.forEach(
                (system, members) -> {
                    double[] spare = new double[Grid.SIZE];
                    for (int f = 0; f < spare.length; f++)
                        spare[f] = -20 * Math.log10(radius(magnitudes(members, from, bands, f)));
                    all.put(system, spare);
                });
        return all;
    }

    /// Whether what has so much to spare dies away, however the phases fall.
    static boolean isStable(double[] spare) {
        return least(spare) > AS_GOOD_AS_HOWLING_DB;
    }

    private static List<Leg> legsIn(LiveGraph live, FlowOrder order, int system) {
        Map<Integer, Leg> legs = new LinkedHashMap<>();
        for (int v = 0; v < live.size(); v++) {
            if (order.loopOf(v) != system) continue;
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                if (order.loopOf(live.to(e)) != system) continue;
                Leg leg = live.leg(e);
                legs.putIfAbsent(leg.index(), leg);
            }
        }
        return List.copyOf(legs.values());
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

    /// Spectral radius of a matrix without negative entries, of two rows in closed form, of more by
    /// repeated squaring: ‖Mⁿ‖^(1/n) with n = 2¹², to 0.01 dB.
    static double radius(double[][] m) {
        if (m.length == 1) return m[0][0];
        if (m.length == 2) {
            double half = (m[0][0] - m[1][1]) / 2;
            return (m[0][0] + m[1][1]) / 2 + Math.sqrt(half * half + m[0][1] * m[1][0]);
        }
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

    /// How many dB its most critical leg alone may be raised before it howls, at the worst
    /// frequency; where it howls, how many one has to come down, negative.
    public double marginDb() {
        return marginDb;
    }

    /// The frequency in Hz at which it is nearest to howling.
    public double worstHz() {
        return Grid.hz(worst);
    }

    /// Whether it dies away, however the phases fall. What is nearer to howling than
    /// [#AS_GOOD_AS_HOWLING_DB] is told as a howl: no figure could be worked out behind it.
    public boolean isStable() {
        return stable;
    }

    /// Every leg that is part of it.
    public List<Leg> legs() {
        return legs;
    }

    /// Whether air in a room is part of it.
    public boolean isAcoustic() {
        return legs.stream().anyMatch(leg -> leg.kind() == Leg.Kind.AIR);
    }

    /// By how many dB a leg alone may be raised at the worst frequency; where it howls, by how many
    /// it has to come down at every one, negative, or negative infinity where that does not end it.
    ///
    /// @throws IllegalArgumentException if the leg is no part of it
    double marginDb(Leg leg) {
        return critical.stream()
                .filter(one -> one.leg().equals(leg))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("not in this loop"))
                .marginDb();
    }

    /// The strongest way once round through its most critical leg.
    public Optional<Way> way() {
        int[] start = live.graph().nodesOf(critical.getFirst().leg().from());
        return Ways.of(live).strongest(start, start, 1).stream().findFirst();
    }

    /// The leg with a knob on it where turning is of most use; empty where there is none: of those
    /// that are as critical as any, a level before a switch, and what passes least before what
    /// passes more; then the less critical.
    public Optional<Leg> knobbed() {
        List<Critical> governed =
                critical.stream()
                        .filter(one -> !one.leg().governors().isEmpty())
                        .filter(one -> one.marginDb() > Double.NEGATIVE_INFINITY)
                        .toList();
        if (governed.isEmpty()) return Optional.empty();
        double first = governed.getFirst().marginDb();
        return governed.stream()
                .filter(one -> Math.abs(one.marginDb() - first) < ALIKE_DB)
                .map(Critical::leg)
                .min(
                        Comparator.comparing((Leg leg) -> !hasLevel(leg))
                                .thenComparingDouble(leg -> live.legGain(leg.index())));
    }

    private boolean hasLevel(Leg leg) {
        return leg.governors().stream()
                .anyMatch(
                        govern ->
                                live.graph().knobs().get(govern.knob()).knob()
                                        instanceof Knob.Level);
    }
}
