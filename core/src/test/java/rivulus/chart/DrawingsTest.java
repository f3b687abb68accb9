package rivulus.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.disk.Extras;
import rivulus.show.Cast;
import rivulus.show.Checks;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Habits;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Severity;

class DrawingsTest {
    private static final double WIDTH = 560;
    private static final double HEIGHT = 430;
    private final Proof lantern = Demo.PROVER.prove(Demo.show("lantern-hour"));

    private SceneProof scene(String id) {
        return lantern.scene(id).orElseThrow();
    }

    private Course toEar(String scene, String ear) {
        return Courses.toEar(scene(scene), ear, Demo.PROVER.catalogue());
    }

    @Test
    void whatComesBackToTheCallerPassesThePlacesTwice() {
        Course course = toEar("tales", "nadia");
        Course.Ribbon echo =
                course.ribbons().stream()
                        .filter(r -> r.source().equals("nadia"))
                        .findFirst()
                        .orElseThrow();
        assertThat(echo.flow()).isEqualTo(Verdict.Flow.LATE);
        assertThat(echo.passes())
                .extracting(pass -> course.beds().get(pass.bed()).title())
                .containsExactly(
                        "Nadia's kitchen",
                        "Call service",
                        "Cue laptop",
                        "Show desk",
                        "Cue laptop",
                        "Call service",
                        "Nadia's kitchen");
        assertThat(course.columns()).isEqualTo(7);
        assertThat(course.resting())
                .contains(
                        new Course.Resting("bram", "PHONE mute is on"),
                        new Course.Resting("sunniva", ""));
    }

    /// Found by pressing keys at random: a source that plays into what only sits in a lead.
    @Test
    void aWayThatBeginsWhereNothingIsDrawnIsDrawnAllTheSame() {
        Show show = Demo.show("lantern-hour");
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(Device.of("iso", "Isolator", "isolator"));
        List<Playback> playback = new ArrayList<>(show.cast().playback());
        playback.replaceAll(plays -> plays.from(Optional.of(Ref.of("iso/in.in"))));
        Show odd =
                show.withRig(show.rig().with(devices, show.rig().cables()))
                        .withCast(new Cast(show.cast().people(), playback, show.cast().extras()));
        Proof proof = Demo.PROVER.prove(odd);
        for (SceneProof scene : proof.scenes())
            for (Ear ear : odd.ears())
                for (Course.Bed bed :
                        Courses.toEar(scene, ear.id(), Demo.PROVER.catalogue()).beds())
                    assertThat(bed.title()).isNotEmpty();
    }

    @Test
    void howFaintAThingIsStillDrawnIsALimitOfTheShow() {
        Show show = Demo.show("lantern-hour");
        Course drawn = toEar("tales", "maren");
        assertThat(Ruler.of(scene("tales"), ear("maren")).rows()).isNotEmpty();
        assertThat(drawn.ribbons()).isNotEmpty();
        Proof coarse =
                Demo.PROVER.prove(
                        show.withChecks(
                                new Checks(
                                        Limits.USUAL.with(Limit.DRAWN, 0),
                                        List.of(),
                                        Habits.UNSAID,
                                        Extras.NONE)));
        SceneProof tales = coarse.scene("tales").orElseThrow();
        assertThat(Courses.toEar(tales, "maren", Demo.PROVER.catalogue()).ribbons())
                .allMatch(ribbon -> ribbon.broken().isPresent());
        assertThat(Ruler.of(tales, ear("maren")).rows()).isEmpty();
        assertThat(Lit.toEar(tales, "maren").devices()).isEmpty();
    }

    private Ear ear(String id) {
        return lantern.show().ear(id).orElseThrow();
    }

    @Test
    void aMissingSourceRunsDryWhereItBreaks() {
        Course.Ribbon dry =
                toEar("call-in", "sunniva").ribbons().stream()
                        .filter(r -> r.broken().isPresent())
                        .findFirst()
                        .orElseThrow();
        assertThat(dry.source()).isEqualTo("bram");
        assertThat(dry.broken().orElseThrow().why()).isEqualTo("headphones 3 pick of PHONE is off");
        assertThat(dry.passes().getLast().label()).startsWith("PHONE");
    }

