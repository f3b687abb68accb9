package rivulus.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.disk.Extras;
import rivulus.file.DemoShows;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Setting;
import rivulus.show.Cable;
import rivulus.show.Day;
import rivulus.show.Device;
import rivulus.show.Moment;
import rivulus.show.Now;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Tick;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

class SetUpTest {
    static List<String> evenings() {
        return List.copyOf(DemoShows.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void aRigSetAsTheListSaysAndNothingElseIsThePlannedOne(String name) {
        Show plan = Demo.show(name);
        Proof proof = Demo.PROVER.prove(plan);
        SetUp list = SetUp.of(proof);
        Show fresh = done(plan, list);
        assertThat(fresh.rig().devices())
                .extracting(Device::id)
                .containsExactlyInAnyOrderElementsOf(
                        plan.rig().devices().stream().map(Device::id).toList());
        assertThat(fresh.rig().cables()).containsExactlyInAnyOrderElementsOf(plan.rig().cables());
        Rig inOrder =
                fresh.rig()
                        .with(
                                plan.rig().devices().stream()
                                        .map(d -> fresh.rig().device(d.id()).orElseThrow())
                                        .toList(),
                                plan.rig().cables());
        isAlike(live(proof), live(Demo.PROVER.prove(fresh.withRig(inOrder))));
    }

    /// Gear that was left any way, set by the list for that and nothing else, is the planned rig.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void aRigThatWasLeftOtherwiseIsSetByTheListForThat(long seed) {
        Random random = new Random(seed);
        Show plan = Demo.lanternMended();
        Proof proof = Demo.PROVER.prove(plan);
        Show left = plan;
        for (KnobUse use : proof.graph().knobs()) {
            List<Setting> ways = use.knob().others(use.knob().standing());
            boolean turned = use.knob().role() != Knob.Role.FACT && random.nextInt(3) == 0;
            if (turned && !ways.isEmpty())
                left = left.withKnob(use.ref(), ways.get(random.nextInt(ways.size())));
        }
        Profile was = Profile.of("left", "As left", left);
        Show set = left;
        for (Step step : SetUp.of(proof, Optional.of(was)).steps())
            if (step.act() instanceof Act.Set(List<Turn> turns))
                for (Turn turn : turns) set = set.withKnob(turn.knob(), turn.to());
        isAlike(live(proof), live(Demo.PROVER.prove(withoutOwnKnobs(set))));
    }

    /// The first scene has no settings of its own: what the list sets is all there is.
    private static Show withoutOwnKnobs(Show show) {
        return show.withScene(
                show.scenes().getFirst().id(),
                s ->
                        new Scene(
                                s.id(),
                                s.name(),
                                s.quiet(),
                                s.minutes(),
                                new LinkedHashMap<>(),
                                s.extras()));
    }

    /// An empty room, after every step of the list in its order; what a step does is what it says.
    private static Show done(Show plan, SetUp list) {
        Map<String, Device> there = new LinkedHashMap<>();
        List<Cable> laid = new ArrayList<>();
        var graph = Demo.PROVER.prove(plan).graph();
        for (Step step : list.steps())
            switch (step.act()) {
                case Act.Place(Device bare) -> {
                    assertThat(step.what()).contains(bare.name());
                    there.put(bare.id(), bare);
                }
                case Act.Lay(Cable lead) -> {
                    assertThat(there).containsKeys(lead.from().device(), lead.to().device());
                    laid.add(lead);
                }
                case Act.Set(List<Turn> turns) -> {
                    for (Turn turn : turns) {
                        KnobUse use = graph.knob(turn.knob()).orElseThrow();
                        assertThat(step.what())
                                .contains(use.knob().label() + " to " + use.say(turn.to()));
                        there.compute(
                                turn.knob().device(),
                                (_, device) -> device.withKnob(turn.knob().name(), turn.to()));
                    }
                }
                case Act.Pair(String desk, Link link) ->
                        there.compute(
                                desk,
                                (_, device) ->
                                        device.withLayout(
                                                device.layout().withLinks(List.of(link.first()))));
                case Act.Nothing() -> {}
            }
        Show bare = withoutOwnKnobs(plan);
        return bare.withRig(plan.rig().with(List.copyOf(there.values()), laid));
    }

    private static LiveGraph live(Proof proof) {
        return proof.scenes().getFirst().tracer().live();
    }

    private static void isAlike(LiveGraph plan, LiveGraph set) {
        for (Leg leg : plan.graph().legs()) {
            double gain = plan.legGain(leg.index());
            assertThat(set.legGain(leg.index()))
                    .as(leg.toString())
                    .isCloseTo(gain, within(1e-9 + 1e-9 * gain));
            assertThat(set.legDelay(set.graph().legs().get(leg.index())).ms())
                    .isCloseTo(plan.legDelay(leg).ms(), within(1e-6));
        }
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void stepsComeInTheOrderInWhichTheyAreDoneAndEachOnce(String name) {
        Set<String> done = new HashSet<>();
        Part part = Part.QUIET;
        for (Step step : SetUp.of(Demo.PROVER.prove(Demo.show(name))).steps()) {
            assertThat(step.part()).as(step.what()).isGreaterThanOrEqualTo(part);
            part = step.part();
            assertThat(done).as(step.what()).containsAll(step.after());
            assertThat(done.add(step.id())).as(step.id()).isTrue();
        }
    }

    @Test
    void loudspeakersAreLastAndPhantomComesAfterItsLeads() {
        SetUp list = SetUp.of(Demo.PROVER.prove(Demo.lanternMended()));
        assertThat(list.steps().getFirst().part()).isEqualTo(Part.QUIET);
        assertThat(list.steps().getLast().what()).startsWith("House loudspeakers: on, and up");
    }

    private static final Moment NOW = Now.by(LocalDateTime.of(2026, 12, 1, 18, 0)).moment();

    private static Day ticked(Day day, Step step, Tick.How how, String why) {
        return day.with(new Tick(step.id(), how, why, NOW, step.what(), Extras.NONE));
    }

    @Test
    void whatDependsOnAFailedStepIsHeldBackAndWhatIsSkippedHoldsNothing() {
        SetUp list = SetUp.of(Demo.PROVER.prove(Demo.lanternMended()));
        Day day = Day.AHEAD;
        for (Step step : list.steps())
            if (step.part() == Part.PLACE) day = ticked(day, step, Tick.How.DONE, "");
        Step lead = list.step("lead/c13").orElseThrow();
        Progress failed = Progress.of(list, ticked(day, lead, Tick.How.FAILED, "no light"));
        assertThat(at(failed, "set/call/hears").standing()).isEqualTo(Progress.Standing.WAITS);
        assertThat(at(failed, "set/call/hears").words()).startsWith("waits for: ");
        for (Step step : list.steps())
            if (step.part() == Part.LEADS || step.id().startsWith("place/"))
                day = ticked(day, step, Tick.How.DONE, "");
        Progress skipped =
                Progress.of(list, ticked(day, lead, Tick.How.SKIPPED, "stays in overnight"));
        assertThat(at(skipped, "set/call/hears").standing()).isEqualTo(Progress.Standing.OPEN);
    }

    private static Progress.At at(Progress progress, String id) {
        return progress.steps().stream()
                .filter(at -> at.step().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aTickedStepThatThePlanChangedIsOpenAgain() {
        Show plan = Demo.lanternMended();
        SetUp list = SetUp.of(Demo.PROVER.prove(plan));
        Day day = Day.AHEAD;
        for (Step step : list.steps()) day = ticked(day, step, Tick.How.DONE, "");
        assertThat(Progress.of(list, day).isOver()).isTrue();
        Show changed = plan.withKnob(Ref.of("house-speakers/volume"), new Setting.Level(-9));
        Progress after = Progress.of(SetUp.of(Demo.PROVER.prove(changed)), day);
        Progress.At open = after.next().orElseThrow();
        assertThat(open.step().id()).isEqualTo("set/house-speakers/volume");
        assertThat(open.standing()).isEqualTo(Progress.Standing.CHANGED);
        assertThat(open.words()).contains("volume to −6.0");
    }

    /// Two steps of the same length, the second after the first or not, by hand.
    @Test
    void twoPairsOfHandsShareWhatDoesNotWaitForEachOther() {
        Step a = step("a", "", 4, List.of());
        Step b = step("b", "", 3, List.of());
        Step c = step("c", "", 2, List.of("a"));
        Step afar = step("d", "Nadia", 5, List.of());
        Progress all = Progress.of(new SetUp(List.of(a, b, c, afar)), Day.AHEAD);
        assertThat(all.minutesLeft(1)).isEqualTo(9);
        assertThat(all.minutesLeft(2)).isEqualTo(6);
        assertThat(all.minutesLeft(5)).isEqualTo(6);
        assertThat(all.clock(Optional.of(34.0), 2))
                .isEqualTo(
                        "34%smin to air, about 6%smin of work left for two pairs of hands"
                                .formatted(Words.THIN, Words.THIN));
    }

    private static Step step(String id, String who, double minutes, List<String> after) {
        return new Step(id, Part.LEADS, "", "", who, id, "", minutes, after, new Act.Nothing());
    }
}
