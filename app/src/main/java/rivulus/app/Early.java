package rivulus.app;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.rule.Rules;

/// What is worked out while the toolkit is still starting, so that the window need not wait for it:
/// the prover, and, where the demo show is asked for, its proof.
final class Early {
    /// The word by which the demo show is asked for.
    static final String DEMO = "demo";

    private static final CompletableFuture<Prover> PROVER =
            CompletableFuture.supplyAsync(Rules::prover);

    private static Optional<CompletableFuture<Proof>> proof = Optional.empty();

    private Early() {}

    /// Begins.
    ///
    /// @param words what the program was started with
    static void begin(List<String> words) {
        if (words.equals(List.of(DEMO))) proof = Optional.of(PROVER.thenApply(Early::demo));
    }

    private static Proof demo(Prover prover) {
        Proof proof = prover.prove(DemoShows.open(DemoShows.LANTERN_HOUR, prover.catalogue()));
        proof.findings();
        return proof;
    }

    /// The prover of the shipped templates; waits for it.
    static Prover prover() {
        return PROVER.join();
    }

    /// The proof of the show that is about to be opened, as soon as it is there; empty where it is
    /// not known which that is.
    static Optional<CompletableFuture<Proof>> proof() {
        return proof;
    }
}
