package rivulus.least;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.Worded;
import rivulus.file.Templates;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.SignalGraph;
import rivulus.words.Words;

/// What nobody who mixes turns without need, from `reluctance.json`: it costs more than the turn
/// itself, so that it is offered only where nothing else will do, and the reason is told then. What
/// the plan does already costs nothing more.
final class Reluctance {
    /// A turn that somebody would rather not make.
    ///
    /// @param more what it costs besides the turn
    /// @param words why, as a clause with `{it}` and `{at}`
    record Reason(Kind kind, int more, String words) {
        /// The clause of one turn.
        String of(KnobUse use, Setting to) {
            return Words.sentence(words.replace("{it}", use.words()).replace("{at}", use.say(to)));
        }
    }

    /// What is not done.
    enum Kind implements Worded {
        /// A computer's own microphone is picked.
        BUILT_IN_MICROPHONE,
        /// A computer's own loudspeakers are.
        BUILT_IN_LOUDSPEAKERS,
        /// Two programs play to where one does.
        ONE_FADER,
        /// A computer's default is moved.
        MANY_FOLLOW,
        /// What many sources pass is closed.
        WHOLE_MIX
    }

    /// What so many sources pass is a mix, and no channel.
    private static final int MANY = 3;

    /// A level so low is off in all but name, in dB.
    static final double HARDLY_DB = -40;

    /// Microphones that hear somebody alike.
    private static final double ALIKE_DB = 3;

    private static final Map<Kind, Reason> ALL = all();

    private final SignalGraph graph;
    private final Predicate<String> isComputer;
    private final IntFunction<Setting> standing;
    private final Map<Stand, Optional<Reason>> known = new HashMap<>();

    /// Found when they are first asked for.
    private List<Leg> picks;

    /// How many sources pass each leg as everything stands; counted when it is first asked for.
    private int[] passing;

    /// @param isComputer whether a device, by its id, is a computer
    /// @param standing how every knob stands in the plan
    Reluctance(SignalGraph graph, Predicate<String> isComputer, IntFunction<Setting> standing) {
        this.graph = graph;
        this.isComputer = isComputer;
        this.standing = standing;
    }

