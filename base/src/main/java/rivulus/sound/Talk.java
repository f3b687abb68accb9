package rivulus.sound;

import java.util.Random;

/// Something that sounds like somebody talking and says nothing: pulses and breath through three
/// formants, in syllables, phrases and pauses. The same seed talks the same.
public final class Talk {
    /// First, second and third formant of some vowels, in Hz (Peterson and Barney 1952, rounded).
    private static final double[][] VOWELS = {
        {730, 1090, 2440}, {530, 1840, 2480}, {270, 2290, 3010}, {570, 840, 2410}, {300, 870, 2240}
    };

    private static final double[] WIDTHS = {80, 110, 160};

    private final Random random;
    private final double pitchHz;
    private final double rateHz;
    private final double[] y1 = new double[3];
    private final double[] y2 = new double[3];
    private double phase;
    private double last;

    private Talk(double pitchHz, long seed, double rateHz) {
        this.pitchHz = pitchHz;
        this.rateHz = rateHz;
        random = new Random(seed);
    }

    /// Somebody talking for a while, its largest sample near 1.
    ///
    /// @param pitchHz how high, 80 to 300
    public static double[] of(double pitchHz, long seed, double seconds, double rateHz) {
        return new Talk(pitchHz, seed, rateHz).talk((int) Math.round(seconds * rateHz));
    }

    private double[] talk(int count) {
        double[] talk = new double[count];
        int at = (int) (random.nextDouble() * 0.5 * rateHz);
        while (at < count) {
            int syllables = 5 + random.nextInt(9);
            for (int s = 0; s < syllables && at < count; s++) {
                int length = (int) ((0.14 + 0.16 * random.nextDouble()) * rateHz);
                double stress = 0.5 + 0.5 * random.nextDouble();
                double falls = 1.12 - 0.2 * s / syllables;
                syllable(talk, at, Math.min(length, count - at), length, stress, falls);
                at += length;
            }
            at += (int) ((0.35 + 0.9 * random.nextDouble()) * rateHz);
        }
        double most = 1e-9;
        for (double x : talk) most = Math.max(most, Math.abs(x));
        for (int i = 0; i < count; i++) talk[i] /= most;
        return talk;
    }

    private void syllable(
            double[] talk, int at, int count, int length, double stress, double falls) {
        double[] vowel = VOWELS[random.nextInt(VOWELS.length)];
        int consonant = (int) (length * (0.1 + 0.2 * random.nextDouble()));
        boolean hisses = random.nextBoolean();
        for (int i = 0; i < count; i++) {
            double part = i / (double) length;
            double open = Math.sin(Math.PI * part);
            double pulse = pulse(falls * (1 + 0.02 * Math.sin(i * 35 / rateHz)));
            double breath = 0.02 * random.nextGaussian();
            double sound = 0;
            for (int f = 0; f < vowel.length; f++)
                sound += formant(f, vowel[f], open * (pulse + breath)) / (1 + f);
            if (i < consonant && hisses) {
                double noise = random.nextGaussian();
                sound += 0.15 * (noise - last) * Math.sin(Math.PI * i / consonant);
                last = noise;
            }
            talk[at + i] += stress * sound;
        }
    }

    /// A pulse each period.
    private double pulse(double bend) {
        phase += pitchHz * bend / rateHz;
        if (phase < 1) return 0;
        phase -= 1;
        return 1;
    }

    private double formant(int f, double hz, double x) {
        double r = Math.exp(-Math.PI * WIDTHS[f] / rateHz);
        double y =
                x * (1 - r) * 4
                        + 2 * r * Math.cos(2 * Math.PI * hz / rateHz) * y1[f]
                        - r * r * y2[f];
        y2[f] = y1[f];
        y1[f] = y;
        return y;
    }
}
