package rivulus.file;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.disk.FileTrouble;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// The shows of the demo world, which travel with the program.
public final class DemoShows {
    /// An evening of folk tales with a call-in; it has some honest mistakes in it.
    public static final String LANTERN_HOUR = "lantern-hour";

    /// Every evening, by file name, with its title; those that are repaired end in `-repaired`.
    public static SequencedMap<String, String> all() {
        SequencedMap<String, String> all = new LinkedHashMap<>();
        all.put(LANTERN_HOUR, "The Lantern Hour");
        all.put("archive-interviews", "The archive interviews");
        all.put("language-cafe", "The language café");
        all.put("spring-lectures", "The spring lectures");
        all.put("choir-night", "Choir night");
        all.put("doorstep-talks", "Doorstep talks");
        all.put("map-room-screening", "Map-room screening");
        all.put("letters-from-afar", "Letters from afar");
        all.put("twin-tables", "Twin tables");
        all.put("harbour-hotline", "Harbour hotline");
        all.put("lute-evening", "Lute evening");
        all.put("lute-lesson", "Lute lesson");
        all.put("puzzle-relay", "Puzzle relay");
        all.put("harbour-quest", "Harbour quest");
        all.put("ferry-log", "Ferry log");
        all.put("round-table", "Round table");
        for (String name : List.copyOf(all.keySet())) {
            if (!name.equals(LANTERN_HOUR))
                all.put(name + "-repaired", all.get(name) + ", repaired");
        }
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
