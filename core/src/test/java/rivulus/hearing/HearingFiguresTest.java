package rivulus.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.rule.Rules;
import rivulus.show.Show;
import rivulus.signal.Bands;
import rivulus.signal.Grid;

/// Published figures as oracles.
class HearingFiguresTest {
    /// Worked out apart from this program from the formulas of ITU-T G.107; with the default loss
    /// and next to no delay the rating is the recommendation's own 93.2.
    @ParameterizedTest(name = "loss {0} dB, {1} ms round: R {2}")
    @CsvSource({
        "55, 0.1, 93.21",
        "55, 20, 93.04",
        "55, 100, 92.18",
        "0, 300, 0",
        "20, 300, 27.43",
        "30, 300, 51.57",
        "40, 300, 73.95",
        "55, 300, 90.22"
    })
    void talkerEchoFollowsTheEModel(double lossDb, double roundMs, double rating) {
        assertThat(TalkerEcho.of(lossDb, roundMs).rating()).isCloseTo(rating, within(0.01));
    }

    @Test
    void delayAloneCostsNothingUntilAHundredMillisecondsOneWayAndMuchAtFourHundred() {
        assertThat(TalkerEcho.delayImpairment(100)).isZero();
        assertThat(TalkerEcho.delayImpairment(200)).isCloseTo(3.04, within(0.01));
        assertThat(TalkerEcho.delayImpairment(400)).isCloseTo(24.07, within(0.01));
    }

    @Test
    void anEchoIsPutInWordsByItsRating() {
        assertThat(TalkerEcho.of(0, 300).words()).isEqualTo("no caller can talk against it");
        assertThat(TalkerEcho.of(70, 40).words()).isEqualTo("nobody would notice");
    }

    @ParameterizedTest(name = "{0} ms: {1}")
    @CsvSource({
        "2.9, UNNOTICED",
        "3, COLOURED",
        "9.9, COLOURED",
        "10, NOTICED",
        "30, DISTURBING",
        "99, DISTURBING",
        "180, DISRUPTIVE"
    })
    void ownVoiceFallsIntoItsBand(double ms, OwnVoice band) {
        assertThat(OwnVoice.at(ms)).isEqualTo(band);
    }

    @Test
    void twoEqualArrivalsCombAtHalfTheInverseOfTheirGap() {
        Doubling doubling =
                Doubling.of(
                        new Arrival(10, 0, false, false, 1),
                        new Arrival(15, -6.02, false, false, 1));
        assertThat(doubling.gapMs()).isEqualTo(5);
        assertThat(doubling.firstNotchHz()).isCloseTo(100, within(1e-9));
        assertThat(doubling.rippleDb()).as("20 log10(1.5 / 0.5)").isCloseTo(9.54, within(0.01));
        assertThat(doubling.effect()).isEqualTo(Doubling.Effect.COLOURS);
    }

    @ParameterizedTest(name = "{0} ms apart: {1}")
    @CsvSource({
        "0.5, SHIFTS",
        "1, COLOURS",
        "29, COLOURS",
        "30, SLAPS",
        "49, SLAPS",
        "50, ECHOES",
        "900, ECHOES"
    })
    void aGapFallsIntoItsBand(double ms, Doubling.Effect effect) {
        assertThat(new Doubling(ms, 0, false).effect()).isEqualTo(effect);
    }

    @Test
    void inOneWireEvenTheNearestTwoComb() {
        Doubling wire = new Doubling(0.5, 0, true);
        assertThat(wire.effect()).isEqualTo(Doubling.Effect.COLOURS);
        assertThat(wire.firstNotchHz()).isEqualTo(1000);
        assertThat(wire.notchesHz()).isEqualTo(2000);
    }

    @Test
    void theGridIsAtLeastASixthOfAnOctaveDenseFrom50HertzTo16Kilohertz() {
        assertThat(Grid.hz(0)).isEqualTo(50);
        assertThat(Grid.hz(Grid.SIZE - 1)).isCloseTo(16_000, within(1e-6));
        assertThat(Grid.hz(1) / Grid.hz(0)).isLessThanOrEqualTo(Math.pow(2, 1.0 / 6));
        double sum = 0;
        for (int i = 0; i < Grid.SIZE; i++) sum += Grid.weight(i);
        assertThat(sum).isCloseTo(1, within(1e-12));
    }

    @Test
    void theWeightingIsTheAWeighting() {
        int low = 0;
        int one = 26;
        double db = 10 * Math.log10(Grid.weight(low) / Grid.weight(one));
        assertThat(Grid.hz(one)).isCloseTo(1000, within(20.0));
        assertThat(db).as("A(50 Hz) is −30.2 dB against 1 kHz").isCloseTo(-30.2, within(0.3));
    }

    @Test
    void theSpectralRadiusOfAKnownMatrix() {
        assertThat(Loop.radius(new double[][] {{0.5}})).isEqualTo(0.5);
        assertThat(Loop.radius(new double[][] {{2, 1}, {1, 2}})).isCloseTo(3, within(0.003));
        assertThat(Loop.radius(new double[][] {{0, 1}, {0, 0}})).as("nothing comes back").isZero();
    }

