package rivulus.app;

import java.util.concurrent.CompletableFuture;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.rule.Rules;

/// Reads the templates while the toolkit is still starting, so that the window need not wait for
/// them, and then proves the demo show once, so that the first proof that is looked at is quick.
final class Early {
    private static final CompletableFuture<Prover> PROVER =
            CompletableFuture.supplyAsync(Rules::prover);

    private Early() {}

    /// Begins, if it has not begun.
    static void begin() {
        PROVER.thenAccept(
                prover ->
                        prover.prove(DemoShows.open(DemoShows.LANTERN_HOUR, prover.catalogue()))
                                .findings());
    }

    /// The prover of the shipped templates; waits for it.
    static Prover prover() {
        return PROVER.join();
    }
}
