package rivulus.cure;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.BooleanSupplier;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.check.Severity;
import rivulus.check.Trouble;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.hearing.Opening;
import rivulus.hearing.Openings;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.Positions;

/// Looks for the fewest knob turns that cure a finding in every scene it shows in, and cause no
/// other.
///
/// Cheapest first over sets of turns: what a set still leaves wrong, or newly makes wrong, says
/// which knobs to try next. An unwanted way suggests every setting that closes one of its legs; a
/// missing source suggests the nearest openings, a faint one what is turned down on its way too.
/// Every set is proven whole. The first answers are the cheapest among the sets that were suggested
/// this way; that is a heuristic, not a proof of least change. Stops after [#MOST_TRIALS] proofs,
/// fewer for large shows, or [#MOST_TIME]; the answer says so.
public final class Cures {
    private static final int MOST_TRIALS = 240;
    private static final int LEAST_TRIALS = 24;
    private static final long MOST_CELLS = 2_000_000;

    /// However slow the machine, nobody waits longer.
    private static final Duration MOST_TIME = Duration.ofSeconds(5);
    private static final int TRIALS_FOR_OTHERS = 40;
    private static final int MOST_TURNS = 5;
    /// A cure that costs more than this above the cheapest is not offered.
    private static final int WORTH_OFFERING = 1;

    private static final List<Knob.Role> KINDEST_FIRST =
            List.of(
                    Knob.Role.FEED,
                    Knob.Role.TAP,
                    Knob.Role.DEVICE,
                    Knob.Role.SEND,
                    Knob.Role.MUTE,
                    Knob.Role.LEVEL,
                    Knob.Role.FADER,
                    Knob.Role.GAIN,
                    Knob.Role.NONE);

    private static final int WAYS_LOOKED_AT = 4;
    private static final int OPENINGS_LOOKED_AT = 10;

    /// What must be heard may lose the 6 dB of a second equal arrival, and no more; what was louder
    /// than nominal may come down to it.
    private static final double MOST_LOSS_DB = 6.5;

    private final Prover prover;
    private final Proof base;
    private final Set<Finding.Key> target = new HashSet<>();
    private final List<String> scenesInOrder;
    private final Map<Finding.Key, Severity> known = new HashMap<>();

    private Cures(Prover prover, Proof base, List<Finding> findings) {
        this.prover = prover;
        this.base = base;
        for (Finding other : base.findings()) known.put(other.key(), other.severity());
        for (Finding finding : findings) target.add(finding.key());
        Set<String> order = new LinkedHashSet<>();
        for (Finding finding : findings) order.add(finding.scene());
        order.addAll(base.sceneIds());
        scenesInOrder = List.copyOf(order);
    }

    /// The best cures of a finding in every scene it shows in, least effort first, at most `most`.
    public static Cured of(Prover prover, Proof proof, Finding finding, int most) {
        return of(prover, proof, finding, most, () -> false);
    }

    /// The best cures of a finding in every scene it shows in; given up early, with what is found
    /// by then, when `cancelled` says so.
    public static Cured of(
            Prover prover, Proof proof, Finding finding, int most, BooleanSupplier cancelled) {
        List<Finding> same =
                proof.findings().stream()
                        .filter(other -> other.key().anyScene().equals(finding.key().anyScene()))
                        .toList();
        return new Cures(prover, proof, same).search(most, cancelled);
    }

    /// The best cures of a whole trouble; given up early, with what is found by then, when
    /// `cancelled` says so.
    public static Cured of(
            Prover prover, Proof proof, Trouble trouble, int most, BooleanSupplier cancelled) {
        return new Cures(prover, proof, trouble.findings()).search(most, cancelled);
    }

    /// A set of settings to try.
    private record Plan(Map<Ref, Setting> settings, List<Turn> turns, int effort, Proof seenFrom) {}

