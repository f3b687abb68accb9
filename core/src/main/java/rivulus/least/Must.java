package rivulus.least;

import java.util.stream.Stream;

/// Something that has to be so in one scene.
public sealed interface Must permits OneOf, Passage {
    /// The place of the scene in the show.
    int scene();

    /// What is wrong without it, to be told where not everything can be had; equal for what belongs
    /// together.
    String about();

    /// The places of the knobs that may be turned for it.
    Stream<Integer> knobs();

    /// Whether some turns do not do it.
    boolean isAgainst(Choice choice, Dials dials);
}
