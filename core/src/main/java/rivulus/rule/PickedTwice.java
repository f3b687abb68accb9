package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;
import rivulus.words.Severity;

/// One and the same thing picked twice by one program, by name or by a default, and mixed together
/// again: 6 dB too much of it, or a comb.
final class PickedTwice implements EndedByIdeas {
    @Override
    public String id() {
        return "picked-twice";
    }

    @Override
    public boolean isHarm(Finding finding) {
        return true;
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        LiveGraph live = scene.tracer().live();
        List<Finding.Draft> findings = new ArrayList<>();
        for (List<Leg> picks : live.graph().pickedTogether()) {
            Leg first = null;
            for (Leg leg : picks) {
                if (live.legGain(leg.index()) == 0) continue;
                if (first != null) together(scene, first, leg, limits, findings);
                else first = leg;
            }
        }
        return findings;
    }

    private void together(
            SceneProof scene, Leg one, Leg other, Limits limits, List<Finding.Draft> findings) {
        LiveGraph live = scene.tracer().live();
        if (one.to().equals(other.to())) return;
        Set<String> behind = live.earsBehind(one.to());
        behind.retainAll(live.earsBehind(other.to()));
        for (Ear ear : scene.show().ears())
            if (behind.contains(ear.id()) && (Soft.isByWire(ear) || Soft.isCallers(scene, ear)))
                heard(scene, ear, one.from(), limits)
                        .map(cell -> finding(scene, cell, one, other))
                        .ifPresent(findings::add);
    }

    /// What an ear is to hear and does, and that comes to where it is picked.
    private static Optional<SceneProof.Heard> heard(
            SceneProof scene, Ear ear, Ref from, Limits limits) {
        LiveGraph live = scene.tracer().live();
        int node = live.graph().nodesOf(from)[0];
        return scene.of(ear.id()).stream()
                .filter(cell -> cell.standing().wish() == Wish.MUST)
                .filter(cell -> cell.hearing().levelDb() >= limits.get(Limit.HEARD))
                .filter(cell -> live.gainsDb(cell.source().id())[node] > limits.get(Limit.HEARD))
                .findFirst();
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Heard cell, Leg one, Leg other) {
        Node first = node(scene, one.to());
        return finding(
                        Severity.PROBLEM,
                        "%s hears %s twice over: %s and %s of %s both take it"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        node(scene, one.from()).words(),
                                        first.label(),
                                        node(scene, other.to()).label(),
                                        first.device()))
                .in(scene, scene.tracer().live())
                .heard(cell.ear())
                .about(other.to().toString())
                .knobs(() -> knobs(scene, List.of(other, one)))
                .brief("twice over")
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> Rule.ways(scene, cell, "", 2));
    }

    /// The picker's own words, which may stand one point ahead of what it is picked for.
    private static Node node(SceneProof scene, Ref point) {
        var graph = scene.tracer().live().graph();
        Node node = graph.nodes().get(graph.nodesOf(point)[0]);
        if (!node.label().isEmpty()) return node;
        return graph.legsFrom(point).stream()
                .map(leg -> graph.nodes().get(graph.nodesOf(leg.to())[0]))
                .findFirst()
                .orElse(node);
    }

    private static List<Ref> knobs(SceneProof scene, List<Leg> legs) {
        return legs.stream()
                .flatMap(leg -> leg.governors().stream())
                .map(govern -> scene.tracer().live().graph().knobs().get(govern.knob()))
                .filter(use -> use.knob().role() == Knob.Role.DEVICE)
                .map(KnobUse::ref)
                .distinct()
                .toList();
    }
}
