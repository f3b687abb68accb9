package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.gear.Setting;
import rivulus.hearing.Openings;
import rivulus.hearing.Ways;
import rivulus.remedy.Effect;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Severity;

/// Where the checks draw their lines, on rigs made to lie on either side of them.
class LinesTest {
    /// A stream that listens to one box with the points and routes that are given.
    private static Show box(String points, String routes, String knobs, String rest) {
        String text =
                """
                {"rivulus": 1, "title": "A box",
                 "cast": {"playback": [{"id": "music", "name": "Music", "kind": "clip", "at": "box/src"}]},
                 "ears": [{"id": "stream", "name": "Stream", "kind": "stream", "at": ["box/out"]}],
                 "rig": {"devices": [{"id": "box", "name": "Box", "template": "box"}]},
                 %s
                 "templates": [{"template": "box", "name": "Box", "kind": "desk",
                   "points": [{"id": "src"}, {"id": "out"}, %s], "routes": [%s], "knobs": [%s]}]}
                """
                        .formatted(rest, points, routes, knobs);
        try {
            return ShowFile.parse(text, "box", Demo.PROVER.catalogue());
        } catch (FileTrouble broken) {
            throw new AssertionError(broken);
        }
    }

    private static List<String> rules(Show show) {
        return Demo.PROVER.prove(show).findings().stream().map(Finding::rule).toList();
    }

    /// A second arrival that fuses counts to 10 dB down, one that slaps to 15, an echo to 25.
    @ParameterizedTest
    @CsvSource({
        "20, -9.5, true",
        "20, -10.5, false",
        "40, -14.5, true",
        "40, -15.5, false",
        "80, -24.5, true",
        "80, -25.5, false"
    })
    void aSecondArrivalCountsByHowLateItIs(double ms, double db, boolean told) {
        Show show =
                box(
                        "{\"id\": \"way\"}",
                        """
                        {"from": "src", "to": "out"}, {"from": "src", "to": "way", "gainDb": %s},
                        {"from": "way", "to": "out", "delayMs": %s}
                        """
                                .formatted(db, ms),
                        "",
                        "");
        assertThat(rules(show).contains("doubled")).isEqualTo(told);
    }

    private static Show muted(String except) {
        return box(
                "{\"id\": \"monitor\"}",
                "{\"from\": \"src\", \"to\": \"out\"}, {\"from\": \"src\", \"to\": \"monitor\", \"knobs\": [{\"knob\": \"mute\", \"open\": [\"off\"]}]}",
                "{\"id\": \"mute\", \"label\": \"mute\", \"kind\": \"switch\", \"role\": \"mute\"}",
                "\"mutes\": [{\"id\": \"m\", \"name\": \"Mute\", \"knob\": \"box/mute\", \"to\": true, \"silences\": [\"music\"]%s}],"
                        .formatted(except));
    }

    @Test
    void anEarThatIsExceptedMayStillHearWhatAMuteSilences() {
        assertThat(rules(muted(""))).contains("mute");
        assertThat(rules(muted(", \"except\": [\"stream\"]"))).doesNotContain("mute");
    }

    /// The mute of a microphone that hears a loudspeaker is no gate of what the loudspeaker plays.
    @Test
    void theGateOfASourceIsNotSoughtBeyondTheAirOfARoom() throws FileTrouble {
        String text =
                """
                {"rivulus": 1, "title": "A hall",
                 "cast": {"playback": [{"id": "music", "name": "Music", "kind": "clip", "at": "box/src"}]},
                 "places": [{"id": "hall", "name": "Hall", "room": "room-soft"}],
                 "ears": [{"id": "stream", "name": "Stream", "kind": "stream", "at": ["box/out"]}],
                 "rig": {"devices": [{"id": "box", "name": "Box", "template": "box", "place": "hall", "knobs": {"mute": true}}, {"id": "mic", "name": "Mic", "template": "dynamic-mic", "place": "hall"}],
                         "cables": [{"id": "c", "from": "mic/out", "to": "box/in"}]},
                 "templates": [{"template": "box", "name": "Box", "kind": "desk",
                   "ports": [{"id": "in", "connector": "XLR", "carries": "mic", "takes": 1}],
                   "points": [{"id": "src"}, {"id": "out"}, {"id": "cone"}],
                   "ends": [{"id": "cone", "kind": "loudspeaker", "point": "cone"}],
                   "routes": [{"from": "src", "to": "cone"}, {"from": "src", "to": "out"},
                              {"from": "in.in", "to": "out", "knobs": [{"knob": "mute", "open": ["off"]}]}],
                   "knobs": [{"id": "mute", "label": "mute", "kind": "switch", "role": "mute"}]}]}
                """;
        Show show = ShowFile.parse(text, "hall", Demo.PROVER.catalogue());
        SceneProof scene = Demo.PROVER.prove(show).scenes().getFirst();
        assertThat(scene.tracer().live().graph().legs())
                .anyMatch(leg -> leg.from().equals(Ref.of("box/cone")));
        assertThat(scene.gate("music")).isEmpty();
    }

