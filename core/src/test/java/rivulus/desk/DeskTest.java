package rivulus.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static rivulus.check.Demo.PROVER;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.SequencedMap;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.chart.KnobSheet;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.gear.Control;
import rivulus.gear.Desk;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.show.Device;
import rivulus.show.Layout;
import rivulus.show.MuteKey;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Strip;
import rivulus.words.Severity;

/// What sits where on a desk, what its keys silence, and how it is best laid out.
class DeskTest {
    private static DeskPlan plan(Show show, String device) {
        Proof proof = PROVER.prove(show);
        Device desk = show.rig().device(device).orElseThrow();
        return DeskPlan.of(
                        desk,
                        proof.survey().template(desk),
                        Channels.in(
                                show,
                                proof.survey()::template,
                                proof.scenes().getFirst().tracer().live()))
                .orElseThrow();
    }

    private static List<String> seats(Show show, String device) {
        return plan(show, device).seats().stream()
                .map(seat -> seat.channel().map(Channel::words).orElse("-"))
                .toList();
    }

    private static List<Finding> findings(Show show) {
        return PROVER.prove(show).ofTheRig().stream()
                .filter(finding -> finding.rule().equals("desk"))
                .toList();
    }

    private static Show laid(Show show, String device) {
        Device desk = show.rig().device(device).orElseThrow();
        return with(show, desk.withLayout(new LayingOut(plan(show, device), show).layout()));
    }

    private static Show with(Show show, Device device) {
        return show.withRig(show.rig().with(device));
    }

    @Test
    void aDeskComesWithItsFadersInTheirOrderAndBearsTheNamesOfWhatComesIn() {
        assertThat(seats(Demo.show("lantern-hour"), "desk"))
                .containsExactly(
                        "MIC 1, Maren",
                        "MIC 2, Ivo",
                        "MIC 3, Teo",
                        "MIC 4",
                        "PHONE, Bram",
                        "PADS, Cue pads",
                        "USB 1 programme",
                        "USB 1 call, Nadia",
                        "USB 2");
    }

    @Test
    void whatMovesAndIsNotUnderTheHandIsToldAndLaidOut() {
        Show show = Demo.show("lantern-hour");
        Finding finding = findings(show).getFirst();
        assertThat(finding.severity()).isEqualTo(Severity.CAUTION);
        assertThat(finding.sentence())
                .isEqualTo(
                        "USB 1 call, Nadia of Show desk moves in the show and is in software only.");
        Show after =
                Remedies.of(PROVER, PROVER.prove(show), finding, 1).all().getFirst().after().show();
        assertThat(findings(after)).isEmpty();
        assertThat(seats(after, "desk"))
                .as("people in the room, callers, what is played; the rest on the screen")
                .startsWith(
                        "MIC 1, Maren",
                        "MIC 2, Ivo",
                        "MIC 3, Teo",
                        "USB 1 call, Nadia",
                        "PHONE, Bram");
    }

    @Test
    void whatMovesWantsAPlaceWhetherOrNotAnythingIsHeardOfIt() {
        assertThat(plan(deaf(), "desk").channel("usb1chat.fader").orElseThrow().isUsed()).isFalse();
        assertThat(findings(deaf()))
                .extracting(Finding::headline)
                .contains("USB 1 call of Show desk moves in the show and is in software only");
        assertThat(findings(laid(deaf(), "desk"))).isEmpty();
    }

    /// Nothing comes into the call's channel.
    private static Show deaf() {
        return Demo.choose(Demo.show("lantern-hour"), "call/plays-to", "none");
    }

    @Test
    void aMuteSaysWhoStillHears() {
        Proof proof = PROVER.prove(Demo.show("lantern-hour"));
        SceneProof tales = proof.scene("tales").orElseThrow();
        Channel maren = plan(proof.show(), "desk").channel("mic1.fader").orElseThrow();
        assertThat(Silencing.of(tales, maren))
                .singleElement()
                .satisfies(
                        key ->
                                assertThat(key.words())
                                        .isEqualTo(
                                                "silences it for all but the stream and Maren's track"));
        Show all = Demo.choose(proof.show(), "desk/mic1.mutes", "all");
        assertThat(Silencing.of(PROVER.prove(all).scene("tales").orElseThrow(), maren))
                .singleElement()
                .satisfies(
                        key ->
                                assertThat(key.words())
                                        .isEqualTo("silences it for all but Maren's track"));
    }

