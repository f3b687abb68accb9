package rivulus.hearing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.search.BestFirst;
import rivulus.search.Found;
import rivulus.show.Ref;
import rivulus.signal.Leg;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// Finds for a missing source the ways that lack the fewest knob turns.
///
/// A cheapest-first search (Dijkstra 1959) over points and the turns made so far, closed legs
/// included; the cost is the effort of the distinct knobs turned, then the loss on the way. A knob
/// is counted once, however many legs it opens, and cannot stand in two ways at once. Each point is
/// entered with at most [#MOST_SETS] different sets of turns, and at most [#MOST_STEPS] steps are
/// taken; the answer says whether that left anything out.
public final class Openings {
    private static final int MOST_SETS = 8;
    /// Ways that take this much more effort than the nearest are not looked for.
    private static final int WORTH_SHOWING = 2;

    /// As many turns as a way seems to take that leads through a room, from a loudspeaker into a
    /// microphone: nobody means it.
    private static final int OVERHEARD = 20;

    /// A level at or under this is turned up, in dB.
    private static final double ALL_BUT_DOWN_DB = -20;

    private static final int MOST_STEPS = 40_000;

    private static final Set<String> FOLLOWING = Set.of(Picker.DEFAULT, Picker.COMMUNICATIONS);

    private final SignalGraph graph;
    private final Positions positions;
    /// What opens each closed leg, as far as it has been asked for.
    private final Map<Leg.Govern, Optional<Setting>> openers = new IdentityHashMap<>();

    private final double faintestDb;

    private Openings(SignalGraph graph, Positions positions, double faintestDb) {
        this.graph = graph;
        this.positions = positions;
        this.faintestDb = faintestDb;
    }

    /// Openings in a graph, from how the knobs stand, through which a source comes loud enough to
    /// be heard.
    ///
    /// @param faintestDb the least that is loud enough, in dB against nominal
    public static Openings of(SignalGraph graph, Positions positions, double faintestDb) {
        return new Openings(graph, positions, faintestDb);
    }

    /// A way as far as it has been followed.
    ///
    /// @param unfollowed how many picks it turns that follow another, and are seldom what is wrong
    private record Trail(
            Ref point,
            Leg leg,
            Trail before,
            Map<Integer, Setting> turned,
            int effort,
            int unfollowed,
            double db,
            double ms) {
        boolean passes(Ref other) {
            for (Trail t = this; t != null; t = t.before) if (t.point.equals(other)) return true;
            return false;
        }

        List<Leg> legs() {
            List<Leg> legs = new ArrayList<>();
            for (Trail t = this; t.leg != null; t = t.before) legs.addFirst(t.leg);
            return legs;
        }
    }

    /// The ways from a source to an ear that take the fewest turns, best first, at most `most`,
    /// each with another set of turns. Empty where nothing joins the two, however the knobs stand.
    public Found<Opening> nearest(String source, String ear, int most) {
        Set<Ref> targets =
                graph.ear(ear).channels().stream()
                        .flatMapToInt(Arrays::stream)
                        .mapToObj(node -> graph.nodes().get(node).point())
                        .collect(Collectors.toSet());
        Ref start = graph.nodes().get(graph.source(source)[0]).point();
        Set<Ref> leading = leadingTo(targets);
        Map<Ref, Set<Map<Integer, Setting>>> entered = new HashMap<>();
        Set<Map<Integer, Setting>> answered = new HashSet<>();
        return BestFirst.search(
                Comparator.comparingInt(Trail::effort)
                        .thenComparingInt(Trail::unfollowed)
                        .thenComparingDouble(t -> -t.db),
                List.of(new Trail(start, null, null, Map.of(), 0, 0, 0, 0)),
                most,
                MOST_STEPS,
                (trail, search) -> {
                    if (isFar(trail, search.answers())) search.end();
                    else if (isNew(trail, entered, search)) {
                        entered.computeIfAbsent(trail.point, _ -> new HashSet<>())
                                .add(trail.turned);
                        if (trail.leg == null || !targets.contains(trail.point))
                            follow(trail, leading, entered, search);
                        else if (!trail.turned.isEmpty()
                                && holds(trail)
                                && answered.add(trail.turned)) search.answer(opening(trail));
                    }
                });
    }

    private static boolean isFar(Trail trail, List<Opening> found) {
        return !found.isEmpty() && trail.effort > found.getFirst().effort() + WORTH_SHOWING;
    }

