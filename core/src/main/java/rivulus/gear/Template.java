package rivulus.gear;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/// One kind of gear.
///
/// @param id what shows refer to: `show-desk-four-mic`
/// @param kind what it is in a rig
/// @param points inner points and the points of the ports
/// @param clock its sample clock
/// @param pictures how picture passes through it
/// @param soloOn the ports at which solo is heard; empty where there is no solo
/// @param desk what it offers to a hand
/// @param power what it runs on
/// @param cancellers its echo cancellers
/// @param formerly knobs that took the place of another: what a show calls by the old id holds for
///     all of them
/// @param air how a room carries sound; only rooms have it
public record Template(
        String id,
        String name,
        GearKind kind,
        String about,
        List<Port> ports,
        List<Point> points,
        List<Route> routes,
        List<Knob> knobs,
        List<Endpoint> endpoints,
        List<Picker> pickers,
        List<AcousticEnd> ends,
        List<Canceller> cancellers,
        Map<String, List<String>> formerly,
        Optional<Air> air,
        Clock clock,
        List<PictureRoute> pictures,
        List<String> soloOn,
        Desk desk,
        Power power) {
    public Template {
        ports = Keyed.copyOf(ports, Port::id);
        points = Keyed.copyOf(points, Point::id);
        routes = List.copyOf(routes);
        knobs = Keyed.copyOf(knobs, Knob::id);
        endpoints = List.copyOf(endpoints);
        pickers = Keyed.copyOf(pickers, Picker::id);
        ends = List.copyOf(ends);
        cancellers = List.copyOf(cancellers);
        formerly = Map.copyOf(formerly);
        pictures = List.copyOf(pictures);
        soloOn = List.copyOf(soloOn);
    }

    /// The port of that id.
    public Optional<Port> port(String port) {
        return Keyed.find(ports, port);
    }

    /// The point of that id.
    public Optional<Point> point(String point) {
        return Keyed.find(points, point);
    }

    /// The knob of that id, pickers left out: their options depend on the rig.
    public Optional<Knob> knob(String knob) {
        return Keyed.find(knobs, knob);
    }

    /// Whether a knob turns phantom power on.
    public boolean isPhantom(Knob knob) {
        return ports.stream().anyMatch(port -> port.electric().phantomKnob().equals(knob.id()));
    }

    /// The knobs that a show means by an id: that one, or those that took its place.
    public List<String> meant(String knob) {
        return formerly.getOrDefault(knob, List.of(knob));
    }

    /// Its faders, one for each channel.
    public List<Knob> faders() {
        return knobs.stream().filter(knob -> knob.role() == Knob.Role.FADER).toList();
    }

    /// The picker of that id.
    public Optional<Picker> picker(String picker) {
        return Keyed.find(pickers, picker);
    }

    /// Whether somebody wears it.
    public boolean isWorn() {
        return kind == GearKind.WEARABLE
                || ends.stream().anyMatch(end -> end.kind() == AcousticEnd.Kind.WORN);
    }

    /// Whether programs run on it and devices show up on it.
    public boolean isComputer() {
        return kind == GearKind.COMPUTER;
    }
}
