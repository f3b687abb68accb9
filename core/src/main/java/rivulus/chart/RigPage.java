package rivulus.chart;

import java.util.List;
import java.util.Optional;
import rivulus.edit.Edit;
import rivulus.words.Severity;

/// What a layer of the rig has to say beside the drawing, in words.
public record RigPage(List<Section> sections) {
    public RigPage {
        sections = List.copyOf(sections);
    }

    /// One group of lines.
    public record Section(String title, List<Row> rows) {
        public Section {
            rows = List.copyOf(rows);
        }
    }

    /// One line.
    ///
    /// @param head what it is about; short
    /// @param text what is to be said, a sentence or a few
    /// @param severity how bad it is, where it is
    /// @param device the id of the device to go to, or empty
    /// @param edit what can be done about it at once
    public record Row(
            String head,
            String text,
            Optional<Severity> severity,
            String device,
            Optional<Edit> edit) {
        /// A line that nothing is wrong with.
        static Row of(String head, String text, String device) {
            return new Row(head, text, Optional.empty(), device, Optional.empty());
        }
    }
}
