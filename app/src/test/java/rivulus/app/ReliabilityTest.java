package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.session.Elsewhere;
import rivulus.app.session.SavingTold;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Setting;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedy;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;

/// Nothing is lost, and what fails is told.
class ReliabilityTest {
    @TempDir Path folder;

    private Path file;
    private Show cafe;

    @BeforeEach
    void aShowInAFile() throws Exception {
        cafe = DemoShows.open("language-cafe", Templates.shipped());
        file = folder.resolve("café.rivulus");
        ShowFile.save(cafe, file);
    }

    private List<Path> journals() throws IOException {
        try (Stream<Path> files = Files.list(folder.resolve("journals"))) {
            return files.filter(f -> f.toString().endsWith(".journal")).toList();
        }
    }

    private boolean isKept(String words) {
        try {
            for (Path journal : journals())
                if (Files.readString(journal).contains(words)) return true;
            return false;
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    @Test
    void theOnlyCopyOfWhatWasLeftStaysUntilTheNewJournalHoldsIt() throws Exception {
        Path left = folder.resolve("journals").resolve("left.journal");
        try (Journal journal = Journal.in(folder.resolve("journals"))) {
            journal.keep(cafe.titled("Unsaved"), Optional.of(file));
            Files.copy(journals().getFirst(), left);
        }
        try (Hand hand = Hand.atNewWindow(folder)) {
            Journal.Left found =
                    Journal.leftIn(folder.resolve("journals"), Templates.shipped())
                            .left()
                            .getFirst();
            boolean still =
                    Hand.onFx(
                            () -> {
                                hand.session().document().take(found);
                                return Files.exists(left) || isKept("Unsaved");
                            });
            assertThat(still).as("there is a copy at any moment").isTrue();
            hand.act(() -> {});
            assertThat(left).doesNotExist();
            assertThat(journals())
                    .singleElement()
                    .satisfies(j -> assertThat(j).content().contains("Unsaved"));
        }
    }

    @Test
    void aFixIsTakenOnTheShowAsItIsNow() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.awaitFixes();
            Remedy fix =
                    hand.session().remedies().values().stream()
                            .flatMap(Cures::stream)
                            .filter(remedy -> remedy.turns().isEmpty())
                            .findFirst()
                            .orElseThrow();
            Ref fader = Ref.of("desk/mic1.fader");
            hand.act(
                    () -> {
                        var knob = hand.session().proof().get().graph().knob(fader).orElseThrow();
                        hand.session()
                                .turn(knob, new Setting.Level(0), new Setting.Level(-7), false);
                        hand.session().take(fix);
                    });
            Show now = hand.session().show().get();
            assertThat(now.rig().device("desk").orElseThrow().knobs().get("mic1.fader"))
                    .isEqualTo(new Setting.Level(-7));
            assertThat(now).isEqualTo(fix.change().after().withKnob(fader, new Setting.Level(-7)));
        }
    }

    @Test
    void anEditOfADeviceKeepsWhatWasTurnedOnItMeanwhile() {
        try (Hand hand = Hand.atDemo(folder)) {
            Device before = hand.session().show().get().rig().device("desk").orElseThrow();
            Edit rename = hand.session().rigEdits().rename(before, "Big desk");
            hand.act(
                    () -> {
                        hand.edit(
                                "Turn",
                                show ->
                                        show.withKnob(
                                                Ref.of("desk/mic1.fader"), new Setting.Level(-7)));
                        hand.session().edit(rename);
                        hand.session().edit(hand.session().rigEdits().toBuy(before, true));
                    });
            Device desk = hand.session().show().get().rig().device("desk").orElseThrow();
            assertThat(desk.name()).isEqualTo("Big desk");
            assertThat(desk.toBuy()).isTrue();
            assertThat(desk.knobs().get("mic1.fader")).isEqualTo(new Setting.Level(-7));
        }
    }

