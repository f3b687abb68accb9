package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.function.Supplier;
import javafx.event.ActionEvent;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.brief.BriefStage;
import rivulus.app.rig.RigStage;
import rivulus.form.Option;
import rivulus.gear.Setting;
import rivulus.show.Device;
import rivulus.show.Layout;
import rivulus.show.MuteKey;
import rivulus.show.Ref;

/// A desk laid out under the hand, its cue pads, keys, and knobs kept as profiles.
class DeskTest {
    @TempDir Path folder;

    private static Device desk(Hand hand) {
        return hand.session().show().get().rig().device("desk").orElseThrow();
    }

    private static void open(Hand hand) {
        hand.act(() -> hand.session().stage().set(RigStage.ID));
        hand.act(() -> hand.session().device().set("desk"));
        hand.click("#channels-tab");
    }

    @Test
    void aDeskIsSeenLaidOutMovedByKeysAndSetBack() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand);
            assertThat(hand.textIn("#desk-plan"))
                    .contains(
                            "Under the hand",
                            "Maren",
                            "fader 1 · MIC 1",
                            "Mute silences it for all but the stream and Maren's track",
                            "In software only",
                            "Nothing on fader 4.");
            assertThat(hand.find("#seat-mic1-fader").getAccessibleText())
                    .startsWith("fader 1: MIC 1, Maren. Mute silences");
            hand.click("#desk-deeds #deed-lay-out");
            assertThat(desk(hand).layout().controls())
                    .containsEntry("f1", "mic1.fader")
                    .containsEntry("f4", "usb1chat.fader");
            assertThat(hand.session().document().undoName()).contains("Lay out Show desk");
            hand.focus("#seat-mic1-fader");
            hand.press(KeyCode.CONTROL, KeyCode.DOWN);
            assertThat(desk(hand).layout().controls())
                    .containsEntry("f1", "mic2.fader")
                    .containsEntry("f2", "mic1.fader");
            assertThat(hand.find("#seat-mic1-fader").isFocused())
                    .as("the keyboard goes along")
                    .isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            hand.click("#desk-deeds #deed-as-it-comes");
            assertThat(desk(hand).layout()).isEqualTo(Layout.AS_IT_COMES);
        }
    }

    @Test
    void twoChannelsAreLinkedInTheFormAndGoTogether() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand);
            hand.focus("#field-links-mic1");
            hand.press(KeyCode.SPACE);
            assertThat(desk(hand).layout().links()).containsExactly("mic1");
            assertThat(hand.session().document().undoName())
                    .contains("Link MIC 1 and MIC 2 of Show desk");
            assertThat(hand.find("#seat-mic2-fader").getAccessibleText())
                    .contains("goes by MIC 1, linked");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(desk(hand).layout()).isEqualTo(Layout.AS_IT_COMES);
        }
    }

    @Test
    void aPadIsNamedAndSaysWhatItPlays() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand);
            TextField pad = (TextField) hand.find("#pads #field-pad-1-1-name");
            hand.act(() -> pad.setText("Gull"));
            hand.act(() -> pad.fireEvent(new ActionEvent()));
            choose(hand, "#pads #field-pad-1-1-plays", "cue-pads");
            assertThat(desk(hand).layout().pad("1/1"))
                    .isEqualTo(new Layout.Pad("Gull", "cue-pads", Layout.Pad.BLANK.extras()));
            assertThat(hand.find("#pads #field-pad-1-2-name")).isNotNull();
        }
    }

    @SuppressWarnings("unchecked")
    private static void choose(Hand hand, String field, String option) {
        ComboBox<Option> box = (ComboBox<Option>) hand.find(field);
        hand.act(
                () ->
                        box.setValue(
                                box.getItems().stream()
                                        .filter(o -> o.id().equals(option))
                                        .findFirst()
                                        .orElseThrow()));
    }

    private static void say(Hand hand) {
        hand.act(
                () ->
                        hand.window().stages().stream()
                                .filter(stage -> stage.id().equals(BriefStage.ID))
                                .map(Supplier::get)
                                .map(BriefStage.class::cast)
                                .forEach(BriefStage::say));
    }

    @Test
    void knobsAreKeptUnderANameAndSetAgainInOneStep() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(BriefStage.ID));
            say(hand);
            var before = hand.session().show().get().rig();
            hand.focus("#keep-knobs");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().show().get().profiles()).hasSize(1);
            hand.edit(
                    "Turn",
                    show -> show.withKnob(Ref.of("desk/mic1.fader"), new Setting.Level(-9)));
            String id = hand.session().show().get().profiles().getFirst().id();
            hand.focus("#row-profile-" + id);
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#form"))
                    .contains("MIC 1 fader to 0.0\u202FdB (now −9.0\u202FdB)");
            hand.focus("#form #deed-set");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().show().get().rig()).isEqualTo(before);
        }
    }

    @Test
    void aKeyIsToldToBeHeldOrPressedByWhatPlays() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(BriefStage.ID));
            MuteKey key = hand.session().show().get().mutes().getFirst();
            say(hand);
            hand.focus("#row-mute-" + key.id());
            hand.press(KeyCode.SPACE);
            choose(hand, "#form #field-pressed", "held");
            assertThat(hand.session().show().get().mutes().getFirst().pressed().held()).isTrue();
        }
    }
}
