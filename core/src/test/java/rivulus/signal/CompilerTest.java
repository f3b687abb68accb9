package rivulus.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.gear.Knob;
import rivulus.hearing.Ways;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;

/// What a show means as a graph.
class CompilerTest {
    private final Show show = Demo.lanternMended();

    private static List<String> options(Show show, String knob) {
        KnobUse use =
                Compiler.compile(show, Demo.PROVER.catalogue()).knob(Ref.of(knob)).orElseThrow();
        return ((Knob.Choice) use.knob()).options().stream().map(Knob.Option::id).toList();
    }

    private static double level(Show show, String scene, String ear, String source) {
        return Demo.PROVER
                .prove(show)
                .scene(scene)
                .orElseThrow()
                .of(ear, source)
                .hearing()
                .levelDb();
    }

    @Test
    void gearThatIsJoinedToAComputerShowsUpThereAndNowhereElse() {
        assertThat(options(show, "call/plays-to"))
                .containsExactlyInAnyOrder(
                        "default",
                        "communications",
                        "none",
                        "desk/main",
                        "desk/chat",
                        "cue-laptop/line-out",
                        "cue-laptop/speakers");
        assertThat(options(show, "call/hears"))
                .contains("desk/chat", "cue-laptop/microphone")
                .doesNotContain("desk/usb2");
        assertThat(options(show, "stream-program/input1.of"))
                .contains("desk/usb2", "sunniva-mic/mic")
                .doesNotContain("desk/main");
        assertThat(options(show, "cue-laptop/default-output"))
                .doesNotContain("default", "communications");
        assertThat(options(show, "cue-laptop/calls-output"))
                .contains("default")
                .doesNotContain("communications");
    }

    @Test
    void gearThatIsPulledOutIsGoneFromTheList() {
        Rig rig = show.rig();
        Show unplugged =
                show.withRig(
                        Rig.of(
                                rig.devices(),
                                rig.cables().stream()
                                        .filter(c -> !c.from().equals(Ref.of("desk/usb1")))
                                        .toList()));
        assertThat(options(unplugged, "call/plays-to")).doesNotContain("desk/main", "desk/chat");
    }

    @Test
    void aProgramFollowsItsComputersDefaultWhenTheDefaultIsMoved() {
        assertThat(level(show, "doors", "house", "music-bed")).isGreaterThan(-20);
        Show moved = Demo.choose(show, "cue-laptop/default-output", "cue-laptop/line-out");
        assertThat(level(moved, "doors", "house", "music-bed")).isLessThan(-60);
        Show pinned = Demo.choose(moved, "music/plays-to", "desk/main");
        assertThat(level(pinned, "doors", "house", "music-bed")).isGreaterThan(-20);
    }

    @Test
    void aDesktopCaptureHearsWhatAnyProgramPlaysToThatDevice() {
        Show show =
                Demo.choose(
                        Demo.choose(this.show, "desk/usb2.feed", "custom"),
                        "stream-program/desktop.of",
                        "default");
        show = Demo.level(show, "desk/usb2.pick.usb1main", Double.NEGATIVE_INFINITY);
        assertThat(level(show, "doors", "stream", "alerts")).isCloseTo(0, within(0.1));
        Show pinned = Demo.choose(show, "notices/plays-to", "stream-tower/line-out");
        assertThat(level(pinned, "doors", "stream", "alerts"))
                .as("pinned to the same device")
                .isCloseTo(0, within(0.1));
        Show away = Demo.choose(show, "notices/plays-to", "desk/usb2");
        assertThat(level(away, "doors", "stream", "alerts")).as("sent elsewhere").isLessThan(-40);
    }

    @Test
    void monitoredOnlyIsHeardOnTheMonitoringDeviceAndNotOnTheStream() {
        Show monitored = Demo.choose(show, "stream-program/input1.use", "monitor");
        assertThat(level(monitored, "call-in", "stream", "nadia"))
                .isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(
                        level(
                                Demo.choose(show, "stream-program/input1.use", "send"),
                                "call-in",
                                "stream",
                                "nadia"))
                .isGreaterThan(-1);
    }

