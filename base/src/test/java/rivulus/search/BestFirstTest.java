package rivulus.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class BestFirstTest {
    /// Sums of threes and fives from nothing; every sum is an answer.
    private static Found<Integer> sums(int most, int budget) {
        return BestFirst.search(
                Comparator.<Integer>naturalOrder(),
                List.of(0),
                most,
                budget,
                (sum, search) -> {
                    if (sum > 0) search.answer(sum);
                    if (sum < 20) search.open(sum + 3);
                    if (sum < 20) search.open(sum + 5);
                });
    }

    @Test
    void answersComeBestFirstAndAsManyAsWereAskedForAreAllOfThem() {
        Found<Integer> found = sums(4, 1000);
        assertThat(found.all()).containsExactly(3, 5, 6, 8);
        assertThat(found.complete()).isTrue();
        assertThat(found.first()).contains(3);
    }

    @Test
    void whenTheBudgetIsSpentThereMayBeOthers() {
        Found<Integer> found = sums(4, 3);
        assertThat(found.all()).containsExactly(3, 5);
        assertThat(found.complete()).isFalse();
    }

    @Test
    void whatEndsByItselfIsComplete() {
        Found<Integer> found = sums(Integer.MAX_VALUE, Integer.MAX_VALUE);
        assertThat(found.complete()).isTrue();
        assertThat(found.all()).contains(24).isSorted();
    }

    @Test
    void nothingAtAllIsProvenOnlyIfNothingWasLeftOut() {
        Found<String> none =
                BestFirst.search(
                        Comparator.<Integer>naturalOrder(), List.of(1), 1, 9, (_, _) -> {});
        assertThat(none.isEmpty() && none.complete()).isTrue();
        Found<String> perhaps =
                BestFirst.search(
                        Comparator.<Integer>naturalOrder(),
                        List.of(1),
                        1,
                        9,
                        (_, search) -> search.leftOut());
        assertThat(perhaps.isEmpty()).isTrue();
        assertThat(perhaps.complete()).isFalse();
    }

    @Test
    void whoLooksMayEndItAndWhoWaitsMayCancelIt() {
        Found<Integer> ended =
                BestFirst.search(
                        Comparator.<Integer>naturalOrder(),
                        List.of(1, 2, 3),
                        9,
                        9,
                        (state, search) -> {
                            if (state == 2) search.end();
                            else search.answer(state);
                        });
        assertThat(ended).isEqualTo(new Found<>(List.of(1), true));
        AtomicInteger asked = new AtomicInteger();
        Found<Integer> cancelled =
                BestFirst.search(
                        Comparator.<Integer>naturalOrder(),
                        List.of(1, 2, 3),
                        9,
                        9,
                        () -> asked.getAndIncrement() == 2,
                        (state, search) -> search.answer(state));
        assertThat(cancelled).isEqualTo(new Found<>(List.of(1, 2), false));
    }
}
