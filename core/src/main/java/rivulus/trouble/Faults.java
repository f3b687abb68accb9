package rivulus.trouble;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import rivulus.chart.RigDrawing;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.desk.Channels;
import rivulus.desk.Labels;
import rivulus.gear.Electric;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.setup.Hands;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// Every single fault that a rig can have, by the kinds that ship.
final class Faults {
    private static final double LOW_DB = 15;

    /// More ways to stand otherwise than this are not tried one by one.
    private static final int MOST_OTHERS = 4;

    private final Prover prover;
    private final Show show;
    private final SceneProof scene;
    private final LiveGraph live;
    private final Survey survey;
    private final Channels channels;
    private final Map<String, String> tags;
    private final List<Broken> all = new ArrayList<>();
    private final Set<List<Object>> said = new HashSet<>();
    private final Map<String, Labels> labels = new HashMap<>();

    private Faults(Prover prover, Proof proof, SceneProof scene) {
        this.prover = prover;
        this.scene = scene;
        show = proof.show();
        live = scene.tracer().live();
        survey = proof.survey();
        channels = Channels.in(show, this::kind, live);
        tags = RigDrawing.tags(survey);
    }

    /// The faults in a scene. Nothing has been tried yet.
    static List<Broken> of(Prover prover, Proof proof, SceneProof scene) {
        Faults faults = new Faults(prover, proof, scene);
        for (FaultKind kind : FaultKind.ALL) faults.add(kind);
        return faults.all;
    }

    private void add(FaultKind kind) {
        switch (kind.does()) {
            case TURNS -> turned(kind);
            case CUTS_LEAD -> leads(kind);
            case HALVES_LEAD -> halves(kind);
            case NEXT_HOLE -> nextHoles(kind);
            case DARKENS -> dark(kind, Power.Source.MAINS);
            case DRAINS -> dark(kind, Power.Source.BATTERY);
            case STARVES -> starved(kind);
            case CRACKLES -> crackling(kind);
            case HUMS -> humming(kind);
        }
    }

    private Template kind(Device device) {
        return survey.template(device);
    }

    private String who(Device device) {
        return Hands.of(show, survey, device);
    }

    // Knobs

    private void turned(FaultKind kind) {
        for (KnobUse use : live.graph().knobs()) {
            if (use.knob().role() != kind.role()) continue;
            if (kind.role() == Knob.Role.NONE && !(use.knob() instanceof Knob.Switch)) continue;
            int index = live.graph().knobIndex(use.ref().device(), use.ref().name());
            if (live.graph().governedBy(index).isEmpty()) continue;
            Setting planned = live.positions().get(index);
            for (Setting as : wrong(kind, use.knob(), planned)) {
                if (as.equals(planned) || !said.add(List.of(use.ref(), as))) continue;
                if (!live.mayBeHeard(index, as)) continue;
                Fault fault =
                        new Fault(
                                "set/%s/%s".formatted(use.ref(), as.word()),
                                kind.words(use.words(), use.say(as)),
                                kind.todo(use.words(), use.say(planned)),
                                kind.weight(),
                                spot(use, kind.minutes()),
                                Optional.of(() -> turned(use.ref(), as)));
                all.add(Broken.changed(scene, fault, state -> state.with(index, as)));
            }
        }
    }

    private Show turned(Ref knob, Setting as) {
        return show.turnedIn(scene.scene().id(), knob).isPresent()
                ? show.withScene(scene.scene().id(), s -> s.withKnob(knob, as))
                : show.withKnob(knob, as);
    }

    private static Collection<Setting> wrong(FaultKind kind, Knob knob, Setting planned) {
        return switch (kind.to()) {
            case STANDING -> List.of(knob.standing());
            case OTHERS -> others(knob, planned);
            case OFF ->
                    knob instanceof Knob.Level level
                            ? List.of(
                                    level.closes()
                                            ? Setting.Level.OFF
                                            : new Setting.Level(level.minDb()))
                            : List.of();
            case LOW -> moved(knob, planned, -LOW_DB);
            case HIGH -> moved(knob, planned, LOW_DB);
        };
    }

    private static Collection<Setting> others(Knob knob, Setting planned) {
        Set<Setting> others = new LinkedHashSet<>();
        others.add(knob.standing());
        switch (knob) {
            case Knob.Level level -> {
                if (level.closes()) others.add(Setting.Level.OFF);
                else others.add(new Setting.Level(level.minDb()));
                others.add(new Setting.Level(Math.clamp(0, level.minDb(), level.maxDb())));
            }
            case Knob.Switch _ -> {
                others.add(new Setting.Switch(true));
                others.add(new Setting.Switch(false));
            }
            case Knob.Choice _, Knob.Time _ -> {
                for (Setting other : knob.others(planned))
                    if (others.size() < MOST_OTHERS) others.add(other);
            }
        }
        return others;
    }

