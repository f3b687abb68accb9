package rivulus.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.show.Show;

class SaidTest {
    private static final Show LANTERN = Demo.show("lantern-hour");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Maren, host, Reading Room | Maren · host · in Reading Room",
                "Nadia, caller, call program | Nadia · caller · afar, by call program",
                "Bram; phone | Bram · caller · afar, by phone",
                "Ivo, reading room, he, guest | Ivo · guest · in Reading Room · he",
                "Guests of the house, guests | Guests of the house · guest",
                "Teo, producer, Workroom, only listens | Teo · producer · in Workroom · only listens",
                "scene Tales, 20 min | scene Tales · 20\u202Fmin",
                "scene Interval, 15, Ivo rests, Cue pads rests | scene Interval · 15\u202Fmin · Ivo rests · Cue pads rests",
                "Scene The long, dark part | scene The long",
                "stream | Stream listens",
                "the on-demand copy | On-demand copy listens",
                "a track per voice | a track for every voice",
                "The hall, audience, Reading Room | The hall · audience · in Reading Room · only listens",
                "The hall, audience, Reading Room, speaks | The hall · audience · in Reading Room · speaks",
                "'  Sunniva ,, interpreter ' | Sunniva · interpreter"
            })
    void aLineSaysWhatItSaysOnPaper(String line, String words) {
        assertThat(Said.of(line, LANTERN).words(LANTERN)).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Choir, guests, 12, Reading Room | 12",
                "Maren, host, Reading Room, Workroom | Workroom",
                "scene Tales, 20 min, tea at once | tea at once",
                "stream, loud | loud",
                "scene Tea, somebody rests | somebody rests",
                "Ada, guest, here? | here?"
            })
    void whatIsNotUnderstoodIsMarked(String line, String unclear) {
        assertThat(Said.of(line, LANTERN).unclear()).containsExactly(unclear);
    }

    @Test
    void manyLinesAreReadAtOnceAndEmptyOnesArePassedOver() {
        assertThat(Said.all("Maren, host\n\n   \nstream\r\nscene Doors", Show.untitled()))
                .extracting(said -> said.words(Show.untitled()))
                .isEqualTo(List.of("Maren · host", "Stream listens", "scene Doors"));
        assertThat(Said.of(",,,", LANTERN).isSomething()).isFalse();
    }
}
