package rivulus.rehearse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import rivulus.signal.FlowOrder;
import rivulus.signal.LiveGraph;

/// Orders and cuts, for any rig that goes round.
class FlowOrderProperties {
    @Provide
    Arbitrary<LiveGraph> looped() {
        return RandomRigs.of(new RandomRigs.Kind(true, false, -24, -1));
    }

    @Provide
    Arbitrary<LiveGraph> plain() {
        return RandomRigs.of(new RandomRigs.Kind(false, false, -24, -1));
    }

    private static int[] positions(LiveGraph live, FlowOrder order) {
        int[] position = new int[live.size()];
        for (int i = 0; i < position.length; i++) position[order.order()[i]] = i;
        return position;
    }

    private static void holds(LiveGraph live, FlowOrder order) {
        assertThat(Arrays.stream(order.order()).sorted().toArray())
                .isEqualTo(IntStream.range(0, live.size()).toArray());
        int[] position = positions(live, order);
        for (int v = 0; v < live.size(); v++) {
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                int to = live.to(e);
                boolean setAside = order.isCut(to) && order.loopOf(v) == order.loopOf(to);
                if (!setAside) assertThat(position[to]).isGreaterThan(position[v]);
            }
        }
        for (int cut : order.cuts()) {
            assertThat(order.isCut(cut)).isTrue();
            assertThat(order.loopOf(cut)).isGreaterThanOrEqualTo(0);
        }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void everyEdgeGoesForwardButThoseIntoCuts(@ForAll("looped") LiveGraph live) {
        holds(live, FlowOrder.of(live));
        holds(live, FlowOrder.inTime(live));
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void bothOrdersFindTheSameLoopSystems(@ForAll("looped") LiveGraph live) {
        FlowOrder few = FlowOrder.of(live);
        FlowOrder timed = FlowOrder.inTime(live);
        for (int v = 0; v < live.size(); v++)
            assertThat(few.loopOf(v) < 0).isEqualTo(timed.loopOf(v) < 0);
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void whatDoesNotGoRoundIsNotCut(@ForAll("plain") LiveGraph live) {
        assertThat(FlowOrder.of(live).cuts()).isEmpty();
        assertThat(FlowOrder.inTime(live).cuts()).isEmpty();
    }
}
