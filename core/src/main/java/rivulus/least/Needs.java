package rivulus.least;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.IntToDoubleFunction;
import rivulus.gear.Setting;
import rivulus.signal.Leg;
import rivulus.signal.Positions;
import rivulus.signal.Reach;
import rivulus.signal.SignalGraph;

/// What must be turned, at the least, where something is wrong: of everything that could end it
/// something has to be among the turns.
///
/// The graph only adds, so that what is too much stays too much until a leg of a way that is too
/// much by itself is weakened, and what is lacking stays lacking until some leg is opened that
/// crosses each cut between source and ear.
public final class Needs {
    /// Under this a leg counts as closed, in dB: no knobs in a row make up for it.
    private static final double CLOSED_DB = -80;

    /// What sounds so far down counts as not there.
    private static final double SILENT_DB = -120;

    /// By how much several ways together can be louder than the loudest of them.
    private static final double SUM_DB = 6;

    /// Less makes no difference, in dB or ms.
    private static final double HARDLY = 1e-6;

    /// No knob.
    public static final int NONE = -1;

    private final SignalGraph graph;
    private final Dials dials;
    private final double[] most;
    private final Map<String, double[]> ups = new HashMap<>();
    private final Map<String, double[]> downs = new HashMap<>();
    private final Map<Coming, Passage> passages = new HashMap<>();

    /// @param dials with everything offered that will be
    public Needs(SignalGraph graph, Dials dials) {
        this.graph = graph;
        this.dials = dials;
        most = new double[graph.legs().size()];
        Arrays.fill(most, Double.NaN);
    }

    /// One at least of some legs has to let less through than it does.
    ///
    /// @param scene the place of the scene
    /// @param about what is wrong
    /// @param at how the knobs stand
    /// @param but a knob that it may not be, or [#NONE]
    public OneOf less(int scene, String about, Positions at, Collection<Leg> legs, int but) {
        return must(
                scene,
                about,
                at,
                legs,
                but,
                (govern, to) ->
                        gain(govern, to) < gain(govern, at.get(govern.knob())) - HARDLY
                                && dials.mayClose(govern.knob(), at.get(govern.knob()), to));
    }

    /// One at least of some legs has to let more through than it does.
    public OneOf more(int scene, String about, Positions at, Collection<Leg> legs) {
        return must(
                scene,
                about,
                at,
                legs,
                NONE,
                (govern, to) -> gain(govern, to) > gain(govern, at.get(govern.knob())) + HARDLY);
    }

    /// One at least of some legs has to let through more or less, or sooner or later, than it does.
    public OneOf other(int scene, String about, Positions at, Collection<Leg> legs) {
        return must(
                scene,
                about,
                at,
                legs,
                NONE,
                (govern, to) -> {
                    Setting now = at.get(govern.knob());
                    boolean less = gain(govern, to) < gain(govern, now) - HARDLY;
                    return less
                            ? dials.mayClose(govern.knob(), now, to)
                            : gain(govern, to) > gain(govern, now) + HARDLY
                                    || Math.abs(ms(govern, to) - ms(govern, now)) > HARDLY;
                });
    }

    private static double gain(Leg.Govern govern, Setting to) {
        return govern.governor().gainDb(to);
    }

    private static double ms(Leg.Govern govern, Setting to) {
        return govern.governor().delayMs(to);
    }

    private OneOf must(
            int scene,
            String about,
            Positions at,
            Collection<Leg> legs,
            int but,
            BiPredicate<Leg.Govern, Setting> helps) {
        Set<OneOf.Alternative> any = new LinkedHashSet<>();
        for (Leg leg : legs)
            for (Leg.Govern govern : leg.governors())
                if (govern.knob() != but)
                    for (Setting to : dials.settings(govern.knob()))
                        if (!to.equals(at.get(govern.knob())) && helps.test(govern, to))
                            any.add(OneOf.Alternative.of(new Stand(govern.knob(), to)));
        return new OneOf(scene, about, List.copyOf(any));
    }

    /// A source that does not come to an ear, or too softly: where it is closed on every way, one
    /// leg at least of each of a row of cuts has to be opened, each as many turns from the source
    /// as there are before it. On the way that will be loud enough there is a first leg and a last
    /// that lets more through than now, and so something from which, and something to which, it
    /// comes as it does.
    ///
    /// @param leastDb how loud it has to come
    public List<Must> heard(
            int scene, String about, Positions at, String source, String ear, double leastDb) {
        Between between = new Between(source, ear, at, leastDb - SUM_DB);
        List<Must> musts = new ArrayList<>();
        for (List<OneOf.Alternative> cut : between.cuts()) musts.add(new OneOf(scene, about, cut));
        musts.add(new OneOf(scene, about, between.firstRaised()));
        musts.add(new OneOf(scene, about, between.lastRaised()));
        return musts;
    }

