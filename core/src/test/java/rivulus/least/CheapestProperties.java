package rivulus.least;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import org.sat4j.specs.TimeoutException;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.search.Budget;
import rivulus.show.Limit;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.SignalGraph;

/// The cheapest turns against trying every set of turns.
class CheapestProperties {
    private static final long STEPS = 1_000_000;
    private static final Show SHOW = Demo.lanternMended();
    private static final SignalGraph GRAPH = Compiler.compile(SHOW, Demo.PROVER.catalogue());

    /// Scenes that are asked about.
    private static final List<Integer> SCENES = List.of(0, 1);

    private static Dials dials() {
        return new Dials(SHOW, GRAPH, _ -> false, false, Scope.ANY);
    }

    /// Some knobs, one at least of which a scene has a setting of its own for.
    private static List<Integer> knobs(Random random, Dials dials) {
        List<Integer> own =
                IntStream.range(0, GRAPH.knobs().size())
                        .filter(k -> SCENES.stream().anyMatch(s -> dials.own(s, k).isPresent()))
                        .boxed()
                        .toList();
        Set<Integer> knobs = new LinkedHashSet<>();
        knobs.add(own.get(random.nextInt(own.size())));
        while (knobs.size() < 3) {
            int k = random.nextInt(GRAPH.knobs().size());
            if (dials.settings(k).size() > 1 && dials.settings(k).size() < 5) knobs.add(k);
        }
        return List.copyOf(knobs);
    }

    private static Must must(Random random, Dials dials, List<Integer> knobs, int number) {
        int scene = SCENES.get(random.nextInt(SCENES.size()));
        if (random.nextInt(3) == 0) return passage(random, dials, knobs, scene, "wish " + number);
        List<OneOf.Alternative> any = new ArrayList<>();
        for (int a = 0; a <= random.nextInt(3); a++) {
            List<List<Stand>> groups = groups(random, dials, knobs);
            if (!groups.isEmpty()) any.add(new OneOf.Alternative(groups));
        }
        return new OneOf(scene, "wish " + number, any);
    }

    private static List<List<Stand>> groups(Random random, Dials dials, List<Integer> knobs) {
        List<List<Stand>> groups = new ArrayList<>();
        for (int g = 0; g <= random.nextInt(2); g++) {
            int k = knobs.get(random.nextInt(knobs.size()));
            List<Stand> group = new ArrayList<>();
            for (Setting setting : dials.settings(k))
                if (random.nextBoolean()) group.add(new Stand(k, setting));
            if (!group.isEmpty()) groups.add(group);
        }
        return groups;
    }

    /// Without a way round.
    private static Passage passage(
            Random random, Dials dials, List<Integer> knobs, int scene, String about) {
        int nodes = 3 + random.nextInt(4);
        List<Passage.Step> steps = new ArrayList<>();
        for (int from = 0; from < nodes; from++)
            for (int to = from + 1; to < nodes; to++)
                if (random.nextInt(5) < 2)
                    steps.add(
                            new Passage.Step(
                                    from,
                                    to,
                                    new OneOf.Alternative(
                                            random.nextInt(4) == 0
                                                    ? List.of()
                                                    : groups(random, dials, knobs))));
        List<Integer> ends =
                random.nextBoolean() ? List.of(nodes - 1) : List.of(nodes - 2, nodes - 1);
        return new Passage(scene, about, List.of(0), ends, steps, nodes);
    }

    /// What a knob may be turned to, for the whole show and in each scene; nothing is to leave it.
    private static List<List<Turned>> ways(Dials dials, int knob) {
        List<List<Turned>> ways = new ArrayList<>(List.of(List.of()));
        for (int place : List.of(Turned.FOR_ALL, SCENES.get(0), SCENES.get(1))) {
            List<List<Turned>> more = new ArrayList<>();
            for (List<Turned> way : ways)
                for (Setting to : dials.settings(knob)) {
                    boolean stands =
                            place == Turned.FOR_ALL
                                    ? to.equals(dials.standing(knob))
                                    : dials.own(place, knob).filter(to::equals).isPresent();
                    if (stands) continue;
                    List<Turned> longer = new ArrayList<>(way);
                    longer.add(new Turned(place, knob, to));
                    more.add(longer);
                }
            ways.addAll(more);
        }
        return ways;
    }

