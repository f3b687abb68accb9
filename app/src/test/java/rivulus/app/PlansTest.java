package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.check.Trouble;
import rivulus.show.Show;

/// A show said in lines and planned with one key, in the real window.
class PlansTest {
    private static final String BRIEF =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Nadia, caller, call program, she
            Bram, caller, phone, he
            Cue pads, cues
            stream
            a track per voice
            scene Questions, 20 min
            """;

    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    @Test
    void aBriefIsPlannedTakenAndTakenBack() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            TextArea lines = (TextArea) hand.find("#say-lines");
            hand.act(() -> lines.setText(BRIEF.strip()));
            hand.press(KeyCode.ENTER);
            Show brief = show(hand);
            assertThat(brief.cast().people()).hasSize(4);
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans"))
                    .contains("One desk with two USB ports")
                    .contains("Proven: everybody hears what they should.")
                    .contains("To buy")
                    .contains("What it does");
            // the best has the keyboard
            hand.press(KeyCode.SPACE);
            assertThat(hand.sees("#plans")).isFalse();
            assertThat(show(hand).rig().devices()).hasSizeGreaterThan(8);
            assertThat(show(hand).mixes()).isNotEmpty();
            assertThat(Trouble.of(hand.session().proof().get()))
                    .noneMatch(trouble -> trouble.severity().isSerious());
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand)).isEqualTo(brief);
        }
    }

    @Test
    void whereNobodyListensItSaysWhatToDoFirstAndEscapeLeaves() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans")).contains("Nobody listens yet.");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#plans")).isFalse();
        }
    }
}
