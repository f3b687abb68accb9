package rivulus.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.List;
import org.junit.jupiter.api.Test;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.gear.Setting;
import rivulus.show.Cast;
import rivulus.show.Habit;
import rivulus.show.Loudness;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;

/// Levels in the gear's own units, each against a calculation by hand in its comment, and gains as
/// they should stand.
class LevelsTest {
    private static final String CONSOLE =
            """
            place hall
            person maren host hall
            %s
            mic %s @hall
            desk digital-console @hall %s
            mic/out desk/ch1 5
            ear out track desk/main
            scene all 10
            """;

    private static Show console(String near, String mic, String knobs) {
        return RigText.show(CONSOLE.formatted(near, mic, knobs));
    }

    private static Staircase way(Show show) {
        return PROVER.prove(show).staircase("all", "maren", "out").orElseThrow();
    }

    private static Staircase.Stair at(Show show, String device, String point) {
        return way(show).at(new Ref(device, point)).orElseThrow();
    }

    private static double average(Staircase.Stair stair) {
        return stair.scale().reads(stair.averageDb());
    }

    private static Show talking(Show show, Loudness how) {
        List<Person> people =
                show.cast().people().stream().map(person -> person.talking(how)).toList();
        return show.withCast(new Cast(people, show.cast().playback(), show.cast().extras()));
    }

    private static InputGain gain(Show show) {
        return PROVER.prove(show).gains().stream()
                .filter(g -> g.knob().equals(new Ref("desk", "ch1.gain")))
                .findFirst()
                .orElseThrow();
    }

    /// 60 dB(A) at 1 m, + 21.94 dB at 0.08 m; 2 mV/Pa is 20 log10(2/774.6) = −51.76 dBu at 94 dB.
    /// The input clips at +10 dBu with no gain, so −24 dBFS is −14 dBu less the gain.
    @Test
    void aVoiceIsFollowedFromTheMouthToTheConverterInItsOwnUnits() {
        Show show = console("near maren mic", "dynamic-mic", "");
        assertThat(average(at(show, "maren", "mouth"))).isCloseTo(60, within(0.1));
        assertThat(average(at(show, "mic", "capsule"))).isCloseTo(81.94, within(0.1));
        assertThat(average(at(show, "mic", "out.out"))).isCloseTo(-63.82, within(0.1));
        assertThat(average(at(show, "desk", "ch1.in"))).isCloseTo(-63.82, within(0.1));
        assertThat(average(way(show).end())).isCloseTo(-24, within(0.1));
        Preamp preamp =
                way(show).stairs().stream()
                        .flatMap(stair -> stair.preamp().stream())
                        .findFirst()
                        .orElseThrow();
        assertThat(preamp.gainDb()).isCloseTo(-14 + 63.82, within(0.1));
        assertThat(preamp.marks()).isEqualTo("50\u202FdB");
    }

    /// Against an average of 81.94 dB(A) at the capsule: the room 30, the microphone 16 dB(A); at
    /// −63.82 dBu the input −126 dBu; at −24 dBFS the converter −110: 51.94, 65.94, 62.18 and 86 dB
    /// under it, together 51.39.
    @Test
    void noiseAddsAsPowerAlongTheWay() {
        Staircase way = way(console("near maren mic", "dynamic-mic", ""));
        assertThat(way.signalToNoiseDb()).isCloseTo(51.39, within(0.1));
        assertThat(way.hisses().getFirst().what()).isEqualTo("the room");
        assertThat(way.hisses().stream().map(Staircase.Hiss::what))
                .startsWith("the room", "the input", "the microphone");
    }

    /// Peaks are 12 dB over loud moments, those 6 over the average: −6 dBFS, 6 dB under full scale.
    /// A fader adds what it says; a gain before the converter moves noise and voice alike.
    @Test
    void aKnobThatIsUpTakesItsHeadroomAndSaysWhichOneItIs() {
        assertThat(way(console("near maren mic", "dynamic-mic", "")).headroomDb())
                .isCloseTo(6, within(0.1));
        Show hot = console("near maren mic", "dynamic-mic", "ch1.gain=10");
        Staircase way = way(hot);
        assertThat(way.headroomDb()).isCloseTo(-4, within(0.1));
        assertThat(way.tightest().node().words()).isEqualTo("desk, channel 1");
        assertThat(way.signalToNoiseDb()).isCloseTo(51.39, within(0.1));
        Proof proof = PROVER.prove(hot);
        Advice advice =
                Advice.of(way, proof.scenes().getFirst().tracer().live(), hot, "all").getFirst();
        assertThat(advice.sentence())
                .isEqualTo(
                        "Loud moments clip at desk, channel 1 by 4.0\u202FdB: desk · channel 1 gain"
                                + " −4\u202FdB.");
        Turn turn = advice.turns().getFirst().turn();
        assertThat(way(hot.with(turn)).headroomDb()).isBetween(-0.1, 1.0);
    }

