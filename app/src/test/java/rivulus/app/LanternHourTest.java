package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LanternHourTest {
    @TempDir Path folder;

    @Test
    void theDemoOpensOnTheWorstTroubleAndSaysWhy() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.session().scene().get()).isEqualTo("tales");
            assertThat(hand.textIn("#ears"))
                    .startsWith("Nadia | hears all 2; herself 296\u202Fms late");
            assertThat(hand.textsIn(".stage-title")).contains("What reaches Nadia");
            assertThat(hand.textIn("#watercourse"))
                    .contains("Nadia's kitchen", "Show desk", "296\u202Fms");
            assertThat(hand.textIn("#ruler")).contains("in the head", "296\u202Fms later");
            hand.awaitFixes();
            assertThat(hand.textIn("#findings"))
                    .contains(
                            "No caller can talk against it.",
                            "Set Show desk · USB 1 call feed to mix-minus.")
                    .contains("Other ears", "Sunniva does not hear Bram.");
        }
    }

    @Test
    void everyTroubleCanBeCuredByKeyboardAloneAndUndoneByName() {
        try (Hand hand = Hand.atDemo(folder)) {
            int cures = 0;
            while (!hand.session().proof().get().heard().isEmpty() && cures < 12) {
                hand.awaitFixes();
                hand.press(KeyCode.CONTROL, KeyCode.ENTER);
                hand.press(KeyCode.CONTROL, KeyCode.J);
                cures++;
            }
            assertThat(hand.session().proof().get().heard()).isEmpty();
            assertThat(hand.textIn("#findings"))
                    .contains("Every ear that is looked at hears what it should, in every scene.");
            assertThat(hand.textIn("#ears"))
                    .doesNotContain("late", "twice", "muted", "not Bram", "trouble");

            String last = hand.session().document().undoName().orElseThrow();
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(hand.textsIn("#last-done")).containsExactly("Undid: " + last);
            assertThat(hand.session().proof().get().heard()).isNotEmpty();
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
            assertThat(hand.session().proof().get().heard()).isEmpty();
        }
    }

    @Test
    void arrowsInTheRailAndBetweenScenesTurnEveryView() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.E);
            hand.press(KeyCode.DOWN);
            assertThat(hand.session().ear().get()).isEqualTo("teo");
            assertThat(hand.textsIn(".stage-title")).contains("What reaches Teo");
            hand.press(KeyCode.ALT, KeyCode.RIGHT);
            assertThat(hand.session().scene().get()).isEqualTo("call-in");
            hand.press(KeyCode.ALT, KeyCode.LEFT);
            hand.press(KeyCode.ALT, KeyCode.LEFT);
            assertThat(hand.session().scene().get()).isEqualTo("doors");
            assertThat(hand.textIn("#stages")).isEqualTo("Brief | Rig | Mixes | Levels | Show day");
        }
    }

    @Test
    void aMissingSourceIsADryBedWithTheReasonWhereItBreaks() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().scene().set("call-in"));
            hand.act(() -> hand.session().ear().set("sunniva"));
            assertThat(hand.textIn("#watercourse")).contains("headphones 3 pick of PHONE is off");
            assertThat(hand.sees(".ribbon.missing")).isTrue();
            assertThat(hand.sees(".ribbon.late")).isFalse();
        }
    }

    @Test
    void clickingASourcesNameFollowsItToEveryEarAndBack() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.click(hand.withText("Ivo"));
            hand.act(() -> hand.session().source().set("ivo"));
            assertThat(hand.textsIn(".stage-title")).contains("Where Ivo goes");
            assertThat(hand.textIn("#watercourse"))
                    .contains("Maren", "House", "On-demand copy", "Ivo's track");
            hand.click("#back-to-ear");
            assertThat(hand.textIn(".stage-title")).contains("What reaches");
        }
    }

    @Test
    void aClickOnAMachineOpensItsKnobs() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.click(hand.withText("Show desk"));
            assertThat(hand.textIn("#knobs"))
                    .contains("Show desk", "On the way", "USB 1 call feed");
            hand.click("#close-knobs");
            assertThat(hand.sees("#knobs")).isFalse();
        }
    }

    @Test
    void aPortThatSeveralPassIsToldOnceAndNoLabelIsCut() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().ear().set("stream"));
            List<String> told = hand.textsIn("#watercourse");
            assertThat(told)
                    .filteredOn(text -> text.contains("sound input 1"))
                    .hasSizeBetween(1, 2);
            for (String ear : List.of("stream", "nadia", "maren", "house")) {
                hand.act(() -> hand.session().ear().set(ear));
                assertThat(hand.textsIn("#watercourse")).noneMatch(text -> text.endsWith("…"));
            }
        }
    }
}
