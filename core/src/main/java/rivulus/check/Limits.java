package rivulus.check;

/// Where the checks draw their lines. Rules of thumb (REFERENCE), each adjustable.
///
/// @param heardDb what must be heard is missing under this level, in dB against nominal
/// @param faintDb what must be heard is faint under this level
/// @param leakDb what must not be heard leaks above this level
/// @param bleedDb the same on a record track, where neighbours always bleed a little
/// @param ownVoiceDb own voice under this level does not matter
/// @param ownVoiceMs own voice is late from here on
/// @param ownVoiceBadMs own voice disturbs from here on
/// @param echoRating a caller's echo is a caution under this E-model rating
/// @param echoBadRating and a problem under this one
/// @param colourDb a second arrival that fuses matters within this many dB of the first
///     (three-to-one rule, ~10 dB)
/// @param slapDb the same between 30 and 50 ms
/// @param echoDb the same over 50 ms
/// @param loopDb a loop wants at least this margin
public record Limits(
        double heardDb,
        double faintDb,
        double leakDb,
        double bleedDb,
        double ownVoiceDb,
        double ownVoiceMs,
        double ownVoiceBadMs,
        double echoRating,
        double echoBadRating,
        double colourDb,
        double slapDb,
        double echoDb,
        double loopDb) {
    /// The lines as they ship.
    public static final Limits USUAL =
            new Limits(-30, -20, -30, -12, -25, 10, 30, 75, 60, 10, 15, 25, 6);
}
