package rivulus.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.file.DemoShows;
import rivulus.file.Templates;
import rivulus.leads.Survey;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;

/// Budgets of delay, buffers, clocks, and sound against picture.
class TimingTest {
    private static Survey survey(Show show) {
        return Survey.of(show, Demo.PROVER.catalogue(), Templates.leads());
    }

    private static SceneProof first(Show show) {
        return Demo.PROVER.prove(show).scenes().getFirst();
    }

    static Stream<String> everyShow() {
        return DemoShows.all().keySet().stream();
    }

    @ParameterizedTest
    @MethodSource("everyShow")
    void theMajorPartsOfEveryBudgetSumToTheDelayOfItsWay(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (SceneProof scene : proof.scenes())
            for (SceneProof.Heard cell : scene.all()) {
                if (cell.hearing().levelDb() < -60) continue;
                Optional<DelayBudget> budget =
                        DelayBudget.of(scene, cell.ear().id(), cell.source().id());
                if (budget.isEmpty()) continue;
                double sum = budget.get().parts().stream().mapToDouble(p -> p.delay().ms()).sum();
                assertThat(sum)
                        .as("%s of %s", cell.ear().id(), cell.source().id())
                        .isCloseTo(budget.get().way().ms(), within(1e-6));
                for (DelayBudget.Part part : budget.get().parts())
                    assertThat(part.delay().minMs())
                            .isLessThanOrEqualTo(part.delay().ms())
                            .isNotNegative();
            }
    }

    @Test
    void theCallersEchoIsMostlyNetwork() {
        SceneProof tales =
                Demo.PROVER.prove(Demo.show("lantern-hour")).scene("tales").orElseThrow();
        DelayBudget budget = DelayBudget.of(tales, "nadia", "nadia").orElseThrow();
        assertThat(budget.words()).startsWith("296\u202Fms (").contains(": network ");
        DelayBudget.Part network =
                budget.parts().stream()
                        .filter(p -> p.what().equals("network"))
                        .findFirst()
                        .orElseThrow();
        assertThat(network.delay().ms()).isGreaterThan(budget.way().ms() / 2);
    }

    // Buffers

    private static BufferAdvice advice(String show, double wantedMs) {
        return advice(show, wantedMs, 48_000);
    }

