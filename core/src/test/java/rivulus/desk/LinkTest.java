package rivulus.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.ShowFile;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.gear.Link;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.rehearse.Renderer;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.setup.Act;
import rivulus.setup.SetUp;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.LiveGraph;

/// Two mono channels linked to one stereo channel.
class LinkTest {
    private static final String PLAYER =
            """
            {"template": "stereo-box", "name": "Player", "kind": "recorder",
             "ports": [{"id": "left", "connector": "XLR", "carries": "mic", "gives": 1},
                       {"id": "right", "connector": "XLR", "carries": "mic", "gives": 1}],
             "points": [{"id": "card", "channels": 2}],
             "routes": [{"from": "card", "to": "left.out", "map": [{"from": 0, "to": 0}]},
                        {"from": "card", "to": "right.out", "map": [{"from": 1, "to": 0}]}]}
            """;

    private static Show show(String desk, String left, String right, String out) {
        return RigText.show(
                """
                place hall
                plays tune music box/card
                ear copy track desk/%s.out
                box stereo-box @hall
                desk %s @hall
                box/left desk/%s 5
                box/right desk/%s 5
                """
                        .formatted(out, desk, left, right),
                PLAYER);
    }

    private static Device desk(Show show) {
        return show.rig().device("desk").orElseThrow();
    }

    private static Show with(Show show, Device desk) {
        return show.withRig(show.rig().with(desk));
    }

    private static Show linked(Show show) {
        Device desk = desk(show);
        Template kind = PROVER.catalogue().get(desk.template());
        return with(show, Linking.linked(desk, kind, kind.desk().links().getFirst()));
    }

    private static LiveGraph live(Show show) {
        return PROVER.prove(show).scenes().getFirst().tracer().live();
    }

    /// The power in dB that comes from one side of the source to each side of the ear, rendered.
    private static double[] sides(Show show, int side) {
        double[][] response =
                Renderer.impulseResponse(live(show), "tune", side, "copy", 48_000, 4096);
        double[] db = new double[response.length];
        for (int c = 0; c < db.length; c++) {
            double power = 0;
            for (double x : response[c]) power += x * x;
            db[c] = 10 * Math.log10(power);
        }
        return db;
    }

    @ParameterizedTest
    @CsvSource({
        "show-desk, mic1, mic2, phones1, mic1.fader, mic2.fader, 0",
        "digital-console, ch1, ch2, main-out, ch1.fader, ch2.fader, 3.01",
        "podcast-recorder, in1, in2, phones1, in1.fader, in2.fader, 0"
    })
    void eachSideStaysOnItsSideAndOneFaderTurnsBoth(
            String kind,
            String left,
            String right,
            String out,
            String fader,
            String follows,
            double hardDb) {
        Show parted = show(kind, left, right, out);
        double before = sides(parted, 0)[0];
        assertThat(sides(parted, 0)[1]).as("mono goes to both").isCloseTo(before, within(1e-6));
        Show pair = linked(parted);
        for (int side : new int[] {0, 1}) {
            assertThat(sides(pair, side)[side]).isCloseTo(before + hardDb, within(0.01));
            assertThat(sides(pair, side)[1 - side]).isEqualTo(Double.NEGATIVE_INFINITY);
        }
        Show turned = with(pair, desk(pair).withKnob(fader, new Setting.Level(-10)));
        for (int side : new int[] {0, 1})
            assertThat(sides(turned, side)[side]).isCloseTo(before + hardDb - 10, within(0.01));
        Show alone = with(pair, desk(pair).withKnob(follows, new Setting.Level(-10)));
        assertThat(sides(alone, 1)[1])
                .as("its own setting counts for nothing")
                .isCloseTo(before + hardDb, within(0.01));
        assertThat(live(pair).graph().knobsOf("desk"))
                .extracting(use -> use.ref().name())
                .contains(fader, right.replaceFirst("$", ".gain"))
                .doesNotContain(follows);
    }

