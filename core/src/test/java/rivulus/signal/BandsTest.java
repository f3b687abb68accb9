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
import org.junit.jupiter.api.Test;
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
}
