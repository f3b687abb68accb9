package rivulus.sound;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import rivulus.disk.FileTrouble;

/// Finds one recording in another: delay, level and drift.
///
/// Delays by generalised cross-correlation (Knapp and Carter 1976): with the phase transform where
/// both are recordings of the same thing, and with the spectrum of what is looked for flattened
/// (Roth) where it may be far under something else, as an echo is. Costs a few Fourier transforms
/// of what is compared, at most [#MOST_S].
public final class Comparing {
    /// Of longer recordings so much is compared, from the beginning.
    public static final double MOST_S = 80;

    private static final int SMOOTH_BINS = 400;
    private static final double RISES = 0.95;
    private static final double FLOOR = 1e-3;
    private static final double DRIFT_WINDOW_S = 8;
    private static final double DRIFT_LEAST_S = 20;

    private Comparing() {}

    /// A stretch of a recording, its channels together.
    public record Stretch(double[] samples, int rateHz) {}

    /// Reads a recording from its beginning, as far as [#MOST_S].
    ///
    /// @param channel counted from 0; −1 for all together
    public static Stretch read(Path file, int channel) throws FileTrouble {
        try (SoundFile wav = SoundFile.open(file)) {
            int rate = wav.format().rateHz();
            int most = (int) Math.min(wav.frames(), (long) (MOST_S * rate));
            double[] all = new double[most];
            double[][] block = new double[wav.format().channels()][1 << 13];
            int at = 0;
            for (int some = wav.read(block); some > 0 && at < most; some = wav.read(block))
                for (int i = 0; i < some && at < most; i++, at++)
                    if (channel >= 0) all[at] = block[channel][i];
                    else for (double[] one : block) all[at] += one[i] / block.length;
            return new Stretch(all, rate);
        }
    }

    /// The same stretch at some lower rate, for what voices do to each other: a mean of neighbours.
    ///
    /// @param atLeastHz what is left is at least so fast
    public static Stretch slower(Stretch stretch, int atLeastHz) {
        int every = Math.max(1, stretch.rateHz() / atLeastHz);
        double[] slow = new double[stretch.samples().length / every];
        for (int i = 0; i < slow.length; i++) {
            double sum = 0;
            for (int k = 0; k < every; k++) sum += stretch.samples()[i * every + k];
            slow[i] = sum / every;
        }
        return new Stretch(slow, stretch.rateHz() / every);
    }

    /// A stretch that is ready to be compared with several others: its transform is kept.
    public static final class Ready {
        private final Stretch stretch;
        private final Spectrum spectrum;
        private final double[] flat;

        private Ready(Stretch stretch, int n) {
            this.stretch = stretch;
            spectrum = Spectrum.of(Arrays.copyOf(stretch.samples(), n));
            flat = smoothed(spectrum, n);
        }
    }

    /// Stretches ready to be compared with each other.
    ///
    /// @throws FileTrouble where their rates differ
    public static List<Ready> ready(List<Stretch> stretches) throws FileTrouble {
        int longest = 1;
        for (Stretch stretch : stretches) {
            sameRate(stretches.getFirst(), stretch);
            longest = Math.max(longest, stretch.samples().length);
        }
        int n = Spectrum.length(2.0 * longest);
        return stretches.stream().map(stretch -> new Ready(stretch, n)).toList();
    }

    /// Two recordings of the same thing: how much later it is in the second.
    ///
    /// @throws FileTrouble where their rates differ
    public static Compared same(Stretch one, Stretch other) throws FileTrouble {
        List<Ready> both = ready(List.of(one, other));
        double[] correlation = correlate(both.getFirst(), both.getLast(), true);
        Found found = highest(correlation, correlation.length / 2, correlation.length / 2);
        return compared(one, other, found, drift(one, other, (int) Math.round(found.lag())));
    }

    /// One recording inside another that may be far louder: a send in a return, a voice in
    /// another's track.
    ///
    /// @param fromMs the least delay that is looked at
    /// @param toMs the greatest
    /// @throws FileTrouble where their rates differ
    public static Compared within(Stretch one, Stretch other, double fromMs, double toMs)
            throws FileTrouble {
        List<Ready> both = ready(List.of(one, other));
        return within(both.getFirst(), both.getLast(), fromMs, toMs);
    }

    /// The same of stretches that were made ready together.
    public static Compared within(Ready one, Ready other, double fromMs, double toMs) {
        double rate = one.stretch.rateHz();
        int from = (int) Math.round(fromMs * rate / 1000);
        int to = (int) Math.round(toMs * rate / 1000);
        Found found = highest(correlate(one, other, false), -from, to);
        return compared(one.stretch, other.stretch, found, 0);
    }

    private static void sameRate(Stretch one, Stretch other) throws FileTrouble {
        if (one.rateHz() != other.rateHz())
            throw new FileTrouble(
                    "two recordings of %d and %d Hz cannot be compared; make one like the other"
                            .formatted(one.rateHz(), other.rateHz()));
    }

    /// @param lag in samples
    private record Found(double lag, double clarity) {}

