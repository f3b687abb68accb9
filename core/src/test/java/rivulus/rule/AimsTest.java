package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Aim;
import rivulus.show.Show;

/// How loud and how soon somebody is wanted, on the repaired demo show.
class AimsTest {
    private static final Show MENDED = Demo.lanternMended();

    private static Show aiming(String ear, String source, String scene, Aim.Kind kind, double to) {
        return MENDED.aiming(ear, source, scene, kind, Optional.of(to));
    }

    private static List<Finding> found(Proof proof, String rule) {
        return proof.findings().stream().filter(f -> f.rule().equals(rule)).toList();
    }

    /// The mean of what the stream hears of the voices in a scene, by hand.
    private static double voices(SceneProof scene) {
        return scene.of("stream").stream()
                .filter(
                        cell ->
                                List.of("maren", "ivo", "nadia", "bram")
                                        .contains(cell.source().id()))
                .mapToDouble(cell -> cell.hearing().levelDb())
                .filter(db -> db > -30)
                .average()
                .orElseThrow();
    }

    @Test
    void musicThatIsTooLoudUnderTheVoicesIsToldByHowMuchAndTurnedDown() {
        Proof proof = Demo.PROVER.prove(aiming("stream", "cue-pads", "", Aim.Kind.UNDER, 10));
        List<Finding> findings = found(proof, "balance");
        assertThat(findings).isNotEmpty();
        Finding finding = findings.getFirst();
        SceneProof scene = proof.scene(finding.scene()).orElseThrow();
        double under = voices(scene) - scene.of("stream", "cue-pads").hearing().levelDb();
        assertThat(finding.figures().get("underDb")).isCloseTo(under, within(0.01));
        assertThat(scene.verdict("stream", "cue-pads")).isEqualTo(Verdict.TOO_LOUD);
        assertThat(finding.sentence())
                .startsWith("The stream hears the cue pads ")
                .endsWith("not 10.0\u202FdB under them.");
        List<Remedy> remedies = Remedies.of(Demo.PROVER, proof, finding, 3).all();
        assertThat(remedies).isNotEmpty();
        Proof after = remedies.getFirst().after();
        assertThat(found(after, "balance")).isEmpty();
    }

    @Test
    void anAimForASceneGoesBeforeOneForAllAndRestsWithItsSource() {
        Proof all = Demo.PROVER.prove(aiming("stream", "cue-pads", "", Aim.Kind.UNDER, 40));
        String scene = found(all, "balance").getFirst().scene();
        double under = found(all, "balance").getFirst().figures().get("underDb");
        Show but =
                aiming("stream", "cue-pads", "", Aim.Kind.UNDER, 40)
                        .aiming(
                                "stream",
                                "cue-pads",
                                scene,
                                Aim.Kind.UNDER,
                                Optional.of(Math.max(0, under)));
        assertThat(found(Demo.PROVER.prove(but), "balance"))
                .noneMatch(f -> f.scene().equals(scene));
        Show resting = but.withScene(scene, one -> one.resting(List.of("cue-pads")));
        assertThat(resting.aiming("stream", "cue-pads", scene, Aim.Kind.UNDER, Optional.empty()))
                .satisfies(
                        show ->
                                assertThat(found(Demo.PROVER.prove(show), "balance"))
                                        .noneMatch(f -> f.scene().equals(scene)));
    }

    @Test
    void whoIsHeardLaterThanWishedIsTold() {
        Proof proof = Demo.PROVER.prove(aiming("nadia", "maren", "", Aim.Kind.WITHIN, 50));
        Finding late = found(proof, "later-than-wished").getFirst();
        SceneProof scene = proof.scene(late.scene()).orElseThrow();
        double ms =
                scene.of("nadia", "maren").hearing().arrivals().stream()
                        .max((a, b) -> Double.compare(a.levelDb(), b.levelDb()))
                        .orElseThrow()
                        .ms();
        assertThat(late.figures().get("delayMs")).isEqualTo(ms);
        assertThat(scene.verdict("nadia", "maren")).isEqualTo(Verdict.LATER);
        Proof soon =
                Demo.PROVER.prove(aiming("nadia", "maren", "", Aim.Kind.WITHIN, Math.ceil(ms)));
        assertThat(found(soon, "later-than-wished")).isEmpty();
    }
}
