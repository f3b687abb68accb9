package rivulus.hearing;

import java.util.BitSet;
import rivulus.signal.Bands;
import rivulus.signal.FlowOrder;
import rivulus.signal.LiveGraph;

/// Follows an impulse from one node through everything that does not go round.
///
/// Cost: live edges downstream of the node times the taps that pass them.
final class Flow {
    private final LiveGraph live;
    private final FlowOrder order;
    private final int[] position;
    private final int[] cutIndex;
    private final int[] listened;
    private final Taps[] at;

    Flow(LiveGraph live, FlowOrder order, int[] cuts, int[] listened) {
        this.live = live;
        this.order = order;
        this.listened = listened;
        position = order.positions();
        cutIndex = order.cutIndexes();
        this.cuts = cuts.length;
        at = new Taps[live.size()];
    }

    private final int cuts;

    /// What comes of an impulse.
    ///
    /// @param intoCut taps that reach each cut node, and stop there
    /// @param atEar taps that reach each listened node without passing a cut
    record Field(Taps[] intoCut, Taps[] atEar) {}

    /// An impulse put in at a node, from outside.
    Field fromSource(int node) {
        if (!order.isCut(node)) return follow(node);
        Field field = nothing();
        field.intoCut[cutIndex[node]] = Taps.IMPULSE;
        return field;
    }

    /// What leaves a cut node when an impulse has come in there.
    Field fromCut(int node) {
        Field field = follow(node);
        for (int i = 0; i < listened.length; i++)
            if (listened[i] == node) field.atEar[i] = Taps.IMPULSE;
        return field;
    }

    private Field nothing() {
        Field field = new Field(new Taps[cuts], new Taps[listened.length]);
        java.util.Arrays.fill(field.intoCut, Taps.NONE);
        java.util.Arrays.fill(field.atEar, Taps.NONE);
        return field;
    }

    private Field follow(int start) {
        Field field = nothing();
        Bands bands = live.graph().bands();
        BitSet pending = new BitSet(at.length);
        BitSet touched = new BitSet(at.length);
        at[start] = Taps.IMPULSE;
        pending.set(position[start]);
        touched.set(start);
        for (int i = pending.nextSetBit(0); i >= 0; i = pending.nextSetBit(i + 1)) {
            int v = order.order()[i];
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                Taps passed = at[v].through(live.gain(e), live.ns(e), live.band(e), bands);
                if (passed.isEmpty()) continue;
                int to = live.to(e);
                int k = cutIndex[to];
                if (k >= 0) {
                    field.intoCut[k] = field.intoCut[k].plus(passed);
                } else {
                    at[to] = at[to] == null ? passed : at[to].plus(passed);
                    pending.set(position[to]);
                    touched.set(to);
                }
            }
        }
        for (int i = 0; i < listened.length; i++) {
            if (at[listened[i]] != null && cutIndex[listened[i]] < 0)
                field.atEar[i] = at[listened[i]];
        }
        for (int v = touched.nextSetBit(0); v >= 0; v = touched.nextSetBit(v + 1)) at[v] = null;
        return field;
    }
}
