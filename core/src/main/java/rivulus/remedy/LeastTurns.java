package rivulus.remedy;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.IntSupplier;
import java.util.stream.Collectors;
import org.sat4j.specs.TimeoutException;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Verdict;
import rivulus.file.Change;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.least.Cheapest;
import rivulus.least.Choice;
import rivulus.least.Dials;
import rivulus.least.Must;
import rivulus.least.Needs;
import rivulus.least.OneOf;
import rivulus.least.Scope;
import rivulus.least.Stand;
import rivulus.rule.Idea;
import rivulus.rule.Need;
import rivulus.rule.Rules;
import rivulus.rule.Workshop;
import rivulus.search.Budget;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.Positions;
import rivulus.words.Words;

/// The least turns of knobs that end a trouble and do no harm, led by counter-examples.
///
/// The cheapest turns that do everything known to be a must are proven whole. What is wrong with
/// them says what else must be: of all that could end it something ([Needs]). So the first turns
/// that prove clean are least, since no cheaper ones do what every good set must.
///
/// Least among turns that open or close something, pick, or bring a level to off, to nominal or to
/// what the finding itself asks for; nobody drowns what comes twice under something louder.
final class LeastTurns {
    /// A remedy that costs more than this above the cheapest is not offered.
    private static final int WORTH_OFFERING = 1;

    /// Others are looked for as long as the least was, and for a sixteenth of the budget.
    private static final int PART_FOR_OTHERS = 16;

    private static final int WAYS_LOOKED_AT = 4;

    private static final int IDEAS_TRIED = 6;

    private static final List<Knob.Role> KINDEST_FIRST =
            List.of(
                    Knob.Role.FEED,
                    Knob.Role.TAP,
                    Knob.Role.TRACK,
                    Knob.Role.DEVICE,
                    Knob.Role.SEND,
                    Knob.Role.MUTE,
                    Knob.Role.LEVEL,
                    Knob.Role.FADER,
                    Knob.Role.GAIN);

    /// Findings about a knob that is no remedy for them.
    private static final Set<Verdict> MUTES = EnumSet.of(Verdict.UNMUTED, Verdict.MUTE_FAILS);

    private static final Set<String> FOLLOWING = Set.of(Picker.DEFAULT, Picker.COMMUNICATIONS);

    /// How far over the line a way has to be to be too much by itself, in dB.
    private static final double SURELY_DB = 0.25;

    private final Prover prover;
    private final Proof base;
    private final Trial trial;
    private final Workshop workshop;
    private final Budget whole;
    private final Limits limits;
    private final boolean lacks;
    /// And about several such things.
    private final boolean lacksSeveral;

    private final Dials dials;
    private final Needs needs;
    private final Cheapest cheapest;
    private final List<Map<Ref, Setting>> ideas = new ArrayList<>();
    /// The knobs that the trouble itself asks for.
    private final Set<Integer> asked = new HashSet<>();

    private final List<Remedy> answers = new ArrayList<>();
    private boolean everyMustWasOne = true;
    private int tried;

    LeastTurns(
            Prover prover, Proof base, Trial trial, Workshop workshop, Scope scope, Budget budget) {
        this.prover = prover;
        this.base = base;
        this.trial = trial;
        this.workshop = workshop;
        whole = budget;
        limits = base.show().checks().limits();
        long lacking =
                trial.trouble().stream()
                        .filter(finding -> Rules.of(finding).need(finding) == Need.MORE)
                        .map(finding -> finding.key().anyScene())
                        .distinct()
                        .count();
        lacks = lacking > 0;
        lacksSeveral = lacking > 1;
        dials = new Dials(base.show(), base.graph(), workshop::isComputer, lacks, scope);
        for (Finding finding : trial.trouble())
            for (Map<Ref, Setting> settings : settings(finding)) {
                ideas.add(settings);
                settings.forEach(dials::offer);
            }
        needs = new Needs(base.graph(), dials);
        cheapest = new Cheapest(dials);
    }

