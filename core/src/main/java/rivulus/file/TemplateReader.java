package rivulus.file;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Air;
import rivulus.gear.Canceller;
import rivulus.gear.Catalogue;
import rivulus.gear.Clock;
import rivulus.gear.Desk;
import rivulus.gear.Endpoint;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.PictureFormat;
import rivulus.gear.PictureRoute;
import rivulus.gear.Point;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Route;
import rivulus.gear.Template;

/// Reads a device template and refuses it, with the place and what would be right, where it does
/// not hold together: a route to nowhere, a knob that governs nothing, a doubled id, a misspelt
/// field. docs/template-file.md describes the language.
final class TemplateReader {
    private static final int MOST_CHANNELS = 20_000;
    private static final int MOST_STRETCHES = 60_000;

    private final Entry root;
    private final Repeat repeat;
    private final Map<String, Point> points = new LinkedHashMap<>();
    private final Map<String, Knob> knobs = new LinkedHashMap<>();
    private final Map<String, List<String>> formerly = new HashMap<>();
    private final Set<String> governing = new HashSet<>();

    private TemplateReader(Entry root) throws FileTrouble {
        this.root = root;
        this.repeat = Repeat.lists(root);
    }

    /// Reads one template.
    static Template read(Entry root) throws FileTrouble {
        return new TemplateReader(root).template();
    }

    private Template template() throws FileTrouble {
        String id = root.field("template").id();
        GearKind kind = root.field("kind").word("kind of gear", GearKind.class);
        String name = root.name("name", id);
        String about = root.text("about", "");
        root.text("$schema", "");
        List<Port> ports = ports();
        readPoints();
        readKnobs();
        List<Entry> processing = repeat.items(root, "processors");
        ProcessorReader processors = new ProcessorReader(knobs, governing);
        processors.read(processing);
        RouteReader sound = new RouteReader(root, repeat, points, knobs, processors, governing);
        List<Picker> pickers = pickers(sound);
        List<Route> routes = sound.routes();
        processors.allStand(processing);
        Clock clock = clock(ports);
        phantomKnobsExist(ports);
        pictureKnobsExist(ports);
        List<Endpoint> endpoints = sound.endpoints(ports);
        List<AcousticEnd> ends = sound.ends();
        ports = Sensed.ports(root, ports, routes, ends);
        List<Canceller> cancellers = sound.cancellers();
        knobsGovern();
        Optional<Entry> air = root.maybe("air");
        Optional<Air> carries =
                air.isPresent() ? Optional.of(RouteReader.air(air.get())) : Optional.empty();
        List<PictureRoute> pictures = pictures(ports, endpoints, pickers);
        List<String> soloOn = new ArrayList<>();
        for (Entry port : root.items("soloOn")) soloOn.add(port.oneOf("port", ids(ports)));
        Desk desk = DeskReader.read(root, repeat, knobs);
        Power power = power(kind);
        root.nothingElse();
        Template template =
                new Template(
                        id,
                        name,
                        kind,
                        about,
                        ports,
                        List.copyOf(points.values()),
                        routes,
                        List.copyOf(knobs.values()),
                        endpoints,
                        pickers,
                        ends,
                        cancellers,
                        formerly,
                        carries,
                        clock,
                        pictures,
                        soloOn,
                        desk,
                        power);
        isWhatItMustBe(template);
        isBearable(template);
        return template;
    }

    /// What every show relies on: people have a mouth and ears.
    private void isWhatItMustBe(Template template) throws FileTrouble {
        if (!template.id().equals(Catalogue.PERSON)) return;
        for (String point : List.of("mouth", "worn", "open"))
            if (template.point(point).isEmpty())
                throw root.field("template")
                        .trouble(
                                "\"%s\" is what people are made of and needs a point \"%s\"; use another id",
                                Catalogue.PERSON, point);
    }

    /// What a template may come to, written out.
    private void isBearable(Template template) throws FileTrouble {
        long channels = template.points().stream().mapToLong(Point::channels).sum();
        if (channels > MOST_CHANNELS)
            throw root.trouble(
                    "the points of this kind have %d channels; at most %d are possible",
                    channels, MOST_CHANNELS);
        Map<String, Integer> width = new HashMap<>();
        template.points().forEach(p -> width.put(p.id(), p.channels()));
        long stretches = 0;
        for (Route route : template.routes())
            stretches +=
                    route.map().isEmpty()
                            ? Math.max(width.get(route.from()), width.get(route.to()))
                            : route.map().size();
        if (stretches > MOST_STRETCHES)
            throw root.trouble(
                    "the routes of this kind have %d channels; at most %d are possible",
                    stretches, MOST_STRETCHES);
    }

