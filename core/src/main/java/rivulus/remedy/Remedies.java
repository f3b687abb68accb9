package rivulus.remedy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.disk.FileTrouble;
import rivulus.file.Change;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.leads.End;
import rivulus.least.Scope;
import rivulus.rule.Idea;
import rivulus.rule.Rules;
import rivulus.rule.Workshop;
import rivulus.search.Budget;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Turn;

/// Looks for what ends a trouble: the fewest knob turns that cure it in every scene it shows in, or
/// a change of leads, boxes and power. The rule that found it has ideas; every one is proven whole
/// ([Trial]).
///
/// Turns of knobs come first ([LeastTurns]); where none will do, gear is asked.
public final class Remedies {
    private final Prover prover;
    private final Proof base;
    private final Workshop workshop;
    private final Trial trial;
    private final int most;
    private final Budget budget;
    private int tried;

    /// So many changes of gear are tried with a second one, and so many second ones with each.
    private static final int HALVES = 5;

    /// Turns besides a lead are looked for with this part of what is left.
    private static final int PART_BESIDES_A_LEAD = 16;

    /// With how many leads turns are looked for besides.
    private int leadsWithTurns = 4;

    private Remedies(Prover prover, Proof base, List<Finding> findings, int most, Budget budget) {
        this.prover = prover;
        this.base = base;
        this.most = most;
        this.budget = budget;
        workshop = new Workshop(base, prover.catalogue());
        trial = new Trial(base, findings);
    }

    /// The best remedies of a finding in every scene it shows in, least effort first, at most
    /// `most`.
    public static Cures of(Prover prover, Proof proof, Finding finding, int most) {
        return of(prover, proof, finding, most, Budget.usual());
    }

    /// The best remedies of a finding in every scene it shows in, as far as the budget lasts.
    public static Cures of(Prover prover, Proof proof, Finding finding, int most, Budget budget) {
        List<Finding> same =
                finding.isOfTheRig()
                        ? List.of(finding)
                        : proof.heard().stream()
                                .filter(f -> f.key().anyScene().equals(finding.key().anyScene()))
                                .toList();
        return new Remedies(prover, proof, same, most, budget).search(_ -> {});
    }

    /// The best remedies of a whole trouble.
    public static Cures of(Prover prover, Proof proof, Trouble trouble, int most) {
        return of(prover, proof, trouble, most, Budget.usual(), _ -> {});
    }

    /// The best remedies of a whole trouble, as far as the budget lasts.
    ///
    /// @param soFar told the first turns of knobs that will do as soon as they are found
    public static Cures of(
            Prover prover,
            Proof proof,
            Trouble trouble,
            int most,
            Budget budget,
            Consumer<Remedy> soFar) {
        return new Remedies(prover, proof, trouble.findings(), most, budget).search(soFar);
    }

    /// The best turns of knobs that end some findings of what is heard.
    ///
    /// @param alone where they are wanted whatever else comes of it: the rule by which alone
    ///     something new or worse speaks against them, but for a howl
    /// @param scope which knobs may be turned
    public static Cures turns(
            Prover prover,
            Proof proof,
            List<Finding> findings,
            Optional<String> alone,
            Scope scope,
            Budget budget) {
        Workshop workshop = new Workshop(proof, prover.catalogue());
        Trial trial = new Trial(proof, findings, alone);
        return new LeastTurns(prover, proof, trial, workshop, scope, budget).found(1, _ -> {});
    }

    private Cures search(Consumer<Remedy> soFar) {
        Finding first = trial.first();
        if (first.isOfTheRig()) return onGear(first);
        Optional<Remedy> lead = missingLead(first);
        if (lead.isPresent()) return withLead(lead.get());
        Cures turned =
                new LeastTurns(prover, base, trial, workshop, Scope.ANY, budget).found(most, soFar);
        if (!turned.isEmpty() || !turned.complete()) return turned;
        Cures gear = onGear(first);
        return gear.isEmpty() && gear.complete() ? turned : gear;
    }

    /// A lead of which the plan shows signs, if laying or moving it ends the trouble.
    private Optional<Remedy> missingLead(Finding finding) {
        for (Idea idea : Rules.of(finding).leads(finding, workshop)) {
            if (budget.isOver()) break;
            Optional<Tried> lead =
                    idea instanceof Idea.Rework rework ? tried(rework, false) : Optional.empty();
            if (lead.isPresent()) return lead.map(Tried::remedy);
        }
        return Optional.empty();
    }

    /// What is not plugged in is plugged in before knobs are turned for it, but for one knob that
    /// ends it and costs nobody anything: then the lead may be a spare one.
    private Cures withLead(Remedy lead) {
        Budget besides = budget.part(budget.left() / PART_BESIDES_A_LEAD);
        List<Remedy> turned =
                new LeastTurns(prover, base, trial, workshop, Scope.ANY, besides)
                        .found(most, _ -> {})
                        .all();
        List<Remedy> all = new ArrayList<>();
        for (Remedy turn : turned) if (turn.effort() == 1 && !turn.hasPrice()) all.add(turn);
        all.add(lead);
        for (Remedy turn : turned) if (!all.contains(turn)) all.add(turn);
        return new Cures(all.stream().limit(most).toList(), true, tried, List.of());
    }

