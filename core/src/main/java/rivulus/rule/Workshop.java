package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.disk.Extras;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Electric;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.hearing.Opening;
import rivulus.hearing.Openings;
import rivulus.hearing.Ways;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.Positions;
import rivulus.words.Words;

/// The tools that ideas against findings are made with: knobs on a way closed, opened or turned
/// down; leads laid otherwise, boxes put between, machines fed otherwise. Nothing here has been
/// tried.
public final class Workshop {
    private static final int WAYS_LOOKED_AT = 12;
    private static final int WAYS_CLOSED = 4;
    private static final int OPENINGS_LOOKED_AT = 10;

    private final Proof proof;
    private final Survey survey;
    private final Show show;
    private final Catalogue catalogue;

    /// Ideas for a show as it was proven.
    ///
    /// @param catalogue the kinds of gear that everybody has
    public Workshop(Proof proof, Catalogue catalogue) {
        this.proof = proof;
        this.survey = proof.survey();
        this.show = proof.show();
        this.catalogue = show.kinds(catalogue);
    }

    /// The lead that a finding is about.
    Optional<LeadReport> lead(Finding finding) {
        String first = finding.gear().getFirst();
        return survey.leads().stream().filter(l -> l.cable().id().equals(first)).findFirst();
    }

    /// The device that a finding is about.
    Optional<Device> device(Finding finding) {
        return survey.device(finding.gear().getFirst());
    }

    // On the graph

    /// Every setting that closes one of the strongest ways of what is heard.
    List<Idea> closers(Finding finding) {
        return settings(closers(finding.live().positions(), wayLegs(finding), finding));
    }

    /// The nearest openings for what is not heard.
    List<Idea> openers(Finding finding) {
        return settings(openings(finding));
    }

