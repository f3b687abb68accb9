package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.file.DemoShows;
import rivulus.rule.Rules;
import rivulus.show.Ear;
import rivulus.show.Show;

/// What is said of ears, in words, for every evening that ships.
class VerdictsTest {
    static List<String> evenings() {
        return List.copyOf(DemoShows.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void everyEarHasAVerdictInWordsInEveryScene(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (SceneProof scene : proof.scenes()) {
            for (Ear ear : proof.show().ears()) {
                EarVerdict verdict = EarVerdict.of(proof, scene, ear);
                assertThat(verdict.words()).isNotBlank().doesNotContain("null", "%");
                boolean wrong =
                        scene.findings().stream().anyMatch(f -> f.key().ear().equals(ear.id()));
                assertThat(verdict.severity().isPresent()).isEqualTo(wrong);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void everyFindingIsASentenceWithItsFigures(String name) {
        for (Finding finding : Demo.PROVER.prove(Demo.show(name)).findings()) {
            assertThat(finding.sentence()).endsWith(".").doesNotContain("null", "NaN", "  ");
            if (!finding.isOfTheRig()) assertThat(finding.figures()).isNotEmpty();
            assertThat(Rules.ids()).contains(finding.rule());
        }
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void troublesGatherEveryFindingOnceAndTheWorstComesFirst(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        List<Trouble> troubles = Trouble.of(proof);
        assertThat(troubles.stream().mapToInt(t -> t.findings().size()).sum())
                .isEqualTo(proof.findings().size());
        assertThat(troubles).extracting(Trouble::id).doesNotHaveDuplicates();
        assertThat(troubles).extracting(Trouble::severity).isSorted();
        for (Trouble trouble : troubles) {
            assertThat(trouble.scenes().isEmpty()).isEqualTo(trouble.first().isOfTheRig());
            assertThat(trouble.headline()).isNotBlank();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "tales, nadia, hears all 2; herself 296\u202Fms late",
        "call-in, sunniva, not Bram",
        "tales, house, hears all 4",
        "tales, track-maren, hears Maren",
        "tales, track-bram, nothing to hear"
    })
    void theRailSaysItInAFewWords(String scene, String ear, String words) {
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        assertThat(
                        EarVerdict.of(
                                        proof,
                                        proof.scene(scene).orElseThrow(),
                                        proof.show().ear(ear).orElseThrow())
                                .words())
                .isEqualTo(words);
    }

    @Test
    void aSceneSaysWhichGateASourceStandsBehind() {
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        SceneProof tales = proof.scene("tales").orElseThrow();
        assertThat(tales.gate("bram")).isEqualTo("PHONE mute is on");
        assertThat(tales.gate("maren")).isEmpty();
        assertThatThrownBy(() -> tales.of("nobody", "maren"))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(tales.of("nobody")).isEmpty();
    }

    @Test
    void provingTwiceWithTheSameShowTakesEverythingOver() {
        Show show = Demo.show("lantern-hour");
        Proof first = Demo.PROVER.prove(show);
        first.findings();
        Proof again = Demo.PROVER.prove(show.titled("Another name"), first);
        assertThat(again.graph()).isSameAs(first.graph());
        for (SceneProof scene : again.scenes())
            assertThat(scene.tracer())
                    .isSameAs(first.scene(scene.scene().id()).orElseThrow().tracer());
        assertThat(again.findings().stream().map(Finding::sentence))
                .containsExactlyElementsOf(
                        first.findings().stream().map(Finding::sentence).toList());
    }
}
