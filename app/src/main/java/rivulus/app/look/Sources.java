package rivulus.app.look;

import java.util.List;
import rivulus.show.Show;
import rivulus.show.Source;

/// The hue and the letter of each source: eight hues, used again with the letters to tell them
/// apart.
public final class Sources {
    private static final int HUES = 8;

    private Sources() {}

    /// The style class of a source's hue: `source-1` to `source-8`.
    public static String hue(Show show, String source) {
        List<String> ids = show.sources().stream().map(Source::id).toList();
        return "source-" + (Math.max(0, ids.indexOf(source)) % HUES + 1);
    }

    /// A letter to tell a source from the one whose hue it has to share; empty for the first eight.
    public static String letter(Show show, String source) {
        List<String> ids = show.sources().stream().map(Source::id).toList();
        return ids.indexOf(source) < HUES ? "" : name(show, source).substring(0, 1);
    }

    /// The source's name.
    public static String name(Show show, String source) {
        return show.cast().source(source).map(Source::name).orElse(source);
    }
}
