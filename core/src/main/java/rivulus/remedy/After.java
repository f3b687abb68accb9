package rivulus.remedy;

import java.lang.ref.Reference;
import java.lang.ref.WeakReference;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.show.Show;

/// The proof of a show with a change made to it. It is let go as soon as nobody looks at it, since
/// a proof is large and there are many remedies, and made again when somebody does; that costs no
/// more than an edit, for it leans on the proof of the show as it was.
final class After {
    private final Prover prover;
    private final Proof base;
    private final Show changed;
    private Reference<Proof> known;

    private After(Prover prover, Proof base, Proof known) {
        this.prover = prover;
        this.base = base;
        changed = known.show();
        this.known = new WeakReference<>(known);
    }

    /// A proof that was made already, leaning on another.
    static After of(Prover prover, Proof base, Proof known) {
        return new After(prover, base, known);
    }

    synchronized Proof proof() {
        Proof proof = known.get();
        if (proof == null) {
            proof = prover.prove(changed, base);
            known = new WeakReference<>(proof);
        }
        return proof;
    }
}
