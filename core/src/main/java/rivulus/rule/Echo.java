package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.TalkerEcho;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A caller who gets their own voice back, rated by the E-model.
final class Echo implements Rule {
    private static final int MOST_LACKING = 80;

    /// What lacks more is not ended by turning something down.
    private static final int WORTH_LOWERING = 25;

    @Override
    public String id() {
        return "echo";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("lackingDb");
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears no echo of");
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (!LateOwnVoice.isOwnVoice(cell) || !isCaller(cell) || !cell.hearing().isHeard())
                continue;
            // what only rings and never arrives is no echo: [Looping] tells it
            if (cell.hearing().strongest().isEmpty()) continue;
            Arrival strongest = cell.hearing().strongest().get();
            TalkerEcho echo = TalkerEcho.of(-cell.hearing().levelDb(), strongest.ms());
            if (echo.rating() < limits.get(Limit.ECHO_RATING))
                findings.add(finding(scene, cell, strongest, echo, limits));
        }
        return findings;
    }

    static boolean isCaller(SceneProof.Heard cell) {
        return cell.source() instanceof Person person && person.isCaller();
    }

    private Finding.Draft finding(
            SceneProof scene,
            SceneProof.Heard cell,
            Arrival strongest,
            TalkerEcho echo,
            Limits limits) {
        String headline =
                "%s hears %s %s late at %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                cell.source().self(),
                                Words.ms(strongest.ms()),
                                Words.db(cell.hearing().levelDb()));
        Severity severity =
                echo.rating() < limits.get(Limit.ECHO_RATING_BAD)
                        ? Severity.PROBLEM
                        : Severity.CAUTION;
        return finding(scene, cell, severity, Verdict.ECHO, headline)
                .figure("delayMs", strongest.ms())
                .figure("levelDb", cell.hearing().levelDb())
                .figure("rating", echo.rating())
                .figure("lackingDb", lacking(echo, strongest.ms(), limits.get(Limit.ECHO_RATING)))
                .brief(Words.ms(strongest.ms()))
                .because(
                        () ->
                                new Finding.Evidence(
                                        echo.words(),
                                        Ways.of(scene.tracer().live())
                                                .strongest(cell.source().id(), cell.ear().id(), 3)
                                                .all()));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double lacking = finding.figures().get("lackingDb");
        return lacking > WORTH_LOWERING
                ? workshop.graph().closers(finding)
                : workshop.graph().lower(finding, lacking);
    }

    /// How much softer it would have to be to be borne, in whole decibels.
    private static double lacking(TalkerEcho echo, double ms, double rating) {
        int more = 0;
        while (more < MOST_LACKING && TalkerEcho.of(echo.lossDb() + more, ms).rating() < rating)
            more++;
        return more;
    }
}
