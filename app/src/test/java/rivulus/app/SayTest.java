package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.brief.BriefStage;
import rivulus.app.mixes.MixesStage;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;

/// A show is said in the window, from nothing, by keyboard.
class SayTest {
    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    private static void say(Hand hand, String line) {
        hand.type(line);
        hand.press(KeyCode.ENTER);
    }

    @Test
    void aShowIsSaidLineByLineFromAnEmptyWindow() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            assertThat(hand.session().stage().get()).isEqualTo(BriefStage.ID);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            say(hand, "maren, host, reading room");
            say(hand, "nadia, caller, call program");
            say(hand, "stream");
            say(hand, "scene doors, 10 min");
            say(hand, "scene talk, 40 min");
            assertThat(show(hand).cast().people())
                    .extracting(Person::name)
                    .containsExactly("maren", "nadia");
            assertThat(show(hand).ears())
                    .extracting(Ear::name)
                    .containsExactly("maren", "nadia", "Stream");
            assertThat(show(hand).scenes())
                    .extracting(Scene::name)
                    .containsExactly("doors", "talk");
            assertThat(hand.textIn("#say")).contains("reading room", "nadia's end", "nowhere yet");
            assertThat(hand.textIn("#ears")).contains("Stream", "not maren");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).scenes()).hasSize(1);
        }
    }

    @Test
    void linesThatArePastedAreLookedAtFirstAndWhatIsNotUnderstoodStays() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(
                    () ->
                            ((TextArea) hand.find("#say-lines"))
                                    .setText(
                                            "Maren, host, she\nChoir, guests, 12 of them?\nstream"));
            assertThat(hand.textIn("#sheet"))
                    .contains(
                            "Maren · host · she", "not understood: 12 of them?", "Stream listens");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().people()).hasSize(1);
            assertThat(((TextArea) hand.find("#say-lines")).getText())
                    .isEqualTo("Choir, guests, 12 of them?");
            assertThat(hand.textIn("#sheet")).contains("was not understood");
        }
    }

    /// A page as a stranger writes it, pasted into an empty window and taken by one key: people
    /// come as they were said, what is read in their words is marked, what is open stays.
    @Test
    void aPageInOnesOwnWordsIsTakenByOneKey() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(
                    () ->
                            ((TextArea) hand.find("#say-lines"))
                                    .setText(
                                            """
                                            Lamp night
                                            Ottilie leads the talk, at the lectern, clip-on
                                            with her: Bastian and Ruth, a table mic each
                                            Fenn joins by video call, he must not hear himself
                                            three callers by phone
                                            Ruth must not hear the callers
                                            welcome 5 min / talk 40 / questions 15, callers off
                                            the stream gets everything
                                            perhaps a choir at the end
                                            bring a torch"""));
            assertThat(hand.textIn("#sheet"))
                    .contains("assumed: look whether", "2 lines stay", "≈ Caller 3 · caller")
                    .contains("Ottilie · host", "bring a torch · put aside");
            hand.press(KeyCode.ENTER);
            Show lamp = show(hand);
            assertThat(lamp.title()).isEqualTo("Lamp night");
            assertThat(lamp.cast().people())
                    .extracting(person -> person.name() + " " + person.role().word())
                    .containsExactlyInAnyOrder(
                            "Ottilie host",
                            "Bastian guest",
                            "Ruth guest",
                            "Fenn guest",
                            "Caller 1 caller",
                            "Caller 2 caller",
                            "Caller 3 caller");
            assertThat(lamp.scenes())
                    .extracting(scene -> scene.name() + " " + scene.quiet().size())
                    .containsExactly("Welcome 0", "Talk 0", "Questions 3");
            assertThat(((TextArea) hand.find("#say-lines")).getText())
                    .isEqualTo("perhaps a choir at the end\nbring a torch");
            hand.press(KeyCode.ALT, KeyCode.DIGIT1);
            assertThat(hand.textIn("#sheet")).contains("≈ Choir · guest");
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            hand.act(() -> ((TextArea) hand.find("#say-lines")).clear());
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).cast().people()).isEmpty();
        }
    }

    /// A page that is in neither docs nor tests, by keyboard alone: what is assumed is confirmed or
    /// turned down, what is open answered, the rest taken as one step.
    @Test
    void whatWasReadIsConfirmedTurnedDownAndAnsweredByKeyboardAlone() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            for (String line :
                    new String[] {
                        "Net mending night",
                        "Hjalmar leads the talk, at the bench, headset",
                        "Solve joins by video call, he must not hear himself",
                        "perhaps Ragna by phone",
                        "ferry tickets are at the kiosk"
                    }) {
                hand.type(line);
                hand.press(KeyCode.SHIFT, KeyCode.ENTER);
            }
            assertThat(hand.textIn("#sheet-counted")).contains("1 to answer", "assumed");
            assertThat(hand.textIn("#readings"))
                    .contains(
                            "1  Ragna · guest · afar, by phone",
                            "2  nothing of sound: put it aside")
                    .contains("≈ Solve must not hear themself")
                    .contains("ferry tickets are at the kiosk · put aside");
            hand.press(KeyCode.ALT, KeyCode.DIGIT2);
            assertThat(hand.textIn("#sheet-counted")).doesNotContain("to answer");
            assertThat(hand.textIn("#readings")).contains("perhaps Ragna by phone · put aside");

            int turned = 0;
            while (!hand.textIn("#reading-" + turned).contains("themself")) turned++;
            hand.focus("#turn-down-" + turned);
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#readings")).doesNotContain("themself");
            hand.focus("#say-again");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#readings")).contains("≈ Solve must not hear themself");
            hand.focus("#say-lines");
            hand.press(KeyCode.ALT, KeyCode.ENTER);
            assertThat(hand.textIn("#readings")).doesNotContain("≈");
            assertThat(hand.textIn("#sheet-counted")).doesNotContain("assumed");

            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().people())
                    .extracting(Person::name)
                    .containsExactlyInAnyOrder("Hjalmar", "Solve");
            assertThat(show(hand).title()).isEqualTo("Net mending night");
            assertThat(hand.textIn("#say")).contains("Hjalmar", "Solve");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.find("#chart").getParent().isVisible()).isTrue();
            assertThat(hand.find("#sheet").isVisible()).isFalse();
            hand.press(KeyCode.CONTROL, KeyCode.L);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            assertThat(hand.find("#sheet").isVisible()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).title()).as("typed text is undone first").isNotEmpty();
        }
    }

    @Test
    void aTitleIsTypedAndAPartIsTakenAwayWithWhatGoesAlongToldFirst() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(() -> ((TextField) hand.find("#say-title")).setText("The tide-table talk"));
            hand.focus("#say-title");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).title()).isEqualTo("The tide-table talk");
            open(hand, "person-nadia");
            hand.focus("#deed-remove");
            assertThat(hand.textIn("#form-told")).contains("What goes along", "Nadia's track");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).cast().person("nadia")).isEmpty();
            assertThat(hand.session().document().undoName()).contains("Remove Nadia");
            assertThat(hand.find("#say-lines").isVisible()).isTrue();
            open(hand, "place-reading-room");
            assertThat(((Button) hand.find("#deed-remove")).isDisabled()).isTrue();
            assertThat(hand.textIn("#form")).contains("move them first");
        }
    }

    @Test
    void everyPartOpensAsAFormThatIsAnsweredByKeyboardAndLeftByEscape() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "person-ivo");
            assertThat(hand.find("#field-name").isFocused()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("ada");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).cast().person("ivo").orElseThrow().name()).isEqualTo("ada");
            assertThat(hand.find("#field-name").isFocused()).isTrue();
            assertThat(hand.textIn("#ears")).contains("ada");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.press(KeyCode.BACK_SPACE);
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#form")).contains("It needs a name");
            hand.type("ivo");
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#field-role").isFocused()).isTrue();
            hand.press(KeyCode.UP);
            assertThat(show(hand).cast().person("ivo").orElseThrow().role()).isEqualTo(Role.HOST);
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.find("#row-person-ivo").isFocused()).isTrue();
            assertThat(hand.textIn("#outline")).contains("host, Reading Room");
        }
    }

    @Test
    void aTickASceneAMuteKeyALeadAndALimitAreChangedInTheirForms() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "scene-tales");
            hand.focus("#field-rests-ivo");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).scene("tales").orElseThrow().quiet()).contains("ivo");
            assertThat(hand.find("#field-rests-ivo").isFocused()).isTrue();
            hand.focus("#deed-double");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().scene().get()).isEqualTo("tales-again");
            hand.press(KeyCode.ESCAPE);
            hand.focus("#add-mute");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).mutes()).hasSize(2);
            fold(hand, "leads");
            open(hand, "lead-c02");
            hand.focus("#field-metres");
            hand.type("4");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).rig().cables().get(1).metres()).isEqualTo(4);
            hand.press(KeyCode.ESCAPE);
            fold(hand, "checks");
            open(hand, "checks-show");
            hand.focus("#field-own-voice");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("200");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).checks().limits().get(Limit.OWN_VOICE)).isEqualTo(200);
        }
    }

    @Test
    void whatIsBeingTypedIsNeitherTakenNorLostWhateverElseChanges() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "person-ivo");
            hand.press(KeyCode.END);
            hand.type("nna");
            Show before = show(hand);
            hand.act(() -> hand.session().scene().set("interval"));
            assertThat(show(hand)).isEqualTo(before);
            assertThat(((TextField) hand.find("#field-name")).getText()).isEqualTo("Ivonna");
            // the form itself changes: a place is called otherwise
            Place room = before.place("reading-room").orElseThrow();
            Show renamed =
                    before.withPlaces(
                            before.places().stream()
                                    .map(p -> p == room ? room.named("Hall") : p)
                                    .toList());
            hand.edit("Rename", _ -> renamed);
            assertThat(hand.textIn("#form")).isNotEmpty();
            assertThat(show(hand)).isEqualTo(renamed);
            TextField name = (TextField) hand.find("#field-name");
            assertThat(name.getText()).isEqualTo("Ivonna");
            assertThat(name.isFocused()).isTrue();
            hand.type("h");
            hand.press(KeyCode.ENTER);
            Person ivo = show(hand).cast().person("ivo").orElseThrow();
            assertThat(ivo.name()).isEqualTo("Ivonnah");
            assertThat(show(hand).place("reading-room").orElseThrow().name()).isEqualTo("Hall");
        }
    }

    @Test
    void aPlaceIsTypedOrChosenAndIsOneStepOfUndo() {
        try (Hand hand = Hand.atDemo(folder)) {
            Show before = show(hand);
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "person-ivo");
            hand.focus("#field-place");
            hand.press(KeyCode.CONTROL, KeyCode.A);
            hand.type("attic");
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).place("attic")).isPresent();
            assertThat(show(hand).cast().person("ivo").orElseThrow().place()).isEqualTo("attic");
            hand.act(() -> hand.session().document().undo());
            assertThat(show(hand)).isEqualTo(before);
        }
    }

    private static void open(Hand hand, String row) {
        hand.focus("#row-" + row);
        hand.press(KeyCode.SPACE);
    }

    private static void fold(Hand hand, String section) {
        hand.focus("#section-" + section);
        hand.press(KeyCode.SPACE);
    }

    @Test
    void tabWalksOnFromTheLinesWhetherOrNotSomethingIsTyped() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#say-lines").isFocused()).isFalse();
            hand.press(KeyCode.SHIFT, KeyCode.TAB);
            assertThat(hand.find("#say-lines").isFocused()).isTrue();
            hand.press(KeyCode.SHIFT, KeyCode.TAB);
            assertThat(hand.find("#say-title").isFocused()).isTrue();
            hand.press(KeyCode.TAB);
            hand.type("stream");
            hand.press(KeyCode.TAB);
            assertThat(hand.find("#say-add").isFocused()).isTrue();
        }
    }

    @Test
    void theChosenRowAndColumnStayInSightHoweverManyListenAndPlay() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            StringBuilder many = new StringBuilder("Maren, host\n");
            for (int i = 1; i < 40; i++) many.append("Guest ").append(i).append(", guest\n");
            for (int i = 1; i <= 24; i++) many.append("Clip ").append(i).append(", clip\n");
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(() -> ((TextArea) hand.find("#say-lines")).setText(many.toString()));
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).ears()).hasSize(40);
            hand.press(KeyCode.ESCAPE);
            hand.act(() -> hand.session().ear().set("guest-30"));
            hand.act(() -> hand.session().source().set("clip-20"));
            Bounds port = inWindow(hand.find("#chart").getParent().getParent());
            for (String words : new String[] {"Guest 30", "Clip 20"}) {
                Node head =
                        hand.find("#chart").lookupAll(".stays").stream()
                                .filter(node -> says(node, words))
                                .findFirst()
                                .orElseThrow();
                assertThat(port.contains(inWindow(head).getCenterX(), inWindow(head).getCenterY()))
                        .as(words)
                        .isTrue();
            }
            Node chosen = hand.find(".hearing-cell:chosen");
            assertThat(port.contains(inWindow(chosen).getCenterX(), inWindow(chosen).getCenterY()))
                    .isTrue();
        }
    }

    private static boolean says(Node node, String words) {
        return node instanceof Labeled label && label.getText().equals(words)
                || node instanceof Parent parent
                        && parent.getChildrenUnmodifiable().stream().anyMatch(n -> says(n, words));
    }

    private static Bounds inWindow(Node node) {
        return Hand.onFx(() -> node.localToScene(node.getLayoutBounds()));
    }

    @Test
    void whoNobodyLooksAtIsSaidUnderTheEarsAndLookedAtByOneKey() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.find("#unlooked").isVisible()).isFalse();
            hand.press(KeyCode.CONTROL, KeyCode.L);
            open(hand, "ear-stream");
            hand.focus("#deed-remove");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#unlooked")).contains("Streaming program · stream");
            hand.focus(".unlooked-line");
            hand.press(KeyCode.SPACE);
            assertThat(hand.find("#unlooked").isVisible()).isFalse();
            assertThat(show(hand).ear("stream").orElseThrow().isNowhere()).isFalse();
        }
    }

    @Test
    void fiveStepsSayWhatThereIsAndCanBeLeftAtAnyTime() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            assertThat(hand.textIn("#steps")).contains("1 Who", "0 people", "nobody listens");
            hand.focus("#leave-steps");
            hand.press(KeyCode.SPACE);
            assertThat(hand.find("#steps").isVisible()).isFalse();
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("steps from");
            hand.press(KeyCode.ENTER);
            say(hand, "Maren, host");
            say(hand, "mic for Maren");
            assertThat(hand.textIn("#steps"))
                    .contains("✓ Who", "1 person", "✓ Listens", "not yet Maren's mic");
            hand.focus("#step-join");
            hand.press(KeyCode.SPACE);
            assertThat(((TextArea) hand.find("#say-lines")).getPromptText())
                    .isEqualTo("mics > Show desk");
            hand.focus("#leave-steps");
            hand.press(KeyCode.SPACE);
            assertThat(hand.find("#steps").isVisible()).isFalse();
            hand.press(KeyCode.CONTROL, KeyCode.K);
            hand.type("steps from");
            hand.press(KeyCode.ENTER);
            assertThat(hand.find("#steps").isVisible()).isTrue();
            hand.focus("#step-look");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().stage().get()).isEqualTo(MixesStage.ID);
        }
    }

    @Test
    void whatIsTypedWhileLinesAreReadIsNeitherTakenNorLost() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            hand.act(
                    () -> {
                        TextArea lines = (TextArea) hand.find("#say-lines");
                        lines.setText("Maren, host");
                        lines.fireEvent(enter());
                        lines.appendText("Ivo, guest");
                        lines.fireEvent(enter());
                        lines.appendText("Na");
                    });
            assertThat(show(hand).cast().people())
                    .extracting(Person::name)
                    .startsWith("Maren")
                    .doesNotContain("MarenIvo");
            assertThat(((TextArea) hand.find("#say-lines")).getText()).endsWith("Na");
        }
    }

    private static KeyEvent enter() {
        return new KeyEvent(
                KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false);
    }
}
