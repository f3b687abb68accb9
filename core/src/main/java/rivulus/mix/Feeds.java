package rivulus.mix;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.disk.Extras;
import rivulus.hearing.Tracer;
import rivulus.show.Aim;
import rivulus.show.Brief;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Mix;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;
import rivulus.signal.SignalGraph;

/// The feeds of a show: every point at which a machine mixes several things by its knobs and from
/// which sound leaves without being mixed again in the same machine.
///
/// Costs one compiling and one tracing of the show, with an ear at every feed, as it stands but for
/// what its scenes turn.
public final class Feeds {
    /// Under this nothing is said to come through, in dB.
    private static final double CLOSED_DB = -80;

    private final Proof proof;
    private final Show show;
    private final MixLanguage language;
    private final List<Ref> points;
    private final Tracer tracer;
    private final LiveGraph live;
    private final SignalGraph graph;
    private final Set<Integer> ears = new HashSet<>();
    /// The ids of machines, by the ids of the sources that come to them.
    private final Map<String, Set<String>> cameTo = new HashMap<>();
    /// Ears, by the ids of the sources about which something is said of them.
    private final Map<String, Set<String>> told = new HashMap<>();
    private final Map<String, Brief.Standing> wishes = new HashMap<>();
    /// What is heard without a feed.
    private final Map<Ref, Tracer.Listening> besides = new HashMap<>();

    private Feeds(Prover prover, Proof proof) {
        this.proof = proof;
        show = proof.show();
        language = new MixLanguage(show.cast());
        points = points(proof.graph());
        tracer = prover.prove(probed()).scenes().getFirst().tracer();
        live = tracer.live();
        graph = live.graph();
        for (Ear ear : show.ears()) for (int node : graph.ear(ear.id()).nodes()) ears.add(node);
        double least = show.checks().limits().get(Limit.FAINT);
        for (Source source : show.sources())
            cameTo.put(source.id(), live.devicesReached(source.id(), least));
        for (Finding finding : proof.heard())
            told.computeIfAbsent(finding.key().source(), _ -> new HashSet<>())
                    .add(finding.key().ear());
    }

    /// The show with an ear at every feed, as it stands but for what its scenes turn.
    private Show probed() {
        Show probed =
                show.withRundown(
                        show.rundown().withScenes(Show.untitled().scenes()).withMixes(List.of()));
        for (Ref at : points)
            probed = probed.mixing(at, Optional.of(new Mix(at, List.of(), Extras.NONE)));
        return probed;
    }

    /// The feeds of a proven show, in the order of its gear.
    public static List<Feed> of(Prover prover, Proof proof) {
        return new Feeds(prover, proof).all();
    }

    /// The feeds that somebody relies on: who listens to one that carries nothing, and hears
    /// something by another, does not rely on it.
    public static List<Feed> reliedOn(List<Feed> feeds) {
        return feeds.stream()
                .filter(feed -> !feed.listeners().isEmpty())
                .filter(
                        feed ->
                                !feed.carries().isEmpty()
                                        || feed.listeners().stream()
                                                .anyMatch(ear -> isOnlyOne(feed, ear, feeds)))
                .toList();
    }

    private static boolean isOnlyOne(Feed feed, Ear ear, List<Feed> feeds) {
        return feeds.stream()
                .noneMatch(
                        other ->
                                !other.at().equals(feed.at())
                                        && !other.carries().isEmpty()
                                        && other.listeners().contains(ear));
    }

    /// The points at which feeds are mixed, in the order of the gear.
    public static List<Ref> points(SignalGraph graph) {
        Set<Ref> sums = new LinkedHashSet<>();
        for (Node node : graph.nodes()) if (isSum(graph, node.point())) sums.add(node.point());
        return sums.stream().filter(sum -> leaves(graph, sum, sums)).toList();
    }

