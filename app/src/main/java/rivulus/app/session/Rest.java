package rivulus.app.session;

import javafx.animation.PauseTransition;
import javafx.util.Duration;

/// Gives memory back when the program rests: some seconds after the last thing that was worked out,
/// if much more is held than is needed. Costs one collection, some tens of milliseconds, at a
/// moment when nobody waits.
public final class Rest implements AutoCloseable {
    private static final Duration QUIET = Duration.seconds(8);
    private static final long WORTH_BYTES = 48L << 20;

    private final Session session;
    private final PauseTransition pause = new PauseTransition(QUIET);

    /// Watches over a session, from the interface thread.
    public Rest(Session session) {
        this.session = session;
        pause.setOnFinished(_ -> rest());
        session.picture().addListener((_, _, _) -> pause.playFromStart());
    }

    private void rest() {
        if (!session.isSettled()) {
            pause.playFromStart();
            return;
        }
        Runtime runtime = Runtime.getRuntime();
        long held = runtime.totalMemory();
        if (held > WORTH_BYTES) Thread.ofPlatform().daemon().name("rivulus-rest").start(System::gc);
    }

    @Override
    public void close() {
        pause.stop();
    }
}
