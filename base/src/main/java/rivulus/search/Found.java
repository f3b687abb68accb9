package rivulus.search;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/// What a search came to.
///
/// @param all the answers, best first
/// @param complete whether these are all there are, or the best of as many as were asked for; if
///     not, the budget ran out, or something was left out on the way, and there may be others
public record Found<A>(List<A> all, boolean complete) {
    public Found {
        all = List.copyOf(all);
    }

    /// The best answer.
    public Optional<A> first() {
        return all.stream().findFirst();
    }

    /// The answers, best first.
    public Stream<A> stream() {
        return all.stream();
    }

    /// Whether nothing was found.
    public boolean isEmpty() {
        return all.isEmpty();
    }

    /// The answers told another way.
    public <B> Found<B> map(Function<List<A>, List<B>> tell) {
        return new Found<>(tell.apply(all), complete);
    }
}
