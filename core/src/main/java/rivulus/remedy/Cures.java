package rivulus.remedy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.words.Words;

/// What there is against a trouble.
///
/// @param all the remedies, best first
/// @param complete whether everything that is worth offering was tried; if not, the budget ran out
/// @param clash where nothing will do: wishes that cannot all be had with this gear, none of them
///     left out without the others being possible; empty where that was not found out
public record Cures(List<Remedy> all, boolean complete, List<String> clash) {
    /// None, and nobody knows whether there is one.
    public static final Cures UNKNOWN = new Cures(List.of(), false, List.of());

    public Cures {
        all = List.copyOf(all);
        clash = List.copyOf(clash);
    }

    /// The best.
    public Optional<Remedy> first() {
        return all.stream().findFirst();
    }

    /// The remedies, best first.
    public Stream<Remedy> stream() {
        return all.stream();
    }

    /// Whether there are none.
    public boolean isEmpty() {
        return all.isEmpty();
    }

    /// What to say where there is none.
    public String words() {
        if (!complete) return "None was found in the time; there may be one.";
        if (clash.size() < 2)
            return "Nothing that suggests itself ends this without causing something else.";
        return "These %s cannot all be had with this gear: %s. Give one up, or add what carries it."
                .formatted(Words.number(clash.size()), String.join("; ", clash));
    }
}
