package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Setting;

class FirstCallTest {
    @TempDir Path folder;

    @Test
    void aCallersEchoIsSeenCuredByKeyboardSavedAndGoneWhenReopened() throws Exception {
        Path file = folder.resolve("call.rivulus");
        ShowFile.save(DemoShows.open("first-call", Templates.shipped()), file);
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            assertThat(hand.textsIn("#ears").getFirst()).isEqualTo("Nadia");
            assertThat(hand.textIn("#ears")).contains("herself 296");
            assertThat(hand.textsIn("#findings"))
                    .contains("Findings for Nadia", "No caller can talk against it.");

            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.F);
            assertThat(hand.textIn("#ears")).as("previewed").doesNotContain("herself");
            assertThat(hand.session().document().dirty().get()).as("nothing is done yet").isFalse();

            hand.press(KeyCode.SPACE);
            assertThat(hand.textsIn("#findings")).contains("Nothing wrong for Nadia");
            assertThat(hand.session().document().undoName())
                    .contains("Set Show desk · USB 1 call feed to mix-minus");
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.session().document().dirty().get()).isFalse();
        }
        assertThat(Files.readString(file)).contains("\"usb1chat.feed\": \"mix-minus\"");
        assertThat(
                        ShowFile.open(file, Templates.shipped())
                                .rig()
                                .device("desk")
                                .orElseThrow()
                                .knobs())
                .containsEntry("usb1chat.feed", new Setting.Choice("mix-minus"));
    }
}
