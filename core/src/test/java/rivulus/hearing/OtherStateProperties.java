package rivulus.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import rivulus.rehearse.RandomRigs;
import rivulus.signal.FlowOrder;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// Another state of a graph, heard by what is known of one, is heard as from nothing: whatever is
/// cut, weaker or louder, in rigs that go round.
class OtherStateProperties {
    private static final double NEAR_DB = 0.05;
    private static final double GONE_DB = -60;

    @Provide
    Arbitrary<LiveGraph> looped() {
        return RandomRigs.of(RandomRigs.LOOPED);
    }

    @Provide
    Arbitrary<LiveGraph> tame() {
        return RandomRigs.of(RandomRigs.TAME);
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void whatIsCutIsHeardAsFromNothing(@ForAll("tame") LiveGraph live, @ForAll long seed) {
        Random random = new Random(seed);
        List<Leg> cut = new ArrayList<>();
        for (Leg leg : live.graph().legs()) if (random.nextInt(6) == 0) cut.add(leg);
        sameHeard(live, live.without(cut));
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void whatIsTurnedIsHeardAsFromNothing(@ForAll("tame") LiveGraph live, @ForAll long seed) {
        Random random = new Random(seed);
        LiveGraph other = live;
        for (Leg leg : live.graph().legs())
            if (random.nextInt(6) == 0) other = other.with(leg, 0.1 + random.nextDouble());
        sameHeard(live, other);
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void whereAnOrderHoldsTheSameGoesRound(@ForAll("looped") LiveGraph live, @ForAll long seed) {
        Random random = new Random(seed);
        List<Leg> cut = new ArrayList<>();
        for (Leg leg : live.graph().legs()) if (random.nextInt(8) == 0) cut.add(leg);
        LiveGraph closed = live.without(cut);
        FlowOrder order = FlowOrder.of(closed);
        if (!order.holdsFor(live)) return;
        List<Loop> here = loops(Tracer.of(live, order));
        List<Loop> there = loops(Tracer.of(live));
        assertThat(here).hasSameSizeAs(there);
        for (int l = 0; l < here.size(); l++) {
            assertThat(here.get(l).legs()).hasSameSizeAs(there.get(l).legs());
            assertThat(here.get(l).marginDb()).isCloseTo(there.get(l).marginDb(), within(NEAR_DB));
        }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void whatIsOpenedIsHeardAsFromNothing(@ForAll("tame") LiveGraph live, @ForAll long seed) {
        Random random = new Random(seed);
        List<Leg> cut = new ArrayList<>();
        for (Leg leg : live.graph().legs()) if (random.nextInt(8) == 0) cut.add(leg);
        sameHeard(live.without(cut), live);
    }

    private static List<Loop> loops(Tracer tracer) {
        return tracer.loops().stream()
                .sorted(
                        Comparator.comparingInt((Loop loop) -> loop.legs().size())
                                .thenComparingDouble(Loop::marginDb))
                .toList();
    }

    private static void sameHeard(LiveGraph known, LiveGraph other) {
        Tracer.Listening in = Tracer.of(known).in(other);
        Tracer nothing = Tracer.of(other);
        for (String ear : other.graph().ears().keySet())
            for (String source : other.graph().sources().keySet()) {
                Hearing here = in.hearing(ear, source);
                Hearing there = nothing.hearing(ear, source);
                if (there.levelDb() < GONE_DB) {
                    assertThat(here.levelDb()).isLessThan(GONE_DB + NEAR_DB);
                    continue;
                }
                assertThat(here.levelDb())
                        .as("%s of %s", ear, source)
                        .isCloseTo(there.levelDb(), within(NEAR_DB));
            }
    }
}
