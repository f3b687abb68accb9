package rivulus.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import rivulus.disk.FileTrouble;

/// One recording in another: later, fainter, drifting, under noise.
class ComparingTest {
    @TempDir Path folder;

    private static Comparing.Stretch stretch(double[] samples) {
        return new Comparing.Stretch(samples, Tones.RATE);
    }

    /// The same so many samples later, between samples by sinc.
    private static double[] later(double[] x, double samples) {
        double[] y = new double[x.length];
        int whole = (int) Math.floor(samples);
        double part = samples - whole;
        for (int i = 0; i < y.length; i++) {
            if (part == 0) {
                y[i] = i - whole >= 0 && i - whole < x.length ? x[i - whole] : 0;
                continue;
            }
            for (int k = -16; k <= 16; k++) {
                int from = i - whole + k;
                if (from < 0 || from >= x.length) continue;
                double d = k + part;
                y[i] += x[from] * Math.sin(Math.PI * d) / (Math.PI * d);
            }
        }
        return y;
    }

    private static double[] noisy(double[] x, double dbfs, long seed) {
        Random random = new Random(seed);
        double[] y = x.clone();
        double size = Math.pow(10, dbfs / 20);
        for (int i = 0; i < y.length; i++) y[i] += size * random.nextGaussian();
        return y;
    }

    @ParameterizedTest(name = "{0} samples later, noise as loud as the talk")
    @CsvSource({"0", "4813", "-12000", "333.5"})
    void theDelayOfTwoRecordingsInNoiseAsLoudAsTheyAre(double samples) throws FileTrouble {
        double[] talk = MeasuringTest.talk(10, -26, 21);
        Compared found =
                Comparing.same(
                        stretch(noisy(talk, -26, 1)), stretch(noisy(later(talk, samples), -26, 2)));
        assertThat(found.isFound()).isTrue();
        assertThat(found.delayMs()).isCloseTo(samples / 48, within(0.1));
    }

    @Test
    void aFractionOfASampleWhereItIsQuiet() throws FileTrouble {
        double[] talk = MeasuringTest.talk(5, -26, 22);
        Compared found =
                Comparing.same(
                        stretch(noisy(talk, -70, 1)), stretch(noisy(later(talk, 100.25), -70, 2)));
        assertThat(found.delayMs()).isCloseTo(100.25 / 48, within(0.1 / 48));
        assertThat(found.levelDb())
                .as("high frequencies do not quite add up a quarter of a sample off")
                .isCloseTo(0, within(1.2));
    }

    @Test
    void anEchoOfFortyDecibelsAndThreeHundredMillisecondsUnderSomebodyElse() throws FileTrouble {
        double[] send = MeasuringTest.talk(30, -26, 23);
        double[] back = MeasuringTest.talk(30, -26, 24);
        double[] echo = later(send, 14_400);
        for (int i = 0; i < back.length; i++) back[i] += 0.01 * echo[i];
        Compared found = Comparing.within(stretch(send), stretch(back), -20, 1000);
        assertThat(found.isFound()).isTrue();
        assertThat(found.delayMs()).isCloseTo(300, within(0.1));
        assertThat(found.levelDb()).isCloseTo(-40, within(2.0));
    }

    @Test
    void whatIsNotThereIsNotFound() throws FileTrouble {
        for (long seed = 30; seed < 34; seed++) {
            Comparing.Stretch one = stretch(MeasuringTest.talk(10, -26, seed));
            Comparing.Stretch other = stretch(MeasuringTest.talk(10, -26, seed + 100));
            assertThat(Comparing.within(one, other, -20, 1000).isFound()).isFalse();
            assertThat(Comparing.same(one, other).isFound()).isFalse();
        }
    }

    @Test
    void clocksThatDifferAreToldInMillionths() throws FileTrouble {
        double[] talk = noisy(MeasuringTest.talk(30, -26, 25), -60, 3);
        double[] slow = new double[talk.length];
        double ppm = 40;
        for (int i = 0; i < slow.length; i++) {
            double from = i * (1 - ppm * 1e-6);
            int whole = (int) from;
            double part = from - whole;
            if (whole + 1 < talk.length)
                slow[i] = (1 - part) * talk[whole] + part * talk[whole + 1];
        }
        assertThat(Comparing.same(stretch(talk), stretch(slow)).driftPpm())
                .isCloseTo(ppm, within(6.0));
    }

    @Test
    void differentRatesAreRefused() {
        Comparing.Stretch one = stretch(new double[100]);
        Comparing.Stretch other = new Comparing.Stretch(new double[100], 44_100);
        assertThatThrownBy(() -> Comparing.same(one, other))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("48000 and 44100 Hz");
    }

    @ParameterizedTest
    @EnumSource(Signals.class)
    void everySignalHasTheLevelThatItSays(Signals signal) throws IOException {
        Path file = folder.resolve(signal.word() + ".wav");
        signal.write(Files.newOutputStream(file));
        Measured made = Tones.of(file);
        assertThat(made.channels()).allMatch(channel -> channel.clipped() == 0);
        double lufs = made.programme().orElseThrow().lufs();
        double peak = made.channels().getFirst().peakDbfs();
        switch (signal) {
            case LINE_UP -> assertThat(peak).isCloseTo(-18, within(0.01));
            case LINE_UP_20 -> assertThat(peak).isCloseTo(-20, within(0.01));
            case PINK -> assertThat(lufs).isCloseTo(-23, within(0.3));
            case SWEEP -> assertThat(peak).isCloseTo(-23, within(0.05));
            case CLAP -> assertThat(peak).isBetween(-16.0, -11.0);
            case SIDES -> assertThat(made.stereo().orElseThrow().isOneSided()).isFalse();
        }
    }
}
