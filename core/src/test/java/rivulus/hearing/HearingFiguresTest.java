package rivulus.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
                Doubling.of(new Arrival(10, 0, false, false), new Arrival(15, -6.02, false, false));
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
        assertThat(new Doubling(ms, 0).effect()).isEqualTo(effect);
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
}
