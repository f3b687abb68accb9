package rivulus.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rivulus.check.Failure;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.check.Trouble;
import rivulus.edit.Edit;
import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.hearing.Arrival;
import rivulus.leads.Fault;
import rivulus.leads.LeadReport;
import rivulus.leads.Stock;
import rivulus.listening.Listening;
import rivulus.mix.Feeds;
import rivulus.mix.MixWriting;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Show;
import rivulus.signal.Compiler;

/// Makes whole plans of a brief by patterns: the machines a pattern needs are taken from the rig,
/// then from the cupboard, then from the catalogue; its lines are carried out as if somebody had
/// written them; mixes are written from the brief; what is wrong then is ended by the least turns,
/// or gear; and what comes of it is proven. Whatever the rig has already is kept.
public final class Planner {
    /// What putting one plan right may cost, in steps.
    public static final long STEPS = 64_000;

    /// Once there is a plan that is clean the others may cost a quarter of that: of them one wants
    /// to know what they lack.
    private static final int PARTS_BESIDES = 4;

    private static final int MOST_CURES = 24;
    private static final int OFFERED = 3;
    private static final int BOUGHT_NAMED = 40;

    private final Prover prover;
    private final BooleanSupplier cancelled;
    private final long steps;

    public Planner(Prover prover, BooleanSupplier cancelled) {
        this(prover, cancelled, STEPS);
    }

    /// @param steps what putting one plan right may cost
    public Planner(Prover prover, BooleanSupplier cancelled, long steps) {
        this.prover = prover;
        this.cancelled = cancelled;
        this.steps = steps;
    }

    /// Hears how planning goes, on whatever thread plans.
    public interface Progress {
        /// Nobody listens.
        Progress NONE = new Progress() {};

        /// A pattern is tried now.
        default void trying(Pattern pattern) {}

        /// There is one plan more; these are the best so far, and others may still come.
        default void found(List<Offer> best) {}
    }

    /// The best plans of different patterns, the best first, at most three.
    public List<Offer> best(Show show, List<Pattern> patterns, Progress progress) {
        boolean mixes = !Feeds.points(Compiler.compile(show, prover.catalogue())).isEmpty();
        List<Pattern> tried = patterns.stream().filter(p -> mixes || !p.isOfWhatIsThere()).toList();
        List<Offer> offers = new ArrayList<>();
        // the first, which is what one likes, alone: the others need not try hard once it is clean
        for (Pattern first : tried.stream().limit(1).toList())
            offers.add(right(begun(show, first, progress), steps));
        boolean clean = offers.stream().anyMatch(Offer::isClean);
        if (!offers.isEmpty() && !cancelled.getAsBoolean()) progress.found(best(show, offers));
        List<Making> others =
                tried.parallelStream()
                        .skip(1)
                        .map(pattern -> begun(show, pattern, progress))
                        .toList();
        long besides = clean ? steps / PARTS_BESIDES : steps;
        worthPuttingRight(offers, others).parallelStream()
                .filter(_ -> !cancelled.getAsBoolean())
                .map(making -> right(making, besides))
                .forEachOrdered(
                        offer -> {
                            offers.add(offer);
                            if (!cancelled.getAsBoolean()) progress.found(best(show, offers));
                        });
        return best(show, offers);
    }

    /// Those that may be among the best, by how much of them cannot be carried out.
    private static List<Making> worthPuttingRight(List<Offer> offers, List<Making> others) {
        int most =
                Stream.concat(
                                offers.stream().map(offer -> offer.undone().size()),
                                others.stream().map(making -> making.undone.size()))
                        .sorted()
                        .skip(OFFERED - 1)
                        .findFirst()
                        .orElse(Integer.MAX_VALUE);
        return others.stream().filter(making -> making.undone.size() <= most).toList();
    }

