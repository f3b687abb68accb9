package rivulus.gear;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/// Two mono channels that a machine can link to one stereo channel: the first is the left side, and
/// the second goes by its knobs.
///
/// What belongs to a channel is told by ids: between dots they name it, as `mic1.fader` or
/// `usb.pick.mic1`. Gain and 48 V stay each channel's own, and so does pan.
///
/// @param first what the ids of the left one name
/// @param second and of the right one
public record Link(String first, String second) {
    /// What each keeps for itself.
    public static final List<Knob.Role> OWN = List.of(Knob.Role.GAIN, Knob.Role.PAN);

    /// Whether an id belongs to one of both.
    public boolean has(String id) {
        return names(id, first) || names(id, second);
    }

    /// Whether an id belongs to the right side.
    public boolean isSecond(String id) {
        return names(id, second);
    }

    private static boolean names(String id, String channel) {
        return Arrays.asList(id.split("\\.")).contains(channel);
    }

    /// The id of the same on the left side; empty for what is not of the right one.
    public Optional<String> leading(String id) {
        if (!isSecond(id)) return Optional.empty();
        return Optional.of(
                Arrays.stream(id.split("\\."))
                        .map(part -> part.equals(second) ? first : part)
                        .collect(Collectors.joining(".")));
    }
}