    /// The best remedies, at most so many.
    ///
    /// @param soFar told the first that is found, before it is proven least and others are found
    Cures found(int most, Consumer<Remedy> soFar) {
        if (ideas.isEmpty() && trial.trouble().stream().allMatch(this::isVague)) return Cures.NONE;
        List<Must> asked = trial.trouble().stream().<Must>flatMap(f -> told(f).stream()).toList();
        asked.forEach(cheapest::must);
        asked.stream()
                .filter(OneOf.class::isInstance)
                .flatMap(Must::knobs)
                .forEach(this.asked::add);
        int parts =
                trial.trouble().stream()
                        .mapToInt(finding -> Rules.of(finding).parts())
                        .min()
                        .orElse(1);
        Budget budget = whole.part(whole.left() / parts);
        long forOthers = budget.left() / PART_FOR_OTHERS;
        boolean known = enumerate(budget, () -> answers.isEmpty() ? Cheapest.LEAST_IN_SCENES : 0);
        answers.forEach(soFar);
        if (known && answers.isEmpty()) {
            cheapest.inScenesToo();
            known = enumerate(budget, () -> answers.isEmpty() ? Integer.MAX_VALUE : 0);
            answers.forEach(soFar);
        }
        if (answers.isEmpty() && !known) {
            tryIdeas();
            answers.forEach(soFar);
        }
        if (answers.isEmpty()) {
            boolean all = known && everyMustWasOne;
            return new Cures(List.of(), all, tried, all ? clash(budget) : List.of());
        }
        int least = leastEffort();
        boolean proven =
                known
                        && everyMustWasOne
                        && trial.trouble().stream().allMatch(f -> Rules.of(f).isLeastAsked());
        Budget others = budget.part(budget.spent() + forOthers);
        boolean all = known && enumerate(others, () -> worthTrying(most));
        if (all) {
            cheapest.inScenesToo();
            all = enumerate(others, () -> worthTrying(most));
        }
        return new Cures(
                offered().stream()
                        .limit(most)
                        .map(
                                remedy ->
                                        proven && remedy.effort() == least
                                                ? remedy.provenLeast()
                                                : remedy)
                        .toList(),
                all,
                tried,
                List.of());
    }

    /// Whether nobody knows what would have to change.
    private boolean isVague(Finding finding) {
        return Rules.of(finding).need(finding) == Need.OTHER;
    }

    /// Wishes that cannot all be had, where it is known that nothing will do; empty where the
    /// budget does not last for that.
    private List<String> clash(Budget budget) {
        try {
            return cheapest.clash(budget);
        } catch (TimeoutException unknown) {
            return List.of();
        }
    }

    /// Tries what is cheapest until nothing is left that is worth a try; says whether it came that
    /// far.
    private boolean enumerate(Budget budget, IntSupplier worth) {
        while (!budget.isOver()) {
            try {
                Optional<Choice> next = cheapest.next(budget);
                if (next.isEmpty() || next.get().cost() > worth.getAsInt()) return true;
                budget.spend(Prover.steps(base.show()));
                tryOut(next.get());
                if (worth.getAsInt() < next.get().cost()) return true;
            } catch (TimeoutException spent) {
                return false;
            }
        }
        return false;
    }

    /// Where the budget ran out: what the rules themselves think of, each idea by itself, and the
    /// first of every finding together.
    private void tryIdeas() {
        Set<Map<Ref, Setting>> some = new LinkedHashSet<>();
        Map<Ref, Setting> together = new LinkedHashMap<>();
        for (Finding finding : trial.trouble()) {
            List<Map<Ref, Setting>> own = settings(finding);
            if (!own.isEmpty()) own.getFirst().forEach(together::putIfAbsent);
            some.addAll(own);
        }
        List<Map<Ref, Setting>> tried = new ArrayList<>(List.of(together));
        some.stream().limit(IDEAS_TRIED).forEach(tried::add);
        for (Map<Ref, Setting> idea : tried) {
            if (whole.isStopped() || !answers.isEmpty()) return;
            tryOut(cheapest.choice(base.graph(), idea));
        }
    }

