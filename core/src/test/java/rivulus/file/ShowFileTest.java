package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.disk.FileTrouble;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Show;

class ShowFileTest {
    private final Catalogue catalogue = Templates.shipped();

    @TempDir Path folder;

    static List<Path> shows() throws IOException {
        try (Stream<Path> files = Files.list(Path.of("../shows"))) {
            return files.sorted().toList();
        }
    }

    @ParameterizedTest
    @MethodSource("shows")
    void aShippedShowIsWrittenBackJustAsItWasAndHoldsToTheSchema(Path file) throws Exception {
        String text = Files.readString(file);
        assertThat(ShowFile.write(ShowFile.open(file, catalogue))).isEqualTo(text);
        assertThat(schema().validate(text, InputFormat.JSON)).isEmpty();
    }

    private static Schema schema() throws IOException {
        String template = Files.readString(Path.of("../docs/template.schema.json"));
        return SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12,
                        builder -> builder.schemas(Map.of("rivulus:template", template)))
                .getSchema(Files.readString(Path.of("../docs/show.schema.json")));
    }

    @Test
    void unknownFieldsSurviveEditingAndSavingWhereverTheyStand() throws Exception {
        String text =
                small().replace("\"title\"", "\"mood\": {\"warm\": [1, 2.50, null]}, \"title\"")
                        .replace("\"role\": \"host\"", "\"role\": \"host\", \"shoeSize\": 39")
                        .replace("\"id\": \"c1\"", "\"id\": \"c1\", \"bought\": \"2024\"");
        Show edited =
                ShowFile.parse(text, "x", catalogue)
                        .withKnob(Ref.of("desk/mic1.fader"), new Setting.Level(-6));
        String saved = ShowFile.write(edited);
        assertThat(saved)
                .contains(
                        "\"mood\": {\"warm\": [1, 2.50, null]}",
                        "\"shoeSize\": 39",
                        "\"bought\": \"2024\"");
        assertThat(saved).contains("\"mic1.fader\": -6");
        assertThat(ShowFile.parse(saved, "x", catalogue)).isEqualTo(edited);
    }

    @Test
    void aDraftOfVersionZeroIsBroughtUpToDate() throws Exception {
        String draft =
                small().replace("\"rivulus\": 1", "\"rivulus\": 0")
                        .replace("\"brief\"", "\"wishes\"");
        Show show = ShowFile.parse(draft, "draft.rivulus", catalogue);
        assertThat(show.changes()).hasSize(1);
        assertThat(ShowFile.write(show))
                .contains("\"rivulus\": 1", "\"brief\"")
                .doesNotContain("wishes");
    }

    @Test
    void gearThatIsKeptWithTheShowIsUsedAndWrittenBackAsItWas() throws Exception {
        String own =
                "\"templates\": [{\"template\": \"tin\", \"name\": \"Tin can\", \"kind\": \"isolator\", \"ports\":"
                        + " [{\"id\": \"in\", \"connector\": \"XLR\", \"carries\": \"line\", \"takes\": 1}]}]";
        String text =
                small().replace("\"title\"", own + ", \"title\"")
                        .replace("\"dynamic-mic\"", "\"tin\"")
                        .replace("\"mic/out\"", "\"desk/phones2\"")
                        .replace("\"desk/mic1\"}", "\"mic/in\"}");
        Show show = ShowFile.parse(text, "x", catalogue);
        assertThat(show.templates().getFirst().template().name()).isEqualTo("Tin can");
        assertThat(ShowFile.write(show)).contains("Tin can");
    }

    private static String small() {
        return """
                {
                  "rivulus": 1, "title": "Small",
                  "cast": {"people": [{"id": "a", "name": "A", "role": "host", "place": "room"}]},
                  "places": [{"id": "room", "name": "Room", "room": "room-soft"}],
                  "ears": [{"id": "a", "name": "A", "kind": "person", "of": "a"}],
                  "brief": [{"ear": "a", "source": "a", "wish": "may", "reason": "because"}],
                  "rig": {
                    "devices": [
                      {"id": "mic", "name": "Mic", "template": "dynamic-mic", "place": "room"},
                      {"id": "desk", "name": "Desk", "template": "show-desk", "place": "room", "knobs": {"mic1.fader": 0}}
                    ],
                    "cables": [{"id": "c1", "from": "mic/out", "to": "desk/mic1"}]
                  },
                  "scenes": [{"id": "s", "name": "S", "quiet": ["a"], "knobs": {"desk/mic1.mute": true}}],
                  "mutes": [{"id": "m", "name": "Cough", "knob": "desk/mic1.mute", "to": true, "silences": ["a"]}]
                }
                """;
    }

    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"desk/mic1\"}  | \"desk/mic9\"}      | there is no port on desk \"mic9\"; did you mean \"mic1\"?",
                "\"desk/mic1\"}  | \"dsek/mic1\"}      | there is no device \"dsek\"; did you mean \"desk\"?",
                "\"desk/mic1\"}  | \"desk/phones1\"}   | both ends give sound; one has to take it",
                "\"desk/mic1\"}  | \"mic/out\"}        | this lead goes from mic/out back into it",
                "\"show-desk\"   | \"show-dsek\"       | there is no template \"show-dsek\"; did you mean \"show-desk\"?",
                "\"room-soft\"   | \"headphones\"      | \"headphones\" is no room",
                "\"id\": \"mic\" | \"id\": \"a\"       | there are two device or persons \"a\"; an id may be used once",
                "\"id\": \"mic\" | \"id\": \"my mic\"  | \"my mic\" cannot be an id; use letters, digits, dots and dashes",
                "\"name\": \"Mic\", | | \"name\" is missing here",
                "\"place\": \"room\"} ] | | ",
                "\"mic1.fader\": 0} | \"mic1.fader\": 0}, \"layout\": {\"controls\": {\"f9\": \"mic1.fader\"}} | there is no control of the Show desk with four microphone strips and two USB ports \"f9\"",
                "\"mic1.fader\": 0} | \"mic1.fader\": 0}, \"layout\": {\"controls\": {\"f1\": \"mic9.fader\"}} | there is no fader \"mic9.fader\"",
                "\"mic1.fader\": 0} | \"mic1.fader\": 0}, \"layout\": {\"controls\": {\"f1\": \"mic1.fader\", \"f2\": \"mic1.fader\"}} | \"mic1.fader\" sits on another control too",
                "\"mic1.fader\": 0} | \"mic1.fader\": 0}, \"layout\": {\"pads\": {\"9/1\": {\"name\": \"x\"}}} | there is no pad \"9/1\"; pads are bank/number, with 4 banks of 8",
                "\"mic1.fader\": 0} | \"mic1.fader\": 0}, \"layout\": {\"banks\": {\"5\": \"x\"}} | there is no bank \"5\"; there are 4",
                "\"silences\": [\"a\"] | \"during\": \"b\" | there is no source \"b\"",
                "\"mic1.fader\": 0 | \"mic1.fader\": 4000 | 4000 is out of range; -200 to 200 is possible here",
                "\"mic1.fader\": 0 | \"mic1.fader\": 40 | \"MIC 1 fader\" cannot stand at 40; it takes off, or -60 to 10 dB",
                "\"mic1.fader\": 0 | \"mic1.fader\": true | a number of dB or \"off\" was expected, not true or false",
                "\"mic1.fader\": 0 | \"mic1.fadre\": 0 | there is no knob on the show desk with four microphone strips and two usb ports \"mic1.fadre\"; did you mean \"mic1.fader\"?",
                "\"mic1.mute\": true}, | | ",
                "\"role\": \"host\" | \"role\": \"boss\" | there is no role \"boss\"; did you mean \"host\"?",
                "\"of\": \"a\"   | \"of\": \"b\"       | there is no person \"b\"; did you mean \"a\"?",
                "\"quiet\": [\"a\"] | \"quiet\": \"a\" | a list was expected, not text",
                "\"quiet\": [\"a\"] | \"quiet\": [7]   | text was expected, not a number",
                "\"rivulus\": 1  | \"rivulus\": 99     | this show was written by a newer Rivulus (file version 99; this one reads up to 1)",
                "\"rivulus\": 1  | \"rivulus\": \"one\" | a number was expected, not text",
                "\"title\": \"Small\" | \"title\": \"Small\", \"title\": \"Big\" | this is not JSON: Duplicate",
                "\"kind\": \"person\", \"of\": \"a\" | \"kind\": \"steam\" | there is no kind of ear \"steam\"; did you mean \"stream\"?",
                "\"kind\": \"person\", \"of\": \"a\" | \"kind\": \"stream\", \"at\": [\"desk/out\"] | there is no point on desk \"out\"",
                "\"desk/mic1.mute\": true} | \"mic1.mute\": true} | \"mic1.mute\" should be a knob written device/knob"
            })
    void aMistakeIsRefusedInOneLineThatNamesFilePlaceAndWhatWouldBeRight(
            String right, String wrong, String message) {
        if (message == null) return;
        assertThat(small()).contains(right);
        String text =
                small().replaceFirst(
                                java.util.regex.Pattern.quote(right),
                                java.util.regex.Matcher.quoteReplacement(
                                        wrong == null ? "" : wrong));
        assertThatThrownBy(() -> ShowFile.parse(text, "small.rivulus", catalogue))
                .isInstanceOf(FileTrouble.class)
                .hasMessageStartingWith("small.rivulus: ")
                .hasMessageContaining(message)
                .hasMessageContaining("line ")
                .message()
                .doesNotContain("\n");
    }

    @Test
    void whatIsNoShowAtAllIsSaidSo() {
        for (String text :
                List.of(
                        "",
                        "{",
                        "[]",
                        "7",
                        "nonsense",
                        "{\"rivulus\": 1}",
                        "[".repeat(5000),
                        "{\"rivulus\": 1e999}")) {
            assertThatThrownBy(() -> ShowFile.parse(text, "x.rivulus", catalogue))
                    .as(text.substring(0, Math.min(10, text.length())))
                    .isInstanceOf(FileTrouble.class)
                    .hasMessageStartingWith("x.rivulus: ")
                    .message()
                    .doesNotContain("\n")
                    .hasSizeLessThan(400);
        }
    }

    @Test
    void aFolderAMissingFileABinaryAndAHundredMegabytesAreSaidSoBeforeTheyAreRead()
            throws Exception {
        Path huge = folder.resolve("huge.rivulus");
        try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
            file.setLength(100L << 20);
        }
        Path binary = folder.resolve("binary.rivulus");
        Files.write(binary, new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1});
        assertTrouble(folder, "this is a folder");
        assertTrouble(folder.resolve("no.rivulus"), "there is no such file");
        assertTrouble(huge, "the file has 100 MB; at most 16 MB are read");
        assertTrouble(binary, "this is no text in UTF-8");
    }

    private void assertTrouble(Path file, String words) {
        assertThatThrownBy(() -> ShowFile.open(file, catalogue))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining(file.toString())
                .hasMessageContaining(words);
    }

    @Test
    void savingReplacesTheFileWholeAndLeavesNothingBeside() throws Exception {
        Path file = folder.resolve("a.rivulus");
        Files.writeString(file, "old");
        ShowFile.save(ShowFile.parse(small(), "x", catalogue), file);
        assertThat(ShowFile.open(file, catalogue).title()).isEqualTo("Small");
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactly(file);
        }
    }

    @Test
    void whatCannotBeWrittenIsSaidAndTheOldFileStays() throws Exception {
        Show show = ShowFile.parse(small(), "x", catalogue);
        Path file = folder.resolve("a.rivulus");
        Files.writeString(file, "old");
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("r--r--r--"));
        assertThatThrownBy(() -> ShowFile.save(show, file))
                .hasMessageContaining("read-only; save under another name");
        assertThat(file).hasContent("old");
        assertThatThrownBy(() -> ShowFile.save(show, folder))
                .hasMessageContaining("this is a folder");
        assertThatThrownBy(() -> ShowFile.save(show, folder.resolve("no/such/place.rivulus")))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("this folder does not exist");
    }

    @Test
    void savingThroughALinkKeepsTheLink() throws Exception {
        Path real = folder.resolve("real.rivulus");
        Files.writeString(real, "old");
        Path link = Files.createSymbolicLink(folder.resolve("link.rivulus"), real);
        ShowFile.save(ShowFile.parse(small(), "x", catalogue), link);
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(real).content().contains("Small");
    }
}
