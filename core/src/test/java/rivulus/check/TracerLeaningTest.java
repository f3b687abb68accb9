package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.gear.Setting;
import rivulus.hearing.Hearing;
import rivulus.hearing.Tracer;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// A tracer that leans on others says what one from nothing says.
class TracerLeaningTest {
    private static LiveGraph live(Proof proof, String scene) {
        return proof.scene(scene).orElseThrow().tracer().live();
    }

    private static void sayTheSame(Tracer one, Tracer other) {
        SignalGraph graph = one.live().graph();
        for (String source : graph.sources().keySet()) {
            List<Hearing> here = one.hearings(source);
            List<Hearing> there = other.hearings(source);
            for (int e = 0; e < here.size(); e++) {
                assertThat(here.get(e).isHeard()).isEqualTo(there.get(e).isHeard());
                if (here.get(e).isHeard())
                    assertThat(here.get(e).levelDb())
                            .as("%s at %s", source, here.get(e).ear())
                            .isCloseTo(there.get(e).levelDb(), within(1e-6));
                assertThat(here.get(e).soundsLike(there.get(e))).isTrue();
            }
        }
    }

    private static Positions turned(LiveGraph live, Random random, int knobs) {
        Positions positions = live.positions();
        List<KnobUse> all = live.graph().knobs();
        for (int i = 0; i < knobs; i++) {
            int knob = random.nextInt(all.size());
            List<Setting> others =
                    new ArrayList<>(all.get(knob).knob().others(positions.get(knob)));
            if (!others.isEmpty())
                positions = positions.with(knob, others.get(random.nextInt(others.size())));
        }
        return positions;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void afterRandomTurnsOfKnobs(long seed) {
        Random random = new Random(seed);
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        LiveGraph first = live(proof, "tales");
        Tracer one = Tracer.of(first);
        LiveGraph near = first.at(turned(first, random, 1));
        Tracer two = Tracer.after(near, List.of(one));
        LiveGraph far = near.at(turned(near, random, 4));
        Tracer leaning = Tracer.after(far, List.of(one, two));
        sayTheSame(leaning, Tracer.of(LiveGraph.of(far.graph(), far.positions())));
    }

    @Test
    void theNearestIsLeanedOnAndWhatCannotHaveChangedIsTheVerySame() {
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        LiveGraph tales = live(proof, "tales");
        Tracer before = Tracer.of(tales);
        int knob = tales.graph().knobIndex("small-recorder", "level");
        Positions louder = tales.positions().with(knob, new Setting.Level(6));
        Tracer after = Tracer.after(tales.at(louder), List.of(before));
        assertThat(after.hearing("nadia", "maren")).isSameAs(before.hearing("nadia", "maren"));
        assertThat(after.hearing("on-demand", "maren"))
                .isNotSameAs(before.hearing("on-demand", "maren"));
        assertThat(after.hearing("on-demand", "maren").levelDb())
                .isCloseTo(before.hearing("on-demand", "maren").levelDb() + 6, within(1e-6));
    }

    @Test
    void whoeverIsNotThereIsSaidSo() {
        Tracer tracer = Tracer.of(live(Demo.PROVER.prove(Demo.show("lantern-hour")), "tales"));
        assertThatThrownBy(() -> tracer.hearing("nobody", "maren"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("nobody");
        assertThatThrownBy(() -> tracer.hearings("silence"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("silence");
    }

    @Test
    void statesOfTwoGraphsAreNotCompared() {
        LiveGraph one = live(Demo.PROVER.prove(Demo.show("lantern-hour")), "tales");
        Proof cafe = Demo.PROVER.prove(Demo.show("language-cafe"));
        LiveGraph other = cafe.scenes().getFirst().tracer().live();
        assertThatThrownBy(() -> Tracer.after(one, List.of(Tracer.of(other))))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
