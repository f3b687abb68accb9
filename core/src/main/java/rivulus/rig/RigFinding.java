package rivulus.rig;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Severity;
import rivulus.show.Ref;

/// Something wrong with gear, leads, earths or power; it holds in every scene.
///
/// @param about the ids of the leads and devices it is about, the first the foremost
/// @param sentence what is wrong and why
/// @param figures with the unit in the name: `padDb`, `drawsMa`
/// @param knobs what may be turned against it; empty where it is a matter of leads and boxes
public record RigFinding(
        String rule,
        Severity severity,
        List<String> about,
        String sentence,
        SequencedMap<String, Double> figures,
        List<Ref> knobs) {
    public RigFinding {
        about = List.copyOf(about);
        figures = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(figures));
        knobs = List.copyOf(knobs);
    }

    /// A finding that no knob ends.
    public RigFinding(
            String rule,
            Severity severity,
            List<String> about,
            String sentence,
            SequencedMap<String, Double> figures) {
        this(rule, severity, about, sentence, figures, List.of());
    }

    /// What tells it from other findings of the same show.
    public String id() {
        return rule + "/" + String.join("/", about);
    }
}
