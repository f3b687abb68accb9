package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Electric;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Show;
import rivulus.words.Severity;

class RigTest {

    /// A show of devices written `id template[ power][ knob=on]` and leads written `from to`.
    private static Show rig(List<String> devices, List<String> leads) {
        List<String> written = new ArrayList<>();
        for (String device : devices) {
            String[] words = device.split(" ");
            StringBuilder more = new StringBuilder();
            for (int i = 2; i < words.length; i++) {
                boolean knob = words[i].contains("=");
                more.append(
                        knob
                                ? ", \"knobs\": {\"%s\": true}".formatted(words[i].split("=")[0])
                                : ", \"power\": \"%s\"".formatted(words[i]));
            }
            written.add(
                    "{\"id\": \"%1$s\", \"name\": \"%1$s\", \"template\": \"%2$s\"%3$s}"
                            .formatted(words[0], words[1], more));
        }
        List<String> cables = new ArrayList<>();
        for (String lead : leads) {
            String[] ends = lead.split(" ");
            cables.add(
                    "{\"id\": \"c%d\", \"from\": \"%s\", \"to\": \"%s\", \"metres\": %s}"
                            .formatted(
                                    cables.size() + 1,
                                    ends[0],
                                    ends[1],
                                    ends.length > 2 ? ends[2] : "2"));
        }
        String text =
                "{\"rivulus\": 1, \"title\": \"A rig\", \"rig\": {\"devices\": [%s], \"cables\": [%s]}}"
                        .formatted(String.join(", ", written), String.join(", ", cables));
        try {
            return ShowFile.parse(text, "rig", Templates.shipped());
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static Proof proof(List<String> devices, String... leads) {
        return Demo.PROVER.prove(rig(devices, List.of(leads)));
    }

    private static LeadReport.Passage passage(Proof proof) {
        return passageOf(proof, 0);
    }

    private static LeadReport.Passage passageOf(Proof proof, int lead) {
        return proof.survey().leads().get(lead).passages().getFirst();
    }

    @Test
    void aMicrophoneInAMicrophoneInputIsFine() {
        Proof proof = proof(List.of("m dynamic-mic", "d show-desk"), "m/out d/mic1");
        assertThat(proof.ofTheRig()).isEmpty();
        assertThat(proof.survey().leads().getFirst().kindInWords()).isEqualTo("XLR lead");
        assertThat(passage(proof).arrivesDbu()).isCloseTo(-57.82, within(0.01));
        assertThat(passage(proof).headroomDb()).isCloseTo(49.82, within(0.01));
    }

    @ParameterizedTest
    @CsvSource({
        // device, device, lead, rule, severity
        "d hall-console; c camera; d/record c/mic; level; problem",
        "d small-mixer; c camera; d/phones c/mic; level; problem",
        "p player-box; c camera; p/line c/mic; level; problem",
        "m dynamic-mic; h usb-mic; m/out h/usb; connector; problem",
        "r ribbon-mic; i interface-2 p48=on; r/out i/in1; phantom; danger",
        "m condenser-mic; i interface-2; m/out i/in1; phantom; problem",
        "s set-top-box; d show-desk; s/optical d/lineA; connector; problem",
        "b laptop-combo; d show-desk; b/jack d/mic1; connector; problem",
        "y headphone-y; d small-mixer; y/a d/mic1; polarity; problem",
        "a laptop; b tower; a/usb-1 b/usb-1; connector; problem",
        "d show-desk; i interface-2; d/usb1 i/usb; connector; problem",
    })
    void aLeadThatWillNotDoIsSaidSo(String row) {
        String[] fields = row.split("; ");
        if (row.contains("player-box")) fields[0] = "p de-embedder";
        List<String> rules = new ArrayList<>();
        try {
            Proof proof = proof(List.of(fields[0], fields[1]), fields[2]);
            for (Finding finding : proof.ofTheRig())
                rules.add(finding.rule() + " " + finding.severity().word());
        } catch (IllegalStateException refused) {
            rules.add("connector problem");
        }
        assertThat(rules).contains(fields[3] + " " + fields[4]);
    }

    @Test
    void aLineInACamerasMicrophoneJackIsTooHotByWhatTheSentenceSaysAndALeadWithAPadIsOffered() {
        Proof proof = proof(List.of("d de-embedder", "c camera"), "d/line c/mic");
        Finding hot = proof.ofTheRig().getFirst();
        // −7.8 dBu nominal, 10 dBu at most, into −15 dBu
        assertThat(hot.figures().get("padDb")).isCloseTo(20, within(0.5));
        List<Remedy> fixes = Remedies.of(Demo.PROVER, proof, hot, 3).all();
        assertThat(fixes).isNotEmpty();
        assertThat(fixes.getFirst().sentence()).contains("pad");
        assertThat(Demo.PROVER.prove(fixes.getFirst().change().after()).ofTheRig()).isEmpty();
    }

    @Test
    void levelsPassThroughPassiveBoxes() {
        Proof proof =
                proof(
                        List.of("a digital-console", "p pad-20", "i interface-2"),
                        "a/main-out p/in",
                        "p/out i/in1");
        assertThat(proof.survey().leads().getFirst().kind()).isEmpty();
        assertThat(passageOf(proof, 1).arrivesDbu()).isEqualTo(-16);
        Proof one =
                proof(
                        List.of("x isolator-xlr", "p pad-20", "i interface-2"),
                        "x/out p/in",
                        "p/out i/in1");
        assertThat(passageOf(one, 1).arrivesDbu()).isEqualTo(-16);
    }

    @Test
    void twoEarthedMachinesJoinedTwiceCloseARingThatATransformerOrABatteryOpens() {
        List<String> machines = List.of("l laptop", "d two-mic-desk", "s loudspeaker-pair");
        Proof ring = proof(machines, "d/usb l/usb-1", "d/out s/in", "l/line-out d/line");
        assertThat(ring.findings()).extracting(Finding::rule).containsOnly("ground-loop");
        List<Remedy> fixes = Remedies.of(Demo.PROVER, ring, serious(ring), 3).all();
        assertThat(fixes).isNotEmpty();
        assertThat(fixes.getFirst().sentence()).contains("isolator");
        Proof onBattery =
                proof(
                        List.of("l laptop battery", "d two-mic-desk", "s loudspeaker-pair"),
                        "d/usb l/usb-1",
                        "d/out s/in");
        assertThat(onBattery.findings()).isEmpty();
    }

    private static Finding serious(Proof proof) {
        return proof.ofTheRig().stream()
                .filter(f -> f.severity().isSerious())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void nobodyIsEverToldToLiftASafetyEarth() {
        Proof ring =
                proof(
                        List.of("t tower", "c hall-console"),
                        "t/line-out c/st1",
                        "c/record t/line-in");
        for (Finding finding : ring.findings()) {
            for (Remedy fix : Remedies.of(Demo.PROVER, ring, finding, 3).all())
                assertThat(fix.sentence()).doesNotContainIgnoringCase("earth");
        }
    }

    @Test
    void asManyLeadsAsCloseRingsAreNamedAndNoMore() {
        Proof proof =
                proof(
                        List.of("t tower", "c hall-console", "s loudspeaker-pair"),
                        "t/line-out c/st1",
                        "c/record t/line-in",
                        "c/alternate s/in");
        assertThat(proof.ofTheRig().stream().filter(f -> f.rule().equals("ground-loop")))
                .hasSize(3);
    }

    @Test
    void aTabletCannotFeedAnInterfaceAndAPoweredHubCan() {
        Proof starved = proof(List.of("t tablet", "i interface-2"), "i/usb t/usb-1");
        assertThat(starved.findings())
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.rule()).isEqualTo("power");
                            assertThat(f.severity()).isEqualTo(Severity.PROBLEM);
                            assertThat(f.figures())
                                    .containsEntry("drawsMa", 450.0)
                                    .containsEntry("givesMa", 300.0);
                        });
        assertThat(
                        proof(
                                        List.of("t tablet", "h powered-hub", "i interface-2"),
                                        "h/up t/usb-1",
                                        "i/usb h/usb-1")
                                .findings())
                .isEmpty();
    }

