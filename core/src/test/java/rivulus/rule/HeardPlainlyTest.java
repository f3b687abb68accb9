package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Way;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Show;

/// What is called quiet, loud and doubled, with small rigs whose figures are worked out by hand.
class HeardPlainlyTest {
    private static final String LINE =
            """
            pc laptop
            player player on:pc plays-to=pc/line-out
            pc/line-out box/in
            ear stream stream box/out.out
            plays bed programme player/player
            """;

    /// Ways from in to out, each so late and so loud, and a way back of so many ms and dB.
    private static String box(String routes) {
        return """
        {"template": "box", "name": "Box", "kind": "desk",
         "ports": [{"id": "in", "connector": "3.5 mm", "carries": "line", "takes": 1},
                   {"id": "out", "connector": "3.5 mm", "carries": "line", "gives": 1}],
         "points": [{"id": "a"}, {"id": "b"}, {"id": "c"}, {"id": "d"}],
         "routes": [%s],
         "knobs": [{"id": "level", "label": "level", "kind": "level", "role": "level", "maxDb": 40}]}
        """
                .formatted(routes);
    }

    private static String late(String point, double ms, double db) {
        return """
        {"from": "in.in", "to": "%1$s", "delayMs": %2$s},
        {"from": "%1$s", "to": "out.out", "gainDb": %3$s},
        """
                .formatted(point, ms, db);
    }

    private static final String DIRECT =
            "{\"from\": \"in.in\", \"to\": \"out.out\", \"knobs\": [\"level\"]}";

    private static Proof proof(String routes, String knobs) {
        return Demo.PROVER.prove(
                RigText.show("box box " + knobs + "\n" + LINE, box(routes + DIRECT)));
    }

    private static Finding only(Proof proof, String rule) {
        List<Finding> found =
                proof.heard().stream().filter(finding -> finding.rule().equals(rule)).toList();
        assertThat(found).as(proof.heard().toString()).hasSize(1);
        return found.getFirst();
    }

    // Quiet and loud

    @Test
    void thirtyDecibelsOverNominalIsNotAsWishedAndIsTurnedDown() {
        Proof loud = proof("", "level=33");
        Finding finding = only(loud, "too-loud");
        assertThat(finding.sentence())
                .isEqualTo("The stream hears the bed 30.0 dB louder than meant.");
        SceneProof scene = loud.scenes().getFirst();
        assertThat(scene.verdict("stream", "bed")).isEqualTo(Verdict.TOO_LOUD);
        Remedy cure = Remedies.of(Demo.PROVER, loud, finding, 1).all().getFirst();
        assertThat(cure.sentence()).isEqualTo("Set box · level to 3.0 dB.");
        assertThat(proof("", "level=17").heard())
                .as("no louder than may be, but it clips")
                .allMatch(other -> other.rule().equals("clipping"));
    }

    @ParameterizedTest
    @CsvSource({"0, LET_PASS", "-20, LET_PASS", "-40, FAR_DOWN", "-55, FAR_DOWN"})
    void aCallerWhoGetsThemselfAtOnceOrSoftlyIsNotCalledUnheard(double db, Verdict verdict) {
        Show show =
                RigText.show(
                        """
                        place far
                        person nadia caller far
                        ear nadia person nadia
                        headset usb-headset worn:nadia sidetone=%s
                        """
                                .formatted(db));
        Proof proof = Demo.PROVER.prove(show);
        SceneProof scene = proof.scenes().getFirst();
        SceneProof.Heard own = scene.of("nadia", "nadia");
        assertThat(own.hearing().levelDb()).isEqualTo(db, within(0.1));
        assertThat(own.hearing().strongest().orElseThrow().ms()).isBetween(1.0, 1.3);
        assertThat(scene.verdict("nadia", "nadia")).isEqualTo(verdict);
        assertThat(verdict.word()).doesNotContain("not heard");
    }

    // Doubled

    @Test
    void halfAMillisecondInOneWireIsToldWithItsDips() {
        Finding finding = only(proof(late("a", 0.5, -3), ""), "doubled");
        assertThat(finding.sentence())
                .isEqualTo(
                        "The stream hears the bed twice, 0.5 ms apart: dull, with dips at"
                                + " 1.0 kHz and every 2.0 kHz from there.");
        assertThat(finding.figures().get("firstNotchHz")).isEqualTo(1000, within(0.01));
    }

    @Test
    void aFewMillisecondsAreHollowWithDipsEverySoOften() {
        assertThat(only(proof(late("a", 23, -3), ""), "doubled").sentence())
                .isEqualTo(
                        "The stream hears the bed twice, 23 ms apart: hollow, with dips every"
                                + " 43 Hz.");
    }

    @Test
    void fourArrivalsAreNotCalledTwice() {
        Proof proof = proof(late("a", 20, -2) + late("b", 40, -4) + late("c", 61, -6), "");
        Finding finding = only(proof, "doubled");
        assertThat(finding.sentence())
                .startsWith("The stream hears the bed four times within 61 ms: ");
        assertThat(finding.figures().get("times")).isEqualTo(4);
        assertThat(finding.brief()).isEqualTo("four times");
        assertThat(proof.scenes().getFirst().verdict("stream", "bed")).isEqualTo(Verdict.REPEATED);
        assertThat(finding.evidence().ways()).hasSize(4);
    }

    @Test
    void whatALoopMakesTwiceShowsTheWayThereAndTheWayRound() {
        String round =
                """
                {"from": "in.in", "to": "a"}, {"from": "a", "to": "out.out"},
                {"from": "a", "to": "b", "delayMs": 60}, {"from": "b", "to": "a", "gainDb": -8},
                """;
        Proof proof =
                Demo.PROVER.prove(RigText.show("box box level=off\n" + LINE, box(round + DIRECT)));
        Finding finding = only(proof, "doubled");
        assertThat(finding.figures().get("gapMs")).isEqualTo(60, within(0.01));
        List<Way> ways = finding.evidence().ways();
        assertThat(ways).extracting(Way::ms).hasSizeGreaterThan(1).contains(ways.get(0).ms() + 60);
        assertThat(ways.get(1).legs())
                .extracting(leg -> leg.to().toString())
                .containsSubsequence("box/a", "box/b", "box/a", "box/out.out");
    }
}