    private void follow(
            Trail trail,
            Set<Ref> leading,
            Map<Ref, Set<Map<Integer, Setting>>> entered,
            BestFirst<Trail, Opening> search) {
        for (Leg leg : graph.legsFrom(trail.point)) {
            if (!leading.contains(leg.to())) continue;
            Trail next = extend(trail, leg);
            if (next != null && isNew(next, entered, search) && !trail.passes(leg.to()))
                search.open(next);
        }
    }

    /// Whether something might be learnt at the end of a trail.
    private static boolean isNew(
            Trail trail,
            Map<Ref, Set<Map<Integer, Setting>>> entered,
            BestFirst<Trail, Opening> search) {
        Set<Map<Integer, Setting>> sets = entered.get(trail.point);
        if (sets == null) return true;
        if (sets.contains(trail.turned)) return false;
        if (sets.size() < MOST_SETS) return true;
        search.leftOut();
        return false;
    }

    /// Every point from which a target can be reached at all, however the knobs stand.
    private Set<Ref> leadingTo(Set<Ref> targets) {
        Set<Ref> leading = new HashSet<>(targets);
        ArrayDeque<Ref> next = new ArrayDeque<>(targets);
        while (!next.isEmpty()) {
            for (Leg leg : graph.legsTo(next.poll()))
                if (leading.add(leg.from())) next.add(leg.from());
        }
        return leading;
    }

    /// The trail with one leg more, every knob turned that closes it; null where none opens it, or
    /// too little would come through.
    private Trail extend(Trail trail, Leg leg) {
        Map<Integer, Setting> turned = trail.turned;
        int effort = trail.effort + (isOverheard(trail, leg) ? OVERHEARD : 0);
        int unfollowed = trail.unfollowed;
        double db = leg.gainDb();
        double ms = trail.ms + leg.delay().ms();
        for (Leg.Govern govern : leg.governors()) {
            Setting stands = turned.getOrDefault(govern.knob(), positions.get(govern.knob()));
            if (!lets(govern.governor(), stands)) {
                if (turned.containsKey(govern.knob())) return null;
                Optional<Setting> opener = openers.computeIfAbsent(govern, this::opener);
                if (opener.isEmpty()) return null;
                if (FOLLOWING.contains(stands.word())) unfollowed++;
                if (turned == trail.turned) turned = new LinkedHashMap<>(turned);
                stands = opener.get();
                turned.put(govern.knob(), stands);
                effort += graph.knobs().get(govern.knob()).knob().effort();
            }
            db += govern.governor().gainDb(stands);
            ms += govern.governor().delayMs(stands);
        }
        double after = trail.db + db;
        if (after < faintestDb) return null;
        return new Trail(leg.to(), leg, trail, turned, effort, unfollowed, after, ms);
    }

    /// Whether enough passes: a level that is all but down is as good as closed.
    private static boolean lets(Governor governor, Setting stands) {
        return governor.opens(stands)
                && !(stands instanceof Setting.Level(double db) && db <= ALL_BUT_DOWN_DB);
    }

    private static boolean isOverheard(Trail trail, Leg leg) {
        return trail.leg != null
                && trail.leg.kind() == Leg.Kind.AIR
                && trail.before.leg != null
                && leg.kind() != Leg.Kind.AIR;
    }

    private Optional<Setting> opener(Leg.Govern govern) {
        Knob knob = graph.knobs().get(govern.knob()).knob();
        if (knob instanceof Knob.Level level)
            return Optional.of(new Setting.Level(Math.clamp(0, level.minDb(), level.maxDb())));
        return knob.others(positions.get(govern.knob())).stream()
                .filter(govern.governor()::opens)
                .findFirst();
    }

    /// Whether every leg is open with all turns made: a later turn may have closed an earlier leg.
    private boolean holds(Trail end) {
        for (Leg leg : end.legs()) {
            for (Leg.Govern govern : leg.governors()) {
                Setting stands =
                        end.turned.getOrDefault(govern.knob(), positions.get(govern.knob()));
                if (!lets(govern.governor(), stands)) return false;
            }
        }
        return true;
    }

    private boolean isOpen(Leg leg) {
        return leg.governors().stream()
                .allMatch(govern -> lets(govern.governor(), positions.get(govern.knob())));
    }

    private Opening opening(Trail end) {
        List<Leg> legs = end.legs();
        int breaksAt = 0;
        while (breaksAt < legs.size() - 1 && isOpen(legs.get(breaksAt))) breaksAt++;
        List<Opening.KnobTurn> turns = new ArrayList<>();
        end.turned.forEach(
                (knob, to) ->
                        turns.add(
                                new Opening.KnobTurn(
                                        graph.knobs().get(knob), positions.get(knob), to)));
        return new Opening(legs, breaksAt, turns, end.db, end.ms);
    }
}
