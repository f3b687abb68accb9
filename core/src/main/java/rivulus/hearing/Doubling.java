package rivulus.hearing;

/// What two arrivals of one source do to each other.
///
/// @param gapMs time between them
/// @param belowDb how far the weaker lies under the stronger, 0 or more
public record Doubling(double gapMs, double belowDb) {
    /// What is heard. Bounds are rules of thumb (REFERENCE, Time: precedence effect).
    public enum Effect {
        /// Under 1 ms: the image moves.
        SHIFTS(1, "moves the image"),
        /// 1 to 30 ms: one sound, but coloured.
        COLOURS(30, "fuses and colours, like speaking into a pipe"),
        /// 30 to 50 ms.
        SLAPS(50, "slaps back"),
        /// Over 50 ms: two sounds.
        ECHOES(Double.POSITIVE_INFINITY, "is heard as a separate echo");

        private final double underMs;
        private final String words;

        Effect(double underMs, String words) {
            this.underMs = underMs;
            this.words = words;
        }

        /// The gap in ms at which the next effect begins.
        public double underMs() {
            return underMs;
        }

        /// The effect in words.
        public String words() {
            return words;
        }
    }

    /// Two arrivals of one source.
    public static Doubling of(Arrival a, Arrival b) {
        return new Doubling(Math.abs(a.ms() - b.ms()), Math.abs(a.levelDb() - b.levelDb()));
    }

    /// What is heard.
    public Effect effect() {
        for (Effect effect : Effect.values()) if (gapMs < effect.underMs) return effect;
        return Effect.ECHOES;
    }

    /// The lowest frequency that is weakened most: 1/(2Δt), in Hz.
    public double firstNotchHz() {
        return 500 / gapMs;
    }

    /// How far peaks and notches lie apart, in dB: 20 log10((1 + a)/(1 − a)), a the weaker over the
    /// stronger.
    public double rippleDb() {
        double a = Math.pow(10, -belowDb / 20);
        return a > 0.999 ? 60 : 20 * Math.log10((1 + a) / (1 - a));
    }
}
