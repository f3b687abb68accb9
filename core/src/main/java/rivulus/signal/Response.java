package rivulus.signal;

import java.util.Arrays;
import java.util.List;

/// A complex response on the [Grid].
///
/// @param re real parts, one for each frequency
/// @param im imaginary parts
public record Response(double[] re, double[] im) {
    /// Gain 1 at every frequency.
    public static Response flat() {
        double[] re = new double[Grid.SIZE];
        Arrays.fill(re, 1);
        return new Response(re, new double[Grid.SIZE]);
    }

    /// Nothing at every frequency.
    public static Response silent() {
        return new Response(new double[Grid.SIZE], new double[Grid.SIZE]);
    }

    /// One response after the other.
    public Response times(Response next) {
        double[] outRe = new double[Grid.SIZE];
        double[] outIm = new double[Grid.SIZE];
        for (int i = 0; i < Grid.SIZE; i++) {
            outRe[i] = re[i] * next.re[i] - im[i] * next.im[i];
            outIm[i] = re[i] * next.im[i] + im[i] * next.re[i];
        }
        return new Response(outRe, outIm);
    }

    /// Power at one frequency.
    public double power(int i) {
        return re[i] * re[i] + im[i] * im[i];
    }

    /// Weighted broadband power; 1 for a flat response of gain 1.
    public double power() {
        double sum = 0;
        for (int i = 0; i < Grid.SIZE; i++) sum += Grid.weight(i) * power(i);
        return sum;
    }

    /// The weighted broadband power of arrivals of one sound, every cell of the grid looked at in
    /// so many places; between the frequencies of the grid weight and bands are parabolas.
    ///
    /// @param gains one for each arrival
    /// @param passed which of the bands each has passed
    /// @param seconds when each arrives, 0 or more
    public static double denselySampled(
            double[] gains, int[] passed, List<Response> bands, double[] seconds, int places) {
        double sum = 0;
        for (int i = 0; i < Grid.SIZE; i++) {
            for (int p = 0; p < places; p++) {
                double off = (p + 0.5) / places - 0.5;
                double hz = Grid.hz(i) * Math.exp(Grid.CELL * off);
                double[] cos = new double[bands.size()];
                double[] sin = new double[bands.size()];
                for (int t = 0; t < gains.length; t++) {
                    double turns = hz * seconds[t];
                    cos[passed[t]] += gains[t] * Phasor.cos(turns);
                    sin[passed[t]] += gains[t] * Phasor.minusSin(turns);
                }
                double re = 0;
                double im = 0;
                for (int b = 0; b < cos.length; b++) {
                    double bandRe = Grid.between(bands.get(b).re, i, off);
                    double bandIm = Grid.between(bands.get(b).im, i, off);
                    re += cos[b] * bandRe - sin[b] * bandIm;
                    im += cos[b] * bandIm + sin[b] * bandRe;
                }
                sum += Grid.weightNear(i, off) * (re * re + im * im) / places;
            }
        }
        return sum;
    }

    /// Gain in dB at one frequency.
    public double db(int i) {
        return 10 * Math.log10(power(i));
    }

    /// Adds `gain · band(ω) · e^(−jω·seconds)` in place; seconds of 0 or more.
    public void add(double gain, Response band, double seconds) {
        for (int i = 0; i < Grid.SIZE; i++) {
            double turns = Grid.hz(i) * seconds;
            double cos = gain * Phasor.cos(turns);
            double sin = gain * Phasor.minusSin(turns);
            re[i] += cos * band.re[i] - sin * band.im[i];
            im[i] += cos * band.im[i] + sin * band.re[i];
        }
    }

    /// Adds the product of two others in place.
    public void addProduct(Response a, Response b) {
        for (int i = 0; i < Grid.SIZE; i++) {
            re[i] += a.re[i] * b.re[i] - a.im[i] * b.im[i];
            im[i] += a.re[i] * b.im[i] + a.im[i] * b.re[i];
        }
    }
}
