package rivulus.remedy;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Setting;
import rivulus.rig.RigEdits;
import rivulus.search.Budget;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Severity;

/// What a remedy of gear may do to others, each harm by itself.
class TrialTest {
    private static final Show MENDED = Demo.lanternMended();
    private static final Proof BEFORE = Demo.PROVER.prove(MENDED);

    private static Finding ring(Proof proof) {
        return proof.ofTheRig().stream()
                .filter(finding -> finding.rule().equals("ground-loop"))
                .findFirst()
                .orElseThrow();
    }

    /// The remedy that ends the first ring, with something else done besides.
    private static boolean isGood(Proof before, UnaryOperator<Show> besides) {
        Finding ring = ring(before);
        Remedy remedy = Remedies.of(Demo.PROVER, before, ring, 1).all().getFirst();
        Show after = besides.apply(remedy.change().after());
        return new Trial(before, List.of(ring)).isGoodOnGear(Demo.PROVER.prove(after, before));
    }

    @Test
    void whatEndsItAndHarmsNobodyIsGood() {
        assertThat(isGood(BEFORE, show -> show)).isTrue();
    }

    @Test
    void whatLeavesItIsNot() {
        Trial trial = new Trial(BEFORE, List.of(ring(BEFORE)));
        assertThat(trial.isGoodOnGear(BEFORE)).isFalse();
    }

    @Test
    void nobodyMayComeToHearWhatTheyMustNot() {
        assertThat(isGood(BEFORE, show -> Demo.choose(show, "desk/usb1chat.feed", "everything")))
                .isFalse();
    }

    @Test
    void nobodyMayHearMuchLessOfWhomTheyMustHear() {
        assertThat(isGood(BEFORE, show -> Demo.level(show, "desk/phones1.level", -8))).isFalse();
        assertThat(isGood(BEFORE, show -> Demo.level(show, "desk/phones1.level", -6))).isTrue();
    }

    @Test
    void nothingSeriousMayBeNewInTheRig() {
        assertThat(
                        isGood(
                                BEFORE,
                                show ->
                                        new RigEdits(show, Demo.PROVER.catalogue())
                                                .add("usb-mic", "workroom")
                                                .after()))
                .as("a microphone that nothing feeds")
                .isFalse();
    }

    @Test
    void whereSomethingHowlsWhatIsHeardBesidesDoesNotCount() {
        Proof howling = Demo.PROVER.prove(Demo.howling());
        Set<String> howls = new HashSet<>();
        for (Finding finding : howling.heard())
            if (finding.severity() == Severity.DANGER) howls.add(finding.scene());
        assertThat(howls).isNotEmpty().isNotEqualTo(Set.copyOf(howling.sceneIds()));
        UnaryOperator<Show> deafInTheHowlingScenes =
                show -> {
                    Show deaf = show;
                    for (String scene : howls)
                        deaf =
                                deaf.withScene(
                                        scene,
                                        s ->
                                                s.withKnob(
                                                        Ref.of("desk/phones1.level"),
                                                        Setting.Level.OFF));
                    return deaf;
                };
        assertThat(isGood(howling, deafInTheHowlingScenes)).isTrue();
        assertThat(isGood(howling, show -> Demo.level(show, "desk/phones2.level", -30))).isFalse();
    }

    // What is said of it

    @Test
    void whatCannotBeFoundSaysWhetherAllWasTried() {
        assertThat(Cures.NONE.words())
                .isEqualTo("Nothing that was tried ends this without harm somewhere else.");
        assertThat(Cures.UNKNOWN.words()).isEqualTo("Nothing was tried against this yet.");
        assertThat(new Cures(List.of(), false, 7, List.of()).words())
                .isEqualTo(
                        "Nothing that ends this was found so far, 7 changes tried; there may be"
                                + " something.");
    }

    @Test
    void aNoteOfTheRigIsNotSearchedAndASearchThatEndedEarlySaysSo() {
        Finding ring = ring(BEFORE);
        Cures cancelled = Remedies.of(Demo.PROVER, BEFORE, ring, 3, Budget.of(0));
        assertThat(cancelled.isEmpty()).isTrue();
        assertThat(cancelled.complete()).isFalse();
        for (Finding finding : BEFORE.ofTheRig())
            if (finding.severity() == Severity.NOTE) {
                Cures none = Remedies.of(Demo.PROVER, BEFORE, finding, 3);
                assertThat(none.isEmpty()).isTrue();
                assertThat(none.complete()).isTrue();
            }
    }

    @Test
    void anEffectSaysWhoHearsWhomNoLongerNowAgainOnceOrAtWhatLevel() {
        Proof wrong = Demo.PROVER.prove(Demo.show("lantern-hour"));
        assertThat(Effect.between(wrong, BEFORE))
                .extracting(Effect::words)
                .contains("Nadia no longer hears herself")
                .anyMatch(words -> words.matches("Sunniva now hears Bram, −\\d\\.\\d.dB"))
                .anyMatch(words -> words.equals("The stream hears the alerts once"));
        Proof lower = Demo.PROVER.prove(Demo.level(MENDED, "desk/phones1.level", -3));
        assertThat(Effect.between(BEFORE, lower))
                .extracting(Effect::words)
                .anyMatch(
                        words ->
                                words.matches("Maren hears Nadia at −3\\.\\d.dB, was .0\\.\\d.dB"));
        assertThat(Effect.between(BEFORE, BEFORE)).isEmpty();
        Remedy remedy = Remedies.of(Demo.PROVER, BEFORE, ring(BEFORE), 1).all().getFirst();
        assertThat(remedy.sentence()).isEqualTo(remedy.name() + ".");
    }
}
