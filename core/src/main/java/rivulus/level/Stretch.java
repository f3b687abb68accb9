package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import rivulus.gear.Block;
import rivulus.gear.Knob;
import rivulus.gear.Processor;
import rivulus.gear.Talker;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Processing;

/// What one leg of a way makes of levels: a gain, processors, and another gain. A route's gain
/// knobs stand before its processors, all its other knobs behind.
///
/// @param beforeDb the gain before the processors
/// @param blocks those that are on, in their order
/// @param averages the average of the talker before each of them
/// @param behindDb the gain behind them
public record Stretch(double beforeDb, List<Block> blocks, List<Double> averages, double behindDb) {
    private static final double VERY_SOFT_DB = -200;

    /// Where nothing was passed yet.
    static final Stretch NONE = new Stretch(0, List.of(), List.of(), 0);

    public Stretch {
        blocks = List.copyOf(blocks);
        averages = List.copyOf(averages);
    }

    /// A leg of a way.
    ///
    /// @param db its gain in the live graph, its channels and its processors at nominal included
    /// @param talker who comes in
    static Stretch of(LiveGraph live, Leg leg, double db, Talker talker) {
        List<Block> blocks = live.positions().blocks(leg);
        if (blocks.isEmpty()) return new Stretch(db, blocks, List.of(), 0);
        double before = 0;
        for (Leg.Govern govern : leg.governors()) {
            Knob knob = live.graph().knobs().get(govern.knob()).knob();
            if (knob.role() == Knob.Role.GAIN)
                before += govern.governor().gainDb(live.positions().get(govern.knob()));
        }
        List<Double> averages = new ArrayList<>();
        Talker at = talker.by(before);
        for (Block block : blocks) {
            averages.add(at.averageDb());
            at = at.through(block);
        }
        return new Stretch(before, blocks, averages, db - Processing.nominalDb(blocks) - before);
    }

    /// How loud something is at one moment, against line-up.
    ///
    /// @param db its level
    /// @param peakDb its peaks
    record Moment(double db, double peakDb) {
        Moment by(double gainDb) {
            return new Moment(db + gainDb, peakDb + gainDb);
        }
    }

    /// Who goes out.
    Talker after(Talker talker) {
        Talker at = talker.by(beforeDb);
        for (Block block : blocks) at = at.through(block);
        return at.by(behindDb);
    }

    /// What a moment is behind all of it.
    Moment after(Moment moment) {
        return at(blocks.size(), moment).by(behindDb);
    }

    /// What a moment is before its nth block.
    Moment at(int nth, Moment moment) {
        Moment at = moment.by(beforeDb);
        for (int i = 0; i < nth; i++) at = through(i, at);
        return at;
    }

    private Moment through(int nth, Moment moment) {
        Block block = blocks.get(nth);
        double after = block.after(moment.db(), averages.get(nth));
        return new Moment(after, block.peakAfter(moment.peakDb(), moment.db(), after));
    }

    /// The noise before every block, and behind the last.
    ///
    /// @param db how loud it comes in; negative infinity where there is none
    /// @param gates whether gates that are on close, as in a pause; else they are taken to be open,
    ///     as while somebody talks
    List<Double> noises(double db, boolean gates) {
        List<Double> noises = new ArrayList<>();
        double noise = db + beforeDb;
        noises.add(noise);
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            boolean passes = block.kind() == Processor.Kind.GATE && !gates;
            if (!passes && noise > Double.NEGATIVE_INFINITY)
                noise = block.after(noise, averages.get(i));
            noises.add(noise);
        }
        return noises;
    }

    /// What becomes of noise behind all of it.
    double noise(double db, boolean gates) {
        return noises(db, gates).getLast() + behindDb;
    }

    /// By how much it lifts noise that comes in so loud, with gates open.
    double noiseGain(double db) {
        double sample = Double.isInfinite(db) ? VERY_SOFT_DB : db;
        return noise(sample, false) - sample;
    }
}
