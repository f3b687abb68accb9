package rivulus.recording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.gear.Setting;
import rivulus.level.Turning;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;
import rivulus.words.Severity;

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

    /// The same files under names that tell nothing: one at a time, so that its ear is the only one
    /// that is free; then two, of which a mix can be told from a voice.
    @ParameterizedTest
    @ValueSource(strings = {"track-ada", "track-ivo", "track-bram", "stream", "track-ada stream"})
    void whatNoNameTellsIsToldByWhatIsOnIt(String nameless) throws Exception {
        List<String> ears = List.of(nameless.split(" "));
        List<Track> tracks = new ArrayList<>();
        for (Track track : recording.tracks()) {
            String ear = track.ear().map(Ear::id).orElse("");
            if (!ears.contains(ear)) {
                tracks.add(track);
                continue;
            }
            Path copy = folder.resolve("take %d.wav".formatted(tracks.size()));
            Files.copy(track.file(), copy, StandardCopyOption.REPLACE_EXISTING);
            tracks.addAll(
                    Matching.with(SHOW).tracks(copy, Measuring.of(copy, _ -> true).orElseThrow()));
            assertThat(tracks.getLast().ear()).isEmpty();
        }
        SceneProof scene = Demo.PROVER.prove(SHOW).scene("tide-tables").orElseThrow();
        List<Track> known = ByContent.matched(scene, tracks, _ -> true);
        for (int t = 0; t < known.size(); t++)
            assertThat(known.get(t).ear()).isEqualTo(recording.tracks().get(t).ear());
        assertThat(known.stream().filter(Track::isByContent)).hasSize(ears.size());
    }

    @Test
    void twoThatCouldBeEitherAreNobodys() throws Exception {
        List<Track> tracks = new ArrayList<>();
        for (Track track : recording.tracks())
            if (!track.ear().map(Ear::id).orElse("").matches("track-ada|track-ivo"))
                tracks.add(track);
        for (int i : new int[] {1, 2}) {
            Path copy = folder.resolve("take 2%d.wav".formatted(i));
            Files.copy(recording.tracks().get(i).file(), copy, StandardCopyOption.REPLACE_EXISTING);
            tracks.addAll(
                    Matching.with(SHOW).tracks(copy, Measuring.of(copy, _ -> true).orElseThrow()));
        }
        SceneProof scene = Demo.PROVER.prove(SHOW).scene("tide-tables").orElseThrow();
        assertThat(ByContent.matched(scene, tracks, _ -> true)).isEqualTo(tracks);
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
                            assertThat(turn.turn().knob())
                                    .isEqualTo(new Ref("show-desk", "mic1.gain"));
                            assertThat(turn.turn().to()).isEqualTo(new Setting.Level(5));
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
        assertThat(clipped.turns().getFirst().turn().knob())
                .isEqualTo(new Ref("show-desk", "mic2.gain"));
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
        assertThat(ahead.turns().getFirst().turn().to()).isEqualTo(new Setting.Time(120));
    }

    @Test
    void allIsTakenInOneStep() {
        Show after =
                Remark.take(SHOW, recording.remarks().stream().filter(Remark::canBeTaken).toList())
                        .after();
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

    private static Remark turning(Ref knob, double from, double to) {
        Turn turn =
                new Turn(knob, new Setting.Level(from), new Setting.Level(to), Optional.empty());
        KnobUse use = Demo.PROVER.prove(SHOW).graph().knob(knob).orElseThrow();
        return new Remark(
                Remark.Kind.PEAKS,
                Severity.CAUTION,
                "",
                List.of(),
                Optional.empty(),
                List.of(new Turning(use, turn)),
                Map.of(),
                Map.of());
    }

    @Test
    void twoRemarksAboutOneKnobAddUpTogetherAndOneAfterTheOther() {
        Ref knob = new Ref("show-desk", "mic1.gain");
        Remark five = turning(knob, 0, 5);
        Remark seven = turning(knob, 0, 7);
        Show together = Remark.take(SHOW, List.of(five, seven)).after();
        Show inTurn = seven.take(five.take(SHOW).after()).after();
        for (Show after : List.of(together, inTurn))
            assertThat(after.rig().device("show-desk").orElseThrow().knobs())
                    .containsEntry("mic1.gain", new Setting.Level(12));
    }

    @Test
    void whereASceneHasAKnobOfItsOwnItIsTurnedThere() throws Exception {
        Ref knob = new Ref("show-desk", "mic1.gain");
        Show own =
                SHOW.withScene("tide-tables", scene -> scene.withKnob(knob, new Setting.Level(2)));
        Remark low =
                compared(own, recording.tracks().stream().map(Track::file).distinct().toList())
                        .remarks()
                        .stream()
                        .filter(r -> r.kind() == Remark.Kind.UNEVEN)
                        .findFirst()
                        .orElseThrow();
        Show after = low.take(own).after();
        double planned =
                Demo.PROVER
                        .prove(after)
                        .scene("tide-tables")
                        .orElseThrow()
                        .of("track-maren", "maren")
                        .hearing()
                        .levelDb();
        assertThat(planned)
                .as("2 dB up before, and as much as was lacking then")
                .isCloseTo(2 - 5 + 7, within(2.1));
        assertThat(after.scene("tide-tables").orElseThrow().knobs().get(knob))
                .isNotEqualTo(new Setting.Level(2));
    }

    @Test
    void aRingThatOnlyTouchesADeskOnTheWayIsNotWhatHums() throws Exception {
        double[] talk = Talk.of(120, 1, 20, 48_000);
        for (int i = 0; i < talk.length; i++)
            for (int h = 1; h <= 3; h++)
                talk[i] = 0.9 * talk[i] + 0.003 * Math.sin(2 * Math.PI * 50 * h * i / 48_000);
        Recording found = compared(SHOW, List.of(write("Maren.wav", talk)));
        assertThat(found.remarks())
                .filteredOn(r -> r.kind() == Remark.Kind.HUM)
                .singleElement()
                .satisfies(
                        hum -> {
                            assertThat(hum.finding()).isEmpty();
                            assertThat(hum.sentence()).contains("no ring of grounds on its way");
                        });
    }

    @Test
    void moreVoicesThanAreComparedAreSaid() throws Exception {
        List<Path> many = new ArrayList<>();
        for (int v = 0; v < 10; v++)
            many.add(write(v + " Maren.wav", Talk.of(100 + 10 * v, v, 2, 48_000)));
        assertThat(compared(SHOW, many).remarks())
                .anySatisfy(r -> assertThat(r.sentence()).contains("the first eight voices only"));
    }

    /// Nadia on the loudspeakers of a computer whose echo canceller is off: the plan foretells the
    /// echo, and the recording says which switch ends it.
    @Test
    void anEchoThatThePlanForetellsIsToldWithTheCancellerThatEndsIt() throws Exception {
        Show loudspeakers =
                ShowFile.parse(
                        ShowFile.write(SHOW)
                                .replace(
                                        "\"id\": \"nadias-headset\", \"name\": \"Nadia's headset\","
                                                + " \"template\": \"far-headset\", \"worn\": \"nadia\"",
                                        "\"id\": \"nadias-headset\", \"name\": \"Nadia's laptop\","
                                                + " \"template\": \"far-laptop\", \"place\": \"nadias-end\","
                                                + " \"knobs\": {\"echo-canceller\": false}"),
                        "loudspeakers",
                        Demo.PROVER.catalogue());
        Remark echo =
                compared(
                                loudspeakers,
                                recording.tracks().stream().map(Track::file).distinct().toList())
                        .remarks()
                        .stream()
                        .filter(r -> r.kind() == Remark.Kind.ECHO)
                        .filter(r -> r.ears().contains("track-nadia"))
                        .findFirst()
                        .orElseThrow();
        assertThat(echo.sentence())
                .contains("as the plan foretells", "set Nadia's laptop · echo canceller to on");
        Show after = echo.take(loudspeakers).after();
        assertThat(after.rig().device("nadias-headset").orElseThrow().knobs())
                .containsEntry("echo-canceller", new Setting.Switch(true));
    }

    /// The header says 44.1 kHz of what was kept at 48: 48/44.1 as long, and as much too slow.
    @Test
    void aTrackThatIsMarkedWithAnotherRateRunsAtAnotherSpeed() throws Exception {
        List<Path> made = Recipe.shipped(Recipe.TIDE_TABLE_TALK).make(folder.resolve("speed"));
        Path ada = made.stream().filter(f -> f.endsWith("Ada.wav")).findFirst().orElseThrow();
        byte[] bytes = Files.readAllBytes(ada);
        int rate = bytes[24] & 0xff | (bytes[25] & 0xff) << 8 | (bytes[26] & 0xff) << 16;
        assertThat(rate).isEqualTo(48_000);
        bytes[24] = (byte) 44_100;
        bytes[25] = (byte) (44_100 >> 8);
        Files.write(ada, bytes);
        assertThat(compared(SHOW, made).remarks())
                .filteredOn(remark -> remark.kind() == Remark.Kind.SPEED)
                .singleElement()
                .satisfies(
                        remark ->
                                assertThat(remark.sentence())
                                        .startsWith(
                                                "Ada's track runs too slow beside the others: it"
                                                        + " was kept at 48 kHz"));
        assertThat(recording.remarks()).noneMatch(r -> r.kind() == Remark.Kind.SPEED);
    }

    /// A camera whose clock is 50 millionths slow: 180 ms an hour.
    @Test
    void twoClocksThatRunApartAreTold() throws Exception {
        double[] sent = Talk.of(110, 3, 75, 48_000);
        double[] camera = new double[sent.length];
        for (int i = 0; i < camera.length; i++) {
            double at = i * (1 - 50e-6);
            int before = (int) at;
            double part = at - before;
            camera[i] =
                    before + 1 < sent.length
                            ? (1 - part) * sent[before] + part * sent[before + 1]
                            : 0;
        }
        Path file = write("camera and stream.wav", camera, sent);
        List<Remark> told =
                compared(SHOW, List.of(file)).remarks().stream()
                        .filter(remark -> remark.kind() == Remark.Kind.DRIFT)
                        .toList();
        assertThat(told).hasSize(1);
        assertThat(Math.abs(told.getFirst().figures().get("hourlyMs")))
                .isCloseTo(180, within(20.0));
        assertThat(recording.remarks()).noneMatch(r -> r.kind() == Remark.Kind.DRIFT);
    }
}
