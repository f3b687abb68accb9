package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.level.Placed;
import rivulus.level.Scale;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What goes out louder or softer than its target, by the voices in it as planned, or with peaks
/// over the highest that may go out. Told only where somebody sets levels by loudness
/// ([Habit#LEVEL]).
final class PublicLoudness implements Rule {
    @Override
    public String id() {
        return "loudness";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        if (!scene.show().habits().says(Habit.LEVEL, "loudness")) return findings;
        for (Ear ear : scene.show().ears())
            if (isSent(ear)) finding(scene, ear, limits).ifPresent(findings::add);
        return findings;
    }

    private static boolean isSent(Ear ear) {
        return switch (ear.kind()) {
            case STREAM, SECOND_LANGUAGE, ON_DEMAND -> true;
            case HOUSE, ASSISTIVE, CAMERA, PERSON, TRACK -> false;
        };
    }

    private Optional<Finding.Draft> finding(SceneProof scene, Ear ear, Limits limits) {
        List<Staircase> voices =
                scene.of(ear.id()).stream()
                        .filter(cell -> cell.source() instanceof Person)
                        .filter(cell -> cell.standing().wish() == Wish.MUST)
                        .filter(cell -> cell.hearing().levelDb() >= limits.get(Limit.FAINT))
                        .flatMap(cell -> scene.way(cell).stream())
                        .filter(way -> way.end().scale().unit() == Scale.Unit.DBFS)
                        .toList();
        if (voices.isEmpty()) return Optional.empty();
        double power =
                voices.stream()
                        .mapToDouble(way -> Math.pow(10, way.end().averageDb() / 10))
                        .average()
                        .orElseThrow();
        Scale scale = voices.getFirst().end().scale();
        double lufs = scale.reads(10 * Math.log10(power));
        double peak =
                voices.stream()
                        .mapToDouble(way -> scale.reads(way.end().peakDb()))
                        .max()
                        .orElseThrow();
        double off = lufs - limits.get(Limit.PUBLIC_LUFS);
        double over = peak - limits.get(Limit.PUBLIC_PEAK);
        boolean isOff = Math.abs(off) > limits.get(Limit.PUBLIC_SPREAD);
        if (!isOff && over <= HAIR_DB) return Optional.empty();
        String sentence =
                isOff
                        ? "%s goes out at about %s, %s %s than %s"
                                .formatted(
                                        Names.subject(ear),
                                        Words.figure(lufs, 0, "LUFS"),
                                        Words.figure(Math.abs(off), 0, "LU"),
                                        off > 0 ? "louder" : "softer",
                                        Words.figure(limits.get(Limit.PUBLIC_LUFS), 0, "LUFS"))
                        : "Peaks of %s come to %s, over %s"
                                .formatted(
                                        Names.of(ear),
                                        Words.figure(peak, 1, "dBTP"),
                                        Words.figure(limits.get(Limit.PUBLIC_PEAK), 0, "dBTP"));
        return Optional.of(
                finding(Severity.CAUTION, sentence)
                        .in(scene, scene.tracer().live())
                        .about(ear.id())
                        .figure("lufs", lufs)
                        .figure("offLu", isOff ? off : 0)
                        .figure("overDb", over)
                        .knobs(turning(scene, voices))
                        .because(() -> new Finding.Evidence("", List.of(voices.getFirst().way()))));
    }

    private static final double HAIR_DB = 0.05;

    /// What all voices pass: levels, compressors with their make-up, limiters with their ceiling.
    private static List<Ref> turning(SceneProof scene, List<Staircase> voices) {
        Set<Ref> common = null;
        for (Staircase way : voices) {
            Set<Ref> refs = new LinkedHashSet<>();
            way.way()
                    .knobs(scene.tracer().live().graph())
                    .filter(use -> use.knob() instanceof Knob.Level)
                    .map(KnobUse::ref)
                    .forEach(refs::add);
            for (Placed one : Placed.along(way.way(), scene.tracer().live()))
                for (Part part : List.of(Part.MAKE_UP, Part.CEILING))
                    one.turns(part)
                            .ifPresent(
                                    use -> {
                                        refs.add(one.onOff().ref());
                                        refs.add(use.ref());
                                    });
            if (common == null) common = refs;
            else common.retainAll(refs);
        }
        return List.copyOf(common);
    }

    @Override
    public Need need(Finding finding) {
        return Need.IDEAS;
    }

    @Override
    public boolean isHarm(Finding finding) {
        return false;
    }

    /// The last level that all pass, or the last make-up, by what is off; with the last limiter
    /// besides where that is up.
    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double by = -finding.figures().get("offLu");
        Map<Ref, Setting> limited = limited(finding, workshop);
        List<Idea> ideas = new ArrayList<>();
        if (by == 0) {
            if (!limited.isEmpty()) ideas.add(new Idea.Settings(limited));
            ideas.addAll(Turned.by(finding, -Math.ceil(finding.figures().get("overDb"))));
            return ideas;
        }
        for (double held : HELD_BACK)
            for (Idea idea : Turned.by(finding, Math.rint(2 * (by + held)) / 2))
                if (idea instanceof Idea.Settings(var settings))
                    raised(settings, held, by > 0 ? limited : Map.of()).ifPresent(ideas::add);
        return ideas;
    }

    /// What a compressor that is switched on holds back of the average, about; its make-up has to
    /// bring that besides.
    private static final List<Double> HELD_BACK = List.of(0.0, 2.0, 4.0, 6.0);

    /// A level by itself, or a make-up with its compressor; with the limiter where it goes up.
    private static Optional<Idea> raised(
            Map<Ref, Setting> turned, double held, Map<Ref, Setting> limited) {
        Ref knob = turned.keySet().iterator().next();
        boolean isMakeUp = knob.name().endsWith(MAKE_UP);
        if (knob.name().endsWith(CEILING) || !isMakeUp && held > 0) return Optional.empty();
        Map<Ref, Setting> all = new LinkedHashMap<>(turned);
        if (isMakeUp)
            all.put(
                    new Ref(knob.device(), knob.name().replace(MAKE_UP, "")),
                    new Setting.Switch(true));
        all.putAll(limited);
        return Optional.of(new Idea.Settings(all));
    }

    private static final String CEILING = "." + Part.CEILING.word();
    private static final String MAKE_UP = "." + Part.MAKE_UP.word();

    /// The last limiter on, at the highest peak that may go out; nothing where none is there.
    private static Map<Ref, Setting> limited(Finding finding, Workshop workshop) {
        Map<Ref, Setting> turns = new LinkedHashMap<>();
        for (Ref ref : finding.knobs().reversed())
            if (turns.isEmpty() && ref.name().endsWith(CEILING)) {
                turns.put(
                        new Ref(ref.device(), ref.name().replace(CEILING, "")),
                        new Setting.Switch(true));
                turns.put(
                        ref,
                        new Setting.Level(
                                workshop.show().checks().limits().get(Limit.PUBLIC_PEAK)));
            }
        return turns;
    }
}
