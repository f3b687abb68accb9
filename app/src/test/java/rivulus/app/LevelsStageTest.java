package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.levels.LevelsStage;
import rivulus.app.session.Recordings;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.recording.Recipe;
import rivulus.recording.Track;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Levels in the gear's own units, and input gains set in one step, by keyboard.
class LevelsStageTest {
    @TempDir Path folder;

    private static Setting gain(Hand hand, String knob) {
        return knob(hand, "desk", knob);
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
    void whatActsOnAVoiceIsTurnedByKeyboardAndTellsWhatItDoes() {
        try (Hand hand = Hand.atShow(folder, DemoShows.LONG_READ)) {
            hand.act(() -> hand.session().scene().set("letters"));
            hand.act(() -> hand.session().ear().set("stream"));
            hand.act(() -> hand.session().source().set("ivo"));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E);
            assertThat(hand.textIn("#processing"))
                    .contains(
                            "Softest to loudest 18\u202FLU as spoken",
                            "Compressed in the desk, before the link",
                            "Gate, Show desk",
                            "Cuts about 25 % of what Ivo says");
            assertThat(hand.find("#staircase").getAccessibleText()).contains("gate", "limiter");
            hand.focus("#field-show-desk-mic2-gate-threshold");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("-50");
            hand.press(KeyCode.ENTER);
            assertThat(knob(hand, "show-desk", "mic2.gate.threshold"))
                    .isEqualTo(new Setting.Level(-50));
            assertThat(hand.textIn("#processing")).contains("Cuts less than 1 %");
            hand.focus("#field-show-desk-mic2-compressor");
            hand.press(KeyCode.UP);
            assertThat(knob(hand, "show-desk", "mic2.compressor"))
                    .isEqualTo(new Setting.Switch(true));
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(knob(hand, "show-desk", "mic2.gate.threshold"))
                    .isEqualTo(new Setting.Level(-28));
        }
    }

    private static Setting knob(Hand hand, String device, String knob) {
        return hand.session().show().get().rig().device(device).orElseThrow().knobs().get(knob);
    }

