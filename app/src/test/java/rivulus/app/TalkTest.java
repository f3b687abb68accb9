package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.check.Finding;
import rivulus.file.Change;
import rivulus.file.ShowFile;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// The tide-table talk from an empty window to a clean proof, by keyboard.
class TalkTest {
    /// What it takes beyond the names of people, places, gear, kinds and roles.
    private static final int MOST_KEYS = 150;

    private static final int MOST_REMEDIES = 12;

    private static final List<String> LINES =
            List.of(
                    "Maren, host, Reading Room, she",
                    "Ivo, guest, he",
                    "Ada, guest, she",
                    "Nadia, caller, call program, she",
                    "Bram, caller, phone, he",
                    "show desk",
                    "Talk laptop: call program, streaming program, track recorder",
                    "phone",
                    "mic for everybody here",
                    "Room mic",
                    "headphones for everybody here",
                    "mics > Show desk",
                    "Show desk > headphones",
                    "Show desk > Talk laptop",
                    "Show desk > Talk laptop",
                    "Phone > Show desk",
                    "Call program > USB 1 call",
                    "USB 1 call > Call program",
                    "USB 2 > Streaming program",
                    "Show desk > Talk laptop",
                    "line in > Track recorder",
                    "Music bed, music, Talk laptop",
                    "Music bed player > USB 1 programme",
                    "Cue pads, cues, Show desk",
                    "stream",
                    "on-demand copy, Track recorder",
                    "a track per voice",
                    "scene Doors, 10 min",
                    "scene Tide tables, 40 min",
                    "scene Questions, 20 min");

    @TempDir Path folder;

    private int keys;

    private void press(Hand hand, KeyCode... keysTogether) {
        hand.press(keysTogether);
        keys++;
    }

    @Test
    void theTalkIsSaidInThirtyLinesAndRemediedUntilTheProofIsClean() throws Exception {
        try (Hand hand = Hand.atNewWindow(folder)) {
            press(hand, KeyCode.SHIFT, KeyCode.TAB);
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("The tide-table talk");
            press(hand, KeyCode.TAB);
            for (String line : LINES) {
                hand.type(line);
                press(hand, KeyCode.ENTER);
                keys += line.replaceAll("[^,:>]", "").length();
                assertThat(hand.textIn("#sheet")).as(line).doesNotContain("not understood");
            }
            Show written =
                    ShowFile.open(
                            Path.of("../core/src/test/resources/tide-table-talk.rivulus"),
                            Rules.prover().catalogue());
            Show said = hand.session().show().get();
            assertThat(new Change(written, said).words()).isEmpty();
            assertThat(keys).isLessThan(MOST_KEYS);
            press(hand, KeyCode.CONTROL, KeyCode.DIGIT3);
            for (int taken = 0; taken < MOST_REMEDIES && serious(hand).isPresent(); taken++) {
                press(hand, KeyCode.CONTROL, KeyCode.J);
                hand.awaitFixes();
                press(hand, KeyCode.CONTROL, KeyCode.ENTER);
            }
            assertThat(serious(hand)).isEmpty();
            assertThat(keys).isLessThan(MOST_KEYS);
        }
    }

    private static Optional<String> serious(Hand hand) {
        return hand.session().proof().get().findings().stream()
                .filter(finding -> finding.severity().isSerious())
                .map(Finding::sentence)
                .findFirst();
    }
}