    @Test
    void aDoubledSourceComesAsTwoRibbons() {
        assertThat(toEar("tales", "stream").ribbons())
                .filteredOn(r -> r.source().equals("alerts"))
                .hasSize(2)
                .allSatisfy(r -> assertThat(r.flow()).isEqualTo(Verdict.Flow.DOUBLED));
    }

    @Test
    void whatOnlySitsInALeadHasNoBed() {
        assertThat(toEar("tales", "stream").beds())
                .extracting(Course.Bed::title)
                .doesNotContain("Isolator");
    }

    @Test
    void aHowlIsAnEddyWithItsMargin() {
        Proof howling = Demo.PROVER.prove(Demo.howling());
        Course course =
                Courses.toEar(
                        howling.scene("tales").orElseThrow(), "house", Demo.PROVER.catalogue());
        assertThat(course.eddies())
                .singleElement()
                .satisfies(eddy -> assertThat(eddy.marginDb()).isNegative());
    }

    @ParameterizedTest
    @ValueSource(strings = {"lantern-hour", "archive-interviews", "language-cafe"})
    void noTwoRibbonsOrBedsOfAColumnLieOnEachOtherForAnyEarOrSource(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (SceneProof scene : proof.scenes()) {
            for (Ear ear : proof.show().ears()) {
                isLaidOutWell(Courses.toEar(scene, ear.id(), Demo.PROVER.catalogue()));
            }
            for (Source source : proof.show().sources()) {
                isLaidOutWell(Courses.ofSource(scene, source.id(), Demo.PROVER.catalogue()));
            }
        }
    }

    private static void isLaidOutWell(Course course) {
        CourseLayout layout = CourseLayout.of(course, WIDTH, HEIGHT);
        List<CourseLayout.Point> all = new ArrayList<>();
        for (int r = 0; r < course.ribbons().size(); r++) {
            List<CourseLayout.Point> points = layout.points(r);
            assertThat(points)
                    .hasSizeGreaterThanOrEqualTo(2 * course.ribbons().get(r).passes().size());
            for (int i = 1; i < points.size(); i++) {
                assertThat(points.get(i).x())
                        .as("sound runs from left to right")
                        .isGreaterThan(points.get(i - 1).x());
            }
            boolean delta = course.shape() == Course.Shape.FROM_SOURCE;
            all.addAll(delta ? List.of(points.getLast()) : points);
        }
        for (int a = 0; a < all.size(); a++) {
            for (int b = 0; b < a; b++) {
                boolean sameSpot = Math.abs(all.get(a).x() - all.get(b).x()) < 1;
                if (sameSpot)
                    assertThat(Math.abs(all.get(a).y() - all.get(b).y())).isGreaterThan(9);
            }
        }
        for (int a = 0; a < course.beds().size(); a++) {
            CourseLayout.Box box = layout.box(a);
            assertThat(box.x()).isBetween(0.0, WIDTH);
            for (int b = 0; b < a; b++) {
                CourseLayout.Box other = layout.box(b);
                boolean apart =
                        box.x() + box.width() <= other.x()
                                || other.x() + other.width() <= box.x()
                                || box.y() + box.height() <= other.y()
                                || other.y() + other.height() <= box.y()
                                || box.equals(other);
                assertThat(apart)
                        .as("%s and %s", course.beds().get(a), course.beds().get(b))
                        .isTrue();
            }
        }
    }

    @Test
    void aSourceRunsAsOneRibbonUntilItsWaysPart() {
        Course course = Courses.ofSource(scene("tales"), "nadia", Demo.PROVER.catalogue());
        CourseLayout layout = CourseLayout.of(course, WIDTH, HEIGHT);
        List<Integer> starts =
                course.ribbons().stream().map(r -> r.passes().getFirst().bed()).toList();
        assertThat(starts).hasSizeGreaterThan(8).containsOnly(starts.getFirst());
        assertThat(course.ribbons())
                .allSatisfy(
                        r ->
                                assertThat(layout.points(course.ribbons().indexOf(r)).getFirst())
                                        .isEqualTo(layout.points(0).getFirst()));
        assertThat(course.ribbons()).extracting(Course.Ribbon::ear).doesNotHaveDuplicates();
    }

