package rivulus.least;

import java.util.BitSet;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

/// A source has to come to an ear: a row of legs from one to the other, each with its knobs so that
/// enough gets through wherever else it is open.
///
/// What comes round in a circle counts as coming, though nothing feeds the circle: a passage is
/// never asked too much of, and now and then too little.
///
/// @param from the nodes at which the source comes in
/// @param to the nodes of the ear; it has to come to one
/// @param nodes of how many nodes the graph is
public record Passage(
        int scene, String about, List<Integer> from, List<Integer> to, List<Step> steps, int nodes)
        implements Must {
    public Passage {
        from = List.copyOf(from);
        to = List.copyOf(to);
        steps = List.copyOf(steps);
    }

    /// From a node to a node by one leg.
    ///
    /// @param open how the leg's knobs must stand; nothing where it is always open
    public record Step(int from, int to, OneOf.Alternative open) {}

    /// Without the steps, of which there are many.
    @Override
    public int hashCode() {
        return Objects.hash(scene, about, from, to);
    }

    @Override
    public Stream<Integer> knobs() {
        return steps.stream()
                .flatMap(step -> step.open().groups().stream())
                .flatMap(List::stream)
                .map(Stand::knob)
                .distinct();
    }

    /// Seen from the source: whether nothing comes to the ear.
    @Override
    public boolean isAgainst(Choice choice, Dials dials) {
        List<Step> open =
                steps.stream().filter(step -> step.open().isDone(scene, choice, dials)).toList();
        BitSet reached = new BitSet(nodes);
        from.forEach(reached::set);
        for (int before = 0; before < reached.cardinality(); ) {
            before = reached.cardinality();
            for (Step step : open) if (reached.get(step.from())) reached.set(step.to());
        }
        return to.stream().noneMatch(reached::get);
    }
}
