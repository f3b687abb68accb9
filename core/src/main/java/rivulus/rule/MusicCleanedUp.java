package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.leads.Survey;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Wish;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;

/// What is no voice, heard by way of a program that keeps voices and takes away all else.
final class MusicCleanedUp implements Rule {
    private static final double SILENT = 1e-6;

    @Override
    public String id() {
        return "clean-up";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        List<Leg> cleaning = proof.graph().legs().stream().filter(Leg::keepsOnlyVoices).toList();
        Set<String> said = new HashSet<>();
        for (SceneProof scene : proof.scenes()) {
            LiveGraph live = scene.tracer().live();
            if (cleaning.stream().noneMatch(leg -> live.legGain(leg.index()) > SILENT)) continue;
            for (SceneProof.Heard cell : scene.all()) {
                boolean wanted =
                        cell.standing().wish() == Wish.MUST && cell.source() instanceof Playback;
                if (!wanted || cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
                for (Way way :
                        Ways.of(live).strongest(cell.source().id(), cell.ear().id(), 1).all())
                    for (Leg leg : way.legs())
                        if (leg.keepsOnlyVoices()) along(survey, scene, cell, leg, said, findings);
            }
        }
        return findings;
    }

    private void along(
            Survey survey,
            SceneProof scene,
            SceneProof.Heard cell,
            Leg leg,
            Set<String> said,
            List<Finding.Draft> findings) {
        String program = leg.from().device();
        List<String> about = List.of(program, cell.ear().id(), cell.source().id());
        if (!said.add(about.toString())) return;
        List<Ref> knobs = new ArrayList<>();
        for (Leg.Govern govern : leg.governors())
            knobs.add(scene.tracer().live().graph().knobs().get(govern.knob()).ref());
        findings.add(
                finding(
                                Severity.PROBLEM,
                                "%s hears %s by way of the voice clean-up of %s, which eats all that is no voice."
                                        .formatted(
                                                Names.subject(cell.ear()),
                                                Names.of(cell.source()),
                                                survey.device(program)
                                                        .map(device -> device.name())
                                                        .orElse(program)))
                        .gear(about)
                        .figure("levelDb", Math.round(cell.hearing().levelDb() * 10) / 10.0)
                        .knobs(knobs));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turns(finding.knobs());
    }
}