    private static BufferAdvice advice(String show, double wantedMs, int rateHz) {
        SceneProof scene = first(Demo.show(show));
        KnobUse buffer =
                scene.tracer().live().graph().knobs().stream()
                        .filter(use -> use.knob().role() == BufferAdvice.ROLE)
                        .findFirst()
                        .orElseThrow();
        return scene.show().ears().stream()
                .flatMap(ear -> BufferAdvice.of(scene, buffer, ear, rateHz, wantedMs).stream())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aBufferIsAsLargeAsTheRoundTripAllows() {
        BufferAdvice advice = advice("lute-evening", 25);
        assertThat(advice.rows()).hasSizeGreaterThan(3);
        for (int r = 1; r < advice.rows().size(); r++)
            assertThat(advice.rows().get(r).roundTripMs())
                    .isGreaterThan(advice.rows().get(r - 1).roundTripMs());
        BufferAdvice.Row best = advice.best().orElseThrow();
        assertThat(best.roundTripMs()).isLessThanOrEqualTo(25);
        assertThat(advice.rows())
                .filteredOn(row -> row.frames() > best.frames())
                .allMatch(row -> row.roundTripMs() > 25);
        assertThat(advice.words()).startsWith(best.frames() + " frames keep the round trip at");
        assertThat(best.bufferMs()).isCloseTo(best.frames() / 48.0, within(1e-9));
    }

    /// At twice the rate a buffer of as many frames lasts half as long.
    @Test
    void atAHigherRateTheSameBufferIsShorter() {
        BufferAdvice usual = advice("lute-evening", 25);
        BufferAdvice high = advice("lute-evening", 25, 96_000);
        for (int r = 0; r < usual.rows().size(); r++) {
            BufferAdvice.Row slow = usual.rows().get(r);
            BufferAdvice.Row quick = high.rows().get(r);
            assertThat(quick.bufferMs()).isCloseTo(slow.bufferMs() / 2, within(1e-9));
            assertThat(quick.roundTripMs()).isLessThan(slow.roundTripMs());
        }
        double gap = usual.rows().get(2).roundTripMs() - usual.rows().get(1).roundTripMs();
        assertThat(high.rows().get(2).roundTripMs() - high.rows().get(1).roundTripMs())
                .isCloseTo(gap / 2, within(1e-9));
    }

    @Test
    void whereNoBufferIsShortEnoughHardwareIsAdvised() {
        assertThat(advice("lute-evening", 1).words())
                .contains("No buffer is short enough", "listen direct in hardware");
    }

    @Test
    void oneBufferStandsAsItIs() {
        assertThat(advice("lute-evening", 25).rows())
                .filteredOn(BufferAdvice.Row::stands)
                .singleElement()
                .matches(row -> row.frames() == 512);
    }

    // Clocks

    @ParameterizedTest(name = "{0} at {1}, {2} at {3}: {4}")
    @CsvSource({
        "internal, 48000, net, 48000, fine",
        "net, 48000, internal, 48000, fine",
        "internal, 48000, internal, 48000, drift",
        "internal, 48000, net, 44100, rate"
    })
    void twoConsolesOnANetworkWantOneRateAndOneMaster(
            String clockA, String rateA, String clockB, String rateB, String verdict) {
        Show show =
                RigText.show(
                        """
                        a digital-console clock=%s rate="%s"
                        b digital-console clock=%s rate="%s"
                        a/net b/net 5
                        """
                                .formatted(clockA, rateA, clockB, rateB));
        List<ClockTrouble> troubles = ClockTrouble.all(survey(show));
        switch (verdict) {
            case "fine" -> assertThat(troubles).isEmpty();
            case "drift" ->
                    assertThat(troubles).isNotEmpty().allMatch(t -> t.sentence().contains("drift"));
            default ->
                    assertThat(troubles)
                            .isNotEmpty()
                            .allMatch(t -> t.severity() == Severity.PROBLEM)
                            .allMatch(t -> t.sentence().contains("44.1"));
        }
    }

    private static List<String> paths(String rig) {
        return DigitalPath.all(survey(RigText.show(rig))).stream()
                .map(p -> p.from().device().id() + " " + p.to().device().id() + " " + p.words())
                .map(words -> words.replace('\u202F', ' '))
                .toList();
    }

    @Test
    void everyDigitalPathSaysItsRateAndItsMaster() {
        assertThat(paths("d show-desk\n l laptop\n d/usb1 l/usb-1 1"))
                .containsExactly("d l 48 kHz by the clock of d");
        assertThat(
                        paths(
                                "i interface-2\n h powered-hub\n l laptop\n i/usb h/usb-1 1\n h/up l/usb-1 1"))
                .as("behind a hub")
                .containsExactly("i l 48 kHz by the clock of i");
        assertThat(paths("m dynamic-mic\n d show-desk\n m/out d/mic1 5"))
                .as("nothing digital")
                .isEmpty();
    }

    @Test
    void whoFollowsPassesOnTheClockOfItsMaster() {
        assertThat(
                        paths(
                                """
                                a digital-console clock=internal
                                b digital-console clock=net
                                l laptop
                                a/net b/net 5
                                b/usb l/usb-1 2
                                """))
                .containsExactly("a b 48 kHz by the clock of a", "b l 48 kHz by the clock of a");
    }

    @Test
    void anInputWithAConverterTakesWhatComes() {
        assertThat(paths("s set-top-box\n m streaming-mixer\n s/optical m/optical 2"))
                .containsExactly("s m 48 kHz by the clock of s; m converts it to its own");
    }

    @Test
    void twoThatFollowNobodyAreToldOnceAndTwoRatesToo() {
        String rig = "a digital-console\n b digital-console rate=\"%s\"\n a/net b/net 5";
        assertThat(paths(rig.formatted(48_000)))
                .containsExactly("a b 48 kHz by two clocks, which drift apart");
        assertThat(paths(rig.formatted(44_100)))
                .containsExactly("a b sent at 48 kHz, taken at 44.1 kHz");
    }

    @Test
    void aMachineWithoutAClockHasNoRate() {
        Show show = RigText.show("m dynamic-mic\n d show-desk");
        Survey survey = survey(show);
        assertThat(Rates.of(survey, show.rig().devices().getFirst())).isZero();
        assertThat(Rates.of(survey, show.rig().devices().getLast())).isEqualTo(48_000);
        assertThat(Rates.words(44_100)).isEqualTo("44.1\u202FkHz");
    }

    // Sound against picture

    /// A talker in front of a camera whose picture goes by a capture device, and whose microphone
    /// goes straight into an interface.
    private static Show filmed(double soundDelayMs) {
        return RigText.show(
                """
                place hall
                near maren m
                person maren host hall
                m dynamic-mic @hall
                i interface-2 @hall
                k camera @hall
                c capture-device @hall
                l laptop @hall
                p streaming-program on:l input1.of=i/main input1.offset=%s picture.of=c/capture
                ear stream stream p/stream
                m/out i/in1 3
                i/usb l/usb-1 1
                k/hdmi c/hdmi 2
                c/usb l/usb-2 1
                """
                        .formatted(soundDelayMs));
    }

    private static PictureSync sync(double soundDelayMs) {
        Show show = filmed(soundDelayMs);
        List<PictureSync> all = PictureSync.all(first(show), survey(show));
        assertThat(all).isNotEmpty();
        return all.getFirst();
    }

    @Test
    void soundThatNobodyDelaysIsAheadOfACapturedPicture() {
        PictureSync early = sync(0);
        assertThat(early.offsetMs()).isNegative();
        assertThat(early.words()).contains(" early against the picture of k; anywhere from ");
        assertThat(early.leastMs()).isLessThan(early.offsetMs());
        assertThat(early.mostMs()).isGreaterThan(early.offsetMs());
        assertThat(early.knobs()).extracting(Object::toString).contains("p/input1.offset");
    }

    @Test
    void delayedByAsMuchItIsInStep() {
        double early = -sync(0).offsetMs();
        PictureSync inStep = sync(Math.rint(early));
        assertThat(Math.abs(inStep.offsetMs())).isLessThan(1);
        assertThat(inStep.severity()).isEmpty();
    }

    @ParameterizedTest(name = "{0} ms: {1}")
    @CsvSource({
        "-91, problem", "-46, caution", "-41, note", "-39, fine",
        "59, fine", "61, note", "126, caution", "186, problem"
    })
    void theLimitsAreThoseOfTheStandards(double offsetMs, String verdict) {
        double early = -sync(0).offsetMs();
        double delay = early + offsetMs;
        if (delay < 0) return;
        Optional<Severity> severity = sync(delay).severity();
        assertThat(severity.map(Severity::word).orElse("fine")).isEqualTo(verdict);
    }

    @Test
    void aPictureGoesByTheGearItIsWiredThrough() {
        List<PictureWay> ways = PictureWay.all(survey(filmed(0)));
        assertThat(ways).hasSize(1);
        assertThat(ways.getFirst().stations()).containsExactly("k", "c", "p");
        assertThat(ways.getFirst().delay().ms()).isPositive();
    }
}
