package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.show.Aim;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A source that an ear hears later than somebody wants it.
final class LateForWish implements Rule {
    @Override
    public String id() {
        return "later-than-wished";
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears") + " in time";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (Aim aim : scene.aims(Aim.Kind.WITHIN)) {
            SceneProof.Heard cell = scene.of(aim.ear(), aim.source());
            if (cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            Optional<Arrival> first =
                    cell.hearing().arrivals().stream()
                            .max(Comparator.comparingDouble(Arrival::levelDb));
            if (first.isPresent() && first.get().ms() > aim.figure())
                findings.add(finding(scene, cell, first.get(), aim));
        }
        return findings;
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, Arrival arrival, Aim aim) {
        String headline =
                "%s hears %s after %s, not within %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.ms(arrival.ms()),
                                Words.ms(aim.figure()));
        return finding(scene, cell, Severity.CAUTION, Verdict.LATER, headline)
                .figure("delayMs", arrival.ms())
                .figure("wantedMs", aim.figure())
                .brief(Words.ms(arrival.ms()))
                .because(() -> Rule.ways(scene, cell, "", 2));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>(workshop.graph().closers(finding));
        ideas.addAll(workshop.graph().openers(finding));
        return ideas;
    }
}
