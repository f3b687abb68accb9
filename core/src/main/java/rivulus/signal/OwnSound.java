package rivulus.signal;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Canceller;
import rivulus.gear.Catalogue;
import rivulus.gear.Governor;
import rivulus.gear.Picker;
import rivulus.gear.Route;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// The sound of one program with an echo canceller, told apart from all else on its way from the
/// loudspeakers it plays to, through the air, to the microphones it hears.
///
/// The canceller weakens its own sound and nothing else. In a graph whose legs only add, that is
/// said by points that carry this sound alone beside those that carry the rest: what leaves the
/// program for a loudspeaker goes by them, and what comes by them to the program's ear is weakened.
final class OwnSound {
    private final String program;
    private final Canceller canceller;
    private final Set<Ref> points = new LinkedHashSet<>();

    private OwnSound(String program, Canceller canceller) {
        this.program = program;
        this.canceller = canceller;
    }

    /// One for each canceller in a show whose sound can come out of a loudspeaker and into a
    /// microphone that it hears.
    static List<OwnSound> of(Show show, Catalogue catalogue, Endpoints endpoints) {
        List<OwnSound> all = new ArrayList<>();
        for (Device device : show.rig().devices())
            for (Canceller canceller : catalogue.get(device.template()).cancellers()) {
                OwnSound own = new OwnSound(device.id(), canceller);
                own.find(device, catalogue, endpoints, show);
                if (!own.points.isEmpty()) all.add(own);
            }
        return all;
    }

    private void find(Device device, Catalogue catalogue, Endpoints endpoints, Show show) {
        Template template = catalogue.get(device.template());
        Set<Ref> played = new HashSet<>();
        Set<Ref> heard = new HashSet<>();
        for (Route route : template.routes()) {
            if (route.from().equals(canceller.plays())) played.add(new Ref(program, route.to()));
            if (route.to().equals(canceller.hears())) heard.add(new Ref(program, route.from()));
        }
        for (Endpoints.Shown shown : endpoints.of(device).map(endpoints::on).orElse(List.of()))
            for (Picker picker : template.pickers()) {
                if (picker.point().equals(canceller.plays())
                        && picker.picks() == Picker.Picks.OUTPUT)
                    shown.side(picker).ifPresent(played::add);
                if (picker.point().equals(canceller.hears())
                        && picker.picks() == Picker.Picks.INPUT)
                    shown.side(picker).ifPresent(heard::add);
            }
        Set<Ref> out = between(show, catalogue, played, AcousticEnd.Kind.LOUDSPEAKER, false);
        Set<Ref> in = between(show, catalogue, heard, AcousticEnd.Kind.MICROPHONE, true);
        if (out.isEmpty() || in.isEmpty()) return;
        points.addAll(out);
        points.addAll(in);
    }

    /// The points of machines between some of theirs and their ends of a kind, those included.
    ///
    /// @param back whether sound goes from the ends to the points, and not the other way
    private static Set<Ref> between(
            Show show, Catalogue catalogue, Set<Ref> some, AcousticEnd.Kind kind, boolean back) {
        Set<Ref> between = new LinkedHashSet<>();
        for (Device device : show.rig().devices()) {
            Set<String> mine = new HashSet<>();
            for (Ref ref : some) if (ref.device().equals(device.id())) mine.add(ref.name());
            if (mine.isEmpty()) continue;
            Template template = catalogue.get(device.template());
            Set<String> ends = new HashSet<>();
            for (AcousticEnd end : template.ends()) if (end.kind() == kind) ends.add(end.point());
            if (ends.isEmpty()) continue;
            Set<String> both = reached(template, mine, back);
            both.retainAll(reached(template, ends, !back));
            for (String point : both) between.add(new Ref(device.id(), point));
        }
        return between;
    }

    private static Set<String> reached(Template template, Set<String> from, boolean back) {
        Set<String> reached = new LinkedHashSet<>(from);
        Deque<String> next = new ArrayDeque<>(from);
        while (!next.isEmpty()) {
            String at = next.pop();
            for (Route route : template.routes()) {
                String near = back ? route.to() : route.from();
                String far = back ? route.from() : route.to();
                if (near.equals(at) && reached.add(far)) next.push(far);
            }
        }
        return reached;
    }

    /// The points that also carry this sound alone.
    Set<Ref> points() {
        return points;
    }

    /// Where this sound alone passes that point; the point itself where nothing is told apart.
    Ref at(Ref point) {
        return points.contains(point)
                ? new Ref(point.device(), point.name() + " of " + program)
                : point;
    }

    /// Whether it begins there: from there on it goes by points of its own.
    boolean leaves(Ref point) {
        return point.device().equals(program) && point.name().equals(canceller.plays());
    }

    /// Whether it is weakened on entering that point.
    boolean returns(Ref point) {
        return point.device().equals(program) && point.name().equals(canceller.hears());
    }

    /// The switch.
    Ref knob() {
        return new Ref(program, canceller.knob());
    }

    /// What the switch does.
    Governor governor() {
        return new Governor(canceller.knob(), Map.of("on", -canceller.takesDb(), "off", 0.0), 0);
    }
}
