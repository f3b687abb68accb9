package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.Doubling;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A source that arrives twice.
///
/// Sound through a room's air is always followed by more of itself: next to it a second arrival
/// counts only once it slaps or echoes.
final class Doubled implements Rule {
    @Override
    public String id() {
        return "doubled";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (cell.standing().wish() == Wish.MUST_NOT || LateOwnVoice.isOwnVoice(cell)) continue;
            if (cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            worst(cell, limits)
                    .ifPresent(doubling -> findings.add(finding(scene, cell, doubling, limits)));
        }
        return findings;
    }

    private static Optional<Doubling> worst(SceneProof.Heard cell, Limits limits) {
        if (cell.hearing().arrivals().size() < 2) return Optional.empty();
        Arrival strongest = cell.hearing().strongest().orElseThrow();
        Arrival worst = null;
        for (Arrival other : cell.hearing().arrivals()) {
            if (other == strongest || other.ringing()) continue;
            if (worst != null && other.levelDb() <= worst.levelDb()) continue;
            if (matters(strongest, other, limits)) worst = other;
        }
        return Optional.ofNullable(worst).map(other -> Doubling.of(strongest, other));
    }

    private static boolean matters(Arrival strongest, Arrival other, Limits limits) {
        Doubling doubling = Doubling.of(strongest, other);
        boolean air = strongest.throughAir() || other.throughAir();
        Limit limit =
                switch (doubling.effect()) {
                    case SHIFTS -> null;
                    case COLOURS -> air ? null : Limit.COLOURS;
                    case SLAPS -> air ? Limit.COLOURS : Limit.SLAPS;
                    case ECHOES -> air ? Limit.COLOURS : Limit.ECHOES;
                };
        return limit != null && doubling.belowDb() <= limits.get(limit);
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, Doubling doubling, Limits limits) {
        String headline =
                "%s hears %s twice, %s apart"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.ms(doubling.gapMs()));
        boolean bad =
                doubling.effect() != Doubling.Effect.COLOURS
                        || doubling.belowDb() < limits.get(Limit.COLOURS_BAD);
        return finding(
                        scene,
                        cell,
                        bad ? Severity.PROBLEM : Severity.CAUTION,
                        Verdict.DOUBLED,
                        headline)
                .figure("gapMs", doubling.gapMs())
                .figure("belowDb", doubling.belowDb())
                .figure("firstNotchHz", doubling.firstNotchHz())
                .figure("rippleDb", doubling.rippleDb())
                .because(
                        () ->
                                new Finding.Evidence(
                                        words(doubling),
                                        Ways.of(scene.tracer().live())
                                                .strongest(cell.source().id(), cell.ear().id(), 4)
                                                .all()));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().closers(finding);
    }

    private static String words(Doubling doubling) {
        if (doubling.effect() != Doubling.Effect.COLOURS)
            return "the second one " + doubling.effect().words();
        return "the second one %s, first notch at %s"
                .formatted(doubling.effect().words(), Words.hz(doubling.firstNotchHz()));
    }
}
