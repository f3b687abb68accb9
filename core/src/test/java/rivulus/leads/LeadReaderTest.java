package rivulus.leads;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.disk.Extras;
import rivulus.file.Templates;
import rivulus.gear.Setting;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.words.Severity;

/// What arrives in single leads, figure by figure.
class LeadReaderTest {
    private static Device device(String id, String template, boolean phantom) {
        SequencedMap<String, Setting> knobs = new LinkedHashMap<>();
        if (phantom) knobs.put("p48", new Setting.Switch(true));
        return Device.of(id, id, template).withKnobs(knobs);
    }

    private static LeadReport read(
            String from, String out, String to, String in, boolean phantom, double metres) {
        Cable cable =
                new Cable(
                        "c",
                        new Ref("a", out),
                        new Ref("b", in),
                        metres,
                        false,
                        Optional.empty(),
                        Extras.NONE);
        Show show =
                Show.untitled()
                        .withRig(
                                Rig.of(
                                        List.of(device("a", from, false), device("b", to, phantom)),
                                        List.of(cable)));
        return new LeadReader(show, Templates.shipped(), Templates.leads()).read(cable);
    }

    private static LeadReport read(String from, String out, String to, String in) {
        return read(from, out, to, in, false, 2);
    }

    @ParameterizedTest(name = "{0} {1} to {2} {3}: {4} dBu, {5} dB of headroom")
    @CsvSource({
        // 20 log10(2/774.6) + 66 − 20 log10(0.08) − 94; most is 150 − 94 more than 94 dB give
        "dynamic-mic, out, show-desk, mic1, -57.82, 49.82",
        // 20 log10(16/774.6) + 66 − 20 log10(0.2) − 94
        "condenser-mic, out, show-desk, mic1, -47.72, 39.72",
        "wireless-mic, out, hall-console, ch1, -32, 30",
        "hall-console, main-out, loudspeaker-pair, in, 4, 6",
        "laptop, line-out, pocket-recorder, in, -7.782, 5.782",
        "hall-console, record, camera, mic, -7.782, -19.218",
        "headphone-amplifier, phones1, headphones, in, 0, 12"
    })
    void levelAndHeadroom(
            String from, String out, String to, String in, double dbu, double headroom) {
        LeadReport.Passage passage = read(from, out, to, in).passages().getFirst();
        assertThat(passage.arrivesDbu()).isCloseTo(dbu, within(0.01));
        assertThat(passage.headroomDb()).isCloseTo(headroom, within(0.01));
        assertThat(passage.words()).contains(headroom < 0 ? "too hot" : "of headroom");
    }

    @Test
    void whatArrivesIsSaidOfEitherEndWhereSoundGoesBothWays() {
        assertThat(read("phone", "jack", "podcast-recorder", "phone").facts())
                .contains("both ways it arrives at −12.0\u202FdBu, 2.0\u202FdB of headroom");
        assertThat(read("headset-4-pole", "plug", "laptop-combo", "jack").facts())
                .anySatisfy(fact -> assertThat(fact).startsWith("at a it arrives at"))
                .anySatisfy(fact -> assertThat(fact).startsWith("at b it arrives at"));
        assertThat(read("dynamic-mic", "out", "show-desk", "mic1").facts())
                .anySatisfy(fact -> assertThat(fact).startsWith("arrives at"));
    }

    @ParameterizedTest(name = "{0} {1} to {2} {3}: {4}")
    @CsvSource({
        "dynamic-mic, out, show-desk, mic1, true",
        "laptop, usb-1, interface-2, usb, true",
        "laptop, line-out, isolator, in, false",
        "de-embedder, optical, streaming-mixer, optical, false",
        "capture-device, hdmi, set-top-box, hdmi, true"
    })
    void whetherGroundsAreJoined(String from, String out, String to, String in, boolean joins) {
        assertThat(read(from, out, to, in).joins()).isEqualTo(joins);
    }

    @Test
    void aRibbonIsInDangerWhereverPhantomPowerIsOn() {
        LeadReport on = read("ribbon-mic", "out", "hall-console", "ch1", true, 2);
        assertThat(on.faults().getFirst().severity()).isEqualTo(Severity.DANGER);
        assertThat(on.faults().getFirst().words()).contains("levels down");
        assertThat(on.isSound()).isFalse();
        assertThat(read("ribbon-mic", "out", "hall-console", "ch1").isSound()).isTrue();
    }

    @Test
    void aDynamicMicrophoneBearsPhantomPowerOnABalancedLeadOnly() {
        assertThat(read("dynamic-mic", "out", "interface-2", "in1", true, 2).faults()).isEmpty();
        LeadReport unbalanced = read("de-embedder", "line", "interface-2", "in1", true, 2);
        assertThat(unbalanced.faults())
                .anyMatch(f -> f.kind() == Fault.Kind.PHANTOM && f.severity() == Severity.DANGER);
    }