    @Test
    void everythingThatIsToBeWrittenIsWrittenAndEveryAskerAnswered() {
        List<Path> sheets =
                List.of(folder.resolve("a.txt"), folder.resolve("b.txt"), folder.resolve("c.txt"));
        List<String> told = new ArrayList<>();
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(
                    () -> {
                        for (Path sheet : sheets)
                            hand.session()
                                    .papers()
                                    .write(sheet, () -> new byte[] {1}, t -> told.add("no"));
                        hand.session()
                                .document()
                                .save(
                                        folder.resolve("nowhere").resolve("x.rivulus"),
                                        asker("first", told));
                        hand.session()
                                .document()
                                .save(folder.resolve("x.rivulus"), asker("second", told));
                        hand.session()
                                .document()
                                .save(folder.resolve("y.rivulus"), asker("third", told));
                    });
            assertThat(sheets).allMatch(Files::exists);
            assertThat(told).containsExactly("first failed", "second saved", "third saved");
            assertThat(hand.session().document().file().get())
                    .isEqualTo(folder.resolve("y.rivulus"));
        }
    }

    private static SavingTold asker(String name, List<String> told) {
        return new SavingTold() {
            @Override
            public void saved() {
                told.add(name + " saved");
            }

            @Override
            public void failed(FileTrouble trouble) {
                told.add(name + " failed");
            }

            @Override
            public void changed(Elsewhere elsewhere) {
                told.add(name + " changed");
            }
        };
    }

    @Test
    void whatSomebodyElseSavedIsNotOverwrittenAndBothAreOfferedWithWhatDiffers() throws Exception {
        Path other = folder.resolve("mine.rivulus");
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.edit("Call it mine", show -> show.titled("Mine"));
            Show theirs = cafe.withKnob(Ref.of("desk/mic1.fader"), new Setting.Level(-9));
            ShowFile.save(theirs, file);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textIn("#panel"))
                    .contains("Somebody else has changed café.rivulus")
                    .contains("Show desk · MIC 1 fader: only there, -9")
                    .contains("title: The language café there, Mine here");
            assertThat(ShowFile.open(file, Templates.shipped())).isEqualTo(theirs);
            hand.willAnswer(other);
            hand.click(hand.withText("Keep both: save mine elsewhere"));
            assertThat(other).content().contains("Mine");
            assertThat(ShowFile.open(file, Templates.shipped())).isEqualTo(theirs);
        }
    }

    @Test
    void theirsCanBeTakenUpAndUndoBringsMineBack() throws Exception {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.edit("Call it mine", show -> show.titled("Mine"));
            ShowFile.save(cafe.titled("Theirs"), file);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            hand.click(hand.withText("Take up theirs"));
            assertThat(hand.textsIn("#show-title")).containsExactly("Theirs");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(hand.textsIn("#show-title")).containsExactly("Mine *");
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.sees("#panel")).as("it is what was last looked at").isFalse();
            assertThat(file).content().contains("Mine");
        }
    }

    /// The lock refuses it, and what is on the disk stays somebody else's.
    @Test
    void onAirTheirsIsNeitherTakenUpNorOverwritten() throws Exception {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.edit("Call it mine", show -> show.titled("Mine"));
            hand.act(() -> hand.session().days().begin(cafe.scenes().getFirst()));
            Show theirs = cafe.titled("Theirs");
            ShowFile.save(theirs, file);
            hand.act(() -> hand.session().document().takeTheirs(file, _ -> {}));
            assertThat(hand.textIn("#panel")).contains("the plan is locked");
            hand.press(KeyCode.ESCAPE);
            for (int time = 0; time < 2; time++) {
                hand.press(KeyCode.CONTROL, KeyCode.S);
                assertThat(hand.textIn("#panel"))
                        .contains("Somebody else has changed", "the plan is locked")
                        .doesNotContain("Take up theirs");
                hand.press(KeyCode.ESCAPE);
            }
            assertThat(ShowFile.open(file, Templates.shipped())).isEqualTo(theirs);
            assertThat(hand.textsIn("#show-title")).containsExactly("Mine *");
        }
    }

    @Test
    void aFailureOfTheProgramEndsInACardThatCanBeCopiedAndTheShowIsKept() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(
                    () ->
                            hand.session()
                                    .papers()
                                    .write(
                                            folder.resolve("x"),
                                            () -> {
                                                throw new IllegalStateException("a fault of ours");
                                            },
                                            _ -> {}));
            assertThat(hand.textIn("#panel"))
                    .contains(
                            "Something in the program failed",
                            "while writing a sheet",
                            "a fault of ours");
            hand.click(hand.withText("Copy what happened"));
            assertThat(Hand.onFx(() -> Clipboard.getSystemClipboard().getString()))
                    .contains("While writing a sheet", "IllegalStateException");
            assertThat(hand.textsIn("#show-title")).containsExactly("The Lantern Hour");
        }
    }

    @Test
    void aShowThatCannotBeProvenIsKeptAndThatIsSaid() {
        Show broken = cafe.withRig(Rig.of(List.of(Device.of("x", "X", "no-such-kind")), List.of()));
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.session().document().take(broken, null));
            assertThat(hand.textIn("#panel")).contains("while proving the show", "no-such-kind");
            hand.press(KeyCode.SPACE);
            hand.act(() -> hand.window().open(file));
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
        }
    }

    @Test
    void anEditThatCouldNotBeOpenedAgainIsRefusedInWords() {
        try (Hand hand = Hand.atDemo(folder)) {
            Show before = hand.session().show().get();
            Cable ring = Cable.of("c", Ref.of("desk/mic1"), Ref.of("desk/mic1"));
            hand.edit(
                    "Join it to itself",
                    show -> show.withRig(show.rig().with(show.rig().devices(), List.of(ring))));
            assertThat(hand.textIn("#panel")).contains("This cannot be done", "back into it");
            assertThat(hand.session().show().get()).isSameAs(before);
        }
    }

    @Test
    void settingsAndJournalsThatCannotBeReadAreToldInTheWindow() throws Exception {
        Files.createDirectories(folder.resolve("journals"));
        Files.writeString(folder.resolve("journals").resolve("x.journal"), "{");
        Files.writeString(folder.resolve("settings.json"), "{\"scale\": 1e99999999999}");
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.textIn("#panel")).contains("settings.json", "x.journal", "set aside");
        }
        Files.writeString(
                folder.resolve("settings.json"),
                "{\"scale\": \"x\", \"theme\": 3, \"recent\": [null, 7, \"\\u0000\", \"/a\"]}");
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.session().settings().recent()).containsExactly(Path.of("/a"));
        }
    }

    @Test
    void thatUnsavedChangesCannotBeKeptIsToldInTheWindow() throws Exception {
        Files.writeString(folder.resolve("journals"), "a file where the folder should be");
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.textIn("#panel")).contains("Unsaved changes are not kept", "journals");
        }
    }
}
