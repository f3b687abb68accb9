package rivulus.rehearse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import rivulus.hearing.Arrival;
import rivulus.hearing.Hearing;
import rivulus.hearing.Loop;
import rivulus.hearing.Tracer;
import rivulus.signal.Grid;
import rivulus.signal.LiveGraph;

/// The proof of the heart: what is traced and what is rendered agree, for any rig.
class RendererProperties {
    private static final int SAMPLES = 1 << 15;

    @Provide
    Arbitrary<LiveGraph> plain() {
        return RandomRigs.of(new RandomRigs.Kind(false, false, -20, 3));
    }

    @Provide
    Arbitrary<LiveGraph> looped() {
        return RandomRigs.of(new RandomRigs.Kind(true, false, -24, -1));
    }

    @Provide
    Arbitrary<LiveGraph> coloured() {
        return RandomRigs.of(new RandomRigs.Kind(true, true, -24, -3));
    }

    @Provide
    Arbitrary<LiveGraph> nearHowling() {
        return RandomRigs.of(new RandomRigs.Kind(true, false, -12, 2));
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void everyTracedArrivalIsRenderedAndEveryRenderedOneIsTraced(@ForAll("plain") LiveGraph live) {
        agree(live);
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void theSameHoldsWhereSoundGoesRound(@ForAll("looped") LiveGraph live) {
        Assume.that(marginDb(live) > 3);
        agree(live);
    }

    /// Within 0.1 dB and one sample, for all above −45 dB that lies no more than 35 dB under the
    /// strongest. Fainter ones of a dense loop are sums of thousands of ways, of which those under
    /// −120 dB are left out.
    private static void agree(LiveGraph live) {
        Hearing hearing = Tracer.of(live).hearing("e", "s");
        double[] power = power(render(live));
        double floor = Math.max(-45, hearing.strongest().map(a -> a.levelDb() - 35).orElse(-35.0));
        for (Arrival arrival : hearing.arrivals()) {
            if (arrival.levelDb() < floor) continue;
            int at = (int) Math.round(arrival.ms() * RandomRigs.RATE_HZ / 1000);
            double rendered =
                    10 * Math.log10(power[Math.max(0, at - 1)] + power[at] + power[at + 1]);
            assertThat(rendered)
                    .as("at %s ms", arrival.ms())
                    .isCloseTo(arrival.levelDb(), within(0.1));
        }
        for (int n = 0; n < power.length; n++) {
            if (10 * Math.log10(power[n]) < floor) continue;
            double ms = n * 1000 / RandomRigs.RATE_HZ;
            assertThat(hearing.arrivals())
                    .as("rendered at %s ms", ms)
                    .anyMatch(a -> Math.abs(a.ms() - ms) < 1000 / RandomRigs.RATE_HZ);
        }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void theExactResponseIsTheSpectrumOfTheRenderedOneBandsAndLoopsIncluded(
            @ForAll("coloured") LiveGraph live) {
        Assume.that(marginDb(live) > 3);
        Hearing hearing = Tracer.of(live).hearing("e", "s");
        Assume.that(hearing.isHeard());
        double[][][] responses = render(live);
        double[] traced = hearing.spectrumDb();
        for (int f = 0; f < Grid.SIZE; f++) {
            double power = powerAt(responses, Grid.hz(f));
            double db = 10 * Math.log10(power);
            if (db > -50)
                assertThat(traced[f]).as("at %s Hz", Grid.hz(f)).isCloseTo(db, within(0.1));
        }
        assertThat(hearing.levelDb()).isCloseTo(10 * Math.log10(weighted(responses)), within(0.1));
    }

    /// The power of A-weighted pink noise through rendered impulse responses: every bin of their
    /// transforms, weighted by IEC 61672-1 and by 1/f, from half a cell under to half a cell over
    /// the grid.
    private static double weighted(double[][][] responses) {
        double[] powers = new double[SAMPLES / 2];
        int ears = 0;
        for (double[][] source : responses) {
            ears = source.length;
            for (double[] response : source) {
                double[] re = Arrays.copyOf(response, SAMPLES);
                double[] im = new double[SAMPLES];
                transform(re, im);
                for (int b = 0; b < powers.length; b++) powers[b] += re[b] * re[b] + im[b] * im[b];
            }
        }
        double sum = 0;
        double all = 0;
        for (int b = 1; b < powers.length; b++) {
            double f = b * RandomRigs.RATE_HZ / SAMPLES;
            if (f < 47.2 || f > 16_950) continue;
            double f2 = f * f;
            double a =
                    f2
                            * f2
                            / ((f2 + 20.6 * 20.6)
                                    * Math.sqrt((f2 + 107.7 * 107.7) * (f2 + 737.9 * 737.9))
                                    * (f2 + 12194.0 * 12194.0));
            sum += a * a / f * powers[b];
            all += a * a / f;
        }
        return sum / all / ears;
    }

    /// Cooley and Tukey's transform (1965), in place; the length is a power of two.
    private static void transform(double[] re, double[] im) {
        int n = re.length;
        for (int i = 1, j = 0; i < n; i++) {
            int bit = n >> 1;
            for (; (j & bit) != 0; bit >>= 1) j ^= bit;
            j ^= bit;
            if (i >= j) continue;
            double swap = re[i];
            re[i] = re[j];
            re[j] = swap;
            swap = im[i];
            im[i] = im[j];
            im[j] = swap;
        }
        for (int length = 2; length <= n; length <<= 1)
            for (int k = 0; k < length / 2; k++) {
                double cos = Math.cos(-2 * Math.PI * k / length);
                double sin = Math.sin(-2 * Math.PI * k / length);
                for (int i = k; i < n; i += length) {
                    int far = i + length / 2;
                    double farRe = re[far] * cos - im[far] * sin;
                    double farIm = re[far] * sin + im[far] * cos;
                    re[far] = re[i] - farRe;
                    im[far] = im[i] - farIm;
                    re[i] += farRe;
                    im[i] += farIm;
                }
            }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void aRenderedLoopGrowsJustWhereTheTracedMarginIsNegative(
            @ForAll("nearHowling") LiveGraph live) {
        double margin = marginDb(live);
        Assume.that(margin < 30 && Math.abs(margin) > 0.5);
        double[] power = ring(live);
        double early = peak(power, SAMPLES / 8, SAMPLES / 2);
        double late = peak(power, SAMPLES / 2, SAMPLES);
        boolean grows = late > early || Double.isInfinite(late) || Double.isNaN(late);
        assertThat(grows).as("with a margin of %s dB", margin).isEqualTo(margin < 0);
    }

    private static double marginDb(LiveGraph live) {
        return Tracer.of(live).loops().stream()
                .mapToDouble(Loop::marginDb)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /// Impulse responses by channel of the source, channel of the ear, sample.
    private static double[][][] render(LiveGraph live) {
        double[][][] responses = new double[live.graph().sources().get("s").length][][];
        for (int c = 0; c < responses.length; c++) {
            responses[c] = Renderer.impulseResponse(live, "s", c, "e", RandomRigs.RATE_HZ, SAMPLES);
        }
        return responses;
    }

    /// Power at the ear after every node of the graph has been struck once.
    private static double[] ring(LiveGraph live) {
        Renderer renderer = Renderer.of(live, RandomRigs.RATE_HZ);
        double[] strike = new double[renderer.blockSize()];
        strike[0] = 1;
        for (int node = 0; node < live.size(); node++) renderer.put(node, strike);
        double[] power = new double[SAMPLES];
        for (int start = 0; start + strike.length <= SAMPLES; start += strike.length) {
            renderer.run();
            for (int[] nodes : live.graph().ears().get("e").channels()) {
                for (int i = 0; i < strike.length; i++) {
                    for (int node : nodes) power[start + i] += Math.pow(renderer.read(node, i), 2);
                }
            }
        }
        return power;
    }

    /// Power at each sample, as an arrival counts it.
    private static double[] power(double[][][] responses) {
        double[] power = new double[SAMPLES];
        for (double[][] channel : responses) {
            for (double[] ear : channel) {
                for (int n = 0; n < SAMPLES; n++) power[n] += ear[n] * ear[n] / channel.length;
            }
        }
        return power;
    }

    private static double powerAt(double[][][] responses, double hz) {
        double power = 0;
        for (double[][] channel : responses)
            for (double[] ear : channel) power += goertzel(ear, hz) / channel.length;
        return power;
    }

    /// Goertzel's algorithm: the power of one frequency.
    private static double goertzel(double[] samples, double hz) {
        double c = 2 * Math.cos(2 * Math.PI * hz / RandomRigs.RATE_HZ);
        double s1 = 0;
        double s2 = 0;
        for (double x : samples) {
            double s0 = x + c * s1 - s2;
            s2 = s1;
            s1 = s0;
        }
        return s1 * s1 + s2 * s2 - c * s1 * s2;
    }

    private static double peak(double[] power, int from, int to) {
        double peak = 0;
        for (int n = from; n < to; n++) peak = Math.max(peak, power[n]);
        return peak;
    }
}
