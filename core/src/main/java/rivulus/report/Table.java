package rivulus.report;

import java.util.ArrayList;
import java.util.List;

/// Rows of text set in columns.
public final class Table {
    private final List<List<String>> rows = new ArrayList<>();

    /// Adds a row.
    public Table row(String... cells) {
        rows.add(List.of(cells));
        return this;
    }

    /// The rows, columns two spaces apart, without trailing blanks.
    public String text() {
        int columns = rows.stream().mapToInt(List::size).max().orElse(0);
        int[] widths = new int[columns];
        for (List<String> row : rows) {
            for (int c = 0; c < row.size(); c++)
                widths[c] = Math.max(widths[c], row.get(c).length());
        }
        StringBuilder text = new StringBuilder();
        for (List<String> row : rows) {
            StringBuilder line = new StringBuilder();
            for (int c = 0; c < row.size(); c++) {
                line.append(row.get(c)).append(" ".repeat(widths[c] - row.get(c).length() + 2));
            }
            text.append(line.toString().stripTrailing()).append('\n');
        }
        return text.toString();
    }
}