    @Test
    void allGainsAreSetInOneStepAndWhatIsHeardOfItIsToldBefore() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.edit(
                    "Turn two gains",
                    show ->
                            show.withKnob(new Ref("desk", "mic1.gain"), new Setting.Level(9))
                                    .withKnob(new Ref("desk", "mic4.gain"), new Setting.Level(6)));
            hand.act(() -> hand.session().scene().set("tales"));
            hand.act(() -> hand.session().ear().set("stream"));
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            assertThat(hand.textIn("#gains")).contains("Set all two");
            assertThat(hand.textIn("#gain-effects")).contains("Maren 12\u202FdB softer for ");
            assertThat(hand.textIn("#level-advice"))
                    .contains("Loud moments clip at Show desk, MIC 1");
            hand.focus("#advice-0");
            hand.press(KeyCode.SPACE);
            assertThat(gain(hand, "mic1.gain"))
                    .as("the knob that helps, by a key")
                    .isEqualTo(new Setting.Level(6));
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            hand.focus("#set-all-gains");
            hand.press(KeyCode.SPACE);
            assertThat(gain(hand, "mic1.gain")).isEqualTo(new Setting.Level(-3));
            assertThat(gain(hand, "mic4.gain")).isEqualTo(new Setting.Level(-30));
            assertThat(hand.session().document().undoName()).contains("Set 2 input gains");
            assertThat(hand.find("#set-all-gains").isVisible()).isFalse();
        }
    }

    @Test
    void twoVolumesInARowAreSplitByOneButton() {
        try (Hand hand = Hand.atShow(folder, "quay-market-repaired")) {
            hand.act(
                    () -> {
                        hand.edit(
                                "Turn it up",
                                show ->
                                        show.withKnob(
                                                new Ref("desk", "usb1main.fader"),
                                                new Setting.Level(8)));
                        hand.session().stage().set(LevelsStage.ID);
                        hand.session().ear().set("stream");
                        hand.session().source().set("music-bed");
                    });
            hand.focus("#advice-0");
            assertThat(hand.find("#advice-0").getAccessibleText())
                    .startsWith("Turn both: Music player · level at −12.0")
                    .contains("are one volume of −4.0");
            hand.press(KeyCode.SPACE);
            Show now = hand.session().show().get();
            assertThat(now.rig().device("music").orElseThrow().knobs())
                    .containsEntry("level", new Setting.Level(-4));
            assertThat(gain(hand, "usb1main.fader")).isEqualTo(new Setting.Level(0));
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(gain(hand, "usb1main.fader")).isEqualTo(new Setting.Level(8));
        }
    }

    @Test
    void aRecordingIsMeasuredMatchedAndTurnedByKeyboard() throws Exception {
        Path made = folder.resolve("made");
        Recipe.shipped(Recipe.TIDE_TABLE_TALK).make(made);
        try (Hand hand = Hand.atShow(folder, Recipe.TIDE_TABLE_TALK)) {
            hand.act(() -> hand.session().scene().set("tide-tables"));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
            assertThat(hand.textIn("#recording")).contains("Drop a test recording here");
            hand.act(() -> hand.session().recordings().take(Recordings.among(List.of(made))));
            assertThat(hand.textIn("#remarks"))
                    .contains(
                            "Turn all three",
                            "Maren is 4.9\u202FLU under",
                            "Ivo's track clipped",
                            "On-demand copy hums at 50\u202FHz",
                            "Maren comes back from Nadia's end after 310\u202Fms",
                            "The sound of the stream is 120\u202Fms ahead of the picture");
            assertThat(hand.all(".sound-chart")).hasSize(8);
            Path sheet = folder.resolve("recording.svg");
            hand.willAnswer(sheet);
            hand.click("#print-recording");
            assertThat(Files.readString(sheet)).contains("Maren", "clipped", "LUFS", "Stream");
            hand.focus("#take-all-remarks");
            hand.press(KeyCode.SPACE);
            Show now = hand.session().show().get();
            assertThat(now.rig().device("show-desk").orElseThrow().knobs())
                    .containsEntry("mic1.gain", new Setting.Level(5));
            assertThat(now.cast().person("maren").orElseThrow().measuredDb()).isEqualTo(-5);
            assertThat(hand.textIn("#remarks")).doesNotContain("Maren is 4.9", "clipped");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(
                            hand.session()
                                    .show()
                                    .get()
                                    .cast()
                                    .person("maren")
                                    .orElseThrow()
                                    .measuredDb())
                    .as("one step of undo")
                    .isZero();
        }
    }

    @Test
    void aTrackThatNobodyNamedIsKnownByWhatIsOnIt() throws Exception {
        Path made = folder.resolve("made");
        List<Path> files = Recipe.shipped(Recipe.TIDE_TABLE_TALK).make(made);
        Path ada = files.get(2);
        Files.move(ada, ada.resolveSibling("take 3.wav"));
        try (Hand hand = Hand.atShow(folder, Recipe.TIDE_TABLE_TALK)) {
            hand.act(() -> hand.session().scene().set("tide-tables"));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
            hand.act(() -> hand.session().recordings().take(Recordings.among(List.of(made))));
            assertThat(hand.textIn("#recording")).contains("known by what is on it");
            assertThat(hand.session().recordings().heard().get().tracks())
                    .filteredOn(Track::isByContent)
                    .singleElement()
                    .satisfies(
                            track ->
                                    assertThat(track.ear().orElseThrow().id())
                                            .isEqualTo("track-ada"));
        }
    }

    @Test
    void aFileThatIsNoRecordingIsSaidAndAnotherShowForgetsTheOld() throws Exception {
        Path text = Files.writeString(folder.resolve("notes.wav"), "not a sound");
        try (Hand hand = Hand.atShow(folder, Recipe.TIDE_TABLE_TALK)) {
            hand.act(() -> hand.session().stage().set(LevelsStage.ID));
            hand.act(() -> hand.session().recordings().take(List.of(text)));
            assertThat(hand.textIn("#recording")).contains("notes.wav is neither WAV nor FLAC");
            hand.act(() -> hand.window().openDemo("ferry-log"));
            assertThat(hand.session().recordings().heard().get().troubles()).isEmpty();
        }
    }

    @Test
    void whatGoesOutIsSaidByKeyboard() {
        try (Hand hand = Hand.atShow(folder, Recipe.TIDE_TABLE_TALK)) {
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.O);
            assertThat(hand.textIn("#levels-heading")).contains("What goes out and is kept");
            assertThat(hand.textIn("#going"))
                    .contains("160 kbit/s", "Asked and allowed", "may be heard and kept: not yet");
            hand.focus("#field-show-desk-card");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("32");
            hand.press(KeyCode.ENTER);
            hand.focus("#field-leave-nadia");
            hand.type("20 November");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#going"))
                    .contains("Its card of 32", "may be heard and kept: yes, 20 November");
            assertThat(hand.session().document().undoName())
                    .contains("Say when leave was given for Nadia");
        }
    }

    @Test
    void allGainsAreSetFromAnyStageThoughNobodyHasLookedAtThemYet() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.edit(
                    "Turn a gain",
                    show -> show.withKnob(new Ref("desk", "mic1.gain"), new Setting.Level(9)));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
            assertThat(gain(hand, "mic1.gain")).isEqualTo(new Setting.Level(-3));
        }
    }

    @Test
    void aTestSignalIsWrittenFromThePalette() {
        Path file = folder.resolve("pink.wav");
        try (Hand hand = Hand.atDemo(folder)) {
            hand.willAnswer(file);
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("test signal pink");
            hand.press(KeyCode.ENTER);
            assertThat(file).exists();
            assertThat(hand.textIn("#last-done")).contains("Wrote pink.wav");
        }
    }
}
