package rivulus.desk;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.gear.Point;
import rivulus.gear.Route;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Strip;
import rivulus.signal.Compiler;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// The channels of machines with faders, and what comes into each: what gets to the point before
/// its fader by its strongest way.
///
/// Costs one pass through the graph for each source, once.
public final class Channels {
    private final Show show;
    private final Function<Device, Template> kinds;
    private final LiveGraph live;
    private final Map<Template, Routes> routes = new IdentityHashMap<>();
    /// How loud each source comes to the point before each fader, in the order of `before`.
    private final Map<String, double[]> levels = new HashMap<>();
    private final Map<Ref, Integer> before = new LinkedHashMap<>();

    private Channels(Show show, Function<Device, Template> kinds, LiveGraph live) {
        this.show = show;
        this.kinds = kinds;
        this.live = live;
    }

    /// Channels in a state of a show.
    ///
    /// @param kinds what kind a device is
    public static Channels in(Show show, Function<Device, Template> kinds, LiveGraph live) {
        return new Channels(show, kinds, live);
    }

    /// Channels of a show as it stands, scenes aside.
    ///
    /// @param kinds every kind of gear, those of the show among them
    public static Channels of(Show show, Catalogue kinds) {
        SignalGraph graph = Compiler.compile(show, kinds);
        return in(
                show,
                device -> kinds.get(device.template()),
                LiveGraph.of(graph, Positions.of(graph, show, Scene.only())));
    }

    /// The channels of a machine, one for each fader; none where it has but one, which is a volume.
    public List<Channel> of(Device device) {
        Template kind = kinds.apply(device);
        if (kind.faders().size() < 2) return List.of();
        List<Channel> channels = new ArrayList<>();
        for (Knob knob : kind.faders()) at(device, kind, knob).ifPresent(channels::add);
        return channels;
    }

    /// The routes of a kind of gear, by the knobs on them and by where they come from.
    private record Routes(
            List<Route> all, Map<String, List<Route>> byKnob, Map<String, BitSet> byFrom) {
        static Routes of(Template kind) {
            Routes routes = new Routes(kind.routes(), new HashMap<>(), new HashMap<>());
            for (int r = 0; r < routes.all.size(); r++) {
                Route route = routes.all.get(r);
                routes.byFrom.computeIfAbsent(route.from(), _ -> new BitSet()).set(r);
                for (var governor : route.governors())
                    routes.byKnob
                            .computeIfAbsent(governor.knob(), _ -> new ArrayList<>())
                            .add(route);
            }
            return routes;
        }

        List<Route> by(Knob knob) {
            return byKnob.getOrDefault(knob.id(), List.of());
        }

        /// Those from any of some points, in the order of the kind.
        List<Route> from(Collection<String> points) {
            BitSet from = new BitSet();
            for (String point : points) if (byFrom.containsKey(point)) from.or(byFrom.get(point));
            return from.stream().mapToObj(all::get).toList();
        }
    }

    private Routes routes(Template kind) {
        return routes.computeIfAbsent(kind, Routes::of);
    }

    /// The point before a fader.
    private Optional<Point> before(Template kind, Knob fader) {
        return routes(kind).by(fader).stream()
                .findFirst()
                .flatMap(route -> kind.point(route.from()));
    }

    private Optional<Channel> at(Device device, Template kind, Knob fader) {
        Optional<Point> before = before(kind, fader);
        if (before.isEmpty()) return Optional.empty();
        Set<String> after = new LinkedHashSet<>();
        for (Route route : routes(kind).by(fader)) after.add(route.to());
        Point at = before.get();
        Strip strip = device.strip(fader.id());
        return Optional.of(
                new Channel(
                        new Ref(device.id(), fader.id()),
                        leading(new Ref(device.id(), fader.id())),
                        new Ref(device.id(), at.id()),
                        mutes(device, kind, at.id(), after),
                        at.label().isEmpty() ? fader.label() : at.label(),
                        strip.name(),
                        strip.tape(),
                        comes(new Ref(device.id(), at.id())),
                        at.channels()));
    }

    /// The mutes between the point before a fader and wherever it leads.
    private List<Ref> mutes(Device device, Template kind, String before, Set<String> after) {
        Set<String> passed = new LinkedHashSet<>(List.of(before));
        passed.addAll(after);
        Set<Ref> mutes = new LinkedHashSet<>();
        for (Route route : routes(kind).from(passed))
            for (var governor : route.governors())
                if (kind.knob(governor.knob())
                        .filter(knob -> knob.role() == Knob.Role.MUTE)
                        .isPresent()) mutes.add(leading(new Ref(device.id(), governor.knob())));
        return List.copyOf(mutes);
    }

    /// The knob by which one goes: itself, but for the right side of a linked pair.
    private Ref leading(Ref knob) {
        return live.graph().knob(knob).map(KnobUse::ref).orElse(knob);
    }

    private List<Source> comes(Ref before) {
        double least = show.checks().limits().get(Limit.FAINT);
        double apart = -show.checks().limits().get(Limit.BLEED);
        List<Source> heard =
                show.sources().stream()
                        .filter(source -> level(before, source) > least)
                        .sorted(
                                Comparator.comparingDouble(
                                        (Source source) -> -level(before, source)))
                        .toList();
        return heard.stream()
                .filter(source -> level(before, source) >= level(before, heard.getFirst()) - apart)
                .toList();
    }

    private double level(Ref at, Source source) {
        if (before.isEmpty()) listBefore();
        return levels.computeIfAbsent(source.id(), this::levels)[before.get(at)];
    }

    private void listBefore() {
        for (Device device : show.rig().devices()) {
            Template kind = kinds.apply(device);
            for (Knob fader : kind.faders())
                before(kind, fader)
                        .ifPresent(
                                at ->
                                        before.putIfAbsent(
                                                new Ref(device.id(), at.id()), before.size()));
        }
    }

    private double[] levels(String source) {
        double[] best = live.gainsDb(source);
        double[] levels = new double[before.size()];
        Arrays.fill(levels, Double.NEGATIVE_INFINITY);
        before.forEach(
                (at, i) -> {
                    for (int node : live.graph().nodesOf(at))
                        levels[i] = Math.max(levels[i], best[node]);
                });
        return levels;
    }
}
