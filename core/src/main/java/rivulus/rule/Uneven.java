package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Talkers who go out unequally loud: the softest against the loudest of those that are heard
/// plainly. A room hears them bare besides, and a choir, or who plays, is no talker.
final class Uneven implements EndedByIdeas {
    private static final double HAIR_LU = 0.05;

    @Override
    public String id() {
        return "uneven";
    }

    @Override
    public boolean isHarm(Finding finding) {
        return finding.severity().isSerious();
    }

    /// A voice at the public, and how loud on average.
    private record Voice(SceneProof.Heard cell, double db) {}

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Map<SceneProof.Heard, Staircase> processed = null;
        for (Ear ear : scene.show().ears()) {
            if (!ear.isPublic() || ear.kind() == Ear.Kind.HOUSE) continue;
            if (processed == null) processed = scene.processedWays();
            Voice softest = null;
            Voice loudest = null;
            for (SceneProof.Heard cell : scene.of(ear.id())) {
                if (!isVoice(cell, limits)) continue;
                Voice voice = new Voice(cell, db(cell, processed));
                if (softest == null || voice.db() < softest.db()) softest = voice;
                if (loudest == null || voice.db() > loudest.db()) loudest = voice;
            }
            if (softest == null) continue;
            double apart = loudest.db() - softest.db();
            if (apart > limits.get(Limit.UNEVEN) + HAIR_LU)
                findings.add(
                        finding(
                                scene,
                                softest,
                                loudest,
                                apart,
                                apart > limits.get(Limit.UNEVEN_BAD) + HAIR_LU
                                        ? Severity.PROBLEM
                                        : Severity.CAUTION));
        }
        return findings;
    }

    private static boolean isVoice(SceneProof.Heard cell, Limits limits) {
        return isOneVoice(cell)
                && cell.standing().wish() == Wish.MUST
                && cell.hearing().levelDb() >= limits.get(Limit.FAINT);
    }

    /// Whether it is one person who talks: no audience, and nobody who sings.
    static boolean isOneVoice(SceneProof.Heard cell) {
        return cell.source() instanceof Person who
                && who.count() == 1
                && who.role() != Role.AUDIENCE
                && who.loudness().isTalk();
    }

    /// Through processors the average is not what a voice at nominal would come to.
    private static double db(SceneProof.Heard cell, Map<SceneProof.Heard, Staircase> processed) {
        double heard = cell.hearing().levelDb();
        if (processed.isEmpty()) return heard;
        Staircase way = processed.get(cell);
        return way == null ? heard : heard + way.unlikeNominalDb();
    }

    /// Told of whoever is farther from nominal, so that the one who is off is turned.
    private Finding.Draft finding(
            SceneProof scene, Voice softest, Voice loudest, double apart, Severity severity) {
        boolean isLoud = loudest.db() > -softest.db();
        SceneProof.Heard off = (isLoud ? loudest : softest).cell();
        SceneProof.Heard other = (isLoud ? softest : loudest).cell();
        return finding(
                        severity,
                        "%s hears %s %s %s than %s"
                                .formatted(
                                        Names.subject(off.ear()),
                                        Names.of(off.source()),
                                        Words.figure(apart, 1, "LU"),
                                        isLoud ? "louder" : "softer",
                                        Names.of(other.source())))
                .in(scene, scene.tracer().live())
                .heard(off.ear())
                .knobs(() -> levels(scene, off))
                .figure("apartLu", isLoud ? -apart : apart)
                .because(() -> Rule.ways(scene, off, "", 1));
    }

    /// Every level on the way of whoever is off.
    private static List<Ref> levels(SceneProof scene, SceneProof.Heard off) {
        return scene.way(off).stream()
                .flatMap(way -> way.way().knobs(scene.tracer().live().graph()))
                .filter(use -> use.knob() instanceof Knob.Level)
                .map(KnobUse::ref)
                .distinct()
                .toList();
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double apart = finding.figures().get("apartLu");
        List<Idea> ideas = new ArrayList<>();
        for (double share : List.of(1.0, 0.75))
            ideas.addAll(Turned.by(finding, Math.rint(apart * share)));
        return ideas;
    }
}
