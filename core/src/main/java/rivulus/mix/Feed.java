package rivulus.mix;

import java.util.List;
import java.util.Optional;
import rivulus.show.Ear;
import rivulus.show.Mix;
import rivulus.show.Ref;

/// An output with a mix of its own.
///
/// @param at the point where it is mixed
/// @param device the name of the gear
/// @param label what the output is called there
/// @param listeners who hears it at the end, as the knobs stand
/// @param says what it is to carry, where somebody said so
/// @param carries what it carries where no scene turns anything, as the shortest sentence
/// @param asked what the brief would ask for; empty where nobody listens, or where those who do
///     cannot all have theirs
/// @param torn who cannot have the same, one clause each: "Bram must hear Nadia, and Nadia must not
///     hear herself"
/// @param state how it stands with what it says
public record Feed(
        Ref at,
        String device,
        String label,
        List<Ear> listeners,
        Optional<Mix> says,
        List<Mix.Step> carries,
        Optional<List<Mix.Step>> asked,
        List<String> torn,
        State state) {
    public Feed {
        listeners = List.copyOf(listeners);
        carries = List.copyOf(carries);
        torn = List.copyOf(torn);
    }

    /// How a feed stands with what it says.
    public enum State {
        /// Nobody has said what it is to carry.
        UNSAID,
        /// It carries what it says.
        SO,
        /// It carries something else.
        OTHERWISE
    }

    /// "Show desk · USB 1 call"
    public String name() {
        return device + " · " + label;
    }
}
