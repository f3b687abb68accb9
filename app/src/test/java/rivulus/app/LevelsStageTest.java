package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.gear.Setting;
import rivulus.show.Ref;

/// Levels in the gear's own units, and input gains set in one step, by keyboard.
class LevelsStageTest {
    @TempDir Path folder;

    private static Setting gain(Hand hand, String knob) {
        return hand.session().show().get().rig().device("desk").orElseThrow().knobs().get(knob);
    }

    @Test
    void theStaircaseOfAVoiceIsSeenStepByStepAndAnotherIsChosenByKeyboard() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().scene().set("tales"));
            hand.act(() -> hand.session().ear().set("stream"));
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            assertThat(hand.textIn("#gains")).contains("Maren");
            assertThat(hand.textIn("#level-rows")).contains("Maren");
            hand.focus("#level-maren");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#levels-heading"))
                    .contains("How loud Maren comes to the stream");
            assertThat(hand.find("#staircase").getAccessibleText())
                    .contains(
                            "Maren: 60\u202FdB SPL",
                            "Show desk, MIC 1: −24\u202FdBFS, gain 44\u202FdB, until loud moments end in"
                                    + " the green, 6.0\u202FdB of headroom");
            hand.focus("#level-nadia");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#levels-heading")).contains("How loud Nadia comes");
            assertThat(hand.find("#level-nadia").isFocused()).as("the keyboard stays").isTrue();
        }
    }

    @Test
    void allGainsAreSetInOneStepAndWhatIsHeardOfItIsToldBefore() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(
                    () ->
                            hand.session()
                                    .document()
                                    .edit(
                                            "Turn two gains",
                                            hand.session()
                                                    .show()
                                                    .get()
                                                    .withKnob(
                                                            new Ref("desk", "mic1.gain"),
                                                            new Setting.Level(9))
                                                    .withKnob(
                                                            new Ref("desk", "mic4.gain"),
                                                            new Setting.Level(6))));
            hand.act(() -> hand.session().scene().set("tales"));
            hand.act(() -> hand.session().ear().set("stream"));
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            assertThat(hand.textIn("#gains")).contains("Set all two");
            assertThat(hand.textIn("#gain-effects")).contains("Maren 12\u202FdB softer for ");
            assertThat(hand.textIn("#level-advice"))
                    .contains("Loud moments clip at Show desk, MIC 1");
            hand.focus("#set-all-gains");
            hand.press(KeyCode.SPACE);
            assertThat(gain(hand, "mic1.gain")).isEqualTo(new Setting.Level(-3));
            assertThat(gain(hand, "mic4.gain")).isEqualTo(new Setting.Level(-30));
            assertThat(hand.session().document().undoName()).contains("Set 2 input gains");
            assertThat(hand.find("#set-all-gains").isVisible()).isFalse();
        }
    }
}