    /// For what is only faint: what is turned down on its way, then ways of its own.
    List<Idea> louder(Finding finding) {
        List<Map<Ref, Setting>> steps = raisers(finding);
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
        double wanted = show.checks().limits().get(Limit.LOOP_MARGIN);
        double lacking = Math.ceil(wanted - finding.figures().get("marginDb"));
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                if (!(positions.get(govern.knob()) instanceof Setting.Level(double db))) continue;
                Setting lower = new Setting.Level(db - lacking);
                if (use.knob().takes(lower)) steps.add(Map.of(use.ref(), lower));
            }
        }
        steps.addAll(closers(positions, legs, finding));
        return settings(steps);
    }

    private static List<Idea> settings(List<Map<Ref, Setting>> steps) {
        return steps.stream().<Idea>map(Idea.Settings::new).toList();
    }

    private static List<Leg> wayLegs(Finding finding) {
        return Ways.of(finding.live())
                .strongest(finding.source().orElseThrow(), finding.ear().orElseThrow(), WAYS_CLOSED)
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
                                show.checks().limits().get(Limit.HEARD))
                        .nearest(
                                finding.source().orElseThrow(),
                                finding.ear().orElseThrow(),
                                OPENINGS_LOOKED_AT)
                        .all();
        for (Opening opening : openings) {
            Map<Ref, Setting> step = new LinkedHashMap<>();
            opening.turns().forEach(turn -> step.put(turn.knob().ref(), turn.to()));
            steps.add(step);
        }
        return steps;
    }

    private static List<Map<Ref, Setting>> raisers(Finding finding) {
        Positions positions = finding.live().positions();
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : wayLegs(finding)) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
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
    private static List<Map<Ref, Setting>> closers(
            Positions positions, List<Leg> legs, Finding finding) {
        List<Map<Ref, Setting>> steps = new ArrayList<>();
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = finding.live().graph().knobs().get(govern.knob());
                if (use.ref().toString().equals(finding.key().about())) continue;
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

    private Idea idea(String sentence, List<Turn> turns, Show after) {
        return new Idea.Rework(sentence, turns, new Change(show, after));
    }

    private Idea fix(String sentence, Device changed) {
        return idea(sentence, List.of(), show.withRig(show.rig().with(changed)));
    }

    // Knobs

    List<Idea> turns(List<Ref> knobs) {
        List<Idea> fixes = new ArrayList<>();
        for (Ref ref : knobs) {
            Optional<KnobUse> use = proof.graph().knob(ref);
            Optional<Device> device = survey.device(ref.device());
            if (use.isEmpty() || device.isEmpty()) continue;
            Setting stands =
                    device.get().knobs().getOrDefault(ref.name(), use.get().knob().standing());
            for (Setting other : use.get().knob().others(stands))
                fixes.add(turned(use.get(), stands, other));
        }
        return fixes;
    }

    private Idea turned(KnobUse use, Setting from, Setting to) {
        Turn turn = new Turn(use.ref(), from, to, Optional.empty());
        return idea(
                "Set %s to %s.".formatted(use.words(), use.say(to)),
                List.of(turn),
                show.with(turn));
    }

    /// The sound delayed by as much as the picture is behind.
    List<Idea> lined(Finding finding) {
        List<Idea> fixes = new ArrayList<>();
        double missing = -finding.figures().get("offsetMs");
        for (Ref ref : finding.knobs()) {
            Optional<KnobUse> use = proof.graph().knob(ref);
            Optional<Device> device = survey.device(ref.device());
            if (use.isEmpty() || device.isEmpty()) continue;
            if (!(use.get().knob() instanceof Knob.Time time)) continue;
            Setting stands = device.get().knobs().getOrDefault(ref.name(), time.standing());
            if (!(stands instanceof Setting.Time(double ms))) continue;
            double wanted = Math.rint((ms + missing) / time.stepMs()) * time.stepMs();
            double to = Math.clamp(wanted, time.minMs(), time.maxMs());
            if (to != ms) fixes.add(turned(use.get(), stands, new Setting.Time(to)));
        }
        return fixes;
    }

    /// The gain of a port turned to nothing.
    List<Idea> turnedDown(Finding finding) {
        Optional<Device> found = device(finding);
        if (found.isEmpty()) return List.of();
        Device device = found.get();
        String port = finding.gear().getLast();
        List<Idea> fixes = new ArrayList<>();
        for (KnobUse use : proof.graph().knobsOf(device.id())) {
            boolean gain =
                    use.knob().role() == Knob.Role.GAIN
                            && survey.template(device).routes().stream()
                                    .filter(route -> route.from().equals(port + ".in"))
                                    .flatMap(route -> route.governors().stream())
                                    .anyMatch(g -> g.knob().equals(use.knob().id()));
            if (gain)
                fixes.add(turned(use, device.knobs().get(use.knob().id()), new Setting.Level(0)));
        }
        return fixes;
    }

    /// The switch of the phantom power the other way.
    List<Idea> phantom(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>();
        for (End end : List.of(lead.a(), lead.b())) {
            Electric electric = end.port().electric();
            if (electric.phantomKnob().isEmpty()) continue;
            Ref knob = new Ref(end.device().id(), electric.phantomKnob());
            boolean on =
                    end.device().knobs().get(knob.name()) instanceof Setting.Switch(boolean is)
                            && is;
            Turn turn =
                    new Turn(
                            knob,
                            new Setting.Switch(on),
                            new Setting.Switch(!on),
                            Optional.empty());
            fixes.add(
                    idea(
                            "Levels down, then switch 48 V %s at %s."
                                    .formatted(on ? "off" : "on", end.words()),
                            List.of(turn),
                            show.with(turn)));
        }
        return fixes;
    }

    // Leads and grounds

    /// A transformer or light first; then a battery, where one of the machines has one; then one
    /// strip for both.
    List<Idea> unearthed(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>(rejoined(lead, true));
        for (Device device : show.rig().devices()) {
            Power power = survey.template(device).power();
            boolean plugged = power.earthed() && survey.runsOn(device) == Power.Source.MAINS;
            if (!plugged || !power.from().contains(Power.Source.BATTERY)) continue;
            fixes.add(
                    fix(
                            "Run %s from its battery.".formatted(device.name()),
                            device.poweredBy(Power.Source.BATTERY)));
        }
        commonStrip(lead).ifPresent(fixes::add);
        return fixes;
    }

    private Optional<Idea> commonStrip(LeadReport lead) {
        Device a = lead.a().device();
        Device b = lead.b().device();
        boolean both =
                survey.runsOn(a) == Power.Source.MAINS && survey.runsOn(b) == Power.Source.MAINS;
        if (!both || !a.place().equals(b.place()) || a.place().isEmpty()) return Optional.empty();
        String strip = a.outlet().isEmpty() ? b.outlet() : a.outlet();
        Show with = show;
        if (strip.isEmpty()) {
            Optional<Template> kind = strip();
            if (kind.isEmpty()) return Optional.empty();
            Device added = added(kind.get(), a.place());
            strip = added.id();
            List<Device> devices = new ArrayList<>(show.rig().devices());
            devices.add(added);
            with = show.withRig(show.rig().with(devices, show.rig().cables()));
        }
        Rig plugged = with.rig().with(a.pluggedInto(strip)).with(b.pluggedInto(strip));
        return Optional.of(
                idea(
                        "Plug %s and %s into one outlet strip.".formatted(a.name(), b.name()),
                        List.of(),
                        with.withRig(plugged)));
    }

    /// The same two machines joined another way, by the same ports first.
    List<Idea> rejoined(LeadReport lead) {
        return rejoined(lead, false);
    }

    private List<Idea> rejoined(LeadReport lead, boolean isolated) {
        End from = lead.a().port().gives() > 0 || lead.b().port().host() ? lead.a() : lead.b();
        End to = from == lead.a() ? lead.b() : lead.a();
        Show without = show.withRig(show.rig().without(lead.cable()));
        List<Idea> fixes = new ArrayList<>();
        List<Idea> elsewhere = new ArrayList<>();
        for (Joining way :
                new Joiner(without, catalogue, survey.kinds())
                        .ways(
                                from.device(),
                                to.device(),
                                WAYS_LOOKED_AT,
                                j -> !isolated || j.isIsolated())
                        .all()) {
            boolean samePorts =
                    way.leads().getFirst().a().ref().equals(from.ref())
                            && way.leads().getLast().b().ref().equals(to.ref());
            (samePorts ? fixes : elsewhere)
                    .add(
                            idea(
                                    "Join %s, by %s.".formatted(way.way(), way.needs()),
                                    List.of(),
                                    way.after()));
        }
        fixes.addAll(elsewhere);
        return fixes;
    }

    /// A hub half-way, where it is USB; then a lead as long as its kind may be, and the two
    /// machines nearer to each other.
    List<Idea> shortened(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>();
        double half = lead.cable().metres() / 2;
        for (End end : List.of(lead.a(), lead.b()))
            if (end.port().carries() == Signal.USB && end.port().host())
                hubbed(end, lead, Survey.far(lead, end.ref()), half, half).ifPresent(fixes::add);
        double most = lead.kind().orElseThrow().longestM();
        fixes.add(
                idea(
                        "Take a lead of %s and stand %s and %s nearer to each other."
                                .formatted(
                                        Words.metres(most),
                                        lead.a().device().name(),
                                        lead.b().device().name()),
                        List.of(),
                        show.withRig(show.rig().with(lead.cable().ofLength(most)))));
        return fixes;
    }

    /// An amplifier before headphones that are driven by a line output; then other ways to join.
    List<Idea> driven(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>();
        for (End end : List.of(lead.a(), lead.b()))
            if (end.port().carries() == Signal.HEADPHONES)
                amplified(Survey.far(lead, end.ref()), lead, end).ifPresent(fixes::add);
        fixes.addAll(rejoined(lead, false));
        return fixes;
    }

    private Optional<Idea> amplified(End from, LeadReport lead, End worn) {
        Optional<Template> kind = amplifier();
        if (kind.isEmpty()) return Optional.empty();
        Device amplifier = added(kind.get(), from.device().place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(amplifier);
        Show without =
                show.withRig(show.rig().with(devices, show.rig().without(lead.cable()).cables()));
        return joined(without, from.device(), amplifier)
                .flatMap(in -> joined(in.after(), amplifier, worn.device()))
                .map(
                        out ->
                                idea(
                                        "Put a headphone amplifier between %s and %s; start low."
                                                .formatted(
                                                        from.device().name(), worn.device().name()),
                                        List.of(),
                                        out.after()));
    }

    private Optional<Joining> joined(Show in, Device from, Device to) {
        return new Joiner(in, catalogue, survey.kinds()).ways(from, to, 1).first();
    }

    /// What is lacking on the shopping list.
    List<Idea> bought(Finding finding) {
        List<Idea> fixes = new ArrayList<>();
        lead(finding)
                .ifPresent(
                        lacking ->
                                fixes.add(
                                        idea(
                                                "Put the %s from %s on the shopping list."
                                                        .formatted(
                                                                lacking.kindInWords(),
                                                                lacking.a().words()),
                                                List.of(),
                                                show.withRig(
                                                        show.rig()
                                                                .with(
                                                                        lacking.cable()
                                                                                .toBuy(true))))));
        device(finding)
                .ifPresent(
                        lacking ->
                                fixes.add(
                                        fix(
                                                "Put %s on the shopping list."
                                                        .formatted(lacking.name()),
                                                lacking.toBuy(true))));
        return fixes;
    }

    // Power

    /// Other ways to feed something: whatever else it can run on, then a battery pack.
    List<Idea> fed(Device device) {
        List<Idea> fixes = new ArrayList<>();
        List<Power.Source> kinds = survey.template(device).power().from();
        for (Power.Source kind : kinds) {
            if (kind == survey.runsOn(device)) continue;
            fixes.add(
                    fix(
                            "Run %s from %s.".formatted(device.name(), kind.words()),
                            device.poweredBy(kind)));
        }
        if (kinds.contains(Power.Source.USB)) packed(device).ifPresent(fixes::add);
        return fixes;
    }

    private Optional<Idea> packed(Device device) {
        Optional<Template> kind = pack();
        if (kind.isEmpty()) return Optional.empty();
        Device pack = added(kind.get(), device.place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(pack);
        Show with =
                show.withRig(
                        show.rig()
                                .with(devices, show.rig().cables())
                                .with(device.poweredBy(Power.Source.USB)));
        return joined(with, pack, device.poweredBy(Power.Source.USB))
                .map(
                        way ->
                                idea(
                                        "Feed %s from a battery pack, by %s."
                                                .formatted(device.name(), way.needs()),
                                        List.of(),
                                        way.after()));
    }

    /// What hangs on an overdrawn port fed otherwise, or by a hub with a supply of its own.
    List<Idea> relieved(Finding finding) {
        Optional<Device> found = device(finding);
        if (found.isEmpty()) return List.of();
        Device host = found.get();
        Ref port = new Ref(host.id(), finding.gear().getLast());
        List<Idea> fixes = new ArrayList<>();
        for (LeadReport lead : survey.leadsIn(port)) {
            End fed = Survey.far(lead, port);
            if (survey.template(fed.device()).power().from().contains(Power.Source.MAINS))
                fixes.add(
                        fix(
                                "Run %s from the mains.".formatted(fed.device().name()),
                                fed.device().poweredBy(Power.Source.MAINS)));
            hubbed(survey.end(port), lead, fed, 1, lead.cable().metres()).ifPresent(fixes::add);
        }
        return fixes;
    }

    /// A powered hub between a port and what is on it.
    ///
    /// @param above metres of the lead to the hub
    /// @param below metres of the lead from it
    private Optional<Idea> hubbed(End host, LeadReport lead, End fed, double above, double below) {
        Optional<Template> kind = hub();
        if (kind.isEmpty()) return Optional.empty();
        Optional<Port> up = usbPort(kind.get(), false);
        Optional<Port> down = usbPort(kind.get(), true);
        if (up.isEmpty() || down.isEmpty()) return Optional.empty();
        Device hub = added(kind.get(), host.device().place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(hub);
        List<Cable> cables = new ArrayList<>(show.rig().without(lead.cable()).cables());
        cables.add(bought(0, host.ref(), new Ref(hub.id(), up.get().id()), above));
        cables.add(bought(1, new Ref(hub.id(), down.get().id()), fed.ref(), below));
        return Optional.of(
                idea(
                        "Put a powered hub between %s and %s."
                                .formatted(host.device().name(), fed.device().name()),
                        List.of(),
                        show.withRig(show.rig().with(devices, cables))));
    }

    private Cable bought(int nth, Ref from, Ref to, double metres) {
        return new Cable(Joiner.freeCable(show, nth), from, to, metres, true, Extras.NONE);
    }

    /// The strip itself, or what hangs on it, into the wall.
    List<Idea> unloaded(Device strip) {
        List<Idea> fixes = new ArrayList<>();
        if (!strip.outlet().isEmpty())
            fixes.add(fix("Plug %s into the wall.".formatted(strip.name()), strip.pluggedInto("")));
        for (Device device : show.rig().devices())
            if (device.outlet().equals(strip.id()))
                fixes.add(
                        fix(
                                "Plug %s into an outlet of another circuit."
                                        .formatted(device.name()),
                                device.pluggedInto("")));
        return fixes;
    }

    // What there is to put in, by what it is

    private Device added(Template kind, String place) {
        return Device.of(show.freeId(kind.id(), 1), kind.name(), kind.id()).in(place).toBuy(true);
    }

    private Stream<Template> kinds(GearKind kind) {
        return catalogue.templates().values().stream().filter(t -> t.kind() == kind);
    }

    /// A strip of outlets, and no rack.
    private Optional<Template> strip() {
        return kinds(GearKind.STRIP)
                .filter(t -> t.power().mostWatts() > 0 && !t.power().joinsChassis())
                .findFirst();
    }

    /// A hub with a supply of its own.
    private Optional<Template> hub() {
        return kinds(GearKind.HUB)
                .filter(t -> t.power().from().contains(Power.Source.MAINS))
                .findFirst();
    }

    private static Optional<Port> usbPort(Template template, boolean host) {
        return template.ports().stream()
                .filter(port -> port.carries() == Signal.USB && port.host() == host)
                .findFirst();
    }

    /// The battery that holds most of those that feed others.
    private Optional<Template> pack() {
        return kinds(GearKind.BATTERY).max(Comparator.comparing(t -> t.power().batteryWh()));
    }

    /// The smallest machine that takes a line and drives headphones.
    private Optional<Template> amplifier() {
        return kinds(GearKind.DESK)
                .filter(t -> has(t, port -> port.carries() == Signal.LINE && port.takes() > 0))
                .filter(
                        t ->
                                has(
                                        t,
                                        port ->
                                                port.carries() == Signal.HEADPHONES
                                                        && port.gives() > 0))
                .min(Comparator.comparing(t -> t.knobs().size() + t.ports().size()));
    }

    private static boolean has(Template template, Predicate<Port> wish) {
        return template.ports().stream().anyMatch(wish);
    }
}
