package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.hearing.Loop;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Sound that goes round and howls, or is near to it.
final class Looping implements Rule {
    /// Less than this is not worth a figure.
    private static final double HARDLY_DB = 0.1;

    @Override
    public String id() {
        return "loop";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return limits.get(Limit.LOOP_MARGIN) - finding.figures().get("marginDb");
    }

    @Override
    public String wish(Finding finding, Show show) {
        return "no sound goes round and howls";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Set<List<Integer>> told = new HashSet<>();
        for (Loop loop : scene.tracer().loops()) {
            // both sides of a stereo loop are one loop, told by the nearer
            boolean other = told.add(loop.legs().stream().map(Leg::index).sorted().toList());
            if (other && loop.marginDb() < limits.get(Limit.LOOP_MARGIN))
                findings.add(finding(scene, loop));
        }
        return findings;
    }

    private Finding.Draft finding(SceneProof scene, Loop loop) {
        String round = loop.isAcoustic() ? "through the room" : "by wire";
        String headline =
                Math.abs(loop.marginDb()) < HARDLY_DB
                        ? "Sound goes round %s and %s"
                                .formatted(
                                        round, loop.isStable() ? "is about to howl" : "howls, just")
                        : loop.isStable()
                                ? "Sound goes round %s with only %s to spare"
                                        .formatted(round, Words.db(loop.marginDb()))
                                : "Sound goes round %s and howls, %s over"
                                        .formatted(round, Words.db(-loop.marginDb()));
        Severity severity = loop.isStable() ? Severity.CAUTION : Severity.DANGER;
        return finding(severity, headline)
                .in(scene, scene.tracer().live())
                .about(loop.legs().getFirst().from().toString())
                .figure("marginDb", loop.marginDb())
                .figure("worstHz", loop.worstHz())
                .because(() -> why(scene, loop));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().quieters(finding);
    }

    private static Finding.Evidence why(SceneProof scene, Loop loop) {
        String cut =
                loop.knobbed()
                        .map(leg -> knobOf(scene, leg).words() + " turns it down")
                        .orElse("no single knob turns it down");
        return new Finding.Evidence(cut, loop.way().stream().toList());
    }

    private static KnobUse knobOf(SceneProof scene, Leg leg) {
        List<KnobUse> knobs =
                leg.governors().stream()
                        .map(govern -> scene.tracer().live().graph().knobs().get(govern.knob()))
                        .toList();
        return knobs.stream()
                .filter(use -> use.knob().role() != Knob.Role.PERMISSION)
                .reduce((_, last) -> last)
                .orElse(knobs.getLast());
    }
}
