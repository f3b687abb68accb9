package rivulus.plan;

import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// A show while it is planned.
///
/// @param kinds every kind of gear, those of the show among them
/// @param hub the id of the machine where everything comes together; empty while there is none
record State(Show show, Catalogue kinds, String hub) {
    /// Whether a source comes to the hub as the knobs stand.
    boolean comesToHub(String source) {
        if (hub.isEmpty()) return false;
        SignalGraph graph = Compiler.compile(show, kinds);
        Positions positions = Positions.of(graph, show, Show.untitled().scenes().getFirst());
        return LiveGraph.of(graph, positions)
                .comesTo(source, hub, show.checks().limits().get(Limit.FAINT));
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
