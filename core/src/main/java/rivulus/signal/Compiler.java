package rivulus.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Stream;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Band;
import rivulus.gear.Catalogue;
import rivulus.gear.Chain;
import rivulus.gear.ChannelMap;
import rivulus.gear.Delay;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Picker;
import rivulus.gear.Point;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Mix;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Words;

/// Turns a show into its [SignalGraph]. The show must have been read or built soundly: every id it
/// names exists.
public final class Compiler {
    private final Show show;
    private final Catalogue catalogue;
    private final Endpoints endpoints;
    private final List<Node> nodes = new ArrayList<>();
    private final List<Leg> legs = new ArrayList<>();
    private final List<KnobUse> knobs = new ArrayList<>();
    private final Map<Ref, Integer> knobIndex = new HashMap<>();
    private final Map<Ref, int[]> pointNodes = new LinkedHashMap<>();
    private final List<OwnSound> apart;

    private Compiler(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = catalogue;
        endpoints = new Endpoints(show, catalogue);
        apart = OwnSound.of(show, catalogue, endpoints);
    }

    /// Compiles a show whose templates are in the catalogue.
    ///
    /// @throws IllegalArgumentException if a device's template is not in the catalogue
    public static SignalGraph compile(Show show, Catalogue catalogue) {
        Catalogue all = show.kinds(catalogue);
        return new Compiler(show, all).graph();
    }

    private SignalGraph graph() {
        for (Person person : show.cast().people())
            addPoints(person.id(), person.name(), catalogue.get(Catalogue.PERSON));
        for (Device device : show.rig().devices())
            addPoints(device.id(), device.name(), template(device));
        for (OwnSound own : apart) addPoints(own);
        for (Device device : show.rig().devices()) {
            addKnobs(device);
            addPickerKnobs(device);
        }
        for (Device device : show.rig().devices()) addRoutes(device);
        for (Cable cable : show.rig().cables()) addCable(cable);
        for (Device device : show.rig().devices()) addPicks(device);
        for (Playback playback : show.cast().playback()) addMade(playback);
        new Rooms(show, catalogue).into(this::addAir);
        for (Device device : show.rig().devices()) addWorn(device);
        SequencedMap<String, int[]> sources = sourceNodes();
        return new SignalGraph(nodes, legs, knobs, knobIndex, pointNodes, sources, earNodes());
    }

    private Template template(Device device) {
        return catalogue.get(device.template());
    }

    private void addPoints(String id, String name, Template template) {
        for (Point point : template.points()) {
            addPoint(new Ref(id, point.id()), point.channels(), name, point.label());
        }
    }

