package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.gear.Knob;
import rivulus.hearing.Loop;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.words.Words;

/// Sound that goes round and howls, or is near to it.
final class Looping implements Check {
    @Override
    public String id() {
        return "loop";
    }

    @Override
    public List<Finding> findings(SceneProof scene, Limits limits) {
        List<Finding> findings = new ArrayList<>();
        for (Loop loop : scene.tracer().loops()) {
            if (loop.marginDb() < limits.loopDb()) findings.add(finding(scene, loop));
        }
        return findings;
    }

    private Finding finding(SceneProof scene, Loop loop) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("marginDb", loop.marginDb());
        figures.put("worstHz", loop.worstHz());
        String round = loop.isAcoustic() ? "through the room" : "by wire";
        String headline =
                loop.isStable()
                        ? "Sound goes round %s with only %s to spare"
                                .formatted(round, Words.db(loop.marginDb()))
                        : "Sound goes round %s and howls, %s over"
                                .formatted(round, Words.db(-loop.marginDb()));
        Severity severity = loop.isStable() ? Severity.CAUTION : Severity.DANGER;
        String about = loop.legs().getFirst().from().toString();
        var key = new Finding.Key(id(), scene.scene().id(), "", "", about);
        return new Finding(
                key,
                severity,
                Verdict.DOUBLED,
                headline,
                figures,
                scene.tracer().live(),
                () -> why(scene, loop));
    }

    private static Finding.Evidence why(SceneProof scene, Loop loop) {
        String cut =
                loop.weakestCut()
                        .map(leg -> "it is weakest at " + knobOf(scene, leg).words())
                        .orElse("no single knob cuts it");
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
