package rivulus.gear;

import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.Function;

/// An immutable list whose items are found by their ids at once, however long it is.
///
/// Equal to any list of the same items.
public final class Keyed<T> extends AbstractList<T> implements RandomAccess {
    /// So many are looked through sooner than they are indexed.
    private static final int FEW = 8;

    private final List<T> items;
    private final Function<T, String> id;
    private final Map<String, T> index;

    private Keyed(List<T> items, Function<T, String> id) {
        this.items = List.copyOf(items);
        this.id = id;
        this.index = new HashMap<>();
        if (items.size() > FEW) for (T item : items) index.putIfAbsent(id.apply(item), item);
    }

    /// The items of a list.
    ///
    /// @param id the id of an item; of several with the same id the first is found
    public static <T> List<T> copyOf(List<T> items, Function<T, String> id) {
        return items instanceof Keyed<T> ? items : new Keyed<>(items, id);
    }

    /// The item of that id in a list that was made by [#copyOf].
    public static <T> Optional<T> find(List<T> items, String id) {
        Keyed<T> keyed = (Keyed<T>) items;
        if (keyed.size() > FEW) return Optional.ofNullable(keyed.index.get(id));
        for (T item : keyed.items) if (keyed.id.apply(item).equals(id)) return Optional.of(item);
        return Optional.empty();
    }

    @Override
    public T get(int place) {
        return items.get(place);
    }

    @Override
    public int size() {
        return items.size();
    }

    @Override
    public boolean equals(Object other) {
        return this == other
                || (other instanceof Keyed<?> keyed
                        ? items.equals(keyed.items)
                        : super.equals(other));
    }

    @Override
    public int hashCode() {
        return Objects.hashCode(items);
    }
}
