package rivulus.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/// Looks for hum: lines at 50 or 60 Hz and their multiples that stand still while all else comes
/// and goes.
///
/// Up to eight stretches of ten seconds are kept, spread evenly over the channel, at some 3 kHz. In
/// each, every line is measured with tenths of seconds weighted by the inverse of their power, so
/// that pauses count and talk does not, in phase over the whole stretch, at the frequency within
/// 0.2 Hz at which it is strongest; and so is what lies 1 to 4 Hz beside it. A line is one that
/// stands far over what is beside it in most stretches.
final class HumMeter {
    private static final int STRETCHES = 8;
    private static final double STRETCH_S = 10;
    private static final double LEAST_S = 2;
    private static final double RATE = 3000;
    private static final int SPAN = 4;
    private static final int HARMONICS = 10;
    private static final int[] BASES = {50, 60};
    private static final double WANDERS_HZ = 0.2;
    private static final double BESIDE_FROM_HZ = 1;
    private static final double BESIDE_TO_HZ = 4;
    private static final double LINE_DB = 14;
    private static final double ALONE_DB = 24;

    private final double rateHz;
    private final int every;
    private final double slowHz;
    private final double[] filter;
    private final double[] line;
    private int filled;
    private final int stretchLength;
    private final long stride;
    private final List<float[]> stretches = new ArrayList<>();
    private int inStretch;
    private long slow;

    /// @param frames how long the channel will be
    HumMeter(double rateHz, long frames) {
        this.rateHz = rateHz;
        every = Math.max(1, (int) Math.floor(rateHz / RATE));
        slowHz = rateHz / every;
        filter = Spectrum.hann(SPAN * every);
        double sum = Arrays.stream(filter).sum();
        for (int i = 0; i < filter.length; i++) filter[i] /= sum;
        line = new double[filter.length];
        long all = frames / every;
        stretchLength = (int) Math.min(all, Math.round(STRETCH_S * slowHz));
        stride = Math.max(stretchLength, all / STRETCHES);
    }

    /// Keeps what falls into the stretches, made slow.
    void take(double[] x, int count) {
        int i = 0;
        while (i < count) {
            int some = Math.min(count - i, line.length - filled);
            System.arraycopy(x, i, line, filled, some);
            filled += some;
            i += some;
            if (filled < line.length) return;
            slow();
            System.arraycopy(line, every, line, 0, line.length - every);
            filled = line.length - every;
        }
    }

    private void slow() {
        long into = stride == 0 ? 0 : slow % stride;
        slow++;
        if (into >= stretchLength) return;
        if (into == 0) {
            stretches.add(new float[stretchLength]);
            inStretch = 0;
        }
        double sum = 0;
        for (int k = 0; k < line.length; k++) sum += filter[k] * line[k];
        stretches.getLast()[inStretch++] = (float) sum;
    }

    Optional<Hum> hum() {
        if (stretches.size() > 1 && inStretch < stretchLength) stretches.removeLast();
        List<float[]> whole = stretches.stream().filter(s -> s.length >= LEAST_S * slowHz).toList();
        if (whole.isEmpty()) return Optional.empty();
        List<Weighed> weighed = whole.stream().map(Weighed::new).toList();
        Optional<Hum> best = Optional.empty();
        int most = 0;
        for (int base : BASES) {
            double power = 0;
            double over = 0;
            int count = 0;
            for (int h = 1; h <= HARMONICS; h++) {
                Line[] lines = new Line[weighed.size()];
                for (int s = 0; s < lines.length; s++) lines[s] = weighed.get(s).line(base, h);
                double db = median(Arrays.stream(lines).mapToDouble(Line::overDb).toArray());
                if (db < LINE_DB) continue;
                count++;
                double size = median(Arrays.stream(lines).mapToDouble(Line::size).toArray());
                power += size * size;
                over = Math.max(over, db);
            }
            boolean hums = count >= 2 || count == 1 && over >= ALONE_DB;
            if (!hums || count < most) continue;
            Hum hum = new Hum(base, 10 * Math.log10(power), over);
            if (count > most || hum.dbfs() > best.orElseThrow().dbfs()) best = Optional.of(hum);
            most = count;
        }
        return best;
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        return values[values.length / 2];
    }

    /// A line of a stretch.
    ///
    /// @param size its amplitude, 1 at full scale
    /// @param overDb how far it stands over what is beside it
    private record Line(double size, double overDb) {}

    /// A stretch whose tenths are weighted by the inverse of their power.
    private final class Weighed {
        private final float[] samples;
        private final int tenth = (int) Math.round(slowHz / 10);
        private final double[] weights;
        private final double sum;

        Weighed(float[] samples) {
            this.samples = samples;
            weights = new double[samples.length / tenth];
            double total = 0;
            for (int k = 0; k < weights.length; k++) {
                double power = 1e-14;
                for (int i = k * tenth; i < (k + 1) * tenth; i++)
                    power += (double) samples[i] * samples[i];
                weights[k] = 1 / power;
                total += weights[k] * tenth;
            }
            sum = total;
        }

        Line line(int base, int harmonic) {
            double hz = base * harmonic;
            double[] re = new double[weights.length];
            double[] im = new double[weights.length];
            for (int k = 0; k < weights.length; k++) demodulate(k, hz, re, im);
            double seconds = weights.length / 10.0;
            double step = 0.5 / seconds;
            double wanders = WANDERS_HZ * harmonic;
            double most = 0;
            for (double d = -wanders; d <= wanders + 1e-9; d += step)
                most = Math.max(most, power(re, im, d));
            int steps = (int) ((BESIDE_TO_HZ - BESIDE_FROM_HZ) / (2 * step)) + 1;
            double[] beside = new double[2 * steps];
            double from = Math.max(BESIDE_FROM_HZ, wanders + 2 / seconds);
            for (int i = 0; i < steps; i++) {
                beside[2 * i] = power(re, im, from + 2 * step * i);
                beside[2 * i + 1] = power(re, im, -from - 2 * step * i);
            }
            double over = 10 * Math.log10(most / Math.max(median(beside), 1e-30));
            return new Line(2 * Math.sqrt(most) / sum / response(hz), over);
        }

        private void demodulate(int k, double hz, double[] re, double[] im) {
            double turn = 2 * Math.PI * hz / slowHz;
            double cos = Math.cos(turn * k * tenth);
            double sin = Math.sin(turn * k * tenth);
            double dc = Math.cos(turn);
            double ds = Math.sin(turn);
            for (int i = k * tenth; i < (k + 1) * tenth; i++) {
                re[k] += samples[i] * cos;
                im[k] -= samples[i] * sin;
                double next = cos * dc - sin * ds;
                sin = sin * dc + cos * ds;
                cos = next;
            }
        }

        /// The weighted tenths together, at a frequency that is off by so much.
        private double power(double[] re, double[] im, double offHz) {
            double a = 0;
            double b = 0;
            double turn = 2 * Math.PI * offHz * tenth / slowHz;
            for (int k = 0; k < weights.length; k++) {
                double cos = Math.cos(turn * k) * weights[k];
                double sin = Math.sin(turn * k) * weights[k];
                a += re[k] * cos + im[k] * sin;
                b += im[k] * cos - re[k] * sin;
            }
            return a * a + b * b;
        }
    }

    /// What the slowing filter leaves of a frequency.
    private double response(double hz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < filter.length; i++) {
            re += filter[i] * Math.cos(2 * Math.PI * hz * i / rateHz);
            im += filter[i] * Math.sin(2 * Math.PI * hz * i / rateHz);
        }
        return Math.hypot(re, im);
    }
}
