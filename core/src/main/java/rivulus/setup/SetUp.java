package rivulus.setup;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;
import rivulus.chart.GoingSheet;
import rivulus.chart.RigDrawing;
import rivulus.check.Losses;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.computer.ComputerReport;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.Labels;
import rivulus.desk.Linking;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// The ordered list of what hands must do from an empty room to the rig as planned, standing as its
/// first scene wants it. Complete: a rig set as it says, and nothing else, compiles to the planned
/// graph. Only knobs that stand otherwise than they come, or than they were left, are in it.
///
/// Costs for each lead a tracing of what hangs on it, and what the reports on computers cost.
public record SetUp(List<Step> steps) {
    /// More knobs than this are two steps.
    private static final int KNOBS_A_STEP = 6;

    public SetUp {
        steps = List.copyOf(steps);
    }

    /// The list for a show whose gear stands as it comes.
    public static SetUp of(Proof proof) {
        return of(proof, Optional.empty());
    }

    /// The list for a show whose gear stands as it was left.
    ///
    /// @param left how the knobs were left; empty where they stand as they come
    public static SetUp of(Proof proof, Optional<Profile> left) {
        return new SetUp(new Making(proof, left).steps());
    }

    /// The step of that id.
    public Optional<Step> step(String id) {
        return steps.stream().filter(step -> step.id().equals(id)).findFirst();
    }

    /// The making of it.
    private static final class Making {
        private final Proof proof;
        private final Optional<Profile> left;
        private final Show show;
        private final SceneProof scene;
        private final LiveGraph live;
        /// The scene in which most is heard: there most steps have a reason.
        private final SceneProof fullest;
        private final Survey survey;
        private final Channels channels;
        private final Feeding feeding;
        private final Map<String, String> tags;
        private final List<Step> steps = new ArrayList<>();
        private final Set<String> said = new HashSet<>();
        private final Map<String, List<String>> leadsOf = new HashMap<>();

        Making(Proof proof, Optional<Profile> left) {
            this.proof = proof;
            this.left = left;
            show = proof.show();
            scene = proof.scenes().getFirst();
            live = scene.tracer().live();
            fullest = proof.fullest();
            survey = proof.survey();
            channels = Channels.in(show, this::kind, live);
            feeding = Feeding.of(survey);
            tags = RigDrawing.tags(survey);
        }

        List<Step> steps() {
            for (Device device : survey.devices()) quiet(device);
            for (Device device : survey.devices()) if (isThing(device)) place(device);
            leads();
            for (Device device : survey.devices()) if (isMicrophone(device)) knobs(device);
            for (Device device : survey.devices()) phantom(device);
            for (Device device : survey.devices()) if (isComputer(device)) programs(device);
            for (Device device : survey.devices()) if (isService(device)) ready(device);
            for (LeadReport lead : survey.leads())
                if (isSaid(lead)) lead(lead, "Join ", Part.COMPUTERS);
            for (Device device : survey.devices()) if (isComputer(device)) settings(device);
            for (Device device : survey.devices()) if (isService(device)) knobs(device);
            for (Device device : survey.devices())
                if (isThing(device)
                        && !isComputer(device)
                        && !isMicrophone(device)
                        && !isLoud(device)) knobs(device);
            going();
            for (Device device : survey.devices()) if (isLoud(device)) loud(device);
            return steps;
        }

        private Template kind(Device device) {
            return survey.template(device);
        }

        private boolean isThing(Device device) {
            return kind(device).kind().isThing() && !Survey.isProgram(device);
        }

        private boolean isComputer(Device device) {
            return kind(device).isComputer();
        }

        private boolean isMicrophone(Device device) {
            return kind(device).kind() == GearKind.MICROPHONE
                    || kind(device).kind() == GearKind.WEARABLE;
        }

        private boolean isLoud(Device device) {
            return kind(device).kind() == GearKind.LOUDSPEAKER;
        }

        /// A call or a telephone network: something that no computer here runs.
        private boolean isService(Device device) {
            return !isThing(device) && !Survey.isProgram(device);
        }

        /// What programs and services say to each other.
        private boolean isSaid(LeadReport lead) {
            return !isThing(lead.a().device()) || !isThing(lead.b().device());
        }

        private String who(Device device) {
            return Hands.of(show, survey, device);
        }

        private void add(
                String id,
                Part part,
                Device at,
                String what,
                String why,
                double minutes,
                List<String> after,
                Act act) {
            List<String> known = after.stream().filter(said::contains).distinct().toList();
            said.add(id);
            steps.add(
                    new Step(
                            id, part, at.id(), at.name(), who(at), what, why, minutes, known, act));
        }

