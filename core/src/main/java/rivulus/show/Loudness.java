package rivulus.show;

import java.util.Arrays;
import java.util.Optional;
import rivulus.disk.Worded;

/// How loud somebody is at one metre in the open, in dB(A): how they talk, by the vocal efforts of
/// ISO 9921 (ANSI S3.5), or what they play, by a rough table of moderately loud playing ~.
public enum Loudness implements Worded {
    SOFTLY(54, "talks softly"),
    NORMALLY(60, "talks normally"),
    RAISED(66, "talks raised"),
    LOUDLY(72, "talks loudly"),
    VERY_LOUDLY(78, "talks very loudly"),
    SINGS(76, "sings"),
    PLUCKED_STRINGS(68, "plays plucked strings"),
    BOWED_STRINGS(78, "plays bowed strings"),
    WOODWIND(82, "plays woodwind"),
    KEYS(80, "plays keys"),
    BRASS(92, "plays brass"),
    DRUMS(100, "plays drums");

    private static final String TALKS = "talks ";

    private final double spl;
    private final String words;

    Loudness(double spl, String words) {
        this.spl = spl;
        this.words = words;
    }

    /// What is meant by words such as "talks softly", "softly", "plays brass"; empty for others.
    public static Optional<Loudness> said(String words) {
        String low = words.replace('-', ' ');
        return Arrays.stream(values())
                .filter(one -> one.words.equals(low) || one.words.equals(TALKS + low))
                .findFirst();
    }

    /// In words: "talks softly", "plays brass".
    public String words() {
        return words;
    }

    /// At one metre, in dB(A).
    public double spl() {
        return spl;
    }

    /// Whether it is a talker, whom what is said of talkers is about.
    public boolean isTalk() {
        return words.startsWith(TALKS);
    }

    /// Louder than normal speech by that many dB.
    public double overNormalDb() {
        return spl - NORMALLY.spl;
    }
}
