package rivulus.rig;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.leads.Survey;
import rivulus.timing.PictureSync;

/// Sound that is out of step with its picture at an ear of the public; see [PictureSync].
final class LipSync implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
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
                        new RigFinding(
                                "picture-sync",
                                sync.severity().get(),
                                about,
                                sync.words() + ".",
                                Figures.of("offsetMs", sync.offsetMs()),
                                sync.knobs()));
            }
        }
    }
}
