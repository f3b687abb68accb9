package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.app.stage.Door;
import rivulus.file.Evening;
import rivulus.show.Ear;
import rivulus.show.Scene;

/// Every evening that ships, walked through in the window.
class EveningsTest {
    @TempDir Path folder;

    /// As they were first built: repaired they have the same people, ears and scenes. Every third,
    /// and all of them at night (docs/testing.md).
    static List<String> evenings() {
        int step = Boolean.getBoolean("rivulus.night") ? 1 : 3;
        return IntStream.range(0, Evening.ALL.size())
                .filter(at -> at % step == 0)
                .mapToObj(at -> Evening.ALL.get(at).file())
                .toList();
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void everyStageSceneAndEarOfEveryEveningCanBeSeen(String name) {
        try (Hand hand = Hand.atShow(folder, name)) {
            assertThat(hand.textIn("#ears")).isNotBlank();
            for (Door<?> stage : hand.window().stages()) {
                hand.act(() -> hand.session().stage().set(stage.id()));
                assertThat(hand.textIn("#side")).as(stage.title()).isNotBlank();
            }
            for (Scene scene : hand.session().show().get().scenes()) {
                hand.act(() -> hand.session().scene().set(scene.id()));
                assertThat(hand.session().picture().get().scene().scene().id())
                        .isEqualTo(scene.id());
            }
            for (Ear ear : hand.session().show().get().ears()) {
                hand.act(() -> hand.session().ear().set(ear.id()));
                assertThat(hand.session().picture().get().ear()).isEqualTo(ear);
            }
            assertThat(hand.session().document().dirty().get())
                    .as("looking changes nothing")
                    .isFalse();
        }
    }

    @Test
    void anEveningIsOpenedFromThePaletteAndCuredWithOneKey() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("map room");
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().show().get().title()).isEqualTo("Map-room screening");
            assertThat(hand.textIn("#side")).contains("twice");
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Set Streaming program · sound input 1 to listen only");
            assertThat(hand.textIn("#ears")).doesNotContain("twice");
        }
    }

    @Test
    void aStarvedInterfaceIsSeenInTheRigAndAHubIsFoundAddedAndJoined() {
        try (Hand hand = Hand.atShow(folder, "doorstep-talks")) {
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            assertThat(hand.textIn("#gear-pane")).contains("gets 300: 150 too little");
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.G);
            hand.type("powered hub");
            assertThat(hand.textIn("#gear-pane")).contains("Powered USB hub");
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().show().get().rig().devices())
                    .anyMatch(device -> device.template().equals("powered-hub"));
        }
    }
}