    private Cured search(int most, BooleanSupplier cancelled) {
        PriorityQueue<Plan> open =
                new PriorityQueue<>(
                        Comparator.comparingInt(Plan::effort)
                                .thenComparingInt(plan -> plan.turns().size()));
        Set<Map<Ref, Setting>> tried = new HashSet<>();
        List<Cure> cures = new ArrayList<>();
        suggest(new Plan(Map.of(), List.of(), 0, base), open, tried);
        int trialsLeft = trials();
        long end = System.nanoTime() + MOST_TIME.toNanos();
        boolean ended = false;
        while (!ended) {
            ended = open.isEmpty() || open.peek().effort() > mostEffort(cures);
            boolean stopped = trialsLeft-- == 0 || cancelled.getAsBoolean();
            if (ended || stopped || System.nanoTime() > end) break;
            Plan plan = open.poll();
            if (cures.stream().anyMatch(c -> plan.turns().containsAll(c.turns()))) continue;
            Proof proof = prover.prove(base.show().with(plan.turns()), plan.seenFrom());
            Plan proven = new Plan(plan.settings(), plan.turns(), plan.effort(), proof);
            if (!troubles(proof).isEmpty()) {
                // one turn more costs at least one
                boolean worthMore = plan.effort() < mostEffort(cures);
                if (worthMore && plan.turns().size() < MOST_TURNS) suggest(proven, open, tried);
            } else if (!weakens(proof)) {
                if (cures.isEmpty()) trialsLeft = Math.min(trialsLeft, TRIALS_FOR_OTHERS);
                cures.add(cure(proven));
            }
        }
        cures.sort(
                Comparator.comparingInt(Cure::effort)
                        .thenComparingInt(cure -> cure.turns().size())
                        .thenComparingInt(cure -> cure.effects().size())
                        .thenComparingInt(this::bluntness)
                        .thenComparingInt(this::placeOnTheGear));
        return new Cured(different(cures).stream().limit(most).toList(), ended);
    }

    /// How many proofs may be tried: fewer where each has more to go through.
    private int trials() {
        long cells =
                (long) base.show().ears().size()
                        * base.show().sources().size()
                        * base.show().scenes().size();
        return Math.clamp(MOST_CELLS / Math.max(1, cells), LEAST_TRIALS, MOST_TRIALS);
    }

    /// What a cure may cost beside those that have been found.
    private static int mostEffort(List<Cure> found) {
        return found.isEmpty() ? Integer.MAX_VALUE : found.getFirst().effort() + WORTH_OFFERING;
    }

    /// Of cures that sound the same only the first is worth offering, and of the others only those
    /// that let nobody hear what they need not.
    private static List<Cure> different(List<Cure> cures) {
        Set<List<String>> heard = new HashSet<>();
        List<Cure> different = new ArrayList<>();
        for (Cure cure : cures) {
            List<String> sound =
                    cure.effects().stream().map(effect -> effect.scene() + effect.words()).toList();
            boolean intrudes = cure.effects().stream().anyMatch(Effect::intrudes);
            if (heard.add(sound) && (different.isEmpty() || !intrudes)) different.add(cure);
        }
        return different;
    }

    private Cure cure(Plan plan) {
        List<String> orders = plan.turns().stream().map(this::order).distinct().toList();
        return new Cure(
                plan.turns(),
                orders,
                plan.effort(),
                plan.seenFrom(),
                Effect.between(base, plan.seenFrom()));
    }

    /// Among equals a feed or a tap set right reads better than a fader pulled down.
    private int bluntness(Cure cure) {
        return cure.turns().stream()
                .mapToInt(
                        turn ->
                                KINDEST_FIRST.indexOf(
                                        base.graph().knob(turn.knob()).orElseThrow().knob().role()))
                .max()
                .orElse(0);
    }

    /// Among equals what comes first on the gear is taken.
    private int placeOnTheGear(Cure cure) {
        return cure.turns().stream().mapToInt(turn -> place(turn.knob())).sum();
    }

    private int place(Ref knob) {
        return base.graph().knobIndex(knob.device(), knob.name());
    }