    @Test
    void ofALoopTheLevelIsToldThatPassesLeast() {
        Show show =
                box(
                        "{\"id\": \"a\"}, {\"id\": \"b\"}",
                        """
                        {"from": "src", "to": "a"}, {"from": "a", "to": "b", "knobs": ["soft"]},
                        {"from": "b", "to": "a", "gainDb": 8, "knobs": ["loud"]}, {"from": "b", "to": "out"}
                        """,
                        """
                        {"id": "soft", "label": "soft", "kind": "level", "standing": -9},
                        {"id": "loud", "label": "loud", "kind": "level"}
                        """,
                        "");
        Finding loop =
                Demo.PROVER.prove(show).findings().stream()
                        .filter(f -> f.rule().equals("loop"))
                        .findFirst()
                        .orElseThrow();
        assertThat(loop.figures().get("marginDb")).isBetween(0.9, 1.1);
        assertThat(loop.sentence()).contains("Box · soft turns it down");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -0.005, -0.02, -1})
    void aLoopThatIsAsGoodAsHowlingIsToldAsAHowlAndNothingIsWorkedOutBehindIt(double roundDb) {
        Show show =
                box(
                        "{\"id\": \"a\"}, {\"id\": \"b\"}",
                        """
                        {"from": "src", "to": "a"}, {"from": "a", "to": "b"},
                        {"from": "b", "to": "a", "gainDb": %s}, {"from": "b", "to": "out"}
                        """
                                .formatted(roundDb),
                        "",
                        "");
        Proof proof = Demo.PROVER.prove(show);
        assertThat(proof.heard())
                .filteredOn(f -> f.rule().equals("loop"))
                .extracting(Finding::severity)
                .containsExactly(roundDb > -0.01 ? Severity.DANGER : Severity.CAUTION);
        double level = proof.scenes().getFirst().all().getFirst().hearing().levelDb();
        assertThat(level).isLessThan(60).isGreaterThanOrEqualTo(0);
    }

    /// Four hundred open ways lead to a closed one each.
    @Test
    void theNearestOpeningIsFoundAmongHundredsOfWays() {
        Show show =
                box(
                        "{\"id\": \"p{n}\", \"for\": {\"n\": \"1..400\"}}, {\"id\": \"q\"}",
                        """
                        {"from": "src", "to": "p{n}", "for": {"n": "1..400"}},
                        {"from": "p{n}", "to": "q", "for": {"n": "1..400"}, "knobs": ["last"]},
                        {"from": "q", "to": "out"}
                        """,
                        "{\"id\": \"last\", \"label\": \"last\", \"kind\": \"level\", \"standing\": \"off\"}",
                        "");
        var live = Demo.PROVER.prove(show).scenes().getFirst().tracer().live();
        assertThat(
                        Openings.of(live.graph(), live.positions(), Limit.HEARD.usual())
                                .nearest("music", "stream", 1)
                                .all())
                .singleElement()
                .satisfies(opening -> assertThat(opening.turns()).hasSize(1));
    }

    @Test
    void whoComesToHearWhatTheyNeedNotIsIntrudedUpon() {
        Show open =
                box(
                        "{\"id\": \"way\"}",
                        "{\"from\": \"src\", \"to\": \"out\", \"knobs\": [\"send\"]}",
                        "{\"id\": \"send\", \"label\": \"send\", \"kind\": \"level\"}",
                        "\"brief\": [{\"ear\": \"stream\", \"source\": \"music\", \"wish\": \"may\"}],");
        Show shut = open.withKnob(Ref.of("box/send"), Setting.Level.OFF);
        Proof heard = Demo.PROVER.prove(open);
        Proof silent = Demo.PROVER.prove(shut);
        assertThat(Effect.between(silent, heard)).singleElement().matches(Effect::intrudes);
        assertThat(Effect.between(heard, silent)).singleElement().matches(e -> !e.intrudes());
    }

    @Test
    void anEarOrASourceThatIsNotThereIsTold() {
        var live = Demo.PROVER.prove(Demo.show("first-call")).scenes().getFirst().tracer().live();
        Openings openings = Openings.of(live.graph(), live.positions(), Limit.HEARD.usual());
        assertThatThrownBy(() -> openings.nearest("nadia", "nobody", 1).all())
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("there is no ear \"nobody\"");
        assertThatThrownBy(() -> Ways.of(live).strongest("nothing", "nadia", 1).all())
                .hasMessage("there is no source \"nothing\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"lavalier-mic", "headset-4-pole", "usb-headset", "wireless-mic"})
    void aWornMicrophoneSitsWhereItIsSpokenIntoUnlessThePlaceSaysOtherwise(String kind)
            throws Exception {
        assertThat(worn(kind, "")).isCloseTo(0, within(0.2));
        String far = ", \"distances\": [{\"from\": \"maren\", \"to\": \"mic\", \"m\": 1}]";
        assertThat(worn(kind, far)).isLessThan(-10);
    }

    /// What a worn microphone hears of its wearer.
    private static double worn(String kind, String distances) throws Exception {
        String text =
                """
                {"rivulus": 1, "title": "worn",
                 "places": [{"id": "r", "name": "Room", "room": "room-soft"%s}],
                 "cast": {"people": [
                     {"id": "maren", "name": "Maren", "role": "host", "place": "r"}]},
                 "ears": [{"id": "e", "name": "e", "kind": "track", "of": "maren",
                           "at": ["mic/capsule"]}],
                 "rig": {"devices": [{"id": "mic", "name": "Mic", "template": "%s",
                                      "worn": "maren"}]}}
                """
                        .formatted(distances, kind);
        Show show = ShowFile.parse(text, "worn", Demo.PROVER.catalogue());
        return Demo.PROVER.prove(show).scenes().getFirst().of("e", "maren").hearing().levelDb();
    }
}
