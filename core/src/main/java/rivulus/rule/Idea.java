package rivulus.rule;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.file.Change;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Turn;

/// Something that might end a finding. Nothing has been tried.
public sealed interface Idea {
    /// Knobs that stand otherwise; may be put together with others.
    record Settings(Map<Ref, Setting> settings) implements Idea {
        public Settings {
            settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
        }
    }

    /// A change of gear, leads, boxes, power or outlets, or of knobs in a way of its own.
    ///
    /// @param sentence as an order: "Put a line isolator between Cue laptop and Show desk."
    /// @param turns the knobs that are turned; empty where gear changes
    record Rework(String sentence, List<Turn> turns, Change change) implements Idea {
        public Rework {
            turns = List.copyOf(turns);
        }
    }
}