    /// −10 and +8 dB are −2 dB; the first may come up by the 8 that the second gives, for there are
    /// 16 dB of room behind it, and what hisses between them then lies 8 dB lower.
    @Test
    void twoVolumesInARowAreOneProductWithABestSplit() {
        Show show =
                RigText.show(
                        """
                        place hall
                        person maren host hall
                        near maren mic
                        mic dynamic-mic @hall
                        desk digital-console @hall master=-10
                        next digital-console @hall st1.fader=8
                        mic/out desk/ch1 5
                        desk/main-out next/st1 5
                        ear out track next/main
                        scene all 10
                        """);
        Proof proof = PROVER.prove(show);
        List<Advice> advice =
                Advice.of(way(show), proof.scenes().getFirst().tracer().live(), show, "all");
        assertThat(advice)
                .singleElement()
                .satisfies(
                        one -> {
                            assertThat(one.isTrouble()).isFalse();
                            assertThat(one.sentence())
                                    .isEqualTo(
                                            "desk · main fader at −10.0\u202FdB and next · stereo 1"
                                                    + " fader at 8.0\u202FdB are one volume of"
                                                    + " −2.0\u202FdB, best split as −2.0\u202FdB and"
                                                    + " 0.0\u202FdB: less noise, and as loud.");
                            Show split =
                                    show.with(one.turns().stream().map(t -> t.on(show)).toList());
                            assertThat(way(split).end().db())
                                    .isCloseTo(way(show).end().db(), within(0.01));
                            assertThat(way(split).signalToNoiseDb())
                                    .isGreaterThan(way(show).signalToNoiseDb());
                        });
    }

    @Test
    void whoTalksLoudlyIsTwelveDecibelsLouderWhereverTheAirIsHeard() {
        Show normal = console("near maren mic", "dynamic-mic", "");
        Show loud = talking(normal, Loudness.LOUDLY);
        assertThat(average(at(loud, "maren", "mouth"))).isCloseTo(72, within(0.1));
        assertThat(average(at(loud, "mic", "out.out"))).isCloseTo(-63.82 + 12, within(0.1));
        assertThat(way(loud).headroomDb()).isCloseTo(6 - 12, within(0.1));
    }

    /// 0.5 m from a microphone worked at 0.08, in a room of 2.5 m: 10 log10(1/0.25 + 1/6.25) −
    /// 21.94 + 21.94 dB under what it is worked at: 15.75 dB down, peaks at −21.75 dBFS.
    @Test
    void gainsAreSetForWhoComesInByTheSchoolThatSomebodyNamed() {
        Show far = console("apart maren mic 0.5", "dynamic-mic", "");
        InputGain peaks = gain(far);
        assertThat(peaks.peaksDbfs(peaks.now())).isCloseTo(-21.75, within(0.1));
        assertThat(peaks.wanted().turnedDb()).as("to −9 dBFS").isEqualTo(12.5);
        Show byLoudness =
                far.withChecks(far.checks().with(far.habits().with(Habit.LEVEL, "loudness")));
        assertThat(gain(byLoudness).wanted().turnedDb()).as("to line-up").isEqualTo(15.5);
        Show set = far.with(peaks.turn().orElseThrow());
        assertThat(gain(set).turn()).as("it stands well then").isEmpty();
        assertThat(gain(console("near maren mic", "dynamic-mic", "")).turn())
                .as("peaks at −6 are left alone")
                .isEmpty();
    }

    @Test
    void whatIsNotInUseGetsNoGainAndWhatNoGainCanDoIsSaid() {
        Show show = console("near maren mic", "dynamic-mic", "ch2.gain=12");
        InputGain idle =
                PROVER.prove(show).gains().stream()
                        .filter(g -> g.knob().equals(new Ref("desk", "ch2.gain")))
                        .findFirst()
                        .orElseThrow();
        assertThat(idle.source()).isEmpty();
        assertThat(idle.turn().orElseThrow().to()).isEqualTo(new Setting.Level(-30));
        Show soft = talking(console("apart maren mic 0.6", "ribbon-mic", ""), Loudness.SOFTLY);
        assertThat(gain(soft).wanted().outOfReachDb()).isPositive();
        assertThat(gain(soft).why()).contains("comes in too softly", "Nearer to the microphone");
    }

    @Test
    void aPadTakesTheLevelDownInTheLeadAndTheGainMakesUpForIt() {
        Show plain = console("near maren mic", "condenser-mic", "");
        Show padded =
                RigText.show(
                        CONSOLE.formatted("near maren mic", "condenser-mic", "")
                                .replace(
                                        "mic/out desk/ch1 5",
                                        "pad pad-20 @hall\nmic/out pad/in 5\npad/out desk/ch1 1"));
        assertThat(average(at(padded, "desk", "ch1.in")))
                .isCloseTo(average(at(plain, "desk", "ch1.in")) - 20, within(0.1));
        assertThat(average(way(padded).end())).isCloseTo(average(way(plain).end()), within(0.1));
        assertThat(way(padded).signalToNoiseDb()).isLessThan(way(plain).signalToNoiseDb());
    }

    @Test
    void aMicrophoneForTheRoomIsLeftToTheEar() {
        InputGain room = gain(console("apart maren mic 4", "dynamic-mic", ""));
        assertThat(room.turn()).isEmpty();
        assertThat(room.why()).isEqualTo("Maren only comes from afar: set by ear.");
    }
}
