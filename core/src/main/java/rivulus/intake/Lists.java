package rivulus.intake;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;
import rivulus.disk.SafeFile;

/// Lists from elsewhere: comma-, semicolon- or tab-separated values with names over the columns.
public final class Lists {
    private static final int MOST_ROWS = 2_000;
    private static final int MOST_COLUMNS = 200;
    private static final int LONGEST_CELL = 400;
    private static final String SEPARATORS = ",;\t";

    private Lists() {}

    /// Reads a list.
    ///
    /// @throws FileTrouble where it cannot be read, or is no list
    public static Listing open(Path file) throws FileTrouble {
        return parse(SafeFile.read(file).text(), SafeFile.name(file));
    }

    /// Reads a list from text.
    ///
    /// @param file the file's name, for messages
    public static Listing parse(String text, String file) throws FileTrouble {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (plain.isBlank()) throw new FileTrouble(file + ": this list is empty");
        CSVFormat format =
                CSVFormat.RFC4180
                        .builder()
                        .setDelimiter(separator(plain))
                        .setIgnoreEmptyLines(true)
                        .get();
        try (CSVParser parser = CSVParser.parse(plain, format)) {
            List<CSVRecord> records = new ArrayList<>();
            for (CSVRecord record : parser) {
                if (records.size() > MOST_ROWS)
                    throw new FileTrouble(
                            "%s: the list has more than %d rows; so many can be taken at once"
                                    .formatted(file, MOST_ROWS));
                records.add(record);
            }
            return listing(records, file);
        } catch (IOException | UncheckedIOException broken) {
            throw new FileTrouble(
                    "%s: this is no list of separated values: %s"
                            .formatted(file, broken.getMessage().replaceAll("\\s+", " ")),
                    broken);
        }
    }

    /// The separator that stands most often in the line of names.
    private static char separator(String text) {
        String first = text.lines().filter(line -> !line.isBlank()).findFirst().orElse("");
        char best = SEPARATORS.charAt(0);
        for (char separator : SEPARATORS.toCharArray())
            if (count(first, separator) > count(first, best)) best = separator;
        return best;
    }

    private static long count(String line, char sign) {
        return line.chars().filter(c -> c == sign).count();
    }

    private static Listing listing(List<CSVRecord> records, String file) throws FileTrouble {
        if (records.isEmpty()) throw new FileTrouble(file + ": this list is empty");
        List<String> columns = names(records.getFirst(), file);
        List<List<String>> rows = new ArrayList<>();
        for (CSVRecord record : records.subList(1, records.size())) {
            List<String> row = new ArrayList<>();
            for (int c = 0; c < columns.size(); c++)
                row.add(c < record.size() ? cell(record, c, file) : "");
            rows.add(row);
        }
        if (rows.isEmpty())
            throw new FileTrouble(file + ": the list has names over its columns and no row");
        return new Listing(columns, rows);
    }

    private static List<String> names(CSVRecord first, String file) throws FileTrouble {
        if (first.size() < 2 || first.size() > MOST_COLUMNS)
            throw new FileTrouble(
                    "%s: a list has names of 2 to %d columns in its first row, separated by commas, semicolons or tabs; here are %d"
                            .formatted(file, MOST_COLUMNS, first.size()));
        List<String> names = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int c = 0; c < first.size(); c++) {
            String said = cell(first, c, file);
            String name = said.isEmpty() ? "column " + (c + 1) : said;
            names.add(seen.add(name) ? name : name + " " + (c + 1));
        }
        return names;
    }

    private static String cell(CSVRecord record, int column, String file) throws FileTrouble {
        String cell = record.get(column);
        if (cell.length() > LONGEST_CELL)
            throw new FileTrouble(
                    "%s: column %d of row %d has %d characters; a cell has at most %d"
                            .formatted(
                                    file,
                                    column + 1,
                                    record.getRecordNumber(),
                                    cell.length(),
                                    LONGEST_CELL));
        return Line.of(cell);
    }
}
