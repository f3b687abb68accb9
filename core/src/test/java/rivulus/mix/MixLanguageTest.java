package rivulus.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.disk.Extras;
import rivulus.mix.MixLanguage.Mistake;
import rivulus.mix.MixLanguage.Says;
import rivulus.show.Cast;
import rivulus.show.Mix;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Source;

/// Sentences about the cast of the Lantern Hour, and about casts whose names are traps.
class MixLanguageTest {
    private static final Cast CAST = Demo.lanternMended().cast();
    private static final MixLanguage LANGUAGE = new MixLanguage(CAST);

    private static List<Mix.Step> steps(String sentence) {
        assertThat(LANGUAGE.read(sentence)).as(sentence).isInstanceOf(Says.class);
        return ((Says) LANGUAGE.read(sentence)).steps();
    }

    private static Set<String> carried(String sentence) {
        return new Mix(Ref.of("desk/out"), steps(sentence), Extras.NONE).carried(CAST).keySet();
    }

    private static Set<String> all() {
        return CAST.sources().stream().map(Source::id).collect(Collectors.toSet());
    }

    @Test
    void everythingButOne() {
        Set<String> others = all();
        others.remove("nadia");
        assertThat(carried("everything but Nadia")).isEqualTo(others);
        assertThat(carried("without nadia, everything")).isEqualTo(others);
        assertThat(carried("but NADIA")).isEqualTo(others);
    }

    @Test
    void groupsAndNames() {
        assertThat(carried("callers")).containsExactlyInAnyOrder("nadia", "bram");
        assertThat(carried("caller and the host")).contains("nadia", "bram", "maren");
        assertThat(carried("Maren only")).containsExactly("maren");
        assertThat(carried("the floor but Ivo")).doesNotContain("ivo", "sunniva", "teo");
        assertThat(carried("voices")).doesNotContain("teo");
        assertThat(carried("nothing")).isEmpty();
    }

