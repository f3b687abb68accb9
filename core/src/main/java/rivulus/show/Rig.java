package rivulus.show;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Extras;
import rivulus.gear.Keyed;

/// The gear and how it is joined.
///
/// @param stock leads and boxes that are owned; empty where nobody has counted
public record Rig(List<Device> devices, List<Cable> cables, List<Owned> stock, Extras extras) {
    public Rig {
        devices = Keyed.copyOf(devices, Device::id);
        cables = Keyed.copyOf(cables, Cable::id);
        stock = List.copyOf(stock);
    }

    /// Those devices and cables, and nothing counted.
    public static Rig of(List<Device> devices, List<Cable> cables) {
        return new Rig(devices, cables, List.of(), Extras.NONE);
    }

    /// The device of that id.
    public Optional<Device> device(String id) {
        return Keyed.find(devices, id);
    }

    /// The ids of what goes dark with a device: itself, and whatever runs on it.
    public Set<String> goingWith(Device device) {
        Set<String> going = new HashSet<>(Set.of(device.id()));
        for (Device other : devices) if (other.on().equals(device.id())) going.add(other.id());
        return going;
    }

    /// Whether a strip could feed a device: it is not the device itself, nor plugged into it by way
    /// of whatever others.
    public boolean mayFeed(Device strip, Device device) {
        Set<String> met = new HashSet<>();
        for (Optional<Device> at = Optional.of(strip);
                at.isPresent() && met.add(at.get().id());
                at = device(at.get().outlet())) if (at.get().id().equals(device.id())) return false;
        return true;
    }

    /// The same rig with other devices and cables.
    public Rig with(List<Device> newDevices, List<Cable> newCables) {
        return new Rig(newDevices, newCables, stock, extras);
    }

    /// The same rig with other things in the cupboard.
    public Rig withStock(List<Owned> owned) {
        return new Rig(devices, cables, owned, extras);
    }

    /// The same rig without one cable.
    public Rig without(Cable cable) {
        return with(devices, cables.stream().filter(c -> !c.id().equals(cable.id())).toList());
    }

    /// The same rig with one cable replaced by another of the same id.
    public Rig with(Cable cable) {
        return with(
                devices, cables.stream().map(c -> c.id().equals(cable.id()) ? cable : c).toList());
    }

    /// The same rig with one device replaced by another of the same id.
    public Rig with(Device device) {
        return new Rig(
                devices.stream().map(d -> d.id().equals(device.id()) ? device : d).toList(),
                cables,
                stock,
                extras);
    }
}
