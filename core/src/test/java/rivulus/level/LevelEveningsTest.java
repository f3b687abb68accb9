package rivulus.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.say.Page;
import rivulus.show.Cast;
import rivulus.show.Limit;
import rivulus.show.Loudness;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Severity;

/// Evenings planned in levels from microphone to stream, and what sources bring along: how loud a
/// recording was made, how many sing, what a room hears bare.
class LevelEveningsTest {
    private static List<Finding> found(Show show, String rule) {
        return PROVER.prove(show).findings().stream()
                .filter(finding -> finding.rule().equals(rule))
                .toList();
    }

    private static SceneProof scene(Show show) {
        return PROVER.prove(show).scenes().getFirst();
    }

    @ParameterizedTest
    @ValueSource(strings = {"choir-night-repaired", "spring-lectures-repaired"})
    void anEveningStandsWellFromTheMouthToTheStream(String evening) {
        Show show = Demo.show(evening);
        Proof proof = PROVER.prove(show);
        assertThat(proof.findings()).noneMatch(f -> f.severity() != Severity.NOTE);
        assertThat(proof.gains()).allMatch(gain -> gain.turn().isEmpty());
        SceneProof scene = proof.scenes().getFirst();
        double power = 0;
        List<Person> voices = show.cast().people().stream().filter(Person::speaks).toList();
        for (Person voice : voices) {
            Staircase way = scene.way(scene.of("stream", voice.id())).orElseThrow();
            assertThat(way.stairs().getFirst().scale().unit()).isEqualTo(Scale.Unit.SPL);
            assertThat(way.end().scale().unit()).isEqualTo(Scale.Unit.DBFS);
            assertThat(way.stairs()).anyMatch(stair -> stair.preamp().isPresent());
            assertThat(way.headroomDb()).isGreaterThan(0.5);
            assertThat(way.end().scale().reads(way.end().peakDb())).isLessThan(-0.9);
            power += Math.pow(10, way.end().scale().reads(way.end().averageDb()) / 10);
        }
        double lufs = 10 * Math.log10(power / voices.size());
        assertThat(lufs).isCloseTo(-16, within(1.0));
    }

    /// Every check of levels and processing is shown by an evening, and its repaired one is without
    /// it. That every fix of a shipped show ends what it is for is held by FixesTest.
    @ParameterizedTest
    @CsvSource({
        "clipping, choir-night",
        "level, choir-night",
        "loudness, choir-night",
        "noise, round-table",
        "gate, long-read",
        "chain-order, long-read",
        "processed-twice, long-read",
        "levelled-together, long-read",
        "balance, quay-market",
        "uneven, new-desk",
        "unused-gain, new-desk",
        "compressed-elsewhere, new-desk",
        "gain-before-feedback, harvest-concert",
        "loud-ears, lute-in-tracks",
        "too-loud, lute-in-tracks",
        "one-side, spring-lectures",
        "polarity, harbour-hotline",
        "clean-up, lute-lesson"
    })
    void everyCheckOfLevelsHasAnEveningThatShowsIt(String rule, String evening) {
        assertThat(found(Demo.show(evening), rule)).isNotEmpty();
        assertThat(found(Demo.show(evening + "-repaired"), rule)).isEmpty();
    }

    /// Two sides into a mono input: told where they are joined.
    @Test
    void aStereoSourceThatIsFoldedIsTold() {
        assertThat(found(Demo.show("letters-from-afar-repaired"), "channels"))
                .extracting(Finding::severity)
                .containsOnly(Severity.CAUTION);
    }

    /// The clip comes by a stereo box into two mono channels, linked where it is put right.
    @Test
    void aClipOnTwoLinkedChannelsComesWithBothSides() {
        SceneProof scene = scene(Demo.show("spring-lectures-repaired"));
        for (String ear : List.of("stream", "house")) {
            assertThat(scene.of(ear, "clip").hearing().arrivals())
                    .anyMatch(arrival -> arrival.carries(0))
                    .anyMatch(arrival -> arrival.carries(1));
        }
    }

    @Test
    void microphonesForTheAudienceBesideTheLoudspeakersCostTheGainBeforeFeedback() {
        Show concert = Demo.show("harvest-concert");
        Finding told = found(concert, "gain-before-feedback").getFirst();
        assertThat(told.key().source()).isEqualTo("choir");
        Remedy remedy = Remedies.of(PROVER, PROVER.prove(concert), told, 1).first().orElseThrow();
        assertThat(remedy.turns().getFirst().knob())
                .as("the audience's channel, and not the choir's")
                .isEqualTo(new Ref("console", "ch5.fader"));
        assertThat(found(remedy.change().after(), "gain-before-feedback")).isEmpty();
        assertThat(found(Demo.show("harvest-concert-repaired"), "gain-before-feedback")).isEmpty();
    }

