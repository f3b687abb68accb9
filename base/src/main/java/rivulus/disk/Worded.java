package rivulus.disk;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/// A value that files write as a word of its own; `ON_DEMAND` is `on-demand`. What may stand in a
/// file is said once, by the constants.
public interface Worded {
    /// The constant's own name.
    String name();

    /// As files write it.
    default String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// Every value of a kind by its word, in their order.
    static <E extends Enum<E> & Worded> Map<String, E> words(Class<E> kind) {
        Map<String, E> words = new LinkedHashMap<>();
        for (E value : kind.getEnumConstants()) words.put(value.word(), value);
        return words;
    }
}
