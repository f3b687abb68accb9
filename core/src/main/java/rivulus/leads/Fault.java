package rivulus.leads;

import rivulus.check.Severity;

/// Something wrong with one lead.
///
/// @param rule the id of the check it belongs to
/// @param words as a clause without capital or full stop
/// @param figure the figure that shows it, in the unit of [#unit]; NaN where there is none
/// @param unit the name of the figure with its unit, such as `padDb`; empty where there is none
public record Fault(String rule, Severity severity, String words, double figure, String unit) {
    public Fault(String rule, Severity severity, String words) {
        this(rule, severity, words, Double.NaN, "");
    }
}
