package rivulus.chart;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.level.Advice;
import rivulus.level.InputGain;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// How loud everything is at one ear, and how the input gains of the rig stand.
///
/// @param rows one for each source that comes, in the order of the show
/// @param chosen the source whose staircase is drawn; empty where none comes
public record LevelSheet(List<Row> rows, Optional<StairSheet> chosen, List<Gain> gains) {
    private static final int EARS_NAMED = 3;

    public LevelSheet {
        rows = List.copyOf(rows);
        gains = List.copyOf(gains);
    }

    /// One source at the ear.
    ///
    /// @param averageDb at the ear, against line-up
    /// @param reads what a meter there reads of the average
    /// @param headroomDb the least on the way; infinite where nothing clips
    /// @param tight where that is
    /// @param signalToNoiseDb the average over all noise at the ear
    /// @param noise what most of the noise is, and where
    /// @param advice what to do, the worst first
    public record Row(
            Source source,
            double averageDb,
            String reads,
            double headroomDb,
            String tight,
            double signalToNoiseDb,
            String noise,
            List<Advice> advice) {
        public Row {
            advice = List.copyOf(advice);
        }

        /// Whether it has room and is quiet.
        public boolean isWell() {
            return advice.isEmpty();
        }

        /// In words: "−24 dBFS on average, 6 dB of headroom, 41 dB over the noise".
        public String words() {
            List<String> words = new ArrayList<>(List.of(reads + " on average"));
            if (Double.isFinite(headroomDb))
                words.add(
                        headroomDb < 0
                                ? "clips by " + Words.db(-headroomDb)
                                : Words.db(headroomDb) + " of headroom");
            if (Double.isFinite(signalToNoiseDb))
                words.add(Words.db(signalToNoiseDb) + " over the noise");
            return String.join(", ", words);
        }
    }

    /// One input.
    ///
    /// @param place "Show desk · MIC 1 gain"
    /// @param stands how it stands, in the gear's own marks
    /// @param should how it should; the same where it stands well
    public record Gain(InputGain input, String place, String stands, String should) {
        /// Whether nothing comes in, and it is not turned up.
        public boolean isIdle() {
            return input.source().isEmpty() && !isOff();
        }

        /// Whether it should be turned.
        public boolean isOff() {
            return input.turn().isPresent();
        }
    }

    /// What there is to say of an ear in a scene.
    ///
    /// @param source the source whose staircase is wanted; where it does not come, that of the
    ///     source that most is to be said of
    public static LevelSheet of(Proof proof, SceneProof scene, Ear ear, String source) {
        LiveGraph live = scene.tracer().live();
        List<Row> rows = new ArrayList<>();
        Optional<StairSheet> chosen = Optional.empty();
        int most = -1;
        for (SceneProof.Heard cell : scene.of(ear.id())) {
            if (cell.hearing().levelDb() < scene.limit(Limit.HEARD)) continue;
            Optional<Staircase> way =
                    proof.staircase(scene.scene().id(), cell.source().id(), ear.id());
            if (way.isEmpty()) continue;
            Row row = row(cell.source(), way.get(), live, proof);
            rows.add(row);
            boolean asked = cell.source().id().equals(source);
            int weight = asked ? Integer.MAX_VALUE : row.advice().size();
            if (weight <= most) continue;
            most = weight;
            chosen = Optional.of(StairSheet.of(cell.source().id(), way.get()));
        }
        return new LevelSheet(rows, chosen, gains(proof));
    }

    private static Row row(Source source, Staircase way, LiveGraph live, Proof proof) {
        Optional<Staircase.Hiss> hiss = way.hisses().stream().findFirst();
        return new Row(
                source,
                way.end().averageDb(),
                way.end().scale().say(way.end().averageDb()),
                way.headroomDb(),
                way.tightest().node().words(),
                way.signalToNoiseDb(),
                hiss.map(h -> noise(way, h)).orElse(""),
                Advice.of(way, live, proof.show().checks().limits()));
    }

    private static String noise(Staircase way, Staircase.Hiss hiss) {
        return hiss.what().equals("the room")
                ? hiss.what()
                : hiss.what() + " at " + way.stairs().get(hiss.at()).node().words();
    }

    /// The turns that set every input gain as it should be.
    public List<Turn> turns() {
        return gains.stream().flatMap(gain -> gain.input().turn().stream()).toList();
    }

    /// What a change of the show makes louder or softer in a scene, for whom: "Maren 12 dB softer
    /// for the stream, Ivo and three more".
    public static List<String> effects(SceneProof before, SceneProof after) {
        SequencedMap<String, List<String>> ears = new LinkedHashMap<>();
        for (SceneProof.Heard was : before.all()) {
            double now = after.of(was.ear().id(), was.source().id()).hearing().levelDb();
            double then = was.hearing().levelDb();
            double by = Math.rint(now - then);
            if (Math.max(now, then) < before.limit(Limit.HEARD) || by == 0) continue;
            String change =
                    "%s %s%sdB %s"
                            .formatted(
                                    was.source().name(),
                                    Words.signed(Math.abs(by), 0),
                                    Words.THIN,
                                    by > 0 ? "louder" : "softer");
            ears.computeIfAbsent(change, _ -> new ArrayList<>()).add(Names.of(was.ear()));
        }
        return ears.entrySet().stream()
                .map(e -> e.getKey() + " for " + Words.few(e.getValue(), EARS_NAMED))
                .toList();
    }

    /// Every input gain of the rig.
    public static List<Gain> gains(Proof proof) {
        return proof.gains().stream()
                .map(
                        gain ->
                                new Gain(
                                        gain,
                                        gain.now().use().words(),
                                        gain.source().isEmpty() && gain.turn().isEmpty()
                                                ? "not in use"
                                                : gain.now().marks(),
                                        gain.turn().isPresent()
                                                ? gain.wanted().marks()
                                                : gain.now().marks()))
                .toList();
    }
}
