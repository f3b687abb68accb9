package rivulus.leads;

import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;

/// One end of a lead: a device and the port it is in.
public record End(Device device, Port port) {
    /// As the show file writes it.
    public Ref ref() {
        return new Ref(device.id(), port.id());
    }

    /// "Show desk, MIC 1".
    public String words() {
        return port.label().isEmpty() ? device.name() : device.name() + ", " + port.label();
    }

    /// Both ends of a lead: "Teo's mic – Show desk, MIC 3".
    ///
    /// @param catalogue with the kinds of gear that the rig brings along
    public static String words(Cable lead, Rig rig, Catalogue catalogue) {
        return words(lead.from(), rig, catalogue) + " – " + words(lead.to(), rig, catalogue);
    }

    /// As the machine says it; as the show file writes it where there is no such end.
    private static String words(Ref end, Rig rig, Catalogue catalogue) {
        return rig.device(end.device())
                .flatMap(
                        device ->
                                catalogue
                                        .get(device.template())
                                        .port(end.name())
                                        .map(port -> new End(device, port).words()))
                .orElse(end.toString());
    }
}
