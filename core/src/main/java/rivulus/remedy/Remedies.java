package rivulus.remedy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.disk.FileTrouble;
import rivulus.file.Change;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.leads.End;
import rivulus.rule.Idea;
import rivulus.rule.Rules;
import rivulus.rule.Workshop;
import rivulus.search.BestFirst;
import rivulus.search.Found;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Looks for what ends a trouble: the fewest knob turns that cure it in every scene it shows in, or
/// a change of leads, boxes and power. The rule that found it has ideas; every one is proven whole
/// ([Trial]).
///
/// Knobs are searched cheapest first over sets of turns: what a set still leaves wrong, or newly
/// makes wrong, says which knobs to try next. The first answers are the cheapest among the sets
/// that were suggested this way; that is a heuristic, not a proof of least change. Stops after
/// [#MOST_TRIALS] proofs, fewer for large shows, or [#MOST_TIME]; the answer says so.
public final class Remedies {
    private static final int MOST_TRIALS = 240;
    private static final int LEAST_TRIALS = 24;
    private static final long MOST_CELLS = 2_000_000;

    /// However slow the machine, nobody waits longer.
    private static final Duration MOST_TIME = Duration.ofSeconds(5);
    private static final int TRIALS_FOR_OTHERS = 40;
    private static final int MOST_TURNS = 5;
    /// A remedy that costs more than this above the cheapest is not offered.
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

    private final Prover prover;
    private final Proof base;
    private final Workshop workshop;
    private final Trial trial;
    private final int most;
    private final BooleanSupplier cancelled;
    private int trialsLeft;

    private Remedies(
            Prover prover,
            Proof base,
            List<Finding> findings,
            int most,
            BooleanSupplier cancelled) {
        this.prover = prover;
        this.base = base;
        this.most = most;
        this.cancelled = cancelled;
        workshop = new Workshop(base, prover.catalogue());
        trial = new Trial(base, findings);
        trialsLeft = trials();
    }

    /// The best remedies of a finding in every scene it shows in, least effort first, at most
    /// `most`.
    public static Found<Remedy> of(Prover prover, Proof proof, Finding finding, int most) {
        return of(prover, proof, finding, most, () -> false);
    }

    /// The best remedies of a finding in every scene it shows in; given up early, with what is
    /// found by then, when `cancelled` says so.
    public static Found<Remedy> of(
            Prover prover, Proof proof, Finding finding, int most, BooleanSupplier cancelled) {
        List<Finding> same =
                finding.isOfTheRig()
                        ? List.of(finding)
                        : proof.heard().stream()
                                .filter(f -> f.key().anyScene().equals(finding.key().anyScene()))
                                .toList();
        return new Remedies(prover, proof, same, most, cancelled).search();
    }

    /// The best remedies of a whole trouble; given up early, with what is found by then, when
    /// `cancelled` says so.
    public static Found<Remedy> of(
            Prover prover, Proof proof, Trouble trouble, int most, BooleanSupplier cancelled) {
        return new Remedies(prover, proof, trouble.findings(), most, cancelled).search();
    }

    /// What to say where there is none.
    public static String words(Found<Remedy> none) {
        return none.complete()
                ? "Nothing that suggests itself ends this without causing something else."
                : "None was found in the time; there may be one.";
    }

    private Found<Remedy> search() {
        Finding first = trial.first();
        if (first.isOfTheRig()) return onGear(first);
        Found<Remedy> turned = onKnobs();
        return turned.isEmpty() && turned.complete() ? onGear(first) : turned;
    }

    // Gear

    /// What brings a caution of its own only where nothing else will do.
    private Found<Remedy> onGear(Finding finding) {
        if (finding.severity() == Severity.NOTE) return new Found<>(List.of(), true);
        List<Remedy> clean = new ArrayList<>();
        List<Remedy> cautioned = new ArrayList<>();
        Set<String> said = new HashSet<>();
        for (Idea idea : Rules.of(finding).gear(finding, workshop)) {
            if (clean.size() == most) break;
            if (cancelled.getAsBoolean()) return new Found<>(offered(clean, cautioned), false);
            if (!(idea instanceof Idea.Rework rework) || !said.add(rework.sentence())) continue;
            tried(rework)
                    .ifPresent(
                            remedy ->
                                    (trial.bringsCautions(remedy.after()) ? cautioned : clean)
                                            .add(remedy));
        }
        return new Found<>(offered(clean, cautioned), true);
    }

    private List<Remedy> offered(List<Remedy> clean, List<Remedy> cautioned) {
        return clean.isEmpty() ? cautioned.stream().limit(most).toList() : clean;
    }