    /// However the knobs stand now, a source that comes loud enough comes by a row of legs each of
    /// which lets enough through, were all others as far open as they go.
    ///
    /// Worth its size where several things are lacking at once: cuts alone are had by opening one
    /// near the source and one near the ear, and there are many such.
    public Passage passage(int scene, String about, String source, String ear, double leastDb) {
        Coming coming = new Coming(scene, about, source, ear, leastDb);
        return passages.computeIfAbsent(
                coming,
                _ -> {
                    double[] up = up(coming.source);
                    double[] down = down(coming.ear);
                    double least = coming.leastDb - SUM_DB;
                    List<Passage.Step> steps = new ArrayList<>();
                    Reach.crossing(
                            graph,
                            (u, leg, v) -> {
                                double most = up[u] + mostDb(leg) + down[v];
                                if (most >= least)
                                    steps.add(new Passage.Step(u, v, open(leg, most - least)));
                                return false;
                            });
                    return new Passage(
                            coming.scene,
                            coming.about,
                            ints(graph.source(coming.source)),
                            ints(nodes(coming.ear)),
                            steps,
                            graph.nodes().size());
                });
    }

    private static List<Integer> ints(int[] all) {
        return Arrays.stream(all).boxed().toList();
    }

    /// How the knobs of a leg must stand to let no more than so much less through than it can.
    private OneOf.Alternative open(int leg, double roomDb) {
        List<List<Stand>> groups = new ArrayList<>();
        for (Leg.Govern govern : graph.legs().get(leg).governors()) {
            List<Setting> settings = dials.settings(govern.knob());
            double most = mostDb(govern);
            List<Stand> group = new ArrayList<>();
            for (Setting to : settings)
                if (most - gain(govern, to) <= roomDb) group.add(new Stand(govern.knob(), to));
            if (group.size() < settings.size()) groups.add(group);
        }
        return new OneOf.Alternative(groups);
    }

    private record Coming(int scene, String about, String source, String ear, double leastDb) {}

    /// Some source at least of several has to come louder to an ear than it does.
    ///
    /// @param leastDb how loud one of them has to come
    public OneOf anyHeard(
            int scene,
            String about,
            Positions at,
            Collection<String> sources,
            String ear,
            double leastDb) {
        OneOf any = new OneOf(scene, about, List.of());
        for (String source : sources)
            any =
                    any.or(
                            new OneOf(
                                    scene,
                                    about,
                                    new Between(source, ear, at, leastDb - SUM_DB).firstRaised()));
        return any;
    }

    /// Every leg by which a source comes to an ear as the knobs stand.
    public List<Leg> openBetween(String source, String ear, Positions at) {
        return openBetween(graph.source(source), nodes(ear), at);
    }

    /// Every leg that lies on a way round with this one, as the knobs stand.
    public List<Leg> round(Leg leg, Positions at) {
        return openBetween(graph.nodesOf(leg.to()), graph.nodesOf(leg.from()), at);
    }

    private List<Leg> openBetween(int[] starts, int[] ends, Positions at) {
        IntToDoubleFunction now = leg -> nowDb(leg, at);
        double[] from = Reach.gainsFrom(graph, starts, now);
        double[] to = Reach.gainsTo(graph, ends, now);
        return Reach.crossing(
                        graph, (u, leg, v) -> from[u] + now.applyAsDouble(leg) + to[v] > SILENT_DB)
                .toList();
    }

    /// Every leg by which something could come to an ear, whatever is turned.
    ///
    /// @param ear its id; or empty for none in particular, to which every leg could lead
    public List<Leg> towards(String ear) {
        if (ear.isEmpty()) return graph.legs();
        double[] on = down(ear);
        return Reach.crossing(graph, (u, leg, v) -> mostDb(leg) + on[v] > SILENT_DB).toList();
    }

    private int[] nodes(String ear) {
        return graph.ear(ear).nodes();
    }

    private double[] up(String source) {
        return ups.computeIfAbsent(
                source, id -> Reach.gainsFrom(graph, graph.source(id), this::mostDb));
    }

    private double[] down(String ear) {
        return downs.computeIfAbsent(ear, id -> Reach.gainsTo(graph, nodes(id), this::mostDb));
    }

    private double nowDb(int leg, Positions at) {
        return at.legDb(graph.legs().get(leg));
    }

