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
import rivulus.check.SceneProof;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.power.HumPlan;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Show;
import rivulus.show.Wish;

/// What follows from how one likes to work.
class HabitsTest {
    private static final Show LANTERN = Demo.show("lantern-hour");
    private static final Show MENDED = Demo.lanternMended();

    private static Show with(Show show, Habit habit, String way) {
        return show.withChecks(show.checks().with(show.habits().with(habit, way)));
    }

    private static List<Finding> found(Show show, String rule) {
        return Demo.PROVER.prove(show).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .toList();
    }

    @ParameterizedTest
    @EnumSource(Habit.class)
    void eachSchoolSaysWhatItCostsAndIsReadBack(Habit habit) throws Exception {
        assertThat(habit.ways()).hasSizeGreaterThan(1);
        for (Habit.Way way : habit.ways()) {
            assertThat(way.costs()).endsWith(".");
            Show show = with(LANTERN, habit, way.word());
            assertThat(ShowFile.again(show, Templates.shipped())).isEqualTo(show);
            assertThat(show.habits().of(habit)).contains(way);
        }
        assertThat(with(with(LANTERN, habit, habit.ways().getFirst().word()), habit, ""))
                .isEqualTo(LANTERN);
        assertThatThrownBy(() -> new Habits(Map.of(habit, "otherwise")))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aShowThatSaysNothingIsJudgedAsBefore() {
        for (String rule : List.of("track-tap", "stream-mix", "second-mixer"))
            assertThat(found(LANTERN, rule)).isEmpty();
    }

    @Test
    void aTrackTakenTheOtherWayIsToldAndItsTapTurned() {
        Show pre = with(MENDED, Habit.TAPS, "pre");
        Show post = with(MENDED, Habit.TAPS, "post");
        List<Finding> now = found(pre, "track-tap");
        List<Finding> then = found(post, "track-tap");
        assertThat(now.isEmpty()).isNotEqualTo(then.isEmpty());
        Show other = now.isEmpty() ? post : pre;
        Proof proof = Demo.PROVER.prove(other);
        Finding finding = found(other, "track-tap").getFirst();
        List<Remedy> remedies = Remedies.of(Demo.PROVER, proof, finding, 1).all();
        assertThat(remedies).isNotEmpty();
        assertThat(remedies.getFirst().after().findings())
                .noneMatch(f -> f.id().equals(finding.id()));
    }

    @Test
    void whoLikesToHearThemselvesMustAndWhoDoesNotMustNot() {
        SceneProof direct = first(with(LANTERN, Habit.OWN_VOICE, "direct"));
        assertThat(direct.of("maren", "maren").standing().wish()).isEqualTo(Wish.MUST);
        assertThat(direct.of("nadia", "nadia").standing().wish()).isEqualTo(Wish.MUST_NOT);
        SceneProof none = first(with(LANTERN, Habit.OWN_VOICE, "none"));
        assertThat(none.of("maren", "maren").standing().wish()).isEqualTo(Wish.MUST_NOT);
        assertThat(first(LANTERN).of("maren", "maren").standing().wish()).isEqualTo(Wish.MAY);
    }

    private static SceneProof first(Show show) {
        return Demo.PROVER.prove(show).scene("tales").orElseThrow();
    }

    @Test
    void throughAComputerOnesOwnVoiceMayBeLater() {
        Show late = with(LANTERN, Habit.OWN_VOICE, "computer");
        for (Finding finding : found(late, "late-own-voice"))
            assertThat(finding.figures().get("delayMs")).isGreaterThanOrEqualTo(30);
    }

    @Test
    void transformersOrBatteriesComeFirst() {
        Show rings = Demo.show("choir-night");
        HumPlan isolated = plan(with(rings, Habit.HUM, "isolation"));
        HumPlan fromBatteries = plan(with(rings, Habit.HUM, "battery"));
        assertThat(isolated.left()).isZero();
        assertThat(fromBatteries.left()).isZero();
        assertThat(isolated.steps()).noneMatch(step -> step.contains("battery"));
        assertThat(fromBatteries.steps()).anyMatch(step -> step.contains("battery"));
    }

    private static HumPlan plan(Show show) {
        return HumPlan.of(show, Demo.PROVER.catalogue(), Demo.PROVER.leads());
    }

    @Test
    void twoMixersInARowAreNamedAndWhatHasOneFaderIsNone() {
        List<Finding> found =
                found(with(Demo.show("choir-night"), Habit.HUB, "desk"), "second-mixer");
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().sentence())
                .isEqualTo(
                        "Hall console and Streaming program both mix Maren and Choir on the way to"
                                + " the public; the mix is to be made in one desk in hardware.");
    }

    @Test
    void aStreamThatCopiesTheHouseIsToldToWhoWantsAMixOfItsOwn() {
        Show copy = Demo.show("choir-night");
        assertThat(found(with(copy, Habit.STREAM_MIX, "separate"), "stream-mix"))
                .isNotEmpty()
                .allMatch(
                        f ->
                                f.sentence()
                                        .equals(
                                                "The stream takes a copy of the house mix, at Hall"
                                                        + " console, main mix."));
        assertThat(found(with(copy, Habit.STREAM_MIX, "house"), "stream-mix")).isEmpty();
        assertThat(found(with(LANTERN, Habit.STREAM_MIX, "house"), "stream-mix")).isNotEmpty();
        assertThat(found(with(LANTERN, Habit.STREAM_MIX, "separate"), "stream-mix")).isEmpty();
    }
}
