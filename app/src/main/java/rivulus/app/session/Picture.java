package rivulus.app.session;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.chart.Chart;
import rivulus.chart.Course;
import rivulus.chart.Courses;
import rivulus.chart.KnobSheet;
import rivulus.chart.Lit;
import rivulus.chart.RigLayer;
import rivulus.chart.RigPage;
import rivulus.chart.RigPages;
import rivulus.chart.Ruler;
import rivulus.check.EarVerdict;
import rivulus.check.Failure;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.show.Source;

/// Everything the window shows of one proof and one choice. Worked out off the interface thread.
///
/// @param ear the chosen ear, or null where the show has none
/// @param source the source whose course is shown, or null where it is the ear's
/// @param rail a verdict for each ear, worst first
/// @param knobs the knobs of the chosen device, if one is chosen
/// @param lit the gear that the chosen source passes, or the chosen ear depends on
/// @param page what the layer of the rig says, while the rig is looked at
/// @param failure who loses whom when the chosen device fails, if one is chosen
public record Picture(
        Proof proof,
        SceneProof scene,
        Ear ear,
        Source source,
        List<EarVerdict> rail,
        Course course,
        Ruler ruler,
        Chart chart,
        List<TroubleCard> troubles,
        Optional<KnobSheet> knobs,
        Lit lit,
        Optional<RigPage> page,
        Optional<Failure> failure) {
    /// What is chosen.
    ///
    /// @param layer the layer of the rig; empty while another stage is looked at
    /// @param wantedMs how long a round trip may be where buffers are advised on
    public record Choice(
            String scene,
            String ear,
            String source,
            String device,
            Optional<RigLayer> layer,
            double wantedMs) {}

    /// What there is to see of a proof.
    public static Picture of(Proof proof, Choice choice, Catalogue catalogue) {
        Show show = proof.show();
        SceneProof scene = proof.scene(choice.scene()).orElse(proof.scenes().getFirst());
        Ear ear =
                show.ear(choice.ear())
                        .orElseGet(() -> show.ears().stream().findFirst().orElse(null));
        Source source = show.cast().source(choice.source()).orElse(null);
        return new Picture(
                proof,
                scene,
                ear,
                source,
                rail(proof, scene),
                course(scene, ear, source, catalogue),
                ear == null ? new Ruler(List.of()) : Ruler.of(scene, ear),
                Chart.of(scene),
                TroubleCard.of(proof, scene),
                KnobSheet.of(scene, choice.device(), ear, catalogue),
                lit(scene, ear, source),
                choice.layer()
                        .map(
                                layer ->
                                        new RigPages(
                                                        proof,
                                                        scene,
                                                        catalogue,
                                                        Optional.ofNullable(ear),
                                                        Optional.ofNullable(source),
                                                        choice.wantedMs())
                                                .of(layer)),
                show.rig().device(choice.device()).map(device -> Failure.of(scene, device)));
    }

    private static Lit lit(SceneProof scene, Ear ear, Source source) {
        if (source != null) return Lit.fromSource(scene, source.id());
        return ear == null ? Lit.NOTHING : Lit.toEar(scene, ear.id());
    }

    private static Course course(SceneProof scene, Ear ear, Source source, Catalogue catalogue) {
        if (source != null) return Courses.ofSource(scene, source.id(), catalogue);
        return ear == null ? Course.DRY : Courses.toEar(scene, ear.id(), catalogue);
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

    /// The show that is pictured.
    public Show show() {
        return proof.show();
    }
}
