package rivulus.recording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;

/// The made recordings of the tide-table talk: five faults, and what to turn against each.
class RecordingTest {
    @TempDir static Path folder;

    private static final Show SHOW =
            DemoShows.open(Recipe.TIDE_TABLE_TALK, Demo.PROVER.catalogue());

    private static Recording recording;

    @BeforeAll
    static void compare() throws Exception {
        Recipe recipe = Recipe.shipped(Recipe.TIDE_TABLE_TALK);
        recording = compared(SHOW, recipe.make(folder.resolve("talk")));
    }

    private static Recording compared(Show show, List<Path> files) throws FileTrouble {
        Proof proof = Demo.PROVER.prove(show);
        SceneProof scene = proof.scene("tide-tables").orElseThrow();
        List<Track> tracks = new ArrayList<>();
        for (Path file : files)
            tracks.addAll(
                    Matching.with(show).tracks(file, Measuring.of(file, _ -> true).orElseThrow()));
        return Recording.of(proof, scene, tracks, _ -> true).orElseThrow();
    }

    private static Remark only(Remark.Kind kind) {
        List<Remark> of = recording.remarks().stream().filter(r -> r.kind() == kind).toList();
        assertThat(of).as(kind.word()).hasSize(1);
        return of.getFirst();
    }

    @Test
    void everyFileIsMatchedByItsName() {
        assertThat(recording.tracks().stream().map(t -> t.ear().map(Ear::id).orElse("camera")))
                .containsExactly(
                        "track-maren",
                        "track-ivo",
                        "track-ada",
                        "track-nadia",
                        "track-bram",
                        "on-demand",
                        "camera",
                        "stream");
        assertThat(recording.tracks().get(6).isPicture()).isTrue();
    }

    @Test
    void theFiveFaultsAreFoundAndNothingElse() {
        assertThat(recording.remarks().stream().map(Remark::kind))
                .containsExactlyInAnyOrder(
                        Remark.Kind.UNEVEN,
                        Remark.Kind.CLIPPED,
                        Remark.Kind.HUM,
                        Remark.Kind.ECHO,
                        Remark.Kind.PICTURE);
    }

    @Test
    void aVoiceThatIsLowIsTurnedUpAndThePlanForetellsItThen() throws Exception {
        Remark low = only(Remark.Kind.UNEVEN);
        assertThat(low.sentence())
                .startsWith("Maren is 4.9\u202FLU under ")
                .contains("MIC 1 gain +5");
        assertThat(low.figures().get("offLu")).isCloseTo(-5, within(0.3));
        assertThat(low.turns())
                .singleElement()
                .satisfies(
                        turn -> {
                            assertThat(turn.knob()).isEqualTo(new Ref("show-desk", "mic1.gain"));
                            assertThat(turn.to()).isEqualTo(new Setting.Level(5));
                        });
        Show after = low.take(SHOW).after();
        assertThat(after.cast().person("maren").orElseThrow().measuredDb()).isEqualTo(-5);
        Proof then = Demo.PROVER.prove(after);
        assertThat(
                        then.scene("tide-tables")
                                .orElseThrow()
                                .of("track-maren", "maren")
                                .hearing()
                                .levelDb())
                .as("turned up by as much as she was found low")
                .isCloseTo(0, within(0.6));
        assertThat(then.gains().stream().filter(g -> g.knob().name().equals("mic1.gain")))
                .allMatch(gain -> gain.turn().isEmpty());
    }

    @Test
    void clippingIsTurnedDownAtItsInput() {
        Remark clipped = only(Remark.Kind.CLIPPED);
        assertThat(clipped.sentence()).startsWith("Ivo's track clipped").contains("MIC 2 gain −");
        assertThat(clipped.turns().getFirst().knob()).isEqualTo(new Ref("show-desk", "mic2.gain"));
    }

