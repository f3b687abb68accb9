package rivulus.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import rivulus.app.Toolkit;

/// Which answers are handed over while questions come faster than they can be answered.
class WorkTest {
    private final List<Integer> shown = new CopyOnWriteArrayList<>();
    private final Work work =
            new Work(
                    "test",
                    "testing",
                    mishap -> {
                        throw new IllegalStateException(mishap.toString());
                    });

    @BeforeAll
    static void start() {
        Toolkit.start();
    }

    @AfterEach
    void end() {
        work.close();
    }

    /// An answer that takes until the latch is open.
    private static int answer(int of, CountDownLatch begun, CountDownLatch open) {
        begun.countDown();
        await(open);
        return of;
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException hurried) {
            throw new IllegalStateException(hurried);
        }
    }

    private void awaitIdle() {
        while (!work.isIdle()) {
            CountDownLatch turn = new CountDownLatch(1);
            Platform.runLater(turn::countDown);
            await(turn);
        }
    }

    /// Asks five things while the first is still worked out.
    private void askFive(boolean following, Runnable meanwhile) {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch open = new CountDownLatch(1);
        for (int n = 1; n <= 5; n++) {
            int of = n;
            if (following) work.follow(() -> answer(of, begun, open), shown::add);
            else work.ask(_ -> answer(of, begun, open), shown::add);
            await(begun);
        }
        meanwhile.run();
        open.countDown();
        awaitIdle();
    }

    @Test
    void whatFollowsShowsWhatWasWorkedOutThoughANewerQuestionWaits() {
        askFive(true, () -> {});
        assertThat(shown).as("the one begun, and the latest").containsExactly(1, 5);
    }

    @Test
    void whereOnlyTheLatestCountsNothingElseIsShown() {
        askFive(false, () -> {});
        assertThat(shown).containsExactly(5);
    }

    @Test
    void whatIsForgottenIsNotShown() {
        askFive(true, work::forget);
        assertThat(shown).isEmpty();
    }
}
