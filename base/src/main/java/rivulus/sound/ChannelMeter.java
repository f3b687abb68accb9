package rivulus.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import rivulus.sound.Channel.Span;

/// Measures one channel as it passes.
final class ChannelMeter {
    private static final int CURVE = 600;
    private static final int MOMENTARY = 40;
    private static final double SILENT_RMS = Math.pow(10, -70 / 20.0);
    private static final double SILENCE_S = 2;
    private static final int FULL_RUN = 3;
    private static final int FLAT_RUN = 8;
    private static final double FLAT_LEAST = 0.1;
    private static final double STANDS_OUT_DB = 12;

    private final int number;
    private final double rateHz;
    private final double fullScale;
    private final KWeighting weighting;
    private final TruePeak truePeak;
    private final HumMeter hum;
    private final double[] weighted;
    private final float[] plain;
    private final float[] peaks;
    /// The same of hundredths, where the channel is one of a programme; else none are kept.
    private final float[] hundredths;

    private final double[] recent = new double[MOMENTARY];
    private int hundredth;
    private int tenth;
    private long seen;
    private long next;
    private double energy;
    private double tenthEnergy;
    private double momentary;
    private double squares;
    private double largest;
    private double peak;
    private double sum;
    private double last = Double.NaN;
    private long run = 1;
    private int clipped;
    private int flats;
    private double flatAt;
    private final List<Span> clips = new ArrayList<>();
    private final List<Span> flatSpans = new ArrayList<>();

    /// @param frames how long it will be; less may come
    /// @param isPart whether it is one of a programme's channels
    ChannelMeter(int number, WavFormat format, long frames, boolean isPart) {
        this.number = number;
        rateHz = format.rateHz();
        fullScale = format.isFloat() ? 0.99997 : 1 - 1.5 / (1L << format.bits() - 1);
        weighting = new KWeighting(rateHz);
        truePeak = new TruePeak(rateHz);
        hum = new HumMeter(rateHz, frames);
        int tenths = (int) (frames * 10 / format.rateHz()) + 2;
        weighted = new double[tenths];
        plain = new float[tenths];
        peaks = new float[tenths];
        hundredths = new float[isPart ? 10 * tenths : 0];
        next = end(0);
    }

    private long end(int ofHundredth) {
        return (long) Math.floor((ofHundredth + 1) * rateHz / 100);
    }

    private double length(int from, int to) {
        return end(to - 1) - (from == 0 ? 0 : end(from - 1));
    }

    void take(double[] x, int count) {
        truePeak.take(x, count);
        hum.take(x, count);
        int from = 0;
        while (from < count) {
            int to = (int) Math.min(count, from + next - seen);
            energy += weighting.energy(x, from, to);
            scan(x, from, to);
            seen += to - from;
            from = to;
            if (seen == next) closeHundredth();
        }
    }

    private void scan(double[] x, int from, int to) {
        double most = largest;
        double square = 0;
        double mean = 0;
        for (int i = from; i < to; i++) {
            double value = x[i];
            double size = Math.abs(value);
            most = Math.max(most, size);
            square += value * value;
            mean += value;
            boolean same =
                    value == last
                            || size >= fullScale && Math.abs(last) >= fullScale && value * last > 0;
            if (same) {
                run++;
            } else {
                if (run >= FULL_RUN) endRun(seen + i - from);
                run = 1;
            }
            last = value;
        }
        largest = most;
        squares += square;
        sum += mean;
    }

    /// A run of equal samples has ended: clipped at full scale, or flattened before.
    private void endRun(long end) {
        double size = Math.abs(last);
        Span span = new Span((end - run) / rateHz, end / rateHz);
        if (size >= fullScale) {
            clipped++;
            if (clips.size() < Channel.MOST_SPANS) clips.add(span);
        } else if (run >= FLAT_RUN && size >= FLAT_LEAST) {
            if (size > flatAt * 1.02) {
                flats = 0;
                flatSpans.clear();
                flatAt = size;
            }
            if (size > flatAt / 1.02) {
                flats++;
                if (flatSpans.size() < Channel.MOST_SPANS) flatSpans.add(span);
            }
        }
    }

