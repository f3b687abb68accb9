package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.signal.Node;
import rivulus.words.Severity;

/// A stream that takes a copy of the house mix where somebody wants a mix of its own, or the other
/// way round. Told only where somebody said which.
///
/// It is a copy where all that both hear passes one point on the way to both.
final class StreamMix implements Rule {
    private static final int LEAST_SOURCES = 2;

    @Override
    public String id() {
        return "stream-mix";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Optional<Habit.Way> said = scene.show().habits().of(Habit.STREAM_MIX);
        if (said.isEmpty()) return findings;
        boolean wanted = said.get().word().equals("house");
        List<Ear> houses = of(scene, Ear.Kind.HOUSE);
        for (Ear stream : of(scene, Ear.Kind.STREAM))
            for (Ear house : houses) {
                List<String> both = heardByBoth(scene, stream, house, limits);
                if (both.size() < LEAST_SOURCES) continue;
                Optional<Node> shared = shared(scene, stream, house, both);
                if (shared.isPresent() == wanted) continue;
                String headline =
                        shared.map(
                                        at ->
                                                "%s takes a copy of the house mix, at %s"
                                                        .formatted(
                                                                Names.subject(stream), at.words()))
                                .orElseGet(
                                        () ->
                                                Names.subject(stream)
                                                        + " has a mix of its own, not a copy of the house mix");
                findings.add(
                        finding(Severity.NOTE, headline)
                                .in(scene, scene.tracer().live())
                                .about(stream.id() + "-" + house.id()));
            }
        return findings;
    }

    private static List<Ear> of(SceneProof scene, Ear.Kind kind) {
        return scene.show().ears().stream().filter(ear -> ear.kind() == kind).toList();
    }

    private static List<String> heardByBoth(
            SceneProof scene, Ear stream, Ear house, Limits limits) {
        double least = limits.get(Limit.HEARD);
        return scene.show().sources().stream()
                .map(Source::id)
                .filter(id -> scene.of(stream.id(), id).hearing().levelDb() >= least)
                .filter(id -> scene.of(house.id(), id).hearing().levelDb() >= least)
                .toList();
    }

    /// The last point that everything passes on the way to the one as to the other.
    private static Optional<Node> shared(
            SceneProof scene, Ear stream, Ear house, List<String> sources) {
        Set<Node> common = null;
        List<Node> order = List.of();
        for (Ear ear : List.of(stream, house))
            for (String source : sources) {
                order = passed(scene, source, ear);
                if (common == null) common = new HashSet<>(order);
                common.retainAll(order);
            }
        Set<Node> left = common == null ? Set.of() : common;
        return order.reversed().stream().filter(left::contains).findFirst();
    }

    private static List<Node> passed(SceneProof scene, String source, Ear ear) {
        return Ways.of(scene.tracer().live()).strongest(source, ear.id(), 1).stream()
                .flatMap(way -> way.steps().stream())
                .map(Way.Step::to)
                .toList();
    }
}
