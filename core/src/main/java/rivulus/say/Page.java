package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rivulus.disk.Line;
import rivulus.edit.Edit;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Lines read one after the other, each in the show that the clear ones before it come to.
///
/// @param text as it was typed
/// @param show that it was read in
/// @param lines what each says that says something; of a line in words of one's own several
/// @param left the lines that were not understood, leave something open, cannot be, or hold nothing
///     of sound
/// @param choices of each line that leaves something open what it would be taken as
/// @param edit what the clear ones come to, as one step
public record Page(
        String text,
        Show show,
        List<Said> lines,
        List<String> left,
        Map<String, List<String>> choices,
        Edit edit) {
    public Page {
        lines = List.copyOf(lines);
        left = List.copyOf(left);
        choices = Map.copyOf(choices);
    }

    /// A page of plain lines (docs/lines.md), read in a show whose templates are in the catalogue.
    public static Page of(String text, Show show, Catalogue catalogue) {
        Taking taking = new Taking(show, catalogue);
        List<Said> lines = new ArrayList<>();
        for (String line : text.lines().map(Line::of).filter(l -> !l.isEmpty()).toList())
            lines.add(taking.take(Said.of(line, taking.show(), catalogue)));
        List<String> left = lines.stream().filter(said -> !said.isClear()).map(Said::line).toList();
        return new Page(text, show, lines, left, Map.of(), Saying.edit(lines, show, taking.show()));
    }

    /// A page as somebody writes it: plain lines as they stand, all others read by what they say in
    /// words of their own.
    ///
    /// @param answers what was said of what was read before
    public static Page written(String text, Show show, Catalogue catalogue, Answers answers) {
        return new OwnWords(text, show, catalogue, answers).page();
    }

    /// How many lines leave something open.
    public long open() {
        return lines.stream().filter(Said::isOpen).count();
    }

    /// Whether anything that is left open would be taken as something.
    public boolean isAnswerable() {
        return choices.values().stream().anyMatch(words -> !words.isEmpty());
    }

    /// How many readings are assumed: somebody should look at them.
    public long assumed() {
        return lines.stream().filter(Said::isToLookAt).count();
    }
}
