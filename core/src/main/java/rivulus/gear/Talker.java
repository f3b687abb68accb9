package rivulus.gear;

import java.util.function.DoubleUnaryOperator;

/// The levels of a talker at one point, as many as he has moments: normal around one σ
/// ([Speech#SPREAD_DB]) under his loud moments where nothing acted on them yet, from −3 to 3 σ.
public final class Talker {
    private static final int EACH_SIDE = 60;
    private static final double STEP = 0.05;

    /// Where nothing acted on it yet, loud moments at line-up.
    public static final Talker START = start();

    /// The mean power of a talker is louder than the mean of his levels; told is what lies so far
    /// under it, so that the average is one σ under loud moments at the start.
    private static final double OVER_MEAN_DB = START.power() + Speech.SPREAD_DB;

    private final double[] db;
    private final double by;

    private Talker(double[] db, double by) {
        this.db = db;
        this.by = by;
    }

    private static Talker start() {
        double[] db = new double[2 * EACH_SIDE + 1];
        for (int i = 0; i < db.length; i++) db[i] = ((i - EACH_SIDE) * STEP - 1) * Speech.SPREAD_DB;
        return new Talker(db, 0);
    }

    /// The same with a gain.
    public Talker by(double gainDb) {
        return new Talker(db, by + gainDb);
    }

    /// The same behind a processor.
    public Talker through(Block block) {
        double average = averageDb();
        return each(moment -> block.after(moment, average));
    }

    private Talker each(DoubleUnaryOperator change) {
        double[] changed = new double[db.length];
        for (int i = 0; i < db.length; i++) changed[i] = change.applyAsDouble(db[i] + by);
        return new Talker(changed, 0);
    }

    /// The average in dB against line-up: what a loudness meter goes by.
    public double averageDb() {
        return power() - OVER_MEAN_DB;
    }

    /// The mean power, in dB.
    private double power() {
        double sum = 0;
        double weights = 0;
        for (int i = 0; i < db.length; i++) {
            double sigmas = (i - EACH_SIDE) * STEP;
            double weight = Math.exp(-sigmas * sigmas / 2);
            sum += weight * Math.pow(10, db[i] / 10);
            weights += weight;
        }
        return 10 * Math.log10(sum / weights) + by;
    }
}