    private static List<Offer> best(Show show, List<Offer> offers) {
        return offers.stream()
                .sorted(
                        Comparator.comparingInt((Offer offer) -> offer.undone().size())
                                .thenComparingInt(offer -> offer.left().size())
                                .thenComparing(offer -> !isAsLiked(show, offer.pattern()))
                                .thenComparingInt(offer -> offer.toBuy().size())
                                .thenComparingInt(Offer::leads))
                .limit(OFFERED)
                .toList();
    }

    /// Whether a pattern makes the mix where somebody likes it made, or leaves that open.
    private static boolean isAsLiked(Show show, Pattern pattern) {
        Optional<Habit.Way> liked = show.habits().of(Habit.HUB);
        return liked.isEmpty()
                || pattern.hub().isEmpty()
                || pattern.hub().get().equals(liked.get().word());
    }

    /// One plan.
    public Offer plan(Show show, Pattern pattern) {
        return right(begun(show, pattern, Progress.NONE), steps);
    }

    /// A plan of which the gear is there, and joined.
    private Making begun(Show show, Pattern pattern, Progress progress) {
        Making making = new Making(show, pattern);
        if (cancelled.getAsBoolean()) return making;
        progress.trying(pattern);
        making.machines();
        making.steps();
        making.listeners();
        return making;
    }

    private Offer right(Making making, long steps) {
        making.right(Budget.of(steps).stoppedBy(cancelled));
        return making.offer();
    }

    /// A plan in the making.
    private final class Making {
        private final Show start;
        private final Pattern pattern;
        private final Map<String, Device> machines = new LinkedHashMap<>();
        private final List<String> lines = new ArrayList<>();
        private final List<String> undone = new ArrayList<>();
        private final List<String> turned = new ArrayList<>();
        private final Map<String, Integer> joins = new HashMap<>();
        private Show show;
        private String hub = "";
        /// The name of the machine that was added last.
        private String added = "";

        private Proof proof;
        /// Whether everything was tried against what is left.
        private boolean complete = true;

        Making(Show start, Pattern pattern) {
            this.start = start;
            this.pattern = pattern;
            show = start;
        }

        private Catalogue kinds() {
            return show.kinds(prover.catalogue());
        }

        private State state() {
            return new State(show, kinds(), hub);
        }

        private boolean isAsked(List<Part> when) {
            State now = state();
            return when.isEmpty() || when.stream().anyMatch(part -> !part.of(now).isEmpty());
        }

        // What there is

        void machines() {
            Set<String> taken = new HashSet<>();
            for (Pattern.Machine machine : pattern.machines()) {
                if (!isAsked(machine.when())) continue;
                Optional<Device> there =
                        show.rig().devices().stream()
                                .filter(device -> machine.kinds().contains(device.template()))
                                .filter(device -> !taken.contains(device.id()))
                                .findFirst();
                Device device = there.orElseGet(() -> added(machine));
                if (device == null) continue;
                taken.add(device.id());
                machines.put(machine.as(), device);
                if (hub.isEmpty()) hub = device.id();
                for (Pattern.Runs program : machine.runs())
                    if (isAsked(program.when()) && !runs(program.program(), device))
                        take(name(program.program()) + ", " + device.name());
            }
        }

        private Device added(Pattern.Machine machine) {
            String kind = owned(machine.kinds());
            Set<String> before = ids();
            take("%s, %s".formatted(machine.called(), name(kind)));
            return show.rig().devices().stream()
                    .filter(device -> !before.contains(device.id()))
                    .filter(device -> device.template().equals(kind))
                    .findFirst()
                    .orElse(null);
        }

        private Set<String> ids() {
            return show.rig().devices().stream().map(Device::id).collect(Collectors.toSet());
        }

        private boolean runs(String program, Device on) {
            return show.rig().devices().stream()
                    .anyMatch(
                            device ->
                                    device.template().equals(program)
                                            && device.on().equals(on.id()));
        }

        /// The first kind that is in the cupboard and still free, else the first of all.
        private String owned(List<String> kinds) {
            Stock stock = Stock.of(show, List.of());
            return kinds.stream()
                    .filter(kind -> stock.has(kind, 1))
                    .findFirst()
                    .orElse(kinds.getFirst());
        }

