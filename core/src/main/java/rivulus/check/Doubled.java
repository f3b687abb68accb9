package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.hearing.Arrival;
import rivulus.hearing.Doubling;
import rivulus.hearing.Ways;
import rivulus.show.Wish;
import rivulus.words.Words;

/// A source that arrives twice.
///
/// Sound through a room's air is always followed by more of itself: next to it a second arrival
/// counts only once it slaps or echoes.
final class Doubled implements Check {
    @Override
    public String id() {
        return "doubled";
    }

    @Override
    public List<Finding> findings(SceneProof scene, Limits limits) {
        List<Finding> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (cell.standing().wish() == Wish.MUST_NOT || LateOwnVoice.isOwnVoice(cell)) continue;
            if (cell.hearing().levelDb() < limits.heardDb()) continue;
            worst(cell, limits).ifPresent(doubling -> findings.add(finding(scene, cell, doubling)));
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
        return switch (doubling.effect()) {
            case SHIFTS -> false;
            case COLOURS -> !air && doubling.belowDb() <= limits.colourDb();
            case SLAPS -> doubling.belowDb() <= (air ? limits.colourDb() : limits.slapDb());
            case ECHOES -> doubling.belowDb() <= (air ? limits.colourDb() : limits.echoDb());
        };
    }

    private Finding finding(SceneProof scene, SceneProof.Heard cell, Doubling doubling) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("gapMs", doubling.gapMs());
        figures.put("belowDb", doubling.belowDb());
        figures.put("firstNotchHz", doubling.firstNotchHz());
        figures.put("rippleDb", doubling.rippleDb());
        String headline =
                "%s hears %s twice, %s apart"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.ms(doubling.gapMs()));
        boolean bad = doubling.effect() != Doubling.Effect.COLOURS || doubling.belowDb() < 4;
        var key =
                new Finding.Key(id(), scene.scene().id(), cell.ear().id(), cell.source().id(), "");
        return new Finding(
                key,
                bad ? Severity.PROBLEM : Severity.CAUTION,
                Verdict.DOUBLED,
                headline,
                figures,
                scene.tracer().live(),
                () ->
                        new Finding.Evidence(
                                words(doubling),
                                Ways.of(scene.tracer().live())
                                        .strongest(cell.source().id(), cell.ear().id(), 4)
                                        .all()));
    }

    private static String words(Doubling doubling) {
        if (doubling.effect() != Doubling.Effect.COLOURS)
            return "the second one " + doubling.effect().words();
        return "the second one %s, first notch at %s"
                .formatted(doubling.effect().words(), Words.hz(doubling.firstNotchHz()));
    }
}
