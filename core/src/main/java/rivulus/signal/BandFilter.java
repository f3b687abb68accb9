package rivulus.signal;

import java.util.ArrayList;
import java.util.List;
import rivulus.gear.Band;

/// One edge of a band limit as a second-order digital filter, so that hearing and rendering use the
/// very same thing.
///
/// Butterworth (Q = 1/√2) low-pass or high-pass, bilinear transform with the edge prewarped: y[n] =
/// b0 x[n] + b1 x[n−1] + b2 x[n−2] − a1 y[n−1] − a2 y[n−2].
public record BandFilter(double b0, double b1, double b2, double a1, double a2) {
    /// The filters of a band at a sample rate in Hz: none, one or two. An upper edge above 0.45 of
    /// the rate is left out.
    public static List<BandFilter> of(Band band, double rateHz) {
        List<BandFilter> filters = new ArrayList<>();
        if (band.cutsLow()) filters.add(highPass(band.lowHz(), rateHz));
        if (band.cutsHigh() && band.highHz() < 0.45 * rateHz)
            filters.add(lowPass(band.highHz(), rateHz));
        return filters;
    }

    private static BandFilter lowPass(double hz, double rateHz) {
        double k = Math.tan(Math.PI * hz / rateHz);
        double norm = 1 / (1 + Math.sqrt(2) * k + k * k);
        double b = k * k * norm;
        return new BandFilter(
                b, 2 * b, b, 2 * (k * k - 1) * norm, (1 - Math.sqrt(2) * k + k * k) * norm);
    }

    private static BandFilter highPass(double hz, double rateHz) {
        double k = Math.tan(Math.PI * hz / rateHz);
        double norm = 1 / (1 + Math.sqrt(2) * k + k * k);
        return new BandFilter(
                norm,
                -2 * norm,
                norm,
                2 * (k * k - 1) * norm,
                (1 - Math.sqrt(2) * k + k * k) * norm);
    }

    /// Its power where the cosine of the angle per sample is so much: |b|² and |a|² of both
    /// polynomials, whose other products turn with that angle and twice it.
    double power(double cos) {
        double cos2 = 2 * cos * cos - 1;
        double above = b0 * b0 + b1 * b1 + b2 * b2 + 2 * (b0 + b2) * b1 * cos + 2 * b0 * b2 * cos2;
        double below = 1 + a1 * a1 + a2 * a2 + 2 * (1 + a2) * a1 * cos + 2 * a2 * cos2;
        return above / below;
    }

    /// The response on the grid, at [Grid#RATE_HZ].
    Response onGrid() {
        Response out = Response.silent();
        for (int i = 0; i < Grid.SIZE; i++) {
            double w = 2 * Math.PI * Grid.hz(i) / Grid.RATE_HZ;
            double c1 = Math.cos(w);
            double s1 = -Math.sin(w);
            double c2 = Math.cos(2 * w);
            double s2 = -Math.sin(2 * w);
            double nRe = b0 + b1 * c1 + b2 * c2;
            double nIm = b1 * s1 + b2 * s2;
            double dRe = 1 + a1 * c1 + a2 * c2;
            double dIm = a1 * s1 + a2 * s2;
            double d = dRe * dRe + dIm * dIm;
            out.re()[i] = (nRe * dRe + nIm * dIm) / d;
            out.im()[i] = (nIm * dRe - nRe * dIm) / d;
        }
        return out;
    }
}
