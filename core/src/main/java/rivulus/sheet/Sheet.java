package rivulus.sheet;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/// Pages to print, to take along or to open in another program.
///
/// @param chapters each starts on a page of its own
public record Sheet(String title, List<Chapter> chapters) {
    public Sheet {
        chapters = List.copyOf(chapters);
    }

    /// Some parts under one heading.
    ///
    /// @param title may be empty where there is one chapter only
    public record Chapter(String title, List<Part> parts) {
        public Chapter {
            parts = List.copyOf(parts);
        }
    }

    /// A sheet of one chapter.
    static Sheet of(String title, Part... parts) {
        return new Sheet(title, List.of(new Chapter("", List.of(parts))));
    }

    /// Every part, in order.
    public List<Part> parts() {
        return chapters.stream().flatMap(chapter -> chapter.parts().stream()).toList();
    }

    /// What there is to be read as a table: the first with rows, drawings last.
    public Part.Table table() {
        return parts().stream()
                .sorted(Comparator.comparing(part -> !(part instanceof Part.Table)))
                .map(Part::table)
                .filter(table -> !table.rows().isEmpty())
                .findFirst()
                .orElseGet(() -> parts().getFirst().table());
    }

    /// [#table] as RFC 4180 comma-separated values, with its column names; notes are left out.
    public String csv() {
        Part.Table table = table();
        StringWriter text = new StringWriter();
        CSVFormat format =
                CSVFormat.RFC4180
                        .builder()
                        .setHeader(
                                table.columns().stream().map(Escaped::csv).toArray(String[]::new))
                        .get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            for (List<String> row : table.rows())
                printer.printRecord(row.stream().map(Escaped::csv).toList());
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /// The whole sheet as Markdown; drawings as the tables they come from.
    public String markdown() {
        StringBuilder text = new StringBuilder("# ").append(Escaped.markdown(title)).append("\n\n");
        for (Chapter chapter : chapters) {
            if (!chapter.title().isEmpty())
                text.append("## ").append(Escaped.markdown(chapter.title())).append("\n\n");
            for (Part part : chapter.parts()) markdown(text, part.table());
        }
        return text.toString();
    }

    private static void markdown(StringBuilder text, Part.Table table) {
        if (!table.title().isEmpty())
            text.append("### ").append(Escaped.markdown(table.title())).append("\n\n");
        if (!table.rows().isEmpty()) {
            line(text, table.columns());
            text.append("|").append("---|".repeat(table.columns().size())).append('\n');
            for (List<String> row : table.rows()) line(text, row);
            text.append('\n');
        }
        for (String note : table.notes())
            text.append("- ").append(Escaped.markdown(note)).append('\n');
        if (!table.notes().isEmpty()) text.append('\n');
    }

    private static void line(StringBuilder text, List<String> cells) {
        text.append('|');
        for (String cell : cells) text.append(' ').append(Escaped.markdown(cell)).append(" |");
        text.append('\n');
    }

    /// The whole sheet as a PDF document on A4 pages.
    public byte[] pdf() {
        return PdfSheet.of(this);
    }

    /// The first drawing as SVG; empty where the sheet has none.
    public Optional<String> svg() {
        return parts().stream()
                .filter(Drawn.class::isInstance)
                .findFirst()
                .map(part -> SvgCanvas.of((Drawn) part));
    }

    /// The endings of the files that it can be written to.
    public List<String> endings() {
        List<String> endings = new ArrayList<>(List.of(".pdf", ".md", ".csv"));
        if (parts().stream().anyMatch(Drawn.class::isInstance)) endings.add(".svg");
        return endings;
    }

    /// The sheet in the format that a file's name asks for: `.csv`, `.pdf`, `.svg`, or Markdown.
    ///
    /// @throws IllegalArgumentException for `.svg` where there is no drawing; see [#endings]
    public byte[] in(String fileName) {
        if (fileName.endsWith(".pdf")) return pdf();
        String text =
                fileName.endsWith(".csv")
                        ? csv()
                        : fileName.endsWith(".svg")
                                ? svg().orElseThrow(
                                                () ->
                                                        new IllegalArgumentException(
                                                                "this sheet has no drawing"))
                                : markdown();
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
