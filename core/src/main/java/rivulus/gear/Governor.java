package rivulus.gear;

import java.util.Map;

/// How one knob governs one route.
///
/// A level adds its decibels. A switch or a choice opens, closes or weakens the route according to
/// `effects`: setting word to gain in dB, negative infinity for closed; words that are not listed
/// get `otherwiseDb`.
public record Governor(String knob, Map<String, Double> effects, double otherwiseDb) {
    public Governor {
        effects = Map.copyOf(effects);
    }

    /// A level that adds its decibels.
    public static Governor level(String knob) {
        return new Governor(knob, Map.of(), 0);
    }

    /// Decibels that this knob adds to its route when it stands so; negative infinity closes the
    /// route.
    public double gainDb(Setting setting) {
        if (setting instanceof Setting.Level(double db)) return db;
        return effects.getOrDefault(setting.word(), otherwiseDb);
    }

    /// Whether the route is open when the knob stands so.
    public boolean opens(Setting setting) {
        return gainDb(setting) > Double.NEGATIVE_INFINITY;
    }
}
