package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.air.Stopwatch;
import rivulus.gear.Setting;
import rivulus.recording.Recipe;
import rivulus.show.Answer;
import rivulus.show.Day;
import rivulus.show.Logged;
import rivulus.show.Now;
import rivulus.show.Occasion;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Symptom;
import rivulus.show.Tick;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Reply;
import rivulus.trouble.Simulated;

/// The Lantern Hour from the empty room to the end of the evening, by keyboard, with a clock that
/// goes when the test says so.
class ShowDayTest {
    private static final LocalDateTime AIR = LocalDateTime.of(2026, 12, 1, 20, 0);
    private static final KeyCode[] NUMBERS = {
        KeyCode.DIGIT1,
        KeyCode.DIGIT2,
        KeyCode.DIGIT3,
        KeyCode.DIGIT4,
        KeyCode.DIGIT5,
        KeyCode.DIGIT6,
        KeyCode.DIGIT7,
        KeyCode.DIGIT8,
        KeyCode.DIGIT9
    };

    @TempDir Path folder;

    private final AtomicReference<LocalDateTime> now = new AtomicReference<>(AIR.minusMinutes(90));

    private Hand atTheLanternHour() {
        Hand hand = Hand.atDemo(folder);
        hand.act(() -> hand.session().days().goBy(Stopwatch.by(now::get)));
        hand.act(() -> hand.session().document().take(mended(hand.session().show().get()), null));
        return hand;
    }

    /// The show as its cures leave it.
    private static Show mended(Show show) {
        return show.withKnob(Ref.of("desk/usb1chat.feed"), new Setting.Choice("mix-minus"))
                .withKnob(Ref.of("desk/usb2.tap"), new Setting.Choice("post"))
                .withKnob(Ref.of("stream-program/desktop.of"), new Setting.Choice("none"))
                .withKnob(Ref.of("desk/phones4.feed"), new Setting.Choice("custom"))
                .withKnob(Ref.of("desk/phones4.pick.mic3"), Setting.Level.OFF)
                .withKnob(Ref.of("desk/phones3.pick.phone"), new Setting.Level(0))
                .on(new Occasion("1 December", "20:00", ""));
    }

    private static Day day(Hand hand) {
        return hand.session().show().get().day();
    }

    private void later(int minutes) {
        now.updateAndGet(at -> at.plusMinutes(minutes));
    }

    /// Answers as somebody would in whose rig something is broken, by the number keys.
    private static void answer(Hand hand, String fault) {
        for (int asked = 0; asked < 15; asked++) {
            Diagnosis.Next next = hand.session().days().next().get();
            if (next == null) return;
            Diagnosis search = hand.session().days().search().get().orElseThrow();
            Reply says = Simulated.of(search, fault, 0, 1).answer(next.question());
            List<Reply> offered = next.question().replies();
            int at = offered.indexOf(says);
            assertThat(at).as("%s: %s", next.question().words(), says).isNotNegative();
            if (at < NUMBERS.length) hand.press(NUMBERS[at]);
            else {
                hand.focus("#trouble-reply-" + (at + 1));
                hand.press(KeyCode.SPACE);
            }
        }
    }

    @Test
    void theLanternHourIsTakenFromAnEmptyRoomToTheNextEvening() throws Exception {
        try (Hand hand = atTheLanternHour()) {
            setUp(hand);
            soundcheck(hand);
            onAir(hand);
            afterwards(hand);
        }
    }

    private void setUp(Hand hand) {
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
        assertThat(hand.textIn("#setup-clock")).startsWith("90\u202Fmin to air, about ");
        assertThat(hand.textIn("#setup-now"))
                .isEqualTo("House loudspeakers: leave it off until the end.");
        for (int step = 0; step < 40 && !hand.textIn("#setup-now").startsWith("Lead 03"); step++)
            hand.press(KeyCode.ENTER);
        hand.press(KeyCode.F);
        assertThat(day(hand).tick("lead/c03").orElseThrow().how()).isEqualTo(Tick.How.FAILED);
        assertThat(hand.textIn("#trouble-suspects")).contains("Lead 03");
        answer(hand, "lead/c03");
        assertThat(hand.textIn("#trouble-head")).contains("as good as sure: lead 03");
        hand.press(KeyCode.ENTER);
        assertThat(day(hand).log())
                .extracting(Logged::kind)
                .contains(Logged.Kind.FAULT, Logged.Kind.CURE);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
        hand.focus("#step-lead-c03");
        hand.press(KeyCode.SPACE);
        hand.press(KeyCode.O);
        hand.focus("#setup-done");
        hand.press(KeyCode.S);
        hand.type("comes tomorrow");
        hand.press(KeyCode.ENTER);
        assertThat(day(hand).tick("lead/c03").orElseThrow().why()).isEqualTo("comes tomorrow");
        for (int step = 0; step < 120 && !hand.textIn("#setup-now").equals("All is done."); step++)
            hand.press(KeyCode.ENTER);
        assertThat(hand.textIn("#setup-clock")).endsWith("all is done");
        hand.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(hand.textIn("#setup-clock")).doesNotContain("all is done");
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    }