    /// The greatest gain that a leg can have, whatever is turned.
    private double mostDb(int leg) {
        if (Double.isNaN(most[leg])) {
            Leg of = graph.legs().get(leg);
            double db = of.gainDb() + of.processing().mostDb(dials::standing);
            for (Leg.Govern govern : of.governors()) db += mostDb(govern);
            most[leg] = db;
        }
        return most[leg];
    }

    private double mostDb(Leg.Govern govern) {
        double most = Double.NEGATIVE_INFINITY;
        for (Setting to : dials.settings(govern.knob())) most = Math.max(most, gain(govern, to));
        return most;
    }

    /// What lies between a source and an ear to which it does not come loud enough.
    private final class Between {
        private final Positions at;
        private final int[] starts;
        private final int[] ends;
        /// How loud it comes to every node, and from there to the ear, everything as far open as it
        /// goes.
        private final double[] up;

        private final double[] down;
        private final double least;

        Between(String source, String ear, Positions at, double least) {
            this.at = at;
            this.least = least;
            starts = graph.source(source);
            ends = nodes(ear);
            up = up(source);
            down = down(ear);
        }

        List<OneOf.Alternative> firstRaised() {
            return raised(Reach.gainsFrom(graph, starts, leg -> nowDb(leg, at)), down);
        }

        List<OneOf.Alternative> lastRaised() {
            return raised(up, Reach.gainsTo(graph, ends, leg -> nowDb(leg, at)));
        }

        /// Every setting by which a leg lets more through than now, and enough.
        private List<OneOf.Alternative> raised(double[] before, double[] behind) {
            Set<OneOf.Alternative> any = new LinkedHashSet<>();
            Reach.crossing(
                    graph,
                    (u, leg, v) -> {
                        double most = before[u] + mostDb(leg) + behind[v];
                        if (most < least) return false;
                        for (Leg.Govern govern : graph.legs().get(leg).governors()) {
                            double now = gain(govern, at.get(govern.knob()));
                            double open = mostDb(govern);
                            for (Setting to : dials.settings(govern.knob()))
                                if (gain(govern, to) > now + HARDLY
                                        && most - open + gain(govern, to) >= least)
                                    any.add(OneOf.Alternative.of(new Stand(govern.knob(), to)));
                        }
                        return false;
                    });
            return List.copyOf(any);
        }

        /// A row of cuts between the source and the ear; one with nothing in it where there is no
        /// way at all.
        List<List<OneOf.Alternative>> cuts() {
            int[] turns = Reach.from(graph, starts, this::turns);
            int distance = Arrays.stream(ends).map(v -> turns[v]).min().orElse(Reach.NEVER);
            if (distance == Reach.NEVER) return List.of(List.of());
            return Arrays.stream(turns)
                    .filter(before -> before < distance)
                    .distinct()
                    .sorted()
                    .mapToObj(before -> cut(turns, before))
                    .toList();
        }

        private List<OneOf.Alternative> cut(int[] turns, int before) {
            return Reach.crossing(
                            graph,
                            (u, leg, v) ->
                                    turns[u] <= before && turns[v] > before && turns(u, leg, v) > 0)
                    .flatMap(leg -> opened(leg, at).stream())
                    .distinct()
                    .toList();
        }

        /// What opening a leg takes, with which alone it lets enough through; negative where
        /// nothing makes it do so.
        private int turns(int u, int leg, int v) {
            if (up[u] + mostDb(leg) + down[v] < least) return -1;
            if (up[u] + nowDb(leg, at) + down[v] >= least) return 0;
            int turns = 0;
            for (Leg.Govern govern : graph.legs().get(leg).governors())
                if (gain(govern, at.get(govern.knob())) < mostDb(govern) - HARDLY)
                    turns += dials.knob(govern.knob()).knob().effort();
            return turns;
        }
    }

    /// The ways to open a leg: every knob that could close it stands so that it does not; or, where
    /// none does, one of them stands so that it lets more through.
    private List<OneOf.Alternative> opened(Leg leg, Positions at) {
        if (at.governedDb(leg) > CLOSED_DB) return more(0, "", at, List.of(leg)).alternatives();
        List<List<Stand>> groups = new ArrayList<>();
        for (Leg.Govern govern : leg.governors()) {
            List<Stand> group = new ArrayList<>();
            for (Setting to : dials.settings(govern.knob()))
                if (gain(govern, to) > CLOSED_DB) group.add(new Stand(govern.knob(), to));
            if (group.size() < dials.settings(govern.knob()).size()) groups.add(group);
        }
        return List.of(new OneOf.Alternative(groups));
    }
}
