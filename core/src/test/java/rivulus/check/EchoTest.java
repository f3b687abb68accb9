package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rivulus.file.DemoShows;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.rule.Rules;

class EchoTest {
    private final Prover prover = Rules.prover();

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
                                    .contains("Show desk, USB 1 call → Call program");
                        });
        Remedy best = Remedies.of(prover, proof, proof.heard().getFirst(), 3).all().getFirst();
        assertThat(best.sentence()).isEqualTo("Set Show desk · USB 1 call feed to mix-minus.");
        assertThat(best.after().heard()).isEmpty();
    }
}
