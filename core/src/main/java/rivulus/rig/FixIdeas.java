package rivulus.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.disk.Extras;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Electric;
import rivulus.gear.Knob;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// What might end a finding of the rig, kindest first. Nothing here has been tried.
final class FixIdeas {
    private static final String HUB = "powered-hub";
    private static final String AMPLIFIER = "headphone-amplifier";
    private static final String PACK = "battery-pack";
    private static final String STRIP = "outlet-strip";
    private static final int WAYS_LOOKED_AT = 12;

    private final Proof proof;
    private final Survey survey;
    private final Show show;
    private final Catalogue catalogue;

    FixIdeas(Proof proof, RigProof rig, Catalogue catalogue) {
        this.proof = proof;
        this.survey = rig.survey();
        this.show = rig.show();
        this.catalogue = catalogue;
    }

    /// Ideas against a finding.
    List<RigFix> of(RigFinding finding) {
        if (finding.rule().equals("picture-sync")) return lined(finding);
        if (!finding.knobs().isEmpty()) return turns(finding.knobs());
        String first = finding.about().getFirst();
        Optional<LeadReport> lead =
                survey.leads().stream().filter(l -> l.cable().id().equals(first)).findFirst();
        Optional<Device> device = survey.device(first);
        return switch (finding.rule()) {
            case "phantom" -> lead.map(this::phantom).orElse(List.of());
            case "charging-ring", "y-lead", "solo" -> List.of();
            case "length" -> lead.map(this::shortened).orElse(List.of());
            case "impedance" -> lead.map(this::driven).orElse(List.of());
            case "ground-loop" -> lead.map(this::unearthed).orElse(List.of());
            case "stock" -> bought(lead, device);
            case "power" -> device.map(d -> relieved(d, finding)).orElse(List.of());
            case "unfed", "battery" -> device.map(this::fed).orElse(List.of());
            case "strip" -> device.map(this::unloaded).orElse(List.of());
            case "unused-gain" -> device.map(d -> turnedDown(d, finding)).orElse(List.of());
            default -> lead.map(l -> rejoined(l, false)).orElse(List.of());
        };
    }

    private RigFix idea(String sentence, List<Turn> turns, Show after) {
        return new RigFix(sentence, turns, new Change(show, after));
    }

    private RigFix fix(String sentence, Device changed) {
        return idea(sentence, List.of(), show.withRig(show.rig().with(changed)));
    }

    // Knobs

