package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.hearing.Opening;
import rivulus.hearing.Openings;
import rivulus.hearing.Ways;
import rivulus.search.Found;
import rivulus.show.Wish;
import rivulus.words.Words;

/// Somebody who must be heard, and is not, or hardly.
final class Missing implements Check {
    @Override
    public String id() {
        return "missing";
    }

    @Override
    public List<Finding> findings(SceneProof scene, Limits limits) {
        List<Finding> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (cell.standing().wish() != Wish.MUST) continue;
            double level = cell.hearing().levelDb();
            if (level < limits.heardDb()) findings.add(missing(scene, cell));
            else if (level < limits.faintDb()) findings.add(faint(scene, cell));
        }
        return findings;
    }

    private Finding missing(SceneProof scene, SceneProof.Heard cell) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("levelDb", cell.hearing().levelDb());
        String headline =
                "%s does not hear %s".formatted(Names.subject(cell.ear()), Names.of(cell.source()));
        return new Finding(
                key(scene, cell),
                Severity.PROBLEM,
                Verdict.MISSING,
                headline,
                figures,
                scene.tracer().live(),
                () -> why(scene, cell));
    }

    private Finding.Key key(SceneProof scene, SceneProof.Heard cell) {
        return new Finding.Key(id(), scene.scene().id(), cell.ear().id(), cell.source().id(), "");
    }

    private static Finding.Evidence why(SceneProof scene, SceneProof.Heard cell) {
        var live = scene.tracer().live();
        Found<Opening> nearest =
                Openings.of(live.graph(), live.positions())
                        .nearest(cell.source().id(), cell.ear().id(), 1);
        if (nearest.isEmpty()) {
            String cause =
                    cell.hearing().isHeard()
                            ? "it arrives at only " + Words.db(cell.hearing().levelDb())
                            : nearest.complete()
                                    ? "no lead and no program joins the two"
                                    : "no way that knobs could open was found";
            return new Finding.Evidence(cause, List.of());
        }
        return new Finding.Evidence(broken(nearest.all().getFirst()), List.of());
    }

    /// What stands in the way: "Show desk · PHONE in headphones 3 is off".
    static String broken(Opening opening) {
        List<String> closed =
                opening.turns().stream()
                        .map(
                                turn ->
                                        "%s is %s"
                                                .formatted(
                                                        turn.knob().words(),
                                                        turn.knob().say(turn.from())))
                        .toList();
        return Words.list(closed);
    }

    private Finding faint(SceneProof scene, SceneProof.Heard cell) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("levelDb", cell.hearing().levelDb());
        String headline =
                "%s hears %s only faintly, %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.db(cell.hearing().levelDb()));
        return new Finding(
                key(scene, cell),
                Severity.CAUTION,
                Verdict.FAINT,
                headline,
                figures,
                scene.tracer().live(),
                () ->
                        new Finding.Evidence(
                                "",
                                Ways.of(scene.tracer().live())
                                        .strongest(cell.source().id(), cell.ear().id(), 2)
                                        .all()));
    }
}
