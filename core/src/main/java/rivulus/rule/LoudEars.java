package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.level.Scale;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Scene;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Somebody whose ears get more than is safe over the evening, by what they hear loudest: the
/// average at the ear, spread over eight hours (2003/10/EC). A caution from the lower action value
/// on, a problem from the upper; what comes bare through the air no turn ends, and is a caution.
/// How loud headphones are is an estimate ~; local rules come first.
final class LoudEars implements Rule {
    private static final double EIGHT_HOURS = 480;

    /// Far under what could be too much nobody works it out.
    private static final double SURELY_SAFE_DB = 6;

    @Override
    public String id() {
        return "loud-ears";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("overDb");
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        // of all ears: which is the loudest hangs on others, and how much that is on the hours
        for (Ear ear : scene.show().ears())
            if (ear.kind() == Ear.Kind.PERSON)
                scene.loudest(ear)
                        .filter(cell -> cell.hearing().levelDb() > SURELY_SAFE_DB)
                        .flatMap(cell -> finding(scene, cell, limits))
                        .ifPresent(findings::add);
        return findings;
    }

    private Optional<Finding.Draft> finding(
            SceneProof scene, SceneProof.Heard cell, Limits limits) {
        Optional<Staircase.Stair> end =
                scene.way(cell)
                        .map(Staircase::end)
                        .filter(stair -> stair.scale().unit() == Scale.Unit.SPL);
        if (end.isEmpty()) return Optional.empty();
        double spl = end.get().scale().reads(end.get().averageDb());
        double minutes = scene.show().scenes().stream().mapToDouble(Scene::minutes).sum();
        double daily = spl + 10 * Math.log10(minutes / EIGHT_HOURS);
        double over = daily - limits.get(Limit.EARS);
        if (over <= 0) return Optional.empty();
        boolean bare = Bare.is(scene, cell, SURELY_SAFE_DB);
        boolean bad = daily > limits.get(Limit.EARS_BAD) && !bare;
        return Optional.of(
                finding(
                                scene,
                                cell,
                                bad ? Severity.PROBLEM : Severity.CAUTION,
                                Verdict.TOO_LOUD,
                                "%s hears %s at about %s on average, too much for %s: %s, and mind local rules"
                                        .formatted(
                                                Names.subject(cell.ear()),
                                                Names.of(cell.source()),
                                                Words.figure(spl, 0, "dB(A)"),
                                                Words.minutes(minutes),
                                                bare
                                                        ? "it comes bare through the air, so stand farther off or wear protection"
                                                        : "turn it down"))
                        .figure("levelDb", cell.hearing().levelDb())
                        .figure("overDb", over)
                        .figure("spl", spl)
                        .because(() -> Rule.ways(scene, cell, "", 1)));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().turned(finding, -Math.ceil(finding.figures().get("overDb")));
    }
}
