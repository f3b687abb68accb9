package rivulus.gear;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A picture's lines and how many pictures there are a second, progressive: `1080p60`.
///
/// @param lines 1 or more
/// @param perSecond 1 or more
public record PictureFormat(int lines, int perSecond) {
    private static final Pattern WRITTEN = Pattern.compile("(\\d{3,4})p(\\d{2,3})");

    /// Reads `1080p60`; empty for anything else.
    public static Optional<PictureFormat> of(String text) {
        Matcher written = WRITTEN.matcher(text);
        if (!written.matches()) return Optional.empty();
        return Optional.of(
                new PictureFormat(
                        Integer.parseInt(written.group(1)), Integer.parseInt(written.group(2))));
    }

    /// Whether something that passes this format at most passes another.
    public boolean passes(PictureFormat other) {
        return other.lines <= lines && other.perSecond <= perSecond;
    }

    /// "1080 lines at 60 pictures a second".
    public String words() {
        return "%d lines at %d pictures a second".formatted(lines, perSecond);
    }
}
