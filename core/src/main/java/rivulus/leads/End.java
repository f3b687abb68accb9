package rivulus.leads;

import rivulus.gear.Port;
import rivulus.show.Device;
import rivulus.show.Ref;

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
}
