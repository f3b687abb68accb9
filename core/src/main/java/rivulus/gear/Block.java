package rivulus.gear;

import java.util.HashMap;
import java.util.Map;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;

/// A processor that is on, as it stands: what it makes of levels.
///
/// Only its static behaviour is told, by level and not by time: what it does to a sound that lasts
/// longer than its attack and its release. All levels are in dB against line-up.
///
/// @param figures for every part of its kind, levels as the gear tells them
public record Block(Processor processor, Map<Part, Double> figures) {
    public Block {
        figures = Map.copyOf(figures);
    }

    /// A figure, as the gear tells it.
    public double at(Part part) {
        return figures.get(part);
    }

    /// A level among its figures, against line-up.
    public double level(Part part) {
        return at(part) - processor.unit().lineUp();
    }

    /// The same with one figure otherwise.
    public Block with(Part part, double figure) {
        Map<Part, Double> other = new HashMap<>(figures);
        other.put(part, figure);
        return new Block(processor, other);
    }

    /// What kind of processor it is.
    public Kind kind() {
        return processor.kind();
    }

    /// What becomes of a level that lasts.
    ///
    /// @param db what comes in
    /// @param averageDb the long-term level of that sound, which a leveller goes by
    public double after(double db, double averageDb) {
        return switch (kind()) {
            case LOW_CUT, EQUALISER, DE_ESSER -> db;
            case GATE -> db < level(Part.THRESHOLD) ? db - at(Part.RANGE) : db;
            case COMPRESSOR -> db + at(Part.MAKE_UP) - heldBack(db);
            case LEVELLER ->
                    db
                            + Math.clamp(
                                    level(Part.TARGET) - averageDb,
                                    -at(Part.RANGE),
                                    at(Part.RANGE));
            case LIMITER -> Math.min(db, level(Part.CEILING));
        };
    }

    /// What becomes of a peak that is too short for all but a limiter.
    ///
    /// @param peakDb the peak that comes in
    /// @param db the level around it, as it comes in
    /// @param afterDb and as it goes out
    public double peakAfter(double peakDb, double db, double afterDb) {
        return kind() == Kind.LIMITER
                ? Math.min(peakDb, level(Part.CEILING))
                : peakDb + afterDb - db;
    }

    /// By how many dB a compressor holds a level back: nothing under its knee, all that is over the
    /// threshold but for one part in its ratio above the knee, and a parabola between (Giannoulis,
    /// Massberg, Reiss 2012).
    private double heldBack(double db) {
        double over = db - level(Part.THRESHOLD);
        double knee = at(Part.KNEE);
        double share = 1 - 1 / at(Part.RATIO);
        if (2 * over <= -knee) return 0;
        if (2 * over < knee) return share * Math.pow(over + knee / 2, 2) / (2 * knee);
        return share * over;
    }

    /// What it does to what is too soft for it to hold back, with everybody's gate open: the most
    /// that it ever lifts.
    public double mostDb() {
        return switch (kind()) {
            case COMPRESSOR -> at(Part.MAKE_UP);
            case LEVELLER -> at(Part.RANGE);
            default -> 0;
        };
    }

    /// By how much it makes sound late, in ms.
    public double ms() {
        return figures.getOrDefault(Part.LOOK_AHEAD, 0.0);
    }
}
