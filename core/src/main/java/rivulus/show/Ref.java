package rivulus.show;

/// A knob, a port, a point or an endpoint of one device in the rig, written `device/name`.
public record Ref(String device, String name) implements Comparable<Ref> {
    /// Reads `device/name`.
    ///
    /// @throws IllegalArgumentException where there is no slash between two names
    public static Ref of(String text) {
        int slash = text.indexOf('/');
        if (slash < 1 || slash == text.length() - 1) {
            throw new IllegalArgumentException("\"" + text + "\" should be written device/name");
        }
        return new Ref(text.substring(0, slash), text.substring(slash + 1));
    }

    @Override
    public int compareTo(Ref other) {
        int byDevice = device.compareTo(other.device);
        return byDevice != 0 ? byDevice : name.compareTo(other.name);
    }

    @Override
    public String toString() {
        return device + "/" + name;
    }
}