    private static int cost(Dials dials, List<Turned> turned) {
        Set<Stand> efforts = new HashSet<>();
        Set<Integer> scenes = new HashSet<>();
        for (Turned t : turned) {
            efforts.add(new Stand(t.knob(), t.to()));
            if (!t.isForAll() && dials.own(t.scene(), t.knob()).isEmpty()) scenes.add(t.scene());
        }
        return scenes.size() + efforts.stream().mapToInt(dials::cost).sum();
    }

    private static Optional<Integer> byTryingAll(
            Dials dials, List<Integer> knobs, List<Must> musts) {
        Optional<Integer> best = Optional.empty();
        for (List<Turned> a : ways(dials, knobs.get(0)))
            for (List<Turned> b : ways(dials, knobs.get(1)))
                for (List<Turned> c : ways(dials, knobs.get(2))) {
                    List<Turned> all = new ArrayList<>(a);
                    all.addAll(b);
                    all.addAll(c);
                    int cost = cost(dials, all);
                    if (best.filter(least -> least <= cost).isPresent()) continue;
                    Choice choice = new Choice(List.of(), cost, all);
                    if (musts.stream().noneMatch(m -> m.isAgainst(choice, dials)))
                        best = Optional.of(cost);
                }
        return best;
    }

    @Example
    void whatStandsSoAlreadyCostsNothing() throws TimeoutException {
        Dials dials = dials();
        int own = knobs(new Random(1), dials).getFirst();
        int scene = dials.own(0, own).isPresent() ? 0 : 1;
        Stand stands = new Stand(own, dials.own(scene, own).orElseThrow());
        Cheapest cheapest = new Cheapest(dials);
        cheapest.must(new OneOf(scene, "as it is", List.of(OneOf.Alternative.of(stands))));
        assertThat(cheapest.next(Budget.of(STEPS)).orElseThrow().turned()).isEmpty();
        cheapest.inScenesToo();
        assertThat(cheapest.next(Budget.of(STEPS)).orElseThrow().turned()).isEmpty();
    }

    @Property(tries = 60, shrinking = ShrinkingMode.OFF)
    void nothingCheaperDoesWhatMustBe(@ForAll long seed) throws TimeoutException {
        Random random = new Random(seed);
        Dials dials = dials();
        List<Integer> knobs = knobs(random, dials);
        List<Must> musts =
                IntStream.rangeClosed(0, random.nextInt(5))
                        .mapToObj(n -> must(random, dials, knobs, n))
                        .toList();
        Cheapest cheapest = new Cheapest(dials);
        cheapest.inScenesToo();
        musts.forEach(cheapest::must);
        Optional<Choice> choice = cheapest.next(Budget.of(STEPS));
        Optional<Integer> least = byTryingAll(dials, knobs, musts);
        // what is found in scenes too begins at what they cost at the least
        assertThat(choice.map(c -> Math.max(c.cost(), Cheapest.LEAST_IN_SCENES)))
                .isEqualTo(least.map(c -> Math.max(c, Cheapest.LEAST_IN_SCENES)));
        choice.ifPresent(c -> assertThat(musts).noneMatch(must -> must.isAgainst(c, dials)));
        List<String> clash = cheapest.clash(Budget.of(STEPS));
        assertThat(clash.isEmpty()).isEqualTo(least.isPresent());
        for (String one : clash) {
            List<Must> without =
                    musts.stream()
                            .filter(m -> clash.contains(m.about()) && !m.about().equals(one))
                            .toList();
            assertThat(byTryingAll(dials, knobs, without)).as("without " + one).isPresent();
        }
    }