    @Test
    void aMusicBedAsLoudAsTheVoicesIsToldWhereSomebodyAsksThatItLiesUnderThem() {
        assertThat(found(Demo.show("quay-market"), "balance"))
                .extracting(finding -> finding.key().ear())
                .containsExactly("stream", "copy");
        assertThat(found(Demo.show("quay-market-repaired"), "balance")).isEmpty();
    }

    // What sources bring along

    private static Show made(Show show, double lufs) {
        List<Playback> playback =
                show.cast().playback().stream().map(one -> one.made(lufs)).toList();
        return show.withCast(new Cast(show.cast().people(), playback, show.cast().extras()));
    }

    private static final String PLAYING =
            """
            place hall
            plays tune music pads/pads.player
            pads show-desk @hall
            ear copy stream pads/out.phones1
            """;

    /// A voice at nominal reads −24 LUFS; what was made at −14 starts 10 dB higher, and a meter
    /// reads the same where it starts as where it was made.
    @Test
    void whatIsPlayedComesAsLoudAsItWasMade() {
        Show nominal = RigText.show(PLAYING);
        Show loud = made(nominal, -14);
        double level = scene(nominal).of("copy", "tune").hearing().levelDb();
        assertThat(scene(loud).of("copy", "tune").hearing().levelDb())
                .isCloseTo(level + 10, within(0.01));
        SceneProof scene = scene(loud);
        Staircase way = scene.way(scene.of("copy", "tune")).orElseThrow();
        Staircase.Stair first = way.stairs().getFirst();
        assertThat(first.scale().reads(first.averageDb())).isCloseTo(-14, within(0.01));
        Staircase.Stair player = way.at(new Ref("pads", "pads.player")).orElseThrow();
        assertThat(player.scale().reads(player.averageDb())).isCloseTo(-14, within(0.01));
        assertThat(made(nominal, -24)).isEqualTo(nominal);
    }

    /// 10 log10 of their number, as sounds that have nothing to do with each other add.
    @Test
    void manyAreLouderThanOne() {
        Show show = Demo.show("choir-night");
        List<Person> people = new ArrayList<>();
        for (Person person : show.cast().people())
            people.add(person.id().equals("choir") ? person.many(1) : person);
        Show one = show.withCast(new Cast(people, show.cast().playback(), show.cast().extras()));
        double more =
                scene(show).of("house", "choir").hearing().levelDb()
                        - scene(one).of("house", "choir").hearing().levelDb();
        assertThat(more).isCloseTo(10 * Math.log10(16), within(0.01));
    }

    @ParameterizedTest
    @CsvSource({
        "plays brass, BRASS, 92",
        "plays plucked strings, PLUCKED_STRINGS, 68",
        "sings, SINGS, 76",
        "softly, SOFTLY, 54",
        "talks very loudly, VERY_LOUDLY, 78",
        "very-loudly, VERY_LOUDLY, 78"
    })
    void whatSomebodyPlaysIsSaidInALineAndIsAsLoud(String words, Loudness loudness, double spl) {
        Show said =
                Page.of("Ada, guest, Hall, " + words, Show.untitled(), PROVER.catalogue())
                        .edit()
                        .after();
        Person ada = said.cast().people().getFirst();
        assertThat(ada.loudness()).isEqualTo(loudness);
        assertThat(ada.overNormalDb()).isCloseTo(spl - 60, within(1e-9));
        assertThat(said.places()).hasSize(1);
        assertThat(Loudness.said("brass")).as("a word by itself may be a place").isEmpty();
    }

    // Programme against voice

    private static final String BED =
            """
            place hall
            person maren host hall
            near maren mic
            mic dynamic-mic @hall
            pads show-desk @hall pads.fader=%s
            mic/out pads/mic1 3
            plays tune music pads/pads.player
            ear copy stream pads/out.usb2
            """;

    @ParameterizedTest
    @CsvSource({"0, 12, 12", "-9, 12, 3", "-11, 12, 0", "-20, 12, 0", "-12, 15, 3", "0, 0, 0"})
    void musicLiesAsFarUnderTheVoicesAsIsAskedOrFarther(
            double fader, double asked, double lowered) {
        Show show = RigText.show(BED.formatted(fader));
        Show judged =
                show.withChecks(
                        show.checks().with(show.checks().limits().with(Limit.PROGRAMME, asked)));
        List<Finding> found = found(judged, "balance");
        assertThat(found).hasSize(lowered > 0 ? 1 : 0);
        if (found.isEmpty()) return;
        assertThat(found.getFirst().figures().get("wantedDb")).isEqualTo(asked);
        Remedy remedy =
                Remedies.of(PROVER, PROVER.prove(judged), found.getFirst(), 1)
                        .first()
                        .orElseThrow();
        assertThat(remedy.turns().getFirst().to()).isEqualTo(new Setting.Level(fader - lowered));
    }

    // The room

