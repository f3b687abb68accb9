package rivulus.search;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;

/// A best-first search: of all states that are open the best is looked at, and opens others or
/// answers. With an order in which no state opens a better one, as in Dijkstra (1959) or under a
/// bound that is never too low, answers come out best first.
///
/// Ends when nothing is open, when as many answers are found as are wanted, or when the one who
/// looks says that nothing further is worth it: then it is complete. Ends without that when the
/// budget is spent or somebody cancels. Of equals the one that was opened first is looked at first.
/// Cost: the states looked at, times the logarithm of those open.
///
/// @param <S> a state
/// @param <A> an answer
public final class BestFirst<S, A> {
    private final PriorityQueue<Opened<S>> open;
    private long opened;
    private final List<A> answers = new ArrayList<>();
    private boolean leftOut;
    private boolean ended;

    private BestFirst(Comparator<? super S> order) {
        open =
                new PriorityQueue<>(
                        Comparator.comparing((Opened<S> state) -> state.state(), order)
                                .thenComparingLong(Opened::nth));
    }

    /// A state, and how many were opened before it.
    private record Opened<S>(S state, long nth) {}

    /// Searches.
    ///
    /// @param order of two states the one to look at first
    /// @param most how many answers are wanted
    /// @param budget how many states may be looked at
    /// @param look looks at a state, and tells the search what it opens or answers
    public static <S, A> Found<A> search(
            Comparator<? super S> order,
            Collection<S> starts,
            int most,
            int budget,
            BiConsumer<S, BestFirst<S, A>> look) {
        return search(order, starts, most, budget, () -> false, look);
    }

    /// Searches until it is cancelled.
    ///
    /// @param cancelled asked before each state
    public static <S, A> Found<A> search(
            Comparator<? super S> order,
            Collection<S> starts,
            int most,
            int budget,
            BooleanSupplier cancelled,
            BiConsumer<S, BestFirst<S, A>> look) {
        BestFirst<S, A> search = new BestFirst<>(order);
        starts.forEach(search::open);
        int left = budget;
        while (!search.isOver(most)) {
            if (left-- == 0 || cancelled.getAsBoolean()) {
                search.leftOut();
                break;
            }
            look.accept(search.open.poll().state(), search);
        }
        return new Found<>(search.answers, !search.leftOut);
    }

    private boolean isOver(int most) {
        return ended || open.isEmpty() || answers.size() >= most;
    }

    /// One more state to be looked at.
    public void open(S state) {
        open.add(new Opened<>(state, opened++));
    }

    /// One more answer.
    public void answer(A answer) {
        answers.add(answer);
    }

    /// What has been answered so far.
    public List<A> answers() {
        return answers;
    }

    /// Something was passed over that might have led to an answer.
    public void leftOut() {
        leftOut = true;
    }

    /// Nothing further is worth looking at.
    public void end() {
        ended = true;
    }
}
