package rivulus.level;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.apache.commons.math3.special.Erf;
import rivulus.gear.Block;
import rivulus.gear.Knob;
import rivulus.gear.Processor.Part;
import rivulus.gear.Speech;
import rivulus.gear.Talker;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.level.Stretch.Moment;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;

/// One source on its strongest way to one ear, step by step: how loud, how loud its peaks, what
/// clips, what hisses, and what every processor does to it.
///
/// All levels are in dB against line-up, the same at every step; each step's [Scale] says what a
/// meter there reads. Noise adds as power and is raised and lowered with all that stands behind it;
/// a compressor lifts it by all its make-up, since it is too soft to be held back.
///
/// A talker's short-term level is taken to be normal, one σ ([Speech#SPREAD_DB]) under the loud
/// moments on average; what becomes of any moment of it is followed through every step. The average
/// is what a loudness meter goes by: the mean power, told so that it lies that far under loud
/// moments where nothing acted on them.
///
/// @param crestDb how far the peaks of loud moments lie over them, where nothing limits them
public record Staircase(Way way, List<Stair> stairs, double crestDb) {
    public Staircase {
        stairs = List.copyOf(stairs);
    }

    /// One point of the way.
    ///
    /// @param leg by which it is reached; empty for the first
    /// @param stretch what that leg makes of levels
    /// @param db the loud moments
    /// @param averageDb the average
    /// @param peakDb the peaks of the loud moments
    /// @param noiseDb all noise that has come together while somebody talks, A-weighted; negative
    ///     infinity where there is none
    /// @param pauseDb the same while nobody talks, with gates closed
    /// @param liftDb by how much noise was lifted since the first step
    /// @param preamp the gain knob on the leg, where it is one
    public record Stair(
            Node node,
            Optional<Leg> leg,
            Stretch stretch,
            double db,
            double averageDb,
            double peakDb,
            double noiseDb,
            double pauseDb,
            double liftDb,
            Scale scale,
            Optional<Preamp> preamp) {
        /// How far the average lies over the noise.
        public double signalToNoiseDb() {
            return averageDb() - noiseDb;
        }

        private Moment loud() {
            return new Moment(db, peakDb);
        }
    }

