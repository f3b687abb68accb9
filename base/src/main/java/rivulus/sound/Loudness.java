package rivulus.sound;

import java.util.Arrays;

/// Loudness by ITU-R BS.1770-5 and EBU Tech 3341, and loudness range by EBU Tech 3342, from the
/// K-weighted energies of tenths of seconds.
///
/// @param tenths mean square of every tenth of a second, summed over channels with their weights
public record Loudness(double[] tenths) {
    private static final int MOMENTARY = 4;
    private static final int SHORT_TERM = 30;
    private static final double ABSOLUTE_GATE = -70;
    private static final double RELATIVE_GATE = -10;
    private static final double RANGE_GATE = -20;

    public Loudness {
        tenths = tenths.clone();
    }

    /// Integrated loudness of one channel that is held in memory.
    public static double of(double[] samples, int rateHz) {
        KWeighting weighting = new KWeighting(rateHz);
        int tenth = rateHz / 10;
        double[] tenths = new double[samples.length / tenth];
        for (int t = 0; t < tenths.length; t++)
            tenths[t] = weighting.energy(samples, t * tenth, (t + 1) * tenth) / tenth;
        return new Loudness(tenths).integrated();
    }

    /// −0.691 + 10 log10 of a weighted mean square; negative infinity for silence.
    public static double lufs(double meanSquare) {
        return meanSquare <= 0 ? Double.NEGATIVE_INFINITY : -0.691 + 10 * Math.log10(meanSquare);
    }

    private static double meanSquare(double lufs) {
        return Math.pow(10, (lufs + 0.691) / 10);
    }

    private double[] sliding(int tenthsLong) {
        return sliding(tenths, tenthsLong);
    }

    private static double[] sliding(double[] of, int length) {
        double[] means = new double[Math.max(0, of.length - length + 1)];
        for (int i = 0; i < means.length; i++) {
            double sum = 0;
            for (int k = i; k < i + length; k++) sum += of[k];
            means[i] = sum / length;
        }
        return means;
    }

    /// The largest mean of so many neighbours; 0 where there are not so many.
    static double mostOf(double[] meanSquares, int neighbours) {
        return Arrays.stream(sliding(meanSquares, neighbours)).max().orElse(0);
    }

    /// Loudness of 3 s, every tenth of a second, in LUFS.
    public double[] shortTerm() {
        return inLufs(sliding(SHORT_TERM));
    }

    private static double[] inLufs(double[] means) {
        return Arrays.stream(means).map(Loudness::lufs).toArray();
    }

    /// Loudness of the whole, gated, in LUFS; negative infinity where nothing passes the gate.
    public double integrated() {
        double[] blocks = sliding(MOMENTARY);
        double absolute = meanSquare(ABSOLUTE_GATE);
        double gate = gatedMean(blocks, absolute) * Math.pow(10, RELATIVE_GATE / 10);
        return lufs(gatedMean(blocks, Math.max(absolute, gate)));
    }

    private static double gatedMean(double[] blocks, double gate) {
        double sum = 0;
        int count = 0;
        for (double block : blocks)
            if (block >= gate) {
                sum += block;
                count++;
            }
        return count == 0 ? 0 : sum / count;
    }

    /// Loudness range in LU: from the 10th to the 95th percentile of what passes the gate; 0 where
    /// nothing does.
    public double range() {
        double[] blocks = sliding(SHORT_TERM);
        double absolute = meanSquare(ABSOLUTE_GATE);
        double gate =
                Math.max(absolute, gatedMean(blocks, absolute) * Math.pow(10, RANGE_GATE / 10));
        double[] passed = Arrays.stream(blocks).filter(b -> b >= gate).sorted().toArray();
        if (passed.length == 0) return 0;
        return lufs(percentile(passed, 0.95)) - lufs(percentile(passed, 0.10));
    }

    private static double percentile(double[] sorted, double part) {
        return sorted[(int) Math.rint((sorted.length - 1) * part)];
    }

    /// The loudest of some values; negative infinity of none.
    public static double loudest(double[] values) {
        return Arrays.stream(values).max().orElse(Double.NEGATIVE_INFINITY);
    }
}
