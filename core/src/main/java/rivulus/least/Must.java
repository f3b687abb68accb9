package rivulus.least;

import java.util.List;
import java.util.stream.Stream;

/// Something that has to be so in one scene: one at least of some alternatives, each of which asks
/// one thing or several of the knobs.
///
/// @param scene the place of the scene in the show
/// @param about what is wrong without it, to be told where not everything can be had; equal for
///     what belongs together
/// @param alternatives none where nothing that knobs can do would help
public record Must(int scene, String about, List<Alternative> alternatives) {
    public Must {
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
    }

    /// The same with one more alternative.
    public Must or(Stand stand) {
        return or(new Must(scene, about, List.of(Alternative.of(stand))));
    }

    /// The same with the alternatives of another besides.
    Must or(Must other) {
        return new Must(
                scene,
                about,
                Stream.concat(alternatives.stream(), other.alternatives.stream())
                        .distinct()
                        .toList());
    }

    /// The places of the knobs that may be turned for it.
    public Stream<Integer> knobs() {
        return alternatives.stream()
                .flatMap(alternative -> alternative.groups().stream())
                .flatMap(List::stream)
                .map(Stand::knob)
                .distinct();
    }

    /// Whether some turns do not do it.
    public boolean isAgainst(Choice choice, Dials dials) {
        return alternatives.stream()
                .noneMatch(
                        alternative ->
                                alternative.groups().stream()
                                        .allMatch(
                                                group ->
                                                        group.stream()
                                                                .anyMatch(
                                                                        stand ->
                                                                                choice.stands(
                                                                                        dials,
                                                                                        scene,
                                                                                        stand))));
    }
}
