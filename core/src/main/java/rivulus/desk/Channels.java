package rivulus.desk;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
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
    private final Map<String, double[]> gains = new HashMap<>();

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

    private Optional<Channel> at(Device device, Template kind, Knob fader) {
        Set<String> after = new HashSet<>();
        Optional<Point> before = Optional.empty();
        for (Route route : kind.routes()) {
            if (route.governors().stream().noneMatch(g -> g.knob().equals(fader.id()))) continue;
            if (before.isEmpty()) before = kind.point(route.from());
            after.add(route.to());
        }
        if (before.isEmpty()) return Optional.empty();
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
        List<Ref> mutes = new ArrayList<>();
        for (Route route : kind.routes()) {
            if (!route.from().equals(before) && !after.contains(route.from())) continue;
            for (var governor : route.governors()) {
                Ref ref = leading(new Ref(device.id(), governor.knob()));
                boolean mute =
                        kind.knob(governor.knob())
                                .filter(knob -> knob.role() == Knob.Role.MUTE)
                                .isPresent();
                if (mute && !mutes.contains(ref)) mutes.add(ref);
            }
        }
        return mutes;
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

    private double level(Ref before, Source source) {
        double[] best = gains.computeIfAbsent(source.id(), live::gainsDb);
        double most = Double.NEGATIVE_INFINITY;
        for (int node : live.graph().nodesOf(before)) most = Math.max(most, best[node]);
        return most;
    }
}
