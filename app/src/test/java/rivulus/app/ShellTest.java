package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.session.Settings;

class ShellTest {
    @TempDir Path folder;

    @Test
    void thePaletteFindsAnEarByAFewLettersAndEscapeLeavesEverythingAsItWas() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("assist");
            assertThat(hand.textIn("#palette-list")).contains("Ear: Assistive feed");
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().ear().get()).isEqualTo("assistive");
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#palette")).isFalse();
            assertThat(hand.session().ear().get()).isEqualTo("assistive");
        }
    }

    @Test
    void everyKeyIsShownOnOnePage() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.F1);
            assertThat(hand.textIn("#panel"))
                    .contains(
                            "Keys", "Ctrl Enter", "Take the best of what is offered", "Next scene");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#panel")).isFalse();
        }
    }

    @Test
    void themeAndSizeAreChangedByKeyAndRemembered() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.L);
            hand.press(KeyCode.CONTROL, KeyCode.MINUS);
            assertThat(hand.window().scene().getStylesheets().getFirst()).endsWith("night.css");
            Node rail = hand.find("#ear-rail");
            double shown = Hand.onFx(() -> rail.localToScene(rail.getBoundsInLocal()).getWidth());
            assertThat(shown).isLessThan(264);
        }
        try (Hand again = Hand.atNewWindow(folder)) {
            assertThat(again.session().settings().theme().get()).isEqualTo(Settings.NIGHT);
            assertThat(again.session().settings().scale().get()).isLessThan(1);
        }
    }

    @Test
    void theSearchForRemediesSaysHowFarItIsAndCanBeStopped() {
        List<String> told = new ArrayList<>();
        try (Hand hand = Hand.atDemo(folder)) {
            hand.awaitFixes();
            Hand.onFx(
                    () -> {
                        hand.session()
                                .doing()
                                .addListener(
                                        (_, _, words) -> {
                                            told.add(words);
                                            if (words.startsWith("Trying"))
                                                hand.session().stopSearching();
                                        });
                        return hand.session();
                    });
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            hand.awaitFixes();
            assertThat(told.getFirst()).isEqualTo("Proving the show");
            assertThat(told.get(1)).matches("Trying remedies, 1 of \\d+");
            assertThat(told.getLast()).isEmpty();
            assertThat(hand.session().remedies().values())
                    .isNotEmpty()
                    .allMatch(found -> !found.complete());
        }
    }

    /// As somebody on battery may want it.
    @Test
    void remediesAreSearchedWhenAskedWhereNobodyWantsThemBefore() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.textIn("#findings"))
                    .contains("Nothing was tried against this yet.")
                    .contains("Ctrl Shift Enter searches on.");
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.ENTER);
            hand.awaitRest();
            assertThat(hand.textIn("#findings"))
                    .contains("Set Show desk · USB 1 call feed to mix-minus.")
                    .doesNotContain("Nothing was tried");
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.ENTER);
            hand.awaitRest();
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Everything worth a try was tried");
        }
    }

    @Test
    void aFindingIsSilencedWithAReasonAndToldAgainFromItsList() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.textIn("#findings")).contains("Nadia hears herself 296");
            hand.focus(".silence-ask");
            hand.press(KeyCode.SPACE);
            hand.type("she knows");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#findings")).doesNotContain("Nadia hears herself 296");
            assertThat(hand.session().document().undoName()).contains("Silence echo/nadia/nadia");
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.focus("#section-checks");
            hand.press(KeyCode.SPACE);
            hand.focus("#row-checks-show");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#form")).contains("echo/nadia/nadia", "she knows");
            hand.focus("#deed-tell-echo-nadia-nadia");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().show().get().checks().silenced()).isEmpty();
        }
    }

    @Test
    void plusIsPlusOnEveryKeyboard() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            for (KeyCode[] keys :
                    new KeyCode[][] {
                        {KeyCode.CONTROL, KeyCode.EQUALS},
                        {KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.EQUALS},
                        {KeyCode.CONTROL, KeyCode.ADD}
                    }) {
                double before = hand.session().settings().scale().get();
                hand.press(keys);
                assertThat(hand.session().settings().scale().get()).isGreaterThan(before);
            }
            hand.press(KeyCode.CONTROL, KeyCode.SUBTRACT);
            assertThat(hand.session().settings().scale().get()).isLessThan(1.35);
        }
    }

    @Test
    void inANarrowWindowTheFindingsFoldIntoADrawer() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.sees("#side")).isTrue();
            hand.widen(1100);
            assertThat(hand.sees("#side")).isFalse();
            hand.click("#drawer");
            assertThat(hand.textIn("#side")).contains("Findings for Nadia");
        }
    }

    @Test
    void nothingIsCutOffAt1280By800InAnyStage() {
        try (Hand hand = Hand.atDemo(folder)) {
            for (KeyCode stage : List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3)) {
                hand.press(KeyCode.CONTROL, stage);
                Hand.onFx(
                        () -> {
                            for (String part :
                                    List.of("#ear-rail", "#side", "#stages", "#scenes", "#find")) {
                                var bounds =
                                        hand.find(part)
                                                .localToScene(hand.find(part).getBoundsInLocal());
                                assertThat(bounds.getMinX()).as(part).isGreaterThanOrEqualTo(-0.5);
                                assertThat(bounds.getMaxX()).as(part).isLessThanOrEqualTo(1280.5);
                                assertThat(bounds.getMaxY()).as(part).isLessThanOrEqualTo(800.5);
                            }
                            return null;
                        });
            }
        }
    }

    @Test
    void everythingThatTakesTheKeyboardHasWordsForAScreenReader() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().device().set("desk"));
            List<String> silent = new ArrayList<>();
            Hand.onFx(
                    () -> {
                        Hand.visit(
                                hand.window().scene().getRoot(),
                                node -> {
                                    if (node.isFocusTraversable() && !hasWords(node))
                                        silent.add(node.toString());
                                });
                        return null;
                    });
            assertThat(silent).isEmpty();
        }
    }

    private static boolean hasWords(Node node) {
        if (node.getAccessibleText() != null && !node.getAccessibleText().isBlank()) return true;
        if (node instanceof Labeled labeled
                && labeled.getText() != null
                && !labeled.getText().isBlank()) return true;
        return node instanceof TextInputControl field
                && field.getPromptText() != null
                && !field.getPromptText().isBlank();
    }

    @Test
    void tabReachesRailFindingsScenesAndFind() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.E);
            List<String> reached = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                hand.press(KeyCode.TAB);
                Node at = Hand.onFx(() -> hand.window().scene().getFocusOwner());
                reached.add(at.getId() == null ? String.join(".", at.getStyleClass()) : at.getId());
            }
            assertThat(reached)
                    .anyMatch(s -> s.contains("cure"))
                    .anyMatch(s -> s.contains("scene"))
                    .contains("find", "ears");
        }
    }

    @Test
    void theKeyForTheBestSaysWhyItDoesNothing() {
        try (Hand hand = Hand.atShow(folder, "archive-interviews-repaired")) {
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            assertThat(hand.textsIn("#last-done"))
                    .containsExactly("Nothing is offered here to be taken");
            assertThat(hand.session().document().dirty().get()).isFalse();
        }
    }

    @Test
    void theFiguresOfTheShippedFontAreTabular() {
        try (Hand hand = Hand.atDemo(folder)) {
            List<Double> widths =
                    Hand.onFx(
                            () -> {
                                List<Double> all = new ArrayList<>();
                                for (char c = '0'; c <= '9'; c++) {
                                    var text = new javafx.scene.text.Text(String.valueOf(c));
                                    text.setFont(javafx.scene.text.Font.font("Source Sans 3", 17));
                                    all.add(text.getLayoutBounds().getWidth());
                                }
                                return all;
                            });
            assertThat(widths).containsOnly(widths.getFirst());
            Region rail = (Region) hand.find("#ear-rail");
            assertThat(rail.getWidth()).isEqualTo(264);
        }
    }
}
