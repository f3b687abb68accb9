package rivulus.show;

import rivulus.disk.Worded;

/// How somebody talks, by the vocal efforts of ISO 9921 (ANSI S3.5): the level at one metre in the
/// open, in dB(A).
public enum Loudness implements Worded {
    SOFTLY(54),
    NORMALLY(60),
    RAISED(66),
    LOUDLY(72),
    VERY_LOUDLY(78);

    private final double spl;

    Loudness(double spl) {
        this.spl = spl;
    }

    /// At one metre, in dB(A).
    public double spl() {
        return spl;
    }

    /// Louder than normal speech by that many dB.
    public double overNormalDb() {
        return spl - NORMALLY.spl;
    }
}
