package rivulus.app.session;

import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Trouble;
import rivulus.hearing.Way;
import rivulus.words.Words;

/// A trouble ready to be read: everything that takes a search is already found, where it concerns
/// the ear that is looked at.
///
/// @param cause why, as a sentence; empty where nothing is known, or another ear is looked at
/// @param way how the sound gets there, in the words of the gear; or empty likewise
/// @param elsewhere whether it does not show in the scene that is looked at
public record TroubleCard(
        Trouble trouble,
        String headline,
        String cause,
        String way,
        List<String> scenes,
        boolean elsewhere) {
    /// @param ear the id of the ear that is looked at
    static List<TroubleCard> of(Proof proof, SceneProof scene, String ear) {
        return Trouble.of(proof).stream()
                .map(trouble -> of(trouble, scene.scene().id(), ear))
                .toList();
    }

    private static TroubleCard of(Trouble trouble, String scene, String ear) {
        TroubleCard bare =
                new TroubleCard(
                        trouble,
                        trouble.headline() + ".",
                        "",
                        "",
                        trouble.scenes(),
                        !trouble.isIn(scene));
        if (!bare.isOfTheRig() && !bare.concerns(ear)) return bare;
        Finding shown =
                trouble.findings().stream()
                        .filter(finding -> finding.scene().equals(scene))
                        .findFirst()
                        .orElse(trouble.first());
        String cause = shown.evidence().cause();
        return new TroubleCard(
                trouble,
                bare.headline,
                cause.isEmpty() ? "" : Words.sentence(cause) + ".",
                shown.evidence().ways().stream().findFirst().map(Way::words).orElse(""),
                bare.scenes,
                bare.elsewhere);
    }

    /// Whether it is about what that ear hears, or about what is heard by no ear alone.
    public boolean concerns(String ear) {
        return !isOfTheRig() && trouble.ear().map(ear::equals).orElse(true);
    }

    /// Whether it is about gear and leads.
    public boolean isOfTheRig() {
        return trouble.first().isOfTheRig();
    }
}