    @Test
    void aPortTakesOneLeadAndALongOneIsSaidSo() {
        Proof twice =
                proof(
                        List.of("a dynamic-mic", "b dynamic-mic", "d show-desk"),
                        "a/out d/mic1",
                        "b/out d/mic1");
        assertThat(twice.findings()).extracting(Finding::rule).containsExactly("port-twice");
        Proof far = proof(List.of("i interface-2", "l laptop"), "i/usb l/usb-1 8");
        assertThat(far.findings()).extracting(Finding::rule).contains("length");
    }

    @Test
    void joiningPrefersOneLeadAndSaysWhatArrives() {
        Show show =
                rig(List.of("d show-desk", "s loudspeaker-pair", "r pocket-recorder"), List.of());
        Joiner joiner = new Joiner(show, Templates.shipped(), Templates.leads());
        Device desk = show.rig().device("d").orElseThrow();
        List<Joining> ways = joiner.ways(desk, show.rig().device("r").orElseThrow(), 3).all();
        assertThat(ways).hasSize(3);
        assertThat(ways.getFirst().boxes()).isEmpty();
        assertThat(ways.getFirst().needs()).isEqualTo("3.5 mm to 6.3 mm stereo lead");
        assertThat(ways.getFirst().why()).startsWith("arrives at");
        assertThat(ways).isSortedAccordingTo((a, b) -> Integer.compare(a.cost(), b.cost()));
        for (Joining way : ways)
            assertThat(Demo.PROVER.prove(way.after()).ofTheRig())
                    .noneMatch(f -> f.severity().isSerious() && !f.rule().equals("ground-loop"));
    }

