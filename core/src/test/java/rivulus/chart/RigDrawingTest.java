package rivulus.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.SceneProof;
import rivulus.file.DemoShows;
import rivulus.file.Templates;
import rivulus.leads.Survey;
import rivulus.power.Grounds;
import rivulus.rig.RigEdits;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Show;
import rivulus.words.Severity;

class RigDrawingTest {
    private static final double WIDTH = 660;

    private record Proven(Proof proof) {
        static Proven of(Show show) {
            Proof proof = Demo.PROVER.prove(show);
            return new Proven(proof);
        }

        SceneProof scene() {
            return proof.scenes().getFirst();
        }

        RigDrawing drawing(Lit lit, RigLayer layer) {
            return RigDrawing.of(proof, lit, layer, WIDTH);
        }

        RigPage page(RigLayer layer) {
            return new RigPages(
                            proof,
                            scene(),
                            Demo.PROVER.catalogue(),
                            Optional.empty(),
                            Optional.empty(),
                            Limit.OWN_VOICE.usual())
                    .of(layer);
        }
    }

    private static final Proven LANTERN = Proven.of(Demo.show(DemoShows.LANTERN_HOUR));

    static Stream<Arguments> everyShowAndLayer() {
        return DemoShows.all().keySet().stream()
                .flatMap(
                        name -> {
                            Proven proven = Proven.of(Demo.show(name));
                            return Stream.of(RigLayer.values())
                                    .map(layer -> Arguments.of(name, layer, proven));
                        });
    }

    @ParameterizedTest(name = "{0}, {1}")
    @MethodSource("everyShowAndLayer")
    void everyMachineHasOneBoxInABandAndNoTwoOverlap(String name, RigLayer layer, Proven proven) {
        RigDrawing drawing = proven.drawing(Lit.NOTHING, layer);
        List<String> machines =
                proven.proof().show().rig().devices().stream()
                        .filter(device -> device.on().isEmpty())
                        .map(Device::id)
                        .toList();
        assertThat(drawing.boxes())
                .extracting(box -> box.device().id())
                .containsExactlyInAnyOrderElementsOf(machines);
        for (RigDrawing.Box box : drawing.boxes()) {
            assertThat(drawing.bands()).anyMatch(band -> holds(band, box));
            assertThat(box.note()).isNotEmpty();
            assertThat(box.y() + box.height()).isLessThanOrEqualTo(drawing.height());
            for (RigDrawing.Box other : drawing.boxes())
                assertThat(box == other || !overlap(box, other))
                        .as("%s over %s", box.device().name(), other.device().name())
                        .isTrue();
        }
    }

    private static boolean holds(RigDrawing.Band band, RigDrawing.Box box) {
        return box.x() >= band.x()
                && box.y() >= band.y()
                && box.x() + box.width() <= band.x() + band.width() + 0.01
                && box.y() + box.height() <= band.y() + band.height() + 0.01;
    }

    private static boolean overlap(RigDrawing.Box a, RigDrawing.Box b) {
        return a.x() < b.x() + b.width()
                && b.x() < a.x() + a.width()
                && a.y() < b.y() + b.height()
                && b.y() < a.y() + a.height();
    }

    @ParameterizedTest(name = "{0}, {1}")
    @MethodSource("everyShowAndLayer")
    void everyLineGoesFromBoxToBoxAndStaysOnThePage(String name, RigLayer layer, Proven proven) {
        RigDrawing drawing = proven.drawing(Lit.NOTHING, layer);
        for (RigDrawing.Line line : drawing.leads()) {
            double[] way = line.way();
            int last = way.length - 2;
            assertThat(drawing.boxes()).anyMatch(box -> touches(box, way[0], way[1]));
            assertThat(drawing.boxes()).anyMatch(box -> touches(box, way[last], way[last + 1]));
            for (int i = 0; i < last; i += 2) {
                assertThat(way[i]).isBetween(0.0, WIDTH);
                assertThat(way[i + 1]).isBetween(0.0, drawing.height());
                assertThat(way[i] == way[i + 2] || way[i + 1] == way[i + 3]).isTrue();
                for (RigDrawing.Box box : drawing.boxes())
                    assertThat(passesBehind(box, way, i))
                            .as("%s behind %s", line.tag(), box.device().name())
                            .isFalse();
            }
        }
    }

    /// Whether a run of a way goes through the inside of a box.
    private static boolean passesBehind(RigDrawing.Box box, double[] way, int i) {
        double left = Math.min(way[i], way[i + 2]);
        double right = Math.max(way[i], way[i + 2]);
        double top = Math.min(way[i + 1], way[i + 3]);
        double bottom = Math.max(way[i + 1], way[i + 3]);
        return right > box.x() + 0.1
                && left < box.x() + box.width() - 0.1
                && bottom > box.y() + 0.1
                && top < box.y() + box.height() - 0.1;
    }

