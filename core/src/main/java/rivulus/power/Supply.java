package rivulus.power;

import rivulus.show.Device;
import rivulus.show.Place;

/// Something that feeds gear.
///
/// @param id unique among supplies: a device's id, or that of a place behind `wall:`
/// @param name in a sentence: "the outlets of Reading Room", "Outlet strip"
/// @param place the id of the place it is in, or empty
public record Supply(String id, String name, Kind kind, String place) {
    /// What it is.
    public enum Kind {
        /// The outlets in the wall of a place.
        WALL,
        /// An outlet strip.
        STRIP,
        /// The USB ports of a computer, a hub or a box.
        USB,
        /// A battery pack.
        PACK
    }

    static Supply wall(Place place) {
        return new Supply(
                "wall:" + place.id(), "the outlets of " + place.name(), Kind.WALL, place.id());
    }

    /// The wall of gear that stands nowhere in particular.
    static final Supply SOMEWHERE = new Supply("wall:", "an outlet somewhere", Kind.WALL, "");

    static Supply device(Device device, Kind kind) {
        return new Supply(device.id(), device.name(), kind, device.place());
    }
}