    @Test
    void whatCannotBeJoinedGivesNoWay() {
        Show show = rig(List.of("m dynamic-mic", "h headphones"), List.of());
        Joiner joiner = new Joiner(show, Templates.shipped(), Templates.leads());
        Device headphones = show.rig().device("h").orElseThrow();
        assertThat(joiner.ways(headphones, show.rig().device("m").orElseThrow(), 3).all())
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"archive-interviews-repaired", "language-cafe-repaired"})
    void theRepairedShowsHaveSoundRigs(String name) {
        assertThat(Demo.PROVER.prove(Demo.show(name)).ofTheRig())
                .noneMatch(finding -> finding.severity().isSerious());
    }

    @Test
    void theCatalogueHasGearEnoughAndEveryAnaloguePortHasALevelAndALead() {
        List<Template> all = List.copyOf(Templates.shipped().templates().values());
        assertThat(all).hasSizeGreaterThanOrEqualTo(45);
        for (Template template : all) {
            for (Port port : template.ports()) {
                Electric electric = port.electric();
                if (electric.isAnalogue())
                    assertThat(electric.mostDbu()).isGreaterThan(electric.levelDbu());
                assertThat(
                                all.stream()
                                        .flatMap(t -> t.ports().stream())
                                        .anyMatch(
                                                other ->
                                                        Templates.leads()
                                                                .between(
                                                                        port.connector(),
                                                                        other.connector())
                                                                .isPresent()))
                        .as("%s %s", template.id(), port.connector())
                        .isTrue();
            }
        }
    }

    /// One battery machine and scenes of so many minutes.
    private static Proof evening(String device, String... scenes) throws FileTrouble {
        List<String> written = new ArrayList<>();
        for (String scene : scenes)
            written.add(
                    "{\"id\": \"%1$s\", \"name\": \"%1$s\", \"minutes\": %2$s}"
                            .formatted((Object[]) scene.split(" ")));
        return Demo.PROVER.prove(
                ShowFile.parse(
                        """
                        {"rivulus": 1, "title": "Evening", "scenes": [%s],
                         "rig": {"devices": [{"id": "r", "name": "Recorder", %s}]}}
                        """
                                .formatted(String.join(", ", written), device),
                        "evening",
                        Templates.shipped()));
    }

    @Test
    void aBatteryIsHeldAgainstSetUpScenesAndOverrunAndTheSwapIsPlacedInAScene() throws Exception {
        // 6 Wh · 0.85 · 0.8 / 1.2 W = 3.4 h
        String recorder = "\"template\": \"portable-recorder\"";
        assertThat(evening(recorder, "doors 10", "tales 20").findings()).isEmpty();
        assertThat(evening(recorder, "tales 80").findings())
                .singleElement()
                .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.CAUTION));
        Finding dies =
                evening(recorder, "tales 60", "call-in 60", "close 60").findings().getFirst();
        assertThat(dies.rule()).isEqualTo("battery");
        assertThat(dies.severity()).isEqualTo(Severity.PROBLEM);
        assertThat(dies.figures())
                .containsEntry("lastsMinutes", 204.0)
                .containsEntry("wantedMinutes", 270.0);
        assertThat(dies.sentence()).contains("3.4\u202Fh", "4.5\u202Fh", "before close");
        assertThat(evening(recorder + ", \"power\": \"usb\"", "tales 600").findings())
                .extracting(Finding::rule)
                .containsExactly("unfed");
        assertThat(evening(recorder, "tales 0").findings()).isEmpty();
    }

    @Test
    void aGainTurnedUpOnAnInputThatNothingIsInIsSaidSo() throws Exception {
        String desk =
                "\"template\": \"show-desk\", \"knobs\": {\"mic4.gain\": 12, \"mic3.gain\": -6}";
        assertThat(evening(desk, "tales 10").findings())
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.rule()).isEqualTo("unused-gain");
                            assertThat(f.sentence())
                                    .isEqualTo(
                                            "Nothing is plugged into Recorder, MIC 4 and its gain is up by 12.0\u202FdB: it adds hiss.");
                        });
    }

    @Test
    void aLeadIsReadTheSameEitherWayRound() {
        Proof there = proof(List.of("m dynamic-mic", "d show-desk"), "m/out d/mic1");
        Proof back = proof(List.of("m dynamic-mic", "d show-desk"), "d/mic1 m/out");
        assertThat(passage(back).arrivesDbu()).isEqualTo(passage(there).arrivesDbu());
        Cable cable = there.show().rig().cables().getFirst();
        assertThat(there.survey().leads().getFirst().cable()).isEqualTo(cable);
    }
}