    private static Taps taps(Bands bands, int band, double... msAndGains) {
        Taps taps = Taps.NONE;
        for (int i = 0; i < msAndGains.length; i += 2)
            taps =
                    taps.plus(
                            Taps.IMPULSE.through(
                                    msAndGains[i + 1],
                                    Math.round(msAndGains[i] * 1e6),
                                    band,
                                    bands));
        return taps;
    }

    private static double db(double power) {
        return 10 * Math.log10(power);
    }

    @ParameterizedTest(name = "two equal arrivals {0} ms apart")
    @ValueSource(doubles = {20, 50, 100, 167, 250, 333.3, 399, 401, 1000})
    void twoEqualArrivalsFarApartAreThreeDecibelsLouder(double ms) {
        Bands bands = new Bands();
        double power = Sum.power(taps(bands, Bands.OPEN, 0, 1, ms, 1), bands);
        assertThat(db(power)).isCloseTo(3.01, within(0.1));
    }

    /// The power of taps on a grid of 20,000 points, by the A-weighting of IEC 61672-1.
    private static double dense(double... msAndGains) {
        double sum = 0;
        double all = 0;
        for (int i = 0; i < 20_000; i++) {
            double f = 47.2 * Math.pow(16_950 / 47.2, i / 19_999.0);
            double f2 = f * f;
            double a =
                    f2
                            * f2
                            / ((f2 + 20.6 * 20.6)
                                    * Math.sqrt((f2 + 107.7 * 107.7) * (f2 + 737.9 * 737.9))
                                    * (f2 + 12194.0 * 12194.0));
            double re = 0;
            double im = 0;
            for (int t = 0; t < msAndGains.length; t += 2) {
                double phase = 2 * Math.PI * f * msAndGains[t] / 1000;
                re += msAndGains[t + 1] * Math.cos(phase);
                im -= msAndGains[t + 1] * Math.sin(phase);
            }
            sum += a * a * (re * re + im * im);
            all += a * a;
        }
        return sum / all;
    }

    @Test
    void levelsAgreeWithAGridOfTwentyThousandPoints() {
        Random random = new Random(7);
        Bands bands = new Bands();
        for (int n = 0; n < 60; n++) {
            double[] taps = new double[2 * (2 + random.nextInt(6))];
            double reach = Math.pow(10, random.nextDouble() * 3 - 0.5);
            for (int t = 0; t < taps.length; t += 2) {
                taps[t] = Math.round(random.nextDouble() * reach * 1e5) / 1e5;
                taps[t + 1] = 0.1 + 0.9 * random.nextDouble();
            }
            assertThat(db(Sum.power(taps(bands, Bands.OPEN, taps), bands)))
                    .as(Arrays.toString(taps))
                    .isCloseTo(db(dense(taps)), within(0.1));
        }
    }

    /// What an ear hears of something that goes round in so many ms at so many dB.
    private static double ringing(double ms, double db) throws Exception {
        String ring =
                """
                {"template": "ring", "name": "Ring", "kind": "desk",
                 "points": [{"id": "mid", "label": "mid"}, {"id": "back", "label": "back"}],
                 "routes": [{"from": "mid", "to": "back", "gainDb": %s,
                             "delayMs": {"typical": %s, "min": %s, "max": %s}},
                            {"from": "back", "to": "mid"}]}
                """
                        .formatted(db, ms, ms, ms);
        String show =
                """
                {"rivulus": 1, "title": "ring", "templates": [%s],
                 "cast": {"playback": [{"id": "s", "name": "s", "kind": "tone", "at": "r/mid"}]},
                 "ears": [{"id": "e", "name": "e", "kind": "stream", "at": ["r/mid"]}],
                 "rig": {"devices": [{"id": "r", "name": "r", "template": "ring"}]}}
                """
                        .formatted(ring);
        Show parsed = ShowFile.parse(show, "ring", Templates.shipped());
        return Rules.prover().prove(parsed).scenes().getFirst().of("e", "s").hearing().levelDb();
    }

    @ParameterizedTest(name = "round in {0} ms, {1} dB less each time")
    @CsvSource({"10, -3", "10, -6", "33, -3", "167, -3", "250, -2", "20, -1.9", "400, -4"})
    void whatGoesRoundIsAsLoudAsAllItsRoundsTogether(double ms, double db) throws Exception {
        double g = Math.pow(10, db / 20);
        double[] rounds = new double[2 * 60];
        for (int n = 0; n < 60; n++) {
            rounds[2 * n] = n * ms;
            rounds[2 * n + 1] = Math.pow(g, n);
        }
        assertThat(ringing(ms, db)).isCloseTo(db(dense(rounds)), within(0.1));
        if (ms > 30)
            assertThat(ringing(ms, db))
                    .as("1 / (1 − g²)")
                    .isCloseTo(-10 * Math.log10(1 - g * g), within(0.1));
    }
}