    /// What its rule would set against a finding, each idea by itself.
    private List<Map<Ref, Setting>> settings(Finding finding) {
        List<Map<Ref, Setting>> all = new ArrayList<>();
        for (Idea idea : Rules.of(finding).ideas(finding, workshop))
            if (idea instanceof Idea.Settings(var settings)) all.add(settings);
        return all;
    }

    private int leastEffort() {
        return answers.stream().mapToInt(Remedy::effort).min().orElse(Integer.MAX_VALUE);
    }

    /// What turns may cost to be worth a try: as much as the best, and more where there are too few
    /// that cost nobody anything.
    private int worthTrying(int most) {
        long kind = offered().stream().filter(remedy -> !remedy.hasPrice()).count();
        return kind >= most ? leastEffort() : leastEffort() + WORTH_OFFERING;
    }

    private List<Remedy> offered() {
        return different(answers.stream().sorted(bestFirst()).toList());
    }

    private void tryOut(Choice choice) {
        tried++;
        Proof proof = prover.prove(base.show().with(choice.turns()), base);
        List<Must> lacking = lacking(choice, proof);
        if (lacking.isEmpty() && trial.isGoodForTheRig(proof)) {
            answers.add(remedy(choice, proof));
            cheapest.never(choice);
            return;
        }
        lacking.forEach(cheapest::must);
        if (lacking.stream().noneMatch(must -> must.isAgainst(choice, dials))) {
            everyMustWasOne = false;
            cheapest.never(choice);
        }
    }

    /// What would have to be as well, seen by what is wrong with some turns.
    private List<Must> lacking(Choice choice, Proof proof) {
        List<Must> lacking = new ArrayList<>();
        for (Finding left : trial.leftInScenes(proof))
            for (Must must : told(left))
                lacking.add(
                        must instanceof OneOf one && Rules.of(left).need(left) == Need.IDEAS
                                ? dials.unless(one, choice)
                                : must);
        if (!lacking.isEmpty()) return lacking;
        for (Trial.Lost lost : trial.weakened(proof))
            lacking.addAll(
                    needs.heard(
                            place(lost.scene()),
                            lost.words(base.show()),
                            positions(proof, lost.scene()),
                            lost.sources().iterator().next(),
                            lost.ear(),
                            lost.leastDb()));
        for (Trial.Lost lost : trial.silenced(proof))
            lacking.add(
                    needs.anyHeard(
                            place(lost.scene()),
                            lost.words(base.show()),
                            positions(proof, lost.scene()),
                            lost.sources(),
                            lost.ear(),
                            lost.leastDb()));
        return lacking;
    }

    private Positions positions(Proof proof, String scene) {
        return proof.scene(scene).orElseThrow().tracer().live().positions();
    }

    private int place(String scene) {
        return base.sceneIds().indexOf(scene);
    }

    /// What must be, seen by a finding.
    private List<? extends Must> told(Finding finding) {
        int scene = place(finding.scene());
        Positions at = finding.live().positions();
        String about = Rules.of(finding).wish(finding, base.show());
        return switch (Rules.of(finding).need(finding)) {
            case MORE -> more(finding, about, scene, at);
            case LESS -> less(finding, about, scene, at);
            case ONE_WAY -> List.of(oneWay(finding, about, scene, at));
            case IDEAS -> List.of(oneOf(finding, about, scene));
            case OTHER ->
                    List.of(
                            needs.other(
                                    scene,
                                    about,
                                    at,
                                    needs.towards(Rules.of(finding).listener(finding))));
        };
    }