    @Test
    void aMixerWithAMuteForEveryWayOutTellsEach() {
        Show show = Demo.show("puzzle-relay-repaired");
        Channel ivo = plan(show, "mixer").channel("mic.fader").orElseThrow();
        assertThat(Silencing.of(PROVER.prove(show).scenes().getFirst(), ivo))
                .extracting(key -> key.key().knob().label() + " " + key.words())
                .containsExactly(
                        "MIC mute in stream mix silences it for nobody",
                        "MIC mute in headphones silences it for all but the stream",
                        "MIC mute in LINE OUT silences it for all but Ivo");
    }

    private static final String DESK =
            """
            {"template": "five", "name": "Five", "kind": "desk",
             "lists": {"c": {"a": "A", "b": "B", "d": "D", "e": "E"}},
             "ports": [{"id": "{s}", "for": {"s": "c"}, "label": "{s.label}", "connector": "XLR", "carries": "mic", "takes": 1},
                       {"id": "out", "connector": "XLR", "carries": "line", "gives": 1}],
             "points": [{"id": "{s}.pre", "for": {"s": "c"}, "label": "{s.label}"}],
             "routes": [{"for": {"s": "c"}, "from": "{s}.in", "to": "{s}.pre"},
                        {"for": {"s": "c"}, "from": "{s}.pre", "to": "out.out", "knobs": [{"knob": "{s}.mute", "open": ["off"]}, "{s}.fader"]}],
             "knobs": [{"id": "{s}.fader", "for": {"s": "c"}, "label": "{s.label} fader", "kind": "level", "role": "fader"},
                       {"id": "{s}.mute", "for": {"s": "c"}, "label": "{s.label} mute", "kind": "switch", "role": "mute"}],
             "letters": 6,
             "controls": [
               {"id": "one", "label": "fader 1"},
               {"id": "two", "label": "fader 2", "prints": "CHAT", "means": ["caller"], "takes": ["b.fader"]},
               {"id": "page", "label": "page 2", "reach": "page"}]}
            """;

    private static final String RIG =
            """
            place hall
            person maren host hall
            person ivo host hall
            person ada guest hall
            near maren m1
            near ivo m2
            near ada m3
            apart maren ivo 3
            apart maren ada 3
            apart ivo ada 3
            ear copy track desk/out.out
            m1 dynamic-mic @hall
            m2 dynamic-mic @hall
            m3 dynamic-mic @hall
            desk five @hall
            m1/out desk/a 5
            m2/out desk/b 5
            m3/out desk/d 5
            """;

    /// Names stuck on the wrong channels: both are told, either the names or the leads are swapped.
    @Test
    void whatIsCalledSomebodyElseIsToldAndMended() {
        Show show = Demo.lanternMended();
        Device desk = show.rig().device("desk").orElseThrow();
        Show swapped =
                with(
                        show,
                        desk.withStrip("mic1.fader", Strip.BLANK.named("Ivo"))
                                .withStrip("mic2.fader", Strip.BLANK.named("Maren")));
        List<Finding> told =
                findings(swapped).stream()
                        .filter(finding -> finding.sentence().contains("is called"))
                        .toList();
        assertThat(told)
                .extracting(Finding::sentence)
                .containsExactly(
                        "MIC 1 of Show desk is called Ivo and carries Maren: either the names or the leads of it and of MIC 2 are swapped.",
                        "MIC 2 of Show desk is called Maren and carries Ivo: either the names or the leads of it and of MIC 1 are swapped.");
        Proof proof = PROVER.prove(swapped);
        assertThat(Remedies.of(PROVER, proof, told.getFirst(), 1).all().getFirst().sentence())
                .isEqualTo("Write \"Maren\" on MIC 1 of Show desk.");
        assertThat(findings(with(show, desk.withStrip("mic1.fader", Strip.BLANK.named("Left")))))
                .noneMatch(finding -> finding.sentence().contains("is called"));
    }

