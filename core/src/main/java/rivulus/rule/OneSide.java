package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.Hearing;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Wish;
import rivulus.words.Severity;

/// A stereo source of which only one side comes to somebody who is to hear it, as by a plug that
/// carries one channel.
final class OneSide implements Rule {
    private static final List<String> SIDES = List.of("left", "right");

    @Override
    public String id() {
        return "one-side";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            boolean wanted =
                    cell.standing().wish() == Wish.MUST
                            && cell.hearing().levelDb() >= limits.get(Limit.HEARD);
            int[] sides = scene.tracer().live().graph().source(cell.source().id());
            if (!wanted || sides.length != SIDES.size()) continue;
            for (int lost = 0; lost < sides.length; lost++)
                if (!comes(cell.hearing(), lost)) findings.add(finding(scene, cell, lost));
        }
        return findings;
    }

    private static boolean comes(Hearing hearing, int side) {
        for (Arrival arrival : hearing.arrivals()) if (arrival.carries(side)) return true;
        return false;
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Heard cell, int lost) {
        return finding(
                        scene,
                        cell,
                        Severity.CAUTION,
                        Verdict.AS_WISHED,
                        "%s hears only the %s side of %s"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        SIDES.get(1 - lost),
                                        Names.of(cell.source())))
                .brief("one side")
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> Rule.ways(scene, cell, "the other does not come", 1));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().openers(finding);
    }

    @Override
    public boolean isHarm(Finding finding) {
        return false;
    }
}
