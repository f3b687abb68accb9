package rivulus.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/// Patterns look at so many letters and no more, on every machine.
class EffortTest {
    /// Looks at n² letters of n.
    private static final Pattern LONG = Pattern.compile("a+b");

    @Test
    void whatTakesTooMuchEnds() {
        Effort effort = new Effort();
        effort.begin();
        assertThatThrownBy(() -> effort.matcher(LONG, "a".repeat(5_000)).find())
                .isInstanceOf(Effort.Spent.class);
        effort.end();
    }

    @Test
    void whatAClauseDoesNotTakeIsLeftForOthers() {
        Effort effort = new Effort();
        for (int clause = 0; clause < 100_000; clause++) {
            effort.begin();
            assertThat(effort.matcher(Pattern.compile("b"), "ab").find()).isTrue();
            effort.end();
        }
    }

    /// A page without an end of sentences and full of lists, of which shapes of wishes would never
    /// have enough: it is read, and the same each time.
    @Test
    void aPageOfListsIsRead() {
        String lists =
                "Maren, Ivo, Nadia and Bram, or the stream, must not and may hear ".repeat(400);
        assertThat(Reading.of(lists).wishes()).isEqualTo(Reading.of(lists).wishes());
    }
}
