package rivulus.disk;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/// What files are called.
public final class FileNames {
    private static final int LONGEST = 80;

    private FileNames() {}

    /// A name for a file from a title, without what some systems do not take: "Tide 2.5 – final".
    ///
    /// @return never empty, and never hidden
    public static String of(String title) {
        String name =
                Line.of(title).replaceAll("[\\\\/:*?\"<>|]", " ").replaceAll("\\s+", " ").strip();
        name = name.replaceAll("^[. ]+", "");
        if (name.length() > LONGEST) name = Line.clipped(name, LONGEST).replace("…", "");
        name = name.replaceAll("[. ]+$", "");
        return name.isEmpty() ? "show" : name;
    }

    /// The last ending of a name, with its dot: ".rivulus"; empty where it has none.
    public static String endingOf(String name) {
        int dot = name.lastIndexOf('.');
        return dot <= 0 ? "" : name.substring(dot).toLowerCase(Locale.ROOT);
    }

    /// The file with an ending that it ought to have.
    ///
    /// @param ending added where the name ends neither so nor in one of the others
    public static Path ending(Path file, String ending, List<String> others) {
        String name = SafeFile.name(file);
        String has = endingOf(name);
        return has.equals(ending) || others.contains(has)
                ? file
                : file.resolveSibling(name + ending);
    }
}
