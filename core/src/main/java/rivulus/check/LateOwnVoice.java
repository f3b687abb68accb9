package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.hearing.Arrival;
import rivulus.hearing.OwnVoice;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.words.Words;

/// A talker in the show's own rooms who hears their own voice late.
final class LateOwnVoice implements Check {
    @Override
    public String id() {
        return "late-own-voice";
    }

    @Override
    public List<Finding> findings(SceneProof scene, Limits limits) {
        List<Finding> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (!isOwnVoice(cell) || Echo.isCaller(cell)) continue;
            late(cell, limits).ifPresent(late -> findings.add(finding(scene, cell, late, limits)));
        }
        return findings;
    }

    /// Whether this is somebody hearing themself.
    static boolean isOwnVoice(SceneProof.Heard cell) {
        return cell.ear().kind() == Ear.Kind.PERSON && cell.ear().of().equals(cell.source().id());
    }

    private static Optional<Arrival> late(SceneProof.Heard cell, Limits limits) {
        return cell.hearing().arrivals().stream()
                .filter(a -> a.levelDb() > limits.ownVoiceDb() && a.ms() >= limits.ownVoiceMs())
                .max(Comparator.comparingDouble(Arrival::levelDb));
    }

    private Finding finding(SceneProof scene, SceneProof.Heard cell, Arrival late, Limits limits) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("delayMs", late.ms());
        figures.put("levelDb", late.levelDb());
        String headline =
                "%s hears %s %s late at %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                cell.source().self(),
                                Words.ms(late.ms()),
                                Words.db(late.levelDb()));
        Severity severity =
                late.ms() >= limits.ownVoiceBadMs() ? Severity.PROBLEM : Severity.CAUTION;
        var key =
                new Finding.Key(id(), scene.scene().id(), cell.ear().id(), cell.source().id(), "");
        return new Finding(
                key,
                severity,
                Verdict.LATE,
                headline,
                figures,
                scene.tracer().live(),
                () ->
                        new Finding.Evidence(
                                OwnVoice.at(late.ms()).words(),
                                Ways.of(scene.tracer().live())
                                        .strongest(cell.source().id(), cell.ear().id(), 2)
                                        .all()));
    }
}
