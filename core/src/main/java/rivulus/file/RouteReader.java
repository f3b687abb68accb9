package rivulus.file;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Air;
import rivulus.gear.Band;
import rivulus.gear.Canceller;
import rivulus.gear.ChannelMap;
import rivulus.gear.Delay;
import rivulus.gear.Endpoint;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Point;
import rivulus.gear.Port;
import rivulus.gear.Route;

/// Reads where sound goes in a template: routes, endpoints, ends that meet air, and air itself.
final class RouteReader {
    /// How far a machine's own loudspeaker is from its microphone where nothing is said.
    private static final double OWN_M = 0.3;

    /// What a small electret capsule has ~.
    private static final double NOISE_DBA = 28;

    private static final double MOST_SPL = 120;

    private final Entry root;
    private final Repeat repeat;
    private final Map<String, Point> points;
    private final Map<String, Knob> knobs;
    private final ProcessorReader processors;
    private final Set<String> governing;

    /// @param governing the ids of knobs that govern something are added to it
    RouteReader(
            Entry root,
            Repeat repeat,
            Map<String, Point> points,
            Map<String, Knob> knobs,
            ProcessorReader processors,
            Set<String> governing) {
        this.root = root;
        this.repeat = repeat;
        this.points = points;
        this.knobs = knobs;
        this.processors = processors;
        this.governing = governing;
    }

    /// The point that a field names.
    Point point(Entry name) throws FileTrouble {
        Point point = points.get(name.text());
        if (point == null) throw name.unknown("point", name.text(), points.keySet());
        return point;
    }

    List<Route> routes() throws FileTrouble {
        List<Route> routes = new ArrayList<>();
        for (Entry item : repeat.items(root, "routes")) {
            Point from = point(item.field("from"));
            Point to = point(item.field("to"));
            if (from.equals(to))
                throw item.trouble("this route leads from \"%s\" to itself", from.id());
            List<Governor> governors = KnobReader.governors(item, knobs, governing);
            for (Governor governor : governors)
                for (String port : governor.whileUsed())
                    if (!points.containsKey(port + ".in") && !points.containsKey(port + ".out"))
                        throw item.field("knobs").trouble("there is no port \"%s\"", port);
            routes.add(
                    new Route(
                            from.id(),
                            to.id(),
                            item.number("gainDb", -120, 80, 0),
                            delay(item),
                            band(item),
                            item.texts("marks"),
                            channelMap(item, from, to),
                            processors.chain(item),
                            governors));
            item.nothingElse();
        }
        return routes;
    }

    static Delay delay(Entry item) throws FileTrouble {
        Optional<Entry> field = item.maybe("delayMs");
        if (field.isEmpty()) return Delay.NONE;
        Entry delay = field.get();
        if (delay.isNumber()) return Delay.exactly(delay.number(0, Delay.LONGEST_MS));
        double typical = delay.field("typical").number(0, Delay.LONGEST_MS);
        double min = delay.number("min", 0, Delay.LONGEST_MS, typical);
        double max = delay.number("max", 0, Delay.LONGEST_MS, typical);
        delay.nothingElse();
        if (min > typical || typical > max) throw delay.trouble("min ≤ typical ≤ max should hold");
        return new Delay(typical, min, max);
    }

    private static Band band(Entry item) throws FileTrouble {
        Optional<Entry> band = item.maybe("band");
        if (band.isEmpty()) return Band.OPEN;
        double low = band.get().number("lowHz", 0, 20_000, 0);
        double high = band.get().number("highHz", 0, 20_000, 20_000);
        band.get().nothingElse();
        if (low >= high) throw band.get().trouble("the low edge should lie under the high one");
        return new Band(low, high);
    }

    private static List<ChannelMap> channelMap(Entry item, Point from, Point to)
            throws FileTrouble {
        List<ChannelMap> map = new ArrayList<>();
        for (Entry channel : item.items("map")) {
            map.add(
                    new ChannelMap(
                            channel.field("from").whole(0, from.channels() - 1),
                            channel.field("to").whole(0, to.channels() - 1),
                            channel.number("gainDb", -120, 40, 0)));
            channel.nothingElse();
        }
        return map;
    }

