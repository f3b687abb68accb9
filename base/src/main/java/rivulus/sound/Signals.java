package rivulus.sound;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.Random;

/// Test signals to play through the gear: two channels, 48 kHz, 24 bits.
public enum Signals {
    /// 1 kHz at line-up, to set gear by.
    LINE_UP("A tone of 1 kHz at −18 dBFS (EBU R 68), 30 s.", 30) {
        @Override
        void make(double[][] out, long from, int count) {
            tone(out, from, count, -18);
        }
    },
    /// 1 kHz at the other line-up.
    LINE_UP_20("A tone of 1 kHz at −20 dBFS (SMPTE RP 155), 30 s.", 30) {
        @Override
        void make(double[][] out, long from, int count) {
            tone(out, from, count, -20);
        }
    },
    /// As loud in every octave, to set loudspeakers and headphones by.
    PINK("Pink noise at −23 LUFS, 30 s, the same on both sides.", 30) {
        @Override
        void make(double[][] out, long from, int count) {
            Pink pink = new Pink();
            pink.skip(from);
            for (int i = 0; i < count; i++) both(out, i, PINK_GAIN * pink.next());
        }
    },
    /// From low to high, to hear what is missing or rattles.
    SWEEP("A sweep from 20 Hz to 20 kHz at −23 dBFS, 20 s.", 20) {
        @Override
        void make(double[][] out, long from, int count) {
            double length = seconds() * RATE;
            double grows = Math.log(1000) / length;
            for (int i = 0; i < count; i++) {
                double t = from + i;
                double phase = 2 * Math.PI * 20 / RATE * (Math.exp(grows * t) - 1) / grows;
                double fade = Math.min(1, Math.min(t, length - t) / 480);
                both(out, i, fade * Math.pow(10, -23 / 20.0) * Math.sin(phase));
            }
        }
    },
    /// Clicks at uneven distances: the same in two recordings only one way.
    CLAP("Claps at −12 dBFS at uneven distances, 10 s, for sound against picture.", 10) {
        @Override
        void make(double[][] out, long from, int count) {
            for (int i = 0; i < count; i++) {
                double value = 0;
                for (double clap : CLAPS) {
                    double t = (from + i) / (double) RATE - clap;
                    if (t >= 0 && t < 0.08) value += clap(t);
                }
                both(out, i, value);
            }
        }
    },
    /// Left, right, both, both with one side turned over.
    SIDES(
            "Bursts like speech at −23 dBFS: left, right, both, both with the right turned over.",
            16) {
        @Override
        void make(double[][] out, long from, int count) {
            double[] sounds = {1, 0, 0, 1, 1, 1, 1, -1};
            for (int i = 0; i < count; i++) {
                double t = (from + i) / (double) RATE;
                int turn = (int) (t / 4) % 4;
                double in = t % 4;
                double syllable = Math.pow(Math.sin(Math.PI * Math.min(in, 3) * 2), 2);
                double voice = 0;
                for (int h = 1; h <= 20; h++)
                    voice += Math.sin(2 * Math.PI * 130 * h * t + h * h) / h;
                double value = in > 3 ? 0 : Math.pow(10, -23 / 20.0) * syllable * voice;
                out[0][i] = sounds[2 * turn] * value;
                out[1][i] = sounds[2 * turn + 1] * value;
            }
        }
    };

    /// Samples a second.
    public static final int RATE = 48_000;

    private static final double[] CLAPS = {1, 2.1, 3.5, 5.3, 7.6};
    private static final double PINK_GAIN = 0.0573;

    private final String about;
    private final int seconds;

    Signals(String about, int seconds) {
        this.about = about;
        this.seconds = seconds;
    }

    /// By which it is asked for: `line-up`.
    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /// What it is, with its level.
    public String about() {
        return about;
    }

    /// The beginning of what it is: "A tone of 1 kHz at −18 dBFS".
    public String title() {
        return about.split(" \\(|, |\\.$")[0];
    }

    /// All of it, as the bytes of a file.
    public byte[] wav() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            write(bytes);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return bytes.toByteArray();
    }

    /// What to mind before it is played.
    public static String caution() {
        return "Turn loudspeakers and headphones down before it is played, and up while it plays.";
    }

    int seconds() {
        return seconds;
    }

    /// Makes some samples of both channels.
    abstract void make(double[][] out, long from, int count);

    /// Writes all of it.
    public void write(OutputStream to) throws IOException {
        long frames = (long) seconds * RATE;
        double[][] second = new double[2][RATE];
        try (WavWriter wav = new WavWriter(to, new WavFormat(2, RATE, 24, false), frames)) {
            for (int s = 0; s < seconds; s++) {
                make(second, (long) s * RATE, RATE);
                wav.write(second, RATE);
            }
        }
    }

    private static void both(double[][] out, int at, double value) {
        out[0][at] = value;
        out[1][at] = value;
    }

    private static void tone(double[][] out, long from, int count, double dbfs) {
        double size = Math.pow(10, dbfs / 20);
        for (int i = 0; i < count; i++)
            both(out, i, size * Math.sin(2 * Math.PI * 1000 * ((from + i) % RATE) / RATE));
    }

    /// A burst of noise that dies away, always the same.
    private static double clap(double t) {
        double noise = Math.sin(t * 91_237.1) * Math.sin(t * 53_411.7 + 1);
        return 0.25 * noise * Math.exp(-t * 90);
    }

    /// White noise through a filter of −3 dB an octave (three poles and zeros), always the same.
    private static final class Pink {
        private final Random random = new Random(1);
        private double a;
        private double b;
        private double c;

        void skip(long samples) {
            for (long i = 0; i < samples; i++) next();
        }

        double next() {
            double white = random.nextGaussian();
            a = 0.99765 * a + 0.0990460 * white;
            b = 0.96300 * b + 0.2965164 * white;
            c = 0.57000 * c + 1.0526913 * white;
            return 0.3 * (a + b + c + 0.1848 * white);
        }
    }
}
