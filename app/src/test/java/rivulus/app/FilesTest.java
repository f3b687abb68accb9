package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.brief.BriefStage;
import rivulus.app.mixes.MixesStage;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.show.Occasion;
import rivulus.show.Show;

class FilesTest {
    @TempDir Path folder;

    private Path file;
    private Show cafe;

    @BeforeEach
    void aShowInAFile() throws Exception {
        cafe = DemoShows.open("language-cafe", Templates.shipped());
        file = folder.resolve("café.rivulus");
        ShowFile.save(cafe, file);
    }

    @Test
    void anEmptyWindowSaysWhatBelongsThereAndOffersIt() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.find("#say-lines").isFocused()).as("one can write at once").isTrue();
            assertThat(hand.textIn("#start")).contains("The Lantern Hour", "Repaired");
            assertThat(hand.textIn("#ear-rail")).contains("No ears yet.");
            hand.click("#open-lantern-hour");
            assertThat(hand.textsIn("#show-title")).containsExactly("The Lantern Hour");
            assertThat(hand.session().stage().get()).isEqualTo(MixesStage.ID);
            hand.press(KeyCode.CONTROL, KeyCode.N);
            assertThat(hand.session().stage().get()).isEqualTo(BriefStage.ID);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            hand.act(() -> hand.session().stage().set(MixesStage.ID));
            hand.focus("#plan-show");
            hand.press(KeyCode.SPACE);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
        }
    }

    @Test
    void theNextShowBeginsFromThisOneWithoutItsDateAndItsFile() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            Show dated = cafe.on(new Occasion("1 December", "", "Bring tea."));
            hand.act(() -> hand.session().document().take(dated, file));
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("begin the next");
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().show().get()).isEqualTo(cafe);
            assertThat(hand.session().document().file().get()).isNull();
        }
    }

    @Test
    void aRigComesFromAnotherShowAfterSayingWhatGoes() throws Exception {
        Path other = folder.resolve("other-rig.rivulus");
        ShowFile.save(DemoShows.open("first-call", Templates.shipped()), other);
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.session().document().take(cafe, file));
            hand.willAnswer(other);
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("take the rig");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#panel")).contains("Take the rig of", "What goes:");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().show().get().rig().devices())
                    .hasSameSizeAs(
                            DemoShows.open("first-call", Templates.shipped()).rig().devices());
            assertThat(hand.session().show().get().cast().people())
                    .hasSameSizeAs(cafe.cast().people());
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(hand.session().show().get()).isEqualTo(cafe);
        }
    }

    @Test
    void theInvitationIsGoneAtOnceWhereAShowIsTakenUp() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            boolean still =
                    Hand.onFx(
                            () -> {
                                hand.session().document().take(cafe, file);
                                Node start = hand.window().scene().lookup("#start");
                                return start != null && start.isVisible()
                                        || hand.find("#no-ears").isVisible();
                            });
            assertThat(still).as("though nothing is drawn yet").isFalse();
        }
    }

    @Test
    void aShowIsOpenedSavedUnderAnotherNameAndFoundAmongTheRecentOnes() {
        Path other = folder.resolve("other.rivulus");
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.willAnswer(file);
            hand.press(KeyCode.CONTROL, KeyCode.O);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.willAnswer(other);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.S);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
            assertThat(hand.session().settings().recent()).containsExactly(other, file);
        }
        assertThat(other).exists();
        try (Hand again = Hand.atNewWindow(folder)) {
            again.press(KeyCode.CONTROL, KeyCode.K);
            again.type("other");
            again.press(KeyCode.ENTER);
            assertThat(again.session().document().file().get()).isEqualTo(other);
        }
    }

    @Test
    void unsavedChangesAreAskedAboutAndNeverLost() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            hand.press(KeyCode.CONTROL, KeyCode.N);
            assertThat(hand.textIn("#panel")).contains("Save “The language café” first?");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.press(KeyCode.CONTROL, KeyCode.N);
            hand.click(hand.withText("Save"));
            assertThat(hand.textsIn("#show-title")).containsExactly("Untitled show");
        }
        assertThat(file).content().contains("\"phones1.feed\": \"custom\"");
    }

    /// Whoever asked about replacing asked about the name without its ending.
    @Test
    void aFileWhoseEndingWasAddedIsNotReplacedUnasked() throws Exception {
        Path asked = folder.resolve("Folder.v2").resolve("Evening 1.5");
        Path there = asked.resolveSibling("Evening 1.5.rivulus");
        Files.createDirectories(asked.getParent());
        ShowFile.save(cafe.titled("There before"), there);
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.session().document().take(cafe, null));
            hand.willAnswer(asked);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textIn("#panel")).contains("Evening 1.5.rivulus is there already");
            hand.click(hand.withText("Stay here"));
            assertThat(ShowFile.open(there, Templates.shipped()).title()).isEqualTo("There before");
            assertThat(hand.session().document().file().get()).isNull();
            hand.press(KeyCode.CONTROL, KeyCode.S);
            hand.click(hand.withText("Replace it"));
            assertThat(ShowFile.open(there, Templates.shipped())).isEqualTo(cafe);
            assertThat(hand.session().document().file().get()).isEqualTo(there);
            assertThat(asked).doesNotExist();
        }
    }

    @Test
    void aBrokenFileGetsACalmPanelAndTheOpenShowStays() throws Exception {
        Path broken = folder.resolve("broken.rivulus");
        Files.writeString(broken, "{\"rivulus\": 1,\n \"title\": ");
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.window().open(broken));
            assertThat(hand.textIn("#panel"))
                    .contains("This show cannot be opened", "broken.rivulus: line 2");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#panel")).isFalse();
            assertThat(hand.textsIn("#show-title")).containsExactly("The Lantern Hour");
        }
    }

    @Test
    void aReadOnlyTargetIsSaidAndAnotherPlaceOffered() throws Exception {
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("r--r--r--"));
        Path elsewhere = folder.resolve("elsewhere.rivulus");
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textIn("#panel")).contains("The show is not saved", "read-only");
            hand.willAnswer(elsewhere);
            hand.click(hand.withText("Save somewhere else"));
            assertThat(hand.session().document().dirty().get()).isFalse();
        }
        assertThat(elsewhere).exists();
    }

    @Test
    void whatAKilledProgramLeftBehindIsOfferedAndRecovered() throws Exception {
        Path journals = folder.resolve("journals");
        Files.createDirectories(journals);
        Path left = journals.resolve("killed.journal");
        try (Journal journal = Journal.in(journals)) {
            journal.keep(cafe.titled("Unsaved café"), Optional.of(file));
            try (var files = Files.list(journals)) {
                Path written =
                        files.filter(f -> f.toString().endsWith(".journal"))
                                .findFirst()
                                .orElseThrow();
                Files.copy(written, left);
            }
        }
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.textIn("#panel"))
                    .contains("Take up where you were?", "Unsaved café", "café.rivulus");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textsIn("#show-title")).containsExactly("Unsaved café *");
            assertThat(hand.session().document().file().get()).isEqualTo(file.toAbsolutePath());
            assertThat(left).doesNotExist();
        }
    }

    private void leftBehind(Path journals, String title) throws Exception {
        Journal journal = Journal.in(journals);
        journal.keep(cafe.titled(title), Optional.of(file));
        journal.letGo();
    }

    @Test
    void everythingThatWasLeftBehindIsOffered() throws Exception {
        Path journals = folder.resolve("journals");
        for (String title : new String[] {"First", "Second", "Third"}) leftBehind(journals, title);
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.textIn("#panel"))
                    .contains(
                            "“First”", "“Second”", "“Third”", "Kept on ", "café.rivulus was saved");
            assertThat(hand.textIn("#panel").indexOf("“Third”"))
                    .isLessThan(hand.textIn("#panel").indexOf("“First”"));
            hand.click(hand.withText("Throw it away"));
            assertThat(hand.textIn("#panel")).doesNotContain("“Third”").contains("“Second”");
            hand.click(hand.withText("Recover it"));
            assertThat(hand.textsIn("#show-title")).containsExactly("Second *");
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("left behind");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#panel")).contains("“First”").doesNotContain("“Second”");
            hand.click(hand.withText("Recover it"));
            assertThat(hand.textIn("#panel")).contains("Save “Second” first?");
        }
    }

    @Test
    void whatASaveWroteOverCanBeTakenUpAgain() throws Exception {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            for (String title : new String[] {"First", "Second"}) {
                hand.edit("Rename", show -> show.titled(title));
                hand.press(KeyCode.CONTROL, KeyCode.S);
            }
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("saved over");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#panel"))
                    .contains(
                            "Before it was saved over",
                            "title: First there, Second here",
                            "title: The language café there, Second here");
            hand.click(hand.all(".take-left").getLast());
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(hand.textsIn("#show-title")).containsExactly("Second");
        }
    }

    @Test
    void thatNothingIsKeptIsToldForAsLongAsItIsSoAndTriedAgain() throws Exception {
        Path journals = folder.resolve("journals");
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.edit("Rename", show -> show.titled("First"));
            assertThat(Hand.onFx(() -> hand.find("#kept-bar").isVisible())).isFalse();
            try (var all = Files.list(journals)) {
                for (Path one : all.toList()) Files.delete(one);
            }
            Files.delete(journals);
            Files.writeString(journals, "a file where the folder was");
            hand.edit("Rename", show -> show.titled("Second"));
            assertThat(hand.textIn("#kept-bar")).contains("neither saved nor kept", "journals");
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            assertThat(Hand.onFx(() -> hand.find("#kept-bar").isVisible())).isTrue();
            Files.delete(journals);
            Hand.await(() -> !hand.find("#kept-bar").isVisible());
            try (var all = Files.list(journals)) {
                assertThat(all.filter(f -> f.toString().endsWith(".journal")))
                        .singleElement()
                        .satisfies(journal -> assertThat(journal).content().contains("Second"));
            }
        }
    }
}