    private void addPoint(Ref ref, int width, String name, String label) {
        int[] channels = new int[width];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = nodes.size();
            nodes.add(new Node(nodes.size(), ref, name, label, c));
        }
        pointNodes.put(ref, channels);
    }

    private void addPoints(OwnSound own) {
        for (Ref point : own.points()) {
            int[] of = pointNodes.get(point);
            Node like = nodes.get(of[0]);
            addPoint(own.at(point), of.length, like.device(), like.label());
        }
    }

    private void addKnobs(Device device) {
        Template template = template(device);
        List<Link> links = device.layout().standing(template.desk());
        List<Knob> following = new ArrayList<>();
        for (Knob knob : template.knobs())
            if (leading(template, knob, links).isPresent()) following.add(knob);
            else addKnob(device, knob);
        for (Knob knob : following)
            knobIndex.put(
                    new Ref(device.id(), knob.id()),
                    knobIndex.get(
                            new Ref(device.id(), leading(template, knob, links).orElseThrow())));
    }

    /// The knob that one goes by, where its channel is the right side of a pair.
    private static Optional<String> leading(Template template, Knob knob, List<Link> links) {
        boolean own = links.isEmpty() || Link.OWN.contains(knob.role()) || template.isPhantom(knob);
        if (own) return Optional.empty();
        return links.stream()
                .flatMap(link -> link.leading(knob.id()).stream())
                .filter(id -> template.knob(id).isPresent())
                .findFirst();
    }

    private void addKnob(Device device, Knob knob) {
        Ref ref = new Ref(device.id(), knob.id());
        knobIndex.put(ref, knobs.size());
        knobs.add(new KnobUse(ref, device.name(), knob));
    }

    /// A leg, and beside it those of the sounds that are told apart.
    private void addLeg(
            Leg.Kind kind,
            Ref from,
            Ref to,
            double gainDb,
            Delay delay,
            Band band,
            List<String> marks,
            List<ChannelMap> map,
            Processing processing,
            List<Leg.Govern> governors) {
        List<ChannelMap> channels =
                map.isEmpty()
                        ? ChannelMap.usual(pointNodes.get(from).length, pointNodes.get(to).length)
                        : map;
        Leg leg =
                new Leg(
                        0,
                        kind,
                        from,
                        to,
                        gainDb,
                        delay,
                        band,
                        marks,
                        channels,
                        processing,
                        governors);
        Ref onward = to;
        for (OwnSound own : apart) if (own.leaves(from)) onward = own.at(to);
        legs.add(leg.between(legs.size(), from, onward, governors));
        for (OwnSound own : apart) {
            if (!own.points().contains(from)) continue;
            List<Leg.Govern> all =
                    own.returns(to)
                            ? and(governors, List.of(govern(own.knob(), own.governor())))
                            : governors;
            legs.add(leg.between(legs.size(), own.at(from), own.at(to), all));
        }
    }

    /// A stretch that changes nothing.
    private void addPlain(Leg.Kind kind, Ref from, Ref to) {
        addPlain(kind, from, to, 0);
    }

    /// A stretch that changes nothing but the level.
    private void addPlain(Leg.Kind kind, Ref from, Ref to, double gainDb) {
        addLeg(
                kind,
                from,
                to,
                gainDb,
                Delay.NONE,
                Band.OPEN,
                List.of(),
                List.of(),
                Processing.NONE,
                List.of());
    }

    private void addRoutes(Device device) {
        List<Link> links = device.layout().standing(template(device).desk());
        for (Route route : template(device).routes()) {
            List<Leg.Govern> governors = governors(device, route.governors());
            addLeg(
                    Leg.Kind.ROUTE,
                    new Ref(device.id(), route.from()),
                    new Ref(device.id(), route.to()),
                    route.gainDb(),
                    route.delay(),
                    route.band(),
                    route.marks(),
                    sides(device, route, links),
                    processing(device, route.chain()),
                    governors);
        }
    }

    /// How the channels of a route go on: a channel of a linked pair goes to its own side of what
    /// has two, unless that is its own alone or the route says otherwise.
    private List<ChannelMap> sides(Device device, Route route, List<Link> links) {
        if (!route.map().isEmpty()) return route.map();
        boolean widens =
                pointNodes.get(new Ref(device.id(), route.from())).length == 1
                        && pointNodes.get(new Ref(device.id(), route.to())).length == 2;
        for (Link link : links)
            if (widens && link.has(route.from()) && !link.has(route.to()))
                return List.of(new ChannelMap(0, link.isSecond(route.from()) ? 1 : 0, 0));
        return route.map();
    }

    private Processing processing(Device device, Chain chain) {
        return Processing.of(chain, knob -> knobIndex.get(new Ref(device.id(), knob)));
    }

    private List<Leg.Govern> governors(Device device, List<Governor> governors) {
        List<Leg.Govern> known = new ArrayList<>();
        for (Governor governor : governors)
            if (governor.whileUsed().isEmpty() || isUsed(device, governor.whileUsed()))
                known.add(govern(new Ref(device.id(), governor.knob()), governor));
        return known;
    }

    private boolean isUsed(Device device, Set<String> ports) {
        return show.rig().cables().stream()
                .flatMap(cable -> Stream.of(cable.from(), cable.to()))
                .anyMatch(end -> end.device().equals(device.id()) && ports.contains(end.name()));
    }

    private Leg.Govern govern(Ref knob, Governor governor) {
        return new Leg.Govern(knobIndex.get(knob), governor);
    }

    private void addCable(Cable cable) {
        Port from = port(cable.from());
        Port to = port(cable.to());
        addLead(cable.from().device(), from, cable.to().device(), to);
        addLead(cable.to().device(), to, cable.from().device(), from);
    }

    private void addLead(String giver, Port gives, String taker, Port takes) {
        if (gives.gives() == 0 || takes.takes() == 0) return;
        Ref from = new Ref(giver, gives.outPoint());
        Ref to = new Ref(taker, takes.inPoint());
        addPlain(Leg.Kind.CABLE, from, to);
    }

    private Port port(Ref ref) {
        Device device = show.rig().device(ref.device()).orElseThrow();
        return template(device).port(ref.name()).orElseThrow();
    }

    // Endpoints and picks

    private void addPickerKnobs(Device device) {
        Optional<Device> computer = endpoints.of(device);
        for (Picker picker : template(device).pickers()) {
            List<Knob.Option> options = new ArrayList<>();
            for (Picker.Standard standard : Picker.Standard.values()) {
                boolean there =
                        standard.isAbove(picker.standard())
                                && computer.map(c -> has(c, standard)).orElse(false);
                if (there) options.add(new Knob.Option(standard.word(), standard.words()));
            }
            options.add(new Knob.Option(Picker.NONE, "nothing"));
            for (Endpoints.Shown shown : computer.map(endpoints::on).orElse(List.of())) {
                if (shown.side(picker).isEmpty()) continue;
                boolean own = shown.device().equals(computer.get().id());
                options.add(
                        new Knob.Option(
                                shown.key(),
                                own
                                        ? shown.endpoint().label()
                                        : Words.part(
                                                shown.deviceName(), shown.endpoint().label())));
            }
            addKnob(
                    device,
                    new Knob.Choice(
                            picker.id(),
                            picker.label(),
                            Knob.Role.DEVICE,
                            2,
                            options,
                            new Setting.Choice(picker.standing()),
                            gone(device, picker)));
        }
    }

    /// What is picked though it is not there to be picked, in words: "Cue laptop line in, which is
    /// not joined to it".
    private Optional<Knob.Option> gone(Device device, Picker picker) {
        Setting set = device.knobs().get(picker.id());
        int slash = set == null ? -1 : set.word().indexOf('/');
        if (slash < 0) return Optional.empty();
        String endpoint = set.word().substring(slash + 1);
        return show.rig()
                .device(set.word().substring(0, slash))
                .map(
                        other ->
                                new Knob.Option(
                                        set.word(),
                                        template(other).endpoints().stream()
                                                        .filter(e -> e.id().equals(endpoint))
                                                        .map(
                                                                e ->
                                                                        Words.part(
                                                                                other.name(),
                                                                                e.label()))
                                                        .findFirst()
                                                        .orElse(other.name())
                                                + ", which is not joined to it"));
    }

    private void addPicks(Device device) {
        Optional<Device> computer = endpoints.of(device);
        if (computer.isEmpty()) return;
        for (Picker picker : template(device).pickers()) {
            int knob = knobIndex.get(new Ref(device.id(), picker.id()));
            Ref point = new Ref(device.id(), picker.point());
            for (Endpoints.Shown shown : endpoints.on(computer.get())) {
                Optional<Ref> side = shown.side(picker);
                if (side.isEmpty()) continue;
                Ref from = picker.picks() == Picker.Picks.OUTPUT ? point : side.get();
                Ref to = picker.picks() == Picker.Picks.OUTPUT ? side.get() : point;
                List<Leg.Govern> own = governors(device, picker.governors());
                addPick(from, to, picker.delay(), and(own, List.of(pick(knob, shown.key()))));
                for (List<Leg.Govern> followed : following(computer.get(), picker, knob, shown))
                    addPick(from, to, picker.delay(), and(own, followed));
            }
        }
    }

    /// The ways in which a picker can follow the computer's own picks to an endpoint: the default,
    /// the default for calls, and the latter where it follows the former.
    private List<List<Leg.Govern>> following(
            Device computer, Picker picker, int knob, Endpoints.Shown shown) {
        List<List<Leg.Govern>> ways = new ArrayList<>();
        for (Picker standard : standardsOf(computer, picker.picks())) {
            if (!standard.standard().isAbove(picker.standard())) continue;
            if (!standard.sees(shown.endpoint())) continue;
            int followed = knobIndex.get(new Ref(computer.id(), standard.id()));
            List<Leg.Govern> follows = List.of(pick(knob, standard.standard().word()));
            ways.add(and(follows, List.of(pick(followed, shown.key()))));
            for (List<Leg.Govern> on : following(computer, standard, followed, shown))
                ways.add(and(follows, on));
        }
        return ways;
    }

    private void addPick(Ref from, Ref to, Delay delay, List<Leg.Govern> governors) {
        List<String> marks = List.of("buffer");
        addLeg(
                Leg.Kind.PICK,
                from,
                to,
                0,
                delay,
                Band.OPEN,
                marks,
                List.of(),
                Processing.NONE,
                governors);
    }

    private static List<Leg.Govern> and(List<Leg.Govern> some, List<Leg.Govern> more) {
        return Stream.concat(more.stream(), some.stream()).toList();
    }

    private static Leg.Govern pick(int knob, String option) {
        return new Leg.Govern(
                knob, new Governor("", Map.of(option, 0.0), Double.NEGATIVE_INFINITY));
    }

    /// The computer's own picks that others may follow on that side.
    private List<Picker> standardsOf(Device computer, Picker.Picks picks) {
        Picker.Picks side = picks == Picker.Picks.INPUT ? Picker.Picks.INPUT : Picker.Picks.OUTPUT;
        return template(computer).pickers().stream()
                .filter(p -> p.isStandard() && p.picks() == side)
                .toList();
    }

    private boolean has(Device computer, Picker.Standard standard) {
        return template(computer).pickers().stream().anyMatch(p -> p.standard() == standard);
    }

    // Air and ears

    private void addAir(Ref from, Ref to, double db, Delay delay) {
        addLeg(
                Leg.Kind.AIR,
                from,
                to,
                db,
                delay,
                Band.OPEN,
                List.of(),
                List.of(),
                Processing.NONE,
                List.of());
    }

    private void addWorn(Device device) {
        if (device.worn().isEmpty()) return;
        Ref ear = new Ref(device.worn(), "worn");
        for (AcousticEnd end : template(device).ends()) {
            if (end.kind() != AcousticEnd.Kind.WORN) continue;
            Ref point = new Ref(device.id(), end.point());
            addPlain(Leg.Kind.WORN, point, ear);
        }
    }

    // Sources and ears

    private SequencedMap<String, int[]> sourceNodes() {
        SequencedMap<String, int[]> sources = new LinkedHashMap<>();
        for (Person person : show.cast().people()) {
            if (person.speaks())
                sources.put(person.id(), pointNodes.get(new Ref(person.id(), "mouth")));
        }
        for (Playback playback : show.cast().playback())
            sources.put(
                    playback.id(),
                    pointNodes.containsKey(made(playback))
                            ? pointNodes.get(made(playback))
                            : playback.at()
                                    .map(pointNodes::get)
                                    .orElseGet(() -> unplayed(playback)));
        return sources;
    }

    /// Where what is played comes from, if it was made louder or softer than a voice at nominal.
    private static Ref made(Playback playback) {
        return new Ref(playback.id(), "made");
    }

    private void addMade(Playback playback) {
        if (playback.overNominalDb() == 0 || playback.at().isEmpty()) return;
        Ref to = playback.at().get();
        addPoint(made(playback), pointNodes.get(to).length, playback.name(), "as it was made");
        addPlain(Leg.Kind.ROUTE, made(playback), to, playback.overNominalDb());
    }

    /// A node from which nothing goes.
    private int[] unplayed(Playback playback) {
        Ref nowhere = new Ref(playback.id(), "nowhere");
        nodes.add(new Node(nodes.size(), nowhere, playback.name(), "", 0));
        return new int[] {nodes.size() - 1};
    }

    private SequencedMap<String, SignalGraph.EarNodes> earNodes() {
        SequencedMap<String, SignalGraph.EarNodes> ears = new LinkedHashMap<>();
        for (Ear ear : show.ears()) ears.put(ear.id(), earNodes(whole(listensAt(ear))));
        for (Mix mix : show.mixes())
            if (pointNodes.containsKey(mix.at()))
                ears.put(mix.ear(), earNodes(whole(List.of(mix.at()))));
        return ears;
    }

    /// Points, with those beside them of sounds that are told apart.
    private List<Ref> whole(List<Ref> points) {
        List<Ref> whole = new ArrayList<>(points);
        for (OwnSound own : apart)
            for (Ref point : points) if (own.points().contains(point)) whole.add(own.at(point));
        return whole;
    }

    /// A person's own ears where nothing is said; whatever else listens nowhere yet.
    private static List<Ref> listensAt(Ear ear) {
        boolean own = ear.at().isEmpty() && ear.kind() == Ear.Kind.PERSON;
        return own ? List.of(new Ref(ear.of(), "worn"), new Ref(ear.of(), "open")) : ear.at();
    }

    private SignalGraph.EarNodes earNodes(List<Ref> points) {
        int width = points.stream().mapToInt(p -> pointNodes.get(p).length).max().orElse(1);
        List<int[]> channels = new ArrayList<>();
        List<boolean[]> open = new ArrayList<>();
        for (int c = 0; c < width; c++) {
            int[] heard = new int[points.size()];
            boolean[] byAir = new boolean[points.size()];
            for (int p = 0; p < heard.length; p++) {
                int[] of = pointNodes.get(points.get(p));
                heard[p] = of[Math.min(c, of.length - 1)];
                byAir[p] =
                        show.cast().person(points.get(p).device()).isPresent()
                                && points.get(p).name().equals("open");
            }
            channels.add(heard);
            open.add(byAir);
        }
        return new SignalGraph.EarNodes(channels, open);
    }
}
