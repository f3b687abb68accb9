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
/// Equal to any list of the same items. The index is made when it is first asked.
public final class Keyed<T> extends AbstractList<T> implements RandomAccess {
    private final List<T> items;
    private final Function<T, String> id;
    private volatile Map<String, T> index;

    private Keyed(List<T> items, Function<T, String> id) {
        this.items = List.copyOf(items);
        this.id = id;
    }

    /// The items of a list.
    ///
    /// @param id the id of an item; of several with the same id the first is found
    public static <T> List<T> copyOf(List<T> items, Function<T, String> id) {
        return items instanceof Keyed<T> ? items : new Keyed<>(items, id);
    }

    /// The item of that id in a list that was made by [#copyOf].
    public static <T> Optional<T> find(List<T> items, String id) {
        return Optional.ofNullable(((Keyed<T>) items).index().get(id));
    }

    private Map<String, T> index() {
        Map<String, T> made = index;
        if (made == null) {
            made = new HashMap<>();
            for (T item : items) made.putIfAbsent(id.apply(item), item);
            index = made;
        }
        return made;
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
