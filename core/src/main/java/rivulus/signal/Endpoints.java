package rivulus.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Endpoint;
import rivulus.gear.GearKind;
import rivulus.gear.Picker;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// What shows up on each computer to be picked: what is joined to it, and what runs on it.
final class Endpoints {
    private final Show show;
    private final Catalogue catalogue;
    private final Map<Ref, List<Ref>> joined;
    private final Map<String, List<Shown>> endpointsSeen = new HashMap<>();

    Endpoints(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = catalogue;
        joined = joined(show.rig().cables());
    }

    private Template template(Device device) {
        return catalogue.get(device.template());
    }

    private Port port(Ref ref) {
        return template(show.rig().device(ref.device()).orElseThrow())
                .port(ref.name())
                .orElseThrow();
    }

    /// An endpoint of one device, as a program on a computer sees it.
    record Shown(String device, String deviceName, Endpoint endpoint) {
        String key() {
            return device + "/" + endpoint.id();
        }

        /// The point where a picker takes sound from it or gives it sound; empty where it cannot.
        Optional<Ref> side(Picker picker) {
            if (!picker.sees(endpoint)) return Optional.empty();
            Optional<String> point =
                    switch (picker.picks()) {
                        case OUTPUT, DESKTOP -> endpoint.plays();
                        case INPUT -> endpoint.hears();
                    };
            return point.map(p -> new Ref(device, p));
        }
    }

    /// The computer that something is or runs on.
    Optional<Device> of(Device device) {
        if (template(device).isComputer()) return Optional.of(device);
        return show.rig().device(device.on()).filter(on -> template(on).isComputer());
    }

    /// What programs on a computer can pick.
    List<Shown> on(Device computer) {
        return endpointsSeen.computeIfAbsent(computer.id(), _ -> findEndpoints(computer));
    }

    private List<Shown> findEndpoints(Device computer) {
        List<Shown> seen = new ArrayList<>();
        for (Device device : show.rig().devices()) {
            boolean local = device.id().equals(computer.id()) || device.on().equals(computer.id());
            for (Endpoint endpoint : template(device).endpoints()) {
                boolean here =
                        endpoint.port().isEmpty()
                                ? local
                                : isJoined(new Ref(device.id(), endpoint.port().get()), computer);
                if (here) seen.add(new Shown(device.id(), device.name(), endpoint));
            }
        }
        return seen;
    }

    private boolean isJoined(Ref port, Device computer) {
        for (Ref other : joined.getOrDefault(port, List.of())) {
            if (!port(other).host()) continue;
            if (other.device().equals(computer.id()) || isJoinedByHub(other, computer)) return true;
        }
        return false;
    }

    /// Whether a port is on a hub that is itself joined to the computer.
    private boolean isJoinedByHub(Ref onHub, Device computer) {
        Template hub = template(show.rig().device(onHub.device()).orElseThrow());
        return hub.kind() == GearKind.HUB
                && hub.ports().stream()
                        .filter(up -> !up.host())
                        .anyMatch(up -> isJoined(new Ref(onHub.device(), up.id()), computer));
    }

    private static Map<Ref, List<Ref>> joined(List<Cable> cables) {
        Map<Ref, List<Ref>> joined = new HashMap<>();
        for (Cable cable : cables) {
            joined.computeIfAbsent(cable.from(), _ -> new ArrayList<>()).add(cable.to());
            joined.computeIfAbsent(cable.to(), _ -> new ArrayList<>()).add(cable.from());
        }
        return joined;
    }
}
