package rivulus.show;

import java.util.Optional;
import rivulus.disk.Extras;

/// What is written on a channel of a machine.
///
/// @param name empty where it bears the name of what comes in
/// @param tape its colour, if somebody chose one
public record Strip(String name, Optional<Tape> tape, Extras extras) {
    /// A channel on which nobody has written.
    public static final Strip BLANK = new Strip("", Optional.empty(), Extras.NONE);

    /// The same under another name, or, empty, under that of what comes in.
    public Strip named(String newName) {
        return new Strip(newName, tape, extras);
    }

    /// The same in another colour, or in none.
    public Strip in(Optional<Tape> newTape) {
        return new Strip(name, newTape, extras);
    }

    /// Whether nothing is written on it.
    public boolean isBlank() {
        return equals(BLANK);
    }
}
