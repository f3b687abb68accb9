package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Habit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;

/// What is wrong with gates, compressors and their kin, and what ends it.
class ProcessingRulesTest {
    private static final String DESK =
            """
            place hall
            person maren host hall
            near maren mic
            mic dynamic-mic @hall
            desk digital-console @hall %s
            pc laptop @hall
            prog streaming-program on:pc input1.of=desk/usb %s
            mic/out desk/ch1 5
            desk/usb pc/usb-1 2
            ear stream stream prog/stream
            scene all 10
            """;

    private static Show show(String desk, String program) {
        return RigText.show(DESK.formatted("usb.feed=main " + desk, program));
    }

    private static List<Finding> found(Show show, String rule) {
        return PROVER.prove(show).findings().stream()
                .filter(finding -> finding.rule().equals(rule))
                .toList();
    }

    private static Show cured(Show show, String rule) {
        Proof proof = PROVER.prove(show);
        Finding finding = found(show, rule).getFirst();
        Remedy first = Remedies.of(PROVER, proof, finding, 1).all().getFirst();
        assertThat(found(first.change().after(), rule)).isEmpty();
        return first.change().after();
    }

    private static Setting knob(Show show, String device, String knob) {
        return show.rig().device(device).orElseThrow().knobs().get(knob);
    }

    /// The average talks at −24 dBFS, σ 6 dB: at −30 a gate cuts what is a σ softer, 16 %. The room
    /// lies near −76 dBFS.
    @Test
    void aGateThatCutsWordsIsOpenedFurther() {
        Show cuts = show("ch1.gate=true ch1.gate.threshold=-30", "");
        Finding finding = found(cuts, "gate").getFirst();
        assertThat(finding.headline())
                .isEqualTo("desk · channel 1 gate cuts about 16 % of what maren says");
        assertThat(finding.figures().get("cutPercent")).isCloseTo(15.87, within(0.1));
        Show cured = cured(cuts, "gate");
        assertThat(knob(cured, "desk", "ch1.gate")).isEqualTo(new Setting.Switch(true));
        double to = ((Setting.Level) knob(cured, "desk", "ch1.gate.threshold")).db();
        assertThat(to).isBetween(-68.0, -36.0);
    }

    @Test
    void aGateInTheNoiseNeverCloses() {
        Show open = show("ch1.gate=true ch1.gate.threshold=-78", "");
        assertThat(found(open, "gate").getFirst().headline())
                .startsWith("desk · channel 1 gate hardly ever closes: it opens at −78\u202FdBFS");
        cured(open, "gate");
    }

    @Test
    void aGateThatStandsWellIsNotTold() {
        assertThat(found(show("ch1.gate=true", ""), "gate")).isEmpty();
    }

    /// Turning a threshold moves nothing in what is heard, and yet is judged anew.
    @Test
    void aTurnOfAThresholdIsJudgedThoughNothingIsHeardOfIt() {
        Show well = show("ch1.gate=true", "");
        Proof before = PROVER.prove(well);
        before.findings();
        Turn turn =
                new Turn(
                        new Ref("desk", "ch1.gate.threshold"),
                        new Setting.Level(-45),
                        new Setting.Level(-26),
                        Optional.empty());
        Proof after = PROVER.prove(well.with(turn), before);
        assertThat(after.findings()).anyMatch(f -> f.rule().equals("gate"));
    }

    @Test
    void aGateBeforeTheLowCutIsPutBehindIt() {
        Show other = show("ch1.gate=true ch1.low-cut=true ch1.order=gate", "");
        assertThat(found(other, "chain-order").getFirst().headline())
                .contains("the gate hears what the low cut takes out behind it");
        assertThat(knob(cured(other, "chain-order"), "desk", "ch1.order"))
                .isEqualTo(new Setting.Choice("low-cut"));
        assertThat(found(show("ch1.gate=true ch1.low-cut=true", ""), "chain-order")).isEmpty();
    }

