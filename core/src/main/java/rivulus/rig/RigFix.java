package rivulus.rig;

import java.util.List;
import rivulus.show.Show;
import rivulus.show.Turn;

/// A change of the rig that was tried: it ends the finding, and causes no other here or in
/// anybody's hearing.
///
/// @param turns the knobs that are turned; empty where leads or boxes change
/// @param sentence as an order: "Put a line isolator between Cue laptop and Show desk."
public record RigFix(String sentence, List<Turn> turns, Show after) {
    public RigFix {
        turns = List.copyOf(turns);
    }
}