    @Test
    void levelsStandBehindATermAndPutItIn() {
        var mix =
                new Mix(
                        Ref.of("desk/out"),
                        steps("programme without music, cues -6.5 dB"),
                        Extras.NONE);
        assertThat(mix.carried(CAST))
                .containsEntry("cue-pads", -6.5)
                .doesNotContainKey("music-bed");
        assertThat(steps("voices +3")).containsExactly(new Mix.Step(Mix.Group.VOICES, false, 3));
        assertThat(steps("voices + cues −6"))
                .containsExactly(
                        Mix.Step.in(Mix.Group.VOICES), new Mix.Step(Mix.Group.CUES, false, -6));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
                    everything but Nadja | 16 | did you mean "Nadia"?
                    '' | 1 | say what it carries
                    everything but Nadia -6 | 22 | what is left out has no level
                    voices -90 | 8 | between −60 and +60 dB
                    voices, "nobody" | 9 | not one alone
                    """)
    void mistakesAreToldAtTheirColumn(String sentence, int column, String words) {
        assertThat(LANGUAGE.read(sentence))
                .isInstanceOfSatisfying(
                        Mistake.class,
                        mistake -> {
                            assertThat(mistake.column()).isEqualTo(column);
                            assertThat(mistake.words()).contains(words);
                            assertThat(mistake.sentence()).startsWith("column " + column + ": ");
                        });
    }

    @Test
    void itGrowsWithTheCast() {
        List<Person> people = new ArrayList<>(CAST.people());
        people.add(people.getFirst().named("Ada"));
        var mix = new Mix(Ref.of("desk/out"), steps("everything but Nadia"), Extras.NONE);
        Playback more = CAST.playback().getFirst();
        Cast grown = new Cast(CAST.people(), List.of(), Extras.NONE);
        assertThat(mix.carried(grown)).doesNotContainKey(more.id());
        assertThat(mix.carried(CAST)).containsKey(more.id());
    }

    @Test
    void whatIsBegunIsCompleted() {
        assertThat(LANGUAGE.complete("everything but Na", 17).words()).containsExactly("Nadia");
        assertThat(LANGUAGE.complete("everything but Na", 17).from()).isEqualTo(15);
        assertThat(LANGUAGE.complete("mus", 3).words()).contains("Music bed", "music");
        assertThat(LANGUAGE.complete("music b", 7).words()).containsExactly("Music bed");
        assertThat(LANGUAGE.complete("everything ", 11).words()).contains("but");
        assertThat(LANGUAGE.complete("xyz", 3).words()).isEmpty();
    }

    /// *Everything* lets talkback and alerts through and does not ask for them; who is named is.
    @Test
    void everythingDoesNotAskForWhatMustNotBePublic() {
        assertThat(asked("everything but Nadia"))
                .contains("maren", "music-bed")
                .doesNotContain("nadia", "teo", "alerts");
        assertThat(asked("everything + Teo")).contains("teo").doesNotContain("alerts");
        assertThat(asked("talkback")).containsExactly("teo");
    }

    private static List<String> asked(String sentence) {
        List<Mix.Step> steps = ((MixLanguage.Says) LANGUAGE.read(sentence)).steps();
        Mix mix = new Mix(Ref.of("desk/out.phone"), steps, Extras.NONE);
        return CAST.sources().stream().filter(mix::asksFor).map(Source::id).toList();
    }

    @Test
    void whatIsCarriedIsDescribedShortly() {
        Set<String> others = all();
        others.remove("nadia");
        assertThat(LANGUAGE.print(LANGUAGE.describe(others, Set.of())))
                .isEqualTo("everything but Nadia");
        assertThat(LANGUAGE.print(LANGUAGE.describe(Set.of("nadia", "bram"), Set.of())))
                .isEqualTo("callers");
        assertThat(LANGUAGE.print(LANGUAGE.describe(Set.of(), Set.of()))).isEqualTo("nothing");
        assertThat(LANGUAGE.print(LANGUAGE.describe(Set.of("ivo"), Set.of())))
                .isIn("Ivo only", "guests");
    }

    private static final List<String> TRAPS =
            List.of(
                    "Music",
                    "but",
                    "Mic 2",
                    "Nadia",
                    "Nadia",
                    "and",
                    "Room mics, left",
                    "only",
                    "the Crowd",
                    "all",
                    "−6",
                    "Cues",
                    "A + B",
                    "\"quoted\"",
                    "nothing",
                    "Ada Lind");

    private static Cast cast(Random random) {
        List<Playback> playback = new ArrayList<>();
        Playback one = CAST.playback().getFirst();
        for (int n = 0; n < 1 + random.nextInt(6); n++)
            playback.add(
                    new Playback(
                            "p" + n,
                            TRAPS.get(random.nextInt(TRAPS.size())),
                            one.kind(),
                            one.at(),
                            one.lufs(),
                            one.licensed(),
                            one.extras()));
        return new Cast(CAST.people(), playback, Extras.NONE);
    }

    @Test
    void allMusicIsTheGroupThoughTwoAreCalledAllAndOneMusic() {
        Playback one = CAST.playback().getFirst();
        List<Playback> traps = new ArrayList<>();
        for (String name : List.of("all", "All", "music"))
            traps.add(
                    new Playback(
                            "p" + traps.size(),
                            name,
                            one.kind(),
                            one.at(),
                            one.lufs(),
                            one.licensed(),
                            one.extras()));
        MixLanguage language = new MixLanguage(new Cast(CAST.people(), traps, Extras.NONE));
        List<Mix.Step> steps = List.of(new Mix.Step(Mix.Group.MUSIC, false, -31.5));
        String sentence = language.print(steps);
        assertThat(sentence).isEqualTo("all music −31.5");
        assertThat(language.read(sentence)).isEqualTo(new Says(steps));
    }

    @Property(tries = 400)
    void whatIsPrintedIsReadAsTheSame(@ForAll long seed) {
        Random random = new Random(seed);
        Cast cast = cast(random);
        MixLanguage language = new MixLanguage(cast);
        List<Mix.Step> steps = new ArrayList<>();
        for (int n = random.nextInt(6); n > 0; n--) {
            Mix.Who who =
                    random.nextBoolean()
                            ? Mix.Group.values()[random.nextInt(Mix.Group.values().length)]
                            : new Mix.One(
                                    cast.sources().get(random.nextInt(cast.sources().size())).id());
            boolean but = random.nextInt(3) == 0;
            double db = but || random.nextBoolean() ? 0 : (random.nextInt(241) - 120) / 2.0;
            steps.add(new Mix.Step(who, but, db));
        }
        String sentence = language.print(steps);
        assertThat(language.read(sentence)).as(sentence).isEqualTo(new Says(steps));
    }

    @Property(tries = 300)
    void nothingThatIsWrittenBreaksIt(@ForAll String text) {
        assertThat(LANGUAGE.read(text)).isNotNull();
        for (int caret = 0; caret <= Math.min(text.length(), 20); caret++)
            assertThat(LANGUAGE.complete(text, caret).from()).isBetween(0, text.length());
    }
}
