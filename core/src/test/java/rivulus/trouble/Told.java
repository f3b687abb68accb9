package rivulus.trouble;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Trouble;
import rivulus.file.DemoShows;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Arrival;
import rivulus.hearing.Doubling;
import rivulus.level.Staircase;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.search.Budget;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Symptom;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;

/// A sound show broken in every single way: what the public, a caller or a track hears otherwise
/// then, and whether that is told, where, and cured. What counts as otherwise is worked out here,
/// from what is heard before and after, and not by the rules: docs/told.md says how.
final class Told {
    /// A level that is off by so much is heard, in dB.
    private static final double LEVEL_DB = 6.05;

    /// Who sings or plays may be so far under nominal, and programme without a balance so far under
    /// the voices, in dB.
    private static final double SINGS_DB = 10.05;

    private static final double LIES_UNDER_DB = 18.05;

    /// A second arrival within this colours by dips of 12 dB, and within the other one is heard as
    /// a second one, in dB.
    private static final double COLOURS_DB = 4.4;

    private static final double AGAIN_DB = 10;

    /// Neighbours bleed so loud into a track, in dB.
    private static final double BLEED_DB = -12;

    private static final List<Double> TURNS_DB = List.of(-12.0, -19.0, 12.0);

    private final Show show;
    private final Proof proof;
    private final Set<List<String>> known = new HashSet<>();

    /// @param show with nothing serious wrong
    Told(Show show) {
        this.show = show;
        proof = Demo.PROVER.prove(show);
        for (Finding finding : serious(proof)) known.add(key(finding));
    }

    Proof proof() {
        return proof;
    }

    private static List<Finding> serious(Proof proof) {
        return proof.findings().stream().filter(f -> f.severity().isSerious()).toList();
    }

    private static List<String> key(Finding finding) {
        return List.of(finding.key().scene(), finding.id());
    }

    // Ways to break it

    /// One thing that is otherwise.
    ///
    /// @param kind as the page of figures counts them
    /// @param putsBack whether a cure undoes just that, or costs no more
    record Break(String kind, String words, Show show, Predicate<Remedy> putsBack) {}

    List<Break> breaks() {
        List<Break> all = new ArrayList<>();
        SceneProof first = proof.scenes().getFirst();
        List<KnobUse> knobs = proof.graph().knobs();
        for (int k = 0; k < knobs.size(); k++) {
            KnobUse use = knobs.get(k);
            Setting stands = first.tracer().live().positions().get(k);
            for (Setting to : otherwise(use.knob(), stands)) {
                Show broken = turned(use.ref(), to);
                all.add(
                        new Break(
                                kind(use.knob(), stands, to),
                                "%s %s, not %s"
                                        .formatted(use.words(), use.say(to), use.say(stands)),
                                broken,
                                cure ->
                                        cure.turns().stream()
                                                        .anyMatch(t -> t.knob().equals(use.ref()))
                                                || !cure.turns().isEmpty()
                                                        && cure.effort() <= use.knob().effort()));
            }
        }
        Set<String> said = new HashSet<>();
        for (SceneProof scene : proof.scenes())
            for (Broken broken : Faults.of(Demo.PROVER, proof, scene)) {
                Fault fault = broken.faults().getFirst();
                boolean out = fault.id().startsWith("lead/");
                if (!out && !fault.id().startsWith("hole/") || !said.add(fault.id())) continue;
                Show without = fault.plan().orElseThrow();
                all.add(
                        new Break(
                                out ? "a lead out" : "a lead in the next hole",
                                fault.words(),
                                without,
                                cure ->
                                        !cure.change()
                                                .after()
                                                .rig()
                                                .cables()
                                                .equals(without.rig().cables())));
            }
        return all;
    }

    private Show turned(Ref knob, Setting to) {
        Show after = show.withKnob(knob, to);
        for (Scene scene : show.scenes())
            if (show.turnedIn(scene.id(), knob).isPresent())
                after = after.withScene(scene.id(), own -> own.withKnob(knob, to));
        return after;
    }

    private static Collection<Setting> otherwise(Knob knob, Setting stands) {
        Set<Setting> all = new LinkedHashSet<>();
        if (knob instanceof Knob.Level level) {
            if (stands instanceof Setting.Level now && !now.isOff())
                TURNS_DB.forEach(by -> all.add(level.nearest(now.db() + by)));
            else all.add(level.nearest(0));
            all.add(level.closes() ? Setting.Level.OFF : new Setting.Level(level.minDb()));
        } else all.addAll(knob.others(stands));
        all.remove(stands);
        return all;
    }

