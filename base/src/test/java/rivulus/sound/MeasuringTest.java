package rivulus.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What is wrong with a recording: clipping, hum, silence, DC, polarity, one side.
class MeasuringTest {
    @TempDir Path folder;

    private static Channel first(Measured measured) {
        return measured.channels().getFirst();
    }

    /// Something like talk: bursts of coloured noise that come and go, with pauses.
    static double[] talk(double seconds, double dbfs, long seed) {
        Random random = new Random(seed);
        double[] talk = new double[(int) (seconds * Tones.RATE)];
        double low = 0;
        double loud = 0;
        double to = 0;
        for (int i = 0; i < talk.length; i++) {
            if (i % 9600 == 0) to = random.nextDouble() < 0.3 ? 0 : 0.3 + random.nextDouble();
            loud += (to - loud) * 0.001;
            low += 0.15 * (random.nextGaussian() - low);
            talk[i] = loud * low;
        }
        double power = 0;
        for (double x : talk) power += x * x / talk.length;
        double gain = Math.pow(10, dbfs / 20) / Math.sqrt(power);
        for (int i = 0; i < talk.length; i++) talk[i] *= gain;
        return talk;
    }

    private Measured of(double[]... channels) {
        return Tones.of(Tones.write(folder, Tones.RATE, 24, false, channels));
    }

    @Test
    void clippingIsCountedWithItsPlaces() {
        double[] loud = talk(10, -12, 1);
        for (int i = 0; i < loud.length; i++)
            loud[i] = i > 96_000 && i < 144_000 ? Math.clamp(8 * loud[i], -1, 1) : loud[i] / 4;
        Channel channel = first(of(loud));
        assertThat(channel.clipped()).isGreaterThan(20);
        assertThat(channel.clips()).allMatch(span -> span.from() >= 2 && span.to() <= 3.01);
        assertThat(first(of(talk(5, -26, 2))).clipped()).isZero();
    }

    @Test
    void whatWasClippedBeforeItWasTurnedDownIsFoundByItsFlatTops() {
        double[] flat = talk(10, -12, 1);
        for (int i = 0; i < flat.length; i++) flat[i] = 0.4 * Math.clamp(30 * flat[i], -1, 1);
        assertThat(first(of(flat)).clipped()).isGreaterThan(20);
    }

    @ParameterizedTest(name = "hum of {0} Hz at {1} dBFS under talk at −26")
    @CsvSource({"50, -60", "60, -60", "50, -50"})
    void humIsFoundUnderTalk(int hz, double dbfs) {
        double[] talk = talk(30, -26, 3);
        double size = Math.pow(10, dbfs / 20);
        for (int i = 0; i < talk.length; i++)
            for (int h = 1; h <= 3; h++)
                talk[i] += size / h * Math.sin(2 * Math.PI * hz * h * i / Tones.RATE + h);
        Hum hum = first(of(talk)).hum().orElseThrow();
        assertThat(hum.hz()).isEqualTo(hz);
        double power = 1 + 1 / 4.0 + 1 / 9.0;
        assertThat(hum.dbfs()).isCloseTo(dbfs + 10 * Math.log10(power), within(1.5));
    }

    @Test
    void talkAndNoiseAloneDoNotHum() {
        for (long seed = 10; seed < 14; seed++)
            assertThat(first(of(talk(20, -26, seed))).hum()).isEmpty();
        assertThat(first(new Tones().noise(-50, 20, 5).measured(folder)).hum()).isEmpty();
    }

    @Test
    void silenceIsFoundAndTheFloorInPauses() {
        double[] talk = talk(20, -26, 6);
        for (int i = 5 * Tones.RATE; i < 9 * Tones.RATE; i++) talk[i] = 0;
        Channel channel = first(of(talk));
        assertThat(channel.silences())
                .anySatisfy(
                        span -> {
                            assertThat(span.from()).isCloseTo(5, within(0.5));
                            assertThat(span.to()).isCloseTo(9, within(0.11));
                        });
        double[] noisy = talk(20, -26, 6);
        Random random = new Random(1);
        for (int i = 0; i < noisy.length; i++) noisy[i] += 0.001 * random.nextGaussian();
        assertThat(first(of(noisy)).floorDbfs()).isCloseTo(-60, within(1.0));
        assertThat(first(of(noisy)).activity()).isBetween(0.4, 0.9);
    }

    @Test
    void dcIsTheMean() {
        double[] talk = talk(5, -30, 7);
        for (int i = 0; i < talk.length; i++) talk[i] += 0.02;
        assertThat(first(of(talk)).dc()).isCloseTo(0.02, within(0.001));
    }

    @Test
    void leftAndRightAreCompared() {
        double[] one = talk(5, -26, 8);
        double[] turned = one.clone();
        for (int i = 0; i < turned.length; i++) turned[i] = -turned[i];
        Measured.Stereo inverted = of(one, turned).stereo().orElseThrow();
        assertThat(inverted.isInverted()).isTrue();
        assertThat(inverted.correlation()).isCloseTo(-1, within(0.001));
        Measured.Stereo side = of(one, new double[one.length]).stereo().orElseThrow();
        assertThat(side.isOneSided()).isTrue();
        Measured.Stereo apart = of(one, talk(5, -26, 9)).stereo().orElseThrow();
        assertThat(apart.correlation()).isCloseTo(0, within(0.1));
        assertThat(apart.isInverted() || apart.isOneSided()).isFalse();
    }
}
