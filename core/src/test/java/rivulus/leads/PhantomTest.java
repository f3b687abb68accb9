package rivulus.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Severity;

/// 48 V: wherever it arrives, through whatever passes it, in whichever scene.
class PhantomTest {
    private static List<Finding> phantom(Show show) {
        return Demo.PROVER.prove(show).ofTheRig().stream()
                .filter(finding -> finding.rule().equals("phantom"))
                .toList();
    }

    private static Finding only(Show show) {
        assertThat(phantom(show)).hasSize(1);
        return phantom(show).getFirst();
    }

    private static Remedy best(Show show) {
        Proof proof = Demo.PROVER.prove(show);
        return Remedies.of(Demo.PROVER, proof, only(show), 1).all().getFirst();
    }

    @Test
    void anInputThatAlwaysGivesItHarmsARibbonAndATransformerOrAnotherInputIsTheWayOut() {
        Show show =
                RigText.show(
                        "r ribbon-mic\n d box\n r/out d/mic1",
                        """
                        {"template": "box", "name": "Box", "kind": "desk", "ports": [
                          {"id": "mic1", "label": "MIC 1", "connector": "XLR", "carries": "mic",
                           "takes": 1, "balanced": true, "phantom": "gives"}]}
                        """);
        Finding finding = only(show);
        assertThat(finding.severity()).isEqualTo(Severity.DANGER);
        assertThat(finding.sentence())
                .isEqualTo(
                        "From r to d, MIC 1: 48 V is always on at d, MIC 1 and can damage r; take"
                                + " another input, or a transformer between.");
        Remedy cure = best(show);
        assertThat(phantom(cure.change().after())).isEmpty();
        assertThat(cure.turns()).isEmpty();
    }

    @Test
    void aSceneThatSwitchesItOnIsAsBadAsTheWholeShowAndIsMendedThere() {
        Show show =
                RigText.show(
                        "scene talk 10\n scene song 10\n r ribbon-mic\n i interface-2\n r/out i/in1");
        assertThat(phantom(show)).isEmpty();
        Ref switched = Ref.of("i/p48");
        Show sung = show.withScene("song", s -> s.withKnob(switched, new Setting.Switch(true)));
        assertThat(only(sung).severity()).isEqualTo(Severity.DANGER);
        assertThat(only(sung).sentence()).contains("48 V is switched on in song at i, input 1");
        Remedy cure = best(sung);
        assertThat(cure.sentence())
                .isEqualTo("Levels down, then switch 48 V off at i, input 1 in song.");
        assertThat(phantom(cure.change().after())).isEmpty();
    }

    @Test
    void aYLeadPassesItToBothSidesAndFeedsACondenserBehindIt() {
        String y =
                """
                m %s
                y y-split-xlr
                i interface-2 p48=%s
                j interface-2 p48=%s
                m/out y/in
                y/a i/in1
                y/b j/in1
                """;
        assertThat(phantom(RigText.show(y.formatted("ribbon-mic", "false", "false")))).isEmpty();
        Finding harmed = only(RigText.show(y.formatted("ribbon-mic", "false", "true")));
        assertThat(harmed.sentence()).contains("48 V is on at j, input 1 and can damage m");
        assertThat(phantom(RigText.show(y.formatted("condenser-mic", "true", "false")))).isEmpty();
        Finding unfed = only(RigText.show(y.formatted("condenser-mic", "false", "false")));
        assertThat(unfed.sentence()).contains("m wants 48 V and it is off at i, input 1");
        assertThat(best(RigText.show(y.formatted("condenser-mic", "false", "false"))).sentence())
                .isEqualTo("Levels down, then switch 48 V on at i.");
    }

    @Test
    void aSplitterPassesItOnItsDirectSideOnly() {
        String split =
                """
                m condenser-mic
                s split-mic
                i interface-2 p48=true
                m/out s/in
                s/%s i/in1
                """;
        assertThat(phantom(RigText.show(split.formatted("direct")))).isEmpty();
        assertThat(only(RigText.show(split.formatted("out"))).sentence())
                .contains("m wants 48 V and s gives none");
    }

    @Test
    void aCondenserWhereNothingGivesAnyIsToldAndALineOutputIsSparedIt() {
        Show pocket = RigText.show("m condenser-mic\n i interface-pocket\n m/out i/in1");
        assertThat(only(pocket).sentence()).contains("m wants 48 V and i, input 1 gives none");
        Show line =
                RigText.show(
                        "b box\n i interface-2 p48=true\n b/out i/in1",
                        """
                        {"template": "box", "name": "Box", "kind": "desk", "ports": [
                          {"id": "out", "connector": "XLR", "carries": "line", "gives": 1}]}
                        """);
        assertThat(only(line).severity()).isEqualTo(Severity.PROBLEM);
        assertThat(only(line).sentence()).contains("a line output, which is not made for it");
    }
}