    /// A processor on the way, and what it does to this source.
    ///
    /// @param at the place of its step among the stairs
    /// @param nth its place on that step's leg
    /// @param inDb loud moments as they come in
    /// @param outDb and as they go out
    /// @param inAverageDb the average as it comes in
    /// @param outAverageDb and as it goes out
    /// @param inPeakDb the peaks of loud moments as they come in
    /// @param outPeakDb and as they go out
    /// @param noiseDb the noise that comes in while nobody talks
    public record Worked(
            int at,
            int nth,
            Block block,
            double inDb,
            double outDb,
            double inAverageDb,
            double outAverageDb,
            double inPeakDb,
            double outPeakDb,
            double noiseDb) {
        /// The make-up with which a compressor keeps the average of this source, in dB.
        public double keepingMakeUpDb() {
            return block.at(Part.MAKE_UP) + inAverageDb - outAverageDb;
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
        double crest = limits.get(Limit.CREST);
        List<Stair> stairs = new ArrayList<>();
        Scale first = levels.at(way.start().point());
        double noise = decibels(power(noises(first, Optional.empty())));
        stairs.add(
                new Stair(
                        way.start(),
                        Optional.empty(),
                        Stretch.NONE,
                        0,
                        -Speech.SPREAD_DB,
                        crest,
                        noise,
                        noise,
                        0,
                        first,
                        Optional.empty()));
        double gain = 0;
        Talker talker = Talker.START;
        for (Way.Step step : way.steps()) {
            Stretch stretch = Stretch.of(live, step.leg(), step.gainDb() - gain, talker);
            gain = step.gainDb();
            talker = stretch.after(talker);
            stairs.add(next(stairs.getLast(), step, stretch, talker, live, levels));
        }
        return new Staircase(way, stairs, crest);
    }

    private static Stair next(
            Stair before,
            Way.Step step,
            Stretch stretch,
            Talker talker,
            LiveGraph live,
            LevelMap levels) {
        Scale scale = levels.at(step.to().point());
        Moment now = stretch.after(before.loud());
        double more = power(noises(scale, Optional.of(step.leg())));
        return new Stair(
                step.to(),
                Optional.of(step.leg()),
                stretch,
                now.db(),
                talker.averageDb(),
                now.peakDb(),
                decibels(more + power(stretch.noise(before.noiseDb(), false))),
                decibels(more + power(stretch.noise(before.pauseDb(), true))),
                before.liftDb() + stretch.noiseGain(before.noiseDb()),
                scale,
                levels.preamp(live, step.leg()));
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

    private static double power(double db) {
        return Math.pow(10, db / 10);
    }

    private static double decibels(double power) {
        return 10 * Math.log10(power);
    }

    /// Where it ends.
    public Stair end() {
        return stairs.getLast();
    }

    /// How far the peaks of loud moments lie under what clips at a step; negative where they clip.
    public double headroomDb(Stair stair) {
        return stair.scale().ceilingDb() - stair.peakDb();
    }

    /// The step that clips first.
    public Stair tightest() {
        return stairs.stream().min(Comparator.comparingDouble(this::headroomDb)).orElseThrow();
    }

    /// The headroom of the whole way: that of its tightest step; infinite where nothing clips.
    public double headroomDb() {
        return headroomDb(tightest());
    }

    /// In which part of the time the peaks go over what clips at the tightest step, 0 to 1.
    public double clippedShare() {
        Stair tight = tightest();
        int at = stairs.indexOf(tight);
        double ceiling = tight.scale().ceilingDb();
        return 1 - shareUnder(source(talk -> after(at, talk).peakDb(), ceiling));
    }

    /// Every processor that is on, on the way.
    public List<Worked> works() {
        List<Worked> works = new ArrayList<>();
        for (int at = 1; at < stairs.size(); at++) {
            Stair before = stairs.get(at - 1);
            Stretch stretch = stairs.get(at).stretch();
            List<Double> noises = stretch.noises(before.pauseDb(), true);
            List<Double> averages = new ArrayList<>(stretch.averages());
            averages.add(stairs.get(at).averageDb() - stretch.behindDb());
            for (int nth = 0; nth < stretch.blocks().size(); nth++) {
                Moment in = stretch.at(nth, before.loud());
                Moment out = stretch.at(nth + 1, before.loud());
                works.add(
                        new Worked(
                                at,
                                nth,
                                stretch.blocks().get(nth),
                                in.db(),
                                out.db(),
                                averages.get(nth),
                                averages.get(nth + 1),
                                in.peakDb(),
                                out.peakDb(),
                                noises.get(nth)));
            }
        }
        return works;
    }

    /// In which part of the time a source comes to a processor softer than a level, 0 to 1.
    public double shareUnder(Worked worked, double db) {
        return shareUnder(
                source(
                        talk ->
                                stairs.get(worked.at())
                                        .stretch()
                                        .at(worked.nth(), after(worked.at() - 1, talk))
                                        .db(),
                        db));
    }

    /// The loudness range at the end, from the softest tenth to the loudest twentieth, in LU (as
    /// EBU Tech 3342 takes it).
    public double rangeLu() {
        return after(stairs.size() - 1, moment(LOUDEST)).db()
                - after(stairs.size() - 1, moment(SOFTEST)).db();
    }

    /// The same of a talker before anything acts on it.
    public static double rangeOfSpeechLu() {
        return (LOUDEST - SOFTEST) * Speech.SPREAD_DB;
    }

    /// By how much the average at the end is louder than the gains of the way alone would have it,
    /// with every processor as it acts on a voice at nominal; 0 where none is on.
    public double unlikeNominalDb() {
        double gains = way.steps().isEmpty() ? 0 : way.steps().getLast().gainDb();
        return end().averageDb() + Speech.SPREAD_DB - gains;
    }

    private static final double SOFTEST = -1.2816;
    private static final double LOUDEST = 1.6449;

    /// A moment so many σ over a talker's average.
    private Moment moment(double sigmas) {
        double db = (sigmas - 1) * Speech.SPREAD_DB;
        return new Moment(db, db + crestDb);
    }

    /// What a moment has become at a step.
    private Moment after(int at, Moment moment) {
        Moment now = moment;
        for (Stair stair : stairs.subList(0, at + 1)) now = stair.stretch().after(now);
        return now;
    }

    /// How many σ over the average a talker has to be for something that rises with that to come to
    /// a level; infinite where it never does.
    private double source(ToDoubleFunction<Moment> what, double db) {
        double low = -MOST_SIGMAS;
        double high = MOST_SIGMAS;
        if (what.applyAsDouble(moment(high)) <= db) return Double.POSITIVE_INFINITY;
        while (high - low > 1e-6) {
            double middle = (low + high) / 2;
            if (what.applyAsDouble(moment(middle)) > db) high = middle;
            else low = middle;
        }
        return high;
    }

    private static final double MOST_SIGMAS = 12;

    /// In which part of the time a talker is not so many σ over the average.
    private static double shareUnder(double sigmas) {
        if (Double.isInfinite(sigmas)) return 1;
        return 0.5 * (1 + Erf.erf(sigmas / Math.sqrt(2)));
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
        double end = end().liftDb();
        for (int at = 0; at < stairs.size(); at++) {
            Stair stair = stairs.get(at);
            for (Scale.Noise noise : noises(stair.scale(), stair.leg()))
                hisses.add(new Hiss(at, noise.what(), noise.db() + end - stair.liftDb()));
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
