package rivulus.hearing;

/// What two arrivals of one source do to each other.
///
/// @param gapMs time between them
/// @param belowDb how far the weaker lies under the stronger, 0 or more
/// @param together whether both come down one wire, and comb however near they are
public record Doubling(double gapMs, double belowDb, boolean together) {
    /// What is heard. Bounds are rules of thumb (REFERENCE, Time: precedence effect).
    public enum Effect {
        /// Under 1 ms, one in each ear: the image moves.
        SHIFTS(1),
        /// 1 to 30 ms, or less in one wire: one sound, but hollow.
        COLOURS(30),
        /// 30 to 50 ms.
        SLAPS(50),
        /// Over 50 ms: two sounds.
        ECHOES(Double.POSITIVE_INFINITY);

        private final double underMs;

        Effect(double underMs) {
            this.underMs = underMs;
        }

        /// The gap in ms at which the next effect begins.
        public double underMs() {
            return underMs;
        }
    }

    /// Two arrivals of one source.
    public static Doubling of(Arrival a, Arrival b) {
        return new Doubling(
                Math.abs(a.ms() - b.ms()),
                Math.abs(a.levelDb() - b.levelDb()),
                a.isTogetherWith(b));
    }

    /// What is heard.
    public Effect effect() {
        for (Effect effect : Effect.values())
            if (gapMs < effect.underMs && !(together && effect == Effect.SHIFTS)) return effect;
        return Effect.ECHOES;
    }

    /// The lowest frequency that is weakened most: 1/(2Δt), in Hz.
    public double firstNotchHz() {
        return 500 / gapMs;
    }

    /// How far from notch to notch: 1/Δt, in Hz.
    public double notchesHz() {
        return 1000 / gapMs;
    }

    /// How far peaks and notches lie apart, in dB: 20 log10((1 + a)/(1 − a)), a the weaker over the
    /// stronger.
    public double rippleDb() {
        double a = Math.pow(10, -belowDb / 20);
        return a > 0.999 ? 60 : 20 * Math.log10((1 + a) / (1 - a));
    }
}
