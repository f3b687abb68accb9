package rivulus.gear;

import java.util.List;

/// A directed stretch from one point of a device to another.
///
/// @param gainDb gain when every governing knob stands at 0 dB or open
/// @param marks what is done to the sound on the way, where somebody must know: `echo-canceller`,
///     `voice-clean-up`; and what its delay is made of: `converter`, `usb`, `buffer`, `radio`,
///     `capture`, `network`, `look-ahead`
/// @param map which channel goes where; empty for the usual spread (see [ChannelMap#usual])
/// @param chain what acts on the sound by its level or its tone
/// @param governors the knobs that govern it; the route is open when all of them open it
public record Route(
        String from,
        String to,
        double gainDb,
        Delay delay,
        Band band,
        List<String> marks,
        List<ChannelMap> map,
        Chain chain,
        List<Governor> governors) {
    public Route {
        marks = List.copyOf(marks);
        map = List.copyOf(map);
        governors = List.copyOf(governors);
    }

    /// A wire between two points.
    public static Route wire(String from, String to) {
        return new Route(
                from, to, 0, Delay.NONE, Band.OPEN, List.of(), List.of(), Chain.NONE, List.of());
    }
}