    private Optional<Remedy> tried(Idea.Rework idea) {
        Show changed = idea.change().after();
        if (!holds(changed)) return Optional.empty();
        Proof after = prover.prove(changed, base);
        if (!trial.isGoodOnGear(after)) return Optional.empty();
        return Optional.of(
                new Remedy(
                        idea.sentence(),
                        idea.turns(),
                        idea.change(),
                        losses(idea.change()),
                        0,
                        after,
                        Effect.between(base, after)));
    }

    /// The leads that are taken out, and the devices.
    private List<String> losses(Change change) {
        Rig was = change.before().rig();
        Rig is = change.after().rig();
        Catalogue kinds = change.before().kinds(prover.catalogue());
        List<String> losses = new ArrayList<>();
        for (Device device : was.devices())
            if (is.device(device.id()).isEmpty()) losses.add(device.name());
        for (Cable cable : was.cables())
            if (is.cables().stream().noneMatch(other -> other.id().equals(cable.id())))
                losses.add("the lead " + End.words(cable, was, kinds));
        return losses;
    }

    /// Whether what comes of an idea could be saved and opened again.
    private boolean holds(Show changed) {
        try {
            ShowFile.again(changed, prover.catalogue());
            return true;
        } catch (FileTrouble unsound) {
            return false;
        }
    }

    // Knobs

    /// A set of settings to try.
    ///
    /// @param here whether they hold only in the scenes of the trouble, whatever the others have
    private record Plan(
            Map<Ref, Setting> settings,
            List<Turn> turns,
            int effort,
            boolean here,
            Proof seenFrom) {}

    private Found<Remedy> onKnobs() {
        Set<Map<Ref, Setting>> tried = new HashSet<>();
        List<Plan> starts = new ArrayList<>();
        suggest(new Plan(Map.of(), List.of(), 0, false, base), tried, starts::add);
        long end = System.nanoTime() + MOST_TIME.toNanos();
        Found<Remedy> found =
                BestFirst.search(
                        Comparator.comparingInt(Plan::effort)
                                .thenComparingInt(plan -> plan.turns().size()),
                        starts,
                        Integer.MAX_VALUE,
                        Integer.MAX_VALUE,
                        () -> cancelled.getAsBoolean() || System.nanoTime() > end,
                        (plan, search) -> {
                            if (plan.effort() > mostEffort(search.answers())) {
                                search.end();
                            } else if (trialsLeft-- == 0) {
                                search.leftOut();
                                search.end();
                            } else {
                                tryOut(plan, search, tried);
                            }
                        });
        return found.map(
                remedies ->
                        different(remedies.stream().sorted(bestFirst()).toList()).stream()
                                .limit(most)
                                .toList());
    }

    private void tryOut(Plan plan, BestFirst<Plan, Remedy> search, Set<Map<Ref, Setting>> tried) {
        if (search.answers().stream().anyMatch(r -> plan.turns().containsAll(r.turns()))) return;
        Proof proof = prover.prove(base.show().with(plan.turns()), plan.seenFrom());
        Plan proven = new Plan(plan.settings(), plan.turns(), plan.effort(), plan.here(), proof);
        List<Finding> left = trial.leftInScenes(proof);
        if (!left.isEmpty()) {
            // it ends the trouble and harms another scene: there it may stay as it is
            boolean elsewhere = left.stream().noneMatch(f -> trial.isMeant(f.key()));
            if (elsewhere && !plan.here()) onlyHere(plan).ifPresent(search::open);
            // one turn more costs at least one
            boolean worthMore = plan.effort() < mostEffort(search.answers());
            if (worthMore && plan.turns().size() < MOST_TURNS) suggest(proven, tried, search::open);
        } else if (trial.isGoodOnKnobs(proof)) {
            if (search.answers().isEmpty()) trialsLeft = Math.min(trialsLeft, TRIALS_FOR_OTHERS);
            search.answer(remedy(proven));
        }
    }

    private Comparator<Remedy> bestFirst() {
        return Comparator.comparing(Remedy::robs)
                .thenComparingInt(Remedy::effort)
                .thenComparingInt(remedy -> remedy.turns().size())
                .thenComparingInt(remedy -> remedy.effects().size())
                .thenComparingInt(this::bluntness)
                .thenComparingInt(this::placeOnTheGear);
    }

    /// How many proofs may be tried: fewer where each has more to go through.
    private int trials() {
        long cells =
                (long) base.show().ears().size()
                        * base.show().sources().size()
                        * base.show().scenes().size();
        return Math.clamp(MOST_CELLS / Math.max(1, cells), LEAST_TRIALS, MOST_TRIALS);
    }

    /// What a remedy may cost beside those that have been found.
    private static int mostEffort(List<Remedy> found) {
        return found.isEmpty() ? Integer.MAX_VALUE : found.getFirst().effort() + WORTH_OFFERING;
    }

