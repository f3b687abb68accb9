package rivulus.gear;

import java.util.Optional;

/// Where a lead goes in.
///
/// A port that takes sound has a point `<id>.in`, one that gives sound a point `<id>.out`; a
/// headset jack has both. A USB port may have neither and carry the device's endpoints instead.
///
/// @param connector what the plug looks like, in plain words
/// @param carries what kind of signal
/// @param takes channels that come in, 0 for none
/// @param gives channels that go out, 0 for none
/// @param plug whether it is a plug on a cord of its own, that goes straight into a socket
/// @param picture the most lines and pictures a second it gives, takes or passes on, where it
///     carries picture
/// @param pictureKnob the choice that sets which of them it gives, its options written `1080p60`;
///     empty where nothing does
/// @param host whether devices joined here show up on this computer
/// @param electric levels, balance, phantom and 5 V power
public record Port(
        String id,
        String label,
        String connector,
        Signal carries,
        int takes,
        int gives,
        boolean host,
        boolean plug,
        Optional<PictureFormat> picture,
        String pictureKnob,
        Electric electric) {
    /// The point that sound enters by.
    public String inPoint() {
        return id + ".in";
    }

    /// The point that sound leaves by.
    public String outPoint() {
        return id + ".out";
    }

    /// Whether what is plugged in here may as well sit in another port of the machine: the plug
    /// fits, and sound goes the same way.
    public boolean isAlike(Port other) {
        return connector.equals(other.connector)
                && carries == other.carries
                && takes > 0 == other.takes > 0
                && gives > 0 == other.gives > 0;
    }

    /// The same, electrically otherwise.
    public Port being(Electric other) {
        return new Port(
                id,
                label,
                connector,
                carries,
                takes,
                gives,
                host,
                plug,
                picture,
                pictureKnob,
                other);
    }

    /// Why no lead can go between two ports, as a clause; empty where one can: sound, data or power
    /// has to pass one way at least.
    public Optional<String> cannotJoin(Port other) {
        boolean sound = gives > 0 && other.takes > 0 || other.gives > 0 && takes > 0;
        boolean data = host || other.host;
        boolean power = carries == Signal.POWER || other.carries == Signal.POWER;
        if (sound || data || power) return Optional.empty();
        return Optional.of(
                gives > 0
                        ? "both ends give sound; one has to take it"
                        : "both ends take sound; one has to give it");
    }
}
