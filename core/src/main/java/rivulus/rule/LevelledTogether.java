package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Processor.Kind;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A leveller on the sum of voices and music: it turns the music up wherever nobody talks, and down
/// under the voices.
final class LevelledTogether implements EndedByIdeas {
    @Override
    public String id() {
        return "levelled-together";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        Map<Ref, List<OnTheWay>> through = new LinkedHashMap<>();
        for (SceneProof.Coming comes : scene.processed())
            for (OnTheWay one : OnTheWay.of(scene, comes))
                if (one.kind() == Kind.LEVELLER)
                    through.computeIfAbsent(one.onOff().ref(), _ -> new ArrayList<>()).add(one);
        List<Finding.Draft> findings = new ArrayList<>();
        through.forEach(
                (knob, some) -> {
                    List<Source> voices = sources(some, true);
                    List<Source> rest = sources(some, false);
                    if (!voices.isEmpty() && !rest.isEmpty())
                        findings.add(finding(scene, some.getFirst(), voices, rest));
                });
        return findings;
    }

    private static List<Source> sources(List<OnTheWay> some, boolean voices) {
        return some.stream()
                .map(one -> one.comes().cell().source())
                .filter(source -> source instanceof Person == voices)
                .distinct()
                .toList();
    }

    private Finding.Draft finding(
            SceneProof scene, OnTheWay one, List<Source> voices, List<Source> rest) {
        return finding(
                        Severity.CAUTION,
                        "%s levels %s together with %s: it lifts what plays wherever nobody talks"
                                .formatted(one.words(), names(voices), names(rest)))
                .in(scene, scene.tracer().live())
                .about(one.onOff().ref().toString())
                .figure("sources", voices.size() + rest.size())
                .knobs(List.of(one.onOff().ref()))
                .because(() -> new Finding.Evidence("", List.of(one.comes().way().way())));
    }

    private static String names(List<Source> sources) {
        return Words.list(sources.stream().map(Names::of).toList());
    }
}
