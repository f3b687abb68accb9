package rivulus.disk;

import java.util.Optional;

/// A file that cannot be used as it is. The message is one line of bounded length that names the
/// file, the place and what would be right.
public final class FileTrouble extends Exception {
    private static final long serialVersionUID = 1;
    private static final int LONGEST = 600;

    private final transient Optional<Place> place;

    /// A place in a file.
    ///
    /// @param path as `rig.devices[2].knobs`; empty for the whole
    /// @param spot [Json.Spot#NOWHERE] where it is not known
    public record Place(String file, String path, Json.Spot spot) {
        String words() {
            String line = "line %d, column %d".formatted(spot.line(), spot.column());
            if (spot.line() == 0) return path.isEmpty() ? file : file + ": " + path;
            return path.isEmpty()
                    ? "%s: %s".formatted(file, line)
                    : "%s: %s (%s)".formatted(file, path, line);
        }
    }

    /// Trouble in words.
    public FileTrouble(String message) {
        this(message, null);
    }

    /// Trouble in words, with what brought it about.
    public FileTrouble(String message, Throwable cause) {
        this(message, cause, Optional.empty());
    }

    private FileTrouble(String message, Throwable cause, Optional<Place> place) {
        super(Line.clipped(Line.of(message), LONGEST), cause);
        this.place = place;
    }

    /// Trouble at a place.
    public static FileTrouble at(Place place, String words) {
        return at(place, words, null);
    }

    /// Trouble at a place, with what brought it about.
    public static FileTrouble at(Place place, String words, Throwable cause) {
        return new FileTrouble(place.words() + ": " + words, cause, Optional.of(place));
    }

    /// Where it is, where that is known.
    public Optional<Place> place() {
        return place;
    }
}
