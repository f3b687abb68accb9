package rivulus.chart;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Show;

/// Which place or machine a device is drawn in: a program in its computer, what is worn with its
/// wearer, microphones and loudspeakers in their room, a desk, a recorder or a service by itself.
/// What only sits in a lead is passed over.
final class Beds {
    private final Show show;
    private final Map<String, Bed> ofDevice = new HashMap<>();

    /// @param id unique among places and machines
    /// @param device the device whose knobs stand for it, or empty
    record Bed(String id, String title, String device) {}

    Beds(Show show, Catalogue catalogue) {
        this.show = show;
        for (Person person : show.cast().people()) ofDevice.put(person.id(), place(person.place()));
        for (Device device : show.rig().devices()) {
            GearKind kind = catalogue.get(device.template()).kind();
            ofDevice.put(device.id(), bed(device, kind));
        }
    }

    /// Where a device or a person is drawn; empty for what sits in a lead.
    Optional<Bed> of(String device) {
        return Optional.ofNullable(ofDevice.get(device));
    }

    /// A machine by itself, whatever it is.
    Bed alone(String device) {
        return show.rig()
                .device(device)
                .map(Beds::machine)
                .orElse(new Bed("machine " + device, device, device));
    }

    private Bed bed(Device device, GearKind kind) {
        if (kind == GearKind.ISOLATOR) return null;
        Optional<Device> computer = show.rig().device(device.on());
        if (computer.isPresent()) return machine(computer.get());
        Optional<Person> wearer = show.cast().person(device.worn());
        if (wearer.isPresent()) return place(wearer.get().place());
        boolean stands = kind == GearKind.MICROPHONE || kind == GearKind.LOUDSPEAKER;
        if (stands && !device.place().isEmpty()) return place(device.place());
        return machine(device);
    }

    private static Bed machine(Device device) {
        return new Bed("machine " + device.id(), device.name(), device.id());
    }

    private Bed place(String id) {
        String title = show.place(id).map(Place::name).orElse(id);
        return new Bed("place " + id, title, "");
    }
}