    private String order(Turn turn) {
        KnobUse use = base.graph().knob(turn.knob()).orElseThrow();
        return "%s to %s".formatted(use.words(), use.say(turn.to()));
    }

    /// What a proof leaves uncured, or makes worse than it was, in the first scene where it does;
    /// scenes of the trouble itself come first. Later scenes are not worked out.
    private List<Finding> troubles(Proof proof) {
        for (String id : scenesInOrder) {
            List<Finding> uncured = new ArrayList<>();
            List<Finding> worse = new ArrayList<>();
            for (Finding finding : proof.scene(id).orElseThrow().findings()) {
                Severity before = known.get(finding.key());
                if (target.contains(finding.key())) uncured.add(finding);
                else if (before == null || finding.severity().compareTo(before) < 0)
                    worse.add(finding);
            }
            if (!uncured.isEmpty()) return uncured;
            if (!worse.isEmpty()) return worse;
        }
        return List.of();
    }

    /// Whether somebody who must be heard would be heard much fainter than before.
    private boolean weakens(Proof proof) {
        for (SceneProof scene : base.scenes()) {
            SceneProof then = proof.scene(scene.scene().id()).orElseThrow();
            if (then == scene) continue;
            for (SceneProof.Heard cell : scene.all()) {
                if (cell.standing().wish() != Wish.MUST) continue;
                double before = cell.hearing().levelDb();
                double after = then.of(cell.ear().id(), cell.source().id()).hearing().levelDb();
                if (before > prover.limits().faintDb() && after < before - MOST_LOSS_DB)
                    return true;
            }
        }
        return false;
    }

    // What to try next

    private void suggest(Plan plan, PriorityQueue<Plan> open, Set<Map<Ref, Setting>> tried) {
        List<Finding> troubles = troubles(plan.seenFrom());
        if (troubles.isEmpty()) return;
        Finding trouble = troubles.getFirst();
        Set<String> scenes = new LinkedHashSet<>();
        scenes.add(trouble.scene());
        for (Finding.Key key : target) {
            if (key.anyScene().equals(trouble.key().anyScene())) scenes.add(key.scene());
        }
        for (Map<Ref, Setting> step : steps(trouble)) {
            extend(plan, step, scenes)
                    .filter(next -> tried.add(next.settings()))
                    .ifPresent(open::add);
        }
    }

    /// The settings that might help against a finding, each a small set of knobs.
    private List<Map<Ref, Setting>> steps(Finding trouble) {
        return switch (trouble.rule()) {
            case "missing" ->
                    trouble.verdict() == Verdict.MISSING ? openers(trouble) : louder(trouble);
            case "loop" -> quieters(trouble);
            default -> closers(trouble.live().positions(), wayLegs(trouble), trouble);
        };
    }

