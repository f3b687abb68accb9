package rivulus.gear;

/// A place inside a device where sound can be tapped.
///
/// @param label what people call it, as it stands in a way: "strip MIC 1, before the fader"
/// @param channels 1 for mono, 2 for stereo, up to 64
public record Point(String id, String label, int channels) {
    public Point {
        if (channels < 1 || channels > 64)
            throw new IllegalArgumentException("a point has 1 to 64 channels");
    }
}
