package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Way;
import rivulus.level.InputGain;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What is turned up so far that the peaks of its loud moments clip on the way to somebody who
/// wants it; told once for each place. What clips at nominal, since a lead brings too much, is told
/// of the lead. In somebody's own headphones a moment of it is a caution.
final class Clipping implements Rule {
    @Override
    public String id() {
        return "clipping";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Set<Object> told = new HashSet<>();
        for (SceneProof.Coming comes : scene.comings()) {
            Staircase.Stair at = comes.way().tightest();
            double turned = Math.min(-comes.way().headroomDb(), at.db());
            if (turned > limits.get(Limit.OVERLOAD)
                    && told.add(List.of(comes.cell().source().id(), at.node().point())))
                findings.add(finding(scene, comes, at, turned, limits));
        }
        return findings;
    }

    private Finding.Draft finding(
            SceneProof scene,
            SceneProof.Coming comes,
            Staircase.Stair at,
            double turned,
            Limits limits) {
        SceneProof.Heard cell = comes.cell();
        double over = -comes.way().headroomDb();
        long share = Math.max(1, Math.round(100 * comes.way().clippedShare()));
        boolean aMoment = 100 * comes.way().clippedShare() <= limits.get(Limit.CLIPS);
        return finding(
                        scene,
                        cell,
                        cell.ear().kind() == Ear.Kind.PERSON && aMoment
                                ? Severity.CAUTION
                                : Severity.PROBLEM,
                        Verdict.AS_WISHED,
                        "%s clips at %s by %s when loud, about %d %% of the time"
                                .formatted(
                                        Words.sentence(Names.of(cell.source())),
                                        at.node().words(),
                                        Words.db(over),
                                        share))
                .about(at.node().point().toString())
                .figure("overDb", over)
                .figure("turnedDb", Math.rint(10 * turned) / 10)
                .figure("levelDb", cell.hearing().levelDb())
                .brief("clips")
                .because(() -> new Finding.Evidence("", List.of(comes.way().way())));
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("turnedDb");
    }

    /// It is told once for each place, at the first ear that hears it.
    @Override
    public Finding.Key harm(Finding finding) {
        Finding.Key key = finding.key();
        return new Finding.Key(id(), key.scene(), "", key.source(), key.about());
    }

    @Override
    public boolean isHarm(Finding finding) {
        return finding.severity().isSerious();
    }

    /// An input gain to where *Levels* says it should stand, else a level by what is too much.
    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>();
        Set<Ref> passed = new HashSet<>();
        for (Way way : finding.evidence().ways())
            way.knobs(finding.live().graph()).map(KnobUse::ref).forEach(passed::add);
        for (InputGain gain : workshop.proof().gains())
            if (passed.contains(gain.knob()))
                gain.turn()
                        .ifPresent(
                                turn ->
                                        ideas.add(
                                                new Idea.Settings(Map.of(gain.knob(), turn.to()))));
        ideas.addAll(
                workshop.graph().turned(finding, -Math.ceil(finding.figures().get("turnedDb"))));
        return ideas;
    }
}
