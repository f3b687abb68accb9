package rivulus.edit;

import java.util.List;
import rivulus.file.Change;
import rivulus.show.Show;

/// A change of a show, not yet made.
///
/// @param name what it does, for undo: "Remove Small recorder"
/// @param change to be done to the show as it is when it is made
/// @param losses what goes with it, one clause each; to be shown before it is made
/// @param chosen the id of what is chosen afterwards, or empty
public record Edit(String name, Change change, List<String> losses, String chosen) {
    public Edit {
        losses = List.copyOf(losses);
    }

    /// A change after which nothing else is chosen.
    public Edit(String name, Change change, List<String> losses) {
        this(name, change, losses, "");
    }

    /// A change that nothing is lost by.
    ///
    /// @param before the show that it was thought out on
    public static Edit of(String name, Show before, Show after) {
        return new Edit(name, new Change(before, after), List.of());
    }

    /// The same change, after which something is chosen.
    public Edit choosing(String id) {
        return new Edit(name, change, losses, id);
    }

    /// The same, thought out on an earlier show, with all that was done to it in between.
    Edit from(Show earlier) {
        return new Edit(name, new Change(earlier, change.after()), losses, chosen);
    }

    /// What comes of the show that it was thought out on.
    public Show after() {
        return change.after();
    }
}