    @Test
    void whatDoesNotFitIsNamedAPrintThatMisleadsIsTapedOverAndALongNameIsCut() {
        Show show = RigText.show(RIG, DESK);
        assertThat(findings(show))
                .extracting(Finding::sentence)
                .containsExactlyInAnyOrder(
                        "The fader 2 of desk carries ivo: tape over what is printed there.");
        Device desk = show.rig().device("desk").orElseThrow();
        Show written = with(show, desk.withStrip("b.fader", Strip.BLANK.named("The second host")));
        Finding name = findings(written).getFirst();
        assertThat(name.sentence())
                .isEqualTo("\"The second host\" does not fit on B of desk, which shows 6 letters.");
        Show cut =
                Remedies.of(PROVER, PROVER.prove(written), name, 1).all().getFirst().after().show();
        assertThat(findings(cut)).isEmpty();
        assertThat(cut.rig().device("desk").orElseThrow().strip("b.fader").name())
                .hasSizeLessThanOrEqualTo(6);
        Show more =
                RigText.show(
                        RIG
                                + """
                                person bram guest hall
                                near bram m4
                                apart bram maren 3
                                apart bram ivo 3
                                apart bram ada 3
                                m4 dynamic-mic @hall
                                m4/out desk/e 5
                                """,
                        DESK);
        assertThat(findings(more))
                .extracting(Finding::sentence)
                .contains(
                        "E, bram of desk sits on none of its controls: put two that belong together on one stereo channel, or into a group.");
    }

    @Test
    void tapingOverEndsIt() {
        Show show = RigText.show(RIG, DESK);
        var cure = Remedies.of(PROVER, PROVER.prove(show), findings(show).getFirst(), 1).all();
        assertThat(cure.getFirst().sentence()).isEqualTo("Tape over B on desk: ivo.");
        assertThat(findings(cure.getFirst().after().show())).isEmpty();
    }

    @Test
    void idleFadersAreOnlyToldWhereSomebodyLaidThemOut() {
        Show show = Demo.show("first-call");
        assertThat(findings(show)).isEmpty();
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        controls.put("f1", "mic4.fader");
        controls.put("v1", "usb1chat.fader");
        controls.put("f2", "mic1.fader");
        Device desk = show.rig().device("desk").orElseThrow();
        Show laid = with(show, desk.withLayout(Layout.AS_IT_COMES.withControls(controls)));
        assertThat(findings(laid))
                .extracting(Finding::sentence)
                .containsExactly(
                        "Under the hand on Show desk a fader holds what nothing comes into, while USB 1 call, Nadia is not there.");
        assertThat(findings(laid(laid, "desk"))).isEmpty();
    }

    @Test
    void twoChannelsForTheTwoSidesOfOneThingAreAPair() {
        Show show =
                RigText.show(
                        """
                        place hall
                        plays tune music box/card
                        ear copy track desk/main-out.out
                        box recorder-that-plays @hall
                        desk digital-console @hall
                        box/left desk/ch1 5
                        box/right desk/ch2 5
                        """,
                        """
                        {"template": "recorder-that-plays", "name": "Player", "kind": "recorder",
                         "ports": [{"id": "left", "connector": "XLR", "carries": "mic", "gives": 1},
                                   {"id": "right", "connector": "XLR", "carries": "mic", "gives": 1}],
                         "points": [{"id": "card", "channels": 2}],
                         "routes": [{"from": "card", "to": "left.out", "map": [{"from": 0, "to": 0}]},
                                    {"from": "card", "to": "right.out", "map": [{"from": 1, "to": 0}]}]}
                        """);
        assertThat(findings(show))
                .extracting(Finding::sentence)
                .contains(
                        "channel 1 and channel 2 of desk carry the two sides of tune: one fader is enough, and stereo 1 is free.");
    }

    // Laying out, against every way there is

    /// The best that any way of seating can do: how many of the first n sit under the hand.
    private static int most(List<Control> hand, List<Channel> first, int from, Set<String> taken) {
        if (from == first.size()) return 0;
        int best = most(hand, first, from + 1, taken);
        for (Control control : hand) {
            if (!control.takes(first.get(from).fader().name()) || !taken.add(control.id()))
                continue;
            best = Math.max(best, 1 + most(hand, first, from + 1, taken));
            taken.remove(control.id());
        }
        return best;
    }

