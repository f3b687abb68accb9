package rivulus.hearing;

import java.util.Arrays;
import java.util.stream.IntStream;
import rivulus.signal.Bands;

/// A sparse impulse response: what arrives when, at which gain and through which band.
///
/// Sorted by time, then band. Taps of one band within a microsecond, 1/62 of a turn at 16 kHz, are
/// one: they stem from equal delays that were rounded on different ways. Taps under [#FLOOR] are
/// dropped.
final class Taps {
    /// −120 dB against nominal: what is fainter is nothing.
    static final double FLOOR = 1e-6;

    static final long SAME_NS = 1000;

    static final Taps NONE = new Taps(new long[0], new double[0], new int[0]);
    static final Taps IMPULSE = new Taps(new long[1], new double[] {1}, new int[] {Bands.OPEN});

    final long[] ns;
    final double[] gain;
    final int[] band;

    private Taps(long[] ns, double[] gain, int[] band) {
        this.ns = ns;
        this.gain = gain;
        this.band = band;
    }

    int size() {
        return ns.length;
    }

    /// The gain of the loudest; 0 of none.
    double loudest() {
        double loudest = 0;
        for (double g : gain) loudest = Math.max(loudest, g);
        return loudest;
    }

    boolean isEmpty() {
        return ns.length == 0;
    }

    /// These taps after a stretch of that gain, delay and band.
    Taps through(double edgeGain, long edgeNs, int edgeBand, Bands bands) {
        int kept = 0;
        for (double g : gain) if (g * edgeGain >= FLOOR) kept++;
        if (kept == 0) return NONE;
        if (edgeGain == 1 && edgeNs == 0 && edgeBand == Bands.OPEN && kept == gain.length)
            return this;
        long[] outNs = new long[kept];
        double[] outGain = new double[kept];
        int[] outBand = new int[kept];
        int k = 0;
        for (int i = 0; i < ns.length; i++) {
            double g = gain[i] * edgeGain;
            if (g < FLOOR) continue;
            outNs[k] = ns[i] + edgeNs;
            outGain[k] = g;
            outBand[k++] = bands.after(band[i], edgeBand);
        }
        Taps out = new Taps(outNs, outGain, outBand);
        return edgeBand == Bands.OPEN ? out : out.settled();
    }

    /// After a band limit two taps of one time may have come out of order or become alike.
    private Taps settled() {
        for (int i = 1; i < ns.length; i++) {
            if (ns[i] == ns[i - 1] && band[i] <= band[i - 1]) return resorted();
        }
        return this;
    }

    private Taps resorted() {
        Taps sum = NONE;
        for (int i = 0; i < ns.length; i++) {
            sum =
                    sum.plus(
                            new Taps(
                                    new long[] {ns[i]},
                                    new double[] {gain[i]},
                                    new int[] {band[i]}));
        }
        return sum;
    }

    /// Both together.
    Taps plus(Taps other) {
        if (isEmpty()) return other;
        if (other.isEmpty()) return this;
        int n = ns.length + other.ns.length;
        long[] outNs = new long[n];
        double[] outGain = new double[n];
        int[] outBand = new int[n];
        int i = 0;
        int j = 0;
        int k = 0;
        while (i < ns.length || j < other.ns.length) {
            int order = i == ns.length ? 1 : j == other.ns.length ? -1 : compare(i, other, j);
            if (order <= 0) {
                outNs[k] = ns[i];
                outBand[k] = band[i];
                outGain[k] = gain[i++];
                if (order == 0) outGain[k] += other.gain[j++];
            } else {
                outNs[k] = other.ns[j];
                outBand[k] = other.band[j];
                outGain[k] = other.gain[j++];
            }
            k++;
        }
        if (k == n) return new Taps(outNs, outGain, outBand);
        return new Taps(
                Arrays.copyOf(outNs, k), Arrays.copyOf(outGain, k), Arrays.copyOf(outBand, k));
    }

    private int compare(int i, Taps other, int j) {
        long later = ns[i] - other.ns[j];
        if (Math.abs(later) <= SAME_NS) return Integer.compare(band[i], other.band[j]);
        return Long.signum(later);
    }

    /// These taps, then those: every pair of them.
    Taps then(Taps next, Bands bands) {
        Taps sum = NONE;
        for (int i = 0; i < next.ns.length; i++) {
            sum = sum.plus(through(next.gain[i], next.ns[i], next.band[i], bands));
        }
        return sum;
    }

    /// Only so many loudest taps.
    Taps loudest(int most) {
        if (size() <= most) return this;
        double[] sorted = gain.clone();
        Arrays.sort(sorted);
        double least = sorted[sorted.length - most];
        int[] kept = IntStream.range(0, size()).filter(i -> gain[i] >= least).toArray();
        return new Taps(
                Arrays.stream(kept).mapToLong(i -> ns[i]).toArray(),
                Arrays.stream(kept).mapToDouble(i -> gain[i]).toArray(),
                Arrays.stream(kept).map(i -> band[i]).toArray());
    }

    /// Only the taps from one place up to another.
    Taps between(int from, int to) {
        return new Taps(
                Arrays.copyOfRange(ns, from, to),
                Arrays.copyOfRange(gain, from, to),
                Arrays.copyOfRange(band, from, to));
    }

    /// Whether both are the same sound.
    boolean isLike(Taps other) {
        return this == other
                || Arrays.equals(gain, other.gain)
                        && Arrays.equals(ns, other.ns)
                        && Arrays.equals(band, other.band);
    }
}
