package rivulus.form;

import java.util.List;
import java.util.Optional;

/// Everything that a show says, by kind.
public record Outline(List<Section> sections) {
    public Outline {
        sections = List.copyOf(sections);
    }

    /// Things of one kind.
    ///
    /// @param add makes one more; empty where a line says it
    /// @param hint how one more is said, where there is none yet
    public record Section(
            String id, String title, List<Row> rows, Optional<Deed> add, String hint) {
        public Section {
            rows = List.copyOf(rows);
        }
    }

    /// One thing.
    ///
    /// @param key of its form
    /// @param words what it is, after its name
    public record Row(String key, String name, String words) {}
}
