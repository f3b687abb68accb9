package rivulus.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.show.Show;

/// A page as somebody writes it becomes the right people, gear, parts and wishes, and nobody else.
class OwnWordsTest {
    private static final Catalogue CATALOGUE = Templates.shipped();

    /// As it was typed by somebody who had not seen the program.
    private static final String QUIZ =
            """
            Quiz by phone

            Runa, host, Studio, she
            Per, guest, Studio, he
            Liv, guest, Studio, she
            Odd, panelist, call program, he
            two callers by phone
            Kai, producer, Studio, he
            Kai talks to Runa only
            jingles, music, Cue laptop
            audience, 30 people, loudspeakers
            stream
            podcast without music
            a track per voice
            Kai must hear everybody
            scene Warm-up, 5 min
            scene Quiz, 45 min, callers off
            scene Phone round, 20 min
            """;

    private static Page read(String page) {
        return Page.written(page, Show.untitled(), CATALOGUE, Answers.NONE);
    }

    @Test
    void theQuizComesToTheRightPeople() throws Exception {
        Page page = read(QUIZ);
        Show quiz = page.edit().after();
        assertThat(page.left()).isEmpty();
        assertThat(quiz.title()).isEqualTo("Quiz by phone");
        assertThat(quiz.cast().people())
                .extracting(person -> person.name() + " " + person.role().word())
                .containsExactlyInAnyOrder(
                        "Runa host",
                        "Per guest",
                        "Liv guest",
                        "Odd guest",
                        "Kai producer",
                        "Caller 1 caller",
                        "Caller 2 caller",
                        "Audience audience");
        assertThat(quiz.cast().playback())
                .extracting(plays -> plays.name())
                .containsExactly("Jingles", "Music");
        assertThat(quiz.places())
                .extracting(place -> place.name())
                .doesNotContain("panelist", "loudspeakers", "Cue laptop");
        assertThat(quiz.ears())
                .extracting(Ear::kind)
                .contains(Ear.Kind.STREAM, Ear.Kind.ON_DEMAND, Ear.Kind.TRACK);
        assertThat(quiz.scenes())
                .extracting(scene -> scene.name() + " " + scene.quiet().size())
                .containsExactly("Warm-up 0", "Quiz 2", "Phone round 0");
        assertThat(ShowFile.again(quiz, CATALOGUE)).isEqualTo(quiz);
    }

    @Test
    void whoComesFromAfarIsNotInTheRoom() {
        Show quiz = read(QUIZ).edit().after();
        Person odd =
                quiz.cast().people().stream()
                        .filter(person -> person.name().equals("Odd"))
                        .findFirst()
                        .orElseThrow();
        Person runa =
                quiz.cast().people().stream()
                        .filter(person -> person.role() == Role.HOST)
                        .findFirst()
                        .orElseThrow();
        assertThat(odd.place()).isNotEqualTo(runa.place());
    }

    @Test
    void whatIsReadInOnesOwnWordsIsAssumedAndPlainLinesAreNot() {
        Page page = read(QUIZ);
        assertThat(page.lines())
                .filteredOn(said -> said.line().equals("Runa, host, Studio, she"))
                .noneMatch(Said::assumed);
        assertThat(page.lines())
                .filteredOn(said -> said.line().equals("Kai talks to Runa only"))
                .isNotEmpty()
                .allMatch(Said::assumed);
    }

    @Test
    void whatIsOpenAndWhatIsNothingStays() {
        Page page =
                read("Evening\nMaren, host\nmaybe Ivo plays the harp\ndoor code as always\nstream");
        assertThat(page.left()).containsExactly("maybe Ivo plays the harp", "door code as always");
        assertThat(page.edit().after().cast().people())
                .extracting(Person::name)
                .containsExactly("Maren");
        Page answered =
                Page.written(
                        "Evening\nMaren, host\nmaybe Ivo plays the harp",
                        Show.untitled(),
                        CATALOGUE,
                        Answers.FIRST);
        assertThat(answered.edit().after().cast().people())
                .extracting(Person::name)
                .contains("Ivo");
    }

    @Test
    void whatIsOpenOffersWhatItWouldBeAndIsAnsweredLineByLine() {
        String text =
                "Evening\nMaren, host\nmaybe Ivo plays the harp\nperhaps Runa by video call\nstream";
        Page open = read(text);
        assertThat(open.open()).isEqualTo(2);
        assertThat(open.choices().get("maybe Ivo plays the harp").getFirst()).startsWith("Ivo · ");

        Answers answers =
                Answers.NONE
                        .take("maybe Ivo plays the harp")
                        .putAside("perhaps Runa by video call");
        Page answered = Page.written(text, Show.untitled(), CATALOGUE, answers);
        assertThat(answered.open()).isZero();
        assertThat(answered.left()).containsExactly("perhaps Runa by video call");
        assertThat(answered.edit().after().cast().people())
                .extracting(Person::name)
                .containsExactlyInAnyOrder("Maren", "Ivo");
        Page again =
                Page.written(
                        text,
                        Show.untitled(),
                        CATALOGUE,
                        answers.take("perhaps Runa by video call"));
        assertThat(again.left()).isEmpty();
    }

    @Test
    void aReadingIsConfirmedOrTurnedDown() {
        String text =
                "Evening\nOttilie leads the talk, at the lectern\nFenn joins by video call, he must not hear Ottilie";
        Page page = read(text);
        Said wish =
                page.lines().stream()
                        .filter(said -> said.meant() instanceof Meaning.Wishes)
                        .findFirst()
                        .orElseThrow();
        Said fenn =
                page.lines().stream()
                        .filter(said -> said.words().startsWith("Fenn · "))
                        .findFirst()
                        .orElseThrow();
        assertThat(wish.assumed()).isTrue();
        Page looked =
                Page.written(
                        text,
                        Show.untitled(),
                        CATALOGUE,
                        Answers.NONE.turnDown(wish).confirm(fenn));
        assertThat(looked.edit().after().changes()).isEmpty();
        assertThat(looked.lines())
                .filteredOn(said -> said.words().equals(fenn.words()))
                .singleElement()
                .matches(said -> !said.assumed());
        assertThat(looked.assumed()).isEqualTo(page.assumed() - 2);
        assertThat(
                        Page.written(
                                        text,
                                        Show.untitled(),
                                        CATALOGUE,
                                        Answers.NONE.turnDown(wish).confirm(wish))
                                .edit()
                                .after()
                                .changes())
                .hasSize(1);
    }

    @Test
    void whoIsThereIsNotAddedAgain() {
        Show show = read("Evening\nMaren, host\nIvo, guest").edit().after();
        Page more = Page.written("Ivo must not hear himself", show, CATALOGUE, Answers.NONE);
        assertThat(more.edit().after().cast().people()).hasSize(2);
        assertThat(more.lines())
                .extracting(Said::words)
                .isEqualTo(List.of("Ivo must not hear themself"));
    }
}
