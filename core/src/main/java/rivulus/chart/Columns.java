package rivulus.chart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Layers things that follow each other: everything stands left of what it leads to, as far right
/// as it can.
final class Columns<T> {
    private final Map<T, Set<T>> next = new LinkedHashMap<>();

    /// Adds a row of things that follow each other, unless that would make something lead back to
    /// itself.
    ///
    /// @return whether it was added
    boolean add(List<T> row) {
        Map<T, Set<T>> trial = new HashMap<>();
        for (int i = 0; i + 1 < row.size(); i++) {
            trial.computeIfAbsent(row.get(i), _ -> new HashSet<>()).add(row.get(i + 1));
        }
        for (T thing : row) if (comesBack(thing, thing, trial, new HashSet<>())) return false;
        for (T thing : row) next.computeIfAbsent(thing, _ -> new LinkedHashSet<>());
        trial.forEach((from, to) -> next.get(from).addAll(to));
        return true;
    }

    private boolean comesBack(T start, T at, Map<T, Set<T>> trial, Set<T> seen) {
        List<T> onward = new ArrayList<>(next.getOrDefault(at, Set.of()));
        onward.addAll(trial.getOrDefault(at, Set.of()));
        for (T to : onward) {
            if (to.equals(start)) return true;
            if (seen.add(to) && comesBack(start, to, trial, seen)) return true;
        }
        return false;
    }

    /// How many columns there are, at least 1.
    int count() {
        return next.keySet().stream().mapToInt(this::onward).max().orElse(0) + 1;
    }

    /// The column of each thing, from the left.
    Map<T, Integer> columns() {
        Map<T, Integer> columns = new HashMap<>();
        int last = count() - 1;
        for (T thing : next.keySet()) columns.put(thing, last - onward(thing));
        return columns;
    }

    /// The longest row that follows a thing.
    private int onward(T thing) {
        int longest = 0;
        for (T to : next.get(thing)) longest = Math.max(longest, 1 + onward(to));
        return longest;
    }
}
