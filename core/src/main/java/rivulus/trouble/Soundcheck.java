package rivulus.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.stream.Collectors;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.show.Answer;
import rivulus.show.Day;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Symptom;
import rivulus.show.Wish;
import rivulus.words.Words;

/// The soundcheck, ear by ear: those whose failure would be heard by most first; for each who makes
/// a sound and what should be heard, and what was answered.
public record Soundcheck(List<Row> rows) {
    public Soundcheck {
        rows = List.copyOf(rows);
    }

    /// One ear.
    public record Row(Ear ear, List<Check> checks) {
        public Row {
            checks = List.copyOf(checks);
        }

        /// Whether everything was answered, and is as it should be.
        public boolean isWell() {
            return checks.stream().allMatch(Check::isWell);
        }

        /// Whether something was answered that is not as it should be.
        public boolean isAmiss() {
            return checks.stream().anyMatch(check -> check.answer().isPresent() && !check.isWell());
        }

        /// How far it is: "3 of 7", "all 7 well", "Nadia twice".
        public String words() {
            List<String> amiss = new ArrayList<>();
            int answered = 0;
            for (Check check : checks) {
                if (check.answer().isEmpty()) continue;
                answered++;
                if (!check.isWell())
                    amiss.add(
                            Names.of(check.ask().source())
                                    + " "
                                    + check.ask().words(check.answer().get().heard()));
            }
            if (!amiss.isEmpty()) return Words.list(amiss);
            if (answered < checks.size())
                return answered == 0
                        ? "not asked yet"
                        : "%d of %d asked".formatted(answered, checks.size());
            return "all %d well".formatted(checks.size());
        }
    }

    /// One source at one ear.
    ///
    /// @param scene the scene in which it is asked
    public record Check(String scene, Question.Ask ask, Optional<Answer> answer) {
        /// Whether it was answered, and is as it should be.
        public boolean isWell() {
            return answer.filter(said -> said.heard() == Symptom.AS_WISHED).isPresent();
        }

        /// The same for the same ear and source.
        public String id() {
            return ask.ear().id() + "-" + ask.source().id();
        }
    }

    /// The soundcheck of a show, as far as it is on its day. Asked is what an ear must hear, and
    /// whoever hears themself or must not, in the scene where most is heard and, for who rests
    /// there, in the first where they do not.
    public static Soundcheck of(Proof proof) {
        List<SceneProof> scenes = new ArrayList<>(proof.scenes());
        SceneProof fullest = proof.fullest();
        scenes.remove(fullest);
        scenes.addFirst(fullest);
        Day day = proof.show().day();
        List<Row> rows = new ArrayList<>();
        for (Ear ear : proof.show().ears()) {
            if (ear.isNowhere()) continue;
            List<Check> checks = new ArrayList<>();
            for (Source source : proof.show().sources())
                check(scenes, ear, source, day).ifPresent(checks::add);
            if (!checks.isEmpty()) rows.add(new Row(ear, checks));
        }
        rows.sort(Comparator.comparingInt(row -> order(row.ear())));
        return new Soundcheck(rows);
    }

    private static int order(Ear ear) {
        return switch (ear.kind()) {
            case STREAM -> 0;
            case HOUSE -> 1;
            case SECOND_LANGUAGE -> 2;
            case ASSISTIVE -> 3;
            case ON_DEMAND, CAMERA -> 4;
            case PERSON -> 5;
            case TRACK -> 6;
        };
    }

    private static Optional<Check> check(List<SceneProof> scenes, Ear ear, Source source, Day day) {
        for (SceneProof scene : scenes) {
            if (scene.scene().quiet().contains(source.id())) continue;
            SceneProof.Heard cell = scene.of(ear.id(), source.id());
            boolean own = ear.kind() == Ear.Kind.PERSON && ear.of().equals(source.id());
            if (cell.standing().wish() != Wish.MUST && !own) continue;
            return Optional.of(
                    new Check(
                            scene.scene().id(),
                            Field.ask(scene, cell),
                            day.answer(ear.id(), source.id(), scene.scene().id())));
        }
        return Optional.empty();
    }

    /// What a test recording answers, of tracks that hold one source: what was said of each there.
    ///
    /// @param tracks of the recording
    /// @param remarks what it says
    public SequencedMap<Check, Symptom> answeredBy(List<Track> tracks, List<Remark> remarks) {
        SequencedMap<Check, Symptom> answers = new LinkedHashMap<>();
        for (Track track : tracks) {
            if (track.ear().isEmpty() || track.source().isEmpty()) continue;
            String id = track.ear().get().id() + "-" + track.source().get().id();
            rows.stream()
                    .flatMap(row -> row.checks().stream())
                    .filter(check -> check.id().equals(id))
                    .findFirst()
                    .ifPresent(check -> answers.put(check, of(remarks, track.ear().get().id())));
        }
        return answers;
    }

    /// What was measured, for the log: "Test recording: Maren's track −18.2 LUFS, peaks −3.1 dBTP".
    public static String measured(List<Track> tracks) {
        return "Test recording: "
                + tracks.stream()
                        .filter(track -> track.ear().isPresent())
                        .map(
                                track ->
                                        "%s %s, peaks %s"
                                                .formatted(
                                                        track.ear().get().name(),
                                                        Words.figure(track.lufs(), 1, "LUFS"),
                                                        Words.figure(
                                                                track.truePeakDbtp(), 1, "dBTP")))
                        .collect(Collectors.joining("; "));
    }

    private static Symptom of(List<Remark> remarks, String ear) {
        for (Remark remark : remarks) {
            if (!remark.ears().contains(ear) || !remark.severity().isSerious()) continue;
            return switch (remark.kind()) {
                case SILENT -> Symptom.NOT;
                case UNEVEN ->
                        remark.figures().getOrDefault("offLu", 0.0) < 0
                                ? Symptom.SOFT
                                : Symptom.LOUD;
                case HUM -> Symptom.HUM;
                case SIDES -> Symptom.ONE_SIDE;
                case CLIPPED -> Symptom.CRACKLE;
                case ECHO -> Symptom.TWICE;
                case PEAKS, BLEED, PICTURE, DRIFT, SPEED, NOISE, LOUDNESS, FILE -> Symptom.OTHER;
            };
        }
        return Symptom.AS_WISHED;
    }

    /// The row of an ear.
    public Optional<Row> row(String ear) {
        return rows.stream().filter(row -> row.ear().id().equals(ear)).findFirst();
    }

    /// The first that was not asked yet.
    public Optional<Check> next() {
        return rows.stream()
                .flatMap(row -> row.checks().stream())
                .filter(check -> check.answer().isEmpty())
                .findFirst();
    }

    /// How far it is: "12 of 48 asked, 1 is not as it should be".
    public String words() {
        long all = rows.stream().mapToLong(row -> row.checks().size()).sum();
        long asked =
                rows.stream()
                        .flatMap(row -> row.checks().stream())
                        .filter(check -> check.answer().isPresent())
                        .count();
        long well =
                rows.stream().flatMap(row -> row.checks().stream()).filter(Check::isWell).count();
        String amiss =
                asked == well
                        ? ""
                        : ", %s not as it should be".formatted(Words.number((int) (asked - well)));
        return all == well
                ? "Everything was asked and is well"
                : "%d of %d asked%s".formatted(asked, all, amiss);
    }
}