    @Test
    void humPointsToTheRingOfGroundsThatThePlanHas() {
        Remark hum = only(Remark.Kind.HUM);
        assertThat(hum.sentence()).startsWith("On-demand copy hums at 50\u202FHz");
        assertThat(hum.finding()).contains("ground-loop/lead-14");
        assertThat(hum.figures().get("dbfs")).isCloseTo(-44.6, within(1.0));
    }

    @Test
    void anEchoSaysWhoseAndFromWhere() {
        Remark echo = only(Remark.Kind.ECHO);
        assertThat(echo.sentence())
                .startsWith("Maren comes back from Nadia's end after 310\u202Fms")
                .contains("Nadia's headset");
        assertThat(echo.figures().get("levelDb")).isCloseTo(-22, within(1.0));
    }

    @Test
    void soundThatIsAheadOfThePictureIsDelayed() {
        Remark ahead = only(Remark.Kind.PICTURE);
        assertThat(ahead.sentence()).startsWith("The sound of the stream is 120\u202Fms ahead");
        assertThat(ahead.figures().get("lateMs")).isCloseTo(-120, within(0.2));
        assertThat(ahead.turns().getFirst().to()).isEqualTo(new Setting.Time(120));
    }

    @Test
    void allIsTakenInOneStep() {
        Show after = Remark.take(SHOW, recording.taken()).after();
        assertThat(after.rig().device("show-desk").orElseThrow().knobs())
                .containsEntry("mic1.gain", new Setting.Level(5))
                .containsKey("mic2.gain");
        assertThat(after.rig().device("streaming-program").orElseThrow().knobs())
                .containsEntry("input1.offset", new Setting.Time(120));
    }

    @Test
    void whatIsSilentThoughThePlanHearsItIsSaid() throws Exception {
        Path silent = write("Teo and Ada.wav", new double[48_000]);
        Path ada = write("Ada.wav", new double[48_000]);
        Recording found = compared(SHOW, List.of(ada, silent));
        assertThat(found.remarks())
                .anySatisfy(
                        remark ->
                                assertThat(remark.sentence())
                                        .startsWith("Ada's track is silent, though by the plan"));
    }

    @Test
    void aRecordingWithAChannelForEachTrackIsMatchedInTheirOrder() throws Exception {
        double[][] five = new double[5][];
        for (int c = 0; c < 5; c++) five[c] = Talk.of(100 + 20 * c, c, 2, 48_000);
        Path file = write("recorder 001.wav", five);
        Measured measured = Measuring.of(file, _ -> true).orElseThrow();
        assertThat(
                        Matching.with(SHOW).tracks(file, measured).stream()
                                .map(track -> track.ear().orElseThrow().id()))
                .containsExactly(
                        "track-maren", "track-ivo", "track-ada", "track-nadia", "track-bram");
    }

    @Test
    void whatNobodyKnowsIsMatchedWithNobody() throws Exception {
        Path file = write("take 7.wav", Talk.of(120, 1, 2, 48_000));
        Measured measured = Measuring.of(file, _ -> true).orElseThrow();
        Track track = Matching.with(SHOW).tracks(file, measured).getFirst();
        assertThat(track.ear()).isEmpty();
        assertThat(track.name()).isEqualTo("take 7.wav");
        assertThat(compared(SHOW, List.of(file)).remarks()).isEmpty();
    }

    @Test
    void itCanBeEnded() throws Exception {
        Proof proof = Demo.PROVER.prove(SHOW);
        Optional<Recording> ended =
                Recording.of(
                        proof, proof.scenes().getFirst(), recording.tracks(), done -> done < 0.3);
        assertThat(ended).isEmpty();
    }

    private static Path write(String name, double[]... channels) throws IOException {
        Path file = folder.resolve(name);
        WavFormat format = new WavFormat(channels.length, 48_000, 24, false);
        try (WavWriter out =
                new WavWriter(Files.newOutputStream(file), format, channels[0].length)) {
            out.write(channels, channels[0].length);
        }
        return file;
    }
}