    private static String kind(Knob knob, Setting from, Setting to) {
        if (!(from instanceof Setting.Level was) || !(to instanceof Setting.Level is))
            return switch (knob.role()) {
                case DEVICE -> "a pick";
                case MUTE -> "a mute";
                case FEED, TAP, TRACK -> "a feed, a tap, a track";
                default -> "another switch or choice";
            };
        if (is.isOff()) return "a level off";
        if (was.isOff()) return "a level opened";
        return is.db() > was.db() ? "a level up" : "a level down";
    }

    // What comes of it

    /// Who hears what otherwise.
    record Altered(Ear ear, String source, Symptom how, String scene) {}

    /// @param altered at the public, callers and tracks
    /// @param told what is serious and was not before
    record Outcome(Break broken, Proof after, List<Altered> altered, List<Finding> told) {
        /// Whether something told is about an ear that hears otherwise, or, as clipping, about a
        /// place on the way to it.
        boolean isNamed() {
            return altered.stream()
                    .anyMatch(
                            one ->
                                    told.stream()
                                            .map(Finding::key)
                                            .anyMatch(
                                                    key ->
                                                            key.ear().equals(one.ear().id())
                                                                    || key.source()
                                                                            .equals(one.source())));
        }

        @Override
        public String toString() {
            Altered first = altered.getFirst();
            return "%s: %s/%s %s"
                    .formatted(broken.words(), first.ear().id(), first.source(), first.how());
        }
    }

    Outcome outcome(Break broken) {
        Proof after = Demo.PROVER.prove(broken.show(), proof);
        List<Altered> altered = new ArrayList<>();
        for (SceneProof scene : after.scenes()) {
            SceneProof was = proof.scene(scene.scene().id()).orElseThrow();
            for (Ear ear : show.ears())
                if (counts(ear))
                    for (SceneProof.Heard cell : scene.of(ear.id())) {
                        SceneProof.Heard before = was.of(ear.id(), cell.source().id());
                        Symptom how = new Compared(was, scene).symptom(before, cell);
                        if (how != Symptom.AS_WISHED)
                            altered.add(
                                    new Altered(ear, cell.source().id(), how, scene.scene().id()));
                    }
        }
        return new Outcome(
                broken,
                after,
                altered,
                serious(after).stream().filter(finding -> !known.contains(key(finding))).toList());
    }

    private boolean counts(Ear ear) {
        return switch (ear.kind()) {
            case STREAM, ON_DEMAND, SECOND_LANGUAGE, TRACK -> true;
            case PERSON -> isCaller(ear);
            case HOUSE, ASSISTIVE, CAMERA -> false;
        };
    }

    private boolean isCaller(Ear ear) {
        return show.cast().person(ear.of()).filter(Person::isCaller).isPresent();
    }

    /// The first two cures of the first two troubles that are new.
    List<Remedy> cures(Outcome outcome) {
        List<Remedy> all = new ArrayList<>();
        Trouble.of(outcome.after()).stream()
                .filter(trouble -> trouble.first().severity().isSerious())
                .filter(
                        trouble ->
                                trouble.findings().stream().anyMatch(f -> !known.contains(key(f))))
                .limit(2)
                .forEach(
                        trouble ->
                                Remedies.of(
                                                Demo.PROVER,
                                                outcome.after(),
                                                trouble,
                                                3,
                                                Budget.usual(),
                                                _ -> {})
                                        .stream()
                                        .limit(2)
                                        .forEach(all::add));
        return all;
    }

    /// A scene as it was and as it is.
    private final class Compared {
        private final SceneProof was;
        private final SceneProof is;
        private final Map<SceneProof.Heard, Staircase> processedThen;
        private final Map<SceneProof.Heard, Staircase> processedNow;

        Compared(SceneProof was, SceneProof is) {
            this.was = was;
            this.is = is;
            processedThen = was.processedWays();
            processedNow = is.processedWays();
        }

        /// Through processors the average is not what a voice at nominal would come to.
        private double level(SceneProof.Heard cell) {
            Staircase way = processedNow.getOrDefault(cell, processedThen.getOrDefault(cell, null));
            return cell.hearing().levelDb() + (way == null ? 0 : way.unlikeNominalDb());
        }

        Symptom symptom(SceneProof.Heard before, SceneProof.Heard now) {
            if (is.scene().quiet().contains(now.source().id())) return Symptom.AS_WISHED;
            Symptom symptom = Reports.of(before.hearing(), now.hearing(), is);
            double turned = level(now) - level(before);
            if (symptom == Symptom.HOLLOW || symptom == Symptom.TWICE) {
                if (!isTwice(now))
                    symptom =
                            Math.abs(turned) < LEVEL_DB
                                    ? Symptom.AS_WISHED
                                    : turned < 0 ? Symptom.SOFT : Symptom.LOUD;
            }
            return switch (now.standing().wish()) {
                case MAY -> Symptom.AS_WISHED;
                case MUST_NOT -> isLeak(symptom, now) ? symptom : Symptom.AS_WISHED;
                case MUST -> isWrong(symptom, turned, now) ? symptom : Symptom.AS_WISHED;
            };
        }

