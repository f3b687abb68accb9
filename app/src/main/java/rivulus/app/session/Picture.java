package rivulus.app.session;

import java.util.Comparator;
import java.util.List;
import rivulus.check.EarVerdict;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.show.Source;

/// What every view shows something of: a proof, and what is chosen in it. Worked out off the
/// interface thread. What a view shows besides, it draws up itself; see [View].
///
/// @param ear the chosen ear, or null where the show has none
/// @param source the source whose course is shown, or null where it is the ear's
/// @param device the chosen device's id, or empty
/// @param rail a verdict for each ear, worst first
public record Picture(
        Proof proof,
        SceneProof scene,
        Ear ear,
        Source source,
        String device,
        List<EarVerdict> rail,
        List<TroubleCard> troubles) {
    /// What is chosen.
    public record Choice(String scene, String ear, String source, String device) {}

    /// What there is to see of a proof.
    public static Picture of(Proof proof, Choice choice) {
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
                choice.device(),
                rail(proof, scene),
                TroubleCard.of(proof, scene, ear == null ? "" : ear.id()));
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
