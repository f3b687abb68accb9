package rivulus.level;

import java.util.Optional;
import rivulus.gear.Amplifies;
import rivulus.gear.Knob;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// A gain knob at an input, and what it comes to with what is plugged in.
///
/// @param from the point that it amplifies
/// @param forLineUpDb the gain in dB by which what comes in stands at line-up: what the knob's 0 dB
///     means; NaN where the input tells no gain, as of a microphone with a converter of its own
/// @param turnedDb how the knob stands against that, in dB; negative infinity where it is off
public record Preamp(KnobUse use, Knob.Level knob, Ref from, double forLineUpDb, double turnedDb) {
    private static final double NOBODY_MINDS_DB = 1;

    /// The gain as the machine counts it, in dB; NaN where it tells none.
    public double gainDb() {
        return forLineUpDb + turnedDb;
    }

    /// The same input with its knob turned otherwise.
    public Preamp at(double db) {
        return new Preamp(use, knob, from, forLineUpDb, db);
    }

    /// By how much the gain lies over the top of the knob, or under its bottom (negative); 0 where
    /// it can be set.
    public double outOfReachDb() {
        if (knob.amplifies().isEmpty() || Double.isNaN(gainDb()) || Double.isInfinite(turnedDb))
            return 0;
        Amplifies reach = knob.amplifies().get();
        double beyond =
                Math.max(gainDb() - reach.toDb(), 0) + Math.min(gainDb() - reach.fromDb(), 0);
        return Math.abs(beyond) < NOBODY_MINDS_DB ? 0 : beyond;
    }

    /// The gain in the gear's own marks: "46 dB", "46 dB, about 7½ of 10", "46 dB, until loud
    /// moments end in the green".
    public String marks() {
        if (Double.isInfinite(turnedDb)) return "off";
        Optional<Amplifies> reach = knob.amplifies();
        if (reach.isEmpty() || Double.isNaN(gainDb()))
            return turnedDb == 0 ? "as usual" : Words.db(turnedDb) + " against usual";
        double travel = reach.get().travel(gainDb());
        String gain = Words.figure(gainDb(), 0, "dB");
        return switch (reach.get().marks()) {
            case DB -> gain;
            case TEN -> "%s, about %s of 10".formatted(gain, halves(10 * travel));
            case GREEN -> "%s, until loud moments end in the green".formatted(gain);
        };
    }

    private static String halves(double value) {
        long twice = Math.round(2 * value);
        return twice % 2 == 0 ? String.valueOf(twice / 2) : twice / 2 + "½";
    }
}
