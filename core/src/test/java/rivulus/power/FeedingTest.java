package rivulus.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.Failure;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.file.DemoShows;
import rivulus.file.Templates;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Show;

/// Who feeds whom, how much, for how long, and what goes dark.
class FeedingTest {
    private static final String HALL =
            """
            place hall
            place booth
            strip outlet-strip @hall
            desk show-desk @hall outlet:strip
            tower tower @hall outlet:strip
            laptop laptop @hall
            box interface-2 @hall runs:usb
            mic usb-mic @hall
            far show-desk @booth
            box/usb laptop/usb-1 1
            mic/usb tower/usb-1 1
            """;

    private static Survey survey(String text) {
        return Survey.of(RigText.show(text), Demo.PROVER.catalogue(), Templates.leads());
    }

    private static Device device(Survey survey, String id) {
        return survey.device(id).orElseThrow();
    }

    @Test
    void everyMachineHangsOnWhatFeedsIt() {
        Survey survey = survey(HALL);
        Feeding feeding = Feeding.of(survey);
        assertThat(feeding.of(device(survey, "desk")).orElseThrow().id()).isEqualTo("strip");
        assertThat(feeding.of(device(survey, "strip")).orElseThrow().name())
                .isEqualTo("the outlets of hall");
        assertThat(feeding.of(device(survey, "box")).orElseThrow().kind())
                .isEqualTo(Supply.Kind.USB);
        assertThat(feeding.of(device(survey, "far")).orElseThrow().place()).isEqualTo("booth");
        assertThat(feeding.supplies())
                .extracting(Supply::id)
                .containsExactly("wall:hall", "wall:booth", "strip", "tower", "laptop");
    }

    @Test
    void whatHangsOnAStripGoesDarkWithItAndWhatHangsOnThatToo() {
        Survey survey = survey(HALL);
        Feeding feeding = Feeding.of(survey);
        assertThat(feeding.darkWithout(Supply.device(device(survey, "strip"), Supply.Kind.STRIP)))
                .containsExactlyInAnyOrder("desk", "tower", "mic");
    }

    @Test
    void aLaptopRunsOnFromItsBatteryWhenTheWallFails() {
        Survey survey = survey(HALL);
        Feeding feeding = Feeding.of(survey);
        Supply wall = feeding.of(device(survey, "strip")).orElseThrow();
        assertThat(feeding.darkWithout(wall))
                .contains("strip", "desk", "tower", "mic")
                .doesNotContain("laptop", "box", "far");
    }

    @Test
    void whoMissesWhomWithoutASupplyIsSaidInWords() {
        Show show = Demo.show("lantern-hour");
        Survey survey = Survey.of(show, Demo.PROVER.catalogue(), Templates.leads());
        Feeding feeding = Feeding.of(survey);
        SceneProof tales = Demo.PROVER.prove(show).scene("tales").orElseThrow();
        Supply workroom =
                feeding.supplies().stream()
                        .filter(s -> s.name().equals("the outlets of Workroom"))
                        .findFirst()
                        .orElseThrow();
        Failure failure = Failure.of(tales, workroom.name(), feeding.darkWithout(workroom));
        assertThat(failure.words())
                .startsWith("Without the outlets of Workroom, ")
                .contains("the stream");
    }

    @ParameterizedTest(name = "{0}: {1} mA of {2}")
    @CsvSource({"laptop, 450, 900", "tablet, 450, 300", "powered-hub, 450, 900"})
    void aPortIsAskedForWhatHangsOnIt(String host, int draws, int gives) {
        Survey survey = survey("h %s\n i interface-2 runs:usb\n i/usb h/usb-1 1".formatted(host));
        List<PortBudget> budgets = PortBudget.all(survey);
        assertThat(budgets).singleElement();
        assertThat(budgets.getFirst().drawsMa()).isEqualTo(draws);
        assertThat(budgets.getFirst().givesMa()).isEqualTo(gives);
        assertThat(budgets.getFirst().marginMa()).isEqualTo(gives - draws);
        assertThat(budgets.getFirst().isOver()).isEqualTo(draws > gives);
    }

    @Test
    void whatRunsFromTheMainsDrawsNothingByUsb() {
        Survey survey = survey("h laptop\n i interface-2 runs:mains\n i/usb h/usb-1 1");
        assertThat(PortBudget.all(survey)).isEmpty();
    }

    @Test
    void aPackLastsAsLongAsWhatHangsOnItDraws() {
        Survey survey =
                survey(
                        """
                        scene tales 60
                        p battery-pack
                        i interface-2 runs:usb
                        p/usb-1 i/usb 1
                        """);
        BatteryLife life = BatteryLife.all(survey).getFirst();
        assertThat(life.watts()).isCloseTo(0.45 * 5, within(1e-9));
        assertThat(life.lastsMinutes()).isCloseTo(60 * 74 * 0.85 * 0.8 / 2.25, within(1e-6));
        assertThat(life.wantedMinutes()).isEqualTo(150);
        assertThat(life.dies()).isFalse();
        assertThat(life.words()).isEqualTo("The battery of p lasts 22.4\u202Fh");
    }

