package rivulus.sound;

import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;

/// Fourier transforms of real stretches of sound, of a length that is a power of two.
final class Spectrum {
    private final double[][] parts;

    private Spectrum(double[][] parts) {
        this.parts = parts;
    }

    /// The transform of some samples.
    static Spectrum of(double[] samples) {
        double[][] parts = {samples.clone(), new double[samples.length]};
        FastFourierTransformer.transformInPlace(
                parts, DftNormalization.STANDARD, TransformType.FORWARD);
        return new Spectrum(parts);
    }

    /// Samples whose transform has those real and imaginary parts.
    static double[] back(double[] re, double[] im) {
        double[][] parts = {re.clone(), im.clone()};
        FastFourierTransformer.transformInPlace(
                parts, DftNormalization.STANDARD, TransformType.INVERSE);
        return parts[0];
    }

    double re(int bin) {
        return parts[0][bin];
    }

    double im(int bin) {
        return parts[1][bin];
    }

    /// |X|² of a bin.
    double power(int bin) {
        return parts[0][bin] * parts[0][bin] + parts[1][bin] * parts[1][bin];
    }

    /// The smallest power of two that is not smaller.
    static int length(double atLeast) {
        int n = 1;
        while (n < atLeast) n *= 2;
        return n;
    }

    /// A Hann window.
    static double[] hann(int n) {
        double[] window = new double[n];
        for (int i = 0; i < n; i++) window[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / n);
        return window;
    }
}