    private void soundcheck(Hand hand) {
        later(40);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
        assertThat(hand.textIn("#check-question"))
                .isEqualTo("With Maren talking: what does the meter of the stream show?");
        hand.press(KeyCode.DIGIT1);
        assertThat(day(hand).answers()).hasSize(1);
        hand.press(KeyCode.A);
        assertThat(hand.textIn("#check-stream")).contains("all 7 well");
        hand.focus("#check-nadia");
        hand.press(KeyCode.SPACE);
        hand.focus("#check-nadia-nadia");
        hand.press(KeyCode.SPACE);
        assertThat(hand.textIn("#check-question")).isEqualTo("Nadia, how do you hear yourself?");
        hand.press(KeyCode.DIGIT3);
        assertThat(hand.textIn("#check-nadia")).contains("Nadia twice");
        hand.press(KeyCode.F);
        answer(hand, "set/desk/usb1chat.feed/everything");
        assertThat(hand.textIn("#trouble-head"))
                .contains("Show desk · USB 1 call feed is on everything");
        assertThat(hand.textIn("#trouble-why")).contains("USB 1 call feed to mix-minus");
        hand.press(KeyCode.ENTER);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
        hand.focus("#check-nadia-nadia");
        hand.press(KeyCode.SPACE);
        hand.press(KeyCode.DIGIT1);
        assertThat(hand.textIn("#check-nadia")).doesNotContain("twice");
    }

    private void onAir(Hand hand) throws Exception {
        now.set(AIR);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
        assertThat(hand.textIn("#air-scene")).isEqualTo("Before air");
        for (String scene : List.of("Doors", "Tales", "Call-in", "Interval", "Close")) {
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#air-scene")).isEqualTo(scene);
            if (scene.equals("Doors")) {
                assertThat(hand.textIn("#air-presses"))
                        .contains("Show desk · MIC 1 mute to off", "Lets Maren in for");
                hand.press(KeyCode.DIGIT1);
                assertThat(hand.textIn("#air-presses")).startsWith("\u2713");
            }
            later(10);
        }
        hand.press(KeyCode.N);
        hand.type("Ivo's stool creaks");
        hand.press(KeyCode.ENTER);
        hand.press(KeyCode.W);
        hand.press(KeyCode.M);
        hand.press(KeyCode.B);
        assertThat(day(hand).log())
                .extracting(Logged::text)
                .contains("Ivo's stool creaks", "That went wrong")
                .anyMatch(text -> text.endsWith(": swapped"));

        try (var files = Files.list(folder.resolve("journals"))) {
            Path journal = files.filter(f -> f.toString().endsWith(".journal")).findFirst().get();
            assertThat(Files.readString(journal)).contains("Ivo's stool creaks", ": swapped");
        }

        // nothing of the plan changes by accident, and what happened can be undone
        Show before = hand.session().show().get();
        hand.edit(
                "Turn it down",
                show -> show.withKnob(Ref.of("desk/mic1.fader"), new Setting.Level(-20)));
        assertThat(hand.session().show().get()).isEqualTo(before);
        assertThat(hand.textIn(".panel")).contains("you are on air", "Ctrl Shift U");
        hand.press(KeyCode.ESCAPE);
        hand.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(day(hand).log()).hasSize(before.day().log().size() - 1);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
        hand.press(KeyCode.E);
        assertThat(hand.session().document().locked().get()).isFalse();
        hand.press(KeyCode.CONTROL, KeyCode.Z); // by accident: the plan is locked again
        assertThat(hand.session().document().locked().get()).isTrue();
        hand.press(KeyCode.CONTROL, KeyCode.Y);
        assertThat(hand.textIn("#air-scene")).isEqualTo("The evening is over");
        assertThat(hand.session().document().locked().get()).isFalse();
    }

