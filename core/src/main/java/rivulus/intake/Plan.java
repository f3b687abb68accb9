package rivulus.intake;

import java.util.List;
import rivulus.file.Change;
import rivulus.show.Show;

/// What a list would change, told before it is changed.
///
/// @param change every change that is made
/// @param lines one for each row that says something
public record Plan(Change change, List<Line> lines) {
    public Plan {
        lines = List.copyOf(lines);
    }

    /// What comes of the show that the list was read for.
    public Show after() {
        return change.after();
    }

    /// What comes of a row.
    public enum Outcome {
        /// Something comes to the rig.
        NEW("new"),
        /// Something that is there changes.
        CHANGED("changed"),
        /// It is so already.
        SAME("as it is"),
        /// It cannot be taken; nothing of it is changed.
        REFUSED("left out");

        private final String word;

        Outcome(String word) {
            this.word = word;
        }

        /// As people read it.
        public String word() {
            return word;
        }
    }

    /// One row.
    ///
    /// @param row its number in the file, the names of the columns being row 1
    /// @param words what is done, or why not
    public record Line(int row, Outcome outcome, String words) {}

    /// How many rows come to that.
    public int count(Outcome outcome) {
        return (int) lines.stream().filter(line -> line.outcome() == outcome).count();
    }

    /// "3 new, 1 changed, 8 as they are, 1 left out".
    public String words() {
        return "%d new, %d changed, %d as they are, %d left out"
                .formatted(
                        count(Outcome.NEW),
                        count(Outcome.CHANGED),
                        count(Outcome.SAME),
                        count(Outcome.REFUSED));
    }
}
