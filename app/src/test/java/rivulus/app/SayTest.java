package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.brief.BriefStage;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Scene;
import rivulus.show.Show;

/// A show is said in the window, from nothing, by keyboard.
class SayTest {
    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    private static void say(Hand hand, String line) {
        hand.type(line);
        hand.press(KeyCode.ENTER);
    }

    @Test
    void aShowIsSaidLineByLineFromAnEmptyWindow() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.focus("#plan-show");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().stage().get()).isEqualTo(BriefStage.ID);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            say(hand, "maren, host, reading room");
            say(hand, "nadia, caller, call program");
            say(hand, "stream");
            say(hand, "scene doors, 10 min");
            say(hand, "scene talk, 40 min");
            assertThat(show(hand).cast().people())
                    .extracting(Person::name)
                    .containsExactly("maren", "nadia");
            assertThat(show(hand).ears())
                    .extracting(Ear::name)
                    .containsExactly("maren", "nadia", "Stream");
            assertThat(show(hand).scenes())
                    .extracting(Scene::name)
                    .containsExactly("doors", "talk");
            assertThat(hand.textIn("#say")).contains("reading room", "nadia's end", "nowhere yet");
            assertThat(hand.textIn("#ears")).contains("Stream", "not maren");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).scenes()).hasSize(1);
        }
    }

    @Test
    void linesThatArePastedAreLookedAtFirstAndWhatIsNotUnderstoodStays() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(
                    () ->
                            ((TextArea) hand.find("#say-lines"))
                                    .setText("Maren, host, she\nChoir, guests, 12\nstream"));
            assertThat(hand.textIn("#say"))
                    .contains("Maren · host · she", "not understood: 12", "Stream listens");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().people()).hasSize(1);
            assertThat(((TextArea) hand.find("#say-lines")).getText())
                    .isEqualTo("Choir, guests, 12");
            assertThat(hand.textIn("#say")).contains("was not understood");
        }
    }

    @Test
    void aTitleIsTypedAndWhatIsSaidIsTakenAwayWithWhatGoesAlongToldFirst() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(() -> ((TextField) hand.find("#say-title")).setText("The tide-table talk"));
            hand.focus("#say-title");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).title()).isEqualTo("The tide-table talk");
            hand.focus("#remove-person-nadia");
            assertThat(hand.textIn("#say-told")).contains("With Nadia goes", "Nadia's track");
            assertThat(((Button) hand.find("#remove-place-reading-room")).isDisabled()).isTrue();
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).cast().person("nadia")).isEmpty();
            assertThat(hand.session().document().undoName()).contains("Remove Nadia");
            hand.focus("#change-person-ivo");
            hand.press(KeyCode.SPACE);
            hand.act(
                    () ->
                            ((TextArea) hand.find("#say-lines"))
                                    .setText("Ivo Lind, host, Reading Room, he"));
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().person("ivo").orElseThrow().name()).isEqualTo("Ivo Lind");
            hand.focus("#down-scene-doors");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).scenes().get(1).id()).isEqualTo("doors");
            hand.focus("#double-scene-tales");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).scenes()).extracting(Scene::name).contains("Tales again");
            assertThat(hand.session().scene().get()).isEqualTo("tales-again");
        }
    }

    @Test
    void tabWalksOnFromTheLinesWhetherOrNotSomethingIsTyped() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#change-person-maren").isFocused()).isTrue();
            hand.press(KeyCode.SHIFT, KeyCode.TAB);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            hand.press(KeyCode.SHIFT, KeyCode.TAB);
            assertThat(hand.find("#say-title").isFocused()).isTrue();
            hand.press(KeyCode.TAB);
            hand.type("stream");
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#say-add").isFocused()).isTrue();
        }
    }

    @Test
    void aChangeIsTakenOnlyByALineOfItsKindAndIsLeftByEmptyingTheLine() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            Show before = show(hand);
            hand.focus("#change-person-ivo");
            hand.press(KeyCode.SPACE);
            TextArea lines = (TextArea) hand.find("#say-lines");
            hand.act(() -> lines.setText("scene Late, 5 min"));
            hand.press(KeyCode.ENTER);
            assertThat(show(hand)).isEqualTo(before);
            assertThat(hand.textIn("#say-told")).contains("Change it by one line");
            hand.act(() -> lines.setText(""));
            assertThat(hand.textIn("#say-add")).contains("Add");
            hand.act(() -> lines.setText("scene Late, 5 min"));
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).scenes()).hasSize(before.scenes().size() + 1);
        }
    }
}