    private void afterwards(Hand hand) throws Exception {
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT5);
        hand.type("stool");
        assertThat(hand.textIn("#log-lines"))
                .contains("Ivo's stool creaks")
                .doesNotContain("Doors");
        Path chapters = folder.resolve("chapters.vtt");
        hand.willAnswer(chapters);
        hand.focus("#log-chapters");
        hand.press(KeyCode.SPACE);
        assertThat(Files.readString(chapters)).contains("00:10:00.000 --> 00:20:00", "Tales");
        for (String ending : List.of("md", "csv")) {
            Path log = folder.resolve("log." + ending);
            hand.willAnswer(log);
            hand.focus("#log-save");
            hand.press(KeyCode.SPACE);
            assertThat(Files.readString(log)).contains("Ivo's stool creaks", "USB 1 call feed");
        }
        hand.focus("#lesson");
        hand.type("Another stool for Ivo");
        hand.press(KeyCode.ENTER);
        Path file = folder.resolve("lantern.rivulus");
        hand.willAnswer(file);
        hand.press(KeyCode.CONTROL, KeyCode.S);
        hand.focus("#log-next");
        hand.press(KeyCode.SPACE);
        assertThat(day(hand).log()).isEmpty();
        assertThat(day(hand).ticks()).isEmpty();
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
        assertThat(hand.textIn("#setup-rows"))
                .startsWith(
                        "Learned before | \u25cb | Another stool for Ivo | The Lantern Hour, 1 December");
        hand.focus("#setup-lesson-1");
        hand.press(KeyCode.SPACE);
        assertThat(hand.textIn("#setup-rows")).doesNotContain("Another stool");
    }

    @Test
    void aFindingOfThePlanLeadsToTheFaultAndTheListIsPrintedWithBoxes() throws Exception {
        try (Hand hand = Hand.atDemo(folder)) {
            hand.click(hand.withText("Find the fault …"));
            assertThat(hand.session().stage().get()).isEqualTo("day");
            hand.focus("#trouble-how-1");
            hand.press(KeyCode.SPACE);
            assertThat(hand.textIn("#trouble-answers"))
                    .startsWith("Nadia, how do you hear yourself?");
            Path list = folder.resolve("setup.md");
            hand.willAnswer(list);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
            hand.click("#setup-print");
            assertThat(Files.readString(list)).contains("Levels down, loudspeakers off", "\\[ \\]");
        }
    }

    @Test
    void theListBeginsFromHowTheGearWasLeft() {
        try (Hand hand = atTheLanternHour()) {
            hand.edit(
                    "Keep",
                    show ->
                            show.withRundown(
                                    show.rundown()
                                            .withProfiles(
                                                    List.of(
                                                            Profile.of(
                                                                    "stands",
                                                                    "As it stands",
                                                                    show)))));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
            assertThat(hand.textIn("#setup-left")).startsWith("From how it comes");
            assertThat(hand.textIn("#setup-rows")).contains("headphones 3 feed to picked by hand");
            hand.press(KeyCode.L);
            assertThat(hand.textIn("#setup-left")).startsWith("From “As it stands”");
            assertThat(hand.textIn("#setup-rows"))
                    .doesNotContain("headphones 3 feed to picked by hand")
                    .contains("MIC 1 mute to on");
            hand.press(KeyCode.L);
            assertThat(hand.textIn("#setup-left")).startsWith("From how it comes");
        }
    }

    /// The made recording of the talk has one voice that is too soft, and one that clips.
    @Test
    void aTestRecordingAnswersTheSoundcheckAndIsLogged() {
        try (Hand hand = Hand.atShow(folder, Recipe.TIDE_TABLE_TALK)) {
            hand.act(() -> hand.session().scene().set("tide-tables"));
            hand.act(
                    () -> hand.session().recordings().make(Recipe.shipped(Recipe.TIDE_TABLE_TALK)));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
            hand.press(KeyCode.R);
            assertThat(day(hand).answers())
                    .extracting(Answer::heard)
                    .contains(Symptom.AS_WISHED, Symptom.SOFT);
            assertThat(day(hand).log())
                    .filteredOn(line -> line.kind() == Logged.Kind.MEASURED)
                    .extracting(Logged::text)
                    .singleElement()
                    .asString()
                    .startsWith("Test recording: ")
                    .contains("LUFS, peaks");
        }
    }

    /// Nothing ticks for nobody: the clock goes while the list or the board is looked at.
    @Test
    void theClockGoesOnlyWhereItIsSeen() {
        try (Hand hand = atTheLanternHour()) {
            long others = secondHands();
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
            assertThat(secondHands()).isEqualTo(others + 1);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT5);
            Hand.await(() -> secondHands() == others);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT1);
            assertThat(secondHands()).isEqualTo(others + 1);
            hand.press(KeyCode.CONTROL, KeyCode.DIGIT3);
            Hand.await(() -> secondHands() == others);
        }
    }

    private static long secondHands() {
        return Thread.getAllStackTraces().keySet().stream()
                .filter(thread -> thread.getName().equals("rivulus-second-hand"))
                .count();
    }

    /// Whoever takes up what a killed program left is on air still.
    @Test
    void aShowThatIsOnAirIsTakenUpLocked() {
        try (Hand hand = atTheLanternHour()) {
            assertThat(hand.session().document().locked().get()).isFalse();
            Show show = hand.session().show().get();
            Show onAir =
                    show.withDay(
                            show.day()
                                    .logged(
                                            new Logged(
                                                    Now.by(AIR).moment(),
                                                    Logged.Kind.SCENE,
                                                    "tales",
                                                    "Tales")));
            hand.act(() -> hand.session().document().take(onAir, null));
            assertThat(hand.session().document().locked().get()).isTrue();
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.U);
            assertThat(hand.session().document().locked().get()).isFalse();
        }
    }

    @Test
    void theFaultBehindWhatTheChosenEarHearsIsLookedForByOneKey() {
        try (Hand hand = atTheLanternHour()) {
            hand.act(() -> hand.session().ear().set("ivo"));
            hand.act(() -> hand.session().source().set("nadia"));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F);
            assertThat(hand.textIn("#trouble-head")).isEqualTo("What is amiss?");
            hand.focus("#trouble-how-1");
            hand.press(KeyCode.DIGIT1);
            Diagnosis search = hand.session().days().search().get().orElseThrow();
            assertThat(search.answers().getFirst().question().id()).isEqualTo("ask/ivo/nadia");
            hand.press(KeyCode.BACK_SPACE);
            assertThat(hand.session().days().search().get().orElseThrow().answers()).isEmpty();
            hand.press(KeyCode.ESCAPE);
            assertThat(hand.session().days().search().get()).isEmpty();
        }
    }

    @Test
    void whatStaysAsItWasFoundIsThePlanFromThenOn() {
        try (Hand hand = atTheLanternHour()) {
            hand.act(() -> hand.session().ear().set("stream"));
            hand.act(() -> hand.session().source().set("maren"));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F);
            hand.focus("#trouble-how-1");
            hand.press(KeyCode.SPACE);
            answer(hand, "set/desk/mic1.mute/on");
            hand.edit("Rename", show -> show.titled("Renamed meanwhile"));
            hand.act(() -> hand.session().days().log(Logged.Kind.NOTE, "Said meanwhile"));
            hand.focus("#trouble-stays");
            hand.press(KeyCode.SPACE);
            assertThat(hand.session().proof().get().heard())
                    .anyMatch(finding -> finding.headline().contains("does not hear Maren"));
            assertThat(day(hand).log().getLast().text()).endsWith("; it stays so");
            assertThat(day(hand).log()).extracting(Logged::text).contains("Said meanwhile");
            assertThat(hand.session().show().get().title()).isEqualTo("Renamed meanwhile");
        }
    }

    @Test
    void aShowWithoutGearSaysWhatBelongsHere() {
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.press(KeyCode.CONTROL, KeyCode.N);
            for (KeyCode part : List.of(NUMBERS).subList(0, 5))
                hand.press(KeyCode.CONTROL, KeyCode.SHIFT, part);
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
            assertThat(hand.textsIn("#check-head")).containsExactly("Nobody listens yet");
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT5);
            assertThat(hand.textIn("#log-lines")).contains("On air (Ctrl Shift 4)");
        }
    }
}