    /// For what goes round: every level on the way turned down by what is lacking, then every
    /// setting that cuts it.
    private List<Map<Ref, Setting>> quieters(Finding trouble) {
        List<Leg> legs =
                trouble.evidence().ways().stream()
                        .flatMap(way -> way.legs().stream())
                        .distinct()
                        .toList();
        Positions positions = trouble.live().positions();
        double lacking = Math.ceil(prover.limits().loopDb() - trouble.figures().get("marginDb"));
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = trouble.live().graph().knobs().get(govern.knob());
                if (!(positions.get(govern.knob()) instanceof Setting.Level(double db))) continue;
                Setting lower = new Setting.Level(db - lacking);
                if (use.knob().takes(lower)) steps.add(Map.of(use.ref(), lower));
            }
        }
        steps.addAll(closers(positions, legs, trouble));
        return steps;
    }

    private static List<Leg> wayLegs(Finding trouble) {
        List<Way> ways =
                Ways.of(trouble.live())
                        .strongest(
                                trouble.source().orElseThrow(),
                                trouble.ear().orElseThrow(),
                                WAYS_LOOKED_AT)
                        .all();
        return ways.stream().flatMap(way -> way.legs().stream()).distinct().toList();
    }

    private List<Map<Ref, Setting>> openers(Finding trouble) {
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        List<Opening> openings =
                Openings.of(trouble.live().graph(), trouble.live().positions())
                        .nearest(
                                trouble.source().orElseThrow(),
                                trouble.ear().orElseThrow(),
                                OPENINGS_LOOKED_AT)
                        .all();
        for (Opening opening : openings) {
            Map<Ref, Setting> step = new LinkedHashMap<>();
            opening.turns().forEach(turn -> step.put(turn.knob().ref(), turn.to()));
            steps.add(step);
        }
        return steps;
    }

    /// For what is only faint: what is turned down on its way, then ways of its own.
    private List<Map<Ref, Setting>> louder(Finding trouble) {
        List<Map<Ref, Setting>> steps = raisers(trouble);
        steps.addAll(openers(trouble));
        return steps;
    }

    private List<Map<Ref, Setting>> raisers(Finding trouble) {
        Positions positions = trouble.live().positions();
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : wayLegs(trouble)) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = trouble.live().graph().knobs().get(govern.knob());
                boolean low =
                        positions.get(govern.knob()) instanceof Setting.Level(double db) && db < 0;
                if (low && use.knob().takes(new Setting.Level(0)))
                    steps.add(Map.of(use.ref(), new Setting.Level(0)));
            }
        }
        return steps;
    }

    /// Every setting that closes one of the legs; the knob that a mute finding is about is no
    /// remedy for it.
    private List<Map<Ref, Setting>> closers(Positions positions, List<Leg> legs, Finding trouble) {
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = trouble.live().graph().knobs().get(govern.knob());
                if (use.ref().toString().equals(trouble.key().about())) continue;
                if (use.knob().role() == Knob.Role.PERMISSION) continue;
                for (Setting other : closings(use.knob(), positions.get(govern.knob()))) {
                    if (!govern.governor().opens(other)) steps.add(Map.of(use.ref(), other));
                }
            }
        }
        return steps.stream().distinct().toList();
    }

    /// A device is put out of the way by picking nothing, not by picking some other device.
    private static List<Setting> closings(Knob knob, Setting stands) {
        return knob.role() == Knob.Role.DEVICE
                ? List.of(new Setting.Choice(Picker.NONE))
                : knob.others(stands);
    }

    private Optional<Plan> extend(Plan plan, Map<Ref, Setting> step, Set<String> scenes) {
        Map<Ref, Setting> settings = new LinkedHashMap<>(plan.settings());
        List<Turn> turns = new ArrayList<>(plan.turns());
        int effort = plan.effort();
        for (var entry : step.entrySet()) {
            if (settings.putIfAbsent(entry.getKey(), entry.getValue()) != null)
                return Optional.empty();
            effort += base.graph().knob(entry.getKey()).orElseThrow().knob().effort();
            turns.addAll(turnsIn(scenes, entry.getKey(), entry.getValue()));
        }
        return Optional.of(new Plan(settings, turns, effort, plan.seenFrom()));
    }

    /// The turns that make a knob stand so in all those scenes: in the base where a scene has no
    /// setting of its own, else in the scene.
    private List<Turn> turnsIn(Set<String> scenes, Ref knob, Setting to) {
        Show show = base.show();
        List<Turn> turns = new ArrayList<>();
        boolean inBase = false;
        for (String id : scenes) {
            Setting own = show.scene(id).map(Scene::knobs).map(k -> k.get(knob)).orElse(null);
            if (own == null) inBase = true;
            else if (!own.equals(to)) turns.add(new Turn(knob, own, to, Optional.of(id)));
        }
        if (inBase) turns.addFirst(new Turn(knob, standing(knob), to, Optional.empty()));
        return turns;
    }

    private Setting standing(Ref knob) {
        return base.show()
                .rig()
                .device(knob.device())
                .map(device -> device.knobs().get(knob.name()))
                .orElseGet(() -> base.graph().knob(knob).orElseThrow().knob().standing());
    }
}
