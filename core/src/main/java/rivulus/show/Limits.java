package rivulus.show;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/// The lines that the rules draw in one show.
public final class Limits {
    /// The lines as they ship.
    public static final Limits USUAL = new Limits(Map.of());

    private final double[] values = new double[Limit.values().length];

    private Limits(Map<Limit, Double> changed) {
        for (Limit limit : Limit.values())
            values[limit.ordinal()] = changed.getOrDefault(limit, limit.usual());
    }

    /// The lines as they ship, but for some.
    ///
    /// @throws IllegalArgumentException where one is out of its range
    public static Limits of(Map<Limit, Double> changed) {
        changed.forEach(
                (limit, value) -> {
                    if (!(value >= limit.least() && value <= limit.most()))
                        throw new IllegalArgumentException(
                                "%s is %s to %s %s"
                                        .formatted(
                                                limit.word(),
                                                limit.least(),
                                                limit.most(),
                                                limit.unit()));
                });
        return new Limits(changed);
    }

    /// Where a line is drawn, in the unit of the limit.
    public double get(Limit limit) {
        return values[limit.ordinal()];
    }

    /// The same with one line drawn elsewhere.
    public Limits with(Limit limit, double value) {
        Map<Limit, Double> more = changed();
        more.put(limit, value);
        return of(more);
    }

    /// The lines that are not drawn as usual.
    public Map<Limit, Double> changed() {
        Map<Limit, Double> changed = new EnumMap<>(Limit.class);
        for (Limit limit : Limit.values())
            if (get(limit) != limit.usual()) changed.put(limit, get(limit));
        return changed;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Limits limits && Arrays.equals(values, limits.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values);
    }

    @Override
    public String toString() {
        return changed().toString();
    }
}
