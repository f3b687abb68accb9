package rivulus.cure;

import java.util.List;
import rivulus.check.Proof;
import rivulus.show.Turn;
import rivulus.words.Words;

/// Knob turns that cure a finding, tried and proven.
///
/// @param turns what to turn, in order
/// @param effort the sum of the knobs' efforts
/// @param after the proof of the show with all turns made
/// @param effects what changes for any ear, in any scene
public record Cure(
        List<Turn> turns, List<String> orders, int effort, Proof after, List<Effect> effects) {
    public Cure {
        turns = List.copyOf(turns);
        orders = List.copyOf(orders);
        effects = List.copyOf(effects);
    }

    /// The cure as an order: "Set Show desk · USB 1 chat feed to mix-minus."
    public String sentence() {
        return "Set " + Words.list(orders) + ".";
    }
}
