package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.hearing.Way;
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
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What goes out louder or softer than its target, by the voices in it as planned, or with peaks
/// over the highest that may go out. Told only where somebody sets levels by loudness
/// ([Habit#LEVEL]).
final class PublicLoudness implements EndedByIdeas {
    @Override
    public String id() {
        return "loudness";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        if (!scene.show().habits().says(Habit.LEVEL, "loudness")) return findings;
        for (Ear ear : scene.show().ears())
            if (ear.isSent()) finding(scene, ear, limits).ifPresent(findings::add);
        return findings;
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
                        .heard(ear)
                        .figure("lufs", lufs)
                        .figure("offLu", isOff ? off : 0)
                        .figure("overDb", over)
                        .knobs(turning(scene, voices))
                        .because(() -> new Finding.Evidence("", List.of(voices.getFirst().way()))));
    }

    private static final double HAIR_DB = 0.05;

    /// What a compressor that is switched on holds back of the average, about; its make-up has to
    /// bring that besides.
    private static final List<Double> HELD_BACK = List.of(0.0, 2.0, 4.0, 6.0);

    /// What may be turned: the levels, compressors and limiters that all voices pass.
    private static List<Ref> turning(SceneProof scene, List<Staircase> voices) {
        Set<Ref> common = new LinkedHashSet<>(passed(scene, voices.getFirst()));
        for (Staircase way : voices) common.retainAll(passed(scene, way));
        return List.copyOf(common);
    }

    private static List<Ref> passed(SceneProof scene, Staircase way) {
        LiveGraph live = scene.tracer().live();
        return Stream.concat(
                        way.way()
                                .knobs(live.graph())
                                .filter(use -> use.knob() instanceof Knob.Level),
                        Placed.along(way.way(), live).stream().map(Placed::onOff))
                .map(KnobUse::ref)
                .toList();
    }

    /// A level that all pass, or a make-up with its compressor, by what is off; where that is up
    /// with the last limiter besides. Where only peaks are over, the limiter, or a level.
    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double by = -finding.figures().get("offLu");
        List<Placed> placed = new ArrayList<>();
        for (Way way : finding.evidence().ways().subList(0, 1))
            for (Placed one : Placed.along(way, finding.live()))
                if (finding.knobs().contains(one.onOff().ref())) placed.add(one);
        Map<Ref, Setting> limited =
                by < 0 ? Map.of() : limited(placed, workshop.show().checks().limits());
        List<Idea> ideas = new ArrayList<>();
        if (by == 0 && !limited.isEmpty()) ideas.add(new Idea.Settings(limited));
        double turn = by == 0 ? -Math.ceil(finding.figures().get("overDb")) : by;
        for (Idea idea : Turned.by(finding, Math.rint(2 * turn) / 2))
            if (idea instanceof Idea.Settings(var settings)) ideas.add(with(settings, limited));
        for (Placed one : placed)
            if (by != 0 && one.kind() == Kind.COMPRESSOR) ideas.addAll(madeUp(one, by, limited));
        return ideas;
    }

    private static Idea with(Map<Ref, Setting> turned, Map<Ref, Setting> limited) {
        Map<Ref, Setting> all = new LinkedHashMap<>(turned);
        all.putAll(limited);
        return new Idea.Settings(all);
    }

    /// A compressor on, with so much more make-up, and what it then holds back.
    private static List<Idea> madeUp(Placed compressor, double by, Map<Ref, Setting> limited) {
        List<Idea> ideas = new ArrayList<>();
        Optional<KnobUse> makeUp = compressor.turns(Part.MAKE_UP);
        if (makeUp.isEmpty() || !(makeUp.get().knob() instanceof Knob.Level level)) return ideas;
        double now = compressor.isOn() ? compressor.block().at(Part.MAKE_UP) : 0;
        for (double held : compressor.isOn() ? List.of(0.0) : HELD_BACK) {
            Map<Ref, Setting> turned = new LinkedHashMap<>();
            turned.put(makeUp.get().ref(), level.nearest(now + by + held));
            turned.put(compressor.onOff().ref(), new Setting.Switch(true));
            ideas.add(with(turned, limited));
        }
        return ideas;
    }

    /// The last limiter on, at the highest peak that may go out; nothing where none is there.
    private static Map<Ref, Setting> limited(List<Placed> placed, Limits limits) {
        Map<Ref, Setting> turns = new LinkedHashMap<>();
        for (Placed one : placed.reversed()) {
            if (one.kind() != Kind.LIMITER) continue;
            turns.put(one.onOff().ref(), new Setting.Switch(true));
            double over = limits.get(Limit.PUBLIC_PEAK) - Speech.LINE_UP_DBFS;
            double ceiling = one.processor().unit().lineUp() + over;
            one.turns(Part.CEILING)
                    .ifPresent(
                            use -> {
                                if (use.knob() instanceof Knob.Level level)
                                    turns.put(use.ref(), level.nearest(ceiling));
                            });
            break;
        }
        return turns;
    }
}
