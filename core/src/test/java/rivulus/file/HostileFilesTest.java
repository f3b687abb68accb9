package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.disk.FileTrouble;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Files that were made to make the program fall over.
class HostileFilesTest {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();

    @TempDir Path folder;

    private static String show(String rest) {
        return """
        {"rivulus": 1, "title": "Small",
         "cast": {"people": [{"id": "maren", "name": "Maren", "role": "host", "place": "room"},
                             {"id": "teo", "name": "Teo", "role": "producer", "place": "room", "speaks": false}]},
         "places": [{"id": "room", "name": "Room", "room": "room-soft"}],
         "ears": [{"id": "ear", "name": "Maren", "kind": "person", "of": "maren"}],
         "rig": {"devices": [
           {"id": "mic", "name": "Mic", "template": "dynamic-mic", "place": "room"},
           {"id": "laptop", "name": "Laptop", "template": "laptop", "place": "room"%s}]}%s}
        """
                .formatted(
                        rest.startsWith("{") ? ", \"knobs\": " + rest : "",
                        rest.startsWith("{") ? "" : rest);
    }

    /// Devices that stand on each other: "a>b" for a field.
    private static String circle(String kind, String field, String... each) {
        String devices =
                Stream.of(each)
                        .map(one -> one.split(">"))
                        .map(
                                one ->
                                        "{\"id\": \"%s\", \"name\": \"X\", \"template\": \"%s\", \"%s\": \"%s\"}"
                                                .formatted(one[0], kind, field, one[1]))
                        .collect(Collectors.joining(", "));
        return "{\"rivulus\": 1, \"title\": \"Round\", \"rig\": {\"devices\": [%s]}}"
                .formatted(devices);
    }

    /// Everything that may be asked of a show.
    private static void use(Show show) throws FileTrouble {
        assertThat(ShowFile.again(show, CATALOGUE)).isEqualTo(show);
        var proof = Demo.PROVER.prove(show);
        proof.findings();
    }

    static Stream<Arguments> refused() {
        String kind = "{\"template\": \"k\", \"name\": \"K\", \"kind\": \"desk\", ";
        return Stream.of(
                Arguments.of(
                        show(
                                ", \"scenes\": [{\"id\": \"s\", \"name\": \"S\", \"knobs\": {\"desk/\": 1}}]"),
                        "device/knob"),
                Arguments.of(
                        show("").replace(
                                        "\"room-soft\"}",
                                        "\"room-soft\", \"distances\": [{\"from\": \"mic\", \"to\": \"maren\", \"m\": 1}, {\"from\": \"maren\", \"to\": \"mic\", \"m\": 2}]}"),
                        "how far maren and mic are apart is said twice"),
                Arguments.of(circle("laptop", "on", "a>a"), "\"a\" runs on itself"),
                Arguments.of(
                        circle("laptop", "on", "x>a", "a>b", "b>a"),
                        "\"a\" runs on itself, by way of b"),
                Arguments.of(
                        circle("outlet-strip", "outlet", "a>b", "b>c", "c>a"),
                        "\"a\" is plugged into itself, by way of b, c"),
                Arguments.of(show(", \"x\": 1e99999999999"), "1e99999999999 is out of all bounds"),
                Arguments.of(show(", \"x\": [1, {\"y\": -1e400}]"), "out of all bounds"),
                Arguments.of(show(", \"title2\": 1e-9999"), "out of all bounds"),
                Arguments.of(
                        show(
                                ", \"templates\": [{\"template\": \"person\", \"name\": \"P\", \"kind\": \"desk\", \"points\": [{\"id\": \"mouth\"}]}]"),
                        "needs a point \"worn\""),
                Arguments.of(
                        show(
                                ", \"templates\": ["
                                        + kind
                                        + "\"points\": [{\"id\": \"a\", \"channels\": 2}, {\"id\": \"b\"}], \"routes\": [{\"from\": \"a\", \"to\": \"b\", \"map\": [{\"from\": 0.3, \"to\": 0}]}]}]"),
                        "a whole number was expected"),
                Arguments.of(
                        show(
                                ", \"templates\": ["
                                        + kind
                                        + "\"lists\": {\"l\": \"1..999\"}, \"points\": [{\"id\": \"{a}{b}{c}\", \"for\": {\"a\": \"l\", \"b\": \"l\", \"c\": \"l\"}}]}]"),
                        "goes round more than 50000 times"),
                Arguments.of(
                        show(
                                ", \"mutes\": [{\"id\": \"m\", \"name\": \"50%off\", \"knob\": \"50%off\", \"to\": true}]"),
                        "\"50%off\" should be written device/name"),
                Arguments.of(
                        show(
                                ", \"brief\": [{\"ear\": \""
                                        + "x".repeat(3_000)
                                        + "\", \"source\": \"maren\", \"wish\": \"must\"}]"),
                        "there is no ear"),
                Arguments.of(
                        show(
                                ", \"mutes\": [{\"id\": \"m\", \"knob\": \"laptop/listen\", \"to\": false, \"name\": \""
                                        + "n".repeat(2_000_000)
                                        + "\"}]"),
                        "2000000 characters; at most 4000"),
                Arguments.of(
                        "[".repeat(5_000),
                        "this is not JSON: lists and objects are nested more than 40 deep"),
                Arguments.of("{\"rivulus\": 1, \"title\": \"a\", \"title\": \"b\"}", "title"));
    }

