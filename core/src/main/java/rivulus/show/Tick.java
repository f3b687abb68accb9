package rivulus.show;

import rivulus.disk.Extras;
import rivulus.disk.Worded;

/// What became of a step of the set-up.
///
/// @param id the step's
/// @param why for what is skipped or failed; or empty
/// @param at when
/// @param said what the step said then: one that says something else now is open again
public record Tick(String id, How how, String why, Moment at, String said, Extras extras) {
    /// What can become of a step.
    public enum How implements Worded {
        DONE,
        SKIPPED,
        FAILED
    }
}
