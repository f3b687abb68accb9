package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.RigStage;
import rivulus.form.Option;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Show;
import rivulus.show.Tape;

/// The stage *Rig* by mouse and keyboard. Long, since every test walks through one window.
class RigStageTest {
    private static final String NAME = "#device-form #field-name";
    private static final String METRES = "#lead-form #field-metres";
    private static final String REMOVE = "#device-form #deed-remove";

    @TempDir Path folder;

    private static Show show(Hand hand) {
        return hand.session().show().get();
    }

    @Test
    void theRigSaysWhatIsWrongWithItAndTakesATriedFix() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            assertThat(hand.textIn("#gear-pane")).contains("closes a ring of grounds");
            int leads = show(hand).rig().cables().size();
            hand.awaitFixes();
            hand.focus(".rig-fix");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().cables()).hasSize(leads + 1);
            assertThat(hand.textIn("#gear-pane")).doesNotContain("ring of grounds");
            assertThat(hand.session().document().undoName().orElseThrow()).contains("isolator");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).rig().cables()).hasSize(leads);
        }
    }

    @Test
    void gearIsFoundByWhatIsNeededAddedJoinedRenamedAndTakenOutAgain() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            Show before = show(hand);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.G);
            hand.act(() -> ((TextField) hand.find("#gear-search")).setText("two xlr in, battery"));
            assertThat(hand.textIn("#gear-pane")).contains("Portable recorder");
            hand.act(() -> ((TextField) hand.find("#gear-search")).clear());
            hand.focus("#gear-search");
            hand.type("small rec");
            hand.press(KeyCode.ENTER);
            Device added = show(hand).rig().devices().getLast();
            assertThat(added.template()).isEqualTo("pocket-recorder");
            assertThat(hand.session().device().get()).isEqualTo(added.id());

            hand.click("#gear-tab");
            hand.act(() -> hand.session().device().set("cue-laptop"));
            hand.act(() -> joinTo(hand, added.id()));
            assertThat(hand.session().joinings().ways()).isNotEmpty();
            hand.focus(".join-way");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().cables())
                    .anyMatch(cable -> cable.touches(added.id()) && cable.toBuy());

            hand.act(() -> hand.session().device().set(added.id()));
            assertThat(hand.textIn("#leads")).contains("Cue laptop");
            hand.act(() -> ((TextField) hand.find(NAME)).setText("Spare recorder"));
            hand.focus(NAME);
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).rig().device(added.id()).orElseThrow().name())
                    .isEqualTo("Spare recorder");

            hand.focus(REMOVE);
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().devices()).hasSameSizeAs(before.rig().devices());
            assertThat(show(hand).rig().cables()).noneMatch(c -> c.touches(added.id()));
            while (hand.session().document().undoName().isPresent())
                hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand)).isEqualTo(before);
        }
    }

    @SuppressWarnings("unchecked")
    private static void joinTo(Hand hand, String device) {
        var box = (ComboBox<Device>) hand.find("#join-to");
        box.setValue(show(hand).rig().device(device).orElseThrow());
    }

    /// Opens the first lead of the chosen device.
    private static void openLead(Hand hand) {
        hand.focus("#leads .lead-row .take-out");
        hand.press(KeyCode.SPACE);
    }

    @SuppressWarnings("unchecked")
    private static void choose(Hand hand, String field, String option) {
        var box = (ComboBox<Option>) hand.find(field);
        box.setValue(
                box.getItems().stream()
                        .filter(one -> one.id().equals(option))
                        .findFirst()
                        .orElseThrow());
    }

    @Test
    void aLeadIsChosenInTheDrawingByMouseAndByKey() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.focus("#box-desk");
            hand.press(KeyCode.N);
            String first = hand.session().joinings().lead().get();
            assertThat(show(hand).rig().cables())
                    .filteredOn(cable -> cable.id().equals(first))
                    .allMatch(cable -> cable.touches("desk"));
            assertThat(hand.session().device().get()).isEqualTo("desk");
            assertThat(hand.find("#lead-form #field-metres").isVisible()).isTrue();
            assertThat(hand.all("#rig .rig-lead.chosen")).hasSize(1);
            hand.focus("#box-desk");
            hand.press(KeyCode.N);
            assertThat(hand.session().joinings().lead().get()).isNotEqualTo(first);
            hand.act(() -> choose(hand, "#lead-form #field-tape", "yellow"));
            String lead = hand.session().joinings().lead().get();
            assertThat(show(hand).rig().cables())
                    .filteredOn(cable -> cable.id().equals(lead))
                    .allMatch(cable -> cable.tape().equals(Optional.of(Tape.YELLOW)));
            hand.act(() -> hand.session().device().set("nadia-headset"));
            assertThat(hand.session().joinings().lead().get()).isEmpty();
            Node line = hand.all("#rig .lead-target").getFirst();
            hand.act(
                    () ->
                            line.getOnMouseClicked()
                                    .handle(
                                            new MouseEvent(
                                                    MouseEvent.MOUSE_CLICKED,
                                                    0,
                                                    0,
                                                    0,
                                                    0,
                                                    MouseButton.PRIMARY,
                                                    1,
                                                    false,
                                                    false,
                                                    false,
                                                    false,
                                                    true,
                                                    false,
                                                    false,
                                                    true,
                                                    false,
                                                    true,
                                                    null)));
            assertThat(hand.session().joinings().lead().get()).isNotEmpty();
        }
    }

    @Test
    void theDrawingIsMadeSmallerAndLargerAndThenHasMoreOrFewerColumns() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            double before = hand.find("#box-desk").getBoundsInParent().getWidth();
            for (int i = 0; i < 4; i++) {
                hand.focus("#rig-smaller");
                hand.press(KeyCode.SPACE);
            }
            assertThat(((Labeled) hand.find("#rig-same")).getText()).isEqualTo("60\u202F%");
            hand.focus("#box-desk");
            hand.type("0");
            assertThat(((Labeled) hand.find("#rig-same")).getText()).isEqualTo("100\u202F%");
            assertThat(hand.find("#box-desk").getBoundsInParent().getWidth()).isEqualTo(before);
            hand.focus("#box-desk");
            hand.focus("#rig-larger");
            hand.press(KeyCode.SPACE);
            assertThat(((Labeled) hand.find("#rig-same")).getText()).isEqualTo("110\u202F%");
        }
    }

    @Test
    void channelsAreWrittenOnAndTheirKnobsBearIt() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("desk"));
            assertThat(hand.textIn("#knobs")).contains("Maren", "Cue pads");
            hand.click("#channels-tab");
            TextField name = (TextField) hand.find("#channels #field-mic2-fader-name");
            hand.act(() -> name.setText("Guest"));
            hand.act(() -> name.fireEvent(new ActionEvent()));
            assertThat(show(hand).rig().device("desk").orElseThrow().strip("mic2.fader").name())
                    .isEqualTo("Guest");
            hand.click("#knobs-tab");
            assertThat(hand.textIn("#knobs")).contains("Guest");
            hand.act(() -> hand.session().device().set("ivo-mic"));
            assertThat(hand.find("#channels-tab").isVisible()).isFalse();
        }
    }

    @Test
    void gearIsSearchedFromAnyStageWithTheKeyboardInTheSearch() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.G);
            hand.type("runs from a phone");
            assertThat(hand.textIn("#gear-pane"))
                    .contains("Two-input interface that draws little", "USB microphone")
                    .doesNotContain("Four-input interface");
        }
    }

    @Test
    void whatGoesWithADeviceIsToldBeforeItGoes() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("stream-tower"));
            hand.click("#gear-tab");
            hand.focus(REMOVE);
            assertThat(hand.textIn("#leads")).contains("What goes along:", "Stream");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).ear("stream").orElseThrow().isNowhere()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).ear("stream").orElseThrow().isNowhere()).isFalse();
        }
    }

    @Test
    void aLeadIsMadeLongAndTakenOut() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("small-recorder"));
            hand.click("#gear-tab");
            openLead(hand);
            hand.act(() -> ((TextField) hand.find(METRES)).setText("40"));
            hand.focus(METRES);
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#leads")).contains("40 m is long");
            hand.focus("#lead-form #deed-remove");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().cables()).noneMatch(c -> c.touches("small-recorder"));
            assertThat(hand.textIn("#leads")).contains("No lead is in it yet.");
        }
    }

    @Test
    void aSheetIsSavedFromThePaletteAndATargetThatCannotBeWrittenIsSaidCalmly() throws Exception {
        try (Hand hand = Hand.atDemo(folder.resolve("state"))) {
            Path sheet = folder.resolve("leads.csv");
            hand.willAnswer(sheet);
            palette(hand, "sheet lead");
            assertThat(sheet).content().startsWith("no,lead,metres");
            assertThat(hand.session().lastDone().get()).isEqualTo("Wrote leads.csv");
            Path drawing = folder.resolve("rig.svg");
            hand.willAnswer(drawing);
            palette(hand, "sheet drawing");
            assertThat(drawing).content().contains("Show desk");
            hand.willAnswer(folder.resolve("leads.svg"));
            palette(hand, "sheet lead");
            assertThat(hand.textIn(".panel")).contains("there is no drawing on this sheet");
            hand.press(KeyCode.ESCAPE);
            hand.willAnswer(folder.resolve("nowhere/leads.md"));
            palette(hand, "sheet lead");
            assertThat(hand.textIn(".panel")).contains("The sheet is not written");
        }
    }

    private static void palette(Hand hand, String words) {
        hand.press(KeyCode.CONTROL, KeyCode.K);
        hand.type(words);
        hand.press(KeyCode.ENTER);
    }

    @Test
    void aMachineRunsFromItsBatteryAndTheRingOfGroundsIsGone() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("cue-laptop"));
            hand.click("#gear-tab");
            hand.act(() -> power(hand, Power.Source.BATTERY));
            assertThat(show(hand).rig().device("cue-laptop").orElseThrow().power())
                    .contains(Power.Source.BATTERY);
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Run Cue laptop from its battery");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).rig().device("cue-laptop").orElseThrow().power()).isEmpty();
        }
    }

    @SuppressWarnings("unchecked")
    private static void power(Hand hand, Power.Source source) {
        choose(hand, "#device-form #field-power", source.word());
    }

    @Test
    void aSourceIsFollowedToEveryEarAndAnEarsNameTurnsBackToIt() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().source().set("nadia"));
            assertThat(hand.textIn("#stages")).isNotEmpty();
            assertThat(hand.find("#watercourse").lookupAll(".ribbon")).hasSizeGreaterThan(8);
            assertThat(hand.textIn("#watercourse")).contains("Bram", "Assistive feed", "Stream");
            hand.press(KeyCode.ESCAPE);
        }
    }

    @Test
    void findingsOfTheRigAreToldBesideThoseOfEarsAndEndedThere() {
        try (Hand hand = Hand.atDemo(folder)) {
            assertThat(hand.textIn("#side")).contains("The rig", "closes a ring of grounds");
            hand.act(() -> hand.session().stage().set(MixesStage.ID));
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.F);
            for (int i = 0; i < 16 && !focusedOn(hand).contains("isolator"); i++)
                hand.press(KeyCode.TAB);
            assertThat(focusedOn(hand)).contains("Line isolator", "Takes out the lead");
            int rings = rings(hand);
            hand.press(KeyCode.SPACE);
            assertThat(rings(hand)).isLessThan(rings);
            assertThat(hand.session().stage().get()).isEqualTo(MixesStage.ID);
        }
    }

    private static int rings(Hand hand) {
        return (int)
                hand.session().proof().get().ofTheRig().stream()
                        .filter(finding -> finding.rule().equals("ground-loop"))
                        .count();
    }

    private static String focusedOn(Hand hand) {
        return Hand.onFx(
                () -> {
                    var owner = hand.window().scene().getFocusOwner();
                    String words = owner == null ? null : owner.getAccessibleText();
                    return words == null ? "" : words;
                });
    }

    @Test
    void gearThatNobodyMakesIsSaidSoAndMoreIsAskedOfVagueWords() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.click("#add-tab");
            assertThat(hand.textIn("#gear-pane")).contains("say more of what you need");
            hand.focus("#gear-search");
            hand.type("theremin");
            assertThat(hand.textIn("#gear-pane")).contains("No gear fits all of that.");
            int devices = show(hand).rig().devices().size();
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).rig().devices()).hasSize(devices);
        }
    }

    @Test
    void aLengthThatIsNoneIsTakenBackAndNothingChanges() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("small-recorder"));
            hand.click("#gear-tab");
            Show before = show(hand);
            openLead(hand);
            for (String nonsense : new String[] {"far", "-3", "100000"}) {
                hand.act(() -> ((TextField) hand.find(METRES)).setText(nonsense));
                hand.focus(METRES);
                hand.press(KeyCode.ENTER);
                assertThat(show(hand)).isEqualTo(before);
            }
            hand.click("#knobs-tab");
            assertThat(hand.textIn("#knobs")).contains("recording level");
        }
    }

    @Test
    void anEmptyShowGrowsFromTheCatalogueAlone() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            for (String gear : new String[] {"show desk with four", "tower", "small recorder"}) {
                hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.G);
                hand.type(gear);
                hand.press(KeyCode.ENTER);
            }
            assertThat(show(hand).rig().devices()).hasSize(3);
            hand.act(() -> hand.session().device().set(show(hand).rig().devices().get(0).id()));
            hand.click("#gear-tab");
            hand.act(() -> joinTo(hand, show(hand).rig().devices().get(1).id()));
            assertThat(hand.session().joinings().ways()).isNotEmpty();
            hand.focus(".join-way");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().cables()).hasSize(1);
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void aDeviceIsMovedReplacedAndWhatWouldBeLostIsToldBefore() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("small-recorder"));
            hand.click("#gear-tab");
            hand.act(() -> choose(hand, "#device-form #field-place", "reading-room"));
            assertThat(show(hand).rig().device("small-recorder").orElseThrow().place())
                    .isEqualTo("reading-room");
            assertThat(hand.session().lastDone().get())
                    .isEqualTo("Move Small recorder to Reading Room");

            hand.act(() -> hand.session().device().set("desk"));
            hand.act(
                    () -> {
                        var box = (ComboBox<Template>) hand.find("#replace-by");
                        box.setValue(
                                box.getItems().stream()
                                        .filter(t -> t.id().equals("two-mic-desk"))
                                        .findFirst()
                                        .orElseThrow());
                    });
            assertThat(hand.textIn("#leads"))
                    .contains(
                            "Would be lost:",
                            "· the lead Talkback mic – Show desk, MIC 3",
                            "· the setting of USB 1 call feed");
            hand.focus("#replace-device");
            hand.press(KeyCode.SPACE);
            assertThat(show(hand).rig().device("desk").orElseThrow().template())
                    .isEqualTo("two-mic-desk");
            hand.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(show(hand).rig().device("desk").orElseThrow().template())
                    .isEqualTo("show-desk");
        }
    }

    @Test
    void theCupboardIsFilledAndWhatThePlanTakesBeyondItIsFound() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.click("#cupboard-tab");
            assertThat(hand.textIn("#cupboard")).contains("The cupboard is empty.");
            hand.focus("#own-metres");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#cupboard")).contains("Say first which kind");
            hand.act(() -> chooseOwned(hand, "XLR lead"));
            hand.focus("#own-metres");
            hand.type("3");
            hand.press(KeyCode.ENTER);
            hand.press(KeyCode.ENTER);
            assertThat(show(hand).rig().stock())
                    .singleElement()
                    .matches(owned -> owned.pieces() == 2 && owned.metres() == 3);
            hand.click("#findings-tab");
            assertThat(hand.textIn("#gear-pane")).contains("XLR lead");
            hand.click("#cupboard-tab");
            hand.focus("#own-plan");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#cupboard"))
                    .contains("Line isolator", "6.3 mm stereo")
                    .doesNotContain("network lead");
            hand.act(() -> ((TextField) hand.find("#own-metres")).setText("long"));
            hand.focus("#own-metres");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#cupboard")).contains("A length is a number of metres");
        }
    }

    @SuppressWarnings("unchecked")
    private static void chooseOwned(Hand hand, String what) {
        ((ComboBox<String>) hand.find("#own-what")).setValue(what);
    }

    @Test
    void layersOverTheDrawingSayWhatTheyComeToAndTheBestFixIsOneKeyAway() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            assertThat(hand.textIn("#rig-page")).contains("XLR lead", "dBu");
            hand.click("#layer-earths");
            assertThat(hand.textIn("#rig-page")).contains("safety earth", "ring");
            hand.click("#layer-power");
            assertThat(hand.textIn("#rig-page")).contains("Cue laptop");
            hand.click("#layer-time");
            assertThat(hand.textIn("#rig-page")).contains("ms");
            hand.act(() -> ((TextField) hand.find("#wanted-ms")).setText("soon"));
            hand.focus("#wanted-ms");
            hand.press(KeyCode.ENTER);
            assertThat(((TextField) hand.find("#wanted-ms")).getText()).isEqualTo("10");
            hand.click("#layer-computers");
            assertThat(hand.textIn("#rig-page")).contains("Stream tower");
            hand.awaitFixes();
            hand.press(KeyCode.CONTROL, KeyCode.ENTER);
            assertThat(hand.session().lastDone().get()).contains("isolator");
            assertThat(hand.textIn("#gear-pane")).doesNotContain("ring of grounds");
        }
    }

    @Test
    void aBufferIsAdvisedForTheRoundTripThatIsWanted() {
        try (Hand hand = Hand.atShow(folder, "lute-evening")) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.click("#layer-time");
            String ten = hand.textIn("#rig-page");
            hand.act(() -> ((TextField) hand.find("#wanted-ms")).setText("25"));
            hand.focus("#wanted-ms");
            hand.press(KeyCode.ENTER);
            assertThat(hand.textIn("#rig-page"))
                    .isNotEqualTo(ten)
                    .contains("under the 25\u202Fms that are wanted");
        }
    }

    @Test
    void whatIsWrongWithTheChosenDeviceIsToldWithIt() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("house-speakers"));
            hand.click("#gear-tab");
            assertThat(hand.textIn("#leads")).contains("closes a ring of grounds");
        }
    }

    @Test
    void aMachineIsPluggedIntoAStripAndMarkedAsToBeBought() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(
                    () ->
                            hand.session()
                                    .edit(
                                            hand.session()
                                                    .rigEdits()
                                                    .add("outlet-strip", "workroom")));
            Device strip = show(hand).rig().devices().getLast();
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("desk"));
            hand.click("#gear-tab");
            hand.act(() -> outlet(hand, strip));
            assertThat(show(hand).rig().device("desk").orElseThrow().outlet())
                    .isEqualTo(strip.id());
            hand.act(() -> choose(hand, "#device-form #field-toBuy", "buy"));
            assertThat(show(hand).rig().device("desk").orElseThrow().toBuy()).isTrue();
        }
    }

    @SuppressWarnings("unchecked")
    private static void outlet(Hand hand, Device strip) {
        choose(hand, "#device-form #field-outlet", strip.id());
    }

    @Test
    void aLeadIsPutOnTheShoppingList() {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.act(() -> hand.session().stage().set(RigStage.ID));
            hand.act(() -> hand.session().device().set("small-recorder"));
            hand.click("#gear-tab");
            openLead(hand);
            hand.act(() -> choose(hand, "#lead-form #field-toBuy", "buy"));
            assertThat(show(hand).rig().cables())
                    .filteredOn(cable -> cable.touches("small-recorder"))
                    .allMatch(cable -> cable.toBuy());
            assertThat(hand.textIn("#rig-page")).contains("to buy");
        }
    }
}
