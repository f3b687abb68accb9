package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoublePredicate;
import java.util.function.Predicate;
import rivulus.check.Finding;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Opening;
import rivulus.hearing.Openings;
import rivulus.hearing.Tracer;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.least.Dials;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;

/// Ideas on the graph: knobs on a way closed, opened or turned down.
final class GraphIdeas {
    private static final int WAYS_CLOSED = 4;
    private static final int OPENINGS_LOOKED_AT = 10;
    private static final int MOST_LOWERED = 60;

    /// What a setting has to take away, in dB, to be worth trying against what is heard.
    private static final double WORTH_TAKING_DB = 10;

    private final Limits limits;
    private final Predicate<String> isComputer;

    /// @param isComputer whether a device, by its id, is a computer
    GraphIdeas(Limits limits, Predicate<String> isComputer) {
        this.limits = limits;
        this.isComputer = isComputer;
    }

    /// Every setting that closes one of the strongest ways of what is heard, or all but closes it,
    /// and what stands over nominal there brought back to it.
    List<Idea> closers(Finding finding) {
        List<Map<Ref, Setting>> steps = toNominal(finding, db -> db > 0);
        steps.addAll(closers(finding.live().positions(), wayLegs(finding, WAYS_CLOSED), finding));
        return settings(steps);
    }

    /// Every level on the strongest way of what is heard turned down by so much, then all that
    /// closes it.
    ///
    /// @param dbs how much, each over 0
    List<Idea> lower(Finding finding, double... dbs) {
        List<Idea> ideas = new ArrayList<>();
        for (double db : dbs) ideas.addAll(turned(finding, -db));
        ideas.addAll(closers(finding));
        return ideas;
    }

    /// For what comes more than once: every setting that closes what not all of its ways pass.
    List<Idea> closersOfOne(Finding finding) {
        List<Way> ways = finding.evidence().ways();
        List<Leg> legs =
                ways.stream()
                        .flatMap(way -> way.legs().stream())
                        .distinct()
                        .filter(leg -> !ways.stream().allMatch(way -> way.legs().contains(leg)))
                        .toList();
        return settings(closers(finding.live().positions(), legs, finding));
    }

    /// The nearest openings for what is not heard.
    List<Idea> openers(Finding finding) {
        return settings(openings(finding));
    }

    /// For what is not heard, or hardly: what is turned down on its way, then ways of its own.
    List<Idea> louder(Finding finding) {
        List<Map<Ref, Setting>> steps = toNominal(finding, db -> db < 0);
        steps.addAll(openings(finding));
        return settings(steps);
    }

    /// For what goes round: every level on the way turned down by what is lacking, then every
    /// setting that cuts it.
    List<Idea> quieters(Finding finding) {
        List<Leg> legs =
                finding.evidence().ways().stream()
                        .flatMap(way -> way.legs().stream())
                        .distinct()
                        .toList();
        Positions positions = finding.live().positions();
        Set<Map<Ref, Setting>> steps = new LinkedHashSet<>();
        for (Leg leg : legs)
            for (Leg.Govern govern : leg.governors())
                quieter(finding.live(), govern.knob())
                        .ifPresent(
                                lower ->
                                        steps.add(
                                                Map.of(
                                                        finding.live()
                                                                .graph()
                                                                .knobs()
                                                                .get(govern.knob())
                                                                .ref(),
                                                        lower)));
        List<Map<Ref, Setting>> all = new ArrayList<>(steps);
        all.addAll(closers(positions, legs, finding));
        return settings(all);
    }

    /// The least step down, in whole decibels, by which everything that goes round gets the margin
    /// that is wanted; empty where the knob has no such step. Each is tried on the graph: how much
    /// one leg may be raised says nothing of the others once it is lowered.
    private Optional<Setting> quieter(LiveGraph live, int knob) {
        Positions positions = live.positions();
        if (!(positions.get(knob) instanceof Setting.Level(double db))) return Optional.empty();
        int least = 1;
        int most = MOST_LOWERED;
        if (!hasMargin(live, knob, db - most)) return Optional.empty();
        while (least < most) {
            int middle = (least + most) / 2;
            if (hasMargin(live, knob, db - middle)) most = middle;
            else least = middle + 1;
        }
        Setting lower = new Setting.Level(db - most);
        return live.graph().knobs().get(knob).knob().takes(lower)
                ? Optional.of(lower)
                : Optional.empty();
    }

