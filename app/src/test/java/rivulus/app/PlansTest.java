package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.app.rig.RigStage;
import rivulus.check.Trouble;
import rivulus.disk.Extras;
import rivulus.plan.Planner;
import rivulus.show.Device;
import rivulus.show.Owned;
import rivulus.show.Show;

/// A show said in lines and planned with one key, in the real window.
class PlansTest {
    private static final String BRIEF =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Nadia, caller, call program, she
            Bram, caller, phone, he
            Cue pads, cues
            stream
            a track per voice
            scene Questions, 20 min
            """;

    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    @Test
    void aBriefIsPlannedTakenAndTakenBack() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            TextArea lines = (TextArea) hand.find("#say-lines");
            hand.act(() -> lines.setText(BRIEF.strip()));
            hand.press(KeyCode.ENTER);
            Show brief = show(hand);
            assertThat(brief.cast().people()).hasSize(4);
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans"))
                    .contains("One desk with two USB ports")
                    .contains("Proven: everybody hears what they should.")
                    .contains("To buy")
                    .contains("What it does");
            // the best has the keyboard
            hand.press(KeyCode.SPACE);
            assertThat(hand.sees("#plans")).isFalse();
            assertThat(show(hand).rig().devices()).hasSizeGreaterThan(8);
            assertThat(show(hand).mixes()).isNotEmpty();
            assertThat(Trouble.of(hand.session().proof().get()))
                    .noneMatch(trouble -> trouble.severity().isSerious());
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand)).isEqualTo(brief);
        }
    }

    static final String TALK =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Ada, guest, she
            Nadia, caller, call program, she
            Bram, caller, phone, he
            Music bed, music
            Cue pads, cues
            stream
            on-demand copy
            a track per voice
            scene Doors, 10 min
            scene Tide tables, 40 min
            scene Questions, 20 min
            """;

    /// From an empty window: said, planned, mixed, laid out and proven, with the cupboard and with
    /// nothing owned.
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void theTideTableTalkIsPlannedMixedLaidOutAndClean(boolean owned) {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.L);
            TextArea lines = (TextArea) hand.find("#say-lines");
            hand.act(() -> lines.setText(TALK.strip()));
            hand.press(KeyCode.ENTER);
            if (owned) hand.act(() -> own(hand));
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans")).contains("Proven: everybody hears what they should.");
            hand.press(KeyCode.SPACE);
            List<Device> desks =
                    show(hand).rig().devices().stream()
                            .filter(device -> device.template().equals("show-desk"))
                            .toList();
            assertThat(desks).hasSize(1);
            Device desk = desks.getFirst();
            assertThat(show(hand).mixes()).isNotEmpty();
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set(desk.id()));
            hand.click("#channels-tab");
            hand.click("#desk-deeds #deed-lay-out");
            assertThat(show(hand).rig().device(desk.id()).orElseThrow().layout().isLaidOut())
                    .isTrue();
            assertThat(hand.session().proof().get().findings())
                    .noneMatch(
                            finding ->
                                    finding.severity().isSerious()
                                            || finding.rule().equals("mix")
                                            || finding.rule().equals("desk"));
        }
    }

    private static void own(Hand hand) {
        Show now = show(hand);
        List<Owned> stock = new ArrayList<>();
        for (String what : List.of("show-desk", "laptop", "dynamic-mic", "headphones", "XLR lead"))
            stock.add(new Owned(what, what.endsWith("lead") ? 5 : 0, 4, Extras.NONE));
        hand.session().document().edit("Own", _ -> now.withRig(now.rig().withStock(stock)));
    }

    /// While somebody waits for a plan nothing else is searched; afterwards that goes on.
    @Test
    void givenUpItLetsTheSearchForRemediesGoOn() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.letSearch();
            hand.act(
                    () -> {
                        hand.session().plannings().ask(Planner.Progress.NONE, _ -> {});
                        assertThat(hand.session().doing().get()).isEmpty();
                        hand.session().plannings().stop();
                    });
            hand.awaitFixes();
            assertThat(hand.session().remedies().keySet())
                    .containsAll(
                            Trouble.of(hand.session().proof().get()).stream()
                                    .map(Trouble::id)
                                    .toList());
        }
    }

    /// The plans of this evening are not searched to the end in the usual steps.
    @Test
    @EnabledIfSystemProperty(named = "rivulus.night", matches = "true")
    void whatWasNotSearchedToTheEndIsSearchedOn() {
        try (Hand hand = Hand.atShow(folder, "lute-lesson")) {
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans")).contains("Searched so far");
            assertThat(hand.find("#plans-on").isVisible()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.ENTER);
            assertThat(hand.textIn("#plans")).contains("Taking a plan is one step");
        }
    }

    @Test
    void whereNobodyListensItSaysWhatToDoFirstAndEscapeLeaves() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.P);
            assertThat(hand.textIn("#plans")).contains("Nobody listens yet.");
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.sees("#plans")).isFalse();
        }
    }
}