    @Test
    void aMicrophoneIsAimedAtTheNearestMouthAndTurnsAwayFromTheRest() {
        Proof proof = Demo.PROVER.prove(show);
        var tales = proof.scene("tales").orElseThrow();
        assertThat(tales.of("track-maren", "maren").hearing().levelDb()).isCloseTo(0, within(0.1));
        double bleed = tales.of("track-maren", "ivo").hearing().levelDb();
        assertThat(bleed)
                .as("1.2 m against 8 cm, and 12 dB off axis")
                .isCloseTo(-34.7, within(0.5));
    }

    @Test
    void anOpenEarHearsTheRoomAndHeadphonesDullIt() {
        var tales = Demo.PROVER.prove(show).scene("tales").orElseThrow();
        assertThat(tales.of("house", "maren").hearing().arrivals())
                .anyMatch(arrival -> arrival.throughAir() && Math.abs(arrival.ms() - 17.47) < 0.05);
        assertThat(tales.of("house", "maren").hearing().byWireDb())
                .as("all of it comes through the air")
                .isLessThan(-60);
    }

    @Test
    void nobodyHearsThroughTheWallOfAnotherRoom() {
        assertThat(level(show, "tales", "house", "sunniva")).isEqualTo(Double.NEGATIVE_INFINITY);
    }

    @Test
    void aWayIsToldStepByStepWithItsDelayRange() {
        var tales = Demo.PROVER.prove(show).scene("tales").orElseThrow();
        var way = Ways.of(tales.tracer().live()).strongest("maren", "nadia", 1).all().getFirst();
        assertThat(way.words())
                .isEqualTo(
                        "Maren → Maren's mic → Show desk, MIC 1, USB 1 call → Call program → Call service → Nadia's"
                                + " headset → Nadia");
        assertThat(way.ms()).isCloseTo(149.2, within(0.1));
        assertThat(way.minMs()).isLessThan(way.ms());
        assertThat(way.maxMs()).isGreaterThan(way.ms());
        assertThat(way.levelDb())
                .isCloseTo(tales.of("nadia", "maren").hearing().levelDb(), within(0.2));
        for (int i = 1; i < way.steps().size(); i++) {
            assertThat(way.steps().get(i).ms()).isGreaterThanOrEqualTo(way.steps().get(i - 1).ms());
        }
    }

    @Test
    void waysComeStrongestFirstAndNoneTwice() {
        var tales = Demo.PROVER.prove(Demo.show("lantern-hour")).scene("tales").orElseThrow();
        var ways = Ways.of(tales.tracer().live()).strongest("alerts", "stream", 6).all();
        assertThat(ways)
                .hasSizeGreaterThan(2)
                .isSortedAccordingTo((a, b) -> Double.compare(b.levelDb(), a.levelDb()));
        assertThat(ways).extracting(way -> way.legs()).doesNotHaveDuplicates();
    }

    @Test
    void aVoiceComesToADeskThatNobodyListensToYet() {
        Show begun =
                RigText.show(
                        """
                        place room
                        person maren host room
                        mic dynamic-mic @room
                        near maren mic
                        desk show-desk @room
                        mic/out desk/mic1
                        """);
        assertThat(begun.ears()).isEmpty();
        var live = Demo.PROVER.prove(begun).scenes().getFirst().tracer().live();
        assertThat(live.comesTo("maren", "desk", -20)).isTrue();
    }

    @Test
    void aDeviceOnAHubShowsUpOnTheComputerBehindIt() {
        Show hubbed =
                RigText.show(
                        """
                        tablet tablet
                        call call-program on:tablet
                        hub powered-hub
                        interface interface-2
                        interface/usb hub/usb-1
                        hub/up tablet/usb-1
                        """);
        assertThat(options(hubbed, "call/plays-to")).contains("interface/main");
        Show pulled =
                hubbed.withRig(
                        hubbed.rig()
                                .with(
                                        hubbed.rig().devices(),
                                        hubbed.rig().cables().stream()
                                                .filter(c -> !c.touches("tablet"))
                                                .toList()));
        assertThat(options(pulled, "call/plays-to")).doesNotContain("interface/main");
    }
}
