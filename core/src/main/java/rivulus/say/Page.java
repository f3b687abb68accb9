package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import rivulus.disk.Line;
import rivulus.edit.Edit;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Lines read one after the other, each in the show that the clear ones before it come to.
///
/// @param text as it was typed
/// @param show that it was read in
/// @param lines those that say something
/// @param edit what the clear ones come to, as one step
public record Page(String text, Show show, List<Said> lines, Edit edit) {
    public Page {
        lines = List.copyOf(lines);
    }

    /// A page read in a show whose templates are in the catalogue.
    public static Page of(String text, Show show, Catalogue catalogue) {
        List<Said> lines = new ArrayList<>();
        Show now = show;
        for (String line : text.lines().map(Line::of).filter(l -> !l.isEmpty()).toList()) {
            Said said = Said.of(line, now, catalogue);
            if (said.isClear()) {
                Saying.Taken taken = new Saying(now, catalogue).add(said);
                said = said.tried(taken);
                if (said.isClear()) now = taken.after();
            }
            lines.add(said);
        }
        return new Page(text, show, lines, Saying.edit(lines, show, now));
    }

    /// The lines that were not understood, or cannot be.
    public List<String> left() {
        return lines.stream().filter(said -> !said.isClear()).map(Said::line).toList();
    }
}
