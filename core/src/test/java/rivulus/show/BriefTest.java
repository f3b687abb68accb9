package rivulus.show;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.disk.Extras;
import rivulus.file.Templates;

class BriefTest {
    private final Show show = Demo.show("lantern-hour");

    private Brief.Standing wish(Show of, String ear, String source, String scene) {
        return Brief.of(of, Templates.briefDefaults())
                .wish(
                        of.ear(ear).orElseThrow(),
                        of.cast().source(source).orElseThrow(),
                        of.scene(scene).orElseThrow());
    }

    @ParameterizedTest(name = "{0} and {1} in {2}: {3}")
    @CsvSource({
        "nadia, maren, tales, MUST",
        "nadia, nadia, tales, MUST_NOT",
        "nadia, bram, call-in, MUST",
        "maren, maren, tales, MAY",
        "maren, teo, tales, MUST",
        "sunniva, ivo, tales, MUST",
        "stream, teo, tales, MUST_NOT",
        "stream, sunniva, tales, MUST_NOT",
        "stream, alerts, tales, MUST",
        "second-language, sunniva, tales, MUST",
        "second-language, maren, tales, MAY",
        "on-demand, music-bed, close, MUST_NOT",
        "house, music-bed, doors, MUST",
        "track-maren, maren, tales, MUST",
        "track-maren, ivo, tales, MUST_NOT"
    })
    void defaultsFollowFromRoles(String ear, String source, String scene, Wish wish) {
        Brief.Standing standing = wish(show, ear, source, scene);
        assertThat(standing.wish()).isEqualTo(wish);
        assertThat(standing.why()).isNotBlank();
        assertThat(standing.excepted()).isFalse();
    }

    /// What rests of playback is not started: nothing can be wrong with it, whoever listens.
    @ParameterizedTest
    @CsvSource({"stream", "on-demand", "maren", "nadia"})
    void playbackThatRestsIsNotStarted(String ear) {
        Show resting = show.withScene("doors", doors -> doors.resting(List.of("music-bed")));
        assertThat(wish(resting, ear, "music-bed", "doors").wish()).isEqualTo(Wish.MAY);
        assertThat(wish(resting, ear, "music-bed", "doors").why())
                .isEqualTo("Music bed is not started in this scene.");
    }

    @ParameterizedTest(name = "{0} and {1}: {2}")
    @CsvSource({
        "stream, maren, MUST_NOT",
        "house, ivo, MUST_NOT",
        "ivo, maren, MAY",
        "nadia, maren, MAY",
        "track-maren, maren, MAY",
        "track-maren, ivo, MUST_NOT",
        "stream, music-bed, MUST"
    })
    void whoRestsMustNotReachThePublicAndNeedReachNobody(String ear, String source, Wish wish) {
        assertThat(wish(show, ear, source, "doors").wish()).isEqualTo(wish);
    }

    @Test
    void anExceptionComesBeforeTheDefaultAndOneForTheSceneBeforeAll() {
        assertThat(wish(show, "sunniva", "teo", "tales"))
                .isEqualTo(
                        new Brief.Standing(
                                Wish.MUST, "Teo cues the interpreter by talkback.", true));
        Show changed =
                show.with(
                        new WishChange(
                                "stream",
                                "maren",
                                "doors",
                                Wish.MAY,
                                "A test of lines.",
                                Extras.NONE));
        assertThat(wish(changed, "stream", "maren", "doors").wish()).isEqualTo(Wish.MAY);
        assertThat(wish(changed, "stream", "maren", "interval").wish()).isEqualTo(Wish.MUST_NOT);
        assertThat(changed.withoutChange("stream", "maren", "doors")).isEqualTo(show);
    }

    @Test
    void aNewerExceptionTakesThePlaceOfTheOlder() {
        Show once = show.with(new WishChange("nadia", "teo", "", Wish.MUST, "first", Extras.NONE));
        Show twice =
                once.with(new WishChange("nadia", "teo", "", Wish.MUST_NOT, "second", Extras.NONE));
        assertThat(twice.changes()).hasSameSizeAs(once.changes());
        assertThat(wish(twice, "nadia", "teo", "tales").why()).isEqualTo("second");
    }

    @Test
    void editsLeaveTheShowTheyWereMadeFromAsItWas() {
        Show before = Demo.show("lantern-hour");
        Ref fader = Ref.of("desk/mic1.fader");
        Show after = show.withKnob(fader, new rivulus.gear.Setting.Level(-3)).titled("Other");
        assertThat(show).isEqualTo(before);
        assertThat(after.rig().device("desk").orElseThrow().knobs()).containsKey("mic1.fader");
        assertThat(show.withKnob(Ref.of("nobody/knob"), new rivulus.gear.Setting.Switch(true)))
                .isEqualTo(show);
    }
}
