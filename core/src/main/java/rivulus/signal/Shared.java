package rivulus.signal;

/// What two responses have in common: one times the conjugate of the other, weighted, cell by cell
/// of the [Grid] a parabola through a frequency and its neighbours.
final class Shared {
    private final double[] re = new double[Grid.SIZE];
    private final double[] im = new double[Grid.SIZE];
    private final double[] reSlope = new double[Grid.SIZE];
    private final double[] imSlope = new double[Grid.SIZE];
    private final double[] reBend = new double[Grid.SIZE];
    private final double[] imBend = new double[Grid.SIZE];

    Shared(Response first, Response second) {
        for (int i = 0; i < Grid.SIZE; i++) {
            double weight = Grid.weight(i);
            re[i] = weight * (first.re()[i] * second.re()[i] + first.im()[i] * second.im()[i]);
            im[i] = weight * (first.re()[i] * second.im()[i] - first.im()[i] * second.re()[i]);
        }
        for (int i = 0; i < Grid.SIZE; i++) {
            reSlope[i] = Grid.slope(re, i);
            imSlope[i] = Grid.slope(im, i);
            reBend[i] = Grid.bend(re, i);
            imBend[i] = Grid.bend(im, i);
        }
    }

    /// What two arrivals of a sound add to its weighted broadband power by falling into each other.
    /// Each cell of the grid is integrated and not sampled, so that no delay falls in with the
    /// grid: how they turn along it is known exactly (Filon 1928, "On a quadrature formula for
    /// trigonometric integrals").
    ///
    /// @param seconds how much later the second one is, 0 or more
    double power(double seconds) {
        double sum = 0;
        for (int i = 0; i < Grid.SIZE; i++) {
            double turns = Grid.hz(i) * seconds;
            double wide = turns * Grid.CELL;
            double even = Grid.sinc(wide);
            double slope = Grid.slope(wide, even);
            double bend = Grid.bend(wide, even, slope);
            double real = re[i] * even + reBend[i] * bend + imSlope[i] * slope;
            double turned = im[i] * even + imBend[i] * bend - reSlope[i] * slope;
            sum += real * Phasor.cos(turns) - turned * Phasor.minusSin(turns);
        }
        return sum;
    }
}
