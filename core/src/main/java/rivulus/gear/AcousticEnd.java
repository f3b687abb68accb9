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
/// @param mvPerPa for a microphone on a lead: how many mV it gives for 1 Pa (94 dB SPL); NaN where
///     it has its own converter, or nobody said
/// @param noiseDba for a microphone: the sound in the air that would give its own noise, in dB(A)
/// @param mostSpl for a microphone: the loudest that it takes undistorted, in dB SPL
public record AcousticEnd(
        String id,
        Kind kind,
        String point,
        double loudDb,
        double hearsDb,
        double workedAtM,
        double ownM,
        double rejectsDb,
        double isolatesDb,
        double mvPerPa,
        double noiseDba,
        double mostSpl) {
    /// What a microphone gives for one pascal, and 1 Pa in dB SPL.
    private static final double PASCAL_SPL = 94;

    /// What it gives for a sound at its capsule, in dBu: 20 log10(mV/775) + SPL − 94 (the unit's
    /// exact 774.6 mV); NaN where it gives no analogue signal.
    public double dbu(double spl) {
        return 20 * Math.log10(mvPerPa / Electric.DBU_MV) + spl - PASCAL_SPL;
    }

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
