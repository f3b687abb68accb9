package rivulus.intake;

import java.util.List;

/// A table from elsewhere.
///
/// @param columns the names over its columns
/// @param rows cells, as many in each row as there are columns; blanks are empty
public record Listing(List<String> columns, List<List<String>> rows) {
    public Listing {
        columns = List.copyOf(columns);
        rows = rows.stream().map(List::copyOf).toList();
    }
}