    private static Map<Kind, Reason> all() {
        try {
            Entry root =
                    Entry.root(
                            "reluctance.json",
                            Json.parse(
                                    Templates.resource("/rivulus/reluctance.json"),
                                    "reluctance.json"));
            root.text("about", "");
            Map<Kind, Reason> all = new EnumMap<>(Kind.class);
            for (Entry item : root.items("reasons")) {
                Kind kind = item.field("id").word("reason", Kind.class);
                int more = (int) item.field("more").number(0, 100);
                all.put(kind, new Reason(kind, more, item.text("words")));
                item.nothingElse();
            }
            root.nothingElse();
            return all;
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// Why somebody would rather not turn a knob so; empty where nothing speaks against it.
    Optional<Reason> against(Stand stand) {
        return known.computeIfAbsent(stand, this::found);
    }

    private Optional<Reason> found(Stand stand) {
        KnobUse use = graph.knobs().get(stand.knob());
        Optional<Kind> kind =
                use.knob().role() == Knob.Role.DEVICE
                        ? picked(stand, use)
                        : isClosed(use.knob(), stand.setting()) && passes(stand.knob()) >= MANY
                                ? Optional.of(Kind.WHOLE_MIX)
                                : Optional.empty();
        return kind.map(ALL::get);
    }

    private Optional<Kind> picked(Stand stand, KnobUse use) {
        for (Leg leg : graph.governedBy(stand.knob())) {
            if (leg.kind() != Leg.Kind.PICK || !opens(leg, stand)) continue;
            if (isPlanned(leg, use.ref().device())) continue;
            if (isOwnEnd(leg.from(), graph::legsTo, Leg::from))
                return Optional.of(Kind.BUILT_IN_MICROPHONE);
            if (isOwnEnd(leg.to(), graph::legsFrom, Leg::to))
                return Optional.of(Kind.BUILT_IN_LOUDSPEAKERS);
            if (isShared(leg)) return Optional.of(Kind.ONE_FADER);
        }
        boolean isDefault = isComputer.test(use.ref().device());
        return isDefault && graph.governedBy(stand.knob()).size() > 1
                ? Optional.of(Kind.MANY_FOLLOW)
                : Optional.empty();
    }

    private static boolean opens(Leg leg, Stand stand) {
        return leg.governors().stream()
                .filter(govern -> govern.knob() == stand.knob())
                .allMatch(govern -> govern.governor().opens(stand.setting()));
    }

    private boolean isOpen(Leg leg) {
        return leg.governors().stream()
                .allMatch(govern -> govern.governor().opens(standing.apply(govern.knob())));
    }

    /// What is picked as everything stands.
    private List<Leg> picks() {
        if (picks == null)
            picks =
                    graph.legs().stream()
                            .filter(leg -> leg.kind() == Leg.Kind.PICK && isOpen(leg))
                            .toList();
        return picks;
    }

    /// Whether the same program picks the same already: hears from there, or plays there.
    private boolean isPlanned(Leg pick, String owner) {
        boolean plays = pick.from().device().equals(owner);
        Ref end = plays ? pick.to() : pick.from();
        String program = plays ? owner : pick.to().device();
        return picks().stream()
                .anyMatch(
                        leg ->
                                (plays ? leg.to() : leg.from()).equals(end)
                                        && (plays ? leg.from() : leg.to())
                                                .device()
                                                .equals(program));
    }

    /// Whether something that is picked is one step from the air, as a computer's own microphone
    /// or loudspeaker.
    private boolean isOwnEnd(Ref point, Function<Ref, List<Leg>> legs, Function<Leg, Ref> far) {
        return isComputer.test(point.device())
                && legs.apply(point).stream()
                        .map(far)
                        .filter(next -> next.device().equals(point.device()))
                        .flatMap(next -> legs.apply(next).stream())
                        .anyMatch(leg -> leg.kind() == Leg.Kind.AIR);
    }

    /// Whether another program plays there already, and this one plays somewhere else.
    private boolean isShared(Leg pick) {
        String program = pick.from().device();
        boolean elsewhere =
                picks().stream()
                        .anyMatch(
                                leg ->
                                        leg.from().equals(pick.from())
                                                && !leg.to().equals(pick.to()));
        return elsewhere
                && picks().stream()
                        .anyMatch(
                                leg ->
                                        leg.to().equals(pick.to())
                                                && !leg.from().device().equals(program));
    }

    private static boolean isClosed(Knob knob, Setting to) {
        return switch (to) {
            case Setting.Level(double db) -> db <= HARDLY_DB;
            case Setting.Switch(boolean on) -> on && knob.role() == Knob.Role.MUTE;
            case Setting.Choice choice -> choice.word().equals(Picker.NONE);
            case Setting.Time _ -> false;
        };
    }

    /// How many sources pass a knob as everything stands.
    private int passes(int knob) {
        if (passing == null) passing = counted();
        int most = 0;
        for (Leg leg : graph.governedBy(knob)) most = Math.max(most, passing[leg.index()]);
        return most;
    }

    /// By wire, and from a mouth by whatever hears it best.
    private int[] counted() {
        int[] counts = new int[graph.legs().size()];
        for (int[] source : graph.sources().values()) {
            Set<Leg> seen = new HashSet<>();
            List<Leg> next = new ArrayList<>();
            for (int node : source)
                next.addAll(best(graph.legsFrom(graph.nodes().get(node).point())));
            while (!next.isEmpty()) {
                Leg leg = next.removeLast();
                if (!isOpen(leg) || !seen.add(leg)) continue;
                counts[leg.index()]++;
                for (Leg on : graph.legsFrom(leg.to())) if (on.kind() != Leg.Kind.AIR) next.add(on);
            }
        }
        return counts;
    }

    private static List<Leg> best(List<Leg> legs) {
        double best =
                legs.stream()
                        .filter(leg -> leg.kind() == Leg.Kind.AIR)
                        .mapToDouble(Leg::gainDb)
                        .max()
                        .orElse(0);
        return legs.stream()
                .filter(leg -> leg.kind() != Leg.Kind.AIR || leg.gainDb() > best - ALIKE_DB)
                .toList();
    }
}