    private static final String HALL =
            """
            place hall
            person maren host hall
            person audience audience hall
            apart maren mic %s
            apart maren audience %s
            apart audience speakers %s
            apart speakers mic %s
            mic dynamic-mic @hall
            desk digital-console @hall %s
            speakers loudspeaker-pair @hall
            mic/out desk/ch1 5
            desk/main-out speakers/in 5
            ear out track desk/main
            """;

    private static List<Reinforced> all(Show show) {
        SceneProof scene = scene(show);
        return Reinforced.all(show, scene.scene(), scene.tracer());
    }

    /// In a room whose sound is even from 2.5 m on: at 8 m 10 log10(1/64 + 1/6.25) = −7.55 dB, and
    /// −5 for an open ear; a talker's mouth at 0.08 m is nominal at the desk.
    @Test
    void whatARoomHearsBareAndByLoudspeakersIsToldApart() {
        Show show = RigText.show(HALL.formatted("0.08", "8", "4", "5", "master=-20"));
        Reinforced one =
                all(show).stream()
                        .filter(r -> r.talker().id().equals("maren"))
                        .findFirst()
                        .orElseThrow();
        double diffuse = 1 / 6.25;
        assertThat(one.bareDb()).isCloseTo(10 * Math.log10(1 / 64.0 + diffuse) - 5, within(0.05));
        Show without = RigText.show(HALL.formatted("0.08", "8", "4", "5", "ch1.mute=true"));
        assertThat(all(without))
                .filteredOn(r -> r.talker().id().equals("maren"))
                .allMatch(r -> !r.isWired());
        assertThat(one.offsetDb())
                .isCloseTo(
                        10 * Math.log10(1 + Math.pow(10, (one.bareDb() - one.wiredDb()) / 10)),
                        within(1e-9));
        // with the loudspeakers raised by the margin less what is kept it is heard as possible
        double raise = one.marginDb() - 6;
        Show raised =
                show.withRig(
                        show.rig()
                                .with(
                                        show.rig()
                                                .device("desk")
                                                .orElseThrow()
                                                .withKnob(
                                                        "master",
                                                        new Setting.Level(
                                                                Math.min(10, -20 + raise)))));
        if (raise <= 30)
            assertThat(
                            all(raised).stream()
                                    .filter(r -> r.talker().id().equals("maren"))
                                    .findFirst()
                                    .orElseThrow()
                                    .togetherDb())
                    .isCloseTo(one.bareDb() + one.possibleDb(6), within(0.3));
    }

    @Test
    void anAudienceThatCannotBeReachedBeforeItHowlsIsTold() {
        Show near = RigText.show(HALL.formatted("0.08", "8", "4", "5", "master=-20"));
        assertThat(found(near, "gain-before-feedback")).isEmpty();
        Show far = RigText.show(HALL.formatted("2", "8", "8", "0.15", "master=-40"));
        Finding told =
                found(far, "gain-before-feedback").stream()
                        .filter(f -> f.key().source().equals("maren"))
                        .findFirst()
                        .orElseThrow();
        assertThat(told.sentence()).startsWith("Maren cannot be brought near to");
        assertThat(told.figures().get("neededDb")).isGreaterThan(told.figures().get("possibleDb"));
    }

    // Leads

    @Test
    void whatOverloadsAnInputIsSentLowerOrPadded() {
        Show show = Demo.show("choir-night-repaired");
        var console = show.rig().device("console").orElseThrow();
        Show up =
                show.withRig(
                        show.rig().with(console.withKnob("alternate.level", new Setting.Level(0))));
        Finding level = found(up, "level").getFirst();
        assertThat(level.sentence()).contains("or to be sent lower by as much");
        assertThat(Remedies.of(PROVER, PROVER.prove(up), level, 3).all())
                .extracting(Remedy::sentence)
                .contains("Set Hall console · ALTERNATE OUT level to −6.0\u202FdB.");
        assertThat(found(show, "level")).isEmpty();
        Show again =
                show.withScene(
                        show.scenes().getFirst().id(),
                        scene ->
                                scene.withKnob(
                                        new Ref("console", "alternate.level"),
                                        new Setting.Level(0)));
        assertThat(found(again, "level")).as("a scene turns it up again").isNotEmpty();
    }

    @Test
    void aBalancedPlugInAStereoInputTurnsOneSideOver() {
        Show show =
                RigText.show(
                        """
                        place hall
                        a balanced-giver @hall
                        b stereo-taker @hall
                        a/out b/in 2
                        """,
                        """
                        {"template": "balanced-giver", "name": "Giver", "kind": "adapter",
                         "ports": [{"id": "out", "connector": "6.3 mm balanced", "carries": "line", "gives": 1}]}
                        """,
                        """
                        {"template": "stereo-taker", "name": "Taker", "kind": "adapter",
                         "ports": [{"id": "in", "connector": "6.3 mm stereo", "carries": "line", "takes": 2, "balanced": false}]}
                        """);
        assertThat(found(show, "polarity"))
                .extracting(Finding::sentence)
                .anyMatch(sentence -> sentence.contains("the same turned over the other"));
    }
}
