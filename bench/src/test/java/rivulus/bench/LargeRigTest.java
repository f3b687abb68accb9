package rivulus.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.rule.Rules;
import rivulus.show.Show;

class LargeRigTest {
    @Test
    void isAsLargeAsItSaysAndFullOfSound() {
        Prover prover = Rules.prover();
        Show show = LargeRig.show(prover.catalogue());
        assertThat(show.sources()).hasSize(64);
        assertThat(show.ears()).hasSize(40);
        assertThat(show.scenes()).hasSize(12);
        assertThat(show.rig().devices().stream().filter(d -> d.template().equals("tower")))
                .hasSize(12);
        SceneProof scene = prover.prove(show).scenes().getFirst();
        assertThat(scene.all()).hasSize(64 * 40);
        assertThat(scene.all().stream().filter(cell -> cell.hearing().isHeard()).count())
                .isGreaterThan(1000);
        assertThat(scene.tracer().loops()).isNotEmpty();
    }
}
