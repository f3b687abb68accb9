package rivulus.check;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.signal.LiveGraph;
import rivulus.signal.SignalGraph;
import rivulus.signal.Strongest;

/// What hangs on the legs of a scene: who would no longer hear whom they must, were they weaker.
///
/// Whoever hears somebody by a strongest way that goes round a leg still hears them without it, so
/// that only those are asked whose strongest way passes it, and whoever hears somebody so softly
/// that it may take several ways together; what is asked is exact. Made once, at the cost of one
/// passage of the graph for each source.
final class Hanging {
    /// What is heard by no more than this over the limit may come by several ways together, in dB.
    private static final double TOGETHER_DB = 12;

    private final SceneProof scene;
    private final double least;
    /// Whom somebody must hear, and hears.
    private final List<SceneProof.Heard> cells = new ArrayList<>();
    private final Map<Ear, Integer> heard = new HashMap<>();
    /// The places of cells, by the legs on their strongest ways.
    private final Map<Integer, BitSet> byLeg = new HashMap<>();
    private final BitSet together = new BitSet();

    private Hanging(SceneProof scene) {
        this.scene = scene;
        least = scene.limit(Limit.HEARD);
        LiveGraph live = scene.tracer().live();
        Map<Source, Strongest> ways = new HashMap<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (cell.standing().wish() != Wish.MUST || cell.hearing().levelDb() < least) continue;
            heard.merge(cell.ear(), 1, Integer::sum);
            note(
                    ways.computeIfAbsent(cell.source(), source -> Strongest.of(live, source.id())),
                    live.graph().ears().get(cell.ear().id()));
            if (cell.hearing().levelDb() < least + TOGETHER_DB) together.set(cells.size());
            cells.add(cell);
        }
    }

    /// What hangs on what in a scene.
    static Hanging of(SceneProof scene) {
        return new Hanging(scene);
    }

    /// The next cell, by every leg on its ways.
    private void note(Strongest ways, SignalGraph.EarNodes ear) {
        for (int[] channel : ear.channels()) {
            int at = ways.loudest(channel);
            if (at < 0) continue;
            for (int node : ways.to(at)) {
                int leg = ways.legTo(node);
                if (leg >= 0) byLeg.computeIfAbsent(leg, _ -> new BitSet()).set(cells.size());
            }
        }
    }

    /// What is lost in another state of the same graph. Costs a tracing of the sources that come by
    /// what is weaker in it.
    Losses at(LiveGraph other) {
        LiveGraph live = scene.tracer().live();
        BitSet asked = (BitSet) together.clone();
        byLeg.forEach(
                (leg, passing) -> {
                    if (other.legGain(leg) < live.legGain(leg)) asked.or(passing);
                });
        if (asked.isEmpty()) return Losses.NONE;
        Tracer.Listening then = scene.tracer().in(other);
        SequencedMap<Ear, List<Source>> lost = new LinkedHashMap<>();
        for (int c = asked.nextSetBit(0); c >= 0; c = asked.nextSetBit(c + 1)) {
            SceneProof.Heard cell = cells.get(c);
            if (then.hearing(cell.ear().id(), cell.source().id()).levelDb() < least)
                lost.computeIfAbsent(cell.ear(), _ -> new ArrayList<>()).add(cell.source());
        }
        List<Losses.Loss> losses = new ArrayList<>();
        lost.forEach(
                (ear, sources) ->
                        losses.add(
                                new Losses.Loss(ear, sources, sources.size() == heard.get(ear))));
        return new Losses(losses);
    }
}