    @ParameterizedTest
    @MethodSource
    void refused(String text, String why) {
        assertThatThrownBy(() -> ShowFile.parse(text, "a.rivulus", CATALOGUE))
                .isInstanceOf(FileTrouble.class)
                .hasMessageStartingWith("a.rivulus: ")
                .hasMessageContaining(why)
                .matches(trouble -> trouble.getMessage().length() < 700, "is short");
    }

    static Stream<String> taken() {
        return Stream.of(
                show(
                        ", \"mutes\": [{\"id\": \"m\", \"name\": \"Mute\", \"knob\": \"laptop/default-input\", \"to\": \"none\", \"silences\": [\"teo\", \"maren\"]}]"),
                show(
                        ", \"scenes\": [{\"id\": \"s\", \"name\": \"\", \"quiet\": [\"teo\", \"maren\"]}]"),
                show("{\"default-output\": \"default\", \"default-input\": \"default\"}"),
                show("{\"default-output\": \"communications\", \"calls-output\": \"default\"}"),
                show("").replace("\"Small\"", "\"\"").replace("\"Mic\"", "\"\""),
                show("").replace("\"name\": \"Mic\"", "\"name\": \"Mic\", \"knobs\": {}")
                        .replace(
                                "\"place\": \"room\"}]}",
                                "\"place\": \"room\"}, {\"id\": \"desk\", \"name\": \"D\", \"template\": \"show-desk\", \"knobs\": {\"mic1.fader\": -0.0}}]}"),
                show("").replace("\"role\": \"host\"", "\"role\": \"host\", \"pronoun\": \"\""),
                show("").replace("\"Small\"", "\"a\\u0000b\\u001b[2Jc\\u202e\""));
    }

    @ParameterizedTest
    @MethodSource
    void taken(String text) throws Exception {
        use(ShowFile.parse(text, "a.rivulus", CATALOGUE));
    }

    @Test
    void whatIsWithoutANameIsCalledByItsIdAndNamesAreOneLine() throws Exception {
        Show show =
                ShowFile.parse(
                        show("").replace("\"Small\"", "\"\"")
                                .replace("\"Mic\"", "\"a\\nb\\u0007\""),
                        "a",
                        CATALOGUE);
        assertThat(show.title()).isEqualTo("Untitled show");
        assertThat(show.rig().device("mic").orElseThrow().name()).isEqualTo("a b");
    }

