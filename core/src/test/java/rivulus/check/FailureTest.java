package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.file.DemoShows;
import rivulus.hearing.Tracer;
import rivulus.leads.LeadReport;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.signal.LiveGraph;

class FailureTest {
    private final Proof lantern = Demo.PROVER.prove(Demo.show("lantern-hour"));

    private Failure failure(String scene, String device) {
        return Failure.of(
                lantern.scene(scene).orElseThrow(),
                lantern.show().rig().device(device).orElseThrow());
    }

    private static List<String> lost(Failure failure, String ear) {
        return failure.losses().all().stream()
                .filter(loss -> loss.ear().id().equals(ear))
                .flatMap(loss -> loss.lost().stream())
                .map(Source::id)
                .toList();
    }

    @Test
    void aMicrophoneTakesItsTalkerAlongForEverybodyAfar() {
        Failure failure = failure("tales", "maren-mic");
        assertThat(lost(failure, "nadia")).containsExactly("maren");
        assertThat(lost(failure, "stream")).containsExactly("maren");
        assertThat(failure.words()).startsWith("Without Maren's mic, ").contains("Maren");
    }

    @Test
    void aComputerTakesItsProgramsAlong() {
        Failure failure = failure("tales", "cue-laptop");
        assertThat(lost(failure, "nadia")).contains("maren", "ivo");
        assertThat(failure.losses().all())
                .anyMatch(loss -> loss.ear().id().equals("nadia") && loss.everything());
    }

    @Test
    void earsThatLoseTheSameAreToldTogether() {
        assertThat(failure("tales", "nadia-headset").words())
                .isEqualTo(
                        "Without Nadia's headset, Nadia and Nadia's track go silent; Maren, Ivo, Bram, Sunniva, Teo, the stream, the on-demand copy, the house and the assistive feed no longer hear Nadia.");
    }

    @Test
    void theDeskIsASinglePointOfFailure() {
        Failure failure = failure("tales", "desk");
        assertThat(failure.losses().all()).hasSizeGreaterThan(6);
        assertThat(failure.words()).contains("go silent");
    }

    @Test
    void whatNobodyDependsOnIsMissedByNobody() {
        assertThat(failure("tales", "wire-isolator").words())
                .isEqualTo("Without Isolator everybody still hears whom they must.");
    }

    static List<String> evenings() {
        return List.copyOf(DemoShows.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void nobodyIsSaidToLoseWhatTheyDidNotHear(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        SceneProof scene = proof.scenes().getFirst();
        for (Device device : proof.show().rig().devices()) {
            Failure failure = Failure.of(scene, device);
            assertThat(failure.words()).endsWith(".").doesNotContain("null");
            for (Losses.Loss loss : failure.losses().all()) {
                for (Source source : loss.lost())
                    assertThat(scene.of(loss.ear().id(), source.id()).hearing().isHeard()).isTrue();
            }
        }
    }

    /// Only those are asked whose strongest way passes what is gone: nobody is forgotten by that.
    @ParameterizedTest
    @MethodSource("evenings")
    void whoLosesWhomIsAsWhenEverybodyIsAsked(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        SceneProof scene = proof.fullest();
        LiveGraph live = scene.tracer().live();
        for (Device device : proof.show().rig().devices()) {
            LiveGraph without = live.withoutDevices(Set.of(device.id()));
            assertThat(lost(scene.losses(without))).isEqualTo(lost(scene, Tracer.of(without)));
        }
        for (LeadReport lead : proof.survey().leads()) {
            LiveGraph without = live.without(proof.survey().through(lead, live.graph()));
            assertThat(lost(scene.losses(without))).isEqualTo(lost(scene, Tracer.of(without)));
        }
    }

    private static Set<String> lost(Losses losses) {
        Set<String> lost = new TreeSet<>();
        for (Losses.Loss loss : losses.all())
            for (Source source : loss.lost()) lost.add(loss.ear().id() + " " + source.id());
        return lost;
    }

    private static Set<String> lost(SceneProof scene, Tracer then) {
        Set<String> lost = new TreeSet<>();
        double least = scene.limit(Limit.HEARD);
        for (SceneProof.Heard cell : scene.all())
            if (cell.standing().wish() == Wish.MUST
                    && cell.hearing().levelDb() >= least
                    && then.hearing(cell.ear().id(), cell.source().id()).levelDb() < least)
                lost.add(cell.ear().id() + " " + cell.source().id());
        return lost;
    }
}
