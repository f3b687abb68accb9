package rivulus.sound;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;
import rivulus.disk.FileTrouble;

/// Measures recordings from beginning to end, in constant memory but for a few bytes a tenth of a
/// second. Channels are measured side by side.
public final class Measuring {
    private static final int BLOCK = 1 << 14;
    private static final double SURROUND = 1.41;

    private Measuring() {}

    /// Measures a file.
    ///
    /// @param goesOn asked now and then, with the part that is done, 0 to 1; no ends it
    /// @return empty where it was ended
    public static Optional<Measured> of(Path file, DoublePredicate goesOn) throws FileTrouble {
        try (SoundFile wav = SoundFile.open(file)) {
            return of(wav, goesOn);
        }
    }

    private static Optional<Measured> of(SoundFile wav, DoublePredicate goesOn) throws FileTrouble {
        WavFormat format = wav.format();
        int count = format.channels();
        ChannelMeter[] meters = new ChannelMeter[count];
        boolean isOne = weights(count).length > 0;
        for (int c = 0; c < count; c++)
            meters[c] = new ChannelMeter(c + 1, format, wav.frames(), isOne);
        int block = Math.max(256, BLOCK / Math.max(1, count / 8));
        double[][] samples = new double[count][block];
        double[] sides = new double[3];
        long done = 0;
        for (int some = wav.read(samples); some > 0; some = wav.read(samples)) {
            int read = some;
            each(count).forEach(c -> meters[c].take(samples[c], read));
            if (count == 2) compare(samples, some, sides);
            done += some;
            if (!goesOn.test(done / (double) Math.max(1, wav.frames()))) return Optional.empty();
        }
        List<Channel> channels = each(count).mapToObj(c -> meters[c].measured()).toList();
        return Optional.of(
                new Measured(
                        wav.name(),
                        format,
                        done / (double) format.rateHz(),
                        channels,
                        programme(meters, channels),
                        count == 2 ? Optional.of(stereo(sides)) : Optional.empty(),
                        wav.notes()));
    }

    private static IntStream each(int count) {
        IntStream all = IntStream.range(0, count);
        return count > 1 ? all.parallel() : all;
    }

    private static void compare(double[][] samples, int count, double[] sides) {
        double left = 0;
        double right = 0;
        double both = 0;
        for (int i = 0; i < count; i++) {
            left += samples[0][i] * samples[0][i];
            right += samples[1][i] * samples[1][i];
            both += samples[0][i] * samples[1][i];
        }
        sides[0] += left;
        sides[1] += right;
        sides[2] += both;
    }

    private static Measured.Stereo stereo(double[] sides) {
        double least = 1e-20;
        double size = Math.sqrt(sides[0] * sides[1]);
        return new Measured.Stereo(
                size < least ? 0 : sides[2] / size,
                10 * Math.log10((sides[0] + least) / (sides[1] + least)));
    }

    /// The channels' weights; none where they are not one programme. Of six the fourth is the
    /// low-frequency channel, which does not count.
    private static double[] weights(int channels) {
        return switch (channels) {
            case 1 -> new double[] {1};
            case 2 -> new double[] {1, 1};
            case 5 -> new double[] {1, 1, 1, SURROUND, SURROUND};
            case 6 -> new double[] {1, 1, 1, 0, SURROUND, SURROUND};
            default -> new double[0];
        };
    }

    private static Optional<Measured.Programme> programme(
            ChannelMeter[] meters, List<Channel> channels) {
        double[] weights = weights(meters.length);
        if (weights.length == 0) return Optional.empty();
        double[] tenths = new double[meters[0].tenths().length];
        double[] hundredths = new double[meters[0].hundredths().length];
        for (int c = 0; c < meters.length; c++) {
            double[] own = meters[c].tenths();
            for (int t = 0; t < tenths.length; t++) tenths[t] += weights[c] * own[t];
            float[] fine = meters[c].hundredths();
            for (int t = 0; t < fine.length; t++) hundredths[t] += weights[c] * fine[t];
        }
        Loudness loudness = new Loudness(tenths);
        return Optional.of(
                new Measured.Programme(
                        loudness.integrated(),
                        loudness.range(),
                        Loudness.lufs(Loudness.mostOf(hundredths, 40)),
                        Loudness.loudest(loudness.shortTerm()),
                        channels.stream()
                                .mapToDouble(Channel::truePeakDbtp)
                                .max()
                                .orElse(Double.NEGATIVE_INFINITY),
                        ChannelMeter.spread(loudness.shortTerm(), Double.NEGATIVE_INFINITY)));
    }
}
