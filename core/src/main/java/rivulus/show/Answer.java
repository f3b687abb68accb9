package rivulus.show;

import rivulus.disk.Extras;

/// What was heard at an ear in the soundcheck, of one source.
///
/// @param scene in which it was asked
public record Answer(
        String ear, String source, String scene, Symptom heard, Moment at, Extras extras) {
    /// Whether it is about the same.
    boolean replaces(Answer other) {
        return ear.equals(other.ear) && source.equals(other.source) && scene.equals(other.scene);
    }
}
