package rivulus.plan;

import java.util.List;
import java.util.OptionalDouble;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.edit.Edit;

/// A whole plan, proven.
///
/// @param edit one step of undo, from the show it was planned for
/// @param lines what was added, as lines
/// @param undone lines that could not be carried out, each with why
/// @param turned what knobs were turned for it, as orders
/// @param left what is still wrong and serious
/// @param complete whether everything was tried against what is left; if not, a larger budget may
///     end more of it
/// @param toBuy what is not in the cupboard, or, where nothing is owned, all that is new
/// @param leads how many leads there are
/// @param ownVoiceMs how late somebody here hears their own voice by wire, at the worst
/// @param spare inputs of the hub that nothing is in
/// @param failing who goes without what if the hub fails, a clause each
public record Offer(
        Pattern pattern,
        Edit edit,
        Proof proof,
        List<String> lines,
        List<String> undone,
        List<String> turned,
        List<Trouble> left,
        boolean complete,
        List<String> toBuy,
        int leads,
        OptionalDouble ownVoiceMs,
        int spare,
        String failing) {
    public Offer {
        lines = List.copyOf(lines);
        undone = List.copyOf(undone);
        turned = List.copyOf(turned);
        left = List.copyOf(left);
        toBuy = List.copyOf(toBuy);
    }

    /// Whether a larger budget may make it better.
    public boolean mayBeBettered() {
        return !left.isEmpty() && !complete;
    }

    /// Whether nothing serious is left, and all of it could be done.
    public boolean isClean() {
        return left.isEmpty() && undone.isEmpty();
    }
}
