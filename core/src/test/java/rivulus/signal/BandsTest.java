package rivulus.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.apache.commons.math3.complex.Complex;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.gear.Band;

class BandsTest {
    @Test
    void theOpenBandChangesNothingAndTheOrderOfOthersDoesNotMatter() {
        Bands bands = new Bands();
        int low = bands.number(new Band(80, 20_000));
        int high = bands.number(new Band(20, 7000));
        assertThat(bands.after(Bands.OPEN, low)).isEqualTo(low);
        assertThat(bands.after(low, Bands.OPEN)).isEqualTo(low);
        assertThat(bands.after(low, high)).isEqualTo(bands.after(high, low));
        assertThat(bands.number(new Band(80, 20_000))).isEqualTo(low);
        assertThat(bands.power(Bands.OPEN)).isEqualTo(1);
    }

    @Test
    void aBandTwiceIsSteeperThanOnceAndItsPowerLess() {
        Bands bands = new Bands();
        int once = bands.number(new Band(300, 3400));
        int twice = bands.after(once, once);
        assertThat(twice).isNotEqualTo(once);
        assertThat(bands.power(twice)).isLessThan(bands.power(once));
        for (int f = 0; f < Grid.SIZE; f++)
            assertThat(bands.response(twice).db(f))
                    .isCloseTo(2 * bands.response(once).db(f), within(1e-6));
    }

    @Test
    void productsOfProductsAreTheSameHoweverTheyAreMade() {
        Bands bands = new Bands();
        int a = bands.number(new Band(50, 20_000));
        int b = bands.number(new Band(20, 9000));
        int c = bands.number(new Band(200, 12000));
        assertThat(bands.after(bands.after(a, b), c)).isEqualTo(bands.after(a, bands.after(b, c)));
        assertThat(bands.after(bands.after(c, a), b)).isEqualTo(bands.after(a, bands.after(b, c)));
    }

    @Test
    void manyThreadsAgree() throws Exception {
        Bands bands = new Bands();
        List<Integer> single = new ArrayList<>();
        for (int i = 1; i <= 12; i++) single.add(bands.number(new Band(20 * i, 20_000 - 500 * i)));
        Set<String> seen = ConcurrentHashMap.newKeySet();
        List<Callable<Void>> work = new ArrayList<>();
        for (int t = 0; t < 8; t++) {
            work.add(
                    () -> {
                        for (int a : single) {
                            for (int b : single) {
                                int product = bands.after(a, b);
                                bands.response(product);
                                seen.add(Math.min(a, b) + " " + Math.max(a, b) + " " + product);
                            }
                        }
                        return null;
                    });
        }
        try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
            for (var done : threads.invokeAll(work)) done.get();
        }
        assertThat(seen).hasSize(12 * 13 / 2);
    }

    /// Against 20,000 points of the closed form of the bilinear transform, within four thousandths
    /// of the power of the two, which is 0.02 dB where they are alike.
    @ParameterizedTest
    @ValueSource(longs = {0, 20_000, 300_000, 1_000_000, 10_000_000, 167_000_000})
    void whatTwoShareIsIntegratedHoweverSteepTheirBandsAre(long ns) {
        Bands bands = new Bands();
        Band telephone = new Band(300, 3400);
        Band rumble = new Band(120, 20_000);
        int once = bands.number(telephone);
        int other = bands.number(rumble);
        int twice = bands.after(once, once);
        for (int[] two : new int[][] {{once, twice}, {once, other}, {twice, Bands.OPEN}}) {
            double alone = Math.sqrt(bands.power(two[0]) * bands.power(two[1]));
            Band[][] passed = new Band[2][];
            for (int i = 0; i < 2; i++)
                passed[i] =
                        two[i] == once
                                ? new Band[] {telephone}
                                : two[i] == twice
                                        ? new Band[] {telephone, telephone}
                                        : two[i] == other ? new Band[] {rumble} : new Band[0];
            assertThat(bands.together(two[0], two[1], ns) / alone)
                    .isCloseTo(finely(passed[0], passed[1], ns * 1e-9) / alone, within(0.004));
        }
    }

    private static double finely(Band[] first, Band[] second, double seconds) {
        int places = 20_000;
        double sum = 0;
        double all = 0;
        for (int i = 0; i < places; i++) {
            double half = Math.log(Grid.HIGH_HZ / Grid.LOW_HZ) / (Grid.SIZE - 1) / 2;
            double low = Math.log(Grid.LOW_HZ) - half;
            double high = Math.log(Grid.HIGH_HZ) + half;
            double hz = Math.exp(low + (high - low) * (i + 0.5) / places);
            double f2 = hz * hz;
            double a =
                    f2
                            * f2
                            / ((f2 + 20.6 * 20.6)
                                    * Math.sqrt((f2 + 107.7 * 107.7) * (f2 + 737.9 * 737.9))
                                    * (f2 + 12194.0 * 12194.0));
            Complex turned = Complex.I.multiply(-2 * Math.PI * hz * seconds).exp();
            Complex both =
                    response(first, hz).conjugate().multiply(response(second, hz)).multiply(turned);
            sum += a * a * both.getReal();
            all += a * a;
        }
        return sum / all;
    }

    private static Complex response(Band[] bands, double hz) {
        Complex all = Complex.ONE;
        for (Band band : bands) {
            if (band.cutsLow()) {
                Complex s = over(hz, band.lowHz());
                all = all.multiply(s.multiply(s)).divide(below(s));
            }
            if (band.cutsHigh() && band.highHz() < 20_000)
                all = all.divide(below(over(hz, band.highHz())));
        }
        return all;
    }

    private static Complex over(double hz, double edgeHz) {
        return Complex.I.multiply(
                Math.tan(Math.PI * hz / Grid.RATE_HZ) / Math.tan(Math.PI * edgeHz / Grid.RATE_HZ));
    }

    private static Complex below(Complex s) {
        return s.multiply(s).add(s.multiply(Math.sqrt(2))).add(Complex.ONE);
    }
}
