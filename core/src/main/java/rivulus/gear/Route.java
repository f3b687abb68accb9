package rivulus.gear;

import java.util.List;

/// A directed stretch from one point of a device to another.
///
/// @param gainDb gain when every governing knob stands at 0 dB or open
/// @param marks what is done to the sound on the way, where somebody must know: `echo-canceller`,
///     `voice-clean-up`; and what its delay is made of: `converter`, `usb`, `buffer`, `radio`,
///     `capture`, `network`, `look-ahead`
/// @param map which channel goes where; empty for the usual spread (see [ChannelMap#usual])
/// @param governors the knobs that govern it; the route is open when all of them open it
public record Route(
        String from,
        String to,
        double gainDb,
        Delay delay,
        Band band,
        List<String> marks,
        List<ChannelMap> map,
        List<Governor> governors) {
    public Route {
        marks = List.copyOf(marks);
        map = List.copyOf(map);
        governors = List.copyOf(governors);
    }

    /// A wire between two points.
    public static Route wire(String from, String to) {
        return new Route(from, to, 0, Delay.NONE, Band.OPEN, List.of(), List.of(), List.of());
    }
}
