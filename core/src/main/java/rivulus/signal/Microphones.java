package rivulus.signal;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/// How well each microphone hears somebody through the air, however knobs stand.
///
/// @param own the node of the one that hears them best, at their mouth if they have one
/// @param dbs the gain of the air to each, by its node
public record Microphones(int own, Map<Integer, Double> dbs) {
    /// By how much less a node hears them than their own microphone, in dB; empty where it is none.
    public Optional<Double> fartherDb(int node) {
        return Optional.ofNullable(dbs.get(node)).map(db -> dbs.get(own) - db);
    }

    /// Those of every source that begins in air.
    static Map<String, Microphones> of(SignalGraph graph) {
        Map<String, Microphones> all = new HashMap<>();
        graph.sources()
                .forEach(
                        (source, nodes) -> {
                            Map<Integer, Double> dbs = new HashMap<>();
                            for (int node : nodes)
                                for (Leg leg : graph.legsFrom(graph.nodes().get(node).point()))
                                    if (leg.kind() == Leg.Kind.AIR)
                                        for (int to : graph.nodesOf(leg.to()))
                                            if (!graph.isEar(to))
                                                dbs.merge(to, leg.gainDb(), Math::max);
                            if (!dbs.isEmpty()) all.put(source, of(dbs));
                        });
        return Map.copyOf(all);
    }

    private static Microphones of(Map<Integer, Double> dbs) {
        int own = -1;
        for (int node : dbs.keySet().stream().sorted().toList())
            if (own < 0 || dbs.get(node) > dbs.get(own)) own = node;
        return new Microphones(own, Map.copyOf(dbs));
    }
}