    static void once(Set<String> seen, Entry item, String what) throws FileTrouble {
        Entry id = item.field("id");
        if (!seen.add(id.id()))
            throw id.trouble("there are two %ss \"%s\"; an id may be used once", what, id.text());
    }

    private List<Port> ports() throws FileTrouble {
        List<Port> ports = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : repeat.items(root, "ports")) {
            once(seen, item, "port");
            Port port = PortReader.read(item);
            if (!port.electric().phantomKnob().isEmpty())
                governing.add(port.electric().phantomKnob());
            ports.add(port);
            if (port.takes() > 0)
                points.put(port.inPoint(), new Point(port.inPoint(), port.label(), port.takes()));
            if (port.gives() > 0)
                points.put(port.outPoint(), new Point(port.outPoint(), port.label(), port.gives()));
        }
        return ports;
    }

    private static List<String> ids(List<Port> ports) {
        return ports.stream().map(Port::id).toList();
    }

    private void pictureKnobsExist(List<Port> ports) throws FileTrouble {
        for (Port port : ports) {
            String name = port.pictureKnob();
            if (name.isEmpty()) continue;
            boolean formats =
                    knobs.get(name) instanceof Knob.Choice choice
                            && choice.options().stream()
                                    .allMatch(o -> PictureFormat.of(o.id()).isPresent());
            if (!formats)
                throw root.field("ports").unknown("choice of formats", name, knobs.keySet());
            governing.add(name);
        }
    }

    private void knobsGovern() throws FileTrouble {
        for (Entry knob : repeat.items(root, "knobs")) {
            if (!governing.contains(knob.text("id"))) {
                throw knob.trouble(
                        "the knob \"%s\" governs no route; name it in a route's \"knobs\"",
                        knob.text("id"));
            }
        }
    }

    private Clock clock(List<Port> ports) throws FileTrouble {
        Optional<Entry> said = root.maybe("clock");
        if (said.isEmpty()) return Clock.NONE;
        Entry clock = said.get();
        List<Integer> rates = new ArrayList<>();
        for (Entry rate : clock.field("rates").items()) rates.add(rate.whole(8_000, 384_000));
        if (rates.isEmpty()) throw clock.field("rates").trouble("name at least one rate in Hz");
        List<String> converts = new ArrayList<>();
        for (Entry port : clock.items("converts")) converts.add(port.oneOf("port", ids(ports)));
        Clock read =
                new Clock(
                        rates,
                        choice(clock, "rateKnob", rates.stream().map(String::valueOf).toList()),
                        choice(
                                clock,
                                "clockKnob",
                                Stream.concat(
                                                Stream.of(Clock.INTERNAL),
                                                ports.stream().map(Port::id))
                                        .toList()),
                        clock.truth("oneOnly", false),
                        converts);
        clock.nothingElse();
        return read;
    }

    /// A knob that a field names and that governs more than routes: a choice whose options are all
    /// among those words.
    private String choice(Entry item, String field, List<String> words) throws FileTrouble {
        Optional<Entry> name = item.maybe(field);
        if (name.isEmpty()) return "";
        if (!(knobs.get(name.get().text()) instanceof Knob.Choice choice))
            throw name.get().unknown("choice", name.get().text(), knobs.keySet());
        for (Knob.Option option : choice.options())
            if (!words.contains(option.id()))
                throw name.get().unknown("option for this knob", option.id(), words);
        governing.add(choice.id());
        return choice.id();
    }

    private List<PictureRoute> pictures(
            List<Port> ports, List<Endpoint> endpoints, List<Picker> pickers) throws FileTrouble {
        Set<String> from = new LinkedHashSet<>(List.of(PictureRoute.LENS));
        Set<String> to = new LinkedHashSet<>(List.of(PictureRoute.AIR));
        for (Port port : ports) {
            from.add(port.id());
            to.add(port.id());
        }
        endpoints.forEach(endpoint -> to.add(endpoint.id()));
        pickers.forEach(picker -> from.add(picker.id()));
        List<PictureRoute> pictures = new ArrayList<>();
        for (Entry item : repeat.items(root, "pictures")) {
            pictures.add(
                    new PictureRoute(
                            item.field("from").oneOf("picture's beginning", from),
                            item.field("to").oneOf("picture's end", to),
                            RouteReader.delay(item)));
            item.nothingElse();
        }
        return pictures;
    }

    private void phantomKnobsExist(List<Port> ports) throws FileTrouble {
        for (Port port : ports) {
            String knob = port.electric().phantomKnob();
            if (!knob.isEmpty() && !(knobs.get(knob) instanceof Knob.Switch))
                throw root.field("ports").unknown("switch for phantom power", knob, knobs.keySet());
        }
    }

    private Power power(GearKind kind) throws FileTrouble {
        Optional<Entry> said = root.maybe("power");
        if (said.isEmpty())
            return kind == GearKind.COMPUTER
                    ? new Power(List.of(Power.Source.MAINS), true, 60, 0, false, 0)
                    : Power.NONE;
        List<Power.Source> from = new ArrayList<>();
        for (Entry item : said.get().field("from").items())
            from.add(item.word("kind of power", Power.Source.class));
        if (from.isEmpty()) throw said.get().field("from").trouble("name at least one");
        Power power =
                new Power(
                        from,
                        said.get().truth("earthed", false),
                        said.get().number("watts", 0, 5000, 0),
                        said.get().number("mostWatts", 0, 20_000, 0),
                        said.get().truth("joinsChassis", false),
                        said.get().number("batteryWh", 0, 5000, 0));
        said.get().nothingElse();
        return power;
    }

    private void readPoints() throws FileTrouble {
        for (Entry item : repeat.items(root, "points")) {
            Entry id = item.field("id");
            Point point =
                    new Point(id.id(), item.text("label", ""), item.whole("channels", 1, 64, 1));
            item.nothingElse();
            if (points.put(point.id(), point) != null) {
                throw id.trouble("there are two points \"%s\"; an id may be used once", point.id());
            }
        }
    }

    // Knobs

    private void readKnobs() throws FileTrouble {
        Set<String> seen = new HashSet<>();
        for (Entry item : repeat.items(root, "knobs")) {
            once(seen, item, "knob");
            Knob knob = KnobReader.read(item);
            Optional<Entry> was = item.maybe("was");
            if (was.isPresent())
                formerly.computeIfAbsent(was.get().id(), _ -> new ArrayList<>()).add(knob.id());
            item.nothingElse();
            if (!knob.takes(knob.standing())) {
                throw item.maybe("standing")
                        .orElse(item)
                        .trouble(
                                "\"%s\" cannot stand at %s; it takes %s",
                                knob.id(), knob.standing().word(), knob.range());
            }
            knobs.put(knob.id(), knob);
        }
        for (Entry item : repeat.items(root, "knobs")) {
            Optional<Entry> was = item.maybe("was");
            if (was.isPresent() && knobs.containsKey(was.get().text()))
                throw was.get()
                        .trouble(
                                "there is still a knob \"%s\", so nothing took its place",
                                was.get().text());
        }
    }

    private List<Picker> pickers(RouteReader sound) throws FileTrouble {
        List<Picker> pickers = new ArrayList<>();
        for (Entry item : repeat.items(root, "pickers")) {
            Entry id = item.field("id");
            if (knobs.containsKey(id.id())
                    || pickers.stream().anyMatch(p -> p.id().equals(idText(id)))) {
                throw id.trouble("there are two knobs \"%s\"; an id may be used once", id.text());
            }
            Picker.Standard standard = standard(item);
            pickers.add(
                    new Picker(
                            id.text(),
                            item.text("label"),
                            item.field("picks")
                                    .word(
                                            Map.of(
                                                    "output", Picker.Picks.OUTPUT,
                                                    "input", Picker.Picks.INPUT,
                                                    "desktop", Picker.Picks.DESKTOP)),
                            sound.point(item.field("point")).id(),
                            standard,
                            item.text(
                                    "standing",
                                    standard == Picker.Standard.DEFAULT
                                            ? Picker.NONE
                                            : Picker.DEFAULT),
                            RouteReader.delay(item),
                            item.truth("channels", false),
                            KnobReader.governors(item, knobs, governing)));
            item.nothingElse();
        }
        return pickers;
    }

    private static Picker.Standard standard(Entry item) throws FileTrouble {
        Optional<Entry> said = item.maybe("standard");
        if (said.isEmpty()) return Picker.Standard.NOT;
        return said.get()
                .word(
                        Map.of(
                                Picker.DEFAULT, Picker.Standard.DEFAULT,
                                Picker.COMMUNICATIONS, Picker.Standard.COMMUNICATIONS));
    }

    private static String idText(Entry id) {
        return id.json() instanceof Json.Text(var value, _) ? value : "";
    }
}
