package rivulus.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// Sentences as people say them, each with what is meant: written down before any of them was read,
/// and read as they stand.
class WaysOfSayingTest {
    private static final String PEOPLE =
            """
            A talk at the mill
            Maren, host, at the table
            Ivo and Bram, guests, at the table
            Odd joins by video call
            two callers by phone
            producer Teo in the office, talkback mic
            jingles, bed and alerts from the laptop
            """;

    private static List<String> lines(String name) throws IOException {
        try (InputStream in = WaysOfSayingTest.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
    }

    static List<String> wishes() throws IOException {
        return lines("wishes.txt");
    }

    static List<String> rests() throws IOException {
        return lines("rests.txt");
    }

    static List<String> levels() throws IOException {
        return lines("levels.txt");
    }

    /// @param more what the page says besides, before the sentence
    private static void holds(String line, String more, Function<Facts, Stream<String>> said) {
        String[] parts = line.split(" \\| ");
        assertThat(said.apply(Reading.of(PEOPLE + more + "\n" + parts[0])))
                .containsExactly(parts[1].split("; "));
    }

    @ParameterizedTest
    @MethodSource("levels")
    void howLoudAndHowLate(String line) {
        holds(
                line,
                "stream",
                facts ->
                        facts.levels().stream()
                                .map(
                                        level ->
                                                (level.who().isEmpty() ? "-" : level.who())
                                                        + " "
                                                        + level.what()
                                                        + ": "
                                                        + level.says()));
    }

    @ParameterizedTest
    @MethodSource("wishes")
    void whoHearsWhom(String line) {
        holds(
                line,
                "two loudspeakers for about forty people in the hall\nstream, recording, podcast",
                facts ->
                        facts.wishes().stream()
                                .map(wish -> wish.who() + " " + wish.hears() + " " + wish.whom()));
    }

    @ParameterizedTest
    @MethodSource("rests")
    void whoRestsWhen(String line) {
        holds(
                line,
                "welcome 5 min, talk 30 min, break 10 min, questions 20 min",
                facts ->
                        facts.parts().stream()
                                .filter(part -> !part.rests().isEmpty())
                                .map(part -> part.name() + " " + part.rests()));
    }
}
