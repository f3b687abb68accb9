package rivulus.show;

import rivulus.disk.Extras;

/// A lead between two ports. A headset or network lead carries sound both ways.
///
/// @param metres how long it is; 0 where nobody has said
/// @param toBuy whether it has still to be bought
public record Cable(String id, Ref from, Ref to, double metres, boolean toBuy, Extras extras) {
    /// The same lead of another length.
    public Cable ofLength(double newMetres) {
        return new Cable(id, from, to, newMetres, toBuy, extras);
    }

    /// The same lead, to be bought or owned.
    public Cable toBuy(boolean buy) {
        return new Cable(id, from, to, metres, buy, extras);
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
        return new Cable(id, newFrom, newTo, metres, toBuy, extras);
    }
}
