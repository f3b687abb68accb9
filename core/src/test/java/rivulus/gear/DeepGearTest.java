package rivulus.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static rivulus.check.Demo.PROVER;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.file.ShowFile;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Show;

/// What the shipped machines can do: pan, taps for each send, 48 V for each input, channels of a
/// device, mutes that silence more or less, tracks of a stream, profiles.
class DeepGearTest {
    private static final Catalogue KINDS = PROVER.catalogue();

    private static Show console(String knobs, String ears) {
        return RigText.show(
                """
                place hall
                person maren host hall
                near maren mic
                mic dynamic-mic @hall
                desk digital-console @hall %s
                mic/out desk/ch1 5
                %s
                """
                        .formatted(knobs, ears));
    }

    private static double level(Show show, String ear) {
        return PROVER.prove(show).scenes().getFirst().of(ear, "maren").hearing().levelDb();
    }

    /// By hand: √2·cos(p·90°) to the left and √2·sin(p·90°) to the right.
    @ParameterizedTest
    @CsvSource({"left, 0", "half-left, 0.25", "centre, 0.5", "half-right, 0.75", "right, 1"})
    void panKeepsThePowerAndIsNothingInTheCentre(String stands, double place) {
        Template desk = KINDS.get("digital-console");
        double[] power = new double[2];
        for (Route route : desk.routes()) {
            if (!route.from().equals("ch1.post") || !route.to().equals("main")) continue;
            double db = 0;
            for (Governor governor : route.governors())
                if (governor.knob().equals("ch1.pan"))
                    db += governor.gainDb(new Setting.Choice(stands));
            power[route.map().getFirst().to()] += Math.pow(10, db / 10);
        }
        double angle = place * Math.PI / 2;
        assertThat(power[0]).isCloseTo(2 * Math.pow(Math.cos(angle), 2), within(0.01));
        assertThat(power[1]).isCloseTo(2 * Math.pow(Math.sin(angle), 2), within(0.01));
        Show panned = console("ch1.pan=" + stands, "ear out track desk/main");
        assertThat(level(panned, "out"))
                .isCloseTo(level(console("", "ear out track desk/main"), "out"), within(0.02));
    }

    private static org.assertj.core.data.Offset<Double> within(double by) {
        return org.assertj.core.data.Offset.offset(by);
    }

    @Test
    void aSendIsTakenBeforeItsFaderWhileAnotherFollowsIts() {
        String ears = "ear aux track desk/aux1";
        String down = "ch1.fader=off aux1.ch1=0 ";
        assertThat(level(console(down + "aux1.tap=post", ears), "aux")).isLessThan(-100);
        assertThat(level(console(down + "aux1.tap=each", ears), "aux")).isLessThan(-100);
        assertThat(level(console(down + "aux1.tap=each aux1.ch1.tap=pre", ears), "aux"))
                .isEqualTo(level(console(down + "aux1.tap=pre", ears), "aux"))
                .isGreaterThan(-3);
    }

    @Test
    void whatAnOlderShowSaysOfOneSwitchFor48VoltsHoldsForEveryInput() throws Exception {
        Show show = console("", "ear aux track desk/aux1");
        String older =
                ShowFile.write(show)
                        .replace(
                                "\"digital-console\"",
                                "\"digital-console\", \"knobs\": {\"p48\": true, \"ch2.p48\": false}");
        Show read = ShowFile.parse(older, "older", KINDS);
        var knobs = read.rig().device("desk").orElseThrow().knobs();
        assertThat(knobs).hasSize(32).doesNotContainKey("p48");
        assertThat(knobs.get("ch1.p48")).isEqualTo(new Setting.Switch(true));
        assertThat(knobs.get("ch2.p48"))
                .as("what is said of one input holds against what is said of all")
                .isEqualTo(new Setting.Switch(false));
    }

    private static Show tracks(String mixer, String program, String pick) {
        return RigText.show(
                """
                place hall
                person maren host hall
                near maren mic
                ear copy track prog/%s
                mic dynamic-mic @hall
                mixer channel-mixer @hall %s
                laptop laptop @hall
                prog %s on:laptop %s
                mic/out mixer/ch1 5
                mixer/usb laptop/usb-1 1
                """
                        .formatted(
                                program.equals("track-recorder") ? "track1" : "stream",
                                mixer,
                                program,
                                pick));
    }

    @Test
    void aChannelOfADeviceIsPickedByProgramsThatPickChannelsAndByNoOther() {
        assertThat(level(tracks("", "track-recorder", "track1.of=mixer/ch1"), "copy"))
                .isGreaterThan(-3);
        assertThat(
                        level(
                                tracks(
                                        "usb.carries=stereo",
                                        "track-recorder",
                                        "track1.of=mixer/ch1"),
                                "copy"))
                .as("not while USB carries the mix alone")
                .isLessThan(-100);
        Show picks = tracks("", "streaming-program", "input1.of=mixer/ch1");
        assertThat(level(picks, "copy")).isLessThan(-100);
        assertThat(
                        PROVER.prove(picks)
                                .graph()
                                .knob(Ref.of("prog/input1.of"))
                                .orElseThrow()
                                .knob()
                                .range())
                .contains("mixer/mix")
                .doesNotContain("mixer/ch1");
    }

    @Test
    void aStreamsRecordedTrackCarriesWhatIsPutOnItAndNothingElse() {
        Show show = tracks("", "streaming-program", "input1.of=mixer/mix");
        Show third =
                show.withEars(
                        show.ears().stream()
                                .map(ear -> ear.at(java.util.List.of(Ref.of("prog/track3"))))
                                .toList());
        assertThat(level(third, "copy")).isLessThan(-100);
        assertThat(level(Demo.turn(third, "prog/input1.on3", true), "copy")).isGreaterThan(-6);
    }

    @Test
    void aMuteOfTheShowDeskSilencesWhatIsTakenBeforeTheFaderOnlyWhereItIsToldTo() {
        Show mended = Demo.show("harbour-radio");
        Show muted = Demo.turn(mended, "desk/mic1.mute", true);
        assertThat(level(muted, "stream")).isGreaterThan(-6);
        assertThat(level(Demo.choose(muted, "desk/mic1.mutes", "all"), "stream")).isLessThan(-30);
        assertThat(level(Demo.choose(mended, "desk/mic1.mutes", "all"), "stream"))
                .as("not while it is off")
                .isEqualTo(level(mended, "stream"));
    }

    @Test
    void aProfileBringsEveryKnobBackAndSaysWhatStandsOtherwise() {
        Show show = Demo.show("lantern-hour");
        Profile kept = Profile.of("now", "Now", show);
        assertThat(kept.against(show)).isEmpty();
        Show turned = Demo.turn(Demo.level(show, "desk/mic1.fader", -12), "desk/mic4.mute", true);
        assertThat(kept.against(turned).keySet())
                .extracting(Ref::toString)
                .containsExactlyInAnyOrder("desk/mic1.fader", "desk/mic4.mute");
        assertThat(kept.set(turned)).isEqualTo(show);
    }
}
