package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.listening.Listening;
import rivulus.listening.Points;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// The tools that ideas against findings are made with: knobs turned, leads laid otherwise, boxes
/// put between; see also [#graph()] and [#power()]. Nothing here has been tried.
public final class Workshop {
    private static final int WAYS_LOOKED_AT = 12;
    private static final int WAYS_BESIDES = 3;
    private static final int PLACES = 4;

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

    /// What was proven.
    Proof proof() {
        return proof;
    }

    /// The show as it was proven.
    Show show() {
        return show;
    }

    /// The gear and leads as they are.
    Survey survey() {
        return survey;
    }

    /// What there is to put in.
    Boxes boxes() {
        return new Boxes(show, catalogue);
    }

    /// Ideas on the graph.
    GraphIdeas graph() {
        return new GraphIdeas(show.checks().limits(), this::isComputer);
    }

    /// Whether a device, by its id, is a computer.
    public boolean isComputer(String device) {
        return survey.device(device).map(survey::template).filter(Template::isComputer).isPresent();
    }

    /// Ideas about power.
    PowerIdeas power() {
        return new PowerIdeas(this);
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

    /// A change of the show as an idea.
    Idea idea(String sentence, List<Turn> turns, Show after) {
        return new Idea.Rework(sentence, turns, new Change(show, after));
    }

    /// A changed device as an idea.
    Idea fix(String sentence, Device changed) {
        return idea(sentence, List.of(), show.withRig(show.rig().with(changed)));
    }

    /// A listener that listens nowhere yet put where it belongs, or where most is heard of what it
    /// must hear.
    List<Idea> placed(Ear ear) {
        Set<String> wanted = new HashSet<>();
        for (SceneProof scene : proof.scenes())
            for (SceneProof.Heard cell : scene.all())
                if (cell.ear().equals(ear) && cell.standing().wish() == Wish.MUST)
                    wanted.add(cell.source().id());
        List<Idea> ideas = new ArrayList<>();
        for (Ref at : new Listening(show, catalogue).likely(ear, wanted, PLACES))
            ideas.add(
                    idea(
                            "Let %s listen at %s."
                                    .formatted(Names.of(ear), Points.words(at, show, catalogue)),
                            List.of(),
                            show.withEars(
                                    show.ears().stream()
                                            .map(
                                                    other ->
                                                            other.equals(ear)
                                                                    ? ear.at(List.of(at))
                                                                    : other)
                                            .toList())));
        return ideas;
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

    /// The switch of the phantom power the other way, then a transformer between.
    List<Idea> phantom(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>();
        for (Turn turn : survey.phantomSwitches(lead)) {
            boolean off = turn.to().equals(new Setting.Switch(false));
            String device = survey.device(turn.knob().device()).orElseThrow().name();
            String in =
                    turn.scene()
                            .flatMap(show::scene)
                            .map(scene -> " in " + scene.name())
                            .orElse("");
            fixes.add(
                    idea(
                            "Levels down, then switch 48 V %s at %s%s."
                                    .formatted(off ? "off" : "on", inputs(device, turn, lead), in),
                            List.of(turn),
                            show.with(turn)));
        }
        fixes.addAll(rejoined(lead, false));
        return fixes;
    }

    /// The input of a lead where the switch is that of its own; else the machine.
    private static String inputs(String device, Turn turn, LeadReport lead) {
        for (End end : List.of(lead.a(), lead.b()))
            if (end.device().id().equals(turn.knob().device())
                    && end.port().electric().phantomKnob().equals(turn.knob().name()))
                return end.words();
        return device;
    }

    // Leads and grounds

    /// A transformer or light, and a battery, where one of the machines has one: which first is a
    /// matter of how one likes to work; then one strip for both.
    List<Idea> unearthed(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>(rejoined(lead, true));
        boolean batteriesFirst = show.habits().says(Habit.HUM, "battery");
        fixes.addAll(batteriesFirst ? 0 : fixes.size(), fromBatteries());
        commonStrip(lead).ifPresent(fixes::add);
        return fixes;
    }

    private List<Idea> fromBatteries() {
        List<Idea> fixes = new ArrayList<>();
        for (Device device : show.rig().devices()) {
            Power power = survey.template(device).power();
            boolean plugged = power.earthed() && survey.runsOn(device) == Power.Source.MAINS;
            if (!plugged || !power.from().contains(Power.Source.BATTERY)) continue;
            fixes.add(
                    fix(
                            "Run %s from its battery.".formatted(device.name()),
                            device.poweredBy(Power.Source.BATTERY)));
        }
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
            Optional<Template> kind = boxes().strip();
            if (kind.isEmpty()) return Optional.empty();
            Device added = boxes().added(kind.get(), a.place());
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

    /// What overloads an input sent lower; then the two joined another way.
    List<Idea> relevelled(LeadReport lead) {
        List<Idea> ideas = new ArrayList<>();
        for (LeadReport.Passage passage : lead.passages())
            for (Ref ref : survey.outputLevels(passage.from())) {
                KnobUse use = proof.graph().knob(ref).orElseThrow();
                Setting stands =
                        survey.device(ref.device())
                                .orElseThrow()
                                .knobs()
                                .getOrDefault(ref.name(), use.knob().standing());
                if (passage.headroomDb() < 0
                        && use.knob() instanceof Knob.Level level
                        && stands instanceof Setting.Level now
                        && !now.isOff())
                    ideas.add(
                            turned(
                                    use,
                                    stands,
                                    level.nearest(now.db() + Math.floor(passage.headroomDb()))));
            }
        ideas.addAll(rejoined(lead));
        return ideas;
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
            (samePorts ? fixes : elsewhere).add(joined(way));
        }
        fixes.addAll(elsewhere);
        return fixes;
    }

    /// Leads of which the plan shows signs: those that are missing laid, those beside their socket
    /// moved.
    List<Idea> missingLeads() {
        MissingLeads missing = new MissingLeads(show, catalogue, survey, proof.graph());
        List<Idea> ideas = new ArrayList<>();
        for (Joining way : missing.joinings()) ideas.add(joined(way));
        for (MissingLeads.Moved moved : missing.moved())
            ideas.add(idea(moved.sentence(), List.of(), moved.after()));
        return ideas;
    }

    /// What plays something that is not heard, or its computer, joined besides to each machine that
    /// its listener hears already.
    List<Idea> joinedBesides(Finding finding) {
        Optional<Device> player =
                show.cast().playback().stream()
                        .filter(plays -> plays.id().equals(finding.key().source()))
                        .flatMap(plays -> plays.at().stream())
                        .findFirst()
                        .flatMap(at -> show.rig().device(at.device()))
                        .flatMap(this::machine);
        if (player.isEmpty()) return List.of();
        Joiner joiner = new Joiner(show, catalogue, survey.kinds());
        List<Idea> ideas = new ArrayList<>();
        for (Device to : show.rig().devices()) {
            if (to.equals(player.get()) || !isHeard(to, finding)) continue;
            for (Joining way : joiner.ways(player.get(), to, WAYS_BESIDES).all())
                ideas.add(joined(way));
        }
        return ideas;
    }

    /// The machine that leads are plugged into: of a program, the computer it runs on.
    private Optional<Device> machine(Device device) {
        return Survey.isProgram(device) ? show.rig().device(device.on()) : Optional.of(device);
    }

    /// Whether the listener of a finding hears what comes out of some machine.
    private boolean isHeard(Device device, Finding finding) {
        Template kind = survey.template(device);
        if (kind.kind().isBox() || kind.isWorn()) return false;
        String ear = finding.ear().orElseThrow();
        return kind.points().stream()
                .anyMatch(point -> finding.live().leads(new Ref(device.id(), point.id()), ear));
    }

    private Idea joined(Joining way) {
        return idea("Join %s, by %s.".formatted(way.way(), way.needs()), List.of(), way.after());
    }

    /// A hub half-way, where it is USB; then a lead as long as its kind may be, and the two
    /// machines nearer to each other.
    List<Idea> shortened(LeadReport lead) {
        List<Idea> fixes = new ArrayList<>();
        double half = lead.cable().metres() / 2;
        for (End end : List.of(lead.a(), lead.b()))
            if (end.port().carries() == Signal.USB && end.port().host())
                power().hubbed(end, lead, Survey.far(lead, end.ref()), half, half)
                        .ifPresent(fixes::add);
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
        Optional<Template> kind = boxes().amplifier();
        if (kind.isEmpty()) return Optional.empty();
        Device amplifier = boxes().added(kind.get(), from.device().place());
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

    /// The best way to join two machines in a show.
    Optional<Joining> joined(Show in, Device from, Device to) {
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
}
