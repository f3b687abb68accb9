package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rivulus.cure.Cure;
import rivulus.cure.Cures;
import rivulus.file.DemoShows;
import rivulus.file.Templates;

class EchoTest {
    private final Prover prover =
            Prover.of(Templates.shipped(), Templates.briefDefaults(), Limits.USUAL);

    @Test
    void aFeedOfEverythingGivesACallerHerselfBackAndMixMinusCuresIt() {
        Proof proof = prover.prove(DemoShows.open("first-call", prover.catalogue()));

        assertThat(proof.findings())
                .singleElement()
                .satisfies(
                        finding -> {
                            assertThat(finding.rule()).isEqualTo("echo");
                            assertThat(finding.key().ear()).isEqualTo("nadia");
                            assertThat(finding.figures().get("delayMs")).isBetween(290.0, 300.0);
                            assertThat(finding.figures().get("rating")).isLessThan(10);
                            assertThat(finding.evidence().ways().getFirst().words())
                                    .contains("Show desk, USB 1 chat → Call program");
                        });
        Cure best = Cures.of(prover, proof, proof.findings().getFirst(), 3).cures().getFirst();
        assertThat(best.sentence()).isEqualTo("Set Show desk · USB 1 chat feed to mix-minus.");
        assertThat(best.after().findings()).isEmpty();
    }
}
