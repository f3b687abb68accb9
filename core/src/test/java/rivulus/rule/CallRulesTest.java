package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.say.Page;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Severity;

/// What a call does to what goes through it: voices are kept, music is eaten, earbuds fall back.
class CallRulesTest {
    private static final Show LESSON = Demo.show("lute-lesson");

    private static List<Finding> found(Show show, String rule) {
        Proof proof = Demo.PROVER.prove(show);
        return Stream.concat(proof.heard().stream(), proof.ofTheRig().stream())
                .filter(finding -> finding.rule().equals(rule))
                .toList();
    }

    private static Show said(Show to, String lines) {
        Page page = Page.of(lines, to, Demo.PROVER.catalogue());
        assertThat(page.left()).isEmpty();
        return page.edit().after();
    }

    private static List<String> remedies(Show show, Finding finding) {
        return Remedies.of(Demo.PROVER, Demo.PROVER.prove(show), finding, 5).all().stream()
                .map(Remedy::sentence)
                .toList();
    }

    // Music in a call

    @Test
    void musicThatGoesThroughTheVoiceCleanUpIsOneTroubleInAllScenesWithItsLevel() {
        Show twice = said(LESSON, "scene Lesson, 20 min\nscene Questions, 10 min");
        Finding eaten = found(twice, "clean-up").getFirst();
        assertThat(found(twice, "clean-up")).hasSize(2);
        assertThat(Trouble.of(Demo.PROVER.prove(twice)))
                .filteredOn(trouble -> trouble.first().rule().equals("clean-up"))
                .hasSize(1);
        assertThat(eaten.severity()).isEqualTo(Severity.PROBLEM);
        assertThat(eaten.sentence())
                .isEqualTo(
                        "Nadia hears the lute by way of the voice clean-up of Call program, which"
                                + " eats all that is no voice.");
        assertThat(eaten.id()).isEqualTo("clean-up/nadia/lute");
        double level =
                Demo.PROVER
                        .prove(twice)
                        .scenes()
                        .getFirst()
                        .of("nadia", "lute")
                        .hearing()
                        .levelDb();
        assertThat(eaten.figures().get("levelDb")).isEqualTo(Math.round(level * 10) / 10.0);
        assertThat(eaten.knobs()).contains(Ref.of("call/original-sound"));
        assertThat(remedies(twice, eaten)).contains("Set Call program · untouched sound to on.");
    }

    @Test
    void withOriginalSoundOrWhereNobodyMustHearItOrHardlyDoesNothingIsEaten() {
        Ref original = Ref.of("call/original-sound");
        assertThat(found(LESSON.withKnob(original, new Setting.Switch(true)), "clean-up"))
                .isEmpty();
        assertThat(found(said(LESSON, "Nadia may hear the lute"), "clean-up")).isEmpty();
        Ref level = Ref.of("call/input-level");
        assertThat(found(LESSON.withKnob(level, new Setting.Level(-40)), "clean-up")).isEmpty();
        assertThat(found(LESSON.withKnob(level, new Setting.Level(-20)), "clean-up")).hasSize(1);
        assertThat(found(Demo.turn(LESSON, "call/mute", true), "clean-up")).isEmpty();
    }

    @Test
    void aVoiceIsNotEaten() {
        Show call = Demo.turn(Demo.show("first-call"), "call/original-sound", false);
        assertThat(
                        Demo.PROVER
                                .prove(call)
                                .scenes()
                                .getFirst()
                                .of("nadia", "maren")
                                .hearing()
                                .isHeard())
                .isTrue();
        assertThat(found(call, "clean-up")).isEmpty();
    }

    // Earbuds

    private static Show earbuds() {
        return said(
                Show.untitled(),
                """
                Maren, host, Hall
                Nadia, caller, call program
                Talk laptop: call program, Side player
                Buds, wireless earbuds paired with a computer
                usb mic
                Buds > Talk laptop
                USB microphone > Talk laptop
                """);
    }

    private static Show picking(Show show, String microphone) {
        String program = id(show, "Call program");
        return Demo.choose(show, program + "/hears", microphone);
    }

    private static String id(Show show, String name) {
        return show.rig().devices().stream()
                .filter(device -> device.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    void earbudsWhoseMicrophoneIsTakenFallBackAndAnotherMicrophoneEndsIt() {
        Show buds = earbuds();
        Show taken = picking(buds, id(buds, "Buds") + "/buds");
        Finding fallen = found(taken, "call-profile").getFirst();
        assertThat(found(taken, "call-profile")).hasSize(1);
        assertThat(fallen.severity()).isEqualTo(Severity.PROBLEM);
        assertThat(fallen.sentence())
                .startsWith("Call program takes the microphone of Buds: they fall back");
        assertThat(fallen.gear()).containsExactly(id(buds, "Buds"), id(buds, "Call program"));
        assertThat(fallen.figures()).containsEntry("highHz", 7000.0);
        assertThat(fallen.knobs()).containsExactly(Ref.of(id(buds, "Call program") + "/hears"));
        assertThat(remedies(taken, fallen)).isNotEmpty();
    }

    @Test
    void earbudsThatNobodyTakesMayGoBackToStereoAndThoseThatDidAreFine() {
        Show buds = earbuds();
        Show other = picking(buds, id(buds, "USB microphone") + "/mic");
        assertThat(found(other, "call-profile")).isEmpty();
        Show left = Demo.choose(other, id(buds, "Buds") + "/profile", "call");
        Finding caution = found(left, "call-profile").getFirst();
        assertThat(caution.severity()).isEqualTo(Severity.CAUTION);
        assertThat(caution.sentence()).contains("they can go back to stereo");
        assertThat(caution.knobs()).containsExactly(Ref.of(id(buds, "Buds") + "/profile"));
        Optional<String> remedy = remedies(left, caution).stream().findFirst();
        assertThat(remedy).hasValueSatisfying(words -> assertThat(words).contains("profile"));
    }
}
