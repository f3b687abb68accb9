package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// Every sentence that findings, causes, cures and mixes are told in, as it stands in the code, is
/// listed in `sentences.txt`: whoever writes a new one reads it there among the others, as somebody
/// who mixes on Sundays would, and adds it.
class SentencesTest {
    private static final List<String> PACKAGES =
            List.of("rule", "check", "remedy", "least", "mix", "trouble", "setup");
    private static final Path SOURCES = Path.of("src/main/java/rivulus");
    private static final Pattern COMMENT = Pattern.compile("(?m)^\\s*///?.*$");
    private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");

    /// What nobody says who mixes.
    private static final List<String> NOT_SAID =
            List.of("nominal", "solver", "node", "graph", " leg ", "cell", "null", "boolean");

    private static List<String> written() throws IOException {
        TreeSet<String> sentences = new TreeSet<>();
        for (String folder : PACKAGES)
            try (Stream<Path> files = Files.list(SOURCES.resolve(folder))) {
                for (Path file : files.toList()) {
                    String code = COMMENT.matcher(Files.readString(file)).replaceAll("");
                    Matcher literal = LITERAL.matcher(code);
                    while (literal.find()) {
                        String words = literal.group(1);
                        if (words.strip().contains(" ") && words.matches(".*[a-z]{2}.*"))
                            sentences.add(folder + ": " + words.strip());
                    }
                }
            }
        return new ArrayList<>(sentences);
    }

    @Test
    void everySentenceIsListed() throws IOException {
        try (InputStream in = SentencesTest.class.getResourceAsStream("/rivulus/sentences.txt")) {
            List<String> listed =
                    new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
            assertThat(written()).isEqualTo(listed);
        }
    }

    @Test
    void noneIsInWordsOfTheProgram() throws IOException {
        assertThat(written()).noneMatch(sentence -> NOT_SAID.stream().anyMatch(sentence::contains));
    }
}
