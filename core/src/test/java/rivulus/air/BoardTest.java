package rivulus.air;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.Extras;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Logged;
import rivulus.show.Now;
import rivulus.show.Occasion;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Tick;
import rivulus.show.Turn;
import rivulus.words.Words;

class BoardTest {
    private static final LocalDateTime AIR = LocalDateTime.of(2026, 12, 1, 20, 0);
    private static final Show PLAN =
            Demo.lanternMended().on(new Occasion("1 December", "20:00", ""));
    private static final Proof PROVEN = Demo.PROVER.prove(PLAN);

    private static Proof logged(LocalDateTime at, Logged.Kind kind, String scene, String text) {
        return Demo.PROVER.prove(
                PLAN.withDay(PLAN.day().logged(line(at, kind, scene, text))), PROVEN);
    }

    private static Logged line(LocalDateTime at, Logged.Kind kind, String scene, String text) {
        return new Logged(Now.by(at).moment(), kind, scene, text);
    }

    private static String min(int minutes) {
        return minutes + Words.THIN + "min";
    }

    @Test
    void beforeAirItCountsDownAndTheFirstSceneIsNext() {
        Board board = Board.of(PROVEN, Now.by(AIR.minusMinutes(34)));
        assertThat(board.clocks().now()).isEmpty();
        assertThat(board.clocks().next()).contains(PLAN.scenes().getFirst());
        assertThat(board.clocks().scene()).isEqualTo(min(34) + " to air");
        assertThat(board.presses()).isEmpty();
    }

    /// By hand: whoever looks half past midnight is in a show that began at eight in the evening.
    @Test
    void afterMidnightItIsStillLastEvening() {
        assertThat(Clocks.toAir(PLAN, Now.by(AIR.plusHours(4).plusMinutes(30)))).contains(-270.0);
        assertThat(Clocks.toAir(PLAN, Now.by(AIR.minusMinutes(90)))).contains(90.0);
        assertThat(Clocks.toAir(PLAN.on(Occasion.UNSAID), Now.by(AIR))).isEmpty();
    }

    @Test
    void aSceneSaysWhatIsLeftOfItAndHowFarOverItIs() {
        Scene tales = PLAN.scene("tales").orElseThrow();
        Proof on = logged(AIR, Logged.Kind.SCENE, "tales", tales.name());
        int minutes = (int) tales.minutes();
        assertThat(Board.of(on, Now.by(AIR.plusMinutes(3))).clocks().scene())
                .isEqualTo(min(minutes - 3) + " left");
        assertThat(Board.of(on, Now.by(AIR.plusMinutes(minutes + 2))).clocks().scene())
                .isEqualTo(min(2) + " over");
        assertThat(Clocks.of(on.show(), Now.by(AIR)).now()).contains(tales);
        assertThat(Board.of(on, Now.by(AIR.plusMinutes(3))).clocks().evening())
                .startsWith("on air for " + min(3) + ", ends about ");
    }

    @Test
    void anEveningThatHasEndedSaysHowLongItTook() {
        Show show =
                PLAN.withDay(
                        PLAN.day()
                                .logged(line(AIR, Logged.Kind.SCENE, "doors", "Doors"))
                                .logged(
                                        line(
                                                AIR.plusMinutes(121),
                                                Logged.Kind.SCENE,
                                                "",
                                                "The end")));
        Clocks clocks = Clocks.of(show, Now.by(AIR.plusMinutes(150)));
        assertThat(clocks.over()).isTrue();
        assertThat(clocks.now()).isEmpty();
        assertThat(clocks.next()).isEmpty();
        assertThat(clocks.evening()).isEqualTo("it took " + Words.minutes(121));
    }

