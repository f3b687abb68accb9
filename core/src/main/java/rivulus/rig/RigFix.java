package rivulus.rig;

import java.util.List;
import rivulus.file.Change;
import rivulus.show.Show;
import rivulus.show.Turn;

/// A change of the rig that was tried: it ends the finding, and causes no other here or in
/// anybody's hearing.
///
/// @param turns the knobs that are turned; empty where leads or boxes change
/// @param sentence as an order: "Put a line isolator between Cue laptop and Show desk."
/// @param change what it does, to be done to the show as it is when it is taken
public record RigFix(String sentence, List<Turn> turns, Change change) {
    public RigFix {
        turns = List.copyOf(turns);
    }

    /// What comes of the show that it was tried on.
    public Show after() {
        return change.after();
    }
}