    private void closeHundredth() {
        recent[hundredth % MOMENTARY] = energy;
        tenthEnergy += energy;
        if (hundredth < hundredths.length)
            hundredths[hundredth] = (float) (energy / length(hundredth, hundredth + 1));
        energy = 0;
        hundredth++;
        if (hundredth >= MOMENTARY) {
            double sum400 = 0;
            for (double one : recent) sum400 += one;
            momentary = Math.max(momentary, sum400 / length(hundredth - MOMENTARY, hundredth));
        }
        if (hundredth % 10 == 0) closeTenth(length(hundredth - 10, hundredth));
        next = end(hundredth);
    }

    private void closeTenth(double samples) {
        if (tenth < weighted.length) {
            weighted[tenth] = tenthEnergy / samples;
            plain[tenth] = (float) (squares / samples);
            peaks[tenth] = (float) largest;
        }
        peak = Math.max(peak, largest);
        tenthEnergy = 0;
        squares = 0;
        largest = 0;
        tenth++;
    }

    /// The K-weighted mean squares of its hundredths of seconds; empty where they were not kept.
    float[] hundredths() {
        return Arrays.copyOf(hundredths, Math.min(hundredth, hundredths.length));
    }

    /// The K-weighted mean squares of its tenths of seconds.
    double[] tenths() {
        return Arrays.copyOf(weighted, Math.min(tenth, weighted.length));
    }

    Channel measured() {
        if (run >= FULL_RUN) endRun(seen);
        peak = Math.max(peak, largest);
        int tenths = Math.min(tenth, weighted.length);
        Loudness loudness = new Loudness(tenths());
        boolean flattened = clipped == 0 && flats > 1 && flatAt > peak / 1.02;
        float[] sorted = Arrays.copyOf(plain, tenths);
        Arrays.sort(sorted);
        double floor = tenths == 0 ? 0 : sorted[(int) ((tenths - 1) * 0.05)];
        double out = floor * Math.pow(10, STANDS_OUT_DB / 10);
        long active = 0;
        for (int t = 0; t < tenths; t++)
            if (plain[t] > Math.max(out, SILENT_RMS * SILENT_RMS)) active++;
        return new Channel(
                number,
                loudness.integrated(),
                loudness.range(),
                Loudness.lufs(momentary),
                Loudness.loudest(loudness.shortTerm()),
                db(peak),
                db(Math.max(peak, truePeak.peak())),
                seen == 0 ? 0 : sum / seen,
                10 * Math.log10(Math.max(floor, 1e-20)),
                flattened ? flatSpans : clips,
                flattened ? flats : clipped,
                silences(tenths),
                hum.hum(),
                tenths == 0 ? 0 : active / (double) tenths,
                spread(loudness.shortTerm(), Double.NEGATIVE_INFINITY),
                peaksOverTime(tenths));
    }

    private List<Span> silences(int tenths) {
        List<Span> silences = new ArrayList<>();
        int from = -1;
        for (int t = 0; t <= tenths; t++) {
            boolean silent = t < tenths && plain[t] < SILENT_RMS * SILENT_RMS;
            if (silent && from < 0) from = t;
            if (silent || from < 0) continue;
            if ((t - from) / 10.0 >= SILENCE_S && silences.size() < Channel.MOST_SPANS)
                silences.add(new Span(from / 10.0, t / 10.0));
            from = -1;
        }
        return silences;
    }

    /// At most so many values, each the largest of its stretch.
    static float[] spread(double[] values, double least) {
        int points = Math.min(CURVE, values.length);
        float[] curve = new float[points];
        for (int p = 0; p < points; p++) {
            int from = (int) ((long) p * values.length / points);
            int to = (int) ((long) (p + 1) * values.length / points);
            double most = least;
            for (int i = from; i < to; i++) most = Math.max(most, values[i]);
            curve[p] = (float) most;
        }
        return curve;
    }

    private float[] peaksOverTime(int tenths) {
        double[] db = new double[tenths];
        for (int t = 0; t < tenths; t++) db[t] = db(peaks[t]);
        return spread(db, Double.NEGATIVE_INFINITY);
    }

    static double db(double size) {
        return 20 * Math.log10(Math.max(size, 1e-10));
    }
}