    /// Whether several things come together at a point, each by a knob. What comes from behind
    /// another of them is the same thing, taken elsewhere.
    private static boolean isSum(SignalGraph graph, Ref point) {
        Set<Ref> from = new LinkedHashSet<>();
        for (Leg leg : graph.legsTo(point))
            if (leg.kind() == Leg.Kind.ROUTE
                    && leg.from().device().equals(point.device())
                    && !leg.governors().isEmpty()) from.add(leg.from());
        return from.size() > 1
                && from.stream()
                                .filter(
                                        one ->
                                                from.stream()
                                                        .noneMatch(o -> isBehind(graph, one, o)))
                                .limit(2)
                                .count()
                        > 1;
    }

    private static boolean isBehind(SignalGraph graph, Ref one, Ref other) {
        return !one.equals(other)
                && graph.legsTo(one).stream()
                        .anyMatch(leg -> leg.kind() == Leg.Kind.ROUTE && leg.from().equals(other));
    }

    /// Whether sound leaves the machine from a sum without passing another.
    private static boolean leaves(SignalGraph graph, Ref sum, Set<Ref> sums) {
        Deque<Ref> open = new ArrayDeque<>(List.of(sum));
        Set<Ref> seen = new HashSet<>(open);
        while (!open.isEmpty()) {
            Ref at = open.remove();
            List<Leg> legs = graph.legsFrom(at);
            if (legs.isEmpty()) return true;
            for (Leg leg : legs) {
                if (leg.kind() != Leg.Kind.ROUTE || !leg.to().device().equals(sum.device()))
                    return true;
                if (!sums.contains(leg.to()) && seen.add(leg.to())) open.add(leg.to());
            }
        }
        return false;
    }

    private List<Feed> all() {
        Set<String> off = new HashSet<>();
        for (Finding finding : proof.heard())
            if (finding.rule().equals("mix")) off.add(finding.key().about());
        List<Feed> feeds = new ArrayList<>();
        for (Ref at : points) {
            Node node = graph.nodes().get(graph.nodesOf(at)[0]);
            List<Ear> listeners = listeners(at);
            Set<String> carried = carried(at);
            List<String> torn = torn(at, listeners);
            Optional<Mix> says = show.mix(at);
            feeds.add(
                    new Feed(
                            at,
                            node.device(),
                            node.label(),
                            listeners,
                            says,
                            language.describe(carried, notAtHand(at)),
                            listeners.isEmpty() || !torn.isEmpty()
                                    ? Optional.empty()
                                    : Optional.of(asked(at, listeners, carried)),
                            torn,
                            says.isEmpty()
                                    ? Feed.State.UNSAID
                                    : off.contains(at.toString())
                                            ? Feed.State.OTHERWISE
                                            : Feed.State.SO));
        }
        return feeds;
    }

    private Set<String> carried(Ref at) {
        double least = show.checks().limits().get(Limit.FAINT);
        Set<String> carried = new LinkedHashSet<>();
        for (Source source : show.sources())
            if (tracer.hearing(Mix.earAt(at.toString()), source.id()).levelDb() >= least)
                carried.add(source.id());
        return carried;
    }

    /// What does not come to the machine that mixes a feed.
    private Set<String> notAtHand(Ref at) {
        Set<String> away = new HashSet<>();
        for (Source source : show.sources())
            if (!cameTo.get(source.id()).contains(at.device())) away.add(source.id());
        return away;
    }

