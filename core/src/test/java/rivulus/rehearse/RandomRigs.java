package rivulus.rehearse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import rivulus.disk.Extras;
import rivulus.gear.Band;
import rivulus.gear.Catalogue;
import rivulus.gear.Chain;
import rivulus.gear.Clock;
import rivulus.gear.Delay;
import rivulus.gear.Desk;
import rivulus.gear.Electric;
import rivulus.gear.GearKind;
import rivulus.gear.Point;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Route;
import rivulus.gear.Signal;
import rivulus.gear.Speech;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Checks;
import rivulus.show.Day;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Occasion;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// Random rigs: a handful of made-up devices with random routes inside, joined by random leads,
/// with one source and one ear. Delays are whole multiples of four samples at 48 kHz, so that no
/// two arrivals fall into each other.
public final class RandomRigs {
    static final double RATE_HZ = 48_000;
    private static final double FOUR_SAMPLES_MS = 4 * 1000 / RATE_HZ;

    private RandomRigs() {}

    /// What a rig may have.
    public record Kind(boolean loops, boolean bands, double leastDb, double mostDb) {}

    /// Where much goes round, and some of it howls.
    public static final Kind LOOPED = new Kind(true, true, -14, 4);

    /// Where what goes round dies away.
    public static final Kind TAME = new Kind(true, false, -24, -3);

    public static Arbitrary<LiveGraph> of(Kind kind) {
        return Arbitraries.longs().map(seed -> rig(new Random(seed), kind));
    }

    private static LiveGraph rig(Random random, Kind kind) {
        int count = 2 + random.nextInt(5);
        List<Template> templates = new ArrayList<>();
        List<Device> devices = new ArrayList<>();
        for (int d = 0; d < count; d++) {
            templates.add(template("t" + d, random, kind));
            devices.add(Device.of("d" + d, "d" + d, "t" + d));
        }
        List<Cable> cables = new ArrayList<>();
        for (int c = 0; c < 2 * count; c++) {
            int from = random.nextInt(count);
            int to = random.nextInt(count);
            if (!kind.loops() && from >= to) continue;
            Ref out = new Ref("d" + from, random.nextBoolean() ? "a" : "b");
            Ref in = new Ref("d" + to, random.nextBoolean() ? "x" : "y");
            cables.add(Cable.of("c" + c, out, in));
        }
        Playback source =
                new Playback(
                        "s",
                        "s",
                        Playback.Kind.TONE,
                        Optional.of(new Ref("d0", "x.in")),
                        Speech.NOMINAL_LUFS,
                        List.of(),
                        Extras.NONE);
        List<Ref> at = List.of(new Ref("d" + (count - 1), "a.out"), new Ref("d1", "b.out"));
        Ear ear = new Ear("e", "e", Ear.Kind.STREAM, "", at, Extras.NONE);
        Show show =
                new Show(
                        "random",
                        Occasion.UNSAID,
                        new Cast(List.of(), List.of(source), Extras.NONE),
                        List.of(),
                        List.of(ear),
                        Rig.of(devices, cables),
                        Show.untitled().rundown(),
                        List.of(),
                        Checks.USUAL,
                        Day.AHEAD,
                        new LinkedHashMap<>(),
                        Extras.NONE);
        SignalGraph graph = Compiler.compile(show, Catalogue.of(templates));
        return LiveGraph.of(graph, Positions.of(graph, show, show.scenes().getFirst()));
    }

    /// Two ports in, two out, stereo or mono, a middle point, and random routes between them.
    private static Template template(String id, Random random, Kind kind) {
        List<Port> ports = new ArrayList<>();
        List<Point> points = new ArrayList<>();
        for (String in : List.of("x", "y")) {
            int channels = 1 + random.nextInt(2);
            ports.add(
                    new Port(
                            in,
                            "",
                            "plug",
                            Signal.LINE,
                            channels,
                            0,
                            false,
                            false,
                            Optional.empty(),
                            "",
                            Electric.usual(Signal.LINE, false, false)));
            points.add(new Point(in + ".in", "", channels));
        }
        for (String out : List.of("a", "b")) {
            int channels = 1 + random.nextInt(2);
            ports.add(
                    new Port(
                            out,
                            "",
                            "plug",
                            Signal.LINE,
                            0,
                            channels,
                            false,
                            false,
                            Optional.empty(),
                            "",
                            Electric.usual(Signal.LINE, false, true)));
            points.add(new Point(out + ".out", "", channels));
        }
        points.add(new Point("m", "", 2));
        List<Route> routes = new ArrayList<>();
        for (String in : List.of("x.in", "y.in")) {
            for (String to : List.of("m", "a.out", "b.out")) {
                if (random.nextInt(3) > 0) routes.add(route(in, to, random, kind));
            }
        }
        routes.add(route("m", "a.out", random, kind));
        if (random.nextBoolean()) routes.add(route("m", "b.out", random, kind));
        return new Template(
                id,
                id,
                GearKind.DESK,
                "",
                ports,
                points,
                routes,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Optional.empty(),
                Clock.NONE,
                List.of(),
                List.of(),
                Desk.PLAIN,
                Power.NONE);
    }

    private static Route route(String from, String to, Random random, Kind kind) {
        double db = kind.leastDb() + random.nextDouble() * (kind.mostDb() - kind.leastDb());
        double ms = (1 + random.nextInt(60)) * FOUR_SAMPLES_MS;
        boolean limited = kind.bands() && random.nextInt(3) == 0;
        Band band =
                limited
                        ? new Band(60 + random.nextInt(300), 3000 + random.nextInt(8000))
                        : Band.OPEN;
        return new Route(
                from, to, db, Delay.exactly(ms), band, List.of(), List.of(), Chain.NONE, List.of());
    }
}