    private static boolean touches(RigDrawing.Box box, double x, double y) {
        return x >= box.x() - 0.5
                && x <= box.x() + box.width() + 0.5
                && y >= box.y() - 0.5
                && y <= box.y() + box.height() + 0.5;
    }

    @ParameterizedTest(name = "{0}, {1}")
    @MethodSource("everyShowAndLayer")
    void everyLayerHasSomethingToSayInWholeSentences(String name, RigLayer layer, Proven proven) {
        RigPage page = proven.page(layer);
        assertThat(page.sections()).isNotEmpty();
        for (RigPage.Section section : page.sections()) {
            assertThat(section.rows()).as(section.title()).isNotEmpty();
            for (RigPage.Row row : section.rows()) {
                assertThat(row.head()).isNotBlank();
                assertThat(row.text()).doesNotContain("null", "NaN", "Optional", "..");
            }
        }
    }

    @Test
    void whatAnEarDependsOnIsLitAndTheRestIsNot() {
        Lit lit = Lit.toEar(LANTERN.proof().scene("tales").orElseThrow(), "nadia");
        assertThat(lit.devices()).contains("desk", "call", "nadia-headset", "maren-mic");
        assertThat(lit.devices()).doesNotContain("small-recorder", "house-speakers");
        RigDrawing drawing = LANTERN.drawing(lit, RigLayer.LEADS);
        assertThat(box(drawing, "desk").lit()).isTrue();
        assertThat(box(drawing, "small-recorder").lit()).isFalse();
        assertThat(drawing.leads())
                .filteredOn(line -> line.state() == RigDrawing.Line.State.LIT)
                .extracting(RigDrawing.Line::cable)
                .isSubsetOf(lit.cables());
    }

    @Test
    void aSourceLightsWhatItPassesToEverybody() {
        Lit lit = Lit.fromSource(LANTERN.proof().scene("tales").orElseThrow(), "maren");
        assertThat(lit.devices()).contains("maren-mic", "desk", "house-speakers", "ivo-phones");
    }

