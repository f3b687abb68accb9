package rivulus.intake;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// Which column of a list means what.
///
/// @param columns the name of the column for each meaning that has one
public record Matching(Meaning.Listed listed, Map<Meaning, String> columns) {
    public Matching {
        columns = Map.copyOf(columns);
    }

    /// The matching that the names of the columns suggest, for the kind of list they suggest.
    public static Matching guess(Listing list) {
        return Stream.of(Meaning.Listed.values())
                .map(listed -> guess(list, listed))
                .max(
                        Comparator.comparing((Matching matching) -> matching.missing().isEmpty())
                                .thenComparing(matching -> matching.columns.size())
                                .thenComparing(matching -> -matching.listed.ordinal()))
                .orElseThrow();
    }

    /// The matching that the names of the columns suggest for a kind of list.
    public static Matching guess(Listing list, Meaning.Listed listed) {
        Map<Meaning, String> columns = new EnumMap<>(Meaning.class);
        Set<String> used = new HashSet<>();
        for (Meaning meaning : Meaning.in(listed)) {
            list.columns().stream()
                    .filter(column -> meaning.fits(column) && !used.contains(column))
                    .min(Comparator.comparingInt(meaning::rank))
                    .ifPresent(
                            column -> {
                                columns.put(meaning, column);
                                used.add(column);
                            });
        }
        return new Matching(listed, columns);
    }

    /// The matching with another column for a meaning, or none.
    public Matching with(Meaning meaning, Optional<String> column) {
        Map<Meaning, String> changed = new EnumMap<>(Meaning.class);
        changed.putAll(columns);
        changed.remove(meaning);
        column.ifPresent(name -> changed.put(meaning, name));
        return new Matching(listed, changed);
    }

    /// What is needed and has no column.
    public List<Meaning> missing() {
        return Meaning.in(listed).stream()
                .filter(meaning -> meaning.isNeeded() && !columns.containsKey(meaning))
                .toList();
    }

    /// The cell of a row for a meaning; empty where it has no column.
    String cell(Listing list, List<String> row, Meaning meaning) {
        String column = columns.get(meaning);
        int at = column == null ? -1 : list.columns().indexOf(column);
        return at < 0 ? "" : row.get(at).strip();
    }
}
