package rivulus.show;

import rivulus.disk.Extras;

/// What to do otherwise the next time.
///
/// @param from which evening it is from; or empty
/// @param taken whether it is done, in this show
public record Lesson(String id, String text, String from, boolean taken, Extras extras) {
    /// The same, taken to heart or not yet.
    public Lesson taken(boolean now) {
        return new Lesson(id, text, from, now, extras);
    }
}
