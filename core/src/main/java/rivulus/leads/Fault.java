package rivulus.leads;

import rivulus.disk.Worded;
import rivulus.words.Severity;

/// Something wrong with one lead.
///
/// @param words as a clause without capital or full stop
/// @param figure the figure that shows it, in the unit of [#unit]; NaN where there is none
/// @param unit the name of the figure with its unit, such as `padDb`; empty where there is none
/// @param switched whether a switch that is there ends it, and nothing has to be joined otherwise
public record Fault(
        Kind kind, Severity severity, String words, double figure, String unit, boolean switched) {
    /// What can be wrong with a lead; by these words outputs name it.
    public enum Kind implements Worded {
        CONNECTOR,
        LEVEL,
        IMPEDANCE,
        SPEAKER_TO_LINE,
        POLARITY,
        CHANNELS,
        FOUR_POLE,
        PHANTOM,
        LENGTH
    }

    public Fault(Kind kind, Severity severity, String words) {
        this(kind, severity, words, Double.NaN, "");
    }

    public Fault(Kind kind, Severity severity, String words, double figure, String unit) {
        this(kind, severity, words, figure, unit, false);
    }

    /// The same, where a switch ends it.
    Fault bySwitch() {
        return new Fault(kind, severity, words, figure, unit, true);
    }
}
