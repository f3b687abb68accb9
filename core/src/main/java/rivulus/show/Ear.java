package rivulus.show;

import java.util.List;
import rivulus.disk.Extras;
import rivulus.disk.Worded;

/// Something that listens.
///
/// @param of the person who listens, or the one source that a track or a second language is for;
///     empty for the others
/// @param at the points where it listens; a person's own ears where the file names none
public record Ear(String id, String name, Kind kind, String of, List<Ref> at, Extras extras) {
    public Ear {
        at = List.copyOf(at);
    }

    /// What listens. The brief's defaults go by it.
    public enum Kind implements Worded {
        PERSON("person"),
        HOUSE("house"),
        ASSISTIVE("assistive"),
        STREAM("stream"),
        SECOND_LANGUAGE("second-language"),
        ON_DEMAND("on-demand"),
        TRACK("track"),
        CAMERA("camera");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        /// As files write it: `on-demand`.
        @Override
        public String word() {
            return word;
        }
    }

    /// Whether nobody has said where it listens. A person has ears.
    public boolean isNowhere() {
        return at.isEmpty() && kind != Kind.PERSON;
    }

    /// Whether the public is on this ear, so that what should be silent must not be heard there.
    public boolean isPublic() {
        return switch (kind) {
            case HOUSE, ASSISTIVE, STREAM, SECOND_LANGUAGE, ON_DEMAND, CAMERA -> true;
            case PERSON, TRACK -> false;
        };
    }

    /// Whether it is sent to people elsewhere.
    public boolean isSent() {
        return switch (kind) {
            case STREAM, SECOND_LANGUAGE, ON_DEMAND -> true;
            case HOUSE, ASSISTIVE, CAMERA, PERSON, TRACK -> false;
        };
    }

    /// Whether it is kept as a file.
    public boolean isKept() {
        return switch (kind) {
            case TRACK, ON_DEMAND, SECOND_LANGUAGE -> true;
            case PERSON, HOUSE, ASSISTIVE, STREAM, CAMERA -> false;
        };
    }

    /// The same ear under another name.
    public Ear named(String newName) {
        return new Ear(id, newName, kind, of, at, extras);
    }

    /// The same ear as another kind.
    public Ear as(Kind newKind) {
        return new Ear(id, name, newKind, of, at, extras);
    }

    /// The same ear for another source, or, empty, for all.
    public Ear of(String source) {
        return new Ear(id, name, kind, source, at, extras);
    }

    /// The same ear that listens elsewhere.
    public Ear at(List<Ref> points) {
        return new Ear(id, name, kind, of, points, extras);
    }
}