        private String name(String kind) {
            return kinds().get(kind).name();
        }

        // How it is served

        void steps() {
            for (Pattern.Step step : pattern.steps()) {
                if (!isAsked(step.when())) continue;
                List<String> each = step.each() == null ? List.of("") : step.each().of(state());
                for (String name : each)
                    for (String line : step.lines()) filled(line, name).ifPresent(this::take);
            }
        }

        /// A line with names in place of what stands in braces; empty where a machine is not there.
        private Optional<String> filled(String line, String name) {
            String filled = line.replace("{name}", name).replace("{it}", added);
            for (Playback plays : show.cast().playback())
                if (plays.name().equals(name))
                    filled = filled.replace("{kind}", plays.kind().word());
            for (var machine : machines.entrySet())
                filled = filled.replace("{" + machine.getKey() + "}", machine.getValue().name());
            for (var gear : pattern.gear().entrySet())
                if (filled.contains("{" + gear.getKey() + "}"))
                    filled =
                            filled.replace("{" + gear.getKey() + "}", name(owned(gear.getValue())));
            return filled.contains("{") ? Optional.empty() : Optional.of(filled);
        }

        private void take(String line) {
            if (isJoinedAlready(line)) return;
            Page page = Page.of(line, show, prover.catalogue());
            if (page.left().isEmpty() && !page.lines().isEmpty()) {
                Set<String> before = ids();
                show = page.edit().after();
                show.rig().devices().stream()
                        .filter(device -> !before.contains(device.id()))
                        .findFirst()
                        .ifPresent(device -> added = device.name());
                lines.add(line);
            } else {
                undone.add(line);
            }
        }

        /// Whether a line joins two machines that are joined as often already, by a lead that was
        /// there before.
        private boolean isJoinedAlready(String line) {
            String[] ends = line.split(" > ");
            if (ends.length != 2) return false;
            int asked = joins.merge(line, 1, Integer::sum);
            return asked
                    <= start.rig().cables().stream()
                            .filter(cable -> joins(cable, ends[0], ends[1]))
                            .count();
        }

        private boolean joins(Cable cable, String one, String other) {
            return isCalled(cable.from(), one) && isCalled(cable.to(), other)
                    || isCalled(cable.from(), other) && isCalled(cable.to(), one);
        }

        private boolean isCalled(Ref end, String name) {
            return start.rig()
                    .device(end.device())
                    .filter(device -> device.name().equals(name))
                    .isPresent();
        }

        void listeners() {
            Set<String> nowhere =
                    show.ears().stream()
                            .filter(Ear::isNowhere)
                            .map(Ear::id)
                            .collect(Collectors.toSet());
            if (!nowhere.isEmpty()) show = new Listening(show, prover.catalogue()).placed(nowhere);
        }

        // What comes of it

        /// Microphones get their 48 V, for without it they give nothing, whatever is turned; mixes
        /// are written from the brief; then what is wrong is ended one by one.
        void right(Budget budget) {
            proof = prover.prove(show);
            for (Trouble trouble : Trouble.of(proof))
                if (trouble.first().rule().equals(Fault.Kind.PHANTOM.word()))
                    ended(trouble, budget);
            MixWriting.Written written =
                    new MixWriting(prover, budget.part(budget.left() / 2)).all(proof, _ -> {});
            written.lines().stream()
                    .filter(line -> line.carried() && !line.words().isEmpty())
                    .forEach(line -> turned.add(line.words()));
            proof = written.proof();
            Set<String> hopeless = new HashSet<>();
            for (int cures = 0; cures < MOST_CURES; cures++) {
                Optional<Trouble> next =
                        left().stream().filter(t -> !hopeless.contains(t.id())).findFirst();
                if (next.isEmpty()) break;
                if (!ended(next.get(), budget)) hopeless.add(next.get().id());
            }
            show = proof.show();
        }

