package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.leads.Survey;
import rivulus.show.Limits;
import rivulus.timing.PictureSync;

/// Sound that is out of step with its picture at an ear of the public; see [PictureSync].
final class LipSync implements Rule {
    @Override
    public String id() {
        return "picture-sync";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        Set<String> said = new HashSet<>();
        for (SceneProof scene : proof.scenes()) {
            for (PictureSync sync : PictureSync.all(scene, survey)) {
                List<String> about =
                        List.of(
                                sync.picture().program().id(),
                                sync.picture().source().id(),
                                sync.ear().id(),
                                sync.source().id());
                if (sync.severity().isEmpty() || !said.add(about.toString())) continue;
                findings.add(
                        finding(sync.severity().get(), sync.words() + ".")
                                .gear(about)
                                .figure("offsetMs", sync.offsetMs())
                                .knobs(sync.knobs()));
            }
        }
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.lined(finding);
    }
}
