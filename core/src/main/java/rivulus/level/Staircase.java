package rivulus.level;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.math3.special.Erf;
import rivulus.gear.Knob;
import rivulus.gear.Speech;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;

/// One source on its strongest way to one ear, step by step: how loud, how loud its peaks, what
/// clips, what hisses.
///
/// All levels are in dB against line-up, the same at every step; each step's [Scale] says what a
/// meter there reads. Noise adds as power and is raised and lowered with all that stands behind it.
///
/// @param crestDb how far the peaks of loud moments lie over them
public record Staircase(Way way, List<Stair> stairs, double crestDb) {
    public Staircase {
        stairs = List.copyOf(stairs);
    }

    /// One point of the way.
    ///
    /// @param leg by which it is reached; empty for the first
    /// @param db the loud moments
    /// @param noiseDb all noise that has come together, A-weighted; negative infinity where there
    ///     is none
    /// @param preamp the gain knob on the leg, where it is one
    public record Stair(
            Node node,
            Optional<Leg> leg,
            double db,
            double noiseDb,
            Scale scale,
            Optional<Preamp> preamp) {
        /// The average: one σ of a talker's level below the loud moments.
        public double averageDb() {
            return db - Speech.SPREAD_DB;
        }

        /// How far the average lies over the noise.
        public double signalToNoiseDb() {
            return averageDb() - noiseDb;
        }
    }

    /// What made a part of the noise at the end.
    ///
    /// @param at the place of its step among the stairs
    /// @param endDb how loud it is at the end
    public record Hiss(int at, String what, double endDb) {
        /// Whether it is what a room sounds of by itself.
        public boolean isRoom() {
            return what.equals(Scale.Noise.ROOM);
        }
    }

    /// The strongest way of a source to an ear; empty where it does not come.
    public static Optional<Staircase> of(
            LiveGraph live, LevelMap levels, Limits limits, String source, String ear) {
        return Ways.of(live)
                .strongest(source, ear, 1)
                .first()
                .map(way -> along(way, live, levels, limits));
    }

    /// A way, step by step.
    public static Staircase along(Way way, LiveGraph live, LevelMap levels, Limits limits) {
        List<Stair> stairs = new ArrayList<>();
        Scale first = levels.at(way.start().point());
        double noise = power(noises(first, Optional.empty()));
        stairs.add(
                new Stair(
                        way.start(),
                        Optional.empty(),
                        0,
                        decibels(noise),
                        first,
                        Optional.empty()));
        double before = 0;
        for (Way.Step step : way.steps()) {
            Scale scale = levels.at(step.to().point());
            noise *= Math.pow(10, (step.gainDb() - before) / 10);
            noise += power(noises(scale, Optional.of(step.leg())));
            before = step.gainDb();
            stairs.add(
                    new Stair(
                            step.to(),
                            Optional.of(step.leg()),
                            before,
                            decibels(noise),
                            scale,
                            levels.preamp(live, step.leg())));
        }
        return new Staircase(way, stairs, limits.get(Limit.CREST));
    }

    /// What hisses at a point, and on the leg to it.
    private static List<Scale.Noise> noises(Scale scale, Optional<Leg> leg) {
        List<Scale.Noise> noises = new ArrayList<>(scale.noise());
        leg.flatMap(LevelMap::noiseOf).ifPresent(noises::add);
        return noises;
    }

    private static double power(List<Scale.Noise> noises) {
        return noises.stream().mapToDouble(Scale.Noise::power).sum();
    }

    private static double decibels(double power) {
        return 10 * Math.log10(power);
    }

    /// Where it ends.
    public Stair end() {
        return stairs.getLast();
    }

    /// The peaks of loud moments at a step.
    public double peakDb(Stair stair) {
        return stair.db() + crestDb;
    }

    /// How far the peaks of loud moments lie under what clips at a step; negative where they clip.
    public double headroomDb(Stair stair) {
        return stair.scale().ceilingDb() - peakDb(stair);
    }

    /// The step that clips first.
    public Stair tightest() {
        return stairs.stream().min(Comparator.comparingDouble(this::headroomDb)).orElseThrow();
    }

    /// The headroom of the whole way: that of its tightest step; infinite where nothing clips.
    public double headroomDb() {
        return headroomDb(tightest());
    }

    /// In which part of the time the peaks go over what clips at the tightest step, 0 to 1: a
    /// talker's short-term level is taken to be normal around the average, loud moments one σ over
    /// it.
    public double clippedShare() {
        double sigmas = 1 + headroomDb() / Speech.SPREAD_DB;
        return 0.5 * (1 - Erf.erf(sigmas / Math.sqrt(2)));
    }

    /// How far the average lies over all noise at the end.
    public double signalToNoiseDb() {
        return end().signalToNoiseDb();
    }

    /// Whether it ends in an open ear, which hears its own room.
    public boolean endsInTheRoom() {
        return end().scale().noise().stream()
                .anyMatch(noise -> noise.what().equals(Scale.Noise.ROOM));
    }

    /// What the noise at the end is made of, loudest first.
    public List<Hiss> hisses() {
        List<Hiss> hisses = new ArrayList<>();
        double end = end().db();
        for (int at = 0; at < stairs.size(); at++) {
            Stair stair = stairs.get(at);
            for (Scale.Noise noise : noises(stair.scale(), stair.leg()))
                hisses.add(new Hiss(at, noise.what(), noise.db() + end - stair.db()));
        }
        hisses.sort(Comparator.comparingDouble(Hiss::endDb).reversed());
        return hisses;
    }

    /// The last level up to a step by which what comes there can be turned; empty where nothing
    /// can.
    public Optional<KnobUse> knobBefore(Stair stair, LiveGraph live) {
        Optional<KnobUse> last = Optional.empty();
        for (Stair at : stairs) {
            if (at.leg().isPresent())
                for (Leg.Govern govern : at.leg().get().governors()) {
                    KnobUse use = live.graph().knobs().get(govern.knob());
                    if (use.knob() instanceof Knob.Level) last = Optional.of(use);
                }
            if (at.equals(stair)) break;
        }
        return last;
    }

    /// Where its way passes a point.
    public Optional<Stair> at(Ref point) {
        return stairs.stream().filter(stair -> stair.node().point().equals(point)).findFirst();
    }
}
