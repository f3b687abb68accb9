package rivulus.sound;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import rivulus.disk.FileTrouble;

/// Recordings made for tests: tones, silence and noise, one after the other, in files.
final class Tones {
    static final int RATE = 48_000;

    private final int rate;
    private final List<double[]> parts = new ArrayList<>();
    private double[] gains = {1, 1};
    private long at;

    Tones() {
        this(RATE);
    }

    Tones(int rate) {
        this.rate = rate;
    }

    /// The gain of each channel; stereo of 1 where nothing is said.
    Tones channels(double... channelGains) {
        gains = channelGains;
        return this;
    }

    /// A sine whose peak has that level.
    Tones tone(double hz, double dbfs, double seconds) {
        double size = Math.pow(10, dbfs / 20);
        return add(seconds, i -> size * Math.sin(2 * Math.PI * hz * i / rate));
    }

    Tones silence(double seconds) {
        return add(seconds, _ -> 0);
    }

    /// White noise of that RMS level.
    Tones noise(double dbfs, double seconds, long seed) {
        Random random = new Random(seed);
        double size = Math.pow(10, dbfs / 20);
        return add(seconds, _ -> size * random.nextGaussian());
    }

    Tones add(double seconds, IntToDoubleFunction sample) {
        int count = (int) Math.round(seconds * rate);
        double[] part = new double[count];
        for (int i = 0; i < count; i++) part[i] = sample.applyAsDouble((int) at + i);
        at += count;
        parts.add(part);
        return this;
    }

    /// All of it.
    double[] samples() {
        double[] all = new double[(int) at];
        int from = 0;
        for (double[] part : parts) {
            System.arraycopy(part, 0, all, from, part.length);
            from += part.length;
        }
        return all;
    }

    Path file(Path folder, int bits, boolean isFloat) {
        double[] all = samples();
        double[][] each = new double[gains.length][all.length];
        for (int c = 0; c < gains.length; c++)
            for (int i = 0; i < all.length; i++) each[c][i] = gains[c] * all[i];
        return write(folder, rate, bits, isFloat, each);
    }

    static Path write(Path folder, int rate, int bits, boolean isFloat, double[]... channels) {
        try {
            Path file = Files.createTempFile(folder, "made", ".wav");
            WavFormat format = new WavFormat(channels.length, rate, bits, isFloat);
            try (WavWriter out =
                    new WavWriter(Files.newOutputStream(file), format, channels[0].length)) {
                out.write(channels, channels[0].length);
            }
            return file;
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    Measured measured(Path folder) {
        return of(file(folder, 24, false));
    }

    static Measured of(Path file) {
        try {
            Optional<Measured> found = Measuring.of(file, _ -> true);
            return found.orElseThrow();
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }
}
