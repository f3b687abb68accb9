package rivulus.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Pages in words of people's own, and the facts that a careful assistant takes from them.
class ReadingTest {
    private static final String TALK =
            """
            Friday talk at the harbour library
            Maren hosts, in the reading room, clip-on
            Guests: Ivo and Sunniva, table mic each
            Nadia joins by video call; she mustn't hear herself
            two callers by phone
            about 40 in the reading room, two loudspeakers
            producer Teo talks to Maren only, never on air
            jingles and beds from the cue laptop
            mics into the mixer, mixer -> cue laptop
            stream, and a podcast without the beds
            welcome 5 min, talk 30 min (callers silent), questions 20
            during the welcome Nadia is muted
            bring biscuits
            Bram comes too, maybe
            """;

    private static final Facts FACTS = Reading.of(TALK);

    private static List<String> who() {
        return FACTS.who().stream()
                .map(
                        one ->
                                "%s %s %s%s %s"
                                        .formatted(
                                                one.name(),
                                                one.role(),
                                                one.place(),
                                                one.by(),
                                                one.count()))
                .toList();
    }

    private static List<String> wishes(Facts facts) {
        return facts.wishes().stream()
                .map(
                        one ->
                                (one.who()
                                                + " "
                                                + one.hears()
                                                + " "
                                                + one.whom()
                                                + " "
                                                + one.when())
                                        .strip())
                .toList();
    }

    @Test
    void peopleAreReadWithWhatTheyDoAndHowTheyCome() {
        assertThat(who())
                .containsExactlyInAnyOrder(
                        "Maren host reading room 1",
                        "Ivo guest  1",
                        "Sunniva guest  1",
                        "Nadia guest call 1",
                        "Teo producer  1",
                        " caller phone 2",
                        " audience reading room 40");
    }

    @Test
    void nobodyIsMadeOutOfWordsOfTheTrade() {
        assertThat(FACTS.who())
                .extracting(Facts.Who::name)
                .doesNotContain("Guests", "Bram", "Friday", "Stream");
        assertThat(FACTS.who()).extracting(Facts.Who::place).doesNotContain("loudspeakers");
    }

    @Test
    void wishesAreRead() {
        assertThat(wishes(FACTS))
                .contains(
                        "Nadia must not Nadia",
                        "Maren must Teo",
                        "everyone else must not Teo",
                        "programme must not Teo");
        assertThat(FACTS.listens())
                .extracting(one -> one.kind() + one.without())
                .contains("stream[]", "on-demand[beds]");
    }

    @Test
    void partsAreReadWithWhoRests() {
        assertThat(FACTS.parts())
                .extracting(one -> one.name() + " " + one.minutes() + " " + one.rests())
                .containsExactly("welcome 5.0 [Nadia]", "talk 30.0 [callers]", "questions 20.0 []");
    }

    @Test
    void gearIsCountedAndOwned() {
        assertThat(FACTS.gear())
                .extracting(one -> one.count() + " " + one.kind() + " " + one.whose())
                .contains(
                        "1 clip-on mic Maren",
                        "1 table mic Ivo",
                        "1 table mic Sunniva",
                        "2 loudspeakers ",
                        "1 cue laptop ",
                        "1 mixer ");
        assertThat(FACTS.joined())
                .extracting(one -> one.from() + " > " + one.to())
                .contains("mixer > cue laptop");
        assertThat(FACTS.plays())
                .extracting(one -> one.name() + " " + one.kind() + " " + one.from())
                .containsExactly("jingles cues cue laptop", "beds music cue laptop");
    }

