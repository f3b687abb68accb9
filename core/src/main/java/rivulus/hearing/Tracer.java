package rivulus.hearing;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.Grid;
import rivulus.signal.LiveGraph;
import rivulus.signal.Response;
import rivulus.signal.SignalGraph;

/// Answers what every ear hears of every source in one live graph.
///
/// Loops are cut at a few nodes; from every source and every cut an impulse is followed once
/// through the rest, which is a sum over paths in topological order; the cuts are then joined again
/// at every frequency (see [Feedback]). The response is exact for any graph, except that single
/// ways under −120 dB are left out. Cost: sources times live edges, plus 51 · k³ for k cuts.
public final class Tracer {
    private static final double ARRIVAL_RANGE_DB = 50;
    private static final long SAME_NS = 50_000;

    private final LiveGraph live;
    private final Bands bands;
    private final FlowOrder order;
    private final int[] cuts;
    private final int[] listened;
    private final Map<Integer, Integer> listenedIndex = new HashMap<>();
    private final Feedback feedback;
    private final List<Loop> loops;
    private final Map<String, Map<String, Hearing>> bySource = new HashMap<>();

    private Tracer(LiveGraph live) {
        this.live = live;
        this.bands = live.graph().bands();
        this.order = FlowOrder.of(live);
        this.cuts = order.cuts();
        this.listened = listenedNodes(live.graph());
        for (int i = 0; i < listened.length; i++) listenedIndex.put(listened[i], i);
        Flow flow = new Flow(live, order, cuts, listened);
        Flow.Field[] fromCuts = new Flow.Field[cuts.length];
        for (int k = 0; k < cuts.length; k++) fromCuts[k] = flow.fromCut(cuts[k]);
        this.loops = Loop.find(live, order, cuts, fromCuts);
        this.feedback = new Feedback(fromCuts, bands, joints());
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
        if (!loop.isStable()) return Feedback.Joint.HOWL;
        return loop.isAcoustic() ? Feedback.Joint.ROOM : Feedback.Joint.PLAIN;
    }

    /// Traces a live graph from nothing.
    public static Tracer of(LiveGraph live) {
        return after(live, null);
    }

    /// Traces a live graph, taking over from an earlier state of the same graph what cannot have
    /// changed since: the hearings of sources that do not lie upstream of a change, and of ears
    /// that do not lie downstream.
    ///
    /// @param earlier a tracer of another state of the same [SignalGraph], or null
    public static Tracer after(LiveGraph live, Tracer earlier) {
        Tracer tracer = new Tracer(live);
        Flow flow = new Flow(live, tracer.order, tracer.cuts, tracer.listened);
        Set<String> everyEar = live.graph().ears().keySet();
        if (earlier == null || earlier.live.graph() != live.graph()) {
            live.graph()
                    .sources()
                    .forEach(
                            (source, nodes) ->
                                    tracer.bySource.put(
                                            source,
                                            tracer.trace(source, nodes, flow, everyEar, Map.of())));
            return tracer;
        }
        LiveGraph.Difference difference = live.from(earlier.live);
        Set<String> changed = new HashSet<>();
        live.graph()
                .ears()
                .forEach(
                        (ear, at) -> {
                            if (at.channels().stream()
                                    .anyMatch(nodes -> anyIn(difference.downstream(), nodes)))
                                changed.add(ear);
                        });
        live.graph()
                .sources()
                .forEach(
                        (source, nodes) -> {
                            Map<String, Hearing> before = earlier.bySource.get(source);
                            boolean touched =
                                    !changed.isEmpty() && anyIn(difference.upstream(), nodes);
                            tracer.bySource.put(
                                    source,
                                    touched
                                            ? tracer.trace(source, nodes, flow, changed, before)
                                            : before);
                        });
        return tracer;
    }

    private static boolean anyIn(BitSet set, int[] nodes) {
        for (int v : nodes) if (set.get(v)) return true;
        return false;
    }

    /// Only what goes round in a live graph; no source is followed.
    static List<Loop> loopsOf(LiveGraph live) {
        return new Tracer(live).loops;
    }

