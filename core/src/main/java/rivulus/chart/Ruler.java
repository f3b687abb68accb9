package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;

/// The arrivals of one ear: a row for each source that is heard, with everything that follows its
/// first arrival.
///
/// Times are gaps after what is heard first, since it is gaps that fuse, colour, slap and echo. For
/// one's own voice that first thing is the voice inside the head, at 0 ms.
public record Ruler(List<Row> rows) {
    /// The least gap on the log axis, in ms.
    public static final double LEAST_MS = 0.5;

    /// The greatest gap on the log axis, in ms.
    public static final double MOST_MS = 1000;

    public Ruler {
        rows = List.copyOf(rows);
    }

    /// The arrivals of one source.
    ///
    /// @param firstMs when it is first heard after it was made
    /// @param own whether it is the listener's own voice
    public record Row(
            String source, double firstMs, boolean own, Verdict verdict, List<Drop> drops) {
        public Row {
            drops = List.copyOf(drops);
        }

        /// Whether a second drop is to be joined to the first.
        public boolean isDoubled() {
            return drops.size() > 1 && !verdict.isGood();
        }
    }

    /// One arrival.
    ///
    /// @param gapMs after the first
    /// @param levelDb against nominal
    public record Drop(double gapMs, double levelDb) {}

    /// The arrivals of an ear in a scene, in the order of the cast.
    public static Ruler of(SceneProof scene, Ear ear) {
        List<Row> rows = new ArrayList<>();
        for (SceneProof.Heard cell : scene.of(ear.id())) {
            List<Arrival> arrivals = drawn(cell, scene.show().checks().limits());
            if (!arrivals.isEmpty()) rows.add(row(scene, cell, arrivals));
        }
        return new Ruler(rows);
    }

    private static List<Arrival> drawn(SceneProof.Heard cell, Limits limits) {
        double loudest =
                cell.hearing().strongest().map(Arrival::levelDb).orElse(Double.NEGATIVE_INFINITY);
        double faintest =
                Math.max(loudest - limits.get(Limit.ARRIVAL_DRAWN), limits.get(Limit.DRAWN));
        return cell.hearing().arrivals().stream()
                .filter(arrival -> arrival.levelDb() > faintest)
                .toList();
    }

    private static Row row(SceneProof scene, SceneProof.Heard cell, List<Arrival> arrivals) {
        boolean own =
                cell.ear().kind() == Ear.Kind.PERSON && cell.ear().of().equals(cell.source().id());
        double first = own ? 0 : arrivals.getFirst().ms();
        List<Drop> drops = new ArrayList<>();
        if (own) drops.add(new Drop(0, 0));
        for (Arrival arrival : arrivals)
            drops.add(new Drop(arrival.ms() - first, arrival.levelDb()));
        Verdict verdict = scene.verdict(cell.ear().id(), cell.source().id());
        return new Row(cell.source().id(), arrivals.getFirst().ms(), own, verdict, drops);
    }

    /// Where a gap lies on the log axis, from 0 at [#LEAST_MS] to 1 at [#MOST_MS].
    public static double position(double gapMs) {
        double clamped = Math.clamp(gapMs, LEAST_MS, MOST_MS);
        return Math.log(clamped / LEAST_MS) / Math.log(MOST_MS / LEAST_MS);
    }
}
