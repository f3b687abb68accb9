package rivulus.signal;

/// Cosine and sine by table with linear interpolation; error under 4e-7, which is −128 dB.
final class Phasor {
    private static final int STEPS = 4096;
    private static final double[] COS = new double[STEPS + STEPS / 4 + 2];

    static {
        for (int i = 0; i < COS.length; i++) COS[i] = Math.cos(2 * Math.PI * i / STEPS);
    }

    private Phasor() {}

    /// cos(2π·turns) for any number of turns of 0 or more.
    static double cos(double turns) {
        double at = (turns - (long) turns) * STEPS;
        int i = (int) at;
        return COS[i] + (at - i) * (COS[i + 1] - COS[i]);
    }

    /// −sin(2π·turns), the imaginary part of a delay of so many turns.
    static double minusSin(double turns) {
        double at = (turns - (long) turns) * STEPS;
        int i = (int) at;
        int quarter = i + STEPS / 4;
        return COS[quarter] + (at - i) * (COS[quarter + 1] - COS[quarter]);
    }
}