    // Gear

    /// What brings a caution of its own only where nothing else will do.
    private Cures onGear(Finding finding) {
        if (!Rules.of(finding).isWorthEnding(finding)) return Cures.NONE;
        List<Remedy> clean = new ArrayList<>();
        List<Remedy> cautioned = new ArrayList<>();
        List<Idea.Rework> halves = new ArrayList<>();
        Set<String> said = new HashSet<>();
        for (Idea idea : Rules.of(finding).gear(finding, workshop)) {
            if (clean.size() == most) break;
            if (budget.isOver())
                return new Cures(offered(clean, cautioned), false, tried, List.of());
            if (!(idea instanceof Idea.Rework rework) || !said.add(rework.sentence())) continue;
            Optional<Tried> remedy = tried(rework, true);
            if (remedy.isEmpty()) halves.add(rework);
            else (remedy.get().cautions() ? cautioned : clean).add(remedy.get().remedy());
        }
        List<Remedy> offered = offered(clean, cautioned);
        return offered.isEmpty() ? inTwo(halves) : new Cures(offered, true, tried, List.of());
    }

    /// The first two changes of gear that together do.
    private Cures inTwo(List<Idea.Rework> halves) {
        leadsWithTurns = HALVES;
        for (Idea.Rework half : halves.stream().limit(HALVES).toList()) {
            if (budget.isOver()) return new Cures(List.of(), false, tried, List.of());
            Optional<Remedy> both = inTwo(half);
            if (both.isPresent()) return new Cures(List.of(both.get()), true, tried, List.of());
        }
        return new Cures(List.of(), !budget.isOver(), tried, List.of());
    }

    /// A change of gear that is no remedy by itself, with a second one against what is wrong then.
    private Optional<Remedy> inTwo(Idea.Rework half) {
        Show changed = half.change().after();
        if (!holds(changed)) return Optional.empty();
        Proof then = proven(changed);
        Optional<Finding> wrong = trial.firstWrong(then);
        if (wrong.isEmpty()) return Optional.empty();
        Workshop anew = new Workshop(then, prover.catalogue());
        for (Idea idea :
                Rules.of(wrong.get()).gear(wrong.get(), anew).stream().limit(HALVES).toList()) {
            if (budget.isOver()) break;
            if (!(idea instanceof Idea.Rework more)) continue;
            List<Turn> turns = new ArrayList<>(half.turns());
            turns.addAll(more.turns());
            Optional<Tried> both =
                    tried(
                            new Idea.Rework(
                                    half.sentence() + " " + more.sentence(),
                                    turns,
                                    new Change(base.show(), more.change().after())),
                            true);
            if (both.isPresent()) return both.map(Tried::remedy);
        }
        return Optional.empty();
    }

    private List<Remedy> offered(List<Remedy> clean, List<Remedy> cautioned) {
        return clean.isEmpty() ? cautioned.stream().limit(most).toList() : clean;
    }

    /// A change of gear that is a remedy.
    ///
    /// @param cautions whether it brings something that is worth a caution
    private record Tried(Remedy remedy, boolean cautions) {}

    /// @param turning whether knobs may be turned besides, where it does not do by itself
    private Optional<Tried> tried(Idea.Rework idea, boolean turning) {
        Show changed = idea.change().after();
        if (!holds(changed)) return Optional.empty();
        Proof after = proven(changed);
        if (!trial.isGoodOnGear(after))
            return turning ? turnedBesides(idea, after) : Optional.empty();
        return Optional.of(
                tried(idea.sentence(), idea.turns(), idea.change(), idea.change(), 0, after));
    }

    /// @param change all that it does
    /// @param gear what of that is gear
    private Tried tried(
            String sentence,
            List<Turn> turns,
            Change change,
            Change gear,
            int effort,
            Proof after) {
        Remedy remedy =
                new Remedy(
                        sentence,
                        turns,
                        change,
                        losses(gear),
                        effort,
                        false,
                        After.of(prover, base, after),
                        Effect.between(base, after),
                        trial.brings(after));
        return new Tried(remedy, trial.bringsCautions(after));
    }

    private Proof proven(Show changed) {
        tried++;
        budget.spend(Prover.steps(changed));
        return prover.prove(changed, base);
    }

    /// A lead that ends what is heard only once knobs are turned for it, with those turns.
    private Optional<Tried> turnedBesides(Idea.Rework idea, Proof after) {
        List<Finding> left = after.heard().stream().filter(trial::isMeant).toList();
        if (left.isEmpty() || leadsWithTurns-- <= 0) return Optional.empty();
        Cures turns =
                new LeastTurns(
                                prover,
                                after,
                                new Trial(after, left),
                                new Workshop(after, prover.catalogue()),
                                Scope.ANY,
                                budget)
                        .found(1, _ -> {});
        if (turns.isEmpty()) return Optional.empty();
        Remedy turned = turns.all().getFirst();
        Proof then = turned.after();
        if (!trial.isGoodOnGear(then)) return Optional.empty();
        return Optional.of(
                tried(
                        idea.sentence() + " " + turned.sentence(),
                        turned.turns(),
                        new Change(base.show(), then.show()),
                        idea.change(),
                        turned.effort(),
                        then));
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
}
