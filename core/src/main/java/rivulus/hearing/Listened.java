package rivulus.hearing;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import rivulus.signal.SignalGraph;

/// The nodes of a graph at which anybody listens, numbered, and for every ear the numbers of its
/// own.
///
/// @param nodes each listened node once
/// @param ears in the order of the graph's ears
record Listened(int[] nodes, At[] ears) {
    /// Where one ear listens.
    ///
    /// @param channels for each channel, places in [#nodes()]
    /// @param open for each of those, whether it is an open ear, reached through air
    record At(int[][] channels, boolean[][] open) {}

    static Listened of(SignalGraph graph) {
        int[] nodes =
                graph.ears().values().stream()
                        .flatMap(ear -> ear.channels().stream())
                        .flatMapToInt(Arrays::stream)
                        .distinct()
                        .toArray();
        Map<Integer, Integer> index = new HashMap<>();
        for (int i = 0; i < nodes.length; i++) index.put(nodes[i], i);
        At[] ears =
                graph.ears().values().stream()
                        .map(
                                ear ->
                                        new At(
                                                ear.channels().stream()
                                                        .map(
                                                                of ->
                                                                        Arrays.stream(of)
                                                                                .map(index::get)
                                                                                .toArray())
                                                        .toArray(int[][]::new),
                                                ear.open().toArray(boolean[][]::new)))
                        .toArray(At[]::new);
        return new Listened(nodes, ears);
    }
}
