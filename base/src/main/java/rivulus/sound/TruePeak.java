package rivulus.sound;

/// True peak of one channel (ITU-R BS.1770-5, Annex 2): what a converter makes between the samples.
/// Four times as many samples up to 96 kHz, twice as many up to 192.
///
/// The filter is a Kaiser-windowed sinc of 24 taps a phase. Stretches that cannot hold a new
/// largest are not filtered: no value between samples lies over the largest sample around by more
/// than the sum of the filter's taps.
final class TruePeak {
    private static final int HALF = 12;
    private static final int TAPS = 2 * HALF;
    private static final int CHUNK = 64;
    private static final double BETA = 7;

    private final double[][] phases;
    private final double most;
    private final double[] line = new double[TAPS + CHUNK];
    private double peak;

    TruePeak(double rateHz) {
        int times = rateHz <= 96_000 ? 4 : rateHz <= 192_000 ? 2 : 1;
        phases = new double[times - 1][];
        double largest = 1;
        for (int p = 1; p < times; p++) {
            phases[p - 1] = phase(p / (double) times);
            double sum = 0;
            for (double tap : phases[p - 1]) sum += Math.abs(tap);
            largest = Math.max(largest, sum);
        }
        most = largest;
    }

    /// The taps that give the value so far behind the middle sample.
    private static double[] phase(double behind) {
        double[] taps = new double[TAPS];
        double sum = 0;
        for (int i = 0; i < TAPS; i++) {
            double x = i - (HALF - 1) - behind;
            double window = bessel(BETA * Math.sqrt(Math.max(0, 1 - x * x / (HALF * HALF))));
            taps[i] = x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x) * window / bessel(BETA);
            sum += taps[i];
        }
        for (int i = 0; i < TAPS; i++) taps[i] /= sum;
        return taps;
    }

    /// The modified Bessel function of order 0.
    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 40; k++) {
            term *= x * x / (4.0 * k * k);
            sum += term;
        }
        return sum;
    }

    /// Takes samples in.
    void take(double[] x, int count) {
        for (int from = 0; from < count; from += CHUNK) {
            int some = Math.min(CHUNK, count - from);
            System.arraycopy(x, from, line, TAPS, some);
            double largest = 0;
            for (int i = 0; i < TAPS + some; i++) largest = Math.max(largest, Math.abs(line[i]));
            if (largest * most > peak) search(some);
            System.arraycopy(line, some, line, 0, TAPS);
        }
    }

    private void search(int some) {
        for (int i = 0; i < some; i++) {
            peak = Math.max(peak, Math.abs(line[TAPS + i]));
            for (double[] phase : phases) {
                double sum = 0;
                for (int t = 0; t < TAPS; t++) sum += phase[t] * line[i + t + 1];
                peak = Math.max(peak, Math.abs(sum));
            }
        }
    }

    /// The largest so far, 1 at full scale; the last few samples count as if silence followed.
    double peak() {
        double[] silence = new double[TAPS];
        double before = peak;
        double[] kept = line.clone();
        take(silence, TAPS);
        double found = peak;
        peak = before;
        System.arraycopy(kept, 0, line, 0, line.length);
        return found;
    }
}
