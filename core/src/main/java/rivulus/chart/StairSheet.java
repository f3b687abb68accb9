package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import rivulus.level.Preamp;
import rivulus.level.Scale;
import rivulus.level.Staircase;
import rivulus.level.Staircase.Stair;
import rivulus.signal.Node;
import rivulus.words.Words;

/// The staircase of a source on its way to an ear, ready to be drawn: what nothing happens at is
/// left out.
///
/// @param lowDb the bottom of the drawing, against line-up
/// @param highDb its top
public record StairSheet(List<Step> steps, double lowDb, double highDb) {
    /// Less is not told as clipping.
    static final double HAIR_DB = 0.05;

    /// Noise that is fainter is not drawn.
    private static final double BOTTOM_DB = -90;

    private static final double SAME_DB = 0.05;

    public StairSheet {
        steps = List.copyOf(steps);
    }

    /// One step. Levels are against line-up.
    ///
    /// @param device the machine, or who
    /// @param point what is written there; or empty
    /// @param ceilingDb what clips; infinite where nothing does
    /// @param reads what a meter there reads of the average: "−24 dBFS"
    /// @param gain how a gain knob before it stands, in its own marks; or empty
    /// @param acts the processors before it that are on: "low cut", "compressor −4.0 dB"
    /// @param tight whether it is the step with the least headroom
    /// @param noisy whether most of the noise at the end comes from here
    public record Step(
            String device,
            String point,
            double averageDb,
            double loudDb,
            double peakDb,
            double noiseDb,
            double ceilingDb,
            String reads,
            String gain,
            List<String> acts,
            boolean tight,
            boolean noisy) {
        public Step {
            acts = List.copyOf(acts);
        }

        /// Whether peaks go over what clips.
        public boolean clips() {
            return peakDb > ceilingDb + HAIR_DB;
        }

        /// In words, for who does not see it.
        public String words() {
            String where = point.isEmpty() ? device : device + ", " + point;
            String room =
                    Double.isInfinite(ceilingDb)
                            ? ""
                            : clips()
                                    ? ", clips by " + Words.db(peakDb - ceilingDb)
                                    : ", "
                                            + Words.db(Math.max(0, ceilingDb - peakDb))
                                            + " of headroom";
            return where
                    + ": "
                    + reads
                    + (gain.isEmpty() ? "" : ", gain " + gain)
                    + acts.stream().map(", "::concat).collect(Collectors.joining())
                    + room;
        }
    }

    /// A staircase.
    public static StairSheet of(Staircase way) {
        List<Integer> kept = kept(way);
        Stair tight = way.tightest();
        int noisy = way.hisses().stream().findFirst().map(Staircase.Hiss::at).orElse(-1);
        List<Staircase.Worked> works = way.works();
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < kept.size(); i++) {
            int at = kept.get(i);
            int next = i + 1 < kept.size() ? kept.get(i + 1) : way.stairs().size();
            Stair stair = way.stairs().get(at);
            steps.add(
                    new Step(
                            stair.node().device(),
                            point(way, at, next),
                            stair.averageDb(),
                            stair.db(),
                            stair.peakDb(),
                            stair.noiseDb(),
                            stair.scale().ceilingDb(),
                            stair.scale().say(stair.averageDb()),
                            stair.preamp().map(Preamp::marks).orElse(""),
                            acts(works, at, next),
                            way.stairs().subList(at, next).contains(tight)
                                    && Double.isFinite(way.headroomDb()),
                            noisy >= at && noisy < next));
        }
        double low = steps.stream().mapToDouble(Step::noiseDb).min().orElse(0);
        double high =
                steps.stream()
                        .mapToDouble(s -> Math.max(s.peakDb(), finite(s.ceilingDb(), s.peakDb())))
                        .max()
                        .orElse(0);
        return new StairSheet(
                steps,
                Math.max(BOTTOM_DB, Double.isInfinite(low) ? BOTTOM_DB : low - 6),
                Math.min(high, MOST_OVER) + 3);
    }

    private static List<String> acts(List<Staircase.Worked> works, int from, int to) {
        return works.stream()
                .filter(worked -> worked.at() >= from && worked.at() < to)
                .map(
                        worked -> {
                            double by = worked.outDb() - worked.inDb();
                            String kind = worked.block().kind().words();
                            return Math.abs(by) < SAME_DB ? kind : kind + " " + Words.stepDb(by);
                        })
                .toList();
    }

    /// Room over line-up beyond this is not drawn.
    private static final double MOST_OVER = 30;

    private static double finite(double value, double otherwise) {
        return Double.isInfinite(value) ? otherwise : value;
    }

    /// The label of a group of points: the first that has one.
    private static String point(Staircase way, int from, int to) {
        return way.stairs().subList(from, to).stream()
                .map(stair -> stair.node().label())
                .filter(label -> !label.isEmpty())
                .findFirst()
                .orElse("");
    }

    private static List<Integer> kept(Staircase way) {
        List<Integer> kept = new ArrayList<>();
        for (int at = 0; at < way.stairs().size(); at++)
            if (kept.isEmpty() || !isAlike(way.stairs().get(kept.getLast()), way.stairs().get(at)))
                kept.add(at);
        return kept;
    }

    private static boolean isAlike(Stair before, Stair here) {
        Node a = before.node();
        Node b = here.node();
        Scale one = before.scale();
        Scale other = here.scale();
        return a.device().equals(b.device())
                && (a.label().equals(b.label()) || a.label().isEmpty() || b.label().isEmpty())
                && one.unit() == other.unit()
                && near(one.lineUp(), other.lineUp())
                && near(one.ceilingDb(), other.ceilingDb())
                && near(before.db(), here.db())
                && near(before.noiseDb(), here.noiseDb())
                && here.preamp().isEmpty()
                && here.stretch().blocks().isEmpty();
    }

    private static boolean near(double a, double b) {
        return a == b || Math.abs(a - b) < SAME_DB;
    }
}
