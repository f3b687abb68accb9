package rivulus.gear;

import java.util.List;

/// The sample clock of a device.
///
/// @param rates the sample rates it can run at, in Hz, the usual first; empty for what has no clock
/// @param rateKnob the choice that sets the rate, its options the rates in Hz; empty where it runs
///     at its usual rate
/// @param clockKnob the choice that sets what it follows, its options `internal` and ports; empty
///     where it follows nothing
/// @param oneOnly whether a program can record and play by one clock only
/// @param converts digital ports with a rate converter: any rate may come in there
public record Clock(
        List<Integer> rates,
        String rateKnob,
        String clockKnob,
        boolean oneOnly,
        List<String> converts) {
    /// The option of a clock knob that makes a device its own master.
    public static final String INTERNAL = "internal";

    /// No clock: nothing digital.
    public static final Clock NONE = new Clock(List.of(), "", "", false, List.of());

    public Clock {
        rates = List.copyOf(rates);
        converts = List.copyOf(converts);
    }

    /// Whether there is one.
    public boolean isThere() {
        return !rates.isEmpty();
    }
}
