package rivulus.app.session;

import java.util.Comparator;
import java.util.List;
import rivulus.chart.Course;
import rivulus.chart.Courses;
import rivulus.chart.Ruler;
import rivulus.check.EarVerdict;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;

/// Everything the window shows of one proof, for one ear or source in one scene. Worked out off the
/// interface thread.
///
/// @param rail a verdict for each ear, worst first
public record Picture(
        Proof proof,
        SceneProof scene,
        Ear ear,
        String source,
        List<EarVerdict> rail,
        Course course,
        Ruler ruler) {
    static Picture of(
            Proof proof, String sceneId, String earId, String source, Catalogue catalogue) {
        SceneProof scene = proof.scene(sceneId).orElse(proof.scenes().getFirst());
        Ear ear =
                proof.show()
                        .ear(earId)
                        .orElseGet(() -> proof.show().ears().stream().findFirst().orElse(null));
        if (ear == null)
            return new Picture(proof, scene, null, "", List.of(), Course.DRY, new Ruler(List.of()));
        boolean ofSource = proof.show().cast().source(source).isPresent();
        Course course =
                ofSource
                        ? Courses.ofSource(scene, source, catalogue)
                        : Courses.toEar(scene, ear.id(), catalogue);
        return new Picture(
                proof,
                scene,
                ear,
                ofSource ? source : "",
                rail(proof, scene),
                course,
                Ruler.of(scene, ear));
    }

    private static List<EarVerdict> rail(Proof proof, SceneProof scene) {
        return proof.show().ears().stream()
                .map(ear -> EarVerdict.of(proof, scene, ear))
                .sorted(
                        Comparator.comparing(
                                        (EarVerdict v) ->
                                                v.severity().map(Enum::ordinal).orElse(99))
                                .thenComparing(v -> v.elsewhere().isEmpty()))
                .toList();
    }
}