    /// Of remedies that sound the same only the first is worth offering, and of the others only
    /// those that let nobody hear what they need not.
    private static List<Remedy> different(List<Remedy> remedies) {
        Set<List<String>> heard = new HashSet<>();
        List<Remedy> different = new ArrayList<>();
        for (Remedy remedy : remedies) {
            List<String> sound =
                    remedy.effects().stream()
                            .map(effect -> effect.scene() + effect.words())
                            .toList();
            boolean intrudes = remedy.effects().stream().anyMatch(Effect::intrudes);
            if (heard.add(sound) && (different.isEmpty() || !intrudes)) different.add(remedy);
        }
        return different;
    }

    private Remedy remedy(Plan plan) {
        List<String> orders = plan.turns().stream().map(this::order).distinct().toList();
        return new Remedy(
                "Set %s%s.".formatted(Words.list(orders), plan.here() ? only(plan) : ""),
                plan.turns(),
                new Change(base.show(), plan.seenFrom().show()),
                List.of(),
                plan.effort(),
                plan.seenFrom(),
                Effect.between(base, plan.seenFrom()));
    }

    /// " in Doors and Interval"
    private String only(Plan plan) {
        List<String> scenes =
                plan.turns().stream()
                        .flatMap(turn -> turn.scene().stream())
                        .distinct()
                        .flatMap(id -> base.show().scene(id).stream())
                        .map(Scene::name)
                        .toList();
        return " in " + Words.list(scenes);
    }

    /// Among equals a feed or a tap set right reads better than a fader pulled down.
    private int bluntness(Remedy cure) {
        return cure.turns().stream()
                .mapToInt(
                        turn ->
                                KINDEST_FIRST.indexOf(
                                        base.graph().knob(turn.knob()).orElseThrow().knob().role()))
                .max()
                .orElse(0);
    }

    /// Among equals what comes first on the gear is taken.
    private int placeOnTheGear(Remedy cure) {
        return cure.turns().stream().mapToInt(turn -> place(turn.knob())).sum();
    }

    private int place(Ref knob) {
        return base.graph().knobIndex(knob.device(), knob.name());
    }

    private String order(Turn turn) {
        KnobUse use = base.graph().knob(turn.knob()).orElseThrow();
        return "%s to %s".formatted(use.words(), use.say(turn.to()));
    }

    /// What to try next.
    private void suggest(Plan plan, Set<Map<Ref, Setting>> tried, Consumer<Plan> open) {
        List<Finding> left = trial.leftInScenes(plan.seenFrom());
        if (left.isEmpty()) return;
        Finding trouble = left.getFirst();
        Set<String> scenes = new LinkedHashSet<>();
        scenes.add(trouble.scene());
        for (Finding.Key key : trial.target())
            if (key.anyScene().equals(trouble.key().anyScene())) scenes.add(key.scene());
        for (Idea idea : Rules.of(trouble).ideas(trouble, workshop))
            if (idea instanceof Idea.Settings(var step))
                extend(plan, step, scenes)
                        .filter(next -> tried.add(next.settings()))
                        .ifPresent(open);
    }

    /// The same settings in the scenes of the trouble alone, where somebody turns them each time;
    /// none where it shows in all of them.
    private Optional<Plan> onlyHere(Plan plan) {
        Set<String> scenes = new LinkedHashSet<>(base.sceneIds());
        if (!scenes.retainAll(trial.target().stream().map(Finding.Key::scene).toList()))
            return Optional.empty();
        List<Turn> turns = new ArrayList<>();
        plan.settings().forEach((knob, to) -> turns.addAll(turnsOnlyIn(scenes, knob, to)));
        return Optional.of(
                new Plan(plan.settings(), turns, plan.effort() + scenes.size(), true, base));
    }

    private List<Turn> turnsOnlyIn(Set<String> scenes, Ref knob, Setting to) {
        List<Turn> turns = new ArrayList<>();
        for (String id : scenes) {
            Setting own =
                    base.show().scene(id).map(Scene::knobs).map(k -> k.get(knob)).orElse(null);
            Setting from = own == null ? standing(knob) : own;
            if (!from.equals(to)) turns.add(new Turn(knob, from, to, Optional.of(id)));
        }
        return turns;
    }

    private Optional<Plan> extend(Plan plan, Map<Ref, Setting> step, Set<String> scenes) {
        Map<Ref, Setting> settings = new LinkedHashMap<>(plan.settings());
        List<Turn> turns = new ArrayList<>(plan.turns());
        int effort = plan.effort();
        for (var entry : step.entrySet()) {
            if (settings.putIfAbsent(entry.getKey(), entry.getValue()) != null)
                return Optional.empty();
            effort += base.graph().knob(entry.getKey()).orElseThrow().knob().effort();
            turns.addAll(
                    plan.here()
                            ? turnsOnlyIn(scenes, entry.getKey(), entry.getValue())
                            : turnsIn(scenes, entry.getKey(), entry.getValue()));
        }
        return Optional.of(new Plan(settings, turns, effort, plan.here(), plan.seenFrom()));
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
