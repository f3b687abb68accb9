package rivulus.plan;

import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// A show while it is planned.
///
/// Compiled once, when it is first asked what comes to the hub.
final class State {
    private final Show show;
    private final Catalogue kinds;
    private final String hub;
    private LiveGraph live;

    /// @param kinds every kind of gear, those of the show among them
    /// @param hub the id of the machine where everything comes together; empty while there is none
    State(Show show, Catalogue kinds, String hub) {
        this.show = show;
        this.kinds = kinds;
        this.hub = hub;
    }

    Show show() {
        return show;
    }

    /// Whether a source comes to the hub as the knobs stand, by something that was put there for
    /// it: a machine's own microphone hears whoever is in the room, and is nobody's.
    boolean comesToHub(String source) {
        return !hub.isEmpty()
                && live().comesTo(
                                source,
                                hub,
                                show.checks().limits().get(Limit.FAINT),
                                leg -> !isIntoMachine(leg));
    }

    private boolean isIntoMachine(Leg leg) {
        if (leg.kind() != Leg.Kind.AIR) return false;
        String to = leg.to().device();
        return to.equals(hub)
                || show.rig()
                        .device(to)
                        .filter(device -> kinds.get(device.template()).isComputer())
                        .isPresent();
    }

    private LiveGraph live() {
        if (live == null) {
            SignalGraph graph = Compiler.compile(show, kinds);
            live = LiveGraph.of(graph, Positions.of(graph, show, Scene.only()));
        }
        return live;
    }

    /// Whether what somebody afar wears goes to a telephone network.
    boolean isByPhone(Person person) {
        for (Device device : show.rig().devices())
            if (device.worn().equals(person.id()) || isJoinedToWorn(device, person))
                for (Port port : kinds.get(device.template()).ports())
                    if (port.carries() == Signal.PHONE) return true;
        return false;
    }

    private boolean isJoinedToWorn(Device device, Person person) {
        for (Cable cable : show.rig().cables())
            if (touches(cable.from(), device) && isWorn(cable.to(), person)
                    || touches(cable.to(), device) && isWorn(cable.from(), person)) return true;
        return false;
    }

    private static boolean touches(Ref end, Device device) {
        return end.device().equals(device.id());
    }

    private boolean isWorn(Ref end, Person person) {
        return show.rig()
                .device(end.device())
                .filter(device -> device.worn().equals(person.id()))
                .isPresent();
    }
}
