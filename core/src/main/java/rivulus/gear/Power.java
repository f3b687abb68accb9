package rivulus.gear;

import java.util.List;

/// What a machine runs on.
///
/// @param from what it can run on, the usual first: `mains`, `usb`, `battery`, `phantom`, `jack`
///     (fed by what it is plugged into), `none`
/// @param earthed whether its mains plug joins it to the safety earth
/// @param watts what it draws; 0 where that does not matter
/// @param mostWatts what it may feed on: the rating of an outlet strip; 0 for what feeds nothing
///     from the mains
/// @param joinsChassis whether the chassis of what is plugged into it are screwed to it: a rack
/// @param batteryWh what its battery holds when new, in Wh; 0 for none
public record Power(
        List<String> from,
        boolean earthed,
        double watts,
        double mostWatts,
        boolean joinsChassis,
        double batteryWh) {
    public static final List<String> KINDS =
            List.of("mains", "usb", "battery", "phantom", "jack", "none");

    /// It needs none.
    public static final Power NONE = new Power(List.of("none"), false, 0, 0, false, 0);

    public Power {
        from = List.copyOf(from);
    }

    /// What it runs on when somebody chose, or as usual.
    public String when(String chosen) {
        return chosen.isEmpty() ? from.getFirst() : chosen;
    }
}
