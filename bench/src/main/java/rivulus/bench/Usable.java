package rivulus.bench;

import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;

/// Says when a window has got so far, and ends the program.
final class Usable {
    /// What is said, with how many ms of the processor it took so far.
    static final String WORD = "usable ";

    private Usable() {}

    private static long processorMs() {
        return ProcessHandle.current().info().totalCpuDuration().orElseThrow().toMillis();
    }

    /// Asks at every pulse; at the pulse after the first yes the frame has been drawn.
    static void sayOnce(BooleanSupplier ready) {
        new AnimationTimer() {
            private boolean drawn;

            @Override
            public void handle(long now) {
                if (drawn) {
                    System.out.println(WORD + processorMs());
                    System.out.flush();
                    Runtime.getRuntime().halt(0);
                }
                drawn = ready.getAsBoolean();
            }
        }.start();
    }
}