    @Test
    void aCondenserIsDeadWithoutPhantomPower() {
        assertThat(read("condenser-mic", "out", "interface-2", "in1").faults())
                .extracting(fault -> fault.kind().word())
                .containsExactly("phantom");
        assertThat(read("condenser-mic", "out", "interface-2", "in1", true, 2).faults()).isEmpty();
    }

    @ParameterizedTest(name = "{4} m: {5}")
    @CsvSource({
        "dynamic-mic, out, show-desk, mic1, 99, true",
        "dynamic-mic, out, show-desk, mic1, 120, false",
        "interface-2, usb, laptop, usb-1, 5, true",
        "interface-2, usb, laptop, usb-1, 6, false",
        "laptop, line-out, pocket-recorder, in, 6, true",
        "laptop, line-out, pocket-recorder, in, 9, false"
    })
    void howLongALeadMayBe(
            String from, String out, String to, String in, double metres, boolean fine) {
        assertThat(read(from, out, to, in, false, metres).faults().isEmpty()).isEqualTo(fine);
    }

    @Test
    void aStereoPlugInAMonoBalancedInputIsAProblemAndInAMonoUnbalancedOneACaution() {
        assertThat(read("laptop", "line-out", "show-desk", "mic1").faults())
                .extracting(fault -> fault.kind().word())
                .contains("polarity");
        assertThat(read("laptop", "line-out", "direct-box", "in").faults())
                .extracting(fault -> fault.kind().word())
                .containsExactly("channels");
    }

    @Test
    void whatDoesNotGoInIsSaidWithBothConnectors() {
        LeadReport none = read("dynamic-mic", "out", "camera", "hdmi");
        assertThat(none.kind()).isEmpty();
        assertThat(none.kindInWords()).isEqualTo("no such lead");
        assertThat(none.faults().getFirst().kind()).isEqualTo(Fault.Kind.CONNECTOR);
        assertThat(none.faults().getFirst().words()).contains("picture and sound");
    }

    @Test
    void twoOrdersOfAFourPoleJackDoNotMix() {
        LeadReport same = read("headset-4-pole", "plug", "laptop-combo", "jack");
        assertThat(same.faults())
                .extracting(fault -> fault.kind().word())
                .doesNotContain("four-pole");
        assertThat(same.passages()).hasSize(2);
    }

    // Kinds that do not ship: a pickup, and an amplifier with bare outputs

    private static final String PICKUP =
            """
            {"template": "pickup", "name": "Lute pickup", "kind": "microphone",
             "ports": [{"id": "out", "connector": "6.3 mm", "carries": "instrument", "gives": 1,
                        "levelDbu": -20, "mostDbu": 0, "ohms": 1000000}],
             "points": [{"id": "strings"}], "routes": [{"from": "strings", "to": "out.out"}]}
            """;

    private static final String AMPLIFIER =
            """
            {"template": "amplifier", "name": "Hall amplifier", "kind": "desk",
             "ports": [{"id": "speakers", "connector": "6.3 mm", "carries": "speaker", "gives": 1}],
             "points": [{"id": "mix"}], "routes": [{"from": "mix", "to": "speakers.out"}]}
            """;

    private static LeadReport own(String kind, String out, String to, String in) throws Exception {
        var template = Templates.parse(kind, "own.json");
        var catalogue = Templates.shipped().with(List.of(template));
        Cable cable =
                new Cable(
                        "c",
                        new Ref("a", out),
                        new Ref("b", in),
                        3,
                        false,
                        Optional.empty(),
                        Extras.NONE);
        Show show =
                Show.untitled()
                        .withRig(
                                Rig.of(
                                        List.of(
                                                device("a", template.id(), false),
                                                device("b", to, false)),
                                        List.of(cable)));
        return new LeadReader(show, catalogue, Templates.leads()).read(cable);
    }

    @Test
    void aPickupIntoAMicrophoneInputLosesItsTrebleAndADirectBoxTakesIt() throws Exception {
        assertThat(own(PICKUP, "out", "direct-box", "in").faults())
                .extracting(fault -> fault.kind().word())
                .doesNotContain("impedance");
        LeadReport mixer = own(PICKUP, "out", "interface-2", "in1");
        assertThat(mixer.faults())
                .filteredOn(fault -> fault.kind().word().equals("impedance"))
                .singleElement()
                .satisfies(
                        fault -> {
                            assertThat(fault.severity()).isEqualTo(Severity.PROBLEM);
                            assertThat(fault.unit()).isEqualTo("lossDb");
                            assertThat(fault.words()).contains("treble", "1\u202FMΩ", "direct box");
                        });
    }

    @Test
    void anAmplifiersOutputIntoAnInputIsADanger() throws Exception {
        assertThat(own(AMPLIFIER, "speakers", "interface-2", "in1").faults())
                .anyMatch(
                        fault ->
                                fault.kind().word().equals("speaker-to-line")
                                        && fault.severity() == Severity.DANGER);
    }
}