    /// The presses, made on the plan one after the other, are the next scene.
    @Test
    void whatIsPressedAtEveryChangeOfSceneMakesTheNextScene() {
        List<SceneProof> scenes = PROVEN.scenes();
        for (int s = 1; s < scenes.size(); s++) {
            List<Press> presses = Press.between(scenes.get(s - 1), scenes.get(s));
            String before = scenes.get(s - 1).scene().id();
            Show pressed = PLAN;
            boolean lets = false;
            for (Press press : presses) {
                pressed =
                        pressed.with(
                                new Turn(
                                        press.use().ref(),
                                        press.from(),
                                        press.to(),
                                        Optional.of(before)));
                boolean takes = !press.takes().isEmpty();
                assertThat(takes && lets).as("what silences comes first").isFalse();
                lets |= !takes && !press.lets().isEmpty();
            }
            SceneProof then = Demo.PROVER.prove(pressed).scene(before).orElseThrow();
            for (SceneProof.Heard cell : scenes.get(s).all())
                assertThat(then.of(cell.ear().id(), cell.source().id()).hearing().isHeard())
                        .isEqualTo(cell.hearing().isHeard());
        }
    }

    @Test
    void aPressSaysWhomItLetsIn() {
        List<Press> presses =
                Press.between(
                        PROVEN.scene("doors").orElseThrow(), PROVEN.scene("tales").orElseThrow());
        Press maren =
                presses.stream()
                        .filter(press -> press.words().contains("MIC 1 mute"))
                        .findFirst()
                        .orElseThrow();
        assertThat(maren.words()).isEqualTo("Show desk · MIC 1 mute to off");
        assertThat(maren.effect()).startsWith("lets Maren in for ");
    }

    /// In the mended show everybody but Maren's own track is silenced, whatever crosses the room;
    /// as first built the stream takes her before the mute.
    @Test
    void aKeySaysWhomItReallySilences() {
        Proof on = logged(AIR, Logged.Kind.SCENE, "tales", "Tales");
        assertThat(Board.of(on, Now.by(AIR)).keys())
                .containsExactly(
                        new Board.Line(
                                "maren-cough",
                                "Maren's cough key",
                                "silences Maren for everybody",
                                false));
        Show built = Demo.show("lantern-hour");
        Show tales =
                built.withDay(built.day().logged(line(AIR, Logged.Kind.SCENE, "tales", "Tales")));
        assertThat(Board.of(Demo.PROVER.prove(tales), Now.by(AIR)).keys())
                .extracting(Board.Line::words)
                .containsExactly("silences Maren for all but the stream");
    }

    @Test
    void theBatteryThatIsEmptySoonestComesFirst() {
        List<Board.Line> before = Board.of(PROVEN, Now.by(AIR)).batteries();
        String last = before.getLast().name();
        Show plan =
                PLAN.withDay(
                        PLAN.day()
                                .logged(
                                        line(
                                                AIR.minusHours(4),
                                                Logged.Kind.BATTERY,
                                                "",
                                                last + ": swapped")));
        assertThat(Board.of(Demo.PROVER.prove(plan), Now.by(AIR)).batteries().getFirst().name())
                .isEqualTo(last);
    }

    @Test
    void aBatteryIsCountedFromItsPlaceInTheSetUpAndFromItsLastSwap() {
        Show plan =
                PLAN.withDay(
                        PLAN.day()
                                .with(
                                        new Tick(
                                                "place/teo-earbuds",
                                                Tick.How.DONE,
                                                "",
                                                Now.by(AIR.minusHours(1)).moment(),
                                                "",
                                                Extras.NONE)));
        Board early = Board.of(Demo.PROVER.prove(plan), Now.by(AIR));
        assertThat(earbuds(early).words()).startsWith("about ").contains("left, until");
        Board late = Board.of(Demo.PROVER.prove(plan), Now.by(AIR.plusHours(20)));
        assertThat(earbuds(late)).extracting(Board.Line::urgent).isEqualTo(true);
        assertThat(earbuds(late).words()).isEqualTo("may be empty: swap it");
        Show swapped =
                plan.withDay(
                        plan.day()
                                .logged(
                                        line(
                                                AIR.plusHours(20),
                                                Logged.Kind.BATTERY,
                                                "",
                                                "Teo's earbuds: swapped")));
        assertThat(earbuds(Board.of(Demo.PROVER.prove(swapped), Now.by(AIR.plusHours(20)))).words())
                .startsWith("about ");
    }

    private static Board.Line earbuds(Board board) {
        return board.batteries().stream()
                .filter(line -> line.name().equals("Teo's earbuds"))
                .findFirst()
                .orElseThrow();
    }