    @Test
    void whatIsOpenIsAskedAndWhatIsNothingIsPutAside() {
        assertThat(FACTS.asked())
                .extracting(Facts.Asked::line)
                .containsExactly("Bram comes too, maybe");
        assertThat(FACTS.aside()).containsExactly("bring biscuits");
        assertThat(Reading.of(TALK, List.of(), _ -> true, true).asked()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Ivo hears Maren, not Bram | Ivo must Maren; Ivo must not Bram",
                "Ivo and Bram must not hear the alerts | Ivo must not alerts; Bram must not alerts",
                "Ivo hears only Maren | Ivo only Maren",
                "Ivo needs Maren, and nobody else | Ivo only Maren",
                "the jingles never reach Bram | Bram must not jingles",
                "no jingles for Bram | Bram must not jingles",
                "keep the alerts out of the stream | stream must not alerts",
                "Maren and Bram must hear each other | Maren must Bram; Bram must Maren",
                "Maren may hear the jingles | Maren may jingles",
                "alerts: Maren and Bram | Maren must alerts; Bram must alerts",
                "Bram gets everything but the jingles | Bram must everything; Bram must not jingles",
                "Last time Bram heard himself | Bram must not Bram",
                "the jingles Bram doesn't need | Bram must not jingles"
            })
    void whoHearsWhomIsReadInManyWays(String line, String wanted) {
        String page =
                "Evening\nMaren, host\nIvo, guest\nBram, guest by phone\njingles and alerts from the laptop\nstream\n"
                        + line;
        assertThat(wishes(Reading.of(page))).containsExactlyInAnyOrder(wanted.split("; "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "doors 10 min / talk 45 / break 15 | doors 10.0; talk 45.0; break 15.0",
                "first half 30', second half 30' | first half 30.0; second half 30.0",
                "19:30-20:15 talk | talk 45.0",
                "then the reading, half an hour | reading 30.0",
                "1930 doors 15' / 1945 film 1h30 | doors 15.0; film 90.0"
            })
    void partsAreReadHoweverTimesAreWritten(String line, String wanted) {
        assertThat(Reading.of("Evening\nMaren, host\n" + line).parts())
                .extracting(one -> one.name() + " " + one.minutes())
                .containsExactly(wanted.split("; "));
    }

    /// None of these is a person, a place or a machine.
    @ParameterizedTest
    @ValueSource(
            strings = {
                "door code as always",
                "who has the key to the shed",
                "coffee afterwards",
                "Thanks and see you!",
                "it was lovely last year"
            })
    void whatIsNoSoundIsPutAside(String line) {
        Facts facts = Reading.of("Evening\nMaren, host\n" + line);
        assertThat(facts.aside()).containsExactly(line);
        assertThat(facts.who()).extracting(Facts.Who::name).containsExactly("Maren");
    }

    @Test
    void namesThatAreKnownAreReadInSmallLetters() {
        Facts facts = Reading.of("odd must hear per", List.of("Odd", "Per"), _ -> false, false);
        assertThat(wishes(facts)).containsExactly("Odd must Per");
    }

    @Test
    void nothingIsReadFromNothing() {
        assertThat(Reading.of("").plain()).isEmpty();
        assertThat(Reading.of("\n \n\t\n").plain()).isEmpty();
    }

    private static final String PANEL =
            """
            Who owns the harbour? - panel in the guildhall
            Precentor: Frau Elowen, radio mic
            Speaker: Anselm, dials in with his mobile
            Three widows: Hedda, Ilse, Runa, one clip on mic each
            Maren and Teo in studio 1, an 8 channel interface
            about sixty in the pews
            up to 25 at home via the meeting link, muted
            8 learners round two table mics
            No stream, we record
            battle music and chat alerts from the laptop
            Maren hears the learners and the widows, the battle music in stereo, not the chat alerts
            Maren and Teo hear Anselm, and each other
            the Precentor must not hear an echo of herself
            the home people hear Maren, nobody themselves
            Director Yev talks to both widows and to Teo, not on air
            """;

    @Test
    void labelsCountsAndGroupsOfAPageAreItsOwnWords() {
        Facts facts = Reading.of(PANEL);
        assertThat(facts.who())
                .extracting(one -> (one.name() + one.called() + " " + one.by() + " " + one.count()))
                .contains(
                        "Frau Elowen  1",
                        "Anselm phone 1",
                        "home people call 25",
                        "  60",
                        "learners  8")
                .doesNotContain("Precentor  1");
        assertThat(facts.gear())
                .extracting(one -> one.count() + " " + one.kind())
                .contains("1 interface", "1 clip-on mic")
                .doesNotContain("8 interface");
        assertThat(facts.listens()).extracting(Facts.Listens::kind).contains("recording");
        assertThat(facts.listens()).extracting(Facts.Listens::kind).doesNotContain("stream");
        assertThat(facts.plays())
                .extracting(Facts.Plays::name)
                .containsExactly("battle music", "chat alerts");
        assertThat(wishes(facts))
                .contains(
                        "Maren must learners",
                        "Maren must Hedda",
                        "Maren must battle music",
                        "Maren must not chat alerts",
                        "Maren must Anselm",
                        "Maren must Teo",
                        "Teo must Maren",
                        "Frau Elowen must not Frau Elowen",
                        "home people must Maren",
                        "home people must not home people",
                        "Ilse must Yev",
                        "Teo must Yev",
                        "programme must not Yev");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Ivo: clean feed | Ivo must programme; Ivo must not Ivo",
                "Ivo: everything but the jingles | Ivo must everything; Ivo must not jingles",
                "talkback -> Ivo's headphones only | Ivo must Teo; everyone else must not Teo",
                "Ivo wears headphones, hears Maren and the jingles | Ivo must Maren; Ivo must jingles",
                "Ivo hears Maren, hears Bram | Ivo must Maren; Ivo must Bram",
                "Ivo hears Maren and no one else | Ivo only Maren",
                "the jingles from the laptop, not on the stream | stream must not jingles",
                "Ivo says he hears himself | Ivo must not Ivo",
                "the talkback is not in the programme | programme must not Teo"
            })
    void moreWaysOfSayingWhoHearsWhom(String line, String expected) {
        Facts facts =
                Reading.of(
                        """
                        A talk
                        Maren, host
                        Ivo and Bram, guests
                        producer Teo with a talkback mic
                        jingles from the laptop
                        stream
                        """
                                + line);
        assertThat(wishes(facts)).contains(expected.split("; "));
    }

    @Test
    void aChoirAndAQuartetAreTwo() {
        assertThat(
                        Reading.of("Evening\nMaren, host\na choir of twenty\na quartet in the hall")
                                .who())
                .extracting(one -> one.called() + " " + one.count())
                .contains("choir 20", "quartet 4");
    }
}
