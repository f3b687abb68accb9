package rivulus.remedy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.words.Words;

/// What there is against a trouble.
///
/// @param all the remedies, best first
/// @param complete whether everything that is worth offering was tried; if not, the budget ran out,
///     and a larger one may find more
/// @param tried how many changes were proven whole for it
/// @param clash where nothing will do: wishes that cannot all be had with this gear, none of them
///     left out without the others being possible; empty where that was not found out
public record Cures(List<Remedy> all, boolean complete, int tried, List<String> clash) {
    /// None, and nothing is worth a search.
    public static final Cures NONE = new Cures(List.of(), true, 0, List.of());

    /// None, and nobody knows whether there is one.
    public static final Cures UNKNOWN = new Cures(List.of(), false, 0, List.of());

    public Cures {
        all = List.copyOf(all);
        clash = List.copyOf(clash);
    }

    /// The first that was found, while others are looked for.
    public static Cures soFar(Remedy first) {
        return new Cures(List.of(first), false, 0, List.of());
    }

    /// Whether others are still looked for.
    public boolean isSoFar() {
        return !complete && tried == 0 && !all.isEmpty();
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

    /// Whether a larger budget may bring something better than the best there is.
    public boolean mayBeBettered() {
        return !complete && first().filter(Remedy::least).isEmpty();
    }

    /// What to say of how far it was searched: where there is none, and where the best may not be
    /// the best there is; else empty.
    public String words() {
        if (!all.isEmpty() && !mayBeBettered()) return "";
        if (isSoFar())
            return "The first that was found; whether there is a better one is being tried.";
        if (!complete && tried == 0) return "Nothing was tried against this yet.";
        if (!complete)
            return all.isEmpty()
                    ? "Nothing that ends this was found so far, %s tried; there may be something."
                            .formatted(Words.count(tried, "change"))
                    : "Best found so far, %s tried; there may be something cheaper."
                            .formatted(Words.count(tried, "change"));
        if (clash.size() < 2)
            return "Nothing that was tried ends this without harm somewhere else.";
        return "These %s cannot all be had with this gear: %s. Give one up, or add what carries it."
                .formatted(Words.number(clash.size()), String.join("; ", clash));
    }
}