    @Test
    void aSceneThatTurnsTheRightSideTurnsBothAndGainStaysItsOwn() {
        Show pair = linked(show("show-desk", "mic1", "mic2", "phones1"));
        double before = sides(pair, 0)[0];
        String scene = pair.scenes().getFirst().id();
        Show muted =
                pair.withScene(
                        scene,
                        now ->
                                now.withKnob(
                                        new Ref("desk", "mic2.mute"), new Setting.Switch(true)));
        assertThat(sides(muted, 0)[0]).isEqualTo(Double.NEGATIVE_INFINITY);
        Show own =
                muted.withScene(
                        scene,
                        now ->
                                now.withKnob(
                                        new Ref("desk", "mic1.mute"), new Setting.Switch(false)));
        assertThat(sides(own, 0)[0])
                .as("the left one's word holds")
                .isCloseTo(before, within(0.01));
        Show gain = with(pair, desk(pair).withKnob("mic2.gain", new Setting.Level(6)));
        assertThat(sides(gain, 0)[0]).isCloseTo(before, within(0.01));
        assertThat(sides(gain, 1)[1]).isCloseTo(before + 6, within(0.01));
    }

    @Test
    void twoChannelsForOneThingThatPlaysAreLinkedByTheCureAndThenNobodyTellsThem() {
        Show show = show("show-desk", "mic1", "mic2", "phones1");
        Proof proof = PROVER.prove(show);
        Finding finding =
                proof.ofTheRig().stream()
                        .filter(f -> f.sentence().contains("two sides of tune"))
                        .findFirst()
                        .orElseThrow();
        List<Remedy> found = Remedies.of(PROVER, proof, finding, 3).all();
        assertThat(found)
                .extracting(Remedy::sentence)
                .containsExactly("Link MIC 1 and MIC 2 of desk.");
        Show cured = found.getFirst().change().after();
        assertThat(desk(cured).layout().links()).containsExactly("mic1");
        assertThat(PROVER.prove(cured).ofTheRig())
                .extracting(Finding::sentence)
                .noneMatch(sentence -> sentence.contains("two sides"));
    }

    @Test
    void theFormLinksAndPartsTheListForHandsSaysItAndTheFileKeepsIt() throws FileTrouble {
        Show show = show("digital-console", "ch1", "ch2", "main-out");
        Form form = new Forms(show, PROVER.catalogue()).form("strips/desk").orElseThrow();
        Field.Several links =
                (Field.Several)
                        form.fields().stream()
                                .filter(field -> field.id().equals("links"))
                                .findFirst()
                                .orElseThrow();
        assertThat(links.options()).hasSize(16);
        assertThat(links.options().getFirst().words()).isEqualTo("channel 1 and channel 2");
        Edit edit = links.to().apply(List.of("ch1"));
        assertThat(edit.name()).isEqualTo("Link channel 1 and channel 2 of desk");
        Show pair = edit.after();
        assertThat(desk(pair).knobs())
                .containsEntry("ch1.pan", new Setting.Choice("left"))
                .containsEntry("ch2.pan", new Setting.Choice("right"));
        assertThat(SetUp.of(PROVER.prove(pair)).steps())
                .filteredOn(step -> step.act() instanceof Act.Pair)
                .extracting(step -> step.what() + " " + step.act())
                .containsExactly(
                        "desk: link channel 1 and channel 2. "
                                + new Act.Pair("desk", new Link("ch1", "ch2")));
        Show again = ShowFile.parse(ShowFile.write(pair), "again", PROVER.catalogue());
        assertThat(desk(again).layout().links()).containsExactly("ch1");
        String unknown = ShowFile.write(pair).replace("[\"ch1\"]", "[\"ch2\"]");
        assertThat(unknown).isNotEqualTo(ShowFile.write(pair));
        assertThatThrownBy(() -> ShowFile.parse(unknown, "again", PROVER.catalogue()))
                .hasMessageContaining("\"ch2\"");
    }
}