        // Down before anything is plugged

        private void quiet(Device device) {
            if (isLoud(device))
                add(
                        "off/" + device.id(),
                        Part.QUIET,
                        device,
                        "%s: leave it off until the end.".formatted(device.name()),
                        "so that no plug and no fader is heard by a room",
                        Pace.SMALL,
                        List.of(),
                        new Act.Nothing());
            else if (kind(device).kind() == GearKind.DESK && !Survey.isProgram(device))
                add(
                        "down/" + device.id(),
                        Part.QUIET,
                        device,
                        "%s: every fader and every headphone level down.".formatted(device.name()),
                        "so that nobody is startled by what is plugged in",
                        Pace.FADERS_DOWN,
                        List.of(),
                        new Act.Nothing());
        }

        // Place and power

        private void place(Device device) {
            List<String> what = new ArrayList<>();
            Optional<Person> wearer = show.cast().person(device.worn());
            Optional<Place> place = show.place(device.place());
            if (wearer.isPresent()) what.add("on " + wearer.get().name());
            else place.ifPresent(room -> what.add("in " + room.name()));
            power(device).ifPresent(what::add);
            String order =
                    "%s%s%s%s."
                            .formatted(
                                    device.name(),
                                    device.toBuy() ? " (still to be bought)" : "",
                                    what.isEmpty() ? "" : ": ",
                                    Words.list(what));
            GearKind kind = kind(device).kind();
            double minutes =
                    kind == GearKind.DESK
                            ? Pace.DESK
                            : kind.isBox() || isMicrophone(device) ? Pace.SMALL : Pace.MACHINE;
            List<String> after = new ArrayList<>();
            if (!device.outlet().isEmpty()) after.add("place/" + device.outlet());
            add(
                    "place/" + device.id(),
                    Part.PLACE,
                    device,
                    order,
                    "",
                    minutes,
                    after,
                    new Act.Place(bare(device)));
        }

        /// The device as it comes, and as nobody can turn it.
        private Device bare(Device device) {
            SequencedMap<String, Setting> facts = new LinkedHashMap<>();
            device.knobs()
                    .forEach(
                            (knob, stands) -> {
                                if (kind(device)
                                        .knob(knob)
                                        .filter(k -> k.role() == Knob.Role.FACT)
                                        .isPresent()) facts.put(knob, stands);
                            });
            return device.withKnobs(facts).withLayout(device.layout().withLinks(List.of()));
        }

        private Optional<String> power(Device device) {
            Power.Source source = survey.runsOn(device);
            return switch (source) {
                case MAINS -> feeding.of(device).map(supply -> "plugged into " + supply.name());
                case USB -> feeding.of(device).map(supply -> "run from " + supply.name());
                case BATTERY -> Optional.of("with a full battery");
                default -> Optional.empty();
            };
        }

        // Leads

        /// What is laid by hand first, in the order of its numbers; then what goes by radio.
        private void leads() {
            for (LeadReport lead : survey.leads())
                if (RigDrawing.isLaid(survey, lead))
                    lead(lead, "Lead %s: ".formatted(tag(lead)), Part.LEADS);
            for (LeadReport lead : survey.leads())
                if (!RigDrawing.isLaid(survey, lead) && !isSaid(lead))
                    lead(lead, "Pair ", Part.LEADS);
        }

        private String tag(LeadReport lead) {
            return tags.get(lead.cable().id());
        }

        private void lead(LeadReport lead, String begins, Part part) {
            String id = "lead/" + lead.cable().id();
            Device a = lead.a().device();
            Device b = lead.b().device();
            double metres = lead.cable().metres();
            String kind =
                    lead.kindInWords()
                            + (metres == 0 ? "" : ", " + Words.metres(metres))
                            + lead.cable()
                                    .tape()
                                    .map(tape -> ", %s tape".formatted(tape.word()))
                                    .orElse("")
                            + (lead.cable().toBuy() ? ", still to be bought" : "");
            String what =
                    "%s%s into %s (%s)."
                            .formatted(begins, lead.a().words(), lead.b().words(), kind);
            Device at = who(a).isEmpty() ? b : a;
            add(
                    id,
                    part,
                    at,
                    what,
                    why(survey.through(lead, live.graph())),
                    Pace.LEAD + Pace.METRE_OF_LEAD * metres,
                    List.of("place/" + a.id(), "place/" + b.id()),
                    new Act.Lay(lead.cable()));
            for (Device end : List.of(a, b))
                leadsOf.computeIfAbsent(end.id(), _ -> new ArrayList<>()).add(id);
        }