    /// The generalised cross-correlation, for lags from 0 on, negative ones from the end backwards.
    private static double[] correlate(Ready one, Ready other, boolean phaseOnly) {
        Spectrum x = one.spectrum;
        Spectrum y = other.spectrum;
        int n = one.flat.length;
        double[] re = new double[n];
        double[] im = new double[n];
        for (int k = 0; k < n; k++) {
            double a = x.re(k) * y.re(k) + x.im(k) * y.im(k);
            double b = x.re(k) * y.im(k) - x.im(k) * y.re(k);
            double weight = phaseOnly ? Math.hypot(a, b) : one.flat[k];
            if (weight <= 1e-30) continue;
            re[k] = a / weight;
            im[k] = b / weight;
        }
        return Spectrum.back(re, im);
    }

    /// The power of a spectrum, averaged over neighbours, with a floor a thousandth of its largest.
    private static double[] smoothed(Spectrum x, int n) {
        double[] sums = new double[n + 1];
        for (int k = 0; k < n; k++) sums[k + 1] = sums[k] + x.power(k);
        double[] smooth = new double[n];
        double most = 0;
        for (int k = 0; k < n; k++) {
            int from = Math.max(0, k - SMOOTH_BINS);
            int to = Math.min(n, k + SMOOTH_BINS + 1);
            smooth[k] = (sums[to] - sums[from]) / (to - from);
            most = Math.max(most, smooth[k]);
        }
        for (int k = 0; k < n; k++) smooth[k] += most * FLOOR;
        return smooth;
    }

    /// The highest value and, since a flattened peak is a sinc, how far between two lags it lies:
    /// of sin(πδ)/πδ and sin(πδ)/π(1 − δ) the second over both is δ.
    private static Found highest(double[] correlation, int before, int after) {
        int n = correlation.length;
        int best = 0;
        double most = -1;
        double sum = 0;
        for (int lag = -before; lag < after; lag++) {
            double value = Math.abs(correlation[Math.floorMod(lag, n)]);
            sum += value * value;
            if (value > most) {
                most = value;
                best = lag;
            }
        }
        double mean = (sum - most * most) / Math.max(1, before + after - 1);
        double sign = Math.signum(correlation[Math.floorMod(best, n)]);
        double left = sign * correlation[Math.floorMod(best - 1, n)];
        double right = sign * correlation[Math.floorMod(best + 1, n)];
        double shift = 0;
        if (right > left && right > 0) shift = right / (most + right);
        else if (left > right && left > 0) shift = -left / (most + left);
        return new Found(best + shift, 10 * Math.log10(most * most / Math.max(mean, 1e-300)));
    }

    private static Compared compared(Stretch one, Stretch other, Found found, double driftPpm) {
        double rate = one.rateHz();
        return new Compared(
                found.lag() / rate * 1000,
                level(one.samples(), other.samples(), (int) Math.round(found.lag())),
                driftPpm,
                found.clarity());
    }

    /// How much of one is in the other at a lag, by least squares, with low and high voices alike
    /// in weight: of each the difference from sample to sample.
    private static double level(double[] one, double[] other, int lag) {
        double both = 0;
        double alone = 0;
        int from = Math.max(1, 1 - lag);
        int to = Math.min(one.length, other.length - lag);
        for (int i = from; i < to; i++) {
            double x = one[i] - RISES * one[i - 1];
            both += x * (other[i + lag] - RISES * other[i + lag - 1]);
            alone += x * x;
        }
        return alone == 0 ? Double.NEGATIVE_INFINITY : 20 * Math.log10(Math.abs(both) / alone);
    }

    /// The slope of the delays of windows along the way, by least squares; 0 where it is too short.
    private static double drift(Stretch one, Stretch other, int lag) {
        double rate = one.rateHz();
        int window = (int) (DRIFT_WINDOW_S * rate);
        int from = Math.max(0, -lag);
        int to = Math.min(one.samples().length, other.samples().length - lag);
        if (to - from < DRIFT_LEAST_S * rate) return 0;
        double n = 0;
        double st = 0;
        double sd = 0;
        double stt = 0;
        double std = 0;
        for (int at = from; at + window <= to; at += window) {
            double[] a = Arrays.copyOfRange(one.samples(), at, at + window);
            double[] b = Arrays.copyOfRange(other.samples(), at + lag, at + lag + window);
            int around = (int) (rate / 20);
            int length = Spectrum.length(2.0 * window);
            Ready first = new Ready(new Stretch(a, one.rateHz()), length);
            Ready second = new Ready(new Stretch(b, one.rateHz()), length);
            Found found = highest(correlate(first, second, true), around, around);
            if (found.clarity() < 15) continue;
            double t = at / rate;
            double d = found.lag() / rate;
            n++;
            st += t;
            sd += d;
            stt += t * t;
            std += t * d;
        }
        double spread = n * stt - st * st;
        return n < 3 || spread == 0 ? 0 : (n * std - st * sd) / spread * 1e6;
    }
}
