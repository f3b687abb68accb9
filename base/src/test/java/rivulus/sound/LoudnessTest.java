package rivulus.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The signals of EBU Tech 3341 and 3342 that can be made (those that are programmes cannot), with
/// the tolerances stated there, and the filter of ITU-R BS.1770.
class LoudnessTest {
    private static final double LU = 0.1;

    @TempDir Path folder;

    private static double lufs(Measured measured) {
        return measured.programme().orElseThrow().lufs();
    }

    @Test
    void theFilterHasTheCoefficientsOfTheRecommendation() {
        double[] expected = {
            1.53512485958697,
            -2.69169618940638,
            1.19839281085285,
            -1.69065929318241,
            0.73248077421585,
            -1.99004745483398,
            0.99007225036621
        };
        double[] made = new KWeighting(48_000).coefficients();
        for (int i = 0; i < expected.length; i++)
            assertThat(made[i]).isCloseTo(expected[i], within(1e-8));
    }

    @ParameterizedTest(name = "3341 case 1 and 2: {0} dBFS")
    @ValueSource(doubles = {-23, -33})
    void aSteadyTone(double level) {
        Measured tone = new Tones().tone(1000, level, 20).measured(folder);
        Measured.Programme programme = tone.programme().orElseThrow();
        assertThat(programme.lufs()).isCloseTo(level, within(LU));
        assertThat(programme.momentaryLufs()).isCloseTo(level, within(LU));
        assertThat(programme.shortTermLufs()).isCloseTo(level, within(LU));
    }

    @ParameterizedTest(name = "at {0} Hz")
    @ValueSource(ints = {44_100, 96_000, 192_000})
    void aSteadyToneAtOtherRates(int rate) {
        Measured tone = new Tones(rate).tone(1000, -23, 5).measured(folder);
        assertThat(lufs(tone)).isCloseTo(-23, within(LU));
    }

    @Test
    void gatesOfCase3To5() {
        Tones case3 = new Tones().tone(1000, -36, 10).tone(1000, -23, 60).tone(1000, -36, 10);
        assertThat(lufs(case3.measured(folder))).isCloseTo(-23, within(LU));
        Tones case4 =
                new Tones()
                        .tone(1000, -72, 10)
                        .tone(1000, -36, 10)
                        .tone(1000, -23, 60)
                        .tone(1000, -36, 10)
                        .tone(1000, -72, 10);
        assertThat(lufs(case4.measured(folder))).isCloseTo(-23, within(LU));
        Tones case5 = new Tones().tone(1000, -26, 20).tone(1000, -20, 20.1).tone(1000, -26, 20);
        assertThat(lufs(case5.measured(folder))).isCloseTo(-23, within(LU));
    }

    @Test
    void fiveChannelsWithTheirWeightsCase6() {
        double[] gains = new double[5];
        double[] levels = {-28, -28, -24, -30, -30};
        for (int c = 0; c < 5; c++) gains[c] = Math.pow(10, levels[c] / 20);
        assertThat(lufs(new Tones().channels(gains).tone(1000, 0, 20).measured(folder)))
                .isCloseTo(-23, within(LU));
    }

    @Test
    void shortTermIsSteadyInCase9() {
        Tones tones = new Tones();
        for (int i = 0; i < 5; i++) tones.tone(1000, -20, 1.34).tone(1000, -30, 1.66);
        float[] curve = tones.measured(folder).programme().orElseThrow().curve();
        for (float value : curve) assertThat((double) value).isCloseTo(-23, within(LU));
    }

    @ParameterizedTest(name = "3341 case 10, segment {0}")
    @ValueSource(ints = {0, 1, 7, 13, 19})
    void theLoudestThreeSecondsAreFoundWhereverTheyBegin(int segment) {
        Measured made =
                new Tones().silence(segment * 0.15).tone(1000, -23, 3).silence(1).measured(folder);
        assertThat(made.programme().orElseThrow().shortTermLufs()).isCloseTo(-23, within(LU));
    }

