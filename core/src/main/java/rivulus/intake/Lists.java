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
import rivulus.disk.SafeFile;

/// Lists from elsewhere: comma-, semicolon- or tab-separated values with names over the columns.
public final class Lists {
    private static final int MOST_ROWS = 5_000;
    private static final int MOST_COLUMNS = 200;
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
            return listing(parser.getRecords(), file);
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
        if (records.size() > MOST_ROWS)
            throw new FileTrouble(
                    "%s: the list has %d rows; at most %d can be taken"
                            .formatted(file, records.size(), MOST_ROWS));
        List<String> columns = names(records.getFirst(), file);
        List<List<String>> rows = new ArrayList<>();
        for (CSVRecord record : records.subList(1, records.size())) {
            List<String> row = new ArrayList<>();
            for (int c = 0; c < columns.size(); c++)
                row.add(c < record.size() ? record.get(c).strip() : "");
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
            String name = first.get(c).isBlank() ? "column " + (c + 1) : first.get(c).strip();
            names.add(seen.add(name) ? name : name + " " + (c + 1));
        }
        return names;
    }
}
