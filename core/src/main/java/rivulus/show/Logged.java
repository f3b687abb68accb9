package rivulus.show;

import java.time.LocalDateTime;
import rivulus.disk.Extras;
import rivulus.disk.Worded;

/// One line of the log of an evening.
///
/// @param at when; no two lines of a log have the same
/// @param scene the scene that was on; or empty
public record Logged(LocalDateTime at, Kind kind, String scene, String text, Extras extras) {
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