    private static RigDrawing.Box box(RigDrawing drawing, String device) {
        return drawing.boxes().stream()
                .filter(box -> box.device().id().equals(device))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theWorstOfADeviceIsMarkedOnItAndThatOfALeadOnItsLine() {
        RigDrawing drawing = LANTERN.drawing(Lit.NOTHING, RigLayer.LEADS);
        assertThat(drawing.leads())
                .filteredOn(line -> line.severity().isPresent())
                .extracting(line -> line.severity().orElseThrow())
                .contains(Severity.PROBLEM);
        assertThat(box(drawing, "maren-mic").severity()).isEmpty();
    }

    @Test
    void theLayerOfEarthsMarksWhatIsEarthedAndLettersTheRings() {
        RigDrawing drawing = LANTERN.drawing(Lit.NOTHING, RigLayer.EARTHS);
        for (RigDrawing.Box box : drawing.boxes())
            assertThat(box.marked())
                    .isEqualTo(Grounds.isEarthed(LANTERN.proof().survey(), box.device()));
        List<String> letters =
                drawing.leads().stream()
                        .filter(line -> line.state() == RigDrawing.Line.State.RING)
                        .map(RigDrawing.Line::tag)
                        .toList();
        assertThat(letters).hasSameSizeAs(Grounds.rings(LANTERN.proof().survey()));
        assertThat(letters).contains("A");
    }

    @ParameterizedTest
    @CsvSource({
        "COMPUTERS, cue-laptop, false",
        "COMPUTERS, maren-mic, true",
        "POWER, desk, false",
        "POWER, maren-mic, true",
        "EARTHS, house-speakers, true",
        "EARTHS, desk, false",
        "EARTHS, teo-earbuds, false",
        "TIME, desk, false",
        "TIME, maren-mic, true"
    })
    void aNoteOfNoWeightYieldsToALongName(RigLayer layer, String device, boolean yields) {
        assertThat(LANTERN.drawing(Lit.NOTHING, layer).boxes())
                .filteredOn(box -> box.device().id().equals(device))
                .singleElement()
                .satisfies(box -> assertThat(box.noteYields()).as(box.note()).isEqualTo(yields));
    }

    @Test
    void theLayerOfPowerLeadsFromWhatFeedsToWhatIsFed() {
        Proven proven =
                Proven.of(
                        RigText.show(
                                """
                                place hall
                                s outlet-strip @hall
                                l laptop @hall outlet:s
                                i interface-2 @hall
                                m condenser-mic @hall
                                m/out i/in1 3
                                i/usb l/usb-1 1
                                """));
        RigDrawing drawing = proven.drawing(Lit.NOTHING, RigLayer.POWER);
        assertThat(drawing.leads())
                .filteredOn(line -> line.state() == RigDrawing.Line.State.FEEDS)
                .hasSizeGreaterThanOrEqualTo(2);
        assertThat(box(drawing, "s").marked()).isTrue();
        assertThat(box(drawing, "i").note()).isEqualTo("USB of l");
        assertThat(box(drawing, "l").note()).isEqualTo("s, 30 W");
        assertThat(box(drawing, "m").note()).isEqualTo("48 V from its input");
        assertThat(text(proven.page(RigLayer.POWER)))
                .contains("s feeds 30 of 2300", "If a supply fails", "licensed");
    }

    private static String text(RigPage page) {
        List<String> all = new ArrayList<>();
        for (RigPage.Section section : page.sections()) {
            all.add(section.title());
            for (RigPage.Row row : section.rows()) all.add(row.head() + ": " + row.text());
        }
        return String.join("\n", all);
    }

    @Test
    void theEarthsPageOffersTheLeastPlanAndTakingItEndsEveryRing() {
        Show twin = Demo.show("twin-tables");
        RigPage page = Proven.of(twin).page(RigLayer.EARTHS);
        RigPage.Row plan =
                page.sections().stream()
                        .flatMap(section -> section.rows().stream())
                        .filter(row -> row.edit().isPresent())
                        .findFirst()
                        .orElseThrow();
        assertThat(plan.text()).contains("nothing that costs less does");
        Proven after = Proven.of(plan.edit().orElseThrow().after());
        assertThat(Grounds.rings(after.proof().survey())).isEmpty();
        assertThat(text(page)).contains("Never lifted", "licensed electrician");
    }

    @Test
    void theTimePageFollowsTheChosenEarOrSource() {
        SceneProof tales = LANTERN.proof().scene("tales").orElseThrow();
        var ear = tales.show().ear("nadia");
        RigPage late =
                new RigPages(
                                LANTERN.proof(),
                                tales,
                                Demo.PROVER.catalogue(),
                                ear,
                                Optional.empty(),
                                Limit.OWN_VOICE.usual())
                        .of(RigLayer.TIME);
        assertThat(text(late))
                .contains(
                        "How late it all is for Nadia",
                        "network",
                        "Show desk, USB 1 → Cue laptop, USB 1",
                        "48\u202FkHz by the clock of Show desk.");
    }

    @Test
    void anEmptyRigIsAnEmptyPage() {
        Proven empty = Proven.of(Show.untitled());
        for (RigLayer layer : RigLayer.values()) {
            assertThat(empty.drawing(Lit.NOTHING, layer).boxes()).isEmpty();
            assertThat(empty.page(layer)).isNotNull();
        }
    }

    @Test
    void whatIsNewToTheRigLeavesTheOthersInTheirColumns() {
        Show more =
                new RigEdits(LANTERN.proof().show(), Demo.PROVER.catalogue())
                        .add("pocket-recorder", "workroom")
                        .after();
        RigDrawing before = LANTERN.drawing(Lit.NOTHING, RigLayer.LEADS);
        RigDrawing after = Proven.of(more).drawing(Lit.NOTHING, RigLayer.LEADS);
        for (RigDrawing.Box box : before.boxes())
            assertThat(box(after, box.device().id()).x())
                    .as(box.device().name())
                    .isEqualTo(box.x());
    }

    @Test
    void theDrawingIsAsWideAsItIsAskedToBe() {
        for (double width : new double[] {420, 660, 1100}) {
            RigDrawing drawing = RigDrawing.of(LANTERN.proof(), Lit.NOTHING, RigLayer.LEADS, width);
            assertThat(drawing.width()).isCloseTo(width, within(1e-9));
            for (RigDrawing.Box box : drawing.boxes())
                assertThat(box.x() + box.width()).isLessThanOrEqualTo(width);
        }
    }

    @Test
    void leadNumbersSortAsNumbersBeyondAHundred() {
        StringBuilder rig =
                new StringBuilder(
                        "c1 digital-console\nc2 digital-console\nc3 digital-console\nc4 digital-console\n");
        for (int i = 0; i < 104; i++)
            rig.append(
                    "m%1$d dynamic-mic\nm%1$d/out c%2$d/ch%3$d 3\n"
                            .formatted(i, i / 26 + 1, i % 26 + 1));
        Show show = RigText.show(rig.toString());
        Survey survey = Survey.of(show, Demo.PROVER.catalogue(), Templates.leads());
        List<String> tags = RigDrawing.tags(survey).values().stream().sorted().toList();
        assertThat(tags).hasSize(104).startsWith("001", "002").endsWith("103", "104");
    }
}
