package rivulus.gear;

import java.util.List;

/// What a machine with strips offers to a hand.
///
/// @param controls the places where its faders can sit, in reading order; empty where each fader is
///     where it is
/// @param letters how many letters a name has room for; 0 where it is written on tape
/// @param banks how many banks of cue pads there are
/// @param pads how many cue pads there are in a bank
/// @param links the channels that it can link in pairs
public record Desk(List<Control> controls, int letters, int banks, int pads, List<Link> links) {
    /// Faders that are where they are, and no pads.
    public static final Desk PLAIN = new Desk(List.of(), 0, 0, 0, List.of());

    public Desk {
        controls = Keyed.copyOf(controls, Control::id);
        links = List.copyOf(links);
    }

    /// Whether there is a bank of that number.
    public boolean hasBank(String number) {
        return isUpTo(number, banks);
    }

    /// Whether there is a pad of that number, by bank and number: `1/3`.
    public boolean hasPad(String number) {
        int slash = number.indexOf('/');
        return slash > 0
                && hasBank(number.substring(0, slash))
                && isUpTo(number.substring(slash + 1), pads);
    }

    private static boolean isUpTo(String number, int most) {
        return number.matches("[1-9][0-9]?") && Integer.parseInt(number) <= most;
    }
}
