package rivulus.hearing;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.Iterator;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;

/// The edges by which sound comes back to where it has been: from a source the louder edge is
/// followed first, as far as it goes (a depth-first walk), and what leads back to a node on the way
/// there returns. Without those nothing goes round. Of equally loud edges the one to the point
/// whose name comes first is followed first, so that the order of the gear makes no difference.
final class Returning {
    private final LiveGraph live;
    private final IntPredicate goesRound;
    private final BitSet seen;
    private final BitSet onTheWay;
    private final BitSet back;

    private Returning(LiveGraph live, IntPredicate goesRound) {
        this.live = live;
        this.goesRound = goesRound;
        seen = new BitSet(live.size());
        onTheWay = new BitSet(live.size());
        back = new BitSet();
    }

    /// The edges by which sound from some nodes comes back, among those between nodes that go
    /// round.
    static BitSet edges(LiveGraph live, int[] starts, IntPredicate goesRound) {
        Returning walk = new Returning(live, goesRound);
        for (int start : starts) walk.from(start);
        // what no source comes to first, such as a loop that is only reached by another
        for (int v = 0; v < live.size(); v++) if (goesRound.test(v)) walk.from(v);
        return walk.back;
    }

    /// One step of the walk: a node and the edges out of it that are left.
    private record Step(int node, Iterator<Integer> left) {}

    private void from(int start) {
        if (seen.get(start)) return;
        Deque<Step> way = new ArrayDeque<>();
        way.push(step(start));
        while (!way.isEmpty()) {
            Step at = way.peek();
            if (!at.left().hasNext()) {
                onTheWay.clear(at.node());
                way.pop();
                continue;
            }
            int e = at.left().next();
            int to = live.to(e);
            if (onTheWay.get(to) && goesRound.test(to) && goesRound.test(at.node())) back.set(e);
            if (!seen.get(to)) way.push(step(to));
        }
    }

    private Step step(int node) {
        seen.set(node);
        onTheWay.set(node);
        return new Step(
                node,
                IntStream.range(live.firstEdge(node), live.firstEdge(node + 1))
                        .boxed()
                        .sorted(
                                Comparator.comparingDouble((Integer e) -> -live.gain(e))
                                        .thenComparing(e -> name(live.to(e))))
                        .iterator());
    }

    private String name(int v) {
        Node node = live.graph().nodes().get(v);
        return node.point() + " " + node.channel();
    }
}