    private static Collection<Setting> moved(Knob knob, Setting planned, double by) {
        if (!(knob instanceof Knob.Level level)
                || !(planned instanceof Setting.Level stands)
                || stands.isOff()) return List.of();
        return List.of(
                new Setting.Level(Math.clamp(stands.db() + by, level.minDb(), level.maxDb())));
    }

    /// Where somebody sees how a knob stands: the channel it belongs to, or the page of a program.
    private Spot spot(KnobUse use, double minutes) {
        Device device = survey.device(use.ref().device()).orElseThrow();
        String channel = "";
        if (kind(device).kind() == GearKind.DESK || kind(device).faders().size() > 1)
            channel = labels(device).of(use.knob());
        String id = "look/" + device.id() + (channel.isEmpty() ? "" : "/" + channel);
        String words =
                channel.isEmpty()
                        ? "how %s is set".formatted(device.name())
                        : "%s on %s".formatted(channel, device.name());
        return new Spot(id, words, who(device), minutes);
    }

    private Labels labels(Device device) {
        return labels.computeIfAbsent(
                device.id(), _ -> Labels.of(channels.of(device)).and(kind(device)));
    }

    // Leads

    private String words(LeadReport lead) {
        return RigDrawing.isLaid(survey, lead)
                ? "lead %s (%s to %s)"
                        .formatted(tags.get(lead.cable().id()), lead.a().words(), lead.b().words())
                : "the way from %s to %s".formatted(lead.a().words(), lead.b().words());
    }

    private Spot spot(LeadReport lead, double minutes) {
        String who = who(lead.a().device());
        if (who.isEmpty()) who = who(lead.b().device());
        return new Spot(
                "look/lead/" + lead.cable().id(), words(lead) + " at both ends", who, minutes);
    }

    private void leads(FaultKind kind) {
        for (LeadReport lead : survey.leads()) {
            Set<Integer> legs = legs(lead);
            if (legs.isEmpty()) continue;
            all.add(
                    Broken.changed(
                            scene,
                            fault(
                                    kind,
                                    lead,
                                    "lead/" + lead.cable().id(),
                                    words(lead),
                                    without(lead)),
                            state -> state.without(leg -> legs.contains(leg.index()))));
        }
    }

    private Fault fault(
            FaultKind kind, LeadReport lead, String id, String it, Optional<Supplier<Show>> plan) {
        return new Fault(
                id,
                kind.words(it, ""),
                kind.todo(it, ""),
                kind.weight(),
                spot(lead, kind.minutes()),
                plan);
    }

    private Optional<Supplier<Show>> without(LeadReport lead) {
        return Optional.of(
                () ->
                        show.withRig(
                                show.rig()
                                        .with(
                                                show.rig().devices(),
                                                show.rig().cables().stream()
                                                        .filter(
                                                                c ->
                                                                        !c.id().equals(
                                                                                        lead.cable()
                                                                                                .id()))
                                                        .toList())));
    }

    /// What goes through a lead: sound itself, or what a computer picks from what is joined to it.
    private Set<Integer> legs(LeadReport lead) {
        Set<Integer> legs = new HashSet<>();
        for (Leg leg : survey.through(lead, live.graph())) legs.add(leg.index());
        return legs;
    }

    private void halves(FaultKind kind) {
        for (LeadReport lead : survey.leads()) {
            Set<Integer> legs = legs(lead);
            legs.removeIf(
                    leg -> {
                        Leg cable = live.graph().legs().get(leg);
                        return cable.kind() != Leg.Kind.CABLE
                                || live.graph().nodesOf(cable.to()).length < 2;
                    });
            if (legs.isEmpty()) continue;
            all.add(
                    Broken.changed(
                            scene,
                            fault(
                                    kind,
                                    lead,
                                    "half/" + lead.cable().id(),
                                    words(lead),
                                    Optional.empty()),
                            state ->
                                    state.by(
                                            edge ->
                                                    !legs.contains(state.leg(edge).index())
                                                            || state.graph()
                                                                            .nodes()
                                                                            .get(state.to(edge))
                                                                            .channel()
                                                                    == 0)));
        }
    }

    /// The sockets beside one that take the same plug and have nothing in them.
    private void nextHoles(FaultKind kind) {
        for (LeadReport lead : survey.leads()) {
            if (!RigDrawing.isLaid(survey, lead) || legs(lead).isEmpty()) continue;
            for (End end : List.of(lead.a(), lead.b())) {
                List<Port> ports = kind(end.device()).ports();
                int at = ports.indexOf(end.port());
                for (int by : new int[] {-1, 1}) {
                    if (at + by < 0 || at + by >= ports.size()) continue;
                    Port beside = ports.get(at + by);
                    if (beside.isAlike(end.port()) && isFree(end.device(), beside))
                        nextHole(kind, lead, end, beside);
                }
            }
        }
    }

