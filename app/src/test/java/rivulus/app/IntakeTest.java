package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.show.Show;

class IntakeTest {
    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    @SuppressWarnings("unchecked")
    private static void choose(Hand hand, String selector, String value) {
        hand.act(() -> ((ComboBox<String>) hand.find(selector)).setValue(value));
    }

    private Path list(String text) throws IOException {
        return Files.writeString(folder.resolve("list.csv"), text);
    }

    @Test
    void anInputListIsMatchedPreviewedAndTakenInAsOneStep() throws IOException {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            hand.willAnswer(list("Kanal,Wer,Womit\nMIC 4,Choir,Dynamic microphone\n9,Nobody,\n"));
            Show before = show(hand);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.I);
            hand.click("#intake-inputs");
            assertThat(hand.textIn("#intake")).contains("Say first which column is the source.");
            assertThat(hand.find("#intake-take").isDisabled()).isTrue();
            choose(hand, "#column-source", "Wer");
            choose(hand, "#column-gear", "Womit");
            choose(hand, "#column-channel", "Kanal");
            assertThat(hand.textIn("#intake-preview"))
                    .contains("new", "Choir → Show desk, MIC 4", "left out");
            assertThat(hand.textIn("#intake")).contains("1 new, 0 changed", "Take the one change");
            assertThat(show(hand)).isEqualTo(before);
            hand.focus("#intake-take");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().devices().getLast().name()).isEqualTo("Choir");
            assertThat(hand.session().lastDone().get()).isEqualTo("Take in list.csv");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand)).isEqualTo(before);
        }
    }

    @Test
    void aLeadListIsKnownByItsColumnsAndEscapeChangesNothing() throws IOException {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            Path file = list("from,to,metres\nMaren's mic,\"Show desk, MIC 1\",12\n");
            Show before = show(hand);
            hand.act(() -> hand.window().takeIn(file));
            assertThat(hand.textIn("#intake-preview")).contains("changed", "12\u202Fm");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#intake")).isFalse();
            assertThat(show(hand)).isEqualTo(before);
        }
    }

    @Test
    void aListThatSaysNothingNewIsNotTakenAndWhatIsInTheWayIsNamed() throws IOException {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            Path file = list("Ch,Source,Microphone\n1,Maren,\n3,Guest,Dynamic microphone\n");
            hand.act(() -> hand.window().takeIn(file));
            assertThat(hand.textIn("#intake-preview"))
                    .contains("as it is", "already: Talkback mic – Show desk, MIC 3")
                    .doesNotContain("desk/mic3");
            assertThat(hand.textIn("#intake")).contains("Nothing to take");
            assertThat(hand.find("#intake-take").isDisabled()).isTrue();
        }
    }

    @Test
    void aFileThatIsNoListIsSaidSo() throws IOException {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            Path file = list("just words");
            hand.act(() -> hand.window().takeIn(file));
            assertThat(hand.textIn("#panel"))
                    .contains("This list cannot be taken in", "list.csv", "names of 2 to 200");
        }
    }
}
