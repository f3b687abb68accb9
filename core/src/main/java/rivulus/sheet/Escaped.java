package rivulus.sheet;

import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rivulus.disk.Line;

/// Text on its way into a format in which some signs mean something.
final class Escaped {
    /// What a spreadsheet may take for a formula, in narrow and in wide signs.
    private static final Pattern FORMULA =
            Pattern.compile("^[=+\\-@\uFF1D\uFF0B\uFF0D\uFF20].*", Pattern.DOTALL);

    private static final Pattern NUMBER = Pattern.compile("[+-]?[0-9]+([.,][0-9]+)?");
    private static final Pattern SPECIAL = Pattern.compile("[\\\\|<>\\[\\]*_`~]");
    private static final Pattern ENTITY = Pattern.compile("&(?=#?[0-9A-Za-z]+;)");

    private Escaped() {}

    /// A cell of comma-separated values that no spreadsheet takes for a formula: one that could be
    /// begins with an apostrophe. Numbers stay numbers.
    static String csv(String cell) {
        // what is looked at is what is written: blanks and breaks before it may hide a formula
        String line = cell.lines().map(Line::of).collect(Collectors.joining("\n")).strip();
        boolean formula = FORMULA.matcher(line).matches() && !NUMBER.matcher(line).matches();
        return formula ? "'" + line : line;
    }

    /// A line of Markdown that stands for itself.
    static String markdown(String text) {
        String line = SPECIAL.matcher(Line.of(text)).replaceAll("\\\\$0");
        return ENTITY.matcher(line).replaceAll("&amp;");
    }
}
