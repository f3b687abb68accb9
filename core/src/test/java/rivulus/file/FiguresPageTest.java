package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.gear.Air;
import rivulus.gear.Processor.Part;
import rivulus.hearing.Hearing;
import rivulus.hearing.TalkerEcho;
import rivulus.level.Staircase;

/// The examples of docs/figures.md, worked out by the program.
class FiguresPageTest {
    private static String page;

    @BeforeAll
    static void read() throws IOException {
        page = Files.readString(Path.of("../docs/figures.md"));
    }

    private static void says(String example, double figure, int decimals, String unit) {
        String words = String.format(Locale.ROOT, "%." + decimals + "f", figure);
        String value =
                (words.replaceFirst("^-(?=0[.0]*$)", "").replace('-', '\u2212') + " " + unit);
        assertThat(page).contains("| " + example + " | " + value.strip() + " |");
    }

    /// A box with routes of its own between a source of one channel, or a pair, and the stream.
    private static SceneProof box(String source, String routes) {
        Proof proof =
                Demo.PROVER.prove(
                        RigText.show(
                                """
                                plays tone programme box/%s
                                box box
                                ear stream stream box/out
                                """
                                        .formatted(source),
                                """
                                {"template": "box", "name": "Box", "kind": "desk", "points": [
                                  {"id": "in"}, {"id": "pair", "channels": 2}, {"id": "a"}, {"id": "b"},
                                  {"id": "c"}, {"id": "d"}, {"id": "out"}],
                                 "routes": [%s]}
                                """
                                        .formatted(routes)));
        return proof.scenes().getFirst();
    }

    private static Hearing heard(String source, String routes) {
        return box(source, routes).of("stream", "tone").hearing();
    }

    private static double level(String routes) {
        return heard("in", routes).levelDb();
    }

    private static double margin(String routes) {
        return box("in", routes).tracer().loops().getFirst().marginDb();
    }

    private static String route(String from, String to, String more) {
        return "{\"from\": \"%s\", \"to\": \"%s\"%s}".formatted(from, to, more);
    }

    @Test
    void levels() {
        String band = ", \"band\": {\"lowHz\": %d, \"highHz\": %d}";
        says(
                "through a band from 250 Hz to 16 kHz",
                level(route("in", "out", band.formatted(250, 16000))),
                2,
                "dB");
        says(
                "through a band from 400 Hz to 7 kHz and one from 100 Hz to 7 kHz",
                level(
                        route("in", "a", band.formatted(400, 7000))
                                + ","
                                + route("a", "out", band.formatted(100, 7000))),
                2,
                "dB");
        String two =
                route("in", "out", "")
                        + ","
                        + route("in", "a", ", \"delayMs\": %s")
                        + ","
                        + route("a", "out", "");
        says("by two equal ways 167 ms apart", level(two.formatted("167")), 2, "dB");
        says("by two equal ways, one 0.5 ms later", level(two.formatted("0.5")), 2, "dB");
        says(
                "by a way and a round of −3 dB and 10 ms, for ever",
                level(
                        route("in", "a", "")
                                + ","
                                + route("a", "out", "")
                                + ","
                                + route("a", "b", ", \"delayMs\": 10")
                                + ","
                                + route("b", "a", ", \"gainDb\": -3")),
                2,
                "dB");
        double folded = heard("pair", route("pair", "out", "")).levelDb();
        says("a stereo programme of unlike channels folded to mono", folded, 2, "dB");
    }

    @Test
    void air() throws Exception {
        Air soft = Templates.shipped().get("room-soft").air().orElseThrow();
        says("3 m at 20 °C", soft.delayMs(3), 2, "ms");
        String room =
                """
                place room
                person maren host room
                person ivo guest room
                ear maren person maren
                """;
        says(
                "a mouth 2 m from an open ear, critical distance 2.5 m",
                ofIvo(room + "apart maren ivo 2", "maren"),
                2,
                "dB");
        says(
                "a mouth 0.5 m from a microphone worked at 0.15 m, not the nearest, rejecting 8 dB",
                ofIvo(
                        room
                                + """
                                mic usb-mic @room
                                near maren mic
                                apart ivo mic 0.5
                                ear track house mic/capsule
                                """,
                        "track"),
                2,
                "dB");
        double laptop = -3 + soft.levelDb(0.3) + 20 * Math.log10(0.5);
        says(
                "a laptop's loudspeakers (−3 dB) in its own microphone (worked at 0.5 m)",
                laptop,
                2,
                "dB");
    }

    /// What an ear hears of Ivo.
    private static double ofIvo(String text, String ear) {
        Proof proof = Demo.PROVER.prove(RigText.show(text));
        return proof.scenes().getFirst().of(ear, "ivo").hearing().levelDb();
    }

    @Test
    void loops() {
        String in = route("in", "a", "") + "," + route("a", "out", "") + ",";
        String round =
                route("a", "b", ", \"delayMs\": 10") + "," + route("b", "a", ", \"gainDb\": %s");
        says("one round of −9 dB", margin(in + round.formatted("-9")), 2, "dB");
        says("one round of 2 dB", margin(in + round.formatted("2")), 2, "dB");
        says(
                "one round of −9 dB with two at −60 dB beside it, on legs of their own",
                margin(
                        in
                                + round.formatted("-9")
                                + ","
                                + route("a", "c", "")
                                + ","
                                + route("c", "a", ", \"gainDb\": -60")
                                + ","
                                + route("b", "d", "")
                                + ","
                                + route("d", "b", ", \"gainDb\": -60")),
                2,
                "dB");
    }

    @Test
    void echoesAndBatteries() {
        says("−0.2 dB after 296 ms", TalkerEcho.of(0.2, 296).rating(), 0, "");
        says("−43.5 dB after 297 ms", TalkerEcho.of(43.5, 297).rating(), 0, "");
        var battery =
                rivulus.power.BatteryLife.all(
                                Demo.PROVER
                                        .prove(
                                                RigText.show(
                                                        "scene a 60\nscene b 60\nr podcast-recorder runs:battery"))
                                        .survey())
                        .getFirst();
        says("9 Wh at 3 W", battery.lastsMinutes(), 0, "min");
        says("two scenes of 60 min want", battery.wantedMinutes(), 0, "min");
    }

    private static Staircase processed(String knobs) {
        return Demo.PROVER
                .prove(
                        RigText.show(
                                """
                                place hall
                                person maren host hall
                                near maren mic
                                mic dynamic-mic @hall
                                desk digital-console @hall %s
                                mic/out desk/ch1 5
                                ear out track desk/main
                                scene all 10
                                """
                                        .formatted(knobs)))
                .staircase("all", "maren", "out")
                .orElseThrow();
    }

    @Test
    void processors() {
        var way = processed("ch1.compressor=true ch1.gate=true ch1.gate.threshold=-36");
        var gate = way.works().getFirst();
        var compressor = way.works().getLast();
        says(
                "loud moments 6 dB over a threshold, ratio 3",
                compressor.outDb() - compressor.inDb(),
                1,
                "dB");
        says(
                "the average with its loud moments there, knee 6 dB, in mean power",
                compressor.outAverageDb() - compressor.inAverageDb(),
                1,
                "dB");
        says(
                "a gate 2 σ under the average cuts",
                100 * way.shareUnder(gate, gate.block().level(Part.THRESHOLD)),
                1,
                "%");
        says(
                "the range of a talker before anything acts on it",
                Staircase.rangeOfSpeechLu(),
                1,
                "LU");
    }
}