    @RepeatedTest(60)
    void asManyAsCanSitUnderTheHandDo(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Show show = Demo.show("lantern-hour");
        Device device = show.rig().device("desk").orElseThrow();
        List<Channel> channels = plan(show, "desk").channels();
        List<Control> controls = new ArrayList<>();
        for (int c = 0; c < 5; c++) {
            List<String> takes = new ArrayList<>();
            for (Channel channel : channels)
                if (random.nextInt(3) == 0) takes.add(channel.fader().name());
            Control.Reach reach =
                    random.nextInt(3) == 0 ? Control.Reach.SOFTWARE : Control.Reach.HAND;
            controls.add(new Control("c" + c, "control " + c, reach, "", List.of(), takes));
        }
        List<Seat> empty =
                controls.stream().map(control -> new Seat(control, Optional.empty())).toList();
        DeskPlan plan =
                new DeskPlan(device, new Desk(controls, 0, 0, 0, List.of()), empty, channels);
        SequencedMap<String, String> sits = new LayingOut(plan, show).layout().controls();
        assertThat(new HashSet<>(sits.values())).hasSameSizeAs(sits.values());
        sits.forEach(
                (id, fader) ->
                        assertThat(
                                        controls.stream()
                                                .filter(c -> c.id().equals(id))
                                                .findFirst()
                                                .orElseThrow()
                                                .takes(fader))
                                .isTrue());
        List<Control> hand =
                controls.stream().filter(c -> c.reach() == Control.Reach.HAND).toList();
        Set<Ref> moving = DeskPlan.moving(show);
        List<Channel> used = channels.stream().filter(c -> DeskPlan.isWanted(c, moving)).toList();
        long there = hand.stream().filter(control -> sits.containsKey(control.id())).count();
        assertThat(there).isEqualTo(most(hand, used, 0, new HashSet<>()));
        List<Channel> urgent = used.stream().filter(c -> DeskPlan.moves(c, moving)).toList();
        long urgentThere =
                hand.stream()
                        .filter(c -> sits.containsKey(c.id()))
                        .filter(
                                c ->
                                        urgent.stream()
                                                .anyMatch(
                                                        u ->
                                                                u.fader()
                                                                        .name()
                                                                        .equals(sits.get(c.id()))))
                        .count();
        assertThat(urgentThere).isEqualTo(most(hand, urgent, 0, new HashSet<>()));
    }

    // Names

    @ParameterizedTest
    @CsvSource({
        "Maren, 8, Maren",
        "Maren's dynamic microphone, 8, Maren d",
        "Music bed, 8, Music b",
        "Storyteller, 8, Stortllr",
        "Storyteller, 5, Strtl",
        "Storyteller, 0, Storyteller",
        "Cue pads, 10, Cue pads"
    })
    void aNameFits(String name, int letters, String fits) {
        assertThat(ShortName.of(name, letters)).isEqualTo(fits);
    }

    @Test
    void namesThatWouldBeTheSameGetNumbers() {
        assertThat(ShortName.all(List.of("Storyteller", "Storytellers", "", "Maren"), 6))
                .containsExactly("Strtll", "Strtl2", "", "Maren");
    }

    // Keys

    @Test
    void aKeyThatAPlaybackPressesIsPressedWhileItPlaysAndNoHandNeedsItNear() {
        Show show = Demo.show("lute-lesson-repaired");
        Proof proof = PROVER.prove(show);
        assertThat(proof.findings()).isEmpty();
        assertThat(proof.scene("lute").orElseThrow().of("nadia", "ivo").hearing().isHeard())
                .isFalse();
        assertThat(proof.scene("talk").orElseThrow().of("nadia", "ivo").hearing().levelDb())
                .isGreaterThan(-7);
        MuteKey key = show.mutes().getFirst();
        assertThat(show.own(show.scene("lute").orElseThrow()).get(key.knob()))
                .isEqualTo(new Setting.Switch(true));
        Show open =
                show.withScene(
                        "lute", scene -> scene.withKnob(key.knob(), new Setting.Switch(false)));
        assertThat(open.own(open.scene("lute").orElseThrow()).get(key.knob()))
                .as("what a machine does no scene undoes")
                .isEqualTo(new Setting.Switch(true));
        assertThat(
                        KnobSheet.of(
                                        proof.scene("lute").orElseThrow(),
                                        key.knob().device(),
                                        null,
                                        PROVER.catalogue())
                                .orElseThrow()
                                .rows())
                .filteredOn(row -> row.use().ref().equals(key.knob()))
                .extracting(KnobSheet.Row::here)
                .containsExactly("pressed while Lute plays, by itself");
        Show byHand =
                show.withRundown(
                        show.rundown().withMutes(List.of(key.pressed(MuteKey.Pressed.ONCE))));
        assertThat(Demo.findings(byHand)).isEmpty();
        assertThat(
                        PROVER.prove(byHand)
                                .scene("lute")
                                .orElseThrow()
                                .of("nadia", "ivo")
                                .hearing()
                                .levelDb())
                .isGreaterThan(-7);
    }
}
