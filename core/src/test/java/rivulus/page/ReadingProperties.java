package rivulus.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import rivulus.disk.JsonText;
import rivulus.rule.Rules;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.show.Show;

/// Whatever is written: no page throws, and the same page says the same.
class ReadingProperties {
    private static final List<String> WORDS =
            List.of(
                    "Maren",
                    "Ivo",
                    "the",
                    "mixer",
                    "->",
                    "hears",
                    "not",
                    "only",
                    "stream",
                    ",",
                    ":",
                    ".",
                    "20",
                    "min",
                    "callers",
                    "by phone",
                    "'s",
                    "(",
                    ")",
                    "jingles",
                    "from",
                    "laptop",
                    "muted",
                    "in",
                    "talk",
                    "\n",
                    "\n",
                    "\t",
                    "and",
                    "everyone",
                    "each",
                    "mic",
                    "12 dB",
                    "under",
                    "host",
                    "\"",
                    "/",
                    "two",
                    "20:15",
                    "-",
                    "himself",
                    "?",
                    "maybe",
                    "without",
                    "podcast",
                    "she",
                    "them",
                    "to",
                    "Ünal",
                    "漢字",
                    "🎺",
                    "x");

    @Provide
    Arbitrary<String> pages() {
        return Arbitraries.of(WORDS).list().ofMaxSize(120).map(words -> String.join(" ", words));
    }

    @Property(tries = 300)
    void noPageThrowsAndEachSaysTheSameAgain(@ForAll("pages") String page) {
        String facts = JsonText.of(Reading.of(page).plain());
        assertThat(JsonText.of(Reading.of(page).plain())).isEqualTo(facts);
    }

    @Property(tries = 40)
    void everyPageComesToAShow(@ForAll("pages") String page) {
        Page read = Page.written(page, Show.untitled(), Rules.prover().catalogue(), Answers.NONE);
        assertThat(read.edit().after()).isNotNull();
        assertThat(read.left()).allMatch(line -> !line.isBlank());
    }
}
