package rivulus.rig;

import java.util.Optional;
import rivulus.show.Tape;

/// One channel of a machine.
///
/// @param fader the id of its fader
/// @param label as it is printed on the machine: "MIC 1"
/// @param name what is written on it, else what comes in, else nothing
/// @param carries what comes in, or empty
public record Channel(
        String fader, String label, String name, Optional<Tape> tape, String carries) {
    /// With what is written on it: "MIC 1, Maren".
    public String words() {
        return name.isEmpty() ? label : label + ", " + name;
    }
}
