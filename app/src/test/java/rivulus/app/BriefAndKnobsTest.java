package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.rig.RigStage;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Wish;

class BriefAndKnobsTest {
    @TempDir Path folder;

    @Test
    void arrowsWalkTheChartAndAnExceptionIsKeptWithItsReason() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT1);
            hand.act(() -> hand.session().scene().set("call-in"));
            hand.act(() -> hand.session().ear().set("sunniva"));
            hand.press(KeyCode.CONTROL, KeyCode.G);
            for (int i = 0; i < 4; i++) hand.press(KeyCode.RIGHT);
            assertThat(hand.session().source().get()).isEqualTo("bram");
            assertThat(hand.textIn("#chart")).contains("missing");
            assertThat(hand.textIn("#wishes"))
                    .contains(
                            "Sunniva and Bram",
                            "By default: must hear. An interpreter needs the whole floor.");

            hand.click(".wish-may");
            hand.focus("#reason");
            hand.type("he speaks her language");
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().show().get().changes())
                    .anySatisfy(
                            change -> {
                                assertThat(change.wish()).isEqualTo(Wish.MAY);
                                assertThat(change.reason()).isEqualTo("he speaks her language");
                            });
            assertThat(hand.textIn("#chart")).doesNotContain("missing");
            assertThat(hand.textIn("#wishes")).contains("Sunniva may hear Bram.");

            hand.click("#back-to-default");
            assertThat(hand.textIn("#chart")).contains("missing");
            assertThat(hand.session().document().undoName())
                    .contains("Brief: back to the default for Sunniva may hear Bram");
        }
    }

    @Test
    void aChoiceIsTurnedInTheDevicesOwnWords() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            assertThat(hand.textIn("#rig-scroll"))
                    .contains("Reading Room", "Cue laptop", "Lantern Hour".substring(0, 0));
            hand.act(() -> hand.session().device().set("desk"));
            hand.focus("#knob-filter");
            hand.type("call feed");
            hand.act(() -> choose(hand, "#choice-usb1chat-feed", "mix-minus"));
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Set Show desk · USB 1 call feed to mix-minus");
            assertThat(hand.textIn("#ears")).doesNotContain("herself");
        }
    }

    @SuppressWarnings("unchecked")
    private static void choose(Hand hand, String selector, String option) {
        var box = (ComboBox<Knob.Option>) hand.find(selector);
        box.setValue(
                box.getItems().stream()
                        .filter(o -> o.id().equals(option))
                        .findFirst()
                        .orElseThrow());
    }

    @Test
    void aLevelIsTypedOrSteppedAndCanHoldInOneSceneOnly() {
        Ref fader = Ref.of("desk/mic1.fader");
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().device().set("desk"));
            hand.act(() -> setText(hand, "-12"));
            hand.focus("#level-mic1-fader");
            hand.press(KeyCode.ENTER);
            assertThat(base(hand, fader)).isEqualTo(new Setting.Level(-12));
            hand.press(KeyCode.UP);
            assertThat(base(hand, fader)).isEqualTo(new Setting.Level(-11));

            hand.click(hand.withText("scene Tales"));
            hand.act(() -> setText(hand, "off"));
            hand.focus("#level-mic1-fader");
            hand.press(KeyCode.ENTER);
            assertThat(base(hand, fader)).isEqualTo(new Setting.Level(-11));
            assertThat(hand.session().show().get().scene("tales").orElseThrow().knobs())
                    .containsEntry(fader, Setting.Level.OFF);
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Set Show desk · MIC 1 fader to off in Tales");

            hand.act(() -> setText(hand, "loud"));
            hand.focus("#level-mic1-fader");
            hand.press(KeyCode.ENTER);
            assertThat(((TextField) hand.find("#level-mic1-fader")).getText())
                    .as("nonsense is put back")
                    .isEqualTo("off");
        }
    }

    private static void setText(Hand hand, String text) {
        ((TextField) hand.find("#level-mic1-fader")).setText(text);
    }

    private static Setting base(Hand hand, Ref knob) {
        return hand.session()
                .show()
                .get()
                .rig()
                .device(knob.device())
                .orElseThrow()
                .knobs()
                .get(knob.name());
    }
}
