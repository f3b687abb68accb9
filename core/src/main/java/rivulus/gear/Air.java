package rivulus.gear;

import java.util.Map;

/// How a room carries sound.
///
/// @param criticalDistanceM where the direct sound and the room's own are equally loud, in metres:
///     short in a hard room, long in a soft one
/// @param temperatureC for the speed of sound
/// @param words plain words for distances, in metres: "at the mouth", "across the room"
/// @param otherwise the word for any pair nobody has placed
/// @param noiseDba how loud the room is when nobody speaks, in dB(A)
public record Air(
        double criticalDistanceM,
        double temperatureC,
        Map<String, Double> words,
        String otherwise,
        double noiseDba) {
    public Air {
        words = Map.copyOf(words);
    }

    /// Metres per second: 331.3 + 0.606 · T, T in °C (REFERENCE: 343.4 m/s at 20 °C).
    public double speed() {
        return 331.3 + 0.606 * temperatureC;
    }

    /// Milliseconds for that many metres.
    public double delayMs(double metres) {
        return 1000 * metres / speed();
    }

    /// Level at a distance against the level at one metre in the open, in dB: direct sound falls 6
    /// dB a doubling, the room's own sound stays, and both add as power.
    public double levelDb(double metres) {
        return 10 * Math.log10(1 / (metres * metres) + 1 / (criticalDistanceM * criticalDistanceM));
    }
}
