package rivulus.show;

import rivulus.disk.Extras;
import rivulus.disk.Worded;

/// One line of the log of an evening.
///
/// @param at when; whoever writes a line sees to it that no two have the same
/// @param scene the scene that was on; or empty
/// @param about the id of the device or person that it is about; or empty
public record Logged(Moment at, Kind kind, String scene, String about, String text, Extras extras) {
    /// A line that is about nobody in particular.
    public Logged(Moment at, Kind kind, String scene, String text) {
        this(at, kind, scene, "", text, Extras.NONE);
    }

    /// The same, about a device or a person.
    public Logged about(String id) {
        return new Logged(at, kind, scene, id, text, extras);
    }

    /// What was logged.
    public enum Kind implements Worded {
        /// A scene began.
        SCENE("scene"),
        NOTE("note"),
        /// A place to come back to.
        MARK("mark"),
        /// Something that went wrong.
        WRONG("went wrong"),
        /// A fault that was looked for, and what it was.
        FAULT("fault"),
        /// What was put right.
        CURE("cure"),
        BATTERY("battery"),
        /// A caller who waits, or no longer does.
        HELD("caller"),
        /// An answer in the soundcheck.
        ANSWER("soundcheck"),
        /// What a test recording measured.
        MEASURED("measured"),
        SETUP("set-up");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /// "went wrong".
        public String words() {
            return words;
        }
    }
}
