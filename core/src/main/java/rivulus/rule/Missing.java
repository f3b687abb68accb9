package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Picker;
import rivulus.hearing.Opening;
import rivulus.search.Found;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Playback;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Somebody who must be heard, and is not, or hardly.
final class Missing implements Rule {
    /// So many ways that could be opened are looked at for the likeliest cause.
    private static final int OPENINGS = 8;

    @Override
    public String id() {
        return "missing";
    }

    @Override
    public Need need(Finding finding) {
        return Need.MORE;
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears");
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (cell.standing().wish() != Wish.MUST) continue;
            double level = cell.hearing().levelDb();
            if (level < limits.get(Limit.HEARD)) findings.add(missing(scene, cell));
            else if (level < limits.get(Limit.FAINT)) findings.add(faint(scene, cell));
        }
        return findings;
    }

    private Finding.Draft missing(SceneProof scene, SceneProof.Heard cell) {
        String headline =
                "%s does not hear %s".formatted(Names.subject(cell.ear()), Names.of(cell.source()));
        return finding(scene, cell, Severity.PROBLEM, Verdict.MISSING, headline)
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> why(scene, cell));
    }

    private static Finding.Evidence why(SceneProof scene, SceneProof.Heard cell) {
        if (cell.source() instanceof Playback plays && plays.at().isEmpty())
            return new Finding.Evidence("nothing plays it yet", List.of());
        if (cell.ear().isNowhere())
            return new Finding.Evidence("it listens nowhere yet", List.of());
        Found<Opening> nearest =
                scene.openings().nearest(cell.source().id(), cell.ear().id(), OPENINGS);
        if (nearest.isEmpty()) {
            String cause =
                    cell.hearing().isHeard()
                            ? "it arrives at only " + Words.db(cell.hearing().levelDb())
                            : nearest.complete()
                                    ? "no lead and no program joins the two"
                                    : "no setting was found that lets it through; look whether a lead is missing";
            return new Finding.Evidence(cause, List.of());
        }
        return new Finding.Evidence(broken(likeliest(nearest.all())), List.of());
    }

    /// Of those that cost the same, one where a pick stands wrong rather than one where nothing is
    /// picked yet.
    private static Opening likeliest(List<Opening> nearest) {
        int effort = nearest.getFirst().effort();
        return nearest.stream()
                .filter(opening -> opening.effort() == effort)
                .min(Comparator.comparingLong(Missing::picksMore))
                .orElseThrow();
    }

    private static long picksMore(Opening opening) {
        return opening.turns().stream()
                .filter(turn -> turn.from().word().equals(Picker.NONE))
                .count();
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

    private Finding.Draft faint(SceneProof scene, SceneProof.Heard cell) {
        String headline =
                "%s hears %s only faintly, %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.db(cell.hearing().levelDb()));
        boolean grave = Soft.isByWire(cell.ear()) || Soft.isCallers(scene, cell.ear());
        Severity severity = grave ? Severity.PROBLEM : Severity.CAUTION;
        return finding(scene, cell, severity, Verdict.FAINT, headline)
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> Rule.ways(scene, cell, "", 2));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().louder(finding);
    }

    @Override
    public List<Idea> gear(Finding finding, Workshop workshop) {
        return workshop.joinedBesides(finding);
    }

    @Override
    public List<Idea> leads(Finding finding, Workshop workshop) {
        Optional<Ear> nowhere = workshop.show().ear(finding.key().ear()).filter(Ear::isNowhere);
        return nowhere.isPresent() ? workshop.placed(nowhere.get()) : workshop.missingLeads();
    }
}
