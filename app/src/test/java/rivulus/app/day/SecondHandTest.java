package rivulus.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import rivulus.app.Toolkit;

class SecondHandTest {
    private final CountDownLatch ticks = new CountDownLatch(1);
    private final SecondHand hand = new SecondHand(ticks::countDown);

    @BeforeAll
    static void start() {
        Toolkit.start();
    }

    private void run(boolean seen) throws InterruptedException {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(
                () -> {
                    hand.run(seen);
                    done.countDown();
                });
        done.await();
    }

    @Test
    void itTicksWhileItIsSeenAndStandsElse() throws InterruptedException {
        assertThat(hand.isRunning()).isFalse();
        run(true);
        run(true);
        assertThat(ticks.await(1, TimeUnit.MINUTES)).isTrue();
        run(false);
        run(false);
        assertThat(hand.isRunning()).isFalse();
    }
}
