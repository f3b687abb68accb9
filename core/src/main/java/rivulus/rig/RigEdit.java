package rivulus.rig;

import java.util.List;
import rivulus.file.Change;
import rivulus.show.Show;

/// A change of the rig, not yet made.
///
/// @param name what it does, for undo: "Remove Small recorder"
/// @param change to be done to the show as it is when it is made
/// @param losses what goes with it, one clause each; to be shown before it is made
public record RigEdit(String name, Change change, List<String> losses) {
    public RigEdit {
        losses = List.copyOf(losses);
    }

    /// A change that nothing is lost by.
    ///
    /// @param before the show that it was thought out on
    public static RigEdit of(String name, Show before, Show after) {
        return new RigEdit(name, new Change(before, after), List.of());
    }

    /// What comes of the show that it was thought out on.
    public Show after() {
        return change.after();
    }
}
