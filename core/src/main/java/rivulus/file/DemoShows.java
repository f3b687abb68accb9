package rivulus.file;

import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// The shows of the demo world, which travel with the program.
public final class DemoShows {
    /// An evening of folk tales with a call-in; it has some honest mistakes in it.
    public static final String LANTERN_HOUR = "lantern-hour";

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
