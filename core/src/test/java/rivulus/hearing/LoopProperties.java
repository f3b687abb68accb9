package rivulus.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import rivulus.rehearse.RandomRigs;
import rivulus.signal.FlowOrder;
import rivulus.signal.Grid;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// Margins against brute force, and against the order in which a graph is followed.
class LoopProperties {
    private static final double NEAR_DB = 0.1;
    private static final double GONE_DB = -300;

    @Provide
    Arbitrary<LiveGraph> looped() {
        return RandomRigs.of(RandomRigs.LOOPED);
    }

    @Provide
    Arbitrary<LiveGraph> tame() {
        return RandomRigs.of(RandomRigs.TAME);
    }

    /// Whether the whole graph howls at some frequency, all magnitudes in phase: no cut made, every
    /// edge in one matrix A. What goes round dies away just where I − A is an M-matrix, that is
    /// where elimination without exchanges meets positive pivots only (Fiedler and Pták, 1962).
    private static boolean howls(LiveGraph live) {
        for (int f = 0; f < Grid.SIZE; f++) {
            double[][] rest = new double[live.size()][live.size()];
            for (int v = 0; v < live.size(); v++) {
                rest[v][v] += 1;
                for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++)
                    rest[live.to(e)][v] -=
                            live.gain(e)
                                    * Math.sqrt(
                                            live.graph().bands().response(live.band(e)).power(f));
            }
            if (!arePivotsPositive(rest)) return true;
        }
        return false;
    }

    private static boolean arePivotsPositive(double[][] a) {
        for (int k = 0; k < a.length; k++) {
            if (a[k][k] <= 0) return false;
            for (int i = k + 1; i < a.length; i++) {
                double factor = a[i][k] / a[k][k];
                if (factor != 0) for (int j = k + 1; j < a.length; j++) a[i][j] -= factor * a[k][j];
            }
        }
        return true;
    }

    private static LiveGraph raised(LiveGraph live, Leg leg, double db) {
        return live.with(leg, Math.pow(10, db / 20));
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void theMostCriticalLegMayBeRaisedByTheMarginAndNoMore(@ForAll("looped") LiveGraph live) {
        for (Loop loop : Tracer.of(live).loops()) {
            if (!loop.isStable() || loop.marginDb() > 60) continue;
            Leg critical = null;
            for (Leg leg : loop.legs()) {
                double margin = loop.marginDb(leg);
                assertThat(margin).isGreaterThanOrEqualTo(loop.marginDb() - 1e-6);
                if (critical == null || margin < loop.marginDb(critical)) critical = leg;
            }
            if (howls(live)) continue; // another loop does
            assertThat(howls(raised(live, critical, loop.marginDb() - NEAR_DB))).isFalse();
            assertThat(howls(raised(live, critical, loop.marginDb() + NEAR_DB))).isTrue();
            for (Leg leg : loop.legs())
                assertThat(howls(raised(live, leg, loop.marginDb() - NEAR_DB))).isFalse();
        }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void ofWhatHowlsALegComesDownByWhatItIsOverAndItStops(@ForAll("looped") LiveGraph live) {
        var loops = Tracer.of(live).loops();
        if (loops.stream().filter(loop -> !loop.isStable()).count() != 1) return;
        Loop loop = loops.getFirst();
        // what is left by itself as good as howling makes every judgement one of rounding
        for (Leg leg : loop.legs())
            if (Tracer.of(raised(live, leg, GONE_DB)).loops().stream()
                    .anyMatch(rest -> Math.abs(rest.marginDb()) < 0.3)) return;
        boolean some = false;
        boolean single = false;
        for (Leg leg : loop.legs()) {
            some |= !howls(raised(live, leg, loop.marginDb() - NEAR_DB));
            boolean helps = loop.marginDb(leg) > Double.NEGATIVE_INFINITY;
            single |= helps;
            if (loop.marginDb() < -NEAR_DB && helps)
                assertThat(howls(raised(live, leg, loop.marginDb() + NEAR_DB))).isTrue();
        }
        if (single) assertThat(some).isTrue();
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void noMarginDependsOnTheOrderInWhichAGraphIsFollowed(@ForAll("looped") LiveGraph live) {
        Tracer one = Tracer.of(live);
        Tracer other = Tracer.of(live, FlowOrder.inTime(live));
        assertThat(other.loops()).hasSameSizeAs(one.loops());
        for (int l = 0; l < one.loops().size(); l++) {
            assertThat(other.loops().get(l).isStable()).isEqualTo(one.loops().get(l).isStable());
            assertThat(other.loops().get(l).marginDb())
                    .isCloseTo(one.loops().get(l).marginDb(), within(0.02));
        }
    }

    @Property(shrinking = ShrinkingMode.OFF)
    void noLevelDependsOnTheOrderInWhichAGraphIsFollowed(@ForAll("tame") LiveGraph live) {
        Tracer one = Tracer.of(live);
        Tracer other = Tracer.of(live, FlowOrder.inTime(live));
        // nearer to howling, the last of very many rounds are summed at the grid's frequencies
        if (one.loops().stream().anyMatch(loop -> loop.marginDb() < 3)) return;
        double level = one.hearing("e", "s").levelDb();
        if (level > -60)
            assertThat(other.hearing("e", "s").levelDb()).isCloseTo(level, within(0.1));
    }

    /// In what howls a source is heard by its strongest ways, whichever order they are found in.
    @Property(shrinking = ShrinkingMode.OFF)
    void inWhatHowlsNoLevelDependsOnTheOrderEither(@ForAll("looped") LiveGraph live) {
        Tracer one = Tracer.of(live);
        if (one.loops().stream().allMatch(Loop::isStable)) return;
        if (one.loops().stream().anyMatch(loop -> Math.abs(loop.marginDb()) < 0.1)) return;
        if (one.loops().stream().anyMatch(l -> l.isStable() && l.marginDb() < 3)) return;
        Tracer other = Tracer.of(live, FlowOrder.inTime(live));
        double level = one.hearing("e", "s").levelDb();
        if (level > -60)
            assertThat(other.hearing("e", "s").levelDb()).isCloseTo(level, within(0.1));
        assertThat(one.hearing("e", "s").arrivals()).allMatch(a -> Double.isFinite(a.levelDb()));
    }
}
