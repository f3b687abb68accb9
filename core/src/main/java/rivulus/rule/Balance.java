package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Show;
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
        Set<List<String>> told = new HashSet<>();
        for (SceneProof.Under aim : scene.under()) {
            SceneProof.Heard cell = scene.of(aim.ear(), aim.source());
            if (cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            OptionalDouble voices = voices(scene, cell, limits);
            if (voices.isEmpty()) continue;
            double under = voices.getAsDouble() - cell.hearing().levelDb();
            double off = aim.isLeast() ? Math.min(0, under - aim.db()) : under - aim.db();
            told.add(List.of(aim.ear(), aim.source()));
            if (Math.abs(off) > limits.get(Limit.BALANCE))
                findings.add(
                        finding(
                                scene,
                                cell,
                                under,
                                aim.db(),
                                Soft.isByWire(cell.ear())
                                                && Math.abs(off) > limits.get(Limit.BALANCE_BAD)
                                        ? Severity.PROBLEM
                                        : Severity.CAUTION));
        }
        // of all cells: whether something drowns the voices hangs on them
        for (Ear ear : scene.show().ears())
            if (ear.isPublic() && Soft.isByWire(ear))
                for (SceneProof.Heard cell : scene.of(ear.id()))
                    if (isPlayed(scene, cell)
                            && !told.contains(List.of(ear.id(), cell.source().id())))
                        drowning(scene, cell, limits).ifPresent(findings::add);
        return findings;
    }

    private static boolean isPlayed(SceneProof scene, SceneProof.Heard cell) {
        return cell.source() instanceof Playback plays
                && plays.kind() != Playback.Kind.TONE
                && cell.standing().wish() == Wish.MUST
                && !scene.scene().quiet().contains(cell.source().id());
    }

    /// Of what nobody said a balance for: whether it drowns the voices.
    private Optional<Finding.Draft> drowning(
            SceneProof scene, SceneProof.Heard cell, Limits limits) {
        OptionalDouble voices = voices(scene, cell, limits);
        double under = voices.orElse(0) - cell.hearing().levelDb();
        return voices.isEmpty() || under >= -limits.get(Limit.BALANCE_BAD)
                ? Optional.empty()
                : Optional.of(
                        finding(
                                scene,
                                cell,
                                under,
                                0,
                                Severity.PROBLEM,
                                "%s hears %s %s the voices, and drowns them"
                                        .formatted(
                                                Names.subject(cell.ear()),
                                                Names.of(cell.source()),
                                                against(under))));
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
            SceneProof scene,
            SceneProof.Heard cell,
            double under,
            double wanted,
            Severity severity) {
        return finding(
                scene,
                cell,
                under,
                wanted,
                severity,
                "%s hears %s %s the voices, not %s them"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                against(under),
                                against(wanted)));
    }

    private Finding.Draft finding(
            SceneProof scene,
            SceneProof.Heard cell,
            double under,
            double wanted,
            Severity severity,
            String headline) {
        boolean loud = under < wanted;
        return finding(scene, cell, severity, loud ? Verdict.TOO_LOUD : Verdict.TOO_SOFT, headline)
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
