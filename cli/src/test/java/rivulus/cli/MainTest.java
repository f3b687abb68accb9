package rivulus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine.Command;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.file.UserFolder;
import rivulus.file.Versions;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The contract that others script against.
class MainTest {
    private static final String CALL = "../shows/first-call.rivulus";
    private static final String LANTERN = "../shows/lantern-hour.rivulus";

    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    @TempDir Path folder;

    private int run(String... args) {
        return Main.run(new PrintWriter(out), new PrintWriter(err), args);
    }

    private JsonNode json() throws Exception {
        String text = out.toString();
        Schema schema =
                SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Files.readString(Path.of("../docs/outputs.schema.json")));
        assertThat(schema.validate(text, InputFormat.JSON)).isEmpty();
        return JsonMapper.shared().readTree(text);
    }

    @Test
    void checkSaysWhatIsWrongAndWhatCuresItAndEndsWithOne() {
        assertThat(run("check", CALL)).isEqualTo(1);
        assertThat(out.toString())
                .contains("problem  Nadia hears herself 296")
                .contains("in Show", "way: Nadia → Nadia's headset")
                .contains("cure, proven least: Set Show desk · USB 1 call feed to mix-minus.");
    }

    @Test
    void checkAsJsonHoldsToTheSchemaAndItsFixNamesKnobFromAndTo() throws Exception {
        assertThat(run("check", CALL, "--json")).isEqualTo(1);
        JsonNode finding = json().get("findings").get(0);
        assertThat(finding.get("rule").asString()).isEqualTo("echo");
        assertThat(finding.get("ear").asString()).isEqualTo("nadia");
        assertThat(finding.get("evidence").get("delayMs").asDouble()).isBetween(290.0, 300.0);
        JsonNode turn = finding.get("fixes").get(0).get("turns").get(0);
        assertThat(turn.get("knob").asString()).isEqualTo("desk/usb1chat.feed");
        assertThat(turn.get("from").asString()).isEqualTo("everything");
        assertThat(turn.get("to").asString()).isEqualTo("mix-minus");
    }

    @Test
    void everyProblemOfTheLanternHourHasAFixAndALoneSceneCanBeAskedFor() throws Exception {
        assertThat(run("check", LANTERN, "--json", "--scene", "call-in")).isEqualTo(1);
        JsonNode findings = json().get("findings");
        assertThat(findings.size()).isEqualTo(8);
        for (JsonNode finding : findings) {
            assertThat(finding.get("scene").asString()).isEqualTo("call-in");
            if (finding.get("severity").asString().equals("note")) continue;
            assertThat(finding.get("fixes").size())
                    .as(finding.get("sentence").asString())
                    .isPositive();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"archive-interviews-repaired", "language-cafe-repaired"})
    void aShowWithNothingWrongEndsWithZero(String name) throws Exception {
        assertThat(run("check", "../shows/" + name + ".rivulus")).isZero();
        assertThat(out.toString()).contains("everybody hears what they should");
    }

    @Test
    void hearWritesEveryEarAndSourceOfEveryScene() throws Exception {
        assertThat(run("hear", LANTERN, "--json")).isZero();
        JsonNode scenes = json().get("scenes");
        assertThat(scenes.size()).isEqualTo(5);
        assertThat(scenes.get(0).get("hearing").size()).isEqualTo(16 * 9);
        boolean silence = false;
        for (JsonNode cell : scenes.get(0).get("hearing")) silence |= cell.get("levelDb").isNull();
        assertThat(silence).as("silence is null").isTrue();
    }

    @Test
    void hearAsATableCanBeReadAloud() {
        assertThat(run("hear", LANTERN, "--scene", "tales")).isZero();
        assertThat(out.toString().lines())
                .anySatisfy(
                        line ->
                                assertThat(line)
                                        .matches("EAR +SOURCE +WISH +LEVEL +ARRIVES +VERDICT"))
                .anySatisfy(
                        line ->
                                assertThat(line)
                                        .matches(
                                                "Nadia +Nadia +must not hear +−0\\.2\u202FdB +296\u202Fms +echo"))
                .anySatisfy(
                        line ->
                                assertThat(line)
                                        .matches(
                                                "Stream +Alerts +must hear .* 30\u202Fms, 78\u202Fms +doubled"));
    }

    @Test
    void traceTellsTheWaysBestFirstWithGainAndTimeAtEachStep() throws Exception {
        assertThat(
                        run(
                                "trace",
                                LANTERN,
                                "--source",
                                "alerts",
                                "--ear",
                                "stream",
                                "--scene",
                                "tales",
                                "--json"))
                .isZero();
        JsonNode ways = json().get("traces").get(0).get("ways");
        assertThat(ways.get(0).get("ms").asDouble()).isEqualTo(30);
        assertThat(ways.get(1).get("ms").asDouble()).isEqualTo(78);
        double sum = 0;
        for (JsonNode part : ways.get(1).get("parts")) sum += part.get("ms").asDouble();
        assertThat(sum).isCloseTo(78, within(0.05));
        double before = -1;
        for (JsonNode step : ways.get(1).get("steps")) {
            assertThat(step.get("ms").asDouble()).isGreaterThanOrEqualTo(before);
            before = step.get("ms").asDouble();
        }
    }

    @Test
    void traceOfWhatIsMissingTellsWhereItBreaks() throws Exception {
        assertThat(
                        run(
                                "trace",
                                LANTERN,
                                "--source",
                                "bram",
                                "--ear",
                                "sunniva",
                                "--scene",
                                "call-in",
                                "--json"))
                .isZero();
        JsonNode broken = json().get("traces").get(0).get("broken");
        assertThat(broken.get("wants").get(0).get("knob").asString())
                .isEqualTo("desk/phones3.pick.phone");
        assertThat(
                        run(
                                "trace",
                                LANTERN,
                                "--source",
                                "bram",
                                "--ear",
                                "sunniva",
                                "--scene",
                                "call-in"))
                .isZero();
        assertThat(out.toString())
                .contains(
                        "It stops after Show desk, PHONE: set Show desk · headphones 3 pick of"
                                + " PHONE to 0.0\u202fdB.");
    }

    @Test
    void findingsOfTheRigHoldToTheSchemaAndSayWhatToJoin() throws Exception {
        run("check", LANTERN, "--json");
        JsonNode ground = null;
        for (JsonNode finding : json().get("findings"))
            if (finding.get("rule").asString().equals("ground-loop")) ground = finding;
        assertThat(ground).isNotNull();
        assertThat(ground.get("ear").isNull()).isTrue();
        assertThat(ground.get("evidence").get("about").get(0).asString()).isEqualTo("c10");
        JsonNode fix = ground.get("fixes").get(0);
        assertThat(fix.get("unjoins").get(0).asString()).isEqualTo("c10");
        assertThat(fix.get("boxes").get(0).get("template").asString()).contains("isolator");
        assertThat(fix.get("joins").size()).isEqualTo(2);
        assertThat(fix.get("turns").size()).isZero();
    }

    @Test
    void checkInWordsTellsTheRigToo() {
        run("check", LANTERN);
        assertThat(out.toString())
                .contains(
                        "closes a ring of grounds",
                        "cure: Join Show desk, speakers → Line isolator");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "rig",
                "drawing",
                "leads",
                "labels",
                "shopping",
                "packing",
                "computers",
                "power"
            })
    void aSheetIsWrittenToTheScreenOrAFile(String kind) throws Exception {
        assertThat(run("sheet", LANTERN, "--kind", kind)).isZero();
        assertThat(out.toString()).startsWith("# The Lantern Hour: ");
        Path file = folder.resolve(kind + ".csv");
        assertThat(run("sheet", LANTERN, "--kind", kind, "--out", file.toString())).isZero();
        assertThat(Files.readString(file)).contains(",");
    }

    @Test
    void aDrawingIsWrittenAsAPictureAndAListIsNot() throws Exception {
        Path file = folder.resolve("rig.svg");
        assertThat(run("sheet", LANTERN, "--kind", "drawing", "--out", file.toString())).isZero();
        assertThat(file).content().startsWith("<?xml").contains("Show desk");
        isRefused(
                "this sheet is written as",
                "sheet",
                LANTERN,
                "--kind",
                "leads",
                "--out",
                folder.resolve("leads.svg").toString());
    }

    @Test
    void whatIsThereIsReplacedOnlyWhereAsked() throws Exception {
        Path file = Files.writeString(folder.resolve("a.md"), "dear to somebody");
        String[] commands = {"sheet --kind leads", "log"};
        for (String command : commands) {
            List<String> words = new ArrayList<>(List.of(command.split(" ")));
            words.add(1, LANTERN);
            words.addAll(List.of("--out", file.toString()));
            isRefused("is there already; --force", words.toArray(String[]::new));
            assertThat(file).hasContent("dear to somebody");
        }
        assertThat(run("sheet", LANTERN, "--kind", "leads", "--out", file.toString(), "--force"))
                .isZero();
        assertThat(file).content().startsWith("# The Lantern Hour");
    }

    @Test
    void aMixThatIsNotWrittenGoesNowhere() {
        isRefused("--says or --from-brief", "mix", LANTERN, "--out", folder.toString());
        isRefused("this is a folder", "mix", LANTERN, "--from-brief", "--out", folder.toString());
    }

    @Test
    void oneFileThatCannotBeReadStopsNoOther() throws Exception {
        Path good = folder.resolve("good.wav");
        assertThat(run("signal", "pink", "--out", good.toString())).isZero();
        Path bad = Files.writeString(folder.resolve("bad.wav"), "no sound");
        assertThat(run("measure", bad.toString(), good.toString(), "/")).isEqualTo(2);
        assertThat(out.toString()).contains("good.wav: ");
        assertThat(err.toString()).contains("bad.wav is neither WAV nor FLAC", "/ is a folder");
        isRefused("bad.wav is neither WAV nor FLAC", "measure", bad.toString());
    }

    @Test
    void aListIsToldRowByRowAndTakenInWhereAsked() throws Exception {
        Path list = folder.resolve("inputs.csv");
        Files.writeString(list, "Kanal,Wer,Womit\nMIC 4,Choir,Dynamic microphone\n9,Nobody,\n");
        String[] asked = {
            "take",
            LANTERN,
            list.toString(),
            "--as",
            "inputs",
            "--column",
            "source=Wer",
            "--column",
            "gear=Womit",
            "--column",
            "channel=Kanal"
        };
        assertThat(run(asked)).isEqualTo(1);
        assertThat(out.toString())
                .contains("new", "Choir → Show desk, MIC 4", "left out", "1 new, 0 changed");
        Path after = folder.resolve("after.rivulus");
        List<String> write = new ArrayList<>(List.of(asked));
        write.addAll(List.of("--out", after.toString()));
        assertThat(run(write.toArray(String[]::new))).isEqualTo(1);
        assertThat(after).content().contains("Choir");
        isRefused("no column says the source", "take", LANTERN, list.toString());
        isRefused(
                "there is no column \"Who\"",
                "take",
                LANTERN,
                list.toString(),
                "--as",
                "inputs",
                "--column",
                "source=Who");
        isRefused("there is no such file", "take", LANTERN, "nowhere.csv");
    }

    @Test
    void aSheetThatCannotBeWrittenIsSaidSo() {
        isRefused("there is no kind of sheet \"songs\"", "sheet", LANTERN, "--kind", "songs");
        isRefused(
                "this sheet is written as .pdf, .md, .csv",
                "sheet",
                LANTERN,
                "--kind",
                "leads",
                "--out",
                folder.resolve("a.doc").toString());
        isRefused(
                "this folder does not exist",
                "sheet",
                LANTERN,
                "--kind",
                "leads",
                "--out",
                folder.resolve("none/a.md").toString());
    }

    @Test
    void whatCannotBeUsedIsSaidInOneLineOnStandardErrorAndEndsWithTwo() throws Exception {
        Path broken = folder.resolve("broken.rivulus");
        Files.writeString(broken, "{\"rivulus\": 1, \"title\": \"x\", \"ears\": 7}");
        isRefused(
                "broken.rivulus: ears (line 1, column 38): a list was expected, not a number",
                "check",
                broken.toString());
        isRefused("nowhere.rivulus: there is no such file", "hear", "nowhere.rivulus");
        isRefused(folder + ": this is a folder", "check", folder.toString());
        isRefused(
                "there is no scene \"night\"; there is doors, tales, call-in, interval, close",
                "hear",
                LANTERN,
                "--scene",
                "night");
        isRefused(
                "there is no ear \"nobody\"",
                "trace",
                LANTERN,
                "--source",
                "maren",
                "--ear",
                "nobody");
        isRefused("Missing required option: '--ear=ID'", "trace", LANTERN, "--source", "maren");
        isRefused("Missing required parameter: 'FILE'", "check");
        isRefused("Unknown option: '--jsno'", "check", LANTERN, "--jsno");
    }

    private void isRefused(String words, String... args) {
        out.getBuffer().setLength(0);
        err.getBuffer().setLength(0);
        assertThat(run(args)).isEqualTo(2);
        assertThat(err.toString()).contains(words);
        assertThat(err.toString().strip()).doesNotContain("\n");
        assertThat(out.toString()).isEmpty();
    }

    @Test
    void theRootOfTheDiskIsNoFileToWriteASheetTo() {
        assertThat(run("sheet", LANTERN, "--kind", "leads", "--out", "/")).isEqualTo(2);
        assertThat(err.toString()).contains("/: this is a folder").doesNotContain("Exception");
    }

    @Test
    void aFailureOfTheProgramsOwnIsOneLineAndNeverTakenForAFinding() {
        PrintWriter told = new PrintWriter(err, true);
        for (Throwable fault :
                List.of(
                        new IllegalStateException("line\none"),
                        new StackOverflowError(),
                        new OutOfMemoryError("heap")))
            assertThat(Main.guarded(told, () -> sneaky(fault))).isEqualTo(70);
        assertThat(err.toString().lines())
                .hasSize(3)
                .allMatch(
                        line ->
                                line.startsWith(
                                        "the program failed, which is a fault of its own: "));
    }

    private static int sneaky(Throwable fault) {
        if (fault instanceof Error error) throw error;
        throw (RuntimeException) fault;
    }

    @Test
    void noEscapeInAFileReachesTheTerminal() throws Exception {
        Path show = folder.resolve("odd.rivulus");
        String text = Files.readString(Path.of(CALL));
        Files.writeString(
                show,
                text.replace("\"Nadia\"", "\"Na\\u001b[31mdia\\u0007\"")
                        .replaceFirst("\"id\": \"desk\"", "\"x\": 1, \"id\": \"desk\""));
        run("check", show.toString());
        run("hear", show.toString());
        run("trace", show.toString(), "--source", "\u001b]0;title\u0007", "--ear", "nadia");
        run("hear", "\u001b[2J");
        assertThat(out.toString() + err).isNotEmpty().doesNotContain("\u001b", "\u0007", "\u009b");
    }

    /// One bad save is not final, whether the window or a command made it.
    @Test
    void whatACommandSavesOverIsKept(@TempDir Path here) throws Exception {
        String home = System.getProperty("user.home");
        System.setProperty("user.home", here.toString());
        try {
            Path page = here.resolve("page.txt");
            Path show = here.resolve("evening.rivulus");
            Files.writeString(page, "Evening\nMaren, host\n");
            assertThat(run("say", page.toString(), "--out", show.toString())).isZero();
            Files.writeString(page, "Evening\nIvo, host\n");
            assertThat(run("say", page.toString(), "--out", show.toString(), "--force")).isZero();
            Versions kept = new Versions(UserFolder.versions(UserFolder.usual()));
            assertThat(kept.of(show)).hasSize(1);
            assertThat(Files.readString(kept.of(show).getFirst().copy())).contains("Maren");
            assertThat(Files.readString(show)).contains("Ivo").doesNotContain("Maren");
        } finally {
            System.setProperty("user.home", home);
        }
    }

    @Test
    void aPageInOnesOwnWordsIsReadAndWritten(@TempDir Path here) throws Exception {
        Path page = here.resolve("page.txt");
        Path show = here.resolve("evening.rivulus");
        Files.writeString(
                page, "Evening\nMaren hosts in the studio\nNadia by video call\nstream\n");
        assertThat(run("say", page.toString(), "--out", show.toString())).isEqualTo(Main.FINE);
        assertThat(out.toString())
                .contains("~ Nadia · guest · afar, by call program", "0 to answer");
        assertThat(ShowFile.open(show, Templates.shipped()).cast().people())
                .extracting(person -> person.name())
                .containsExactlyInAnyOrder("Maren", "Nadia");
        assertThat(run("say", page.toString(), "--out", show.toString())).isEqualTo(2);
        assertThat(run("say", page.toString(), "--json")).isEqualTo(Main.FINE);
        assertThat(out.toString()).contains("\"by\": \"call\"");
        Files.writeString(page, "Evening\nMaren, host\nIvo comes too, maybe\n");
        assertThat(run("say", page.toString())).isEqualTo(Main.FOUND);
        assertThat(run("say", page.toString(), "--answers", "first")).isEqualTo(Main.FINE);
        assertThat(run("say", page.toString(), "--answers", "last")).isEqualTo(2);
        assertThat(run("say", here.resolve("none.txt").toString())).isEqualTo(2);
        Files.write(page, new byte[] {(byte) 0xC3, (byte) 0x28});
        assertThat(run("say", page.toString())).isEqualTo(2);
        Files.write(page, new byte[200_000]);
        assertThat(run("say", page.toString())).isEqualTo(2);
    }

    @Test
    void whereNobodyListensNothingIsProven(@TempDir Path here) throws Exception {
        Path show = here.resolve("nobody.rivulus");
        Files.writeString(
                show,
                """
                {"rivulus": 1, "title": "Nobody listens",
                 "places": [{"id": "r", "name": "Reading Room", "room": "room-soft"}],
                 "cast": {"people": [
                     {"id": "maren", "name": "Maren", "role": "host", "place": "r"}]}}
                """);
        assertThat(run("check", show.toString())).isEqualTo(Main.FOUND);
        assertThat(out.toString())
                .contains("nobody listens, so nothing is proven", "not looked at: Maren")
                .doesNotContain("hears what");
    }

    @Test
    void aFaultIsFoundByWhatSimulatedPeopleAnswer() {
        assertThat(run("trouble", LANTERN, "--scene", "call-in", "--break", "lead/c01")).isZero();
        assertThat(out.toString())
                .contains("It is this, as good as sure: lead 01 (Maren's mic to Show desk, MIC 1)")
                .contains("Push lead 01");
        assertThat(run("trouble", LANTERN, "--break", "lead/none")).isEqualTo(2);
        assertThat(err.toString()).contains("there is no fault \"lead/none\"");
    }

    @Test
    void aDialogueTakesNumbersAndEndsWhereNothingMoreIsTyped() {
        InputStream before = System.in;
        try {
            System.setIn(new ByteArrayInputStream("x\n2\n".getBytes(StandardCharsets.UTF_8)));
            int code =
                    run(
                            "trouble",
                            LANTERN,
                            "--scene",
                            "call-in",
                            "--ear",
                            "nadia",
                            "--source",
                            "nadia",
                            "--heard",
                            "unwanted");
            assertThat(code).isEqualTo(1);
            assertThat(out.toString()).contains("A number from 1 to").contains(" it could be.");
        } finally {
            System.setIn(before);
        }
        assertThat(run("trouble", LANTERN, "--ear", "nobody")).isEqualTo(2);
        assertThat(err.toString()).contains("there is no ear \"nobody\"");
    }

    @Test
    void aLogIsWrittenAsItsEndingSays() {
        Path chapters = folder.resolve("log.vtt");
        assertThat(run("log", LANTERN, "--out", chapters.toString())).isZero();
        assertThat(chapters).content().startsWith("WEBVTT");
        assertThat(run("log", LANTERN)).isZero();
        assertThat(out.toString()).contains("Nothing has been logged yet.");
        assertThat(run("log", LANTERN, "--out", folder.resolve("log.wav").toString())).isEqualTo(2);
        assertThat(err.toString()).contains(".vtt");
    }

    /// `./rivulus say` was told of by its help and refused.
    @Test
    void theLauncherRunsAndTellsOfEveryCommand() throws Exception {
        String launcher = Files.readString(Path.of("../rivulus"));
        Matcher run = Pattern.compile("(?m)^  ([a-z |]+)\\) run_cli").matcher(launcher);
        assertThat(run.find()).isTrue();
        List<String> commands =
                Stream.of(Main.class.getAnnotation(Command.class).subcommands())
                        .map(one -> one.getAnnotation(Command.class).name())
                        .toList();
        assertThat(run.group(1).split(" \\| ")).containsExactlyInAnyOrderElementsOf(commands);
        for (String command : commands)
            assertThat(launcher).contains("\n  ./rivulus " + command + " ");
    }
}