        /// Who would lose whom without some legs, told as what they are for.
        private String why(Collection<Leg> gone) {
            Losses losses = fullest.losses(fullest.tracer().live().without(gone));
            return losses.isEmpty() ? "" : "so that " + losses.asGains();
        }

        private List<String> plugged(Device device) {
            List<String> all = new ArrayList<>();
            all.add("place/" + device.id());
            all.addAll(leadsOf.getOrDefault(device.id(), List.of()));
            return all;
        }

        // Knobs

        /// How a knob stands at the beginning.
        private Setting stands(KnobUse use) {
            Ref ref = use.ref();
            if (show.isTurnedByItself(ref))
                return Optional.ofNullable(
                                survey.device(ref.device()).orElseThrow().knobs().get(ref.name()))
                        .orElse(use.knob().standing());
            return live.positions().get(live.graph().knobIndex(ref.device(), ref.name()));
        }

        /// How a knob stands before anybody has come.
        private Setting left(KnobUse use) {
            return left.map(profile -> profile.knobs().get(use.ref()))
                    .orElse(use.knob().standing());
        }

        private List<KnobUse> turned(Device device) {
            return live.graph().knobsOf(device.id()).stream()
                    .filter(use -> use.knob().role() != Knob.Role.FACT)
                    .filter(use -> !stands(use).equals(left(use)))
                    .toList();
        }

        private Set<String> phantomKnobs(Device device) {
            Set<String> knobs = new TreeSet<>();
            for (Port port : kind(device).ports())
                if (!port.electric().phantomKnob().isEmpty())
                    knobs.add(port.electric().phantomKnob());
            return knobs;
        }

        /// Only after what it feeds is plugged in, and with the level down.
        private void phantom(Device device) {
            Set<String> switches = phantomKnobs(device);
            for (KnobUse use : turned(device))
                if (switches.contains(use.ref().name()))
                    add(
                            "set/" + use.ref(),
                            Part.MICROPHONES,
                            device,
                            "%s to %s, with the level down."
                                    .formatted(use.words(), use.say(stands(use))),
                            stands(use).equals(new Setting.Switch(true))
                                    ? "since what is plugged in there runs on it; on nothing else"
                                    : "",
                            Pace.KNOB,
                            plugged(device),
                            set(List.of(use)));
        }

        private Act.Set set(List<KnobUse> uses) {
            return new Act.Set(
                    uses.stream()
                            .map(
                                    use ->
                                            new Turn(
                                                    use.ref(),
                                                    left(use),
                                                    stands(use),
                                                    Optional.empty()))
                            .toList());
        }

        /// Channels that go together, before any of their knobs is turned.
        private void links(Device device) {
            List<Channel> channels = this.channels.of(device);
            for (Link link : device.layout().standing(kind(device).desk())) {
                add(
                        "link/%s/%s".formatted(device.id(), link.first()),
                        Part.KNOBS,
                        device,
                        "%s: link %s."
                                .formatted(
                                        device.name(), Words.list(Linking.sides(link, channels))),
                        "so that both sides stand alike, each on its own side",
                        Pace.KNOB,
                        plugged(device),
                        new Act.Pair(device.id(), link));
            }
        }

        /// What stands otherwise than it comes, channel by channel in the gear's own order.
        private void knobs(Device device) {
            links(device);
            Set<String> switches = phantomKnobs(device);
            Labels labels = Labels.of(channels.of(device)).and(kind(device));
            SequencedMap<String, List<KnobUse>> groups = new LinkedHashMap<>();
            for (KnobUse use : turned(device))
                if (!switches.contains(use.ref().name()))
                    groups.computeIfAbsent(labels.of(use.knob()), _ -> new ArrayList<>()).add(use);
            Part part =
                    isMicrophone(device)
                            ? Part.MICROPHONES
                            : isLoud(device)
                                    ? Part.LOUD
                                    : isService(device) ? Part.COMPUTERS : Part.KNOBS;
            groups.forEach(
                    (channel, uses) -> {
                        for (int from = 0; from < uses.size(); from += KNOBS_A_STEP) {
                            List<KnobUse> some =
                                    uses.subList(from, Math.min(uses.size(), from + KNOBS_A_STEP));
                            String id =
                                    "set/%s/%s"
                                            .formatted(device.id(), some.getFirst().ref().name());
                            List<String> orders =
                                    some.stream()
                                            .map(
                                                    use ->
                                                            "%s to %s"
                                                                    .formatted(
                                                                            use.knob().label(),
                                                                            use.say(stands(use))))
                                            .toList();
                            add(
                                    id,
                                    part,
                                    device,
                                    "%s · %s.".formatted(device.name(), Words.list(orders)),
                                    "",
                                    Pace.KNOB * some.size(),
                                    plugged(device),
                                    set(some));
                        }
                    });
        }

