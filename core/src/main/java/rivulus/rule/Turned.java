package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rivulus.check.Finding;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.signal.SignalGraph;

/// Ideas that turn what a finding says may be turned.
final class Turned {
    private Turned() {}

    /// Each of its knobs to each of its other settings, a switch only off.
    static List<Idea> each(Finding finding) {
        List<Idea> ideas = new ArrayList<>();
        SignalGraph graph = finding.live().graph();
        for (Ref ref : finding.knobs()) {
            int k = graph.knobIndex(ref.device(), ref.name());
            Knob knob = graph.knobs().get(k).knob();
            for (Setting to :
                    knob instanceof Knob.Switch
                            ? List.<Setting>of(new Setting.Switch(false))
                            : knob.others(finding.live().positions().get(k)))
                ideas.add(new Idea.Settings(Map.of(ref, to)));
        }
        return ideas;
    }

    /// Each of its levels turned by so much, where it goes so far.
    static List<Idea> by(Finding finding, double db) {
        List<Idea> ideas = new ArrayList<>();
        SignalGraph graph = finding.live().graph();
        for (Ref ref : finding.knobs()) {
            int k = graph.knobIndex(ref.device(), ref.name());
            if (!(graph.knobs().get(k).knob() instanceof Knob.Level level)
                    || !(finding.live().positions().get(k) instanceof Setting.Level now)
                    || now.isOff()) continue;
            Setting.Level to = level.nearest(now.db() + db);
            if (Math.abs(to.db() - now.db() - db) < level.stepDb())
                ideas.add(new Idea.Settings(Map.of(ref, to)));
        }
        return ideas;
    }
}