    private List<Must> more(Finding finding, String about, int scene, Positions at) {
        String source = finding.key().source();
        String ear = Rules.of(finding).listener(finding);
        double least =
                limits.get(
                        finding.figures().get("levelDb") < limits.get(Limit.HEARD)
                                ? Limit.HEARD
                                : Limit.FAINT);
        List<Must> more = new ArrayList<>(needs.heard(scene, about, at, source, ear, least));
        if (lacksSeveral && trial.isMeant(finding))
            more.add(needs.passage(scene, about, source, ear, least));
        return more;
    }

    /// One of the turns that its rule thinks of.
    private OneOf oneOf(Finding finding, String about, int scene) {
        List<OneOf.Alternative> any = new ArrayList<>();
        for (Map<Ref, Setting> settings : settings(finding)) {
            List<List<Stand>> all = new ArrayList<>();
            settings.forEach((knob, to) -> all.add(List.of(new Stand(place(knob), to))));
            any.add(new OneOf.Alternative(all));
        }
        return new OneOf(scene, about, any);
    }

    /// Of every way that is too much by itself some leg; where none is, some leg of any way.
    private List<OneOf> less(Finding finding, String about, int scene, Positions at) {
        int key =
                finding.verdict().filter(MUTES::contains).isPresent()
                        ? muteKnob(finding)
                        : Needs.NONE;
        double level =
                finding.figures()
                        .getOrDefault("levelDb", -finding.figures().getOrDefault("marginDb", 0.0));
        double line = level - Rules.of(finding).overDb(finding, limits);
        boolean byWire = Rules.of(finding).countsByWire(finding, base.show());
        List<OneOf> less = new ArrayList<>();
        for (Way way : ways(finding))
            if (way.levelDb() > line + SURELY_DB && (!byWire || isByWire(way)))
                less.add(needs.less(scene, about, at, way.legs(), key));
        if (less.isEmpty()) less.add(needs.less(scene, about, at, anyway(finding, at), key));
        // a key that is down already does not fail when it is pressed
        boolean fails = finding.verdict().filter(Verdict.MUTE_FAILS::equals).isPresent();
        if (fails && !trial.isMeant(finding))
            less.replaceAll(must -> must.or(new Stand(key, at.get(key))));
        return less;
    }

    private static boolean isByWire(Way way) {
        return way.legs().getLast().kind() != Leg.Kind.AIR;
    }

    private List<Way> ways(Finding finding) {
        String listener = Rules.of(finding).listener(finding);
        if (listener.isEmpty()) return finding.evidence().ways();
        Ways all = Ways.of(finding.live());
        String source = finding.key().source();
        Double late = finding.figures().get("delayMs");
        return late == null
                ? all.strongest(source, listener, WAYS_LOOKED_AT).all()
                : all.arriving(source, listener, late).stream().toList();
    }

    private List<Leg> anyway(Finding finding, Positions at) {
        String listener = Rules.of(finding).listener(finding);
        if (!listener.isEmpty()) return needs.openBetween(finding.key().source(), listener, at);
        return finding.evidence().ways().stream()
                .flatMap(way -> way.legs().stream())
                .findFirst()
                .map(leg -> needs.round(leg, at))
                .orElse(List.of());
    }

    private int muteKnob(Finding finding) {
        return base.graph().knobs().stream()
                .map(use -> use.ref().toString())
                .toList()
                .indexOf(finding.key().about());
    }

    /// Of what comes twice, one way or the other.
    private OneOf oneWay(Finding finding, String about, int scene, Positions at) {
        List<Way> ways = finding.evidence().ways();
        List<Leg> all = ways.stream().flatMap(way -> way.legs().stream()).distinct().toList();
        return needs.other(scene, about, at, all);
    }