    @Property(tries = 30, shrinking = ShrinkingMode.OFF)
    void forTheWholeShowNothingCheaperDoesWhatMustBe(@ForAll long seed) throws TimeoutException {
        Random random = new Random(seed);
        Dials dials = dials();
        List<Integer> knobs = knobs(random, dials);
        List<Must> musts =
                IntStream.rangeClosed(0, random.nextInt(4))
                        .mapToObj(n -> must(random, dials, knobs, n))
                        .toList();
        Cheapest cheapest = new Cheapest(dials);
        musts.forEach(cheapest::must);
        Optional<Choice> choice = cheapest.next(Budget.of(STEPS));
        Optional<Integer> least = byTryingAll(dials, knobs, musts);
        choice.ifPresent(
                c -> {
                    assertThat(musts).noneMatch(must -> must.isAgainst(c, dials));
                    assertThat(c.cost()).isGreaterThanOrEqualTo(least.orElseThrow());
                });
        // what settings of scenes do cheaper is found once they are asked, too
        if (choice.isEmpty() || choice.get().cost() > least.orElseThrow())
            assertThat(least.map(c -> c >= Cheapest.LEAST_IN_SCENES).orElse(true)).isTrue();
    }

    @Property(tries = 20, shrinking = ShrinkingMode.OFF)
    void whatIsForbiddenIsNotFoundAgain(@ForAll long seed) throws TimeoutException {
        Random random = new Random(seed);
        Dials dials = dials();
        List<Integer> knobs = knobs(random, dials);
        Cheapest cheapest = new Cheapest(dials);
        cheapest.must(must(random, dials, knobs, 0));
        Set<List<Turned>> seen = new HashSet<>();
        int before = 0;
        for (int n = 0; n < 12; n++) {
            Optional<Choice> choice = cheapest.next(Budget.of(STEPS));
            if (choice.isEmpty() || choice.get().turned().isEmpty()) return;
            assertThat(seen.add(choice.get().turned())).isTrue();
            assertThat(choice.get().cost()).isGreaterThanOrEqualTo(before);
            before = choice.get().cost();
            cheapest.never(choice.get());
        }
    }

    /// What is told as a must never speaks against turns by which somebody hears.
    @Property(tries = 10, shrinking = ShrinkingMode.OFF)
    void whoeverIsHeardComesByAPassage(@ForAll long seed) {
        Random random = new Random(seed);
        Dials dials = dials();
        List<Turned> turned = new ArrayList<>();
        for (int n = 0; n <= random.nextInt(4); n++) {
            int k = random.nextInt(GRAPH.knobs().size());
            List<Setting> settings = dials.settings(k);
            Setting to = settings.get(random.nextInt(settings.size()));
            if (!to.equals(dials.standing(k)) && turned.stream().noneMatch(t -> t.knob() == k))
                turned.add(new Turned(Turned.FOR_ALL, k, to));
        }
        Choice choice =
                new Choice(turned.stream().map(dials::turn).toList(), cost(dials, turned), turned);
        Needs needs = new Needs(GRAPH, dials);
        Proof proof = Demo.PROVER.prove(SHOW.with(choice.turns()));
        double least = SHOW.checks().limits().get(Limit.HEARD);
        for (SceneProof scene : proof.scenes().subList(0, 2))
            for (SceneProof.Heard cell : scene.asked()) {
                if (cell.hearing().levelDb() < least) continue;
                int place = proof.sceneIds().indexOf(scene.scene().id());
                Passage passage =
                        needs.passage(place, "heard", cell.source().id(), cell.ear().id(), least);
                assertThat(passage.isAgainst(choice, dials))
                        .as("%s hears %s", cell.ear(), cell.source())
                        .isFalse();
            }
    }
}
