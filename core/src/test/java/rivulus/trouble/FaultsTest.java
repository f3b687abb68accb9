package rivulus.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.hearing.Tracer;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;

/// Which faults are tried at all.
class FaultsTest {
    private static final int EVERY = 5;

    static List<String> evenings() {
        return Demo.some(DemoShows.all().keySet());
    }

    /// A knob that is said to change nothing that anybody hears is turned, and nobody does.
    @ParameterizedTest
    @MethodSource("evenings")
    void whatIsNotTriedIsNotHeard(String name) {
        SceneProof scene = Demo.PROVER.prove(Demo.show(name)).fullest();
        LiveGraph live = scene.tracer().live();
        List<KnobUse> knobs = live.graph().knobs();
        int left = 0;
        for (int k = 0; k < knobs.size(); k++)
            for (Setting other : knobs.get(k).knob().others(live.positions().get(k))) {
                if (live.mayBeHeard(k, other) || left++ % EVERY != 0) continue;
                Tracer turned = Tracer.of(live.at(live.positions().with(k, other)));
                for (SceneProof.Heard cell : scene.all()) {
                    double db = turned.hearing(cell.ear().id(), cell.source().id()).levelDb();
                    if (db == cell.hearing().levelDb()) continue;
                    assertThat(db)
                            .as("%s %s", knobs.get(k).words(), other)
                            .isCloseTo(cell.hearing().levelDb(), within(1e-6));
                }
            }
    }

    @Test
    void ofTooManyTheLikeliestAreTriedInTheirOrder() {
        Proof proof = Demo.PROVER.prove(Demo.show(DemoShows.LANTERN_HOUR));
        List<Broken> all = Faults.of(Demo.PROVER, proof, proof.fullest());
        assertThat(Field.likeliest(all, 2_000)).isEqualTo(all);
        List<Broken> some = Field.likeliest(all, 200_000);
        assertThat(some).hasSize(60).allMatch(Broken::isPairable);
        assertThat(all).containsSubsequence(some);
        double least = some.stream().mapToDouble(FaultsTest::weight).min().orElseThrow();
        List<Broken> left = new ArrayList<>(all);
        left.removeAll(some);
        assertThat(left)
                .filteredOn(Broken::isPairable)
                .allSatisfy(one -> assertThat(weight(one)).isLessThanOrEqualTo(least));
    }

    @Test
    void aSearchThatLooksAtAllSaysNothingOfMore() {
        Proof proof = Demo.PROVER.prove(Demo.show(DemoShows.LANTERN_HOUR));
        Diagnosis search =
                Diagnosis.of(Demo.PROVER, proof, proof.fullest().scene().id(), () -> false);
        assertThat(search.leftOut()).isZero();
        assertThat(search.words()).doesNotContain("not looked at");
    }

    private static double weight(Broken one) {
        return one.faults().getFirst().weight();
    }
}
