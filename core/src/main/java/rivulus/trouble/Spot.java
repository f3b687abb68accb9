package rivulus.trouble;

/// A place where somebody can look whether all is as planned: a channel of a desk, a lead, a page
/// of a computer, a power switch.
///
/// @param words "MIC 1 on Show desk", "lead 04 at both ends"
/// @param who who can look there; empty for whoever is at the gear
public record Spot(String id, String words, String who, double minutes) {
    /// The same, looked at for longer.
    Spot takes(double longer) {
        return longer <= minutes ? this : new Spot(id, words, who, longer);
    }
}
