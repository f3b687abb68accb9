package rivulus.gear;

/// A band limit: second-order Butterworth edges at `lowHz` and `highHz`, where the response is 3 dB
/// down.
///
/// @param lowHz lower edge, 0 for none
/// @param highHz upper edge, at or above 20 000 for none
public record Band(double lowHz, double highHz) {
    /// Lets everything through.
    public static final Band OPEN = new Band(0, 20_000);

    public Band {
        if (!(lowHz >= 0 && lowHz < highHz)) {
            throw new IllegalArgumentException(
                    "a band runs from low to high, not from %s to %s Hz".formatted(lowHz, highHz));
        }
    }

    /// Whether there is a lower edge.
    public boolean cutsLow() {
        return lowHz > 0;
    }

    /// Whether there is an upper edge.
    public boolean cutsHigh() {
        return highHz < 20_000;
    }
}