    List<Endpoint> endpoints(List<Port> ports) throws FileTrouble {
        List<Endpoint> endpoints = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        List<String> portIds = ports.stream().map(Port::id).toList();
        for (Entry item : repeat.items(root, "endpoints")) {
            TemplateReader.once(seen, item, "endpoint");
            Optional<Entry> port = item.maybe("port");
            if (port.isPresent() && !portIds.contains(port.get().text())) {
                throw port.get().unknown("port", port.get().text(), portIds);
            }
            Optional<String> plays = pointIn(item, "plays");
            Optional<String> hears = pointIn(item, "hears");
            if (plays.isEmpty() && hears.isEmpty())
                throw item.trouble("an endpoint plays or hears, or both");
            endpoints.add(
                    new Endpoint(
                            item.text("id"),
                            item.text("label"),
                            textOf(port),
                            plays,
                            hears,
                            textOf(item.maybe("within"))));
            item.nothingElse();
        }
        wholesExist(endpoints);
        return endpoints;
    }

    /// What endpoints are channels of are endpoints that are whole.
    private void wholesExist(List<Endpoint> endpoints) throws FileTrouble {
        List<String> wholes =
                endpoints.stream().filter(e -> e.within().isEmpty()).map(Endpoint::id).toList();
        for (Entry item : repeat.items(root, "endpoints")) {
            Optional<Entry> within = item.maybe("within");
            if (within.isPresent()) within.get().oneOf("whole endpoint", wholes);
        }
    }

    private static Optional<String> textOf(Optional<Entry> entry) throws FileTrouble {
        return entry.isPresent() ? Optional.of(entry.get().text()) : Optional.empty();
    }

    private Optional<String> pointIn(Entry item, String field) throws FileTrouble {
        Optional<Entry> name = item.maybe(field);
        return name.isPresent() ? Optional.of(point(name.get()).id()) : Optional.empty();
    }

    List<AcousticEnd> ends() throws FileTrouble {
        List<AcousticEnd> ends = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : repeat.items(root, "ends")) {
            TemplateReader.once(seen, item, "end");
            double workedAt = item.number("workedAtM", 0.01, 20, 1);
            ends.add(
                    new AcousticEnd(
                            item.text("id"),
                            item.field("kind")
                                    .word(
                                            Map.of(
                                                    "mouth", AcousticEnd.Kind.MOUTH,
                                                    "loudspeaker", AcousticEnd.Kind.LOUDSPEAKER,
                                                    "microphone", AcousticEnd.Kind.MICROPHONE,
                                                    "ear", AcousticEnd.Kind.EAR,
                                                    "worn", AcousticEnd.Kind.WORN)),
                            point(item.field("point")).id(),
                            item.number("loudDb", -40, 60, 0),
                            item.number("hearsDb", -60, 60, 20 * Math.log10(workedAt)),
                            workedAt,
                            item.number("ownM", 0.01, 20, OWN_M),
                            item.number("rejectsDb", 0, 60, 0),
                            item.number("isolatesDb", 0, 60, 0),
                            item.number("mvPerPa", 0.05, 500, Double.NaN),
                            item.number("noiseDba", -10, 60, NOISE_DBA),
                            item.number("mostSpl", 80, 180, MOST_SPL)));
            item.nothingElse();
        }
        return ends;
    }

    List<Canceller> cancellers() throws FileTrouble {
        List<Canceller> cancellers = new ArrayList<>();
        for (Entry item : root.items("cancels")) {
            Entry knob = item.field("knob");
            if (!(knobs.get(knob.text()) instanceof Knob.Switch))
                throw knob.unknown("switch", knob.text(), switches());
            governing.add(knob.text());
            cancellers.add(
                    new Canceller(
                            point(item.field("plays")).id(),
                            point(item.field("hears")).id(),
                            knob.text(),
                            item.field("db").number(1, 120)));
            item.nothingElse();
        }
        return cancellers;
    }

    private List<String> switches() {
        return knobs.values().stream().filter(Knob.Switch.class::isInstance).map(Knob::id).toList();
    }

    static Air air(Entry air) throws FileTrouble {
        Map<String, Double> words = new LinkedHashMap<>();
        for (var word : air.field("words").each().entrySet()) {
            words.put(word.getKey(), word.getValue().number(0.005, 200));
        }
        Entry otherwise = air.field("otherwise");
        if (!words.containsKey(otherwise.text()))
            throw otherwise.unknown("distance", otherwise.text(), words.keySet());
        double critical = air.number("criticalDistanceM", 0.05, 100, 1);
        double temperature = air.number("temperatureC", -40, 60, 20);
        double noise = air.number("noiseDba", 0, 90, 35);
        air.nothingElse();
        return new Air(critical, temperature, words, otherwise.text(), noise);
    }
}
