package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Setting;
import rivulus.show.Day;
import rivulus.show.Logged;
import rivulus.show.Person;
import rivulus.show.Show;

/// What is typed is work before it is entered: it is asked about, saved, kept in the journal, and
/// comes back.
class TypedTest {
    private static final String UNCLEAR = "Odd, guest, reading room, with his ??? lute";

    @TempDir Path folder;

    private Path file;

    @BeforeEach
    void aShowInAFile() throws Exception {
        file = folder.resolve("café.rivulus");
        ShowFile.save(DemoShows.open("language-cafe", Templates.shipped()), file);
    }

    private Hand atTheCafe() {
        Hand hand = Hand.atNewWindow(folder);
        hand.act(() -> hand.window().open(file));
        return hand;
    }

    private static String text(Hand hand, String selector) {
        TextInputControl box = (TextInputControl) hand.find(selector);
        return Hand.onFx(box::getText);
    }

    private static void paste(Hand hand, String selector, String text) {
        TextInputControl box = (TextInputControl) hand.find(selector);
        hand.act(box::requestFocus);
        hand.act(() -> box.setText(text));
    }

    private Show onDisk() throws Exception {
        return ShowFile.open(file, Templates.shipped());
    }

    @Test
    void linesAreAskedAboutAndClearOnesAreEnteredBySaving() throws Exception {
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.type("Odd, guest");
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.press(KeyCode.CONTROL, KeyCode.O);
            assertThat(hand.sees("#panel")).isFalse();
            hand.act(() -> hand.window().quit());
            assertThat(hand.textIn("#panel"))
                    .contains("Save “The language café” first?", "what is typed");
            hand.press(KeyCode.ESCAPE);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
            assertThat(text(hand, "#say-lines")).isEmpty();
        }
        assertThat(onDisk().cast().people()).extracting(Person::name).contains("Odd");
        assertThat(onDisk().typed()).isEmpty();
    }

    @Test
    void whatCannotBeEnteredIsSavedAsItStandsAndComesBack() throws Exception {
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            paste(hand, "#say-lines", "speaker on the moon > ??\nKari, host");
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
            assertThat(text(hand, "#say-lines")).isEqualTo("speaker on the moon > ??");
        }
        assertThat(onDisk().cast().people()).extracting(Person::name).contains("Kari");
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            assertThat(text(hand, "#say-lines")).isEqualTo("speaker on the moon > ??");
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café");
        }
    }

    /// The lines are clear, and the show that comes of them cannot be.
    @Test
    void linesThatTheGateRefusesStay() {
        String name = "N" + "a".repeat(115);
        try (Hand hand = atTheCafe()) {
            Show before = hand.session().show().get();
            hand.press(KeyCode.CONTROL, KeyCode.L);
            paste(hand, "#say-lines", name + ", guest, call program");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#panel")).contains("This cannot be done", "at most 120");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.session().show().get()).isEqualTo(before);
            assertThat(text(hand, "#say-lines")).contains(name + ", guest");
            assertThat(hand.textIn("#say-told")).contains("Nothing was added");
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
        }
    }

    @Test
    void aFieldIsEnteredBySaving() throws Exception {
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.focus("#say-title");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("Caf two");
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textsIn("#show-title")).containsExactly("Caf two");
            String person = hand.session().show().get().cast().people().getFirst().id();
            hand.focus("#row-person-" + person);
            hand.press(KeyCode.SPACE);
            hand.focus("#form #field-name");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("Someone");
            assertThat(hand.textsIn("#show-title")).containsExactly("Caf two *");
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.textsIn("#show-title")).containsExactly("Caf two");
        }
        assertThat(onDisk().title()).isEqualTo("Caf two");
        assertThat(onDisk().cast().people().getFirst().name()).isEqualTo("Someone");
    }

    /// What was left in a sentence of one show is nothing of the next.
    @Test
    void aMixSentenceIsWorkOfItsOwnShowAlone() {
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.M);
            String row = hand.all("#feeds .text-field").getFirst().getId();
            paste(hand, "#" + row, "everything but ???");
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
            hand.press(KeyCode.CONTROL, KeyCode.N);
            hand.click(hand.withText("Leave them"));
            assertThat(hand.textsIn("#show-title")).containsExactly("Untitled show");
            assertThat(hand.session().document().dirty().get()).isFalse();
        }
    }

    /// Theirs is taken up with what they had typed; what is typed here stays.
    @Test
    void takingUpTheirsTakesUpWhatTheyHadTyped() throws Exception {
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            paste(hand, "#say-lines", UNCLEAR);
            Show theirs = onDisk().titled("Theirs");
            SequencedMap<String, String> typed = new LinkedHashMap<>();
            typed.put("say", "something of theirs ???");
            typed.put("lesson", "Bring tea");
            ShowFile.save(theirs.withTyped(typed), file);
            hand.act(() -> hand.session().document().takeTheirs(file, _ -> {}));
            assertThat(text(hand, "#say-lines")).isEqualTo(UNCLEAR);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT5);
            assertThat(text(hand, "#lesson")).isEqualTo("Bring tea");
            assertThat(hand.textsIn("#show-title")).containsExactly("Theirs *");
        }
    }

    @Test
    void aNoteThatIsTooLongStaysAndIsSaved() throws Exception {
        String note = "a".repeat(4001);
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
            hand.press(KeyCode.N);
            paste(hand, "#air-note", note);
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#panel")).contains("4001 characters");
            hand.press(KeyCode.ESCAPE);
            assertThat(text(hand, "#air-note")).isEqualTo(note);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            hand.press(KeyCode.ESCAPE);
            assertThat(onDisk().typed()).containsEntry("note", note);
            paste(hand, "#air-note", "short");
            hand.press(KeyCode.CONTROL, KeyCode.S);
        }
        assertThat(onDisk().day().log()).extracting(Logged::text).containsExactly("short");
        assertThat(onDisk().typed()).isEmpty();
    }

    @Test
    void whatIsTypedIsInTheJournalAndComesBackAfterAKill() throws Exception {
        Path journals = folder.resolve("journals");
        Path left = folder.resolve("left.journal");
        try (Hand hand = atTheCafe()) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            paste(hand, "#say-lines", UNCLEAR);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
            hand.press(KeyCode.N);
            hand.type("Tea is");
            Files.copy(journal(journals), left);
        }
        Files.move(left, journals.resolve("left.journal"));
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.click(hand.withText("Recover it"));
            hand.press(KeyCode.CONTROL, KeyCode.L);
            assertThat(text(hand, "#say-lines")).isEqualTo(UNCLEAR);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
            assertThat(text(hand, "#air-note")).isEqualTo("Tea is");
            assertThat(Hand.onFx(() -> hand.find("#air-note").isVisible())).isTrue();
            assertThat(hand.textsIn("#show-title")).containsExactly("The language café *");
        }
    }

    @Test
    void whatStoodInAFieldStandsThereAgainAfterAKill() throws Exception {
        String person = onDisk().cast().people().getFirst().id();
        standsAgainAfterAKill(
                hand -> {
                    hand.press(KeyCode.CONTROL, KeyCode.L);
                    hand.focus("#row-person-" + person);
                    hand.press(KeyCode.SPACE);
                },
                "#form #field-name",
                "Abraham");
        assertThat(onDisk().cast().people())
                .extracting(Person::name)
                .anyMatch(name -> name.contains("Abraham"));
    }

    @Test
    void aFigureOfAKnobStandsThereAgainAfterAKill() throws Exception {
        standsAgainAfterAKill(
                hand -> hand.act(() -> hand.session().device().set("desk")),
                "#level-mic1-fader",
                "-17");
        assertThat(onDisk().rig().device("desk").orElseThrow().knobs().get("mic1.fader"))
                .isEqualTo(new Setting.Level(-17));
    }

    /// Types into a field, kills the program, and enters in another what stands in the field.
    ///
    /// @param goes goes where the field is
    private void standsAgainAfterAKill(Consumer<Hand> goes, String field, String typed)
            throws Exception {
        Path journals = folder.resolve("journals");
        Path left = folder.resolve("left.journal");
        try (Hand hand = atTheCafe()) {
            goes.accept(hand);
            hand.focus(field);
            hand.act(() -> ((TextInputControl) hand.find(field)).selectAll());
            hand.type(typed);
            Files.copy(journal(journals), left);
        }
        Files.move(left, journals.resolve("left.journal"));
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.textIn("#panel")).contains(typed, "stands there again");
            hand.click(hand.withText("Recover it"));
            goes.accept(hand);
            hand.focus(field);
            assertThat(text(hand, field)).contains(typed);
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().document().typed().isEmpty()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.S);
        }
    }

    private static Path journal(Path journals) throws IOException {
        try (Stream<Path> files = Files.list(journals)) {
            return files.filter(f -> f.toString().endsWith(".journal")).findFirst().orElseThrow();
        }
    }

    /// Typed between asking for a file and its being read.
    @Test
    void whatIsDoneWhileAFileOpensIsAskedAbout() throws Exception {
        Path other = folder.resolve("other.rivulus");
        ShowFile.save(DemoShows.open("first-call", Templates.shipped()), other);
        try (Hand hand = atTheCafe()) {
            hand.act(
                    () -> {
                        hand.window().open(other);
                        hand.edit("Rename", show -> show.titled("Renamed meanwhile"));
                    });
            assertThat(hand.textIn("#panel")).contains("Save “Renamed meanwhile” first?");
            assertThat(hand.textsIn("#show-title")).containsExactly("Renamed meanwhile *");
            hand.click(hand.withText("Save"));
            assertThat(hand.session().document().file().get()).isEqualTo(other);
        }
        assertThat(onDisk().title()).isEqualTo("Renamed meanwhile");
    }

    @Test
    void whatIsDoneWhileASaveRunsIsAskedAbout() throws Exception {
        try (Hand hand = atTheCafe()) {
            hand.edit("Rename", show -> show.titled("First"));
            hand.press(KeyCode.CONTROL, KeyCode.N);
            hand.act(
                    () -> {
                        ((Button) hand.withText("Save")).fire();
                        hand.edit("Rename", show -> show.titled("Second"));
                    });
            assertThat(hand.textIn("#panel")).contains("Save “Second” first?");
            hand.click(hand.withText("Save"));
            assertThat(hand.textsIn("#show-title")).containsExactly("Untitled show");
        }
        assertThat(onDisk().title()).isEqualTo("Second");
        assertThat(onDisk().day()).isEqualTo(Day.AHEAD);
        assertThat(List.of(Journal.leftIn(folder.resolve("journals"), Templates.shipped()).left()))
                .containsExactly(List.of());
    }
}
