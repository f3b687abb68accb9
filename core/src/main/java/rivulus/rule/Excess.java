package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Somebody who is heard, as they must or may be, but far louder than nominal: what distorts, and
/// what hurts in headphones. What comes bare through the air is a fact of the room, and a note.
final class Excess implements Rule {
    private static final String BARE = ", bare through the air of the room: no knob governs that";

    @Override
    public String id() {
        return "too-loud";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("levelDb") - limits.get(Limit.LOUD);
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears") + ", not too loud";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            double over = cell.hearing().levelDb();
            if (cell.standing().wish() == Wish.MUST_NOT || over <= limits.get(Limit.LOUD)) continue;
            String headline =
                    "%s hears %s %s louder than meant"
                            .formatted(
                                    Names.subject(cell.ear()),
                                    Names.of(cell.source()),
                                    Words.db(over));
            boolean bare = Bare.is(scene, cell, limits.get(Limit.LOUD));
            findings.add(
                    finding(
                                    scene,
                                    cell,
                                    bare ? Severity.NOTE : Severity.PROBLEM,
                                    bare ? Verdict.AS_WISHED : Verdict.TOO_LOUD,
                                    bare ? headline + BARE : headline)
                            .figure("levelDb", over)
                            .brief("too loud")
                            .because(() -> Rule.ways(scene, cell, "", 2)));
        }
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double over = finding.figures().get("levelDb");
        return workshop.graph().lower(finding, over, over - 10);
    }
}
