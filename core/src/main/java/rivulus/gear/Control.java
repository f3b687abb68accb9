package rivulus.gear;

import java.util.List;
import rivulus.disk.Worded;

/// A place on a desk where a fader of it can sit.
///
/// @param label as it is told: "fader 3"
/// @param reach how near it is to a hand
/// @param prints what is printed on it and cannot change; empty for what can be written on
/// @param means what the print promises; empty where it promises nothing in particular
/// @param takes the ids of the fader knobs that can sit on it; empty for every one
public record Control(
        String id,
        String label,
        Reach reach,
        String prints,
        List<Carried> means,
        List<String> takes) {
    public Control {
        means = List.copyOf(means);
        takes = List.copyOf(takes);
    }

    /// How near a control is, the nearest first.
    public enum Reach implements Worded {
        /// Under the hand.
        HAND("under the hand"),
        /// On another page of the same faders.
        PAGE("on another page"),
        /// On a screen only.
        SOFTWARE("in software only");

        private final String words;

        Reach(String words) {
            this.words = words;
        }

        /// As a sentence says it.
        public String words() {
            return words;
        }
    }

    /// What a printed word can promise.
    public enum Carried implements Worded {
        /// Somebody in the room.
        VOICE,
        /// Somebody far away.
        CALLER,
        /// Whatever is played: music, cues, clips, alerts.
        PLAYBACK
    }

    /// Whether that fader can sit here.
    public boolean takes(String fader) {
        return takes.isEmpty() || takes.contains(fader);
    }
}