        // Computers

        private void programs(Device computer) {
            add(
                    "close/" + computer.id(),
                    Part.COMPUTERS,
                    computer,
                    "%s: close what is not needed tonight, and silence its notices."
                            .formatted(computer.name()),
                    "so that nothing else plays, records or asks",
                    Pace.CLOSE,
                    List.of("place/" + computer.id()),
                    new Act.Nothing());
            for (Device program : survey.devices())
                if (program.on().equals(computer.id()))
                    add(
                            "place/" + program.id(),
                            Part.COMPUTERS,
                            program,
                            "%s: %s %s."
                                    .formatted(
                                            computer.name(),
                                            program.toBuy() ? "install and open" : "open",
                                            program.name()),
                            "",
                            Pace.PROGRAM,
                            List.of("place/" + computer.id()),
                            new Act.Place(bare(program)));
        }

        private void settings(Device computer) {
            Map<Ref, String> whys = new HashMap<>();
            for (ComputerReport.Line line : ComputerReport.of(fullest, survey, computer).lines())
                whys.put(line.knob().ref(), line.why());
            Set<Ref> listed = new HashSet<>();
            for (ComputerReport.Line line : ComputerReport.of(scene, survey, computer).lines()) {
                KnobUse use = line.knob();
                if (use.knob().role() == Knob.Role.FACT) continue;
                listed.add(use.ref());
                clicks(computer, line.where(), use, whys.getOrDefault(use.ref(), line.why()));
            }
            // what stands as it comes, and was left otherwise
            for (String id : show.rig().goingWith(computer))
                for (Device owner : survey.device(id).stream().toList())
                    for (KnobUse use : turned(owner))
                        if (!listed.contains(use.ref())) clicks(computer, owner.name(), use, "");
        }

        private void clicks(Device computer, String where, KnobUse use, String why) {
            Device owner = survey.device(use.ref().device()).orElseThrow();
            List<String> after = new ArrayList<>(plugged(computer));
            after.add("place/" + owner.id());
            add(
                    "set/" + use.ref(),
                    Part.COMPUTERS,
                    computer,
                    "%s, %s: %s to %s."
                            .formatted(
                                    computer.name(),
                                    where,
                                    use.knob().label(),
                                    use.say(stands(use))),
                    why,
                    Pace.CLICKS,
                    after,
                    set(List.of(use)));
        }

        private void ready(Device service) {
            add(
                    "place/" + service.id(),
                    Part.COMPUTERS,
                    service,
                    "%s: ready.".formatted(service.name()),
                    "",
                    Pace.PROGRAM,
                    List.of(),
                    new Act.Place(bare(service)));
        }

        // Out

        private void going() {
            for (GoingSheet.Section section : GoingSheet.of(proof).sections().subList(0, 2))
                for (GoingSheet.Row row : section.rows()) {
                    String id = "going/" + row.name();
                    if (!said.add(id)) continue;
                    steps.add(
                            new Step(
                                    id,
                                    Part.GOING,
                                    "",
                                    "",
                                    "",
                                    "%s: %s.".formatted(row.name(), row.words()),
                                    "",
                                    Pace.GOING,
                                    List.of(),
                                    new Act.Nothing()));
                }
        }

        private void loud(Device device) {
            knobs(device);
            List<String> after = new ArrayList<>();
            for (Step step : steps)
                if (step.part() != Part.GOING && step.who().isEmpty()) after.add(step.id());
            add(
                    "loud/" + device.id(),
                    Part.LOUD,
                    device,
                    "%s: on, and up slowly while somebody in the room listens."
                            .formatted(device.name()),
                    why(
                            live.graph().legs().stream()
                                    .filter(leg -> leg.kind() == Leg.Kind.AIR)
                                    .filter(leg -> leg.from().device().equals(device.id()))
                                    .toList()),
                    Pace.LOUD,
                    after,
                    new Act.Nothing());
        }
    }
}
