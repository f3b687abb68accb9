package rivulus.gear;

import java.util.Map;
import java.util.Set;

/// How one knob governs one route.
///
/// A level adds its decibels, a time its milliseconds. A switch or a choice opens, closes or
/// weakens the route according to `effects`: setting word to gain in dB, negative infinity for
/// closed; words that are not listed get `otherwiseDb`. It makes the route later according to
/// `delays`: setting word to ms, such as a buffer of so many frames; words that are not listed add
/// nothing. It does so while one of some ports is used, where any are named: a headset silences a
/// loudspeaker only where one is plugged in.
public record Governor(
        String knob,
        Map<String, Double> effects,
        double otherwiseDb,
        Map<String, Double> delays,
        Set<String> whileUsed) {
    public Governor {
        effects = Map.copyOf(effects);
        delays = Map.copyOf(delays);
        whileUsed = Set.copyOf(whileUsed);
    }

    /// A governor whatever is plugged in.
    public Governor(
            String knob,
            Map<String, Double> effects,
            double otherwiseDb,
            Map<String, Double> delays) {
        this(knob, effects, otherwiseDb, delays, Set.of());
    }

    /// A governor that delays nothing.
    public Governor(String knob, Map<String, Double> effects, double otherwiseDb) {
        this(knob, effects, otherwiseDb, Map.of());
    }

    /// A level that adds its decibels, or a time that adds its milliseconds.
    public static Governor plain(String knob) {
        return new Governor(knob, Map.of(), 0);
    }

    /// Decibels that this knob adds to its route when it stands so; negative infinity closes the
    /// route.
    public double gainDb(Setting setting) {
        return switch (setting) {
            case Setting.Level(double db) -> db;
            case Setting.Time _ -> 0;
            case Setting.Switch _, Setting.Choice _ ->
                    effects.getOrDefault(setting.word(), otherwiseDb);
        };
    }

    /// Milliseconds that this knob adds to its route when it stands so.
    public double delayMs(Setting setting) {
        return switch (setting) {
            case Setting.Time(double ms) -> ms;
            case Setting.Level _ -> 0;
            case Setting.Switch _, Setting.Choice _ -> delays.getOrDefault(setting.word(), 0.0);
        };
    }

    /// Whether the route is open when the knob stands so.
    public boolean opens(Setting setting) {
        return gainDb(setting) > Double.NEGATIVE_INFINITY;
    }
}
