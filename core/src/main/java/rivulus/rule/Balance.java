package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A source that an ear hears louder or softer under the voices than somebody wants it.
final class Balance implements Rule {
    @Override
    public String id() {
        return "balance";
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears") + " as far under the voices as wanted";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Under aim : scene.under()) {
            SceneProof.Heard cell = scene.of(aim.ear(), aim.source());
            if (cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            OptionalDouble voices = voices(scene, cell, limits);
            if (voices.isEmpty()) continue;
            double under = voices.getAsDouble() - cell.hearing().levelDb();
            double off = aim.isLeast() ? Math.min(0, under - aim.db()) : under - aim.db();
            if (Math.abs(off) > limits.get(Limit.BALANCE))
                findings.add(finding(scene, cell, under, aim.db()));
        }
        return findings;
    }

    /// How loud the voices are that an ear must hear, hears, and that do not rest: the mean of
    /// their levels in dB, a source's own left out.
    private static OptionalDouble voices(SceneProof scene, SceneProof.Heard cell, Limits limits) {
        return scene.of(cell.ear().id()).stream()
                .filter(other -> other.source() instanceof Person)
                .filter(other -> !other.source().id().equals(cell.source().id()))
                .filter(other -> other.standing().wish() == Wish.MUST)
                .filter(other -> other.hearing().levelDb() >= limits.get(Limit.HEARD))
                .mapToDouble(other -> other.hearing().levelDb())
                .average();
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, double under, double wanted) {
        Source source = cell.source();
        String headline =
                "%s hears %s %s the voices, not %s them"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(source),
                                against(under),
                                against(wanted));
        boolean loud = under < wanted;
        return finding(
                        scene,
                        cell,
                        Severity.CAUTION,
                        loud ? Verdict.TOO_LOUD : Verdict.TOO_SOFT,
                        headline)
                .figure("underDb", under)
                .figure("wantedDb", wanted)
                .brief(loud ? "too loud" : "too soft")
                .because(() -> Rule.ways(scene, cell, "", 2));
    }

    /// "12.0 dB under", "2.0 dB over".
    private static String against(double under) {
        return "%s %s".formatted(Words.db(Math.abs(under)), under < 0 ? "over" : "under");
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph()
                .turned(
                        finding,
                        finding.figures().get("underDb") - finding.figures().get("wantedDb"));
    }
}