    /// Who hears a feed at the end: through leads, programs and what is worn, and by air from
    /// loudspeakers to ears, but not by what a microphone picks up again.
    private List<Ear> listeners(Ref at) {
        BitSet heard = new BitSet(graph.nodes().size());
        Deque<Integer> open = new ArrayDeque<>();
        for (int v : graph.nodesOf(at)) open.add(v);
        while (!open.isEmpty()) {
            int v = open.remove();
            if (heard.get(v)) continue;
            heard.set(v);
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                Leg leg = live.leg(e);
                boolean picksUp = leg.kind() == Leg.Kind.AIR && !ears.contains(live.to(e));
                if (!picksUp && 20 * Math.log10(live.gain(e)) > CLOSED_DB) open.add(live.to(e));
            }
        }
        return show.ears().stream()
                .filter(ear -> Arrays.stream(listensAt(ear)).anyMatch(heard::get))
                .toList();
    }

    /// Where an ear listens: whoever wears something listens to that, whatever the room is filled
    /// with.
    private int[] listensAt(Ear ear) {
        int[] all = graph.ear(ear.id()).nodes();
        int[] worn = Arrays.stream(all).filter(this::isWorn).toArray();
        return worn.length > 0 ? worn : all;
    }

    private boolean isWorn(int node) {
        return graph.legsTo(graph.nodes().get(node).point()).stream()
                .anyMatch(leg -> leg.kind() == Leg.Kind.WORN);
    }

    private Brief.Standing wish(Ear ear, Source source) {
        return wishes.computeIfAbsent(
                ear.id() + " " + source.id(), _ -> proof.brief().lasting(ear, source));
    }

    /// Whether somebody hears their own voice so that it disturbs.
    private boolean disturbs(Ear ear, Source source) {
        return ear.of().equals(source.id())
                && told.getOrDefault(source.id(), Set.of()).contains(ear.id());
    }

    /// Who of those that share a feed must hear by it what others must not.
    private List<String> torn(Ref at, List<Ear> listeners) {
        List<String> torn = new ArrayList<>();
        for (Source source : show.sources()) {
            List<Ear> mustNot = wishing(listeners, source, Wish.MUST_NOT);
            List<Ear> must = mustNot.isEmpty() ? List.of() : needing(at, listeners, source);
            for (Ear one : must)
                for (Ear other : mustNot)
                    torn.add(
                            "%s must hear %s, and %s must not%s"
                                    .formatted(
                                            Names.of(one),
                                            Names.of(source),
                                            Names.of(other),
                                            other.of().equals(source.id())
                                                    ? " hear " + source.self()
                                                    : ""));
        }
        return torn;
    }

    /// Who must hear a source and does not hear it without the feed: callers in one call hear each
    /// other there, neighbours in a room by the air.
    private List<Ear> needing(Ref at, List<Ear> listeners, Source source) {
        List<Ear> must = wishing(listeners, source, Wish.MUST);
        if (must.isEmpty()) return must;
        double least = show.checks().limits().get(Limit.FAINT);
        Tracer.Listening without =
                besides.computeIfAbsent(
                        at, _ -> tracer.in(live.without(leg -> leg.from().equals(at))));
        return must.stream()
                .filter(ear -> without.hearing(ear.id(), source.id()).levelDb() < least)
                .toList();
    }

    private List<Ear> wishing(List<Ear> ears, Source source, Wish wish) {
        return ears.stream().filter(ear -> wish(ear, source).wish() == wish).toList();
    }

    /// What somebody must hear, and what may be heard and comes already, with the levels that are
    /// aimed at.
    private List<Mix.Step> asked(Ref at, List<Ear> listeners, Set<String> carried) {
        Set<String> asked = new LinkedHashSet<>();
        for (Source source : show.sources()) {
            boolean must = false;
            boolean mustNot = false;
            for (Ear ear : listeners) {
                Wish wish = wish(ear, source).wish();
                must |= wish == Wish.MUST;
                mustNot |= wish == Wish.MUST_NOT || disturbs(ear, source);
            }
            boolean wanted =
                    mustNot
                            ? must && !needing(at, listeners, source).isEmpty()
                            : must || carried.contains(source.id());
            if (wanted) asked.add(source.id());
        }
        List<Mix.Step> steps = new ArrayList<>(language.describe(asked, notAtHand(at)));
        aimed(listeners)
                .forEach(
                        (source, db) -> {
                            if (asked.contains(source))
                                steps.add(new Mix.Step(new Mix.One(source), false, -db));
                        });
        return steps;
    }

    private Map<String, Double> aimed(List<Ear> listeners) {
        Map<String, Double> aimed = new LinkedHashMap<>();
        for (Aim aim : show.aims())
            if (aim.kind() == Aim.Kind.UNDER
                    && aim.scene().isEmpty()
                    && aim.figure() > 0
                    && listeners.stream().anyMatch(ear -> ear.id().equals(aim.ear())))
                aimed.put(aim.source(), aim.figure());
        return aimed;
    }
}
