package rivulus.show;

import java.util.Optional;
import rivulus.disk.Extras;

/// A lead between two ports. A headset or network lead carries sound both ways.
///
/// @param metres how long it is; 0 where nobody has said
/// @param toBuy whether it has still to be bought
/// @param tape what marks it at both ends, if anything
public record Cable(
        String id,
        Ref from,
        Ref to,
        double metres,
        boolean toBuy,
        Optional<Tape> tape,
        Extras extras) {
    /// A lead that is there, of no known length.
    public static Cable of(String id, Ref from, Ref to) {
        return new Cable(id, from, to, 0, false, Optional.empty(), Extras.NONE);
    }

    /// The same lead of another length.
    public Cable ofLength(double newMetres) {
        return new Cable(id, from, to, newMetres, toBuy, tape, extras);
    }

    /// The same lead, to be bought or owned.
    public Cable toBuy(boolean buy) {
        return new Cable(id, from, to, metres, buy, tape, extras);
    }

    /// Whether one of its ends is that port.
    public boolean ends(Ref port) {
        return from.equals(port) || to.equals(port);
    }

    /// Whether one of its ends is in that device.
    public boolean touches(String device) {
        return from.device().equals(device) || to.device().equals(device);
    }

    /// The same lead between other ports.
    public Cable between(Ref newFrom, Ref newTo) {
        return new Cable(id, newFrom, newTo, metres, toBuy, tape, extras);
    }

    /// The same lead with one of its ends in another port.
    public Cable moved(Ref end, Ref there) {
        return from.equals(end) ? between(there, to) : between(from, there);
    }

    /// The same lead marked otherwise, or not at all.
    public Cable marked(Optional<Tape> newTape) {
        return new Cable(id, from, to, metres, toBuy, newTape, extras);
    }
}
