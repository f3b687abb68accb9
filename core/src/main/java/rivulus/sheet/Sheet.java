package rivulus.sheet;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/// A page to print, to take along or to open in another program.
///
/// @param notes sentences under the table
public record Sheet(
        String title, List<String> columns, List<List<String>> rows, List<String> notes) {
    public Sheet {
        columns = List.copyOf(columns);
        rows = rows.stream().map(List::copyOf).toList();
        notes = List.copyOf(notes);
    }

    /// The table as RFC 4180 comma-separated values, with its column names; notes are left out.
    public String csv() {
        StringWriter text = new StringWriter();
        CSVFormat format =
                CSVFormat.RFC4180.builder().setHeader(columns.toArray(String[]::new)).get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            for (List<String> row : rows) printer.printRecord(row);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /// The whole sheet as Markdown.
    public String markdown() {
        StringBuilder text = new StringBuilder("# ").append(title).append("\n\n");
        if (!rows.isEmpty()) {
            line(text, columns);
            text.append("|").append("---|".repeat(columns.size())).append('\n');
            for (List<String> row : rows) line(text, row);
            text.append('\n');
        }
        for (String note : notes) text.append("- ").append(escaped(note)).append('\n');
        return text.toString();
    }

    /// The whole sheet as a PDF document on A4 pages.
    public byte[] pdf() {
        return PdfSheet.of(this);
    }

    /// The sheet in the format that a file's name asks for: `.csv`, `.pdf`, or Markdown.
    public byte[] in(String fileName) {
        if (fileName.endsWith(".pdf")) return pdf();
        return (fileName.endsWith(".csv") ? csv() : markdown()).getBytes(StandardCharsets.UTF_8);
    }

    private static void line(StringBuilder text, List<String> cells) {
        text.append('|');
        for (String cell : cells) text.append(' ').append(escaped(cell)).append(" |");
        text.append('\n');
    }

    private static String escaped(String cell) {
        return cell.replace("\\", "\\\\").replace("|", "\\|").replace("\n", " ");
    }
}
