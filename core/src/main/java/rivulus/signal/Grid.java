package rivulus.signal;

import java.util.Arrays;
import rivulus.gear.Band;

/// The frequencies at which responses are held, and how a response becomes one level.
///
/// 51 frequencies from 50 Hz to 16 kHz, evenly spaced on a log axis: 0.998 of a sixth of an octave
/// apart. A level is the power of pink noise through the response, A-weighted (IEC 61672-1, formula
/// for A(f)) and set so that a flat response of gain 1 reads 0 dB. On a log axis pink noise has the
/// same power at every point, so the weights are the A-weighting alone.
public final class Grid {
    /// How many frequencies.
    public static final int SIZE = 51;

    /// Lowest frequency in Hz.
    public static final double LOW_HZ = 50;

    /// Highest frequency in Hz.
    public static final double HIGH_HZ = 16_000;

    /// The rate of the digital filters that stand for band limits, in Hz; see [BandFilter].
    public static final double RATE_HZ = 48_000;

    /// How wide a cell is, as a share of its frequency.
    static final double CELL = Math.log(HIGH_HZ / LOW_HZ) / (SIZE - 1);

    private static final double[] HZ = new double[SIZE];
    private static final double[] WEIGHT = new double[SIZE];

    static {
        double sum = 0;
        for (int i = 0; i < SIZE; i++) {
            HZ[i] = LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, i / (SIZE - 1.0));
            double a = aWeight(HZ[i]);
            WEIGHT[i] = a * a;
            sum += WEIGHT[i];
        }
        for (int i = 0; i < SIZE; i++) WEIGHT[i] /= sum;
    }

    private Grid() {}

    /// The frequency at that place of the grid, in Hz.
    public static double hz(int i) {
        return HZ[i];
    }

    /// The share of the whole power that a flat response has at that place; the shares add up to 1.
    public static double weight(int i) {
        return WEIGHT[i];
    }

    /// sin(πx) / (πx), for x of 0 or more.
    static double sinc(double x) {
        return x < 1e-6 ? 1 : -Phasor.minusSin(x / 2) / (Math.PI * x);
    }

    /// IEC 61672-1 A-weighting as a gain (not yet normalised to 1 kHz; the constant falls out).
    private static double aWeight(double f) {
        double f2 = f * f;
        return 12194.0
                * 12194.0
                * f2
                * f2
                / ((f2 + 20.6 * 20.6)
                        * Math.sqrt((f2 + 107.7 * 107.7) * (f2 + 737.9 * 737.9))
                        * (f2 + 12194.0 * 12194.0));
    }

    /// In so many places each cell is looked at where a band is to be known finely.
    private static final int PLACES = 8;

    /// The cosine of the angle per sample in each of those places.
    private static final double[] FINE_COS = new double[SIZE * PLACES];

    private static final double[] FINE_WEIGHT = new double[SIZE * PLACES];

    static {
        double sum = 0;
        for (int i = 0; i < FINE_COS.length; i++) {
            double hz = LOW_HZ * Math.exp(CELL * ((i + 0.5) / PLACES - 0.5));
            FINE_COS[i] = Math.cos(2 * Math.PI * hz / RATE_HZ);
            double a = aWeight(hz);
            FINE_WEIGHT[i] = a * a;
            sum += FINE_WEIGHT[i];
        }
        for (int i = 0; i < FINE_WEIGHT.length; i++) FINE_WEIGHT[i] /= sum;
    }

    /// The power of a band limit in eight places of every cell.
    static double[] finely(Band band) {
        double[] power = new double[FINE_COS.length];
        Arrays.fill(power, 1);
        for (BandFilter filter : BandFilter.of(band, RATE_HZ))
            for (int i = 0; i < power.length; i++) power[i] *= filter.power(FINE_COS[i]);
        return power;
    }

    /// The weighted power of what is known in eight places of every cell.
    static double weighted(double[] finely) {
        double sum = 0;
        for (int i = 0; i < finely.length; i++) sum += FINE_WEIGHT[i] * finely[i];
        return sum;
    }

    /// The complex response of a band limit on the grid.
    static Response response(Band band) {
        Response response = Response.flat();
        for (BandFilter filter : BandFilter.of(band, RATE_HZ))
            response = response.times(filter.onGrid());
        return response;
    }
}
