package rivulus.listening;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Catalogue;
import rivulus.gear.Endpoint;
import rivulus.gear.Picker;
import rivulus.gear.Point;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Show;

/// Where in a rig something can begin to sound, and where something can listen: told by what comes
/// into a point and goes out of it, whatever the gear.
public final class Points {
    private Points() {}

    /// The points at which sound can begin: something goes out, and nothing comes in.
    public static List<Ref> playing(Show show, Catalogue catalogue) {
        return of(show, catalogue, Points::playing);
    }

    /// The points of every device, looked for once in each kind of gear.
    private static List<Ref> of(
            Show show, Catalogue catalogue, Function<Template, List<String>> ofKind) {
        List<Ref> points = new ArrayList<>();
        Map<String, List<String>> known = new HashMap<>();
        for (Device device : show.rig().devices())
            for (String point :
                    known.computeIfAbsent(device.template(), id -> ofKind.apply(catalogue.get(id))))
                points.add(new Ref(device.id(), point));
        return points;
    }

    /// The points of a kind of gear at which sound can begin.
    public static List<String> playing(Template kind) {
        Set<String> in = in(kind);
        Set<String> out = out(kind);
        return kind.points().stream()
                .map(Point::id)
                .filter(point -> out.contains(point) && !in.contains(point))
                .toList();
    }

    /// The points at which somebody can listen: something comes in, and nothing goes out; and the
    /// open ears of whoever is in the audience.
    public static List<Ref> listening(Show show, Catalogue catalogue) {
        List<Ref> points = new ArrayList<>();
        for (Person person : show.cast().people())
            if (person.role() == Role.AUDIENCE) points.add(new Ref(person.id(), "open"));
        points.addAll(of(show, catalogue, Points::listening));
        return points;
    }

    private static List<String> listening(Template kind) {
        Set<String> in = in(kind);
        Set<String> out = out(kind);
        return kind.points().stream()
                .map(Point::id)
                .filter(point -> in.contains(point) && !out.contains(point))
                .toList();
    }

    /// A point in words: "Show desk · card MIC 1".
    public static String words(Ref at, Show show, Catalogue catalogue) {
        if (show.cast().person(at.device()).isPresent())
            return "the open ears of " + show.cast().person(at.device()).orElseThrow().name();
        Device device = show.rig().device(at.device()).orElseThrow();
        String label =
                catalogue
                        .get(device.template())
                        .point(at.name())
                        .map(Point::label)
                        .filter(words -> !words.isEmpty())
                        .orElse("");
        return label.isEmpty() ? device.name() : device.name() + " · " + label;
    }

    private static Set<String> in(Template kind) {
        Set<String> in = new HashSet<>();
        for (Port port : kind.ports()) if (port.takes() > 0) in.add(port.inPoint());
        for (Route route : kind.routes()) in.add(route.to());
        for (Endpoint endpoint : kind.endpoints()) endpoint.plays().ifPresent(in::add);
        for (Picker picker : kind.pickers())
            if (picker.picks() != Picker.Picks.OUTPUT) in.add(picker.point());
        for (AcousticEnd end : kind.ends()) if (end.kind().hearsAir()) in.add(end.point());
        return in;
    }

    /// What a computer hears by default goes to whatever asks for the default; a picture is not
    /// listened to.
    private static Set<String> out(Template kind) {
        Set<String> out = new HashSet<>();
        for (Port port : kind.ports()) if (port.gives() > 0) out.add(port.outPoint());
        for (Route route : kind.routes()) out.add(route.from());
        for (Endpoint endpoint : kind.endpoints()) endpoint.hears().ifPresent(out::add);
        for (Picker picker : kind.pickers())
            if (picker.picks() == Picker.Picks.OUTPUT
                    || picker.standard() != Picker.Standard.NOT
                    || kind.pictures().stream().anyMatch(p -> p.from().equals(picker.id())))
                out.add(picker.point());
        for (AcousticEnd end : kind.ends())
            if (end.kind() == AcousticEnd.Kind.LOUDSPEAKER || end.kind() == AcousticEnd.Kind.WORN)
                out.add(end.point());
        return out;
    }

    /// The points at which loudspeakers fill a room, in the order of the gear.
    public static List<Ref> filling(Show show, Catalogue kinds) {
        List<Ref> points = new ArrayList<>();
        for (Device device : show.rig().devices())
            for (AcousticEnd end : kinds.get(device.template()).ends())
                if (end.kind() == AcousticEnd.Kind.LOUDSPEAKER)
                    points.add(new Ref(device.id(), end.point()));
        return points;
    }

    /// The kind of public ear that a point is called in words: "Streaming program · stream".
    public static Optional<Ear.Kind> called(String words) {
        for (Ear.Kind kind : Ear.Kind.values())
            if (kind != Ear.Kind.PERSON
                    && kind != Ear.Kind.TRACK
                    && words.toLowerCase(Locale.ROOT)
                            .endsWith("· " + kind.word().replace('-', ' ')))
                return Optional.of(kind);
        return Optional.empty();
    }
}
