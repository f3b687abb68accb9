package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Opening;
import rivulus.hearing.Openings;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.rule.Rules;
import rivulus.show.Limit;
import rivulus.show.Show;
import rivulus.signal.KnobUse;

/// Knobs of the demo show turned at random.
class ProverProperties {
    private static final Show MENDED = Demo.lanternMended();
    private static final Proof PROVEN = Demo.PROVER.prove(MENDED);

    /// A few random turns of knobs that matter, in the base or in a scene.
    private static Show turned(Random random, int turns) {
        Show show = MENDED;
        List<KnobUse> knobs = PROVEN.graph().knobs();
        for (int i = 0; i < turns; i++) {
            KnobUse use = knobs.get(random.nextInt(knobs.size()));
            Setting to = anySetting(use.knob(), random);
            String scene = show.scenes().get(random.nextInt(show.scenes().size())).id();
            if (random.nextBoolean()) show = show.withKnob(use.ref(), to);
            else show = show.withScene(scene, s -> s.withKnob(use.ref(), to));
        }
        return show;
    }

    private static Setting anySetting(Knob knob, Random random) {
        return switch (knob) {
            case Knob.Level level ->
                    random.nextInt(3) == 0 && level.closes()
                            ? Setting.Level.OFF
                            : new Setting.Level(
                                    level.minDb()
                                            + random.nextDouble()
                                                    * (level.maxDb() - level.minDb()));
            case Knob.Time time ->
                    new Setting.Time(
                            time.minMs() + random.nextDouble() * (time.maxMs() - time.minMs()));
            case Knob.Switch _ -> new Setting.Switch(random.nextBoolean());
            case Knob.Choice choice ->
                    new Setting.Choice(
                            choice.options().get(random.nextInt(choice.options().size())).id());
        };
    }

    @Property(tries = 60, shrinking = ShrinkingMode.OFF)
    void aProofThatLeansOnAnEarlierOneIsTheSameAsOneFromNothing(@ForAll long seed) {
        Random random = new Random(seed);
        Show first = turned(random, 3);
        Show second = turned(random, 2);
        Proof leaning = Demo.PROVER.prove(second, Demo.PROVER.prove(first, PROVEN));
        Proof fresh = Demo.PROVER.prove(second);
        for (SceneProof scene : fresh.scenes()) {
            SceneProof other = leaning.scene(scene.scene().id()).orElseThrow();
            for (SceneProof.Heard cell : scene.all()) {
                var again = other.of(cell.ear().id(), cell.source().id());
                assertThat(again.standing()).isEqualTo(cell.standing());
                assertThat(again.hearing().isHeard()).isEqualTo(cell.hearing().isHeard());
                if (cell.hearing().isHeard()) {
                    assertThat(again.hearing().levelDb())
                            .as("%s hears %s", cell.ear().id(), cell.source().id())
                            .isCloseTo(cell.hearing().levelDb(), within(1e-6));
                }
            }
        }
        assertThat(keys(leaning)).isEqualTo(keys(fresh));
    }

    private static Set<Finding.Key> keys(Proof proof) {
        return proof.findings().stream().map(Finding::key).collect(Collectors.toSet());
    }

    /// What is wrong, each once however it is told.
    private static Map<Finding.Key, Finding> troubles(Proof proof) {
        Map<Finding.Key, Finding> troubles = new HashMap<>();
        for (Finding finding : proof.findings())
            troubles.putIfAbsent(Rules.of(finding).harm(finding), finding);
        return troubles;
    }

    @Property(tries = 40, shrinking = ShrinkingMode.OFF)
    void whatIsOfferedAsACureCuresAndCausesNothingElse(@ForAll long seed) {
        Show wrong = turned(new Random(seed), 1);
        Proof proof = Demo.PROVER.prove(wrong, PROVEN);
        for (Trouble trouble : Trouble.of(proof).stream().limit(2).toList()) {
            for (Remedy cure : Remedies.of(Demo.PROVER, proof, trouble, 2).all()) {
                Proof after = Demo.PROVER.prove(cure.change().after());
                assertThat(keys(after))
                        .doesNotContainAnyElementsOf(
                                trouble.findings().stream().map(Finding::key).toList());
                Map<Finding.Key, Finding> left = troubles(after);
                left.keySet().removeAll(troubles(proof).keySet());
                // what is turned in one scene alone moves in the show, and wants a hand nearer
                if (cure.turns().stream().anyMatch(turn -> turn.scene().isPresent()))
                    left.values().removeIf(finding -> finding.rule().equals("desk"));
                // what is no harm is told with the cure
                left.values()
                        .removeIf(
                                finding ->
                                        !Rules.of(finding).isHarm(finding)
                                                && !finding.rule().equals(trouble.first().rule())
                                                && cure.price().contains(finding.headline()));
                assertThat(left).as(cure.sentence()).isEmpty();
            }
        }
    }

    @Property(tries = 40, shrinking = ShrinkingMode.OFF)
    void theNearestOpeningLetsAMissingSourceBeHeard(@ForAll long seed) {
        Proof proof = Demo.PROVER.prove(turned(new Random(seed), 2), PROVEN);
        SceneProof scene = proof.scenes().getFirst();
        var live = scene.tracer().live();
        scene.all().stream()
                .filter(cell -> !cell.hearing().isHeard())
                .limit(8)
                .forEach(
                        cell -> {
                            String source = cell.source().id();
                            String ear = cell.ear().id();
                            for (Opening opening :
                                    Openings.of(live.graph(), live.positions(), Limit.HEARD.usual())
                                            .nearest(source, ear, 1)
                                            .all()) {
                                Show opened = proof.show();
                                for (Opening.KnobTurn turn : opening.turns()) {
                                    opened =
                                            opened.withScene(
                                                    scene.scene().id(),
                                                    s -> s.withKnob(turn.knob().ref(), turn.to()));
                                }
                                Proof after = Demo.PROVER.prove(opened, proof);
                                assertThat(
                                                after.scene(scene.scene().id())
                                                        .orElseThrow()
                                                        .of(ear, source)
                                                        .hearing()
                                                        .levelDb())
                                        .as("%s to %s by %s", source, ear, opening.turns())
                                        .isGreaterThan(-40);
                            }
                        });
    }
}