    /// A swap belongs to the piece it was made on, not to all whose names begin alike.
    @Test
    void theSwapOfASecondPairIsNotThatOfTheFirst() {
        Device first = PLAN.rig().device("teo-earbuds").orElseThrow();
        Device second =
                Device.of("teo-earbuds-2", first.name() + " 2", first.template()).in(first.place());
        List<Device> devices = new ArrayList<>(PLAN.rig().devices());
        devices.add(second);
        Show two = PLAN.withRig(PLAN.rig().with(devices, PLAN.rig().cables()));
        for (Device swapped : List.of(first, second)) {
            for (String about : List.of(swapped.id(), "")) {
                Logged line =
                        line(AIR, Logged.Kind.BATTERY, "", Board.swapped(swapped.name()))
                                .about(about);
                Board board =
                        Board.of(
                                Demo.PROVER.prove(two.withDay(two.day().logged(line))),
                                Now.by(AIR.plusMinutes(60)));
                for (Device one : List.of(first, second))
                    assertThat(battery(board, one).words().startsWith("about"))
                            .as("%s after the swap of %s", one.name(), swapped.name())
                            .isEqualTo(one.equals(swapped));
            }
        }
    }

    private static Board.Line battery(Board board, Device device) {
        return board.batteries().stream()
                .filter(line -> line.id().equals(device.id()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whoWaitsSaysWhatTheyHearMeanwhile() {
        Proof on = logged(AIR, Logged.Kind.SCENE, "doors", "Doors");
        Board board = Board.of(on, Now.by(AIR));
        SceneProof doors = on.scene("doors").orElseThrow();
        for (Board.Line held : board.held()) {
            boolean hears =
                    doors.all().stream()
                            .anyMatch(
                                    cell ->
                                            cell.ear().name().equals(held.name())
                                                    && cell.hearing().levelDb()
                                                            >= doors.limit(Limit.HEARD)
                                                    && !cell.ear().of().equals(cell.source().id()));
            assertThat(held.words().contains("hears nothing")).isEqualTo(!hears);
        }
        assertThat(board.held()).extracting(Board.Line::name).contains("Nadia", "Bram");
    }

    /// Against the format's own words: hours, minutes, seconds and milliseconds; two hyphens and a
    /// bracket stay out of the text.
    @Test
    void chaptersAreTimedFromTheFirstScene() {
        Show show =
                PLAN.withDay(
                        PLAN.day()
                                .logged(line(AIR.minusMinutes(5), Logged.Kind.NOTE, "", "early"))
                                .logged(line(AIR, Logged.Kind.SCENE, "doors", "Doors"))
                                .logged(
                                        line(
                                                AIR.plusMinutes(2),
                                                Logged.Kind.MARK,
                                                "doors",
                                                "a --> b"))
                                .logged(
                                        line(
                                                AIR.plusSeconds(3723),
                                                Logged.Kind.SCENE,
                                                "tales",
                                                "Tales"))
                                .logged(
                                        line(
                                                AIR.plusSeconds(3800),
                                                Logged.Kind.NOTE,
                                                "tales",
                                                "late")));
        assertThat(Chapters.webVtt(show))
                .isEqualTo(
                        """
                        WEBVTT - The Lantern Hour

                        1
                        00:00:00.000 --> 00:02:00.000
                        Doors

                        2
                        00:02:00.000 --> 01:02:03.000
                        a → b

                        3
                        01:02:03.000 --> 01:03:21.000
                        Tales
                        """);
        assertThat(Chapters.webVtt(PLAN)).isEqualTo("WEBVTT - The Lantern Hour\n");
    }

    @Test
    void whatIsMarkedAfterTheEndIsNoChapter() {
        Show show =
                PLAN.withDay(
                        PLAN.day()
                                .logged(line(AIR, Logged.Kind.SCENE, "doors", "Doors\r\rtwice"))
                                .logged(line(AIR.plusMinutes(3), Logged.Kind.SCENE, "", "The end"))
                                .logged(line(AIR.plusMinutes(4), Logged.Kind.MARK, "", "Late")));
        assertThat(Chapters.webVtt(show))
                .isEqualTo(
                        """
                        WEBVTT - The Lantern Hour

                        1
                        00:00:00.000 --> 00:03:00.000
                        Doors twice
                        """);
    }
}
