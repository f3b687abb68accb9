package rivulus.show;

/// When an evening is, and what somebody wants to remember about it.
///
/// @param date in the words of whoever said it: "1 December, doors at 19:30"; or empty
/// @param air when it goes on air, "20:00"; or empty
/// @param notes or empty
public record Occasion(String date, String air, String notes) {
    /// Nobody has said anything.
    public static final Occasion UNSAID = new Occasion("", "", "");
}
