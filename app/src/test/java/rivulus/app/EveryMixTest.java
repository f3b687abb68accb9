package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.session.Session;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Every mix as a sentence, by keyboard, in the real window.
class EveryMixTest {
    private static final Ref CALL = Ref.of("desk/out.usb1chat");
    private static final String FIELD = "#mix-desk-out-usb1chat";

    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    private static String feedOf(Show show) {
        return show.rig()
                .device("desk")
                .map(desk -> desk.knobs().get("usb1chat.feed"))
                .map(Setting::word)
                .orElse("everything");
    }

    private static TextField field(Hand hand) {
        return (TextField) hand.find(FIELD);
    }

    @Test
    void aSentenceIsWrittenCarriedOutTakenBackAndDriftIsFound() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.M);
            assertThat(hand.textIn("#feeds"))
                    .contains("Show desk · USB 1 call")
                    .contains("for Nadia");
            hand.focus(FIELD);
            hand.type("everything but na");
            assertThat(hand.textIn("#feeds")).contains("Down: Nadia");
            hand.press(KeyCode.DOWN);
            assertThat(field(hand).getText()).isEqualTo("everything but Nadia");
            hand.press(KeyCode.ENTER);
            assertThat(feedOf(show(hand))).isEqualTo("mix-minus");
            assertThat(show(hand).mix(CALL)).isPresent();
            assertThat(hand.textIn("#feeds"))
                    .contains("as said")
                    .contains("Set Show desk · USB 1 call feed to mix-minus.");
            // one step back takes both
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(feedOf(show(hand))).isEqualTo("everything");
            assertThat(show(hand).mixes()).isEmpty();
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
            // somebody turns the knob
            Session session = hand.session();
            hand.edit(
                    "Turn it back",
                    show ->
                            show.withKnob(
                                    Ref.of("desk/usb1chat.feed"),
                                    new Setting.Choice("everything")));
            assertThat(hand.textIn("#feeds")).contains("carries everything");
            assertThat(session.proof().get().heard())
                    .anyMatch(finding -> finding.rule().equals("mix"));
        }
    }

    @Test
    void aMistakeIsToldAtItsColumnAndWhatIsWrittenStays() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.M);
            hand.focus(FIELD);
            hand.type("everything but nadja");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#feeds"))
                    .contains("Column 16: nobody and nothing is called \"nadja\"")
                    .contains("did you mean \"Nadia\"?");
            assertThat(field(hand).getText()).isEqualTo("everything but nadja");
            assertThat(field(hand).getCaretPosition()).isEqualTo(15);
            assertThat(show(hand).mixes()).isEmpty();
            hand.press(KeyCode.ESCAPE);
            assertThat(field(hand).getText()).isEmpty();
        }
    }

    @Test
    void whatTheBriefAsksForIsTakenWithOneKeyAndAllOfItWithAnother() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.M);
            Button ask = (Button) hand.find("#ask-desk-out-usb1chat");
            assertThat(ask.getText()).isEqualTo("the brief asks: everything but Nadia");
            hand.focus("#ask-desk-out-usb1chat");
            hand.press(KeyCode.SPACE);
            assertThat(feedOf(show(hand))).isEqualTo("mix-minus");
            assertThat(ask.isVisible()).isFalse();
            hand.focus("#write-mixes");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).mixes()).hasSizeGreaterThan(8);
            assertThat(hand.session().proof().get().heard())
                    .noneMatch(finding -> finding.rule().equals("missing"))
                    .noneMatch(finding -> finding.rule().equals("echo"));
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).mixes()).hasSize(1);
            // an empty sentence says nothing any more
            hand.focus(FIELD);
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.press(KeyCode.DELETE);
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).mixes()).isEmpty();
        }
    }

    @Test
    void theTabsTurnBetweenOneListenerAndEveryMix() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.find("#feeds").isVisible()).isFalse();
            hand.click("#every-mix");
            assertThat(hand.find("#feeds").isVisible()).isTrue();
            assertThat(hand.withText("What every mix carries").isVisible()).isTrue();
            hand.click("#one-listener");
            assertThat(hand.find("#feeds").isVisible()).isFalse();
        }
    }
}
