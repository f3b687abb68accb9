package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.api.InstanceOfAssertFactories;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.RigText;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Cable;
import rivulus.show.Show;
import rivulus.words.Severity;

/// Every rule of the rig: what it finds, what it leaves alone, and what ends it. Long, since
/// every rule has its rigs here, side by side.
class RigRulesTest {

    private static List<Finding> findings(Show show, String rule) {
        return Demo.PROVER.prove(show).ofTheRig().stream()
                .filter(f -> f.rule().equals(rule))
                .toList();
    }

    private static Finding only(Show show, String rule) {
        List<Finding> findings = findings(show, rule);
        assertThat(findings).as(rule).hasSize(1);
        return findings.getFirst();
    }

    private static List<Remedy> fixes(Show show, Finding finding) {
        var proof = Demo.PROVER.prove(show);
        return Remedies.of(Demo.PROVER, proof, finding, 3).all();
    }

    private static List<String> sentences(Show show, Finding finding) {
        return fixes(show, finding).stream().map(Remedy::sentence).toList();
    }

    /// Every fix that is offered ends the finding, or leaves a milder one.
    private static void allEnd(Show show, Finding finding) {
        List<Remedy> fixes = fixes(show, finding);
        assertThat(fixes).as(finding.sentence()).isNotEmpty();
        for (Remedy fix : fixes)
            assertThat(Demo.PROVER.prove(fix.change().after()).ofTheRig())
                    .as(fix.sentence())
                    .noneMatch(
                            f ->
                                    f.id().equals(finding.id())
                                            && f.severity().compareTo(finding.severity()) <= 0);
    }

    // Leads

    @Test
    void anOverlongUsbLeadIsHalvedByAHubOrReplacedByOneOfTheRightLength() {
        Show show = RigText.show("m usb-mic\n t tower\n m/usb t/usb-3 6");
        Finding tooLong = only(show, "length");
        assertThat(sentences(show, tooLong))
                .containsExactly(
                        "Put a powered hub between t and m.",
                        "Take a lead of 5\u202Fm and stand m and t nearer to each other.");
        allEnd(show, tooLong);
        assertThat(fixes(show, tooLong).getFirst().change().after().rig().cables())
                .extracting(Cable::metres)
                .containsExactly(3.0, 3.0);
    }

    @Test
    void anOverlongAnalogueLeadIsOnlyShortened() {
        Show show = RigText.show("d show-desk\n l tower\n d/lineA l/line-in 40");
        Finding tooLong = only(show, "length");
        assertThat(sentences(show, tooLong))
                .singleElement()
                .asString()
                .startsWith("Take a lead of ");
        allEnd(show, tooLong);
    }

    @Test
    void headphonesOnALineOutputAreGivenAnAmplifier() {
        Show show = RigText.show("l tower\n h headphones\n l/line-out h/in 0");
        Finding weak = only(show, "impedance");
        assertThat(sentences(show, weak).getFirst())
                .isEqualTo("Put a headphone amplifier between l and h; start low.");
        allEnd(show, weak);
    }

    // Power

    @Test
    void aPhoneCannotFeedAnInterfaceUnlessItDrawsLittle() {
        String rig = "p phone-usb\n i %s\n c call-program on:p hears=i/main\n i/usb p/usb-1 1";
        Show show = RigText.show(rig.formatted("interface-2"));
        Finding starved = only(show, "power");
        assertThat(starved.figures()).containsEntry("marginMa", -250.0);
        assertThat(sentences(show, starved)).contains("Put a powered hub between p and i.");
        allEnd(show, starved);
        assertThat(findings(RigText.show(rig.formatted("interface-pocket")), "power")).isEmpty();
    }

    @Test
    void anInterfaceOnATabletIsFedByAHubOrTheMains() {
        Show show = RigText.show("t tablet\n i interface-2 \n i/usb t/usb-1 1");
        Finding starved = only(show, "power");
        assertThat(starved.figures()).containsEntry("marginMa", -150.0);
        assertThat(sentences(show, starved))
                .containsExactlyInAnyOrder(
                        "Run i from the mains.", "Put a powered hub between t and i.");
        allEnd(show, starved);
        Show hubbed =
                fixes(show, starved).stream()
                        .filter(f -> f.sentence().contains("hub"))
                        .findFirst()
                        .orElseThrow()
                        .change()
                        .after();
        assertThat(hubbed.rig().devices())
                .anyMatch(d -> d.template().equals("powered-hub") && d.toBuy());
        assertThat(hubbed.rig().cables()).hasSize(2);
    }

