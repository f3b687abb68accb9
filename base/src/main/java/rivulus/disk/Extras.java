package rivulus.disk;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.SequencedMap;

/// Fields of a file that this version does not know, kept as they came so that saving loses
/// nothing.
///
/// @param fields plain values: text, numbers, booleans, null, lists and maps of them
public record Extras(SequencedMap<String, Object> fields) {
    /// No unknown fields.
    public static final Extras NONE = new Extras(new LinkedHashMap<>());

    public Extras {
        fields = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(fields));
    }
}