        private boolean isTwice(SceneProof.Heard now) {
            Arrival first = now.hearing().strongest().orElseThrow();
            return now.hearing().arrivals().stream()
                    .filter(other -> other != first)
                    .map(other -> Doubling.of(first, other))
                    .anyMatch(
                            two ->
                                    switch (two.effect()) {
                                        case SHIFTS -> false;
                                        case COLOURS -> two.belowDb() <= COLOURS_DB;
                                        case SLAPS, ECHOES -> two.belowDb() <= AGAIN_DB;
                                    });
        }

        private boolean isLeak(Symptom symptom, SceneProof.Heard now) {
            return symptom == Symptom.UNWANTED
                    && (now.ear().kind() != Ear.Kind.TRACK || level(now) >= BLEED_DB);
        }

        /// What is softer or louder than before may be right as well.
        private boolean isWrong(Symptom symptom, double turned, SceneProof.Heard now) {
            return switch (symptom) {
                case AS_WISHED, UNWANTED -> false;
                case LATE -> isCaller(now.ear());
                case SOFT -> turned < -LEVEL_DB && level(now) < least(now);
                case LOUD ->
                        turned > LEVEL_DB && level(now) > Math.max(0, loudestOther(now)) + LEVEL_DB;
                default -> true;
            };
        }

        /// So soft it may be. How far a bed lies under the voices is taste until somebody says it.
        private double least(SceneProof.Heard now) {
            double other = loudestOther(now);
            return switch (now.source()) {
                case Person who ->
                        who.role() == Role.AUDIENCE
                                ? other - LIES_UNDER_DB
                                : who.loudness().isTalk() && who.count() == 1
                                        ? Math.max(-LEVEL_DB, other - LEVEL_DB)
                                        : Math.max(-SINGS_DB, other - SINGS_DB);
                case Playback plays ->
                        switch (plays.kind()) {
                            case MUSIC -> is.limit(Limit.FAINT);
                            case CLIP -> other - SINGS_DB;
                            default -> other - LIES_UNDER_DB;
                        };
            };
        }

        /// The loudest of the others who talk and must be heard; 0 where nobody does.
        private double loudestOther(SceneProof.Heard now) {
            return is.of(now.ear().id()).stream()
                    .filter(other -> other != now && other.source() instanceof Person)
                    .filter(other -> other.standing().wish() == Wish.MUST)
                    .filter(other -> !is.scene().quiet().contains(other.source().id()))
                    .mapToDouble(this::level)
                    .max()
                    .orElse(0);
        }
    }

    // The page of figures

    /// All repaired evenings broken in all ways, as rows of docs/told.md; every so many are cured.
    ///
    /// @param args every how many a cure is looked for
    public static void main(String[] args) {
        int every = Integer.parseInt(args[0]);
        Map<String, int[]> rows = new TreeMap<>();
        int met = 0;
        for (String name : DemoShows.all().keySet()) {
            if (!name.endsWith("-repaired")) continue;
            Told told = new Told(Demo.show(name));
            for (Break broken : told.breaks()) {
                Outcome outcome = told.outcome(broken);
                if (outcome.altered().isEmpty()) continue;
                int[] row = rows.computeIfAbsent(broken.kind(), _ -> new int[6]);
                row[0]++;
                if (!outcome.told().isEmpty()) row[1]++;
                else System.err.println(name + ": " + outcome);
                if (outcome.isNamed()) row[2]++;
                if (met++ % every != 0) continue;
                List<Remedy> cures = told.cures(outcome);
                row[3]++;
                if (!cures.isEmpty()) row[4]++;
                if (cures.stream().anyMatch(broken.putsBack())) row[5]++;
                else
                    System.err.println(
                            "%s: %s; cures %s"
                                    .formatted(
                                            name,
                                            outcome,
                                            cures.stream().map(Remedy::sentence).toList()));
            }
        }
        int[] sum = new int[6];
        rows.forEach(
                (kind, row) -> {
                    System.out.println(row(kind, row));
                    for (int i = 0; i < row.length; i++) sum[i] += row[i];
                });
        System.out.println(row("all", sum));
    }

    private static String row(String kind, int[] row) {
        return "| %s | %d | %d | %d | %d | %d | %d |"
                .formatted(kind, row[0], row[1], row[2], row[3], row[4], row[5]);
    }
}