    private boolean hasMargin(LiveGraph live, int knob, double db) {
        LiveGraph lower = live.at(live.positions().with(knob, new Setting.Level(db)));
        double wanted = limits.get(Limit.LOOP_MARGIN);
        return Tracer.of(lower).loops().stream().allMatch(loop -> loop.marginDb() >= wanted);
    }

    /// Every level on the strongest way of what is heard turned by so much.
    ///
    /// @param db up, or, negative, down
    List<Idea> turned(Finding finding, double db) {
        return turned(finding, finding.ear().orElseThrow(), db);
    }

    /// Every level on the strongest way to some listener turned by so much.
    List<Idea> turned(Finding finding, String listener, double db) {
        Positions positions = finding.live().positions();
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : wayLegs(finding, listener, 1))
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                boolean stands = positions.get(govern.knob()) instanceof Setting.Level;
                if (!stands || !(use.knob() instanceof Knob.Level level)) continue;
                double now = ((Setting.Level) positions.get(govern.knob())).db();
                double step = Math.max(level.stepDb(), 0.5);
                Setting to = new Setting.Level(Math.rint((now + db) / step) * step);
                if (level.takes(to)) steps.add(Map.of(use.ref(), to));
            }
        return settings(steps);
    }

    /// Every tap on the strongest way of what is heard, set otherwise.
    List<Idea> otherTaps(Finding finding) {
        Positions positions = finding.live().positions();
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : wayLegs(finding, 1))
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                if (use.knob().role() == Knob.Role.TAP)
                    for (Setting other : use.knob().others(positions.get(govern.knob())))
                        steps.add(Map.of(use.ref(), other));
            }
        return settings(steps);
    }

    private static List<Idea> settings(List<Map<Ref, Setting>> steps) {
        return steps.stream().<Idea>map(Idea.Settings::new).toList();
    }

    private static List<Leg> wayLegs(Finding finding, int ways) {
        return wayLegs(finding, finding.ear().orElseThrow(), ways);
    }

    private static List<Leg> wayLegs(Finding finding, String listener, int ways) {
        return Ways.of(finding.live())
                .strongest(finding.source().orElseThrow(), listener, ways)
                .stream()
                .flatMap(way -> way.legs().stream())
                .distinct()
                .toList();
    }

    private List<Map<Ref, Setting>> openings(Finding finding) {
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        List<Opening> openings =
                Openings.of(
                                finding.live().graph(),
                                finding.live().positions(),
                                limits.get(Limit.HEARD))
                        .nearest(
                                finding.source().orElseThrow(),
                                finding.ear().orElseThrow(),
                                OPENINGS_LOOKED_AT)
                        .all();
        for (Opening opening : openings) {
            if (opening.turns().stream().anyMatch(turn -> isFact(turn.knob()))) continue;
            Map<Ref, Setting> step = new LinkedHashMap<>();
            opening.turns().forEach(turn -> step.put(turn.knob().ref(), turn.to()));
            steps.add(step);
        }
        return steps;
    }

    private static boolean isFact(KnobUse use) {
        return use.knob().role() == Knob.Role.FACT;
    }

    /// Every level of some kind on the strongest ways of what is heard brought to nominal.
    private static List<Map<Ref, Setting>> toNominal(Finding finding, DoublePredicate off) {
        Positions positions = finding.live().positions();
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : wayLegs(finding, WAYS_CLOSED)) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                boolean is =
                        positions.get(govern.knob()) instanceof Setting.Level(double db)
                                && off.test(db);
                if (is && use.knob().takes(new Setting.Level(0)))
                    steps.add(Map.of(use.ref(), new Setting.Level(0)));
            }
        }
        return steps;
    }

    /// Every setting that closes one of the legs, or all but closes it; the knob that a mute
    /// finding is about is no remedy for it.
    private List<Map<Ref, Setting>> closers(Positions positions, List<Leg> legs, Finding finding) {
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                if (use.ref().toString().equals(finding.key().about())) continue;
                Setting stands = positions.get(govern.knob());
                double enough = govern.governor().gainDb(stands) - WORTH_TAKING_DB;
                Predicate<Setting> closes = Dials.toClose(use.knob(), stands, isComputer);
                for (Setting other : use.knob().others(stands))
                    if (closes.test(other) && govern.governor().gainDb(other) <= enough)
                        steps.add(Map.of(use.ref(), other));
            }
        }
        return steps.stream().distinct().toList();
    }
}