    @Test
    void theRulerSetsOnesOwnVoiceAgainstTheVoiceInTheHead() {
        Ruler ruler = Ruler.of(scene("tales"), lantern.show().ear("teo").orElseThrow());
        Ruler.Row own = ruler.rows().stream().filter(Ruler.Row::own).findFirst().orElseThrow();
        assertThat(own.drops()).hasSize(2);
        assertThat(own.drops().getFirst().gapMs()).isZero();
        assertThat(own.drops().getLast().gapMs()).isCloseTo(182.2, within(0.1));
        assertThat(own.isDoubled()).isTrue();
        assertThat(ruler.rows())
                .filteredOn(row -> !row.own())
                .allSatisfy(row -> assertThat(row.drops()).hasSize(1));
    }

    @Test
    void theRulersAxisIsLogarithmicBetweenItsEnds() {
        assertThat(Ruler.position(0.5)).isZero();
        assertThat(Ruler.position(1000)).isEqualTo(1);
        assertThat(Ruler.position(100) - Ruler.position(10))
                .isCloseTo(Ruler.position(10) - Ruler.position(1), within(1e-9));
        assertThat(Ruler.position(5000)).isEqualTo(1);
    }

    @Test
    void theChartSaysEveryResultInAWordOrTwo() {
        Chart chart = Chart.of(scene("tales"));
        assertThat(chart.rows()).hasSize(16);
        assertThat(word(chart, "nadia", "nadia")).isEqualTo("296\u202Fms");
        assertThat(word(chart, "stream", "alerts")).isEqualTo("twice");
        assertThat(word(chart, "stream", "bram")).isEqualTo("not muted");
        assertThat(word(chart, "maren", "ivo")).isEqualTo("hears");
        assertThat(word(chart, "house", "sunniva")).isEqualTo("kept out");
        assertThat(cell(chart, "nadia", "nadia").severity()).contains(Severity.PROBLEM);
        assertThat(cell(chart, "maren", "ivo").verdict()).isEqualTo(Verdict.AS_WISHED);
    }

    private static String word(Chart chart, String ear, String source) {
        return cell(chart, ear, source).word();
    }

    private static Chart.Cell cell(Chart chart, String ear, String source) {
        return chart.rows().stream()
                .filter(row -> row.ear().id().equals(ear))
                .flatMap(row -> row.cells().stream())
                .filter(cell -> cell.heard().source().id().equals(source))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aKnobSheetTellsWhatMattersToTheEarFromTheRest() {
        Ear nadia = lantern.show().ear("nadia").orElseThrow();
        Optional<KnobSheet> sheet =
                KnobSheet.of(scene("tales"), "desk", nadia, Demo.PROVER.catalogue());
        List<KnobSheet.Row> rows = sheet.orElseThrow().rows();
        assertThat(rows)
                .filteredOn(KnobSheet.Row::onTheWay)
                .extracting(row -> row.use().ref().name())
                .contains("usb1chat.feed", "usb1chat.tap", "mic1.fader")
                .doesNotContain("phones4.feed", "lineB.pick.mic1");
        assertThat(rows)
                .filteredOn(row -> row.here().equals("set in this scene"))
                .extracting(row -> row.use().ref().name())
                .containsExactly("phone.mute");
        assertThat(KnobSheet.of(scene("tales"), "nothing", nadia, Demo.PROVER.catalogue()))
                .isEmpty();
    }

    @Test
    void manyRowsThatAreWellFoldByKindUntilOneIsChosen() {
        Chart chart =
                Chart.of(Demo.PROVER.prove(Demo.lanternMended()).scene("tales").orElseThrow());
        assertThat(chart.folded("", 100)).hasSameSizeAs(chart.rows());
        List<Chart.Fold> folds = chart.folded("", 3);
        assertThat(folds).anyMatch(fold -> fold.title().endsWith(" tracks"));
        assertThat(folds.stream().flatMap(fold -> fold.rows().stream()))
                .containsExactlyElementsOf(chart.rows());
        assertThat(chart.folded("track-ivo", 3))
                .noneMatch(fold -> fold.title().endsWith(" tracks"));
        Chart wrong = Chart.of(scene("tales"));
        for (Chart.Fold fold : wrong.folded("", 3))
            assertThat(!fold.isFolded() || fold.rows().stream().allMatch(Chart.Row::isWell))
                    .isTrue();
    }
}
