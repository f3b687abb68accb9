package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.check.Verdict;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.remedy.Remedies;
import rivulus.show.Checks;
import rivulus.show.Habits;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Show;

/// Rules are tuned by limits and silenced by findings, and both are part of the show.
class RulesTest {
    private static final Show LANTERN = Demo.show("lantern-hour");

    private static Show with(Limit limit, double value) {
        return LANTERN.withChecks(
                new Checks(Limits.USUAL.with(limit, value), List.of(), Habits.UNSAID, Extras.NONE));
    }

    private static Show without(String finding) {
        return LANTERN.withChecks(
                new Checks(
                        Limits.USUAL,
                        List.of(new Checks.Silenced(finding, "it is meant so", Extras.NONE)),
                        Habits.UNSAID,
                        Extras.NONE));
    }

    private static List<String> found(Show show) {
        return Demo.PROVER.prove(show).findings().stream().map(Finding::id).distinct().toList();
    }

    @Test
    void everyRuleHasAnIdOfItsOwnAndFindsItsFindingsAgain() {
        assertThat(Rules.ids()).doesNotHaveDuplicates().hasSizeGreaterThan(30);
        for (Finding finding : Demo.PROVER.prove(LANTERN).findings()) {
            assertThat(Rules.of(finding).id()).isEqualTo(finding.rule());
            assertThat(Rules.ids().get(finding.rank())).isEqualTo(finding.rule());
        }
    }

    @Test
    void aLineThatIsDrawnElsewhereFindsMoreOrLess() {
        assertThat(found(LANTERN)).contains("echo/nadia/nadia", "late-own-voice/teo/teo");
        assertThat(found(with(Limit.OWN_VOICE, 200))).doesNotContain("late-own-voice/teo/teo");
        assertThat(found(with(Limit.ECHO_RATING, 0))).doesNotContain("echo/nadia/nadia");
        assertThat(found(with(Limit.FAINT, -2)).stream().filter(id -> id.startsWith("missing")))
                .hasSizeGreaterThan(3);
        assertThat(found(with(Limit.HUM_PLAIN, 0))).isNotEmpty();
        assertThat(
                        Demo.PROVER.prove(with(Limit.HUM_FAINT, 0)).ofTheRig().stream()
                                .filter(f -> f.rule().equals("ground-loop")))
                .allSatisfy(f -> assertThat(f.figures().get("humBelowDb")).isLessThan(60));
    }

    @Test
    void whatIsSilencedIsToldNowhereAndCountsNowhere() {
        Proof told = Demo.PROVER.prove(LANTERN);
        Proof proof = Demo.PROVER.prove(without("echo/nadia/nadia"));
        assertThat(proof.findings()).noneMatch(f -> f.rule().equals("echo"));
        assertThat(proof.findings())
                .hasSize(
                        told.findings().size()
                                - (int)
                                        told.findings().stream()
                                                .filter(f -> f.rule().equals("echo"))
                                                .count());
        assertThat(proof.scene("tales").orElseThrow().verdict("nadia", "nadia"))
                .isEqualTo(Verdict.LET_PASS);
        assertThat(Trouble.of(proof)).noneMatch(t -> t.id().startsWith("echo"));
        String ring =
                told.ofTheRig().stream()
                        .filter(f -> f.rule().equals("ground-loop"))
                        .findFirst()
                        .orElseThrow()
                        .id();
        assertThat(found(without(ring))).doesNotContain(ring);
    }

    @Test
    void aRemedyIsAChangeOfTheShowAndSaysAllOfIt() throws FileTrouble {
        Proof proof = Demo.PROVER.prove(LANTERN);
        for (Trouble trouble : Trouble.of(proof))
            for (var remedy : Remedies.of(Demo.PROVER, proof, trouble, 3).all()) {
                assertThat(remedy.change().differences()).as(remedy.sentence()).isNotEmpty();
                Show titled = LANTERN.titled("Meanwhile");
                Show after = remedy.change().on(titled, Demo.PROVER.catalogue());
                assertThat(after).isEqualTo(remedy.change().after().titled("Meanwhile"));
            }
    }

    @ParameterizedTest
    @EnumSource(Limit.class)
    void aLimitIsReadBackAndRefusedOutOfItsRange(Limit limit) throws FileTrouble {
        double other = limit.usual() == limit.most() ? limit.least() : limit.most();
        Show show = with(limit, other);
        assertThat(ShowFile.again(show, Templates.shipped())).isEqualTo(show);
        assertThat(limit.usual()).isBetween(limit.least(), limit.most());
        assertThat(limit.about()).isNotBlank();
        assertThatThrownBy(() -> Limits.of(Map.of(limit, limit.most() + 1)))
                .hasMessageContaining(limit.word());
        String text =
                "{\"rivulus\": 1, \"title\": \"t\", \"checks\": {\"limits\": {\"%s\": %s}}}"
                        .formatted(limit.word(), limit.most() + 1);
        assertThatThrownBy(() -> ShowFile.parse(text, "t", Templates.shipped()))
                .hasMessageContaining("checks.limits." + limit.word())
                .hasMessageContaining("out of range");
    }

    @Test
    void aLimitThatIsNoneIsRefusedWithTheNearest() {
        String text =
                "{\"rivulus\": 1, \"title\": \"t\", \"checks\": {\"limits\": {\"herd\": -20}}}";
        assertThatThrownBy(() -> ShowFile.parse(text, "t", Templates.shipped()))
                .hasMessageContaining("there is no limit \"herd\"; did you mean \"heard\"?");
    }
}
