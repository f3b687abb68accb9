package rivulus.least;

import java.util.List;
import java.util.stream.Stream;

/// One at least of some alternatives, each of which asks one thing or several of the knobs.
///
/// @param alternatives none where nothing that knobs can do would help
public record OneOf(int scene, String about, List<Alternative> alternatives) implements Must {
    public OneOf {
        alternatives = List.copyOf(alternatives);
    }

    /// One way to have it.
    ///
    /// @param groups of each, one knob at least must stand so
    public record Alternative(List<List<Stand>> groups) {
        public Alternative {
            groups = groups.stream().map(List::copyOf).toList();
        }

        static Alternative of(Stand stand) {
            return new Alternative(List.of(List.of(stand)));
        }

        boolean isDone(int scene, Choice choice, Dials dials) {
            return groups.stream()
                    .allMatch(
                            group ->
                                    group.stream()
                                            .anyMatch(stand -> choice.stands(dials, scene, stand)));
        }
    }

    /// The same with one more alternative.
    public OneOf or(Stand stand) {
        return or(new OneOf(scene, about, List.of(Alternative.of(stand))));
    }

    /// The same with the alternatives of another besides.
    OneOf or(OneOf other) {
        return new OneOf(
                scene,
                about,
                Stream.concat(alternatives.stream(), other.alternatives.stream())
                        .distinct()
                        .toList());
    }

    @Override
    public Stream<Integer> knobs() {
        return alternatives.stream()
                .flatMap(alternative -> alternative.groups().stream())
                .flatMap(List::stream)
                .map(Stand::knob)
                .distinct();
    }

    @Override
    public boolean isAgainst(Choice choice, Dials dials) {
        return alternatives.stream()
                .noneMatch(alternative -> alternative.isDone(scene, choice, dials));
    }
}
