package rivulus.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import rivulus.gear.Band;
import rivulus.signal.Bands;
import rivulus.signal.Grid;
import rivulus.signal.Response;

class TapsTest {
    private final Bands bands = new Bands();
    private final int dull = bands.number(new Band(100, 6000));
    private final int thin = bands.number(new Band(300, 18000));

    private Taps some(Random random, int count) {
        Taps taps = Taps.NONE;
        for (int i = 0; i < count; i++) {
            int band = List.of(Bands.OPEN, dull, thin).get(random.nextInt(3));
            long ns = 10_000L * random.nextInt(300);
            taps = taps.plus(Taps.IMPULSE.through(0.01 + random.nextDouble(), ns, band, bands));
        }
        return taps;
    }

    private static void isSorted(Taps taps) {
        for (int i = 1; i < taps.size(); i++)
            assertThat(taps.ns[i]).isGreaterThanOrEqualTo(taps.ns[i - 1]);
    }

    private void soundAlike(Taps a, Taps b) {
        Response one = Sum.response(a, bands);
        Response other = Sum.response(b, bands);
        for (int f = 0; f < Grid.SIZE; f++) {
            assertThat(one.re()[f]).isCloseTo(other.re()[f], within(1e-9));
            assertThat(one.im()[f]).isCloseTo(other.im()[f], within(1e-9));
        }
    }

    @Property(tries = 100)
    void addingIsCommutativeAndKeepsOrder(
            @ForAll @LongRange(max = 1_000_000) long seed,
            @ForAll @IntRange(max = 12) int n,
            @ForAll @IntRange(max = 12) int m) {
        Random random = new Random(seed);
        Taps a = some(random, n);
        Taps b = some(random, m);
        isSorted(a.plus(b));
        soundAlike(a.plus(b), b.plus(a));
        assertThat(a.plus(b).size()).isLessThanOrEqualTo(a.size() + b.size());
    }

    @Property(tries = 100)
    void oneAfterTheOtherIsTheProductOfTheirResponses(
            @ForAll @LongRange(max = 1_000_000) long seed) {
        Random random = new Random(seed);
        Taps a = some(random, 4);
        Taps b = some(random, 3);
        Taps both = a.then(b, bands);
        isSorted(both);
        Response product = Sum.response(a, bands).times(Sum.response(b, bands));
        Response sum = Sum.response(both, bands);
        for (int f = 0; f < Grid.SIZE; f++) {
            assertThat(sum.re()[f]).isCloseTo(product.re()[f], within(1e-4));
            assertThat(sum.im()[f]).isCloseTo(product.im()[f], within(1e-4));
        }
    }

    @Test
    void tapsOfOneTimeAndBandAreOneAndThoseWithinAMicrosecondToo() {
        Taps a = Taps.IMPULSE.through(0.5, 1_000_000, Bands.OPEN, bands);
        Taps near = Taps.IMPULSE.through(0.25, 1_000_900, Bands.OPEN, bands);
        assertThat(a.plus(a).size()).isEqualTo(1);
        assertThat(a.plus(a).gain[0]).isEqualTo(1);
        assertThat(a.plus(near).size()).isEqualTo(1);
        Taps apart = Taps.IMPULSE.through(0.25, 1_002_000, Bands.OPEN, bands);
        assertThat(a.plus(apart).size()).isEqualTo(2);
        Taps coloured = Taps.IMPULSE.through(0.25, 1_000_000, dull, bands);
        assertThat(a.plus(coloured).size()).isEqualTo(2);
    }

    @Test
    void whatIsFainterThanTheFloorIsNothing() {
        assertThat(Taps.IMPULSE.through(0.9e-6, 0, Bands.OPEN, bands).isEmpty()).isTrue();
        assertThat(Taps.IMPULSE.through(1.1e-6, 0, Bands.OPEN, bands).isEmpty()).isFalse();
        assertThat(Taps.NONE.plus(Taps.IMPULSE)).isSameAs(Taps.IMPULSE);
        assertThat(Taps.IMPULSE.through(1, 0, Bands.OPEN, bands)).isSameAs(Taps.IMPULSE);
    }

    @Test
    void onlyTheLoudestAreKeptInTheirOrder() {
        List<Double> gains = new ArrayList<>(List.of(0.1, 0.9, 0.3, 0.7, 0.2));
        Taps taps = Taps.NONE;
        for (int i = 0; i < gains.size(); i++)
            taps = taps.plus(Taps.IMPULSE.through(gains.get(i), 1_000_000L * i, Bands.OPEN, bands));
        Taps kept = taps.loudest(3);
        assertThat(kept.gain).containsExactly(0.9, 0.3, 0.7);
        isSorted(kept);
        assertThat(taps.loudest(9)).isSameAs(taps);
        assertThat(taps.between(1, 3).gain).containsExactly(0.9, 0.3);
    }

    @Test
    void alikeIsWhatSoundsTheSame() {
        Taps a = some(new Random(3), 5);
        Taps b = some(new Random(3), 5);
        assertThat(a.isLike(b)).isTrue();
        assertThat(a.isLike(some(new Random(4), 5))).isFalse();
        assertThat(a.isLike(a)).isTrue();
    }
}
