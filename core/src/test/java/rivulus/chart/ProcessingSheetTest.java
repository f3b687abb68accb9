package rivulus.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.edit.Edit;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.level.Staircase;
import rivulus.level.StartingPoints;
import rivulus.show.Habit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;

/// What acts on a voice on its way, as the stage of levels tells it; where to begin; before a link
/// and behind it side by side.
class ProcessingSheetTest {
    private static final Show TALK = Demo.show("tide-table-talk");

    private static Proof proof(Show show) {
        return PROVER.prove(show);
    }

    private static ProcessingSheet sheet(Show show, String ear, String source) {
        Proof proof = proof(show);
        SceneProof scene = proof.scenes().getFirst();
        var at = show.ear(ear).orElseThrow();
        return ProcessingSheet.of(
                proof, scene, at, LevelSheet.of(proof, scene, at, source).chosen().orElseThrow());
    }

    private static Field.Choice choice(Form form, String id) {
        return (Field.Choice) form.field(id).orElseThrow();
    }

    @Test
    void everyProcessorOnTheWayIsThereAndTurnedFromThere() {
        ProcessingSheet off = sheet(TALK, "stream", "maren");
        assertThat(off.words()).isEqualTo("All that stand on the way are off.");
        assertThat(off.form().fields())
                .extracting(Field::id)
                .contains(
                        "show-desk/mic1.low-cut",
                        "show-desk/mic1.gate",
                        "show-desk/mic1.compressor",
                        "streaming-program/input1.order",
                        "streaming-program/input1.limiter")
                .doesNotContain("show-desk/mic1.compressor.threshold", "show-desk/mic2.gate");
        Show on = choice(off.form(), "show-desk/mic1.compressor").to().apply("on").after();
        Form form = sheet(on, "stream", "maren").form();
        assertThat(choice(form, "show-desk/mic1.compressor").told())
                .isEqualTo(
                        "Loud moments −4.0\u202FdB, the average −4.1\u202FdB; a make-up of"
                                + " 4.1\u202FdB keeps it as loud.");
        Field.Text threshold =
                (Field.Text) form.field("show-desk/mic1.compressor.threshold").orElseThrow();
        assertThat(threshold.label()).isEqualTo("Threshold, dBFS");
        assertThat(threshold.value()).isEqualTo("−24");
        Edit turned = threshold.to().apply("−30,2");
        assertThat(turned.after().rig().device("show-desk").orElseThrow().knobs())
                .containsEntry("mic1.compressor.threshold", new Setting.Level(-30));
        assertThat(turned.name())
                .isEqualTo("Turn Show desk · MIC 1 compressor threshold to −30.0\u202FdBFS");
    }

    @Test
    void aNumberThatCannotBeIsSaidInWords() {
        Show on = TALK.with(turn(TALK, "show-desk", "mic1.gate", new Setting.Switch(true)));
        Field.Text threshold =
                (Field.Text)
                        sheet(on, "stream", "maren")
                                .form()
                                .field("show-desk/mic1.gate.threshold")
                                .orElseThrow();
        assertThatThrownBy(() -> threshold.to().apply("5"))
                .hasMessage("This is a number from -80 to 0.");
    }

    private static Turn turn(Show show, String device, String knob, Setting to) {
        return new Turn(new Ref(device, knob), new Setting.Switch(false), to, Optional.empty());
    }

    /// One low cut and one compressor for each microphone that goes out, one limiter for all; the
    /// average stays where it was, and nothing is found that was not.
    @Test
    void theUsualBeginningKeepsTheAverageAndBringsNothing() {
        for (String way : List.of("desk", "streaming")) {
            Show liked =
                    TALK.withChecks(TALK.checks().with(TALK.habits().with(Habit.COMPRESS, way)));
            Proof before = proof(liked);
            Show begun =
                    sheet(liked, "stream", "maren")
                            .form()
                            .deed("starting-points")
                            .orElseThrow()
                            .edit()
                            .orElseThrow()
                            .after();
            Proof after = proof(begun);
            assertThat(after.findings().size()).isLessThanOrEqualTo(before.findings().size());
            var desk = begun.rig().device("show-desk").orElseThrow().knobs();
            var program = begun.rig().device("streaming-program").orElseThrow().knobs();
            assertThat(desk.containsKey("mic2.compressor")).isEqualTo(way.equals("desk"));
            assertThat(program.containsKey("input1.compressor")).isNotEqualTo(way.equals("desk"));
            assertThat(program).containsEntry("input1.limiter", new Setting.Switch(true));
            assertThat(desk).containsEntry("mic1.low-cut", new Setting.Switch(true));
            Staircase then = way(after, "stream");
            assertThat(then.rangeLu()).isLessThan(13);
            assertThat(then.end().averageDb())
                    .isCloseTo(way(before, "stream").end().averageDb(), within(0.4));
            assertThat(sheet(begun, "stream", "maren").form().deed("starting-points")).isEmpty();
        }
    }

    private static Staircase way(Proof proof, String ear) {
        return proof.staircase(proof.show().scenes().getFirst().id(), "maren", ear).orElseThrow();
    }

    /// A lead into a laptop's jack hisses. Compressed before it the voice is lifted over that, and
    /// behind it the hiss is lifted with the voice: by all of the make-up, as far as the link is
    /// what hisses.
    @Test
    void beforeANoisyLinkTheNoiseIsLowerByTheMakeUp() {
        Show show =
                RigText.show(
                        """
                        place hall
                        person maren host hall
                        near maren mic
                        mic dynamic-mic @hall
                        desk show-desk @hall lineA.level=-20
                        pc laptop @hall
                        prog streaming-program on:pc input1.of=pc/line-in
                        mic/out desk/mic1 5
                        desk/lineA pc/line-in 2
                        ear stream stream prog/stream
                        scene all 10
                        """);
        Proof proof = proof(show);
        Person maren = show.cast().person("maren").orElseThrow();
        var live = proof.scenes().getFirst().tracer().live();
        Staircase before =
                StartingPoints.compressed(show, proof.levels(), live, maren, "stream", false)
                        .orElseThrow();
        Staircase behind =
                StartingPoints.compressed(show, proof.levels(), live, maren, "stream", true)
                        .orElseThrow();
        double makeUp = behind.works().getFirst().block().at(Part.MAKE_UP);
        assertThat(makeUp).isBetween(3.0, 5.0);
        assertThat(before.end().averageDb()).isCloseTo(behind.end().averageDb(), within(0.3));
        assertThat(behind.end().noiseDb() - before.end().noiseDb())
                .isBetween(0.5 * makeUp, makeUp + 0.01);
        assertThat(sheet(show, "stream", "maren").orders())
                .hasSize(2)
                .first()
                .asString()
                .startsWith("Compressed in the desk, before the link: noise at ");
    }
}
