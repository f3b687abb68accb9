package rivulus.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.gear.Block;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.hearing.Loop;
import rivulus.level.Staircase.Worked;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.LiveGraph;
import rivulus.signal.Processing;

/// What processors do to levels, each figure against a calculation by hand in its comment, or
/// against ten thousand moments of a talker.
class ProcessingTest {
    private static final String CONSOLE =
            """
            place hall
            person maren host hall
            near maren mic
            mic dynamic-mic @hall
            desk digital-console @hall %s
            mic/out desk/ch1 5
            ear out track desk/main
            scene all 10
            """;

    private static final String COMPRESSOR = "ch1.compressor=true ch1.compressor.threshold=-24 ";

    private static Show console(String knobs) {
        return RigText.show(CONSOLE.formatted(knobs));
    }

    private static Staircase way(Show show) {
        return PROVER.prove(show).staircase("all", "maren", "out").orElseThrow();
    }

    private static Worked worked(Show show, Kind kind) {
        return way(show).works().stream()
                .filter(worked -> worked.block().kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    private static double heard(Show show) {
        return PROVER.prove(show).scenes().getFirst().of("out", "maren").hearing().levelDb();
    }

    /// Loud moments stand at −18 dBFS, 6 over a threshold of −24: a third of that is left, so 4 dB
    /// go. The average, in mean power, loses what ten thousand moments lose; see below.
    @Test
    void aCompressorHoldsBackWhatIsOverItsThreshold() {
        Worked worked = worked(console(COMPRESSOR), Kind.COMPRESSOR);
        assertThat(worked.inDb()).isCloseTo(0, within(0.05));
        assertThat(worked.outDb()).isCloseTo(-4, within(0.05));
        assertThat(worked.inAverageDb()).isCloseTo(-6, within(0.05));
        assertThat(worked.outAverageDb()).isBetween(-10.5, -9.5);
    }

    /// The hearing takes a processor as it acts on a voice at nominal: −4, and with make-up 0.
    @Test
    void whatIsHeardIsWhatAVoiceAtNominalComesTo() {
        assertThat(heard(console(""))).isCloseTo(0, within(0.1));
        assertThat(heard(console(COMPRESSOR))).isCloseTo(-4, within(0.1));
        assertThat(heard(console(COMPRESSOR + "ch1.compressor.make-up=4")))
                .isCloseTo(0, within(0.1));
    }

    /// By throwing dice: what a leveller behind a compressor adds to loud moments at nominal hangs
    /// on the mean power of everything that the compressor lets out.
    @Test
    void aLevellerBehindACompressorGoesByTheAverageOfAllMoments() {
        Show show = Demo.show("long-read-repaired");
        for (String on : List.of("compressor", "leveller"))
            show =
                    show.withKnob(
                            Ref.of("streaming-program/input1." + on), new Setting.Switch(true));
        LiveGraph live = PROVER.prove(show).scenes().getFirst().tracer().live();
        List<Block> blocks =
                live.graph().legs().stream()
                        .filter(leg -> leg.from().equals(Ref.of("streaming-program/input1")))
                        .filter(leg -> leg.to().name().equals("stream"))
                        .map(leg -> live.positions().blocks(leg))
                        .findFirst()
                        .orElseThrow();
        assertThat(blocks).hasSizeGreaterThan(1);
        double[] moments = new double[200_000];
        Random dice = new Random(1);
        for (int i = 0; i < moments.length; ) {
            double sigmas = dice.nextGaussian();
            if (Math.abs(sigmas) <= 3) moments[i++] = (sigmas - 1) * Speech.SPREAD_DB;
        }
        double over = power(moments) + Speech.SPREAD_DB;
        double loud = 0;
        for (Block block : blocks) {
            double average = power(moments) - over;
            loud = block.after(loud, average);
            for (int i = 0; i < moments.length; i++) moments[i] = block.after(moments[i], average);
        }
        assertThat(Processing.nominalDb(blocks)).isCloseTo(loud, within(0.1));
    }

    private static double power(double[] dbs) {
        double sum = 0;
        for (double db : dbs) sum += Math.pow(10, db / 10);
        return 10 * Math.log10(sum / dbs.length);
    }

    /// A gain of 9 dB more comes in 15 over the threshold: 10 go, so 9 − 10 = −1.
    @Test
    void whatComesInLouderIsHeldBackMore() {
        Staircase way = way(console(COMPRESSOR + "ch1.gain=9"));
        assertThat(way.end().db()).isCloseTo(-1, within(0.05));
        assertThat(way.end().peakDb()).isCloseTo(-1 + 12, within(0.05));
    }

    /// Noise is too soft to be held back: 8 dB of make-up lift it by 8 dB, and the average by as
    /// much less as is held back of it.
    @Test
    void makeUpLiftsTheNoiseByAllOfIt() {
        double plain = way(console("")).end().noiseDb();
        Staircase lifted = way(console(COMPRESSOR + "ch1.compressor.make-up=8"));
        assertThat(lifted.end().noiseDb() - plain).isCloseTo(8, within(0.1));
        double before = way(console("")).signalToNoiseDb();
        double lost = before - lifted.signalToNoiseDb();
        assertThat(lost)
                .isCloseTo(
                        worked(console(COMPRESSOR), Kind.COMPRESSOR).keepingMakeUpDb(),
                        within(0.1));
        double all = 0;
        for (Staircase.Hiss hiss : lifted.hisses()) all += Math.pow(10, hiss.endDb() / 10);
        assertThat(10 * Math.log10(all)).isCloseTo(lifted.end().noiseDb(), within(0.05));
    }

    /// A talker's levels are normal: 6 dB around −24 dBFS. A gate at −36 cuts what is 2 σ under the
    /// average, 2.3 %; it turns what is left in pauses down by its 20 dB.
    @Test
    void aGateCutsTheSoftestWordsAndQuietsThePauses() {
        Show show =
                console("ch1.gate=true ch1.gate.threshold=-36 ch1.gate.range=20 ch1.low-cut=true");
        Staircase way = way(show);
        Worked gate = worked(show, Kind.GATE);
        double threshold = gate.block().level(Part.THRESHOLD);
        assertThat(way.shareUnder(gate, threshold)).isCloseTo(0.02275, within(0.0005));
        double plain = way(console("")).end().noiseDb();
        assertThat(way.end().noiseDb()).isCloseTo(plain, within(0.05));
        assertThat(gate.noiseDb()).isCloseTo(plain, within(0.5));
        assertThat(way.end().pauseDb()).isBetween(plain - 20, plain - 10);
        assertThat(heard(show)).isCloseTo(0, within(0.1));
    }

    /// The ceiling stands at −9 dBFS, 9 over line-up; peaks at 12 come to 9, and 3 dB of headroom
    /// are won.
    @Test
    void aLimiterTakesThePeaksAndNothingElse() {
        Show limited =
                RigText.show(
                        CONSOLE.formatted(
                                        "x1.limiter=true x1.limiter.ceiling=-9 x1.ch1=0 ch1.main=false")
                                .replace("desk/main", "desk/x1.post"));
        Staircase way = way(limited);
        assertThat(way.end().db()).isCloseTo(0, within(0.05));
        assertThat(way.end().peakDb()).isCloseTo(9, within(0.05));
        assertThat(way.end().peakDb()).isCloseTo(9, within(0.05));
    }

    /// It looks ahead 2 ms, and the sound is late by them.
    @Test
    void lookingAheadTakesItsTime() {
        String direct = "x1.ch1=0 ch1.main=false";
        double plain = ms(direct);
        assertThat(ms(direct + " x1.limiter=true") - plain).isCloseTo(2, within(0.01));
    }

    private static double ms(String knobs) {
        Show show = RigText.show(CONSOLE.formatted(knobs).replace("desk/main", "desk/x1.post"));
        return PROVER.prove(show)
                .scenes()
                .getFirst()
                .of("out", "maren")
                .hearing()
                .arrivals()
                .getFirst()
                .ms();
    }

    /// What nobody turns makes no difference: order and figures of what is off.
    @Test
    void whatIsOffDoesNothing() {
        assertThat(heard(console("ch1.compressor.make-up=20 ch1.order=gate")))
                .isEqualTo(heard(console("")));
    }

    /// The order is the one that the choice says.
    @Test
    void theOrderIsTheOneThatStands() {
        String both = "ch1.gate=true ch1.low-cut=true ";
        assertThat(kinds(console(both))).containsExactly(Kind.LOW_CUT, Kind.GATE);
        assertThat(kinds(console(both + "ch1.order=gate")))
                .containsExactly(Kind.GATE, Kind.LOW_CUT);
    }

    private static List<Kind> kinds(Show show) {
        return way(show).works().stream().map(worked -> worked.block().kind()).toList();
    }

    /// Ten thousand moments of a talker, one by one through the curve: shares, range and the
    /// make-up that keeps the power.
    @Test
    void whatIsToldOfATalkerIsSoOfTenThousandMoments() {
        Show show = console(COMPRESSOR + "ch1.gain=4");
        Staircase way = way(show);
        Worked worked = worked(show, Kind.COMPRESSOR);
        Random random = new Random(7);
        double[] out = new double[10_000];
        double before = 0;
        double after = 0;
        for (int i = 0; i < out.length; i++) {
            double in = -6 + 4 + 6 * random.nextGaussian();
            double over = in + 6;
            double back =
                    over < -3
                            ? 0
                            : over < 3 ? (2 / 3.0) * (over + 3) * (over + 3) / 12 : over * 2 / 3;
            out[i] = in - back;
            if (Math.abs(in + 2) <= 18) {
                before += Math.pow(10, in / 10);
                after += Math.pow(10, out[i] / 10);
            }
        }
        Arrays.sort(out);
        assertThat(way.rangeLu()).isCloseTo(out[9500] - out[1000], within(0.3));
        assertThat(Staircase.rangeOfSpeechLu()).isCloseTo(17.56, within(0.02));
        assertThat(worked.keepingMakeUpDb())
                .isCloseTo(10 * Math.log10(before / after), within(0.3));
    }

    /// A loop begins softly: a compressor that adds nothing to a voice adds all its make-up to it.
    @Test
    void makeUpTakesItsPartOfTheLoopMargin() {
        String loop =
                """
                place hall
                person maren host hall
                mic dynamic-mic @hall
                near maren mic
                desk digital-console @hall ch1.fader=-12 %s
                speakers loudspeaker-pair @hall
                mic/out desk/ch1 5
                desk/main-out speakers/in 5
                ear out track desk/main
                scene all 10
                """;
        double plain = margin(RigText.show(loop.formatted("")));
        assertThat(plain).isPositive();
        String even = COMPRESSOR + "ch1.compressor.make-up=4";
        assertThat(margin(RigText.show(loop.formatted(even)))).isCloseTo(plain - 4, within(0.01));
    }

    private static double margin(Show show) {
        return PROVER.prove(show).scenes().getFirst().tracer().loops().stream()
                .mapToDouble(Loop::marginDb)
                .min()
                .orElseThrow();
    }

    /// A leveller brings the average to its target by its range at most, whoever talks.
    @Test
    void aLevellerBringsTheAverageToItsTarget() {
        String on = "ch1.leveller=true ch1.leveller.target=-24 ch1.leveller.range=6 ";
        assertThat(way(console(on + "ch1.gain=-4")).end().averageDb()).isCloseTo(-6, within(0.05));
        assertThat(way(console(on + "ch1.gain=-10")).end().averageDb())
                .isCloseTo(-10, within(0.05));
    }
}
