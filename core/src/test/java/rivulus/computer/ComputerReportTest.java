package rivulus.computer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.file.Templates;
import rivulus.gear.Knob;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Show;

/// Computers as somebody has to set them.
class ComputerReportTest {
    private static final Proof LANTERN = Demo.PROVER.prove(Demo.show("lantern-hour"));

    private static Survey survey(Show show) {
        return Survey.of(show, Demo.PROVER.catalogue(), Templates.leads());
    }

    private static ComputerReport report(Proof proof, String scene, String computer) {
        SceneProof in = proof.scene(scene).orElseThrow();
        Device device = proof.show().rig().device(computer).orElseThrow();
        return ComputerReport.of(in, survey(proof.show()), device);
    }

    private static ComputerReport only(Show show) {
        Proof proof = Demo.PROVER.prove(show);
        List<ComputerReport> all =
                ComputerReport.all(proof.scenes().getFirst(), survey(proof.show()));
        assertThat(all).hasSize(1);
        return all.getFirst();
    }

    @Test
    void everyComputerOfTheEveningHasItsReport() {
        SceneProof tales = LANTERN.scene("tales").orElseThrow();
        assertThat(ComputerReport.all(tales, survey(LANTERN.show())))
                .extracting(report -> report.computer().id())
                .containsExactlyInAnyOrder("cue-laptop", "stream-tower");
    }

    @Test
    void theLinesComeInTheOrderOfClicksWithTheirReasons() {
        ComputerReport laptop = report(LANTERN, "tales", "cue-laptop");
        List<String> where = laptop.lines().stream().map(ComputerReport.Line::where).toList();
        assertThat(where.getFirst()).isEqualTo("sound settings");
        assertThat(where.lastIndexOf("sound settings")).isLessThan(where.indexOf("Call program"));
        assertThat(laptop.lines())
                .filteredOn(line -> line.where().equals("Call program"))
                .anyMatch(
                        line ->
                                line.setTo().equals("Show desk USB 1 call")
                                        && line.why().startsWith("so that "));
    }

    @Test
    void whatIsOnAirFromAComputerIsSaidPlainly() {
        ComputerReport tower = report(LANTERN, "tales", "stream-tower");
        assertThat(String.join(" ", tower.onAir()))
                .contains("Any sound that Stream tower makes is on air", "On air by way of");
        assertThat(tower.without()).startsWith("Without Stream tower, ").contains("stream");
    }

    @Test
    void whatTwoCapturesBothHearIsSaidTwice() {
        assertThat(report(LANTERN, "tales", "stream-tower").twice())
                .anyMatch(said -> said.contains("alerts") && said.contains("twice"));
        Proof mended = Demo.PROVER.prove(Demo.lanternMended());
        assertThat(report(mended, "tales", "stream-tower").twice()).isEmpty();
    }

    @Test
    void whatAReplugOrAnUpdateUndoesIsNamedWithWhomItCosts() {
        ComputerReport laptop = report(LANTERN, "tales", "cue-laptop");
        assertThat(laptop.undone())
                .anyMatch(said -> said.startsWith("After Show desk was plugged into another"))
                .anyMatch(said -> said.startsWith("After an update of Cue laptop, look at"));
        assertThat(String.join(" ", laptop.undone())).contains("till then");
    }

    private static final String CALL =
            """
            place hall
            near maren h
            person maren host hall
            l laptop-combo @hall default-input=l/jack default-output=l/jack
            h headset-4-pole worn:maren
            c call-program on:l%s
            s call-service
            f far-headset worn:nadia
            place afar
            person nadia caller afar
            near nadia f
            ear nadia person nadia
            ear maren person maren
            h/plug l/jack 1
            c/net s/p1
            s/p2 f/net
            """;

    @Test
    void aProgramThatMayNotHearTheMicrophoneIsSetSoThatItMay() {
        ComputerReport report = only(RigText.show(CALL.formatted("")));
        assertThat(report.lines())
                .filteredOn(line -> line.knob().knob().role() == Knob.Role.PERMISSION)
                .singleElement()
                .satisfies(
                        line -> {
                            assertThat(line.setTo()).isEqualTo("on");
                            assertThat(line.why()).contains("nadia");
                        });
    }

    @Test
    void whatIsTurnedIsOnTheListThoughNobodyIsLostWithoutIt() {
        Show show = RigText.show("l laptop\nw workstation on:l");
        assertThat(only(show).lines())
                .noneMatch(line -> line.knob().knob().role() == Knob.Role.BUFFER);
        assertThat(only(Demo.choose(show, "w/buffer", "64")).lines())
                .anyMatch(line -> line.setTo().equals("64 frames"));
    }

    /// A program falls back to the computer's default, and that to nothing.
    @Test
    void afterAReplugAProgramHearsTheDefaultAndTheDefaultNothing() {
        String rig =
                CALL.formatted(" hears=i/main")
                        + """
                        i interface-2 @hall
                        m dynamic-mic @hall
                        m/out i/in1 3
                        i/usb l/usb-1 1
                        """;
        rig = rig.replace("near maren h\n", "near maren h\nnear maren m\n");
        ComputerReport report = only(RigText.show(rig));
        assertThat(report.undone())
                .filteredOn(said -> said.startsWith("After i was plugged"))
                .singleElement()
                .satisfies(said -> assertThat(said).doesNotContain("till then"));
        String byDefault =
                rig.replace("default-input=l/jack", "default-input=i/main")
                        .replace(" hears=i/main", " hears=default");
        assertThat(only(RigText.show(byDefault)).undone())
                .filteredOn(said -> said.startsWith("After i was plugged"))
                .singleElement()
                .satisfies(said -> assertThat(said).contains("till then", "nadia"));
    }

    @Test
    void withoutThePermissionNobodyAfarHearsAnything() {
        Show shut = RigText.show(CALL.formatted(" allowed=false"));
        Proof proof = Demo.PROVER.prove(shut);
        assertThat(proof.findings())
                .anyMatch(f -> f.rule().equals("missing") && f.key().ear().equals("nadia"));
    }

    @Test
    void defaultsAreFollowed() {
        Show show = RigText.show(CALL.formatted(""));
        Survey survey = survey(show);
        Device call = show.rig().device("c").orElseThrow();
        for (Picked picked : Picked.of(survey, call)) {
            assertThat(picked.byDefault()).isTrue();
            assertThat(picked.gear().orElseThrow().id()).isEqualTo("l");
        }
    }

    @Test
    void aPickOfNothingComesToNothing() {
        Show show = RigText.show(CALL.formatted(" hears=none plays-to=none"));
        Device call = show.rig().device("c").orElseThrow();
        for (Picked picked : Picked.of(survey(show), call)) assertThat(picked.gear()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"cue-laptop", "stream-tower"})
    void nothingIsSetToWhatItDoesNotHave(String computer) {
        for (SceneProof scene : LANTERN.scenes())
            for (ComputerReport.Line line : report(LANTERN, scene.scene().id(), computer).lines())
                assertThat(line.setTo()).as(line.knob().words()).isNotBlank();
    }
}