    /// What an ear hears of a source.
    ///
    /// @throws IllegalArgumentException if the graph has no such ear or source
    public Hearing hearing(String ear, String source) {
        Map<String, Hearing> ears = bySource.get(source);
        if (ears == null || !ears.containsKey(ear)) {
            throw new IllegalArgumentException(
                    "there is no ear \"%s\" or no source \"%s\"".formatted(ear, source));
        }
        return ears.get(ear);
    }

    /// Everything that goes round, the nearest to howling first.
    public List<Loop> loops() {
        return loops;
    }

    /// The graph that was traced.
    public LiveGraph live() {
        return live;
    }

    private static int[] listenedNodes(SignalGraph graph) {
        return graph.ears().values().stream()
                .flatMap(ear -> ear.channels().stream())
                .flatMapToInt(java.util.Arrays::stream)
                .distinct()
                .toArray();
    }

    // One source

    private Map<String, Hearing> trace(
            String source, int[] nodes, Flow flow, Set<String> ears, Map<String, Hearing> before) {
        List<Traced> channels = new ArrayList<>();
        for (int node : nodes) channels.add(new Traced(flow.fromSource(node), feedback));
        Map<String, Hearing> heard = new HashMap<>(before);
        for (String ear : ears)
            heard.put(ear, hear(ear, source, live.graph().ears().get(ear), channels));
        return heard;
    }

    /// One channel of a source, followed; what stands at the cuts is worked out when first asked
    /// for.
    private static final class Traced {
        private final Flow.Field field;
        private final Feedback feedback;
        private final boolean goesRound;
        private Response[] settled;
        private Feedback.Rounds rounds;

        Traced(Flow.Field field, Feedback feedback) {
            this.field = field;
            this.feedback = feedback;
            boolean any = false;
            for (Taps taps : field.intoCut()) any |= !taps.isEmpty();
            goesRound = any;
        }

        Response[] settled() {
            if (settled == null) settled = feedback.settled(field.intoCut());
            return settled;
        }

        Feedback.Rounds rounds() {
            if (rounds == null) rounds = feedback.rounds(field.intoCut());
            return rounds;
        }
    }

    private Hearing hear(
            String ear, String source, SignalGraph.EarNodes at, List<Traced> channels) {
        int width = at.channels().size();
        double power = 0;
        List<Pair> pairs = new ArrayList<>();
        List<Drop> drops = new ArrayList<>();
        for (Traced traced : channels) {
            for (int c = 0; c < width; c++) {
                Pair pair = pair(traced, at.channels().get(c), at.open().get(c), width, drops);
                if (pair.direct().isEmpty() && pair.settled() == null) continue;
                pairs.add(pair);
                power += pair.power(feedback, bands) / width;
            }
        }
        Spectrum spectrum = new Spectrum(feedback, bands, width, pairs);
        return new Hearing(ear, source, 10 * Math.log10(power), arrivals(drops), spectrum::powers);
    }

    private Pair pair(Traced traced, int[] nodes, boolean[] open, int width, List<Drop> drops) {
        Taps direct = Taps.NONE;
        Taps round = Taps.NONE;
        int[] ears = new int[nodes.length];
        Standing[] here = new Standing[nodes.length];
        for (int i = 0; i < nodes.length; i++) {
            ears[i] = listenedIndex.get(nodes[i]);
            here[i] = standing(traced, ears[i]);
            direct = direct.plus(traced.field.atEar()[ears[i]]);
            round = round.plus(here[i].round()).plus(here[i].ringing());
        }
        for (boolean air : new boolean[] {false, true}) {
            Taps plain = Taps.NONE;
            Taps ringing = Taps.NONE;
            for (int i = 0; i < nodes.length; i++) {
                if (open[i] != air) continue;
                plain = plain.plus(traced.field.atEar()[ears[i]]).plus(here[i].round());
                ringing = ringing.plus(here[i].ringing());
            }
            collect(drops, plain, air, false, width);
            collect(drops, ringing, air, true, width);
        }
        return new Pair(direct, ears, matters(direct, round) ? traced.settled() : null);
    }

    /// What reaches a listened node by way of the cuts.
    private record Standing(Taps round, Taps ringing) {
        private static final Standing NOTHING = new Standing(Taps.NONE, Taps.NONE);
    }

