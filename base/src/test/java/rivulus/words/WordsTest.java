package rivulus.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {
    @Test
    void figuresHaveARealMinusAndAThinSpaceThatDoesNotBreak() {
        assertThat(Words.db(-3)).isEqualTo("\u22123.0\u202FdB");
        assertThat(Words.db(-0.04)).as("no minus before nothing").isEqualTo("0.0\u202FdB");
        assertThat(Words.db(Double.NEGATIVE_INFINITY)).isEqualTo("silent");
        assertThat(Words.ms(411.7)).isEqualTo("412\u202Fms");
        assertThat(Words.ms(2.25)).isEqualTo("2.3\u202Fms");
        assertThat(Words.hz(86.2)).isEqualTo("86\u202FHz");
        assertThat(Words.hz(1234)).isEqualTo("1.2\u202FkHz");
    }

    @Test
    void listsReadLikeSpeech() {
        assertThat(Words.list(List.of())).isEqualTo("nobody");
        assertThat(Words.list(List.of("Maren"))).isEqualTo("Maren");
        assertThat(Words.list(List.of("Maren", "Ivo", "Nadia"))).isEqualTo("Maren, Ivo and Nadia");
        assertThat(Words.count(1, "port")).isEqualTo("1 port");
        assertThat(Words.count(0, "route")).isEqualTo("0 routes");
        assertThat(Words.sentence("it howls")).isEqualTo("It howls");
    }

    @ParameterizedTest
    @CsvSource({
        "Show desk, USB 1 call, Show desk USB 1 call",
        "Tower's virtual cable, virtual cable, Tower's virtual cable",
        "Virtual cable, virtual cable, Virtual cable",
        "USB microphone, microphone, USB microphone",
        "Ivo's mic, microphone, Ivo's mic",
        "Smicrophone, microphone, Smicrophone microphone"
    })
    void aPartIsNotSaidTwice(String thing, String part, String said) {
        assertThat(Words.part(thing, part)).isEqualTo(said);
    }
}