    /// In two kilobytes: every label holds the next one twice.
    @Test
    void labelsInLabelsDoNotExplode() {
        List<String> lists = new ArrayList<>();
        List<String> loop = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            lists.add("\"l%d\": {\"i\": \"{v%d.label}{v%d.label}\"}".formatted(i, i + 1, i + 1));
            loop.add("\"v%d\": \"l%d\"".formatted(i, i));
        }
        String text =
                "{\"template\": \"k\", \"name\": \"K\", \"kind\": \"desk\", \"lists\": {%s}, \"points\": [{\"id\": \"a\", \"label\": \"{v0.label}\", \"for\": {%s}}]}"
                        .formatted(String.join(", ", lists), String.join(", ", loop));
        assertThat(catchThrowable(() -> Templates.parse(text, "k.json")))
                .satisfiesAnyOf(
                        none -> assertThat(none).isNull(),
                        trouble -> assertThat(trouble).isInstanceOf(FileTrouble.class));
    }

    @Test
    void anExplodingKindInTheLibraryLeavesTheOthers() throws Exception {
        Files.writeString(
                folder.resolve("a.json"),
                "{\"template\": \"k\", \"name\": \"K\", \"kind\": \"desk\", \"lists\": {\"l\": \"1..999\"}, \"points\": [{\"id\": \"{a}{b}{c}\", \"for\": {\"a\": \"l\", \"b\": \"l\", \"c\": \"l\"}}]}");
        Files.writeString(
                folder.resolve("b.json"),
                "{\"template\": \"g\", \"name\": \"Good\", \"kind\": \"desk\", \"points\": [{\"id\": \"a\"}]}");
        Library library = Library.in(folder);
        assertThat(library.kinds()).singleElement().matches(k -> k.template().id().equals("g"));
        assertThat(library.troubles()).singleElement().asString().contains("a.json", "50000 times");
    }

    @Test
    void aShowThatIsTooMuchToWorkWithIsSaidToBe() {
        String people =
                String.join(
                        ", ",
                        IntStream.range(0, 900)
                                .mapToObj(
                                        i ->
                                                "{\"id\": \"p%1$d\", \"name\": \"P\", \"role\": \"guest\", \"place\": \"room\"}"
                                                        .formatted(i))
                                .toList());
        String ears =
                String.join(
                        ", ",
                        IntStream.range(0, 900)
                                .mapToObj(
                                        i ->
                                                "{\"id\": \"p%1$d\", \"name\": \"P\", \"kind\": \"person\", \"of\": \"p%1$d\"}"
                                                        .formatted(i))
                                .toList());
        String text =
                "{\"rivulus\": 1, \"title\": \"Crowd\", \"cast\": {\"people\": [%s]}, \"places\": [{\"id\": \"room\", \"name\": \"R\", \"room\": \"room-soft\"}], \"ears\": [%s]}"
                        .formatted(people, ears);
        assertThatThrownBy(() -> ShowFile.parse(text, "crowd.rivulus", CATALOGUE))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("ears times sources times scenes come to 810000")
                .hasMessageContaining("at most");
    }

    @Test
    void aShowThatWouldBeTooLargeWrittenOutIsRefusedBeforeItIsOpened() throws Exception {
        Path file = folder.resolve("compact.rivulus");
        String deep = "[".repeat(30) + "0,".repeat(300_000) + "0" + "]".repeat(30);
        String text = show(", \"x\": " + deep);
        Files.writeString(file, text);
        assertThat(Files.size(file)).isLessThan(1 << 20);
        assertThatThrownBy(() -> ShowFile.open(file, CATALOGUE))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("compact.rivulus: written out, this show has")
                .hasMessageContaining("at most 16 MB");
        Show show = ShowFile.parse(text, "compact.rivulus", CATALOGUE);
        assertThatThrownBy(() -> ShowFile.save(show, folder.resolve("b.rivulus")))
                .hasMessageContaining("at most 16 MB");
        assertThat(folder.resolve("b.rivulus")).doesNotExist();
    }
}
