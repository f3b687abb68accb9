package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.rig.RigStage;
import rivulus.show.Show;

class BenchTest {
    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    private static void open(Hand hand, String kind) {
        hand.act(() -> hand.window().openBench(Optional.of(kind), Optional.empty()));
    }

    private static void write(Hand hand, String field, String words) {
        hand.act(() -> ((TextField) hand.find("#bench #field-" + field)).setText(words));
        hand.focus("#bench #field-" + field);
        hand.press(KeyCode.ENTER);
    }

    private static void press(Hand hand, String button) {
        hand.focus(button);
        hand.press(KeyCode.SPACE);
    }

    @Test
    void aShippedKindIsDoubledChangedUnderLiveChecksAndTakenUpByADevice() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("small-recorder"));
            hand.click("#gear-tab");
            press(hand, "#change-kind");
            assertThat(hand.textIn("#bench")).contains("ships with the program", "Holds together");
            assertThat(hand.find("#bench-keep").isDisabled()).isTrue();
            press(hand, "#bench-double");
            write(hand, "name", "Recorder with a clip");
            press(hand, "#section-ports");
            write(hand, "takes", "many");
            assertThat(hand.textIn("#bench")).contains("This has to be a number.");
            write(hand, "takes", "99");
            assertThat(hand.textIn("#bench-check")).contains("ports[0]", "64");
            assertThat(hand.find("#bench-keep").isDisabled()).isTrue();
            press(hand, "#section-pickers"); // of nothing there is nothing to double
            for (String button : List.of("#item-double", "#item-out")) press(hand, button);
            press(hand, "#section-knobs");
            press(hand, "#bench-go");
            assertThat(((TextField) hand.find("#bench #field-takes")).getText()).isEqualTo("99");
            press(hand, "#bench-undo");
            assertThat(hand.textIn("#bench-check")).contains("Holds together");
            press(hand, "#bench-keep");
            assertThat(show(hand).rig().device("small-recorder").orElseThrow().template())
                    .isEqualTo("pocket-recorder-own");
            assertThat(show(hand).templates())
                    .singleElement()
                    .matches(own -> own.template().name().equals("Recorder with a clip"));
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).templates()).isEmpty();
        }
    }

    @Test
    void whereFadersSitIsChangedThere() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand, "streaming-mixer");
            press(hand, "#bench-double");
            press(hand, "#section-controls");
            assertThat(hand.textIn("#bench")).contains("fader MIC", "fader COMPUTER");
            write(hand, "prints", "");
            assertThat(hand.textIn("#bench-check"))
                    .contains("nothing is printed here that could mean anything");
            write(hand, "prints", "TALK");
            assertThat(hand.textIn("#bench-check")).contains("Holds together");
        }
    }

    @Test
    void whatWouldBeLostByAChangedKindIsToldFirst() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand, "pocket-recorder");
            press(hand, "#bench-double");
            hand.act(
                    () ->
                            ((TextField) hand.find("#bench #field-template"))
                                    .setText("pocket-recorder"));
            write(hand, "template", "pocket-recorder");
            press(hand, "#section-ports");
            press(hand, "#section-as-text");
            String text = ((TextArea) hand.find("#kind-text")).getText();
            hand.act(
                    () ->
                            ((TextArea) hand.find("#kind-text"))
                                    .setText(
                                            text.replace("\"in\"", "\"jack\"")
                                                    .replace("in.in", "jack.in")));
            hand.focus("#kind-text");
            hand.focus("#bench-filter");
            assertThat(hand.textIn("#bench-check")).contains("Holds together");
            Show before = show(hand);
            press(hand, "#bench-keep");
            assertThat(show(hand)).isEqualTo(before);
            assertThat(hand.textIn("#bench-check")).contains("Would be lost:");
            press(hand, "#bench-keep");
            assertThat(show(hand).rig().cables()).noneMatch(c -> c.touches("small-recorder"));
        }
    }

    @Test
    void aKindIsKeptInTheLibraryForEveryShowAndTakenOutAgain() {
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand, "pocket-recorder");
            press(hand, "#bench-double");
            press(hand, "#bench-library");
            assertThat(hand.session().lastDone().get()).contains("Kept in the library");
            assertThat(folder.resolve("templates/pocket-recorder-own.json")).exists();
        }
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.session().shelf().catalogue().get().find("pocket-recorder-own"))
                    .isPresent();
            hand.act(
                    () ->
                            hand.session()
                                    .edit(
                                            hand.session()
                                                    .rigEdits()
                                                    .add("pocket-recorder-own", "workroom")));
            assertThat(show(hand).templates()).hasSize(1);
            open(hand, "pocket-recorder-own");
            press(hand, "#bench-drop");
            assertThat(folder.resolve("templates/pocket-recorder-own.json")).doesNotExist();
            assertThat(hand.session().shelf().library().get().kinds()).isEmpty();
        }
    }

    private static String name(Hand hand) {
        return ((TextField) hand.find("#bench #field-name")).getText();
    }

    /// What is made on the bench and kept nowhere yet is work like any other.
    @Test
    void aKindThatIsChangedAndNotKeptStaysUntilItIsThrownAway() throws IOException {
        Path file = folder.resolve("show.rivulus");
        try (Hand hand = Hand.atDemo(folder)) {
            open(hand, "pocket-recorder");
            press(hand, "#bench-double");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.session().document().dirty().get()).isFalse();
            open(hand, "pocket-recorder");
            press(hand, "#bench-double");
            write(hand, "name", "Half made");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.session().document().dirty().get()).isTrue();
            open(hand, "streaming-mixer");
            press(hand, "#bench-double");
            press(hand, "#section-as-text");
            hand.focus("#kind-text");
            hand.act(() -> ((TextArea) hand.find("#kind-text")).setText("{\"template\": "));
            press(hand, "#section-ports");
            press(hand, "#section-as-text");
            assertThat(((TextArea) hand.find("#kind-text")).getText()).isEqualTo("{\"template\": ");
            hand.press(KeyCode.ESCAPE);
            hand.willAnswer(file);
            hand.press(KeyCode.CONTROL, KeyCode.S);
            assertThat(hand.session().document().dirty().get()).isFalse();
        }
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            open(hand, "pocket-recorder-own");
            assertThat(name(hand)).isEqualTo("Half made");
            assertThat(hand.textIn("#bench")).contains("changed, not kept yet");
            press(hand, "#bench-keep");
            assertThat(hand.session().document().typed().held("kind:"))
                    .containsOnlyKeys("streaming-mixer-own");
            open(hand, "streaming-mixer-own");
            assertThat(((TextArea) hand.find("#kind-text")).getText()).isEqualTo("{\"template\": ");
            press(hand, "#bench-away");
            assertThat(hand.session().document().typed().isEmpty()).isTrue();
        }
    }

    @Test
    void aKindTravelsAsAFileAndABrokenOneIsSaidWhereAndWhy() throws IOException {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            Path file = folder.resolve("desk.json");
            open(hand, "show-desk");
            hand.willAnswer(file);
            press(hand, "#bench-export");
            assertThat(file).content().contains("\"template\": \"show-desk\"");
            Files.writeString(
                    file, Files.readString(file).replace("\"show-desk\"", "\"our-desk\""));
            press(hand, "#bench-import");
            assertThat(hand.textIn("#bench")).contains("read from desk.json", "Holds together");
            Files.writeString(file, "{\"template\": 3");
            press(hand, "#bench-import");
            assertThat(hand.textIn("#bench-check")).contains("desk.json");
            press(hand, "#bench-keep");
            assertThat(show(hand).templates())
                    .singleElement()
                    .matches(own -> own.template().id().equals("our-desk"));
        }
    }

    @Test
    void aNewKindGrowsItemByItemAndTextThatIsNoneIsSaidSo() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.B);
            press(hand, "#bench-new");
            press(hand, "#section-ports");
            press(hand, "#item-add");
            assertThat(hand.textIn("#bench-check")).contains("ports[0]", "connector");
            press(hand, "#item-double");
            assertThat(items(hand).getItems()).containsExactly("new-1", "new-1-2");
            press(hand, "#item-out");
            press(hand, "#item-out");
            assertThat(items(hand).getItems()).isEmpty();
            press(hand, "#section-as-text");
            hand.act(() -> ((TextArea) hand.find("#kind-text")).setText("{ no"));
            hand.focus("#kind-text");
            hand.focus("#bench-filter");
            assertThat(hand.textIn("#bench-check")).contains("the text");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#bench")).isFalse();
        }
    }

    @SuppressWarnings("unchecked")
    private static ListView<String> items(Hand hand) {
        return (ListView<String>) hand.find("#kind-items");
    }
}
