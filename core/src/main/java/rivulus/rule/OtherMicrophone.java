package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.signal.Microphones;
import rivulus.signal.Node;
import rivulus.signal.SignalGraph;
import rivulus.signal.Strongest;
import rivulus.words.Severity;

/// Who has a microphone at their mouth and goes out, comes to a caller, or is kept by way of one
/// that stands much farther off: a computer's own, or a neighbour's. It sounds of the room, however
/// loud it is.
final class OtherMicrophone implements EndedByIdeas {
    /// So much softer does the other one hear them: at four times the distance ~.
    private static final double FARTHER_DB = 12;

    @Override
    public String id() {
        return "other-mic";
    }

    @Override
    public boolean isHarm(Finding finding) {
        return true;
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        SignalGraph graph = scene.tracer().live().graph();
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (cell.standing().wish() != Wish.MUST
                    || !counts(scene, cell.ear())
                    || scene.scene().quiet().contains(cell.source().id())
                    || cell.hearing().levelDb() < limits.get(Limit.FAINT)) continue;
            graph.microphones(cell.source().id())
                    .flatMap(all -> finding(scene, cell, all))
                    .ifPresent(findings::add);
        }
        return findings;
    }

    private static boolean counts(SceneProof scene, Ear ear) {
        return Soft.isByWire(ear) || Soft.isCallers(scene, ear);
    }

    private Optional<Finding.Draft> finding(
            SceneProof scene, SceneProof.Heard cell, Microphones all) {
        SignalGraph graph = scene.tracer().live().graph();
        Strongest strongest = scene.strongest(cell.source().id());
        int end = strongest.loudest(graph.ear(cell.ear().id()).nodes());
        if (end < 0) return Optional.empty();
        for (int node : strongest.to(end)) {
            Optional<Double> farther = all.fartherDb(node);
            if (farther.isEmpty()) continue;
            return farther.filter(db -> db >= FARTHER_DB)
                    .map(db -> finding(scene, cell, all.own(), node, db));
        }
        return Optional.empty();
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, int own, int other, double farther) {
        List<Node> nodes = scene.tracer().live().graph().nodes();
        return finding(
                        scene,
                        cell,
                        Severity.PROBLEM,
                        Verdict.AS_WISHED,
                        "%s hears %s by %s, not by %s"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        Names.of(cell.source()),
                                        named(nodes.get(other)),
                                        named(nodes.get(own))))
                .brief("another mic")
                .knobs(() -> picks(scene, cell))
                .figure("fartherDb", Math.rint(10 * farther) / 10)
                .because(() -> Rule.ways(scene, cell, "", 2));
    }

    /// "the built-in microphone of Stream tower", "Ivo's mic".
    private static String named(Node microphone) {
        return microphone.label().isEmpty()
                ? microphone.device()
                : "the %s of %s".formatted(microphone.label(), microphone.device());
    }

    /// What is picked on its way.
    private static List<Ref> picks(SceneProof scene, SceneProof.Heard cell) {
        LiveGraph live = scene.tracer().live();
        return Ways.of(live).strongest(cell.source().id(), cell.ear().id(), 1).all().stream()
                .flatMap(way -> way.knobs(live.graph()))
                .filter(use -> use.knob().role() == Knob.Role.DEVICE)
                .map(KnobUse::ref)
                .distinct()
                .toList();
    }

    @Override
    public List<Idea> leads(Finding finding, Workshop workshop) {
        return workshop.missingLeads();
    }
}
