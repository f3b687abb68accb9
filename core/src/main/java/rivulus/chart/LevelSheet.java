package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.level.Advice;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Source;
import rivulus.words.Words;

/// How loud everything is at one ear.
///
/// @param rows one for each source that comes, in the order of the show
/// @param chosen the one whose staircase is drawn; empty where none comes
public record LevelSheet(List<Row> rows, Optional<Row> chosen) {
    public LevelSheet {
        rows = List.copyOf(rows);
    }

    /// One source at the ear.
    ///
    /// @param advice what to do, the worst first
    public record Row(Source source, Staircase way, List<Advice> advice) {
        public Row {
            advice = List.copyOf(advice);
        }

        /// Whether it has room and is quiet.
        public boolean isWell() {
            return advice.stream().noneMatch(Advice::isTrouble);
        }

        /// In words: "−24 dBFS on average, 6 dB of headroom, 41 dB over the noise".
        public String words() {
            Staircase.Stair end = way.end();
            List<String> words = new ArrayList<>();
            words.add(end.scale().say(end.averageDb()) + " on average");
            double headroom = way.headroomDb();
            if (Double.isFinite(headroom))
                words.add(
                        headroom < -StairSheet.HAIR_DB
                                ? "clips by " + Words.db(-headroom)
                                : Words.db(Math.max(0, headroom)) + " of headroom");
            double noise = way.signalToNoiseDb();
            if (Double.isFinite(noise)) words.add(Words.db(noise) + " over the noise");
            return String.join(", ", words);
        }

        /// What most of the noise is, and where; empty where there is none.
        public Optional<String> noise() {
            return way.hisses().stream()
                    .findFirst()
                    .map(
                            hiss ->
                                    hiss.isRoom()
                                            ? hiss.what()
                                            : hiss.what()
                                                    + " at "
                                                    + way.stairs().get(hiss.at()).node().words());
        }

        /// What is wrong with it, in a word; empty where nothing is.
        public Optional<String> trouble() {
            if (isWell()) return Optional.empty();
            return Optional.of(way.headroomDb() < 0 ? "clips" : "noisy");
        }

        /// Its staircase, ready to be drawn.
        public StairSheet stairs() {
            return StairSheet.of(way);
        }
    }

    /// What there is to say of an ear in a scene.
    ///
    /// @param source the source whose staircase is wanted; where it does not come, that of the
    ///     source that most is to be said of
    public static LevelSheet of(Proof proof, SceneProof scene, Ear ear, String source) {
        String in = scene.scene().id();
        List<Row> rows = new ArrayList<>();
        for (SceneProof.Heard cell : scene.of(ear.id())) {
            if (cell.hearing().levelDb() < scene.limit(Limit.HEARD)) continue;
            proof.staircase(in, cell.source().id(), ear.id())
                    .map(
                            way ->
                                    new Row(
                                            cell.source(),
                                            way,
                                            Advice.of(
                                                    way, scene.tracer().live(), proof.show(), in)))
                    .ifPresent(rows::add);
        }
        return new LevelSheet(rows, chosen(rows, source));
    }

    private static Optional<Row> chosen(List<Row> rows, String source) {
        Optional<Row> most = Optional.empty();
        for (Row row : rows) {
            if (row.source().id().equals(source)) return Optional.of(row);
            if (most.isEmpty() || row.advice().size() > most.get().advice().size())
                most = Optional.of(row);
        }
        return most;
    }
}
