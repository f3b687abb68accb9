package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.disk.Extras;
import rivulus.file.DemoShows;
import rivulus.show.Limit;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.show.WishChange;
import rivulus.words.Severity;

class ChecksTest {
    private static Finding only(Show show, String rule) {
        return Demo.PROVER.prove(show).findings().stream()
                .filter(finding -> finding.rule().equals(rule))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing was found by " + rule));
    }

    @Test
    void theLanternHourHasJustTheMistakesThatPeopleMake() {
        assertThat(Demo.findings(Demo.show(DemoShows.LANTERN_HOUR)))
                .containsExactlyInAnyOrder(
                        "echo nadia nadia",
                        "late-own-voice teo teo",
                        "doubled stream alerts",
                        "missing sunniva bram",
                        "mute stream maren",
                        "mute stream ivo",
                        "mute stream nadia",
                        "mute stream bram");
    }

    @Test
    void mendedItHasNone() {
        assertThat(Demo.findings(Demo.lanternMended())).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"archive-interviews-repaired", "language-cafe-repaired"})
    void theRepairedShowsHaveNoFinding(String name) {
        assertThat(Demo.findings(Demo.show(name))).isEmpty();
    }

    @Test
    void theArchiveInterviewsGiveEddaHerselfBackThroughTheMaster() {
        Finding echo = only(Demo.show("archive-interviews"), "echo");
        assertThat(echo.key().ear()).isEqualTo("edda");
        assertThat(echo.scene()).isEqualTo("interview");
        assertThat(echo.evidence().ways().getFirst().words())
                .contains("Recording mixer, USB return, master, USB");
        assertThat(Demo.findings(Demo.show("archive-interviews")))
                .containsExactly("echo edda edda");
    }

    @Test
    void theCafesClipStaysOutOfTheCallAndTheEarbudsBringHerVoiceLate() {
        assertThat(Demo.findings(Demo.show("language-cafe")))
                .containsExactlyInAnyOrder(
                        "late-own-voice sunniva sunniva",
                        "missing nadia clip",
                        "missing bram clip");
    }

    @Test
    void whoIsMissingIsSaidWithWhatStandsInTheWay() {
        Finding finding =
                only(
                        Demo.level(
                                Demo.lanternMended(),
                                "desk/lineB.pick.mic2",
                                Double.NEGATIVE_INFINITY),
                        "missing");
        assertThat(finding.sentence())
                .isEqualTo(
                        "The on-demand copy does not hear Ivo: Show desk · line B pick of MIC 2 is off.");
        assertThat(finding.severity()).isEqualTo(Severity.PROBLEM);
    }

    @Test
    void aProgramThatPlaysToTheWrongDeviceIsNamed() {
        Show show = Demo.choose(Demo.lanternMended(), "call/plays-to", "cue-laptop/speakers");
        List<String> sentences =
                Demo.PROVER.prove(show).findings().stream()
                        .filter(f -> f.key().ear().equals("stream"))
                        .map(Finding::sentence)
                        .distinct()
                        .toList();
        assertThat(sentences)
                .contains(
                        "The stream does not hear Nadia: Call program · speaker is built-in loudspeakers.");
    }

    @Test
    void gearThatIsUnpluggedLeavesItsProgramsWithoutADevice() {
        Show show = Demo.lanternMended();
        Show unplugged =
                show.withRig(
                        Rig.of(
                                show.rig().devices(),
                                show.rig().cables().stream()
                                        .filter(c -> !c.id().equals("c13"))
                                        .toList()));
        assertThat(Demo.findings(unplugged))
                .contains("missing stream nadia", "missing nadia maren");
        Finding finding = only(unplugged, "missing");
        assertThat(finding.sentence()).isNotBlank();
    }

    @Test
    void aFaintSourceIsACautionWithItsLevel() {
        Finding finding =
                only(Demo.level(Demo.lanternMended(), "desk/lineA.pick.mic1", -26), "missing");
        assertThat(finding.severity()).isEqualTo(Severity.CAUTION);
        assertThat(finding.headline()).startsWith("The assistive feed hears Maren only faintly");
        assertThat(finding.figures().get("levelDb")).isBetween(-28.0, -24.0);
    }

    /// Somebody asked for it by name: whoever hears it all the same, it is a problem.
    @Test
    void whatSomebodyAskedNotToHearIsAProblem() {
        Show tide = Demo.show("tide-watch");
        assertThat(Demo.PROVER.prove(tide).heard())
                .filteredOn(finding -> finding.rule().equals("leak"))
                .extracting(Finding::severity)
                .containsOnly(Severity.PROBLEM);
        // a voice besides is only untidy in a track until it spoils it
        Show lenient =
                tide.withChecks(
                        tide.checks().with(tide.checks().limits().with(Limit.BLEED_BAD, 0)));
        assertThat(Demo.PROVER.prove(lenient).heard())
                .filteredOn(finding -> finding.rule().equals("leak"))
                .filteredOn(finding -> finding.key().ear().equals("voice-over"))
                .extracting(Finding::severity)
                .contains(Severity.CAUTION);
        Show mended = Demo.lanternMended();
        String wish = "teo";
        Show asked =
                mended.with(
                        new WishChange(
                                wish, "ivo", "", Wish.MUST_NOT, "he distracts", Extras.NONE));
        assertThat(Demo.PROVER.prove(asked).heard())
                .filteredOn(finding -> finding.rule().equals("leak"))
                .filteredOn(finding -> finding.key().ear().equals(wish))
                .isNotEmpty()
                .allMatch(finding -> finding.severity() == Severity.PROBLEM);
    }

    @Test
    void talkbackOnTheStreamIsALeak() {
        Finding finding = only(Demo.level(Demo.lanternMended(), "desk/usb2.pick.mic3", 0), "leak");
        assertThat(finding.sentence())
                .contains("The stream hears Teo at", "must not: Talkback is not for the public.");
        assertThat(finding.evidence().ways().getFirst().words())
                .startsWith("Teo → Talkback mic → Show desk, MIC 3");
    }

    @Test
    void aMusicBedInTheOnDemandCopyIsALeakAndAnExceptionWithAReasonAllowsIt() {
        Show show = Demo.level(Demo.lanternMended(), "desk/lineB.pick.usb1main", 0);
        assertThat(Demo.findings(show)).contains("leak on-demand music-bed");
        Show allowed =
                show.with(
                        new WishChange(
                                "on-demand",
                                "music-bed",
                                "",
                                Wish.MAY,
                                "The music is our own.",
                                Extras.NONE));
        assertThat(Demo.findings(allowed)).doesNotContain("leak on-demand music-bed");
    }

    @Test
    void aCoughKeyThatLeavesTheStreamListeningIsFoundBeforeAnybodyPressesIt() {
        Finding finding =
                Demo.PROVER
                        .prove(Demo.choose(Demo.lanternMended(), "desk/usb2.tap", "pre"))
                        .findings()
                        .stream()
                        .filter(f -> f.headline().contains("cough"))
                        .findFirst()
                        .orElseThrow();
        assertThat(finding.headline())
                .startsWith("Maren's cough key does not silence Maren for the stream");
        assertThat(finding.scene()).isIn("tales", "call-in", "close");
    }

    @Test
    void aFaderThatIsDownSilencesNothingThatIsTakenBeforeIt() {
        Show show = Demo.choose(Demo.lanternMended(), "desk/usb2.tap", "pre");
        show =
                show.withScene(
                        "tales",
                        scene ->
                                scene.withKnob(
                                                rivulus.show.Ref.of("desk/phone.mute"),
                                                new rivulus.gear.Setting.Switch(false))
                                        .withKnob(
                                                rivulus.show.Ref.of("desk/phone.fader"),
                                                rivulus.gear.Setting.Level.OFF));
        assertThat(Demo.PROVER.prove(show).scene("tales").orElseThrow().findings())
                .extracting(Finding::headline)
                .anySatisfy(
                        line ->
                                assertThat(line)
                                        .startsWith("The stream hears Bram")
                                        .endsWith("PHONE fader is down"));
    }

    @Test
    void aMuteIsNotBlamedForANeighbourWhoHearsThroughTheAir() {
        assertThat(Demo.findings(Demo.lanternMended()))
                .noneMatch(f -> f.startsWith("mute house") || f.startsWith("mute ivo"));
    }

    @Test
    void twoArrivalsAreMeasuredAgainstEachOther() {
        Finding finding = only(Demo.show(DemoShows.LANTERN_HOUR), "doubled");
        assertThat(finding.figures().get("gapMs")).isCloseTo(48, within(0.5));
        assertThat(finding.figures().get("firstNotchHz")).isCloseTo(10.4, within(0.1));
        assertThat(finding.sentence()).contains("The stream hears the alerts twice", "slaps back");
        assertThat(finding.evidence().ways()).hasSize(2);
    }

    @Test
    void aRoomThatHowlsIsADangerWithItsWorstFrequencyAndWeakestCut() {
        Show show = Demo.howling();
        Finding finding = only(show, "loop");
        assertThat(finding.severity()).isEqualTo(Severity.DANGER);
        assertThat(finding.headline()).startsWith("Sound goes round through the room and howls");
        assertThat(finding.figures().get("marginDb")).isNegative();
        assertThat(finding.evidence().cause())
                .startsWith("Show desk · ")
                .endsWith(" turns it down");
        assertThat(finding.evidence().ways()).hasSize(1);
    }

    @ParameterizedTest(name = "talkback at {0} dB on the stream")
    @CsvSource({"-31, true", "-45, true", "-55, false"})
    void talkbackMustNotEvenBeGuessedAtByThePublic(double db, boolean leaks) {
        Show show = Demo.choose(Demo.lanternMended(), "desk/usb2.feed", "custom");
        Show faint = Demo.level(show, "desk/usb2.pick.mic3", db);
        Proof proof = Demo.PROVER.prove(faint);
        SceneProof tales = proof.scene("tales").orElseThrow();
        assertThat(tales.of("stream", "teo").hearing().levelDb()).isCloseTo(db, within(1.5));
        assertThat(tales.findings().stream().anyMatch(f -> f.id().equals("leak/stream/teo")))
                .isEqualTo(leaks);
    }

    @Test
    void aMonitoredCaptureThatComesBackByTheWireGoesRound() {
        Show show = Demo.choose(Demo.lanternMended(), "stream-program/input1.use", "both");
        Finding finding = only(show, "loop");
        assertThat(finding.headline()).startsWith("Sound goes round by wire");
        assertThat(finding.ear()).isEmpty();
    }

    @Test
    void aRoomWithRoomToSpareIsNoFinding() {
        Proof proof = Demo.PROVER.prove(Demo.lanternMended());
        assertThat(proof.scene("tales").orElseThrow().tracer().loops())
                .singleElement()
                .satisfies(
                        loop -> {
                            assertThat(loop.isAcoustic()).isTrue();
                            assertThat(loop.marginDb()).isBetween(40.0, 60.0);
                        });
    }

    @Test
    void verdictsAreSaidInAFewWords() {
        Proof proof = Demo.PROVER.prove(Demo.show(DemoShows.LANTERN_HOUR));
        SceneProof tales = proof.scene("tales").orElseThrow();
        assertThat(
                        proof.show().ears().stream()
                                .map(
                                        ear ->
                                                ear.id()
                                                        + ": "
                                                        + EarVerdict.of(proof, tales, ear).words()))
                .contains(
                        "nadia: hears all 2; herself 296\u202Fms late",
                        "teo: hears all 4; himself 182\u202Fms late",
                        "stream: hears all 5; hears Bram though muted; would hear Maren though muted; the alerts twice",
                        "maren: hears all 3",
                        "track-bram: nothing to hear");
        SceneProof callIn = proof.scene("call-in").orElseThrow();
        EarVerdict sunniva =
                EarVerdict.of(proof, callIn, proof.show().ear("sunniva").orElseThrow());
        assertThat(sunniva.words()).isEqualTo("not Bram");
        assertThat(sunniva.elsewhere()).containsExactly("Close");
    }

    @Test
    void troublesThatAreOneToAListenerAreToldAsOne() {
        List<Trouble> troubles = Trouble.of(Demo.PROVER.prove(Demo.show(DemoShows.LANTERN_HOUR)));
        assertThat(troubles)
                .extracting(Trouble::headline)
                .first()
                .asString()
                .startsWith("Nadia hears herself");
        assertThat(troubles)
                .extracting(Trouble::headline)
                .contains("The stream hears Maren, Ivo, Nadia and Bram though muted");
    }

    /// The order in which gear is named makes no difference, where something howls neither.
    @Test
    void whatHowlsIsHeardAlikeInWhateverOrderTheGearIsNamed() {
        for (Show show : List.of(Demo.howling(), Demo.show("twin-tables"))) {
            var rig = show.rig();
            Show turned = show.withRig(rig.with(rig.devices().reversed(), rig.cables().reversed()));
            Proof one = Demo.PROVER.prove(show);
            Proof other = Demo.PROVER.prove(turned);
            assertThat(one.findings()).anyMatch(f -> f.rule().equals("loop"));
            assertThat(other.heard().stream().map(Finding::headline).toList())
                    .containsExactlyInAnyOrderElementsOf(
                            one.heard().stream().map(Finding::headline).toList());
            for (SceneProof scene : one.scenes())
                for (SceneProof.Heard cell : scene.all())
                    assertThat(
                                    other.scene(scene.scene().id())
                                            .orElseThrow()
                                            .of(cell.ear().id(), cell.source().id())
                                            .hearing()
                                            .soundsLike(cell.hearing()))
                            .as(cell.ear().id() + " hears " + cell.source().id())
                            .isTrue();
        }
    }

    /// What plays is as it was, and drowns the voices all the same once they are turned down: a
    /// proof that leans on the one before says so too.
    @Test
    void whatDrownsTheVoicesIsToldWhereOnlyTheyWereTurned() {
        Show show = Demo.show("harbour-radio-repaired");
        Proof before = Demo.PROVER.prove(show);
        assertThat(before.findings()).noneMatch(finding -> finding.rule().equals("balance"));
        Show soft = show;
        for (String fader : List.of("mic1", "mic2", "usb1chat"))
            soft = Demo.level(soft, "desk/" + fader + ".fader", -12);
        assertThat(Demo.PROVER.prove(soft, before).findings())
                .extracting(Finding::headline)
                .isEqualTo(
                        Demo.PROVER.prove(soft).findings().stream().map(Finding::headline).toList())
                .anyMatch(words -> words.endsWith("over the voices, and drowns them"));
    }
}
