package rivulus.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Who rests when, in the ways in which people say it.
class RestReaderTest {
    private static final String PEOPLE =
            """
            Evening at the boathouse
            Maren hosts, at the table
            Teo and Runa, guests, at the table
            Odd, guest, by video call
            two callers by phone
            intro music and bed from the laptop
            """;

    private static List<String> rests(String lines, String part) {
        return Reading.of(PEOPLE + lines).parts().stream()
                .filter(one -> one.name().equals(part))
                .flatMap(one -> one.rests().stream())
                .sorted()
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "talk 20 min (Odd, Teo off), break 5 min | Teo",
                "talk 20 min, all silent besides Maren | Odd, Runa, Teo, callers",
                "talk 20 min (all but Teo silent, the bed too) | Maren, Odd, Runa, bed, callers",
                "talk 20 min, nobody speaks | Maren, Odd, Runa, Teo, callers",
                "talk 20 min, everyone's mic off, Maren may announce | Odd, Runa, Teo, callers",
                "talk 20 min, only Maren | Odd, Runa, Teo, callers",
                "talk 20 min, no bed | bed",
                "talk 20 min, Runa alone | Maren, Odd, Teo, callers",
                "talk 20 min, in silence | Maren, Odd, Runa, Teo, callers"
            })
    void whatStandsBesideAPartSaysWhoRests(String line, String who) {
        assertThat(rests(line, "talk")).containsExactlyInAnyOrder(who.split(", ")).as("%s", line);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "during the second half Teo keeps quiet | second half | Teo",
                "the callers only in the second half | first half | callers",
                "callers only in the second | first half | callers",
                "Odd joins only after the first half | first half | Odd",
                "Teo and Runa are silent in both halves | second half | ''",
                "in the first half Maren and Odd are muted, Teo too | first half | Maren, Odd, Teo"
            })
    void whatIsSaidElsewhereSaysItToo(String line, String part, String who) {
        assertThat(rests("first half 30 min, second half 30 min\n" + line, part))
                .isEqualTo(who.isEmpty() ? List.of() : List.of(who.split(", ")));
    }

    @Test
    void aPartThatIsLeftOutOfARecordingIsAWish() {
        Facts facts =
                Reading.of(
                        PEOPLE
                                + "statements 20 min, questions 30 min\nrecording, without the questions");
        assertThat(facts.wishes())
                .anySatisfy(
                        wish -> {
                            assertThat(wish.who()).isEqualTo("recording");
                            assertThat(wish.hears()).isEqualTo("must not");
                            assertThat(wish.whom()).isEqualTo("everything");
                            assertThat(wish.when()).isEqualTo("questions");
                        });
    }
}
