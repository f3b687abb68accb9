package rivulus.file;

import java.util.LinkedHashMap;
import java.util.SequencedMap;
import rivulus.disk.FileTrouble;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// The shows of the demo world, which travel with the program.
public final class DemoShows {
    /// An evening of folk tales with a call-in; it has some honest mistakes in it.
    public static final String LANTERN_HOUR = "lantern-hour";

    /// Three who read letters aloud, with gates and compressors that are in their way.
    public static final String LONG_READ = "long-read";

    /// Every evening, by file name, with its title; those that are repaired end in `-repaired`.
    public static SequencedMap<String, String> all() {
        SequencedMap<String, String> all = new LinkedHashMap<>();
        for (Evening evening : Evening.ALL) all.put(evening.file(), evening.title());
        for (Evening evening : Evening.ALL)
            evening.repaired().ifPresent(file -> all.put(file, evening.title() + ", repaired"));
        return all;
    }

    private DemoShows() {}

    /// One of the shipped shows.
    ///
    /// @param name the file's name without its ending
    public static Show open(String name, Catalogue catalogue) {
        String file = name + ShowFile.ENDING;
        try {
            return ShowFile.parse(Templates.resource("/rivulus/shows/" + file), file, catalogue);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }
}
