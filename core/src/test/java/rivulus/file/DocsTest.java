package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.gear.Template;
import rivulus.rule.Rules;
import rivulus.say.Page;
import rivulus.say.Said;
import rivulus.say.TalkTest;
import rivulus.show.Show;

/// The examples in the documents are read as a user would type them in.
class DocsTest {
    private static final Pattern BLOCK = Pattern.compile("```json\\n(.*?)```", Pattern.DOTALL);

    private static final Pattern CODE = Pattern.compile("`([^`]+)`");

    /// The pieces of an example that runs through a page, as one file.
    private static String example(String page) throws IOException {
        String pieces =
                BLOCK.matcher(Files.readString(Path.of("../docs", page)))
                        .results()
                        .map((MatchResult block) -> block.group(1))
                        .collect(Collectors.joining());
        return pieces.strip().replaceAll(",$", "") + "}";
    }

    @Test
    void theShowThatTheShowFilePageBuildsHearsAndHasTheFindingItShould() throws Exception {
        Show show = ShowFile.parse(example("show-file.md"), "page", Templates.shipped());
        assertThat(show.ears()).hasSize(3);
        assertThat(show.scenes()).hasSize(2);
        Proof proof = Demo.PROVER.prove(show);
        assertThat(proof.scene("talk").orElseThrow().of("stream", "maren").hearing().isHeard())
                .isTrue();
        assertThat(proof.findings())
                .anyMatch(f -> f.rule().equals("echo") && f.key().ear().equals("nadia"));
    }

    @Test
    void theTemplateThatTheTemplatePageBuildsIsTaken() throws Exception {
        Template read = Templates.parse(example("template-file.md"), "page");
        assertThat(read.knobs()).hasSize(6);
        assertThat(read.routes()).hasSize(7);
    }

    /// Every line of the page on lines is read whole, in an evening that has what it names.
    @Test
    void everyLineOfThePageOnLinesIsUnderstood() throws IOException {
        Show evening =
                Page.of(
                                "Spare mic, dynamic microphone",
                                Demo.show(DemoShows.LANTERN_HOUR),
                                Templates.shipped())
                        .edit()
                        .after();
        int read = 0;
        for (String row : Files.readAllLines(Path.of("../docs/lines.md")))
            if (row.startsWith("| ")) {
                for (MatchResult line : CODE.matcher(row).results().toList()) {
                    Said said = Said.of(line.group(1), evening, Templates.shipped());
                    assertThat(said.isClear()).as(said.toString()).isTrue();
                    read++;
                }
            }
        assertThat(read).isGreaterThan(30);
    }

    @Test
    void theTourSaysTheTideTableTalkAsTheTestsDo() throws IOException {
        String readme = Files.readString(Path.of("../README.md"));
        assertThat(readme).contains(TalkTest.TALK.indent(4).stripTrailing());
    }

    @Test
    void everyRuleAndEveryCommandIsDescribed() throws IOException {
        String outputs = Files.readString(Path.of("../docs/outputs.md"));
        assertThat(outputs).contains(Rules.ids().stream().map(id -> "`" + id + "`").toList());
    }
}
