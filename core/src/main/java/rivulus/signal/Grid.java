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

    /// Under so many turns in a cell the first terms of a series are exact enough.
    private static final double NARROW = 0.01;

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

    /// ∫ u sin(2πxu) du over a cell, u from −½ to ½.
    ///
    /// @param even [#sinc] of x
    static double slope(double x, double even) {
        return x < NARROW ? Math.PI * x / 6 : (even - Phasor.cos(x / 2)) / (2 * Math.PI * x);
    }

    /// ∫ u² cos(2πxu) du over a cell, u from −½ to ½.
    ///
    /// @param even [#sinc] of x
    /// @param slope [#slope] of x
    static double bend(double x, double even, double slope) {
        return x < NARROW ? 1 / 12.0 : even / 4 - slope / (Math.PI * x);
    }

    /// How what is known on the grid rises in a cell, for its whole width.
    static double slope(double[] values, int i) {
        if (i == 0) return values[1] - values[0];
        if (i == SIZE - 1) return values[i] - values[i - 1];
        return (values[i + 1] - values[i - 1]) / 2;
    }

    /// How much it bends there: the factor of u², u being the share of a cell.
    static double bend(double[] values, int i) {
        if (i == 0 || i == SIZE - 1) return 0;
        return (values[i + 1] - 2 * values[i] + values[i - 1]) / 2;
    }

    /// What is known on the grid, off it by a share of a cell: on a parabola through three.
    static double between(double[] values, int i, double off) {
        return values[i] + off * (slope(values, i) + off * bend(values, i));
    }

    /// The weight off the grid by a share of a cell.
    static double weightNear(int i, double off) {
        return between(WEIGHT, i, off);
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
