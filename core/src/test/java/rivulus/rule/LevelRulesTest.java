package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.check.Trouble;
import rivulus.file.Evening;
import rivulus.level.Staircase;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Limit;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Severity;

/// What clips and what hisses, by the proof.
class LevelRulesTest {
    private static final String CONSOLE =
            """
            place hall
            person maren host hall
            %s
            mic dynamic-mic @hall
            desk digital-console @hall %s
            mic/out desk/ch1 5
            ear out stream desk/main
            """;

    private static List<Finding> found(Show show, String rule) {
        return PROVER.prove(show).findings().stream()
                .filter(finding -> finding.rule().equals(rule))
                .toList();
    }

    /// Peaks at −6 dBFS and 10 dB more: 4 over. A talker's level is normal with σ = 6 dB, loud
    /// moments one σ up: they clip from 1 − 4/6 σ on, Φ(−1/3) = 37 % of the time.
    @Test
    void aGainThatIsUpTooFarClipsAndIsTurnedDownByJustThat() {
        Show hot = RigText.show(CONSOLE.formatted("near maren mic", "ch1.gain=10"));
        Finding clips = found(hot, "clipping").getFirst();
        assertThat(clips.headline())
                .isEqualTo(
                        "Maren clips at desk, channel 1 by 4.0\u202FdB when loud, about 37 % of the"
                                + " time");
        assertThat(clips.severity()).isEqualTo(Severity.PROBLEM);
        Proof proof = PROVER.prove(hot);
        Trouble trouble =
                Trouble.of(proof).stream()
                        .filter(t -> t.id().startsWith("clipping"))
                        .findFirst()
                        .orElseThrow();
        Remedy remedy = Remedies.of(PROVER, proof, trouble, 3).stream().findFirst().orElseThrow();
        assertThat(found(remedy.change().after(), "clipping")).isEmpty();
        assertThat(remedy.turns()).hasSize(1);
        assertThat(remedy.turns().getFirst().knob().name()).isEqualTo("ch1.gain");
    }

    @Test
    void atNominalNothingClipsAndALeadThatBringsTooMuchIsToldOfTheLead() {
        assertThat(found(RigText.show(CONSOLE.formatted("near maren mic", "")), "clipping"))
                .isEmpty();
        Show hall = Demo.show("choir-night-repaired");
        assertThat(found(hall, "clipping")).isEmpty();
        assertThat(PROVER.prove(hall).survey().leads())
                .anyMatch(lead -> lead.passages().stream().anyMatch(p -> p.headroomDb() < 0));
    }

    /// 2 m from a microphone worked at 0.08, in a room of 2.5 m at 30 dB(A): 60 − 3.9 dB(A) at the
    /// capsule over the room's 30, 26 dB and less for all that hisses behind it.
    @Test
    void whoIsFarFromTheMicrophoneIsHeardWithTheRoom() {
        Show far = RigText.show(CONSOLE.formatted("apart maren mic 2", ""));
        Finding hiss = found(far, "noise").getFirst();
        assertThat(hiss.severity()).isEqualTo(Severity.CAUTION);
        assertThat(hiss.figures().get("signalToNoiseDb")).isCloseTo(25.8, within(0.3));
        assertThat(hiss.sentence()).contains("most of it is the room around mic");
        assertThat(found(RigText.show(CONSOLE.formatted("near maren mic", "")), "noise")).isEmpty();
    }

    static List<String> evenings() {
        return Evening.ALL.stream().map(Evening::file).toList();
    }

    /// Two ways of working the same out: every way searched for by itself, and what the proof asks
    /// of the few that are not clear for certain. Ways that are equally strong may differ.
    @ParameterizedTest
    @MethodSource("evenings")
    void whatTheProofTellsIsWhatEveryStaircaseTells(String evening) {
        Show show = Demo.show(evening);
        Proof proof = PROVER.prove(show);
        SceneProof scene = proof.scenes().getFirst();
        double noise = scene.limit(Limit.NOISE);
        double most = scene.limit(Limit.OVERLOAD);
        List<String> told = new ArrayList<>();
        List<String> searched = new ArrayList<>();
        for (SceneProof.Coming comes : scene.comings())
            if (isWrong(comes.way(), noise, most)) told.add(name(comes.cell()));
        for (SceneProof.Heard cell : scene.all())
            if (cell.standing().wish() == Wish.MUST
                    && cell.hearing().levelDb() >= scene.limit(Limit.HEARD)
                    && proof.staircase(scene.scene().id(), cell.source().id(), cell.ear().id())
                            .filter(way -> isWrong(way, noise, most))
                            .isPresent()) searched.add(name(cell));
        assertThat(told).isEqualTo(searched);
    }

    private static boolean isWrong(Staircase way, double noise, double most) {
        return way.signalToNoiseDb() < noise
                || Math.min(-way.headroomDb(), way.tightest().db()) > most;
    }

    private static String name(SceneProof.Heard cell) {
        return cell.source().id() + " at " + cell.ear().id();
    }
}
