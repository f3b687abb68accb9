package rivulus.say;

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
                "4 dynamic microphones | 4 × Dynamic microphone",
                "show desk, Workroom | Show desk · Show desk with four microphone strips and two USB ports · in Workroom",
                "Talk laptop, Workroom: call program, Jingle player | Talk laptop · Laptop · in Workroom · runs Call program and Jingle player",
                "Ada's corner, condenser | Ada's corner · Condenser microphone",
                "Room mic, condenser microphone | Room mic · Condenser microphone",
                "mic for Maren and Ivo | 2 × mic · Dynamic microphone · for Maren and Ivo",
                "headphones for Maren, Ivo | 2 × headphones · Wired headphones · for Maren and Ivo",
                "streaming program, Stream tower | Streaming program · on Stream tower",
                "Chimes, cues, Show desk | Chimes · cues · played by Show desk",
                "Overture, music | Overture · music",
                "on-demand copy, Small recorder | On-demand copy listens at Small recorder",
                "a track per voice, Show desk | a track for every voice at Show desk",
                "join Ivo's mic and Maren's mic to Show desk | join Ivo's mic and Maren's mic to Show desk",
                "ivo's mic > show desk | join Ivo's mic to Show desk",
                "Call program > USB 1 call | Call program plays to Show desk USB 1 call",
                "show desk usb 2 > Streaming program | Streaming program hears Show desk USB 2",
                "no caller hears the music bed | Nadia and Bram must not hear the music bed",
                "nobody hears alerts | Maren, Ivo, Nadia, Bram, Sunniva and Teo must not hear the alerts",
                "music 12 under the voices on the stream | The stream hears the music bed 12.0\u202FdB under the voices",
                "cue pads at 6 dB below voices for Teo, in Doors | Teo hears the cue pads 6.0\u202FdB under the voices · in Doors",
                "Nadia hears Maren within 250 ms | Nadia hears Maren within 250\u202Fms",
                "Sunniva must hear Teo, Tales | Sunniva must hear Teo · in Tales",
                "guests may hear music and cues | Ivo may hear the music bed and the cue pads",
                "Choir, guests, 12, talks loudly | Choir · guest · 12 people · talks loudly",
                "'  Sunniva ,, interpreter ' | Sunniva · interpreter"
            })
    void aLineSaysWhatItSaysOnPaper(String line, String words) {
        assertThat(Said.of(line, LANTERN, Demo.PROVER.catalogue()).words()).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Choir, guests, Reading Room, 12, Workroom | Workroom",
                "Maren, host, Reading Room, Workroom | Workroom",
                "scene Tales, 20 min, tea at once | tea at once",
                "stream, loud | loud",
                "scene Tea, somebody rests | somebody rests",
                "Ada, guest, here? | here?",
                "headphones for Ada | Ada",
                "laptop: solitaire | solitaire",
                "usb mic, show desk | show desk",
                "join Ivo's mic to the moon | the moon",
                "Ada hears Ivo | Ada",
                "Chimes, cues, the moon | the moon",
                "Chimes, cues, Ivo's mic | Ivo's mic",
                "stream, Ivo's mic | Ivo's mic",
                "mics > Show desk | mics"
            })
    void whatIsNotUnderstoodIsMarked(String line, String unclear) {
        assertThat(Said.of(line, LANTERN, Demo.PROVER.catalogue()).unclear())
                .containsExactly(unclear);
    }

    @Test
    void manyLinesAreReadAtOnceAndEmptyOnesArePassedOver() {
        assertThat(
                        Page.of(
                                        "Maren, host\n\n   \nstream\r\nscene Doors",
                                        Show.untitled(),
                                        Demo.PROVER.catalogue())
                                .lines())
                .extracting(Said::words)
                .isEqualTo(List.of("Maren · host", "Stream listens", "scene Doors"));
        assertThat(Said.of(",,,", LANTERN, Demo.PROVER.catalogue()).isSomething()).isFalse();
    }

    /// A page that says gear by the hundred ends somewhere, and says so.
    @Test
    void moreGearThanAnEveningHasCannotBe() {
        Page page =
                Page.of("99 dynamic mics\n".repeat(30), Show.untitled(), Demo.PROVER.catalogue());
        assertThat(page.edit().after().rig().devices()).hasSize(99 * 20);
        assertThat(page.lines().getLast().trouble())
                .isEqualTo("that would be 2079 pieces of gear; 2000 can be said");
        assertThat(page.left()).hasSize(10);
    }
}