    private Standing standing(Traced traced, int ear) {
        if (!traced.goesRound || !feedback.reaches(ear)) return Standing.NOTHING;
        Taps round = Taps.NONE;
        Taps ringing = Taps.NONE;
        for (int k = 0; k < cuts.length; k++) {
            if (traced.rounds().isEmpty(k)) continue;
            round = round.plus(traced.rounds().plain()[k].then(feedback.atEar(k, ear), bands));
            ringing =
                    ringing.plus(traced.rounds().ringing()[k].then(feedback.atEar(k, ear), bands));
        }
        return new Standing(round, ringing);
    }

    /// Whether what comes round changes the level. Where it is 60 dB under what comes straight, and
    /// that is well heard, it adds less than 0.01 dB and is left out.
    private boolean matters(Taps direct, Taps round) {
        if (round.isEmpty()) return false;
        return direct.loudest() <= 1e-2 || round.sum() >= 1e-3 * direct.loudest();
    }

    /// One channel of a source into one channel of an ear.
    ///
    /// @param settled what stands at the cuts, or null where nothing of it comes round to this ear
    private record Pair(Taps direct, int[] ears, Response[] settled) {
        double power(Feedback feedback, Bands bands) {
            if (settled == null && direct.size() == 1)
                return direct.gain[0] * direct.gain[0] * bands.power(direct.band[0]);
            return response(feedback, bands).power();
        }

        Response response(Feedback feedback, Bands bands) {
            Response response = Sum.response(direct, bands);
            if (settled != null) for (int ear : ears) feedback.addAtEar(response, settled, ear);
            return response;
        }
    }

    /// All that is needed to say how a hearing goes with frequency; holds on to nothing else of the
    /// tracer.
    private record Spectrum(Feedback feedback, Bands bands, int width, List<Pair> pairs) {
        double[] powers() {
            double[] powers = new double[Grid.SIZE];
            for (Pair pair : pairs) {
                Response response = pair.response(feedback, bands);
                for (int i = 0; i < powers.length; i++) powers[i] += response.power(i) / width;
            }
            return powers;
        }
    }

    /// A tap at an ear, as power.
    private record Drop(long ns, double power, boolean throughAir, boolean ringing) {
        boolean isLike(Drop other) {
            return throughAir == other.throughAir && ringing == other.ringing;
        }
    }

    /// Taps of one time in one channel are one drop, in phase.
    private void collect(
            List<Drop> drops, Taps taps, boolean throughAir, boolean ringing, int width) {
        for (int from = 0, to; from < taps.size(); from = to) {
            to = from + 1;
            while (to < taps.size() && taps.ns[to] - taps.ns[from] <= Taps.SAME_NS) to++;
            double power =
                    to == from + 1
                            ? taps.gain[from] * taps.gain[from] * bands.power(taps.band[from])
                            : Sum.response(taps.between(from, to), bands).power();
            drops.add(new Drop(taps.ns[from], power / width, throughAir, ringing));
        }
    }

    /// Drops within 0.05 ms are one arrival; those of the channels add as power.
    private static List<Arrival> arrivals(List<Drop> drops) {
        if (drops.isEmpty()) return List.of();
        drops.sort(
                Comparator.comparing(Drop::throughAir)
                        .thenComparing(Drop::ringing)
                        .thenComparingLong(Drop::ns));
        List<Arrival> arrivals = new ArrayList<>();
        int start = 0;
        for (int i = 1; i <= drops.size(); i++) {
            boolean same =
                    i < drops.size()
                            && drops.get(i).isLike(drops.get(start))
                            && drops.get(i).ns() - drops.get(start).ns() <= SAME_NS;
            if (same) continue;
            arrivals.add(merge(drops.subList(start, i)));
            start = i;
        }
        double loudest = arrivals.stream().mapToDouble(Arrival::levelDb).max().orElse(0);
        return arrivals.stream()
                .filter(
                        a ->
                                a.levelDb()
                                        >= Math.max(loudest - ARRIVAL_RANGE_DB, Hearing.SILENCE_DB))
                .sorted(Comparator.comparingDouble(Arrival::ms))
                .toList();
    }

    private static Arrival merge(List<Drop> drops) {
        double power = 0;
        double moment = 0;
        for (Drop drop : drops) {
            power += drop.power();
            moment += drop.power() * drop.ns();
        }
        Drop first = drops.getFirst();
        double db = 10 * Math.log10(power);
        return new Arrival(moment / power * 1e-6, db, first.throughAir(), first.ringing());
    }
}