    @Test
    void whatIsLimitedIsNotLiftedAgain() {
        String both = "input1.limiter=true input1.compressor=true input1.compressor.make-up=6 ";
        assertThat(found(show("", both), "chain-order")).isEmpty();
        Show first = show("", both + "input1.order=limit-first");
        assertThat(found(first, "chain-order").getFirst().headline())
                .contains("what is limited is lifted again");
        assertThat(knob(cured(first, "chain-order"), "prog", "input1.order"))
                .isEqualTo(new Setting.Choice("limit-last"));
    }

    /// The limiter of a desk before the link, lifted in the program behind it.
    @Test
    void theOrderIsThatOfTheWholeWay() {
        Show far =
                show(
                        "ch1.compressor=true ch1.compressor.make-up=4",
                        "input1.gate=true input1.gate.threshold=-50");
        assertThat(found(far, "chain-order").getFirst().headline())
                .isEqualTo(
                        "desk · channel 1 compressor stands before prog · sound input 1 gate on the"
                                + " way of maren: what it lifts in pauses keeps the gate open");
    }

    @Test
    void twoCompressorsInARowAreOneTooMany() {
        Show twice = show("ch1.compressor=true", "input1.compressor=true");
        Finding finding = found(twice, "processed-twice").getFirst();
        assertThat(finding.headline())
                .isEqualTo(
                        "Maren goes through two compressors in a row: desk · channel 1 compressor"
                                + " and prog · sound input 1 compressor");
        Show cured = cured(twice, "processed-twice");
        assertThat(knob(cured, "desk", "ch1.compressor")).isEqualTo(new Setting.Switch(true));
        Show liked = liking(twice, "streaming");
        assertThat(knob(cured(liked, "processed-twice"), "prog", "input1.compressor"))
                .isEqualTo(new Setting.Switch(true));
    }

    private static Show liking(Show show, String way) {
        return show.withChecks(show.checks().with(show.habits().with(Habit.COMPRESS, way)));
    }

    @Test
    void whereSomebodyLikesToCompressIsFollowedWhereTheySaidSo() {
        Show inProgram = show("", "input1.compressor=true");
        assertThat(found(inProgram, "compressed-elsewhere")).isEmpty();
        assertThat(found(liking(inProgram, "streaming"), "compressed-elsewhere")).isEmpty();
        Show desk = liking(inProgram, "desk");
        assertThat(found(desk, "compressed-elsewhere").getFirst().headline())
                .isEqualTo(
                        "prog · sound input 1 compressor compresses maren; voices are to be"
                                + " compressed in the desk, before the link");
        Show cured = cured(desk, "compressed-elsewhere");
        assertThat(knob(cured, "desk", "ch1.compressor")).isEqualTo(new Setting.Switch(true));
        assertThat(knob(cured, "prog", "input1.compressor")).isEqualTo(new Setting.Switch(false));
    }

    @Test
    void aLevellerIsKeptOffTheSumWithMusic() {
        Show together =
                RigText.show(
                        DESK.formatted("usb.feed=main", "input1.leveller=true")
                                + "plays tune music desk/st1.pre\n");
        assertThat(found(together, "levelled-together").getFirst().headline())
                .isEqualTo(
                        "prog · sound input 1 leveller levels maren together with the tune: it lifts"
                                + " what plays wherever nobody talks");
        cured(together, "levelled-together");
        assertThat(found(show("ch1.leveller=true", ""), "levelled-together")).isEmpty();
    }

    /// The evening that shows them, as first built and as repaired.
    @Test
    void theLongReadHasThemAllAndRepairedNone() {
        assertThat(PROVER.prove(Demo.show("long-read")).findings())
                .extracting(Finding::rule)
                .contains("gate", "chain-order", "processed-twice", "levelled-together");
        assertThat(PROVER.prove(Demo.show("long-read-repaired")).findings())
                .extracting(Finding::rule)
                .containsOnly("copy");
    }