    @Test
    void theMomentOfSwappingLiesBetweenScenes() {
        Survey survey =
                survey(
                        """
                        scene doors 30
                        scene tales 60
                        scene close 30
                        k camera runs:battery
                        """);
        BatteryLife life = BatteryLife.all(survey).getFirst();
        // 14 Wh · 0.85 · 0.8 / 6 W = 95 min, an hour of it for setting up
        assertThat(life.dies()).isTrue();
        assertThat(life.swap()).isEqualTo("before tales, 30\u202Fmin into the show");
    }

    @Test
    void aStripsLoadCountsStripsBehindIt() {
        Survey survey =
                survey(
                        """
                        place hall
                        a outlet-strip @hall
                        b outlet-strip @hall outlet:a
                        t tower @hall outlet:b
                        c hall-console @hall outlet:a
                        """);
        StripLoad first = StripLoad.all(survey).getFirst();
        assertThat(first.watts()).isEqualTo(310);
        assertThat(first.words()).isEqualTo("a feeds 310 of 2300\u202FW");
        assertThat(StripLoad.all(survey).getLast().inStrip()).isTrue();
    }

    @ParameterizedTest(name = "{0} m to {1}: {2}")
    @CsvSource({"1, hall, -1", "3, hall, 0", "10, hall, 1", "3, booth, 1", "10, booth, 1"})
    void humGrowsWithLengthAndDistanceOfTheOutlets(double metres, String place, double sign) {
        String ring =
                """
                place hall
                place booth
                t tower @hall
                c hall-console @%s
                t/line-out c/st1 %s
                c/record t/line-in %s
                """;
        Ring here = Grounds.rings(survey(ring.formatted("hall", 3, 3))).getFirst();
        Ring there = Grounds.rings(survey(ring.formatted(place, metres, metres))).getFirst();
        double worse = here.hum().belowDb() - there.hum().belowDb();
        assertThat(Math.signum(worse)).isEqualTo(sign);
        assertThat(there.hum().grade().words()).contains("hum");
    }

    @Test
    void machinesInOneRackShareItsChassisThoughNeitherIsEarthed() {
        String pair =
                """
                place hall
                r %s @hall
                a headphone-amplifier @hall outlet:r
                d two-mic-desk @hall outlet:r
                d/out a/in 2
                """;
        assertThat(Grounds.rings(survey(pair.formatted("outlet-strip")))).isEmpty();
        List<Ring> rings = Grounds.rings(survey(pair.formatted("equipment-rack")));
        assertThat(rings).singleElement();
        assertThat(rings.getFirst().round()).contains("r");
        assertThat(rings.getFirst().hum().belowDb()).isGreaterThan(60);
    }

    @Test
    void oneStripForBothMakesTheHumFarLess() {
        String ring =
                """
                place hall
                s outlet-strip @hall
                t tower @hall%1$s
                c hall-console @hall%1$s
                t/line-out c/st1 3
                c/record t/line-in 3
                """;
        double apart = Grounds.rings(survey(ring.formatted(""))).getFirst().hum().belowDb();
        double strip =
                Grounds.rings(survey(ring.formatted(" outlet:s"))).getFirst().hum().belowDb();
        assertThat(strip).isGreaterThan(apart + 20);
    }

    @Test
    void aPortIsTightFromNineTenthsOfWhatItGives() {
        for (String name : DemoShows.all().keySet())
            for (PortBudget budget : PortBudget.all(Demo.PROVER.prove(Demo.show(name)).survey())) {
                assertThat(budget.tight()).isEqualTo(budget.drawsMa() > 0.9 * budget.givesMa());
                assertThat(budget.isOver()).isEqualTo(budget.drawsMa() > budget.givesMa());
            }
    }

    private static final String RING =
            """
            place hall
            %s
            c hall-console @hall
            l laptop @hall
            c/record l/line-in 3
            """;

    private static HumPlan plan(String scene) {
        return HumPlan.of(
                RigText.show(RING.formatted(scene)), Demo.PROVER.catalogue(), Templates.leads());
    }

    @Test
    void aLaptopRunsFromItsBatteryAgainstHumOnlyWhereThatLasts() {
        assertThat(plan("").steps()).containsExactly("Run l from its battery.");
        assertThat(plan("scene talk 600").steps())
                .isNotEmpty()
                .noneMatch(step -> step.contains("battery"));
    }

    /// A controller that charges joins its box to the mixer; on its battery the lead hangs loose.
    @Test
    void aChargingLeadClosesARingOnlyWhileItCharges() {
        String rig =
                """
                b set-top-box
                x game-controller runs:%s
                c capture-device
                t tower
                m streaming-mixer
                s four-pole-splitter
                b/hdmi c/hdmi 1
                c/usb t/usb-2 1
                m/usb t/usb-1 1
                b/usb x/charge 1
                x/jack s/plug 1
                s/phones m/line 1
                """;
        assertThat(rings(rig.formatted("usb"))).isEqualTo(1);
        assertThat(rings(rig.formatted("battery"))).isZero();
    }

    private static int rings(String rig) {
        return Grounds.rings(
                        Survey.of(RigText.show(rig), Demo.PROVER.catalogue(), Templates.leads()))
                .size();
    }
}