    private boolean isFree(Device device, Port port) {
        return survey.leadsIn(new Ref(device.id(), port.id())).isEmpty();
    }

    private void nextHole(FaultKind kind, LeadReport lead, End end, Port beside) {
        Ref hole = new Ref(end.device().id(), beside.id());
        Cable moved = lead.cable().moved(end.ref(), hole);
        Show there = show.withRig(show.rig().with(moved));
        Fault fault =
                new Fault(
                        "hole/%s/%s".formatted(moved.id(), hole),
                        kind.words(
                                words(lead),
                                "%s, %s".formatted(end.device().name(), beside.label())),
                        kind.todo(words(lead), end.words()),
                        kind.weight(),
                        spot(lead, kind.minutes()),
                        Optional.of(() -> there));
        String id = scene.scene().id();
        all.add(
                Broken.rebuilt(
                        scene,
                        fault,
                        () -> prover.prove(there).scene(id).orElseThrow().tracer().live()));
    }

    // Power

    private void dark(FaultKind kind, Power.Source source) {
        for (Device device : survey.devices()) {
            if (!kind(device).kind().isThing()
                    || Survey.isProgram(device)
                    || survey.runsOn(device) != source) continue;
            Set<String> dead = show.rig().goingWith(device);
            all.add(
                    Broken.changed(
                            scene,
                            fault(kind, device, "power", "whether %s is on"),
                            state -> state.withoutDevices(dead)));
        }
    }

    /// A fault of a machine as a whole.
    ///
    /// @param what of its id: `power`
    /// @param look what one looks at, with the machine's name to be put in
    private Fault fault(FaultKind kind, Device device, String what, String look) {
        String id = what + "/" + device.id();
        Spot spot =
                new Spot("look/" + id, look.formatted(device.name()), who(device), kind.minutes());
        return new Fault(
                id,
                kind.words(device.name(), ""),
                kind.todo(device.name(), ""),
                kind.weight(),
                spot,
                Optional.empty());
    }

    private void starved(FaultKind kind) {
        for (LeadReport lead : survey.leads())
            for (End end : List.of(lead.a(), lead.b())) {
                if (end.port().electric().phantom() != Electric.Phantom.WANTS) continue;
                Set<Integer> legs = legs(lead);
                End far = Survey.far(lead, end.ref());
                if (legs.isEmpty()) continue;
                all.add(
                        Broken.changed(
                                scene,
                                new Fault(
                                        "phantom/" + end.device().id(),
                                        kind.words(end.device().name(), ""),
                                        kind.todo(end.device().name(), ""),
                                        kind.weight(),
                                        new Spot(
                                                "look/phantom/" + far.ref(),
                                                "phantom power at %s".formatted(far.words()),
                                                who(far.device()),
                                                kind.minutes()),
                                        Optional.empty()),
                                state -> state.without(leg -> legs.contains(leg.index()))));
            }
    }

    // Noise

    private void crackling(FaultKind kind) {
        for (KnobUse use : live.graph().knobs()) {
            if (use.knob().role() != Knob.Role.RATE) continue;
            Device device = survey.device(use.ref().device()).orElseThrow();
            Set<String> ears = earsBehind(device);
            if (ears.isEmpty()) continue;
            int index = live.graph().knobIndex(use.ref().device(), use.ref().name());
            Fault fault =
                    new Fault(
                            "rate/" + device.id(),
                            kind.words(device.name(), ""),
                            kind.todo(use.words(), use.say(live.positions().get(index))),
                            kind.weight(),
                            spot(use, kind.minutes()),
                            Optional.empty());
            all.add(Broken.noisy(scene, fault, Set.of(), ears));
        }
    }

    private void humming(FaultKind kind) {
        for (Device device : survey.devices()) {
            if (kind(device).kind() != GearKind.ISOLATOR) continue;
            Set<String> ears = earsBehind(device);
            if (ears.isEmpty()) continue;
            Fault fault =
                    fault(
                            kind,
                            device,
                            "grounds",
                            "whether %s is in its lead, with nothing beside it");
            all.add(Broken.noisy(scene, fault, ears, Set.of()));
        }
    }

    /// The ears that something of a machine's comes to.
    private Set<String> earsBehind(Device device) {
        Predicate<Ref> its = point -> point.device().equals(device.id());
        Set<Ref> points = new HashSet<>();
        for (Leg leg : live.graph().legs()) if (its.test(leg.from())) points.add(leg.from());
        Set<String> ears = new HashSet<>();
        for (Ref point : points) ears.addAll(live.earsBehind(point));
        return ears;
    }
}
