package rivulus.show;

import rivulus.disk.Extras;

/// An exception from the brief's defaults, kept with its reason.
///
/// @param scene the scene it holds in, or empty for all of them
/// @param reason in the producer's words
public record WishChange(
        String ear, String source, String scene, Wish wish, String reason, Extras extras) {
    /// Whether it speaks of that ear, source and scene.
    public boolean covers(String anEar, String aSource, String aScene) {
        return ear.equals(anEar)
                && source.equals(aSource)
                && (scene.isEmpty() || scene.equals(aScene));
    }
}