    private static final String TABLE =
            """
            place hall
            person maren host hall
            person ivo guest hall
            near maren mic
            near ivo mic2
            mic dynamic-mic @hall
            mic2 dynamic-mic @hall
            desk show-desk @hall %s
            pc laptop @hall
            prog streaming-program on:pc input1.of=desk/usb2
            mic/out desk/mic1 5
            mic2/out desk/mic2 5
            desk/usb2 pc/usb-1 2
            headset headphones worn:ivo
            desk/phones1 headset/in
            ear stream stream prog/stream
            ear ivo person ivo
            scene all 90
            """;

    /// A fader 8 dB up is told of who is off, and turned back.
    @Test
    void whoGoesOutLouderIsTurnedDown() {
        assertThat(found(RigText.show(TABLE.formatted("")), "uneven")).isEmpty();
        Show loud = RigText.show(TABLE.formatted("mic2.fader=8"));
        Finding finding = found(loud, "uneven").getFirst();
        assertThat(finding.headline())
                .isEqualTo("The stream hears ivo 8.0\u202FLU louder than maren");
        cured(loud, "uneven");
        Show soft = RigText.show(TABLE.formatted("mic2.fader=-8"));
        assertThat(found(soft, "uneven").getFirst().headline())
                .isEqualTo("The stream hears ivo 8.0\u202FLU softer than maren");
        cured(soft, "uneven");
    }

    /// Earpieces give the loud moments of a nominal voice at 76 dB, the average at 70: 24 dB more
    /// are 94 dB(A), and over 90 of 480 minutes 94 − 7.3 = 86.7.
    @Test
    void whatIsTooMuchForTheEarsIsTurnedDown() {
        assertThat(found(RigText.show(TABLE.formatted("phones1.level=10")), "loud-ears")).isEmpty();
        Show loud = RigText.show(TABLE.formatted("phones1.level=10 mic1.fader=8 mic1.gain=6"));
        Finding finding = found(loud, "loud-ears").getFirst();
        assertThat(finding.figures().get("spl")).isCloseTo(94, within(0.2));
        assertThat(finding.figures().get("overDb")).isCloseTo(6.7, within(0.2));
        assertThat(finding.headline()).contains("at about 94\u202FdB(A)", "mind local rules");
        cured(loud, "loud-ears");
    }

    /// A plug that carries the left side alone.
    @Test
    void whoHearsOneSideOnlyIsTold() {
        String box =
                """
                {"template": "box", "name": "Box", "kind": "desk", "points": [
                  {"id": "play", "channels": 2}, {"id": "out", "channels": 2}],
                 "routes": [{"from": "play", "to": "out"%s}]}
                """;
        String show =
                """
                plays tune music box/play
                box box
                ear stream stream box/out
                scene all 10
                """;
        assertThat(found(RigText.show(show, box.formatted("")), "one-side")).isEmpty();
        Show left =
                RigText.show(
                        show,
                        box.formatted(
                                ", \"map\": [{\"from\": 0, \"to\": 0}, {\"from\": 0, \"to\": 1}]"));
        assertThat(found(left, "one-side").getFirst().headline())
                .isEqualTo("The stream hears only the left side of the tune");
    }

    /// Voices at nominal come out at −24 LUFS, 8 under −16: a make-up of 8 with the limiter on.
    @Test
    void whoSetsLevelsByLoudnessIsToldWhatGoesOut() {
        Show nominal = RigText.show(TABLE.formatted(""));
        assertThat(found(nominal, "loudness")).isEmpty();
        Show liked =
                nominal.withChecks(
                        nominal.checks().with(nominal.habits().with(Habit.LEVEL, "loudness")));
        assertThat(found(liked, "loudness").getFirst().headline())
                .isEqualTo(
                        "The stream goes out at about −24\u202FLUFS, 8\u202FLU softer than"
                                + " −16\u202FLUFS");
        Show cured = cured(liked, "loudness");
        assertThat(knob(cured, "prog", "input1.limiter")).isEqualTo(new Setting.Switch(true));
        assertThat(found(cured, "clipping")).isEmpty();
    }
}