    private Comparator<Remedy> bestFirst() {
        return Comparator.comparing(Remedy::hasPrice)
                .thenComparingInt(Remedy::effort)
                .thenComparingInt(remedy -> remedy.turns().size())
                .thenComparingInt(remedy -> remedy.effects().size())
                .thenComparingInt(LeastTurns::picksMore)
                .thenComparingInt(remedy -> lacks ? farFetched(remedy) : 0)
                .thenComparingInt(this::bluntness)
                .thenComparingInt(this::farFetched)
                .thenComparingInt(this::placeOnTheGear);
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

    private Remedy remedy(Choice choice, Proof after) {
        List<Turn> turns =
                choice.turns().stream()
                        .sorted(Comparator.comparing(turn -> !asked.contains(place(turn))))
                        .toList();
        List<String> orders = turns.stream().map(this::order).distinct().toList();
        List<String> brings = new ArrayList<>(dials.reasonsAgainst(choice));
        brings.addAll(trial.brings(after));
        return new Remedy(
                "Set %s%s.".formatted(Words.list(orders), only(choice)),
                turns,
                new Change(base.show(), after.show()),
                List.of(),
                choice.cost(),
                false,
                After.of(prover, base, after),
                Effect.between(base, after),
                brings);
    }

    /// " in Doors and Interval", where it is for those scenes alone.
    private String only(Choice choice) {
        Show show = base.show();
        List<Turn> turns = choice.turns();
        boolean own =
                turns.stream()
                        .allMatch(
                                turn ->
                                        turn.scene()
                                                .flatMap(show::scene)
                                                .filter(in -> !in.knobs().containsKey(turn.knob()))
                                                .isPresent());
        if (!own) return "";
        return " in "
                + Words.list(
                        turns.stream()
                                .flatMap(turn -> turn.scene().stream())
                                .distinct()
                                .flatMap(id -> show.scene(id).stream())
                                .map(Scene::name)
                                .toList());
    }

    /// Among equals a pick that stands wrong is set right, and nothing is picked besides.
    private static int picksMore(Remedy cure) {
        return (int)
                cure.turns().stream()
                        .filter(turn -> turn.from().word().equals(Picker.NONE))
                        .filter(turn -> !turn.to().word().equals(Picker.NONE))
                        .count();
    }

    /// Among equals what suggests itself first is taken.
    private int farFetched(Remedy cure) {
        Map<Ref, Setting> turned =
                cure.turns().stream().collect(Collectors.toMap(Turn::knob, Turn::to, (a, _) -> a));
        for (int at = 0; at < ideas.size(); at++)
            if (turned.entrySet().containsAll(ideas.get(at).entrySet())) return at;
        return ideas.size();
    }

    /// Among equals a feed or a tap set right reads better than a fader pulled down.
    private int bluntness(Remedy cure) {
        return cure.turns().stream().mapToInt(this::bluntness).max().orElse(0);
    }

    /// A pick that follows another is seldom what is wrong, and nobody wants one moved to another
    /// device without need.
    private int bluntness(Turn turn) {
        int role =
                KINDEST_FIRST.indexOf(base.graph().knob(turn.knob()).orElseThrow().knob().role());
        boolean follows = FOLLOWING.contains(turn.to().word());
        boolean moves =
                role == KINDEST_FIRST.indexOf(Knob.Role.DEVICE)
                        && !turn.to().word().equals(Picker.NONE)
                        && ideas.stream().noneMatch(i -> turn.to().equals(i.get(turn.knob())));
        return follows || moves || role < 0 ? KINDEST_FIRST.size() : role;
    }

    /// Among equals what comes first on the gear is taken.
    private int placeOnTheGear(Remedy cure) {
        return cure.turns().stream().mapToInt(this::place).sum();
    }

    private int place(Turn turn) {
        return place(turn.knob());
    }

    private int place(Ref knob) {
        return base.graph().knobIndex(knob.device(), knob.name());
    }

    private String order(Turn turn) {
        KnobUse use = base.graph().knob(turn.knob()).orElseThrow();
        return "%s to %s".formatted(use.words(), use.say(turn.to()));
    }
}
