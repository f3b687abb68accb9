package rivulus.rig;

import java.util.List;
import rivulus.show.Show;

/// A change of the rig, not yet made.
///
/// @param name what it does, for undo: "Remove Small recorder"
/// @param losses what goes with it, one clause each; to be shown before it is made
public record RigEdit(String name, Show after, List<String> losses) {
    public RigEdit {
        losses = List.copyOf(losses);
    }

    RigEdit(String name, Show after) {
        this(name, after, List.of());
    }

    /// A change that nothing is lost by.
    public static RigEdit of(String name, Show after) {
        return new RigEdit(name, after);
    }
}