    @Test
    void momentaryIsSteadyInCase12() {
        Tones tones = new Tones();
        for (int i = 0; i < 25; i++) tones.tone(1000, -20, 0.18).tone(1000, -30, 0.22);
        assertThat(tones.measured(folder).programme().orElseThrow().momentaryLufs())
                .isCloseTo(-23, within(LU));
    }

    @ParameterizedTest(name = "3341 case 13, segment {0}")
    @ValueSource(ints = {0, 1, 2, 3, 4, 11, 19})
    void theLoudestFourTenthsAreFoundWhereverTheyBegin(int segment) {
        Measured made =
                new Tones()
                        .silence(segment * 0.02)
                        .tone(1000, -23, 0.4)
                        .silence(1)
                        .measured(folder);
        assertThat(made.programme().orElseThrow().momentaryLufs()).isCloseTo(-23, within(LU));
    }

    @ParameterizedTest(name = "3341 cases 15 to 19: a sine of rate/{0}, {1} degrees, {2}")
    @CsvSource({
        "4, 0, 0.5, -6",
        "4, 45, 0.5, -6",
        "6, 60, 0.5, -6",
        "8, 67.5, 0.5, -6",
        "4, 45, 1.41, 3"
    })
    void truePeaksBetweenTheSamples(int part, double degrees, double size, double dbtp) {
        Tones tones =
                new Tones()
                        .add(
                                1,
                                i ->
                                        fade(i)
                                                * size
                                                * Math.sin(
                                                        2 * Math.PI * i / part
                                                                + Math.toRadians(degrees)));
        Measured made = Tones.of(tones.file(folder, 32, true));
        assertThat(made.programme().orElseThrow().truePeakDbtp()).isBetween(dbtp - 0.4, dbtp + 0.2);
    }

    /// Ten milliseconds in and out: a tone that begins at once overshoots between the samples.
    private static double fade(int i) {
        return Math.min(1, Math.min(i, Tones.RATE - i) / 480.0);
    }

    /// Cases 20 to 23: full scale at four times the rate, one period higher, filtered and taken
    /// every fourth sample, by four offsets.
    @ParameterizedTest(name = "3341 cases 20 to 23, offset {0}")
    @ValueSource(ints = {0, 1, 2, 3})
    void truePeaksOfABurst(int offset) {
        int fine = 4 * Tones.RATE;
        double[] high = new double[fine / 10];
        for (int i = 0; i < high.length; i++) {
            double size = i >= 8000 && i < 8032 ? 1 : 0.5;
            high[i] = size * Math.sin(2 * Math.PI * i / 32);
        }
        double[] low = new double[high.length / 4 - 40];
        for (int i = 0; i < low.length; i++) {
            double sum = 0;
            for (int k = -60; k <= 60; k++) {
                double x = k / 4.0;
                double window = 0.5 + 0.5 * Math.cos(Math.PI * k / 61);
                double tap = k == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x) * window;
                sum += tap / 4 * high[Math.clamp(4 * (i + 16) + offset + k, 0, high.length - 1)];
            }
            low[i] = sum;
        }
        Measured made = Tones.of(Tones.write(folder, Tones.RATE, 32, true, low));
        assertThat(made.programme().orElseThrow().truePeakDbtp()).isBetween(-0.4, 0.2);
    }

    @Test
    void loudnessRangeOf3342() {
        assertThat(range(-20, -30)).as("case 1").isCloseTo(10, within(1.0));
        assertThat(range(-20, -15)).as("case 2").isCloseTo(5, within(1.0));
        assertThat(range(-40, -20)).as("case 3").isCloseTo(20, within(1.0));
        assertThat(range(-50, -35, -20, -35, -50)).as("case 4").isCloseTo(15, within(1.0));
    }

    private double range(double... levels) {
        Tones tones = new Tones();
        for (double level : levels) tones.tone(1000, level, 20);
        return tones.measured(folder).programme().orElseThrow().rangeLu();
    }
}
