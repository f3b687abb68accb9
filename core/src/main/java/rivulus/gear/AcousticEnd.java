package rivulus.gear;

/// Where gear or a person meets the air or an ear.
///
/// Levels are relative to a mouth heard at one metre, so that gain in the air is `loudDb +
/// air(distance) + hearsDb`.
///
/// @param point the point that sounds, hears, or is worn
/// @param loudDb for what sounds: how loud at one metre against a mouth, in dB
/// @param hearsDb for what hears: its gain against a mouth at one metre
/// @param workedAtM for a microphone: how near it is spoken into, in metres; where it is worn, it
///     sits there
/// @param ownM for a microphone: how far the machine's own loudspeaker is from it, in metres
/// @param rejectsDb how much less it gives to, or takes from, what it is not aimed at, in dB, 0 or
///     more
/// @param isolatesDb for what is worn: how much it dulls the air for its wearer, in dB, 0 or more
public record AcousticEnd(
        String id,
        Kind kind,
        String point,
        double loudDb,
        double hearsDb,
        double workedAtM,
        double ownM,
        double rejectsDb,
        double isolatesDb) {
    /// What the end does.
    public enum Kind {
        /// A mouth: sounds in the air.
        MOUTH,
        /// A loudspeaker: sounds in the air.
        LOUDSPEAKER,
        /// A microphone: hears the air.
        MICROPHONE,
        /// An open ear: hears the air.
        EAR,
        /// An earpiece: feeds the worn side of its wearer's ear.
        WORN;

        /// Whether it puts sound into the air.
        public boolean sounds() {
            return this == MOUTH || this == LOUDSPEAKER;
        }

        /// Whether it takes sound from the air.
        public boolean hearsAir() {
            return this == MICROPHONE || this == EAR;
        }
    }
}