        /// Whether something ended it.
        private boolean ended(Trouble trouble, Budget budget) {
            Cures found =
                    Remedies.of(prover, proof, trouble, 1, budget.part(Budget.USUAL), _ -> {});
            Optional<Remedy> best = found.first();
            if (best.isEmpty() && !found.complete()) complete = false;
            best.ifPresent(
                    remedy -> {
                        turned.add(remedy.sentence());
                        proof = remedy.after();
                    });
            return best.isPresent();
        }

        private List<Trouble> left() {
            return Trouble.of(proof).stream().filter(t -> t.severity().isSerious()).toList();
        }

        Offer offer() {
            Optional<Device> device = show.rig().device(hub);
            return new Offer(
                    pattern,
                    Edit.of("Plan: " + pattern.name(), start, show),
                    proof,
                    lines,
                    undone,
                    turned,
                    left(),
                    complete,
                    toBuy(),
                    show.rig().cables().size(),
                    ownVoiceMs(),
                    device.map(this::spare).orElse(0),
                    device.map(d -> Failure.of(proof.scenes().getFirst(), d).words()).orElse(""));
        }

        private List<String> toBuy() {
            List<String> bought = new ArrayList<>();
            Stock stock = Stock.of(show, proof.survey().leads());
            if (show.rig().stock().isEmpty()) {
                Set<String> had =
                        start.rig().devices().stream().map(Device::id).collect(Collectors.toSet());
                for (Device one : show.rig().devices()) {
                    Template kind = kinds().get(one.template());
                    if (!had.contains(one.id()) && kind.kind().isThing()) bought.add(kind.name());
                }
                Set<String> laid =
                        start.rig().cables().stream().map(Cable::id).collect(Collectors.toSet());
                for (LeadReport lead : proof.survey().leads())
                    if (!laid.contains(lead.cable().id())
                            && lead.kind().filter(k -> k.isThing()).isPresent())
                        bought.add(lead.kindInWords());
            } else {
                for (LeadReport lead : stock.shortOf()) bought.add(lead.kindInWords());
                for (Device one : stock.missing()) bought.add(kinds().get(one.template()).name());
            }
            return counted(bought);
        }

        /// "3 × XLR lead" instead of three of them.
        private List<String> counted(List<String> things) {
            Map<String, Integer> counts = new LinkedHashMap<>();
            for (String thing : things) counts.merge(thing, 1, Integer::sum);
            return counts.entrySet().stream()
                    .limit(BOUGHT_NAMED)
                    .map(
                            thing ->
                                    thing.getValue() == 1
                                            ? thing.getKey()
                                            : thing.getValue() + " × " + thing.getKey())
                    .toList();
        }

        private OptionalDouble ownVoiceMs() {
            Map<String, Role> roles = new HashMap<>();
            show.cast().people().forEach(person -> roles.put(person.id(), person.role()));
            return proof.scenes().stream()
                    .map(SceneProof::all)
                    .flatMap(List::stream)
                    .filter(cell -> cell.ear().kind() == Ear.Kind.PERSON)
                    .filter(cell -> cell.ear().of().equals(cell.source().id()))
                    .filter(cell -> roles.get(cell.source().id()) != Role.CALLER)
                    .flatMap(cell -> cell.hearing().arrivals().stream())
                    .filter(arrival -> !arrival.throughAir())
                    .mapToDouble(Arrival::ms)
                    .max();
        }

        /// Inputs for microphones and lines that nothing is in.
        private int spare(Device device) {
            Set<String> used = new HashSet<>();
            for (Cable cable : show.rig().cables()) {
                used.add(cable.from().toString());
                used.add(cable.to().toString());
            }
            int spare = 0;
            for (Port port : kinds().get(device.template()).ports())
                if (port.takes() > 0
                        && port.carries().isAnalogue()
                        && !used.contains(device.id() + "/" + port.id())) spare++;
            return spare;
        }
    }
}