    private List<RigFix> turns(List<Ref> knobs) {
        List<RigFix> fixes = new ArrayList<>();
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

    private RigFix turned(KnobUse use, Setting from, Setting to) {
        Turn turn = new Turn(use.ref(), from, to, Optional.empty());
        return idea(
                "Set %s to %s.".formatted(use.words(), use.say(to)),
                List.of(turn),
                show.with(turn));
    }

    /// The sound delayed by as much as the picture is behind.
    private List<RigFix> lined(RigFinding finding) {
        List<RigFix> fixes = new ArrayList<>();
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

    private List<RigFix> turnedDown(Device device, RigFinding finding) {
        String port = finding.about().getLast();
        List<RigFix> fixes = new ArrayList<>();
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
    private List<RigFix> phantom(LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>();
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
    private List<RigFix> unearthed(LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>(rejoined(lead, true));
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

    private Optional<RigFix> commonStrip(LeadReport lead) {
        Device a = lead.a().device();
        Device b = lead.b().device();
        boolean both =
                survey.runsOn(a) == Power.Source.MAINS && survey.runsOn(b) == Power.Source.MAINS;
        if (!both || !a.place().equals(b.place()) || a.place().isEmpty()) return Optional.empty();
        String strip = a.outlet().isEmpty() ? b.outlet() : a.outlet();
        Show with = show;
        if (strip.isEmpty()) {
            Device added = added(STRIP, a.place());
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
    private List<RigFix> rejoined(LeadReport lead, boolean isolated) {
        End from = lead.a().port().gives() > 0 || lead.b().port().host() ? lead.a() : lead.b();
        End to = from == lead.a() ? lead.b() : lead.a();
        Show without = show.withRig(show.rig().without(lead.cable()));
        List<RigFix> fixes = new ArrayList<>();
        List<RigFix> elsewhere = new ArrayList<>();
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
    private List<RigFix> shortened(LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>();
        double half = lead.cable().metres() / 2;
        for (End end : List.of(lead.a(), lead.b()))
            if (end.port().carries() == Signal.USB && end.port().host())
                fixes.add(hubbed(end, lead, Survey.far(lead, end.ref()), half, half));
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
    private List<RigFix> driven(LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>();
        for (End end : List.of(lead.a(), lead.b()))
            if (end.port().carries() == Signal.HEADPHONES)
                amplified(Survey.far(lead, end.ref()), lead, end).ifPresent(fixes::add);
        fixes.addAll(rejoined(lead, false));
        return fixes;
    }

    private Optional<RigFix> amplified(End from, LeadReport lead, End worn) {
        Device amplifier = added(AMPLIFIER, from.device().place());
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

    private List<RigFix> bought(Optional<LeadReport> lead, Optional<Device> device) {
        List<RigFix> fixes = new ArrayList<>();
        lead.ifPresent(
                lacking ->
                        fixes.add(
                                idea(
                                        "Put the %s from %s on the shopping list."
                                                .formatted(
                                                        lacking.kindInWords(), lacking.a().words()),
                                        List.of(),
                                        show.withRig(
                                                show.rig().with(lacking.cable().toBuy(true))))));
        device.ifPresent(
                lacking ->
                        fixes.add(
                                fix(
                                        "Put %s on the shopping list.".formatted(lacking.name()),
                                        lacking.toBuy(true))));
        return fixes;
    }

    // Power

    /// Other ways to feed something: whatever else it can run on, then a battery pack.
    private List<RigFix> fed(Device device) {
        List<RigFix> fixes = new ArrayList<>();
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

    private Optional<RigFix> packed(Device device) {
        Device pack = added(PACK, device.place());
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
    private List<RigFix> relieved(Device host, RigFinding finding) {
        Ref port = new Ref(host.id(), finding.about().getLast());
        List<RigFix> fixes = new ArrayList<>();
        for (LeadReport lead : survey.leadsIn(port)) {
            End fed = Survey.far(lead, port);
            if (survey.template(fed.device()).power().from().contains(Power.Source.MAINS))
                fixes.add(
                        fix(
                                "Run %s from the mains.".formatted(fed.device().name()),
                                fed.device().poweredBy(Power.Source.MAINS)));
            fixes.add(hubbed(survey.end(port), lead, fed, 1, lead.cable().metres()));
        }
        return fixes;
    }

    /// A powered hub between a port and what is on it.
    ///
    /// @param above metres of the lead to the hub
    /// @param below metres of the lead from it
    private RigFix hubbed(End host, LeadReport lead, End fed, double above, double below) {
        Device hub = added(HUB, host.device().place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(hub);
        List<Cable> cables = new ArrayList<>(show.rig().without(lead.cable()).cables());
        cables.add(bought(0, host.ref(), new Ref(hub.id(), "up"), above));
        cables.add(bought(1, new Ref(hub.id(), "usb-1"), fed.ref(), below));
        return idea(
                "Put a powered hub between %s and %s."
                        .formatted(host.device().name(), fed.device().name()),
                List.of(),
                show.withRig(show.rig().with(devices, cables)));
    }

    private Cable bought(int nth, Ref from, Ref to, double metres) {
        return new Cable(Joiner.freeCable(show, nth), from, to, metres, true, Extras.NONE);
    }

    /// The strip itself, or what hangs on it, into the wall.
    private List<RigFix> unloaded(Device strip) {
        List<RigFix> fixes = new ArrayList<>();
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

    private Device added(String template, String place) {
        return Device.of(show.freeId(template, 1), catalogue.get(template).name(), template)
                .in(place)
                .toBuy(true);
    }
}
