package rivulus.signal;

import rivulus.show.Ref;

/// One channel of one point of one device.
///
/// @param point device and point
/// @param device the device's name in words
/// @param label the point's name in words, or empty where nobody has one
/// @param channel counted from 0
public record Node(int index, Ref point, String device, String label, int channel) {
    /// "Show desk, MIC 1"; the device alone where the point has no name.
    public String words() {
        return label.isEmpty() ? device : device + ", " + label;
    }
}
