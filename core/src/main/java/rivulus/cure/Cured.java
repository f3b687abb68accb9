package rivulus.cure;

import java.util.List;

/// What a search for cures came to.
///
/// @param cures those that were tried and found good, best first
/// @param ended whether everything that was suggested was tried; if not, time or patience ran out
///     and there may be others
public record Cured(List<Cure> cures, boolean ended) {
    public Cured {
        cures = List.copyOf(cures);
    }

    /// What to say where there is none.
    public String words() {
        return ended
                ? "None of the turns that suggest themselves cures this without causing something else."
                : "None was found in the time; there may be one.";
    }
}
