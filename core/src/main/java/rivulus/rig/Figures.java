package rivulus.rig;

import java.util.LinkedHashMap;
import java.util.SequencedMap;

/// The figures of a finding, in order.
final class Figures {
    private Figures() {}

    static SequencedMap<String, Double> of(Object... namesAndValues) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2)
            figures.put((String) namesAndValues[i], ((Number) namesAndValues[i + 1]).doubleValue());
        return figures;
    }
}
