package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.level.Staircase;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.signal.Node;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A voice that is not far enough over all noise of its chain where the public, a caller or a track
/// hears it. What the listener's own room adds is not told.
final class Hiss implements Rule {
    @Override
    public String id() {
        return "noise";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Coming comes : scene.comings())
            if (!comes.way().endsInTheRoom()
                    && comes.way().signalToNoiseDb() < limits.get(Limit.NOISE))
                findings.add(finding(scene, comes));
        return findings;
    }

    /// Another microphone, or a nearer one, is what ends it; knobs seldom do.
    @Override
    public int parts() {
        return 16;
    }

    @Override
    public boolean isHarm(Finding finding) {
        return finding.severity().isSerious();
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().openers(finding);
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Coming comes) {
        SceneProof.Heard cell = comes.cell();
        Staircase.Hiss hiss = comes.way().hisses().getFirst();
        Node from = comes.way().stairs().get(hiss.at()).node();
        String what =
                hiss.isRoom()
                        ? "the room around " + from.device()
                        : hiss.what() + " at " + from.words();
        double over = comes.way().signalToNoiseDb();
        return finding(
                        scene,
                        cell,
                        Severity.CAUTION,
                        Verdict.AS_WISHED,
                        "%s hears %s only %s over the noise"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        Names.of(cell.source()),
                                        Words.db(over)))
                .figure("signalToNoiseDb", over)
                .brief("noisy")
                .because(
                        () ->
                                new Finding.Evidence(
                                        "most of it is " + what, List.of(comes.way().way())));
    }
}
