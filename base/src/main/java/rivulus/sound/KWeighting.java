package rivulus.sound;

/// The two filters of ITU-R BS.1770-5 in a row, for one channel: a high shelf for the head, a
/// high-pass. At 48 kHz they have the coefficients of the recommendation; at other rates those of
/// the same analogue filters.
final class KWeighting {
    private final double b0;
    private final double b1;
    private final double b2;
    private final double a1;
    private final double a2;
    private final double c1;
    private final double c2;
    private double s1;
    private double s2;
    private double t1;
    private double t2;

    KWeighting(double rateHz) {
        double k = Math.tan(Math.PI * 1681.974450955533 / rateHz);
        double q = 0.7071752369554196;
        double vh = Math.pow(10, 3.999843853973347 / 20);
        double vb = Math.pow(vh, 0.4996667741545416);
        double a0 = 1 + k / q + k * k;
        b0 = (vh + vb * k / q + k * k) / a0;
        b1 = 2 * (k * k - vh) / a0;
        b2 = (vh - vb * k / q + k * k) / a0;
        a1 = 2 * (k * k - 1) / a0;
        a2 = (1 - k / q + k * k) / a0;
        double h = Math.tan(Math.PI * 38.13547087602444 / rateHz);
        double r = 0.5003270373238773;
        double n = 1 + h / r + h * h;
        c1 = 2 * (h * h - 1) / n;
        c2 = (1 - h / r + h * h) / n;
    }

    /// The coefficients: b0, b1, b2, a1, a2 of the shelf, a1 and a2 of the high-pass.
    double[] coefficients() {
        return new double[] {b0, b1, b2, a1, a2, c1, c2};
    }

    /// Filters some samples and adds their squares up.
    double energy(double[] x, int from, int to) {
        double sum = 0;
        double p1 = s1;
        double p2 = s2;
        double q1 = t1;
        double q2 = t2;
        for (int i = from; i < to; i++) {
            double in = x[i];
            double y = b0 * in + p1;
            p1 = b1 * in - a1 * y + p2;
            p2 = b2 * in - a2 * y;
            double z = y + q1;
            q1 = -2 * y - c1 * z + q2;
            q2 = y - c2 * z;
            sum += z * z;
        }
        s1 = still(p1);
        s2 = still(p2);
        t1 = still(q1);
        t2 = still(q2);
        return sum;
    }

    /// Numbers that are too small to be counted with slow a processor down.
    private static double still(double value) {
        return Math.abs(value) < 1e-30 ? 0 : value;
    }
}
