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
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Role;
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
    void aTitleIsTypedAndAPartIsTakenAwayWithWhatGoesAlongToldFirst() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(() -> ((TextField) hand.find("#say-title")).setText("The tide-table talk"));
            hand.focus("#say-title");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).title()).isEqualTo("The tide-table talk");
            open(hand, "person-nadia");
            hand.focus("#deed-remove");
            assertThat(hand.textIn("#form-told")).contains("What goes along", "Nadia's track");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).cast().person("nadia")).isEmpty();
            assertThat(hand.session().document().undoName()).contains("Remove Nadia");
            assertThat(hand.find("#say-lines").isVisible()).isTrue();
            open(hand, "place-reading-room");
            assertThat(((Button) hand.find("#deed-remove")).isDisabled()).isTrue();
            assertThat(hand.textIn("#form")).contains("move them first");
        }
    }

    @Test
    void everyPartOpensAsAFormThatIsAnsweredByKeyboardAndLeftByEscape() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "person-ivo");
            assertThat(hand.find("#field-name").isFocused()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("ada");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().person("ivo").orElseThrow().name()).isEqualTo("ada");
            assertThat(hand.find("#field-name").isFocused()).isTrue();
            assertThat(hand.textIn("#ears")).contains("ada");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.press(KeyCode.BACK_SPACE);
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#form")).contains("It needs a name");
            hand.type("ivo");
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#field-role").isFocused()).isTrue();
            hand.press(KeyCode.UP);
            assertThat(show(hand).cast().person("ivo").orElseThrow().role()).isEqualTo(Role.HOST);
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.find("#row-person-ivo").isFocused()).isTrue();
            assertThat(hand.textIn("#outline")).contains("host, Reading Room");
        }
    }

    @Test
    void aTickASceneAMuteKeyALeadAndALimitAreChangedInTheirForms() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "scene-tales");
            hand.focus("#field-rests-ivo");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).scene("tales").orElseThrow().quiet()).contains("ivo");
            assertThat(hand.find("#field-rests-ivo").isFocused()).isTrue();
            hand.focus("#deed-double");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().scene().get()).isEqualTo("tales-again");
            hand.press(KeyCode.ESCAPE);
            hand.focus("#add-mute");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).mutes()).hasSize(2);
            fold(hand, "leads");
            open(hand, "lead-c02");
            hand.focus("#field-metres");
            hand.type("4");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).rig().cables().get(1).metres()).isEqualTo(4);
            hand.press(KeyCode.ESCAPE);
            fold(hand, "checks");
            open(hand, "checks-show");
            hand.focus("#field-own-voice");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("200");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).checks().limits().get(Limit.OWN_VOICE)).isEqualTo(200);
        }
    }

    private static void open(Hand hand, String row) {
        hand.focus("#row-" + row);
        hand.press(KeyCode.SPACE);
    }

    private static void fold(Hand hand, String section) {
        hand.focus("#section-" + section);
        hand.press(KeyCode.SPACE);
    }

    @Test
    void tabWalksOnFromTheLinesWhetherOrNotSomethingIsTyped() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#section-people").isFocused()).isTrue();
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
}
