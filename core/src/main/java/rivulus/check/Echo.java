package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.hearing.Arrival;
import rivulus.hearing.TalkerEcho;
import rivulus.hearing.Ways;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.words.Words;

/// A caller who gets their own voice back, rated by the E-model.
final class Echo implements Check {
    @Override
    public String id() {
        return "echo";
    }

    @Override
    public List<Finding> findings(SceneProof scene, Limits limits) {
        List<Finding> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (!LateOwnVoice.isOwnVoice(cell) || !isCaller(cell) || !cell.hearing().isHeard())
                continue;
            Arrival strongest = cell.hearing().strongest().orElseThrow();
            TalkerEcho echo = TalkerEcho.of(-cell.hearing().levelDb(), strongest.ms());
            if (echo.rating() < limits.echoRating())
                findings.add(finding(scene, cell, strongest, echo, limits));
        }
        return findings;
    }

    static boolean isCaller(SceneProof.Heard cell) {
        return cell.source() instanceof Person person && person.role() == Role.CALLER;
    }

    private Finding finding(
            SceneProof scene,
            SceneProof.Heard cell,
            Arrival strongest,
            TalkerEcho echo,
            Limits limits) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("delayMs", strongest.ms());
        figures.put("levelDb", cell.hearing().levelDb());
        figures.put("rating", echo.rating());
        String headline =
                "%s hears %s %s late at %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                cell.source().self(),
                                Words.ms(strongest.ms()),
                                Words.db(cell.hearing().levelDb()));
        Severity severity =
                echo.rating() < limits.echoBadRating() ? Severity.PROBLEM : Severity.CAUTION;
        var key =
                new Finding.Key(id(), scene.scene().id(), cell.ear().id(), cell.source().id(), "");
        return new Finding(
                key,
                severity,
                Verdict.ECHO,
                headline,
                figures,
                scene.tracer().live(),
                () ->
                        new Finding.Evidence(
                                echo.words(),
                                Ways.of(scene.tracer().live())
                                        .strongest(cell.source().id(), cell.ear().id(), 3)
                                        .all()));
    }
}