    @ParameterizedTest(name = "{0}, phantom {1}: {2}")
    @CsvSource({
        // 450 of 900, 600 of 900, 800 of 900 is tight ~, 950 of 900 is over
        "interface-2, false, fine",
        "interface-2, true, fine",
        "interface-4, false, fine",
        "interface-4, true, problem"
    })
    void phantomPowerIsPartOfWhatAPortIsAskedFor(String box, boolean phantom, String verdict) {
        Show show =
                RigText.show(
                        """
                        l laptop runs:battery
                        m condenser-mic
                        i %s p48=%s
                        m/out i/in1 3
                        i/usb l/usb-1 1
                        """
                                .formatted(box, phantom));
        List<Finding> power = findings(show, "power");
        if (verdict.equals("fine")) assertThat(power).isEmpty();
        else {
            assertThat(power).singleElement();
            assertThat(power.getFirst().severity().word()).isEqualTo(verdict);
            assertThat(power.getFirst().sentence()).contains("150 of them for phantom power");
        }
    }

    @Test
    void whatRunsFromUsbAndHangsOnNothingIsFedByAPackOrItsOwnBattery() {
        Show show = RigText.show("place hall\n r portable-recorder @hall runs:usb");
        Finding unfed = only(show, "unfed");
        assertThat(sentences(show, unfed))
                .anyMatch(s -> s.equals("Run r from its battery."))
                .anyMatch(s -> s.startsWith("Feed r from a battery pack, by"));
        allEnd(show, unfed);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        // tower 250 W, laptop 30 W, hall console 60 W, digital console 120 W, of 2300 W
        "8, caution",
        "9, caution",
        "10, danger",
        "7, fine"
    })
    void aStripIsLoadedSoFarAndNoFarther(int towers, String verdict) {
        StringBuilder text = new StringBuilder("place hall\n s outlet-strip @hall\n");
        for (int i = 0; i < towers; i++) text.append("t" + i + " tower @hall outlet:s\n");
        List<Finding> strips = findings(RigText.show(text.toString()), "strip");
        if (verdict.equals("fine")) assertThat(strips).isEmpty();
        else {
            assertThat(strips).singleElement();
            assertThat(strips.getFirst().severity().word()).isEqualTo(verdict);
            assertThat(strips.getFirst().figures()).containsEntry("watts", 250.0 * towers);
        }
    }

    @Test
    void stripsInARowAreADangerAndTheWallIsTheWayOut() {
        Show show =
                RigText.show(
                        """
                        place hall
                        a outlet-strip @hall
                        b outlet-strip @hall outlet:a
                        t tower @hall outlet:b
                        """);
        Finding row = only(show, "strip");
        assertThat(row.severity()).isEqualTo(Severity.DANGER);
        assertThat(row.sentence()).contains("Plug each into the wall");
        assertThat(sentences(show, row)).contains("Plug b into the wall.");
        allEnd(show, row);
    }

    @Test
    void anOverloadedStripNamesALicensedElectrician() {
        StringBuilder text = new StringBuilder("place hall\n s outlet-strip @hall\n");
        for (int i = 0; i < 10; i++) text.append("t" + i + " tower @hall outlet:s\n");
        Show show = RigText.show(text.toString());
        Finding hot = only(show, "strip");
        assertThat(hot.sentence()).contains("licensed electrician");
        allEnd(show, hot);
    }

    // Grounds

    private static final String RING =
            """
            place hall
            l laptop @hall
            c hall-console @hall
            l/line-out c/st1 3
            c/record l/line-in 3
            """;

    @Test
    void oneStripForBothMakesARingMilderWhereTheyStandTogether() {
        Show show = RigText.show(RING);
        Finding ring = findings(show, "ground-loop").getFirst();
        assertThat(ring.figures()).containsKey("humBelowDb");
        assertThat(sentences(show, ring)).anyMatch(s -> s.contains("isolator"));
        assertThat(fixes(show, ring))
                .filteredOn(fix -> fix.sentence().contains("isolator"))
                .isNotEmpty()
                .allSatisfy(
                        fix ->
                                assertThat(fix.losses())
                                        .hasSize(1)
                                        .first(InstanceOfAssertFactories.STRING)
                                        .startsWith("the lead "));
        allEnd(show, ring);
    }

    @Test
    void aFixThatLeavesAMilderFindingIsOfferedToo() {
        Show show =
                RigText.show(
                        "place hall\nc tower @hall\nt loudspeaker-pair @hall\nc/line-out t/in 2");
        Finding ring = only(show, "ground-loop");
        assertThat(ring.severity()).isEqualTo(Severity.PROBLEM);
        Remedy strip =
                fixes(show, ring).stream()
                        .filter(f -> f.sentence().contains("into one outlet strip"))
                        .findFirst()
                        .orElseThrow();
        assertThat(only(strip.change().after(), "ground-loop").severity())
                .isEqualTo(Severity.CAUTION);
    }

    @Test
    void aLaptopOnItsBatteryIsToldWhatChargingWouldDo() {
        Show show = RigText.show(RING.replace("l laptop @hall", "l laptop @hall runs:battery"));
        Finding charging = only(show, "charging-ring");
        assertThat(charging.severity()).isEqualTo(Severity.NOTE);
        assertThat(charging.sentence())
                .contains("While l charges from the mains", "on its battery there is none");
        assertThat(findings(show, "charging-ring")).hasSize(1);
    }

    @Test
    void whereChargingJoinsNothingNothingIsSaid() {
        Show show = RigText.show("r podcast-recorder\n h headphones\n r/phones1 h/in");
        assertThat(findings(show, "charging-ring")).isEmpty();
    }

    // Leads

    @Test
    void aSplitOfAnOutputIsAllowedAndAJoinOfTwoIsADanger() {
        Show join =
                RigText.show(
                        """
                        a de-embedder
                        b laptop runs:battery
                        y y-join
                        r pocket-recorder
                        a/line y/a
                        b/line-out y/b
                        y/out r/in
                        """);
        Finding joined = only(join, "y-lead");
        assertThat(joined.severity()).isEqualTo(Severity.DANGER);
        assertThat(joined.sentence()).contains("Give each a channel of a mixer");
        Show split =
                RigText.show(
                        """
                        c hall-console
                        y headphone-y
                        h headphones
                        g headphones
                        c/phones y/in
                        y/a h/in
                        y/b g/in
                        """);
        assertThat(findings(split, "y-lead")).isEmpty();
    }

    @Test
    void aJoinWithOneOutputInItHarmsNobody() {
        Show one =
                RigText.show(
                        "a de-embedder\n y y-join\n r pocket-recorder\n a/line y/a\n y/out r/in");
        assertThat(findings(one, "y-lead")).isEmpty();
    }

    @Test
    void whatIsNotInTheCupboardIsFoundAndPutOnTheShoppingList() {
        Show show =
                RigText.show(
                        """
                        own 1 XLR lead 5
                        a dynamic-mic
                        b dynamic-mic
                        d show-desk
                        a/out d/mic1 3
                        b/out d/mic2 4
                        """);
        Finding lacking = only(show, "stock");
        assertThat(lacking.sentence()).startsWith("No XLR lead of 3");
        assertThat(sentences(show, lacking))
                .containsExactly("Put the XLR lead from a on the shopping list.");
        allEnd(show, lacking);
    }

    @Test
    void aBoxOfWhichThereAreTooFewIsFound() {
        Show show =
                RigText.show(
                        """
                        own 1 isolator
                        i isolator
                        j isolator
                        """);
        assertThat(only(show, "stock").sentence()).contains("no line isolator is left");
        allEnd(show, only(show, "stock"));
    }

    @ParameterizedTest(name = "{1} m against {0} m: {2}")
    @CsvSource({"5, 5, 0", "5, 6, 1", "0, 40, 0", "5, 0, 0"})
    void alongLeadServesAShortNeedAndAnUnknownOneAny(String owned, String wanted, int lacking) {
        Show show =
                RigText.show(
                        "own 1 XLR lead %s\n a dynamic-mic\n d show-desk\n a/out d/mic1 %s"
                                .formatted(owned, wanted));
        assertThat(findings(show, "stock")).hasSize(lacking);
    }

    // Clocks

    private static final String OPTICAL =
            """
            s set-top-box
            m digital-console
            n digital-console
            m/net n/net
            """;

    @Test
    void twoConsolesBothOnTheirOwnClockClickAndOneFollowsTheOther() {
        Show show = RigText.show(OPTICAL);
        List<Finding> clocks = findings(show, "clock");
        assertThat(clocks).isNotEmpty();
        assertThat(clocks.getFirst().sentence()).contains("drift apart");
        allEnd(show, clocks.getFirst());
    }

    @Test
    void twoRatesOnOneLeadAreSetToOne() {
        Show show =
                RigText.show(
                        OPTICAL.replace(
                                "n digital-console", "n digital-console rate=\"44100\" clock=net"));
        Finding rates = findings(show, "clock").getFirst();
        assertThat(rates.severity()).isEqualTo(Severity.PROBLEM);
        assertThat(rates.sentence()).contains("44.1\u202FkHz", "48\u202FkHz");
        allEnd(show, rates);
    }

    @Test
    void aWorkstationWithTwoInterfacesHasTwoClocks() {
        Show show =
                RigText.show(
                        """
                        l laptop runs:battery
                        i interface-2
                        j interface-2
                        w workstation on:l hears=i/main plays-to=j/main
                        i/usb l/usb-1
                        j/usb l/usb-2
                        """);
        Finding clocks = only(show, "clock");
        assertThat(clocks.sentence()).contains("Take one device for both");
        allEnd(show, clocks);
    }

    // Pictures

    @Test
    void aPictureThatTheCaptureDoesNotTakeIsSetLower() {
        Show show =
                RigText.show(
                        """
                        s set-top-box picture=2160p120
                        c capture-device
                        l laptop runs:battery
                        s/hdmi c/hdmi
                        c/usb l/usb-1
                        """);
        Finding picture = only(show, "picture");
        assertThat(picture.sentence()).contains("no picture");
        assertThat(picture.figures()).containsEntry("lines", 2160.0);
        allEnd(show, picture);
    }

    // Remote switches, solo, profiles, gain

    @Test
    void aMicrophoneInAChannelThatStandsAtTheRemoteIsSwitchedToItsInput() {
        Show show =
                RigText.show(
                        """
                        m dynamic-mic
                        r podcast-recorder in3.source=remote
                        m/out r/in3 3
                        """);
        Finding remote = only(show, "remote-switch");
        assertThat(remote.sentence()).contains("nobody hears it there");
        allEnd(show, remote);
    }

    /// The switch that would let a microphone in would put the caller out.
    @Test
    void aFixByWhichSomebodyWouldHearWorseIsNotOffered() {
        String rig =
                """
                place hall
                person maren host hall
                r podcast-recorder @hall in3.source=remote
                m dynamic-mic @hall
                m/out r/in1 3
                x dynamic-mic
                x/out r/in3 3
                h headphones worn:maren
                r/phones1 h/in
                p phone @hall
                p/jack r/phone 1
                place afar
                person bram caller afar
                b far-phone worn:bram
                p/line b/line
                %s
                """;
        Show asked = RigText.show(rig.formatted("ear maren person maren"));
        assertThat(Demo.findings(asked)).doesNotContain("missing maren bram");
        assertThat(fixes(asked, only(asked, "remote-switch"))).isEmpty();
        Show unasked = RigText.show(rig.formatted(""));
        assertThat(sentences(unasked, only(unasked, "remote-switch")))
                .anyMatch(s -> s.contains("microphone"));
    }

    @Test
    void soloIsForTheOneWhoListens() {
        String desk =
                """
                place hall
                person teo producer hall
                d show-desk @hall
                h headphones worn:teo
                d/%s h/in
                """;
        assertThat(findings(RigText.show(desk.formatted("phones1")), "solo")).isEmpty();
        Finding solo = only(RigText.show(desk.formatted("phones3")), "solo");
        assertThat(solo.severity()).isEqualTo(Severity.NOTE);
        assertThat(solo.sentence())
                .isEqualTo("Solo on d is heard at headphones 1 only; teo listens at headphones 3.");
    }

    @Test
    void gainLeftUpIsTurnedDown() {
        Show show = RigText.show("d show-desk mic4.gain=12");
        Finding up = only(show, "unused-gain");
        assertThat(sentences(show, up)).allMatch(s -> s.startsWith("Set d · MIC 4"));
    }

    // Impedance and levels

    @Test
    void severityFollowsConsequence() {
        Show ribbon = RigText.show("r ribbon-mic\n i interface-2 p48=true\n r/out i/in1");
        Finding phantom = only(ribbon, "phantom");
        assertThat(phantom.severity()).isEqualTo(Severity.DANGER);
        assertThat(sentences(ribbon, phantom))
                .startsWith("Levels down, then switch 48 V off at i, input 1.");
        allEnd(ribbon, phantom);
    }

    @Test
    void hotterByTwentyIsSaidInFigures() {
        Finding hot = only(RigText.show("d de-embedder\n c camera\n d/line c/mic"), "level");
        assertThat(hot.figures().get("padDb")).isCloseTo(20, within(0.5));
    }
}
