package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Device;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Two mixers that one source passes on its way to the public. Told only where somebody said where
/// the mix is made.
final class SecondMixers implements Rule {
    @Override
    public String id() {
        return "second-mixer";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        if (proof.show().habits().of(Habit.HUB).isEmpty()) return findings;
        Map<List<String>, Set<String>> mixed = new LinkedHashMap<>();
        for (SceneProof scene : proof.scenes())
            for (SceneProof.Heard cell : scene.all()) {
                boolean out =
                        cell.ear().isPublic()
                                && cell.standing().wish() == Wish.MUST
                                && cell.hearing().levelDb() >= limits.get(Limit.HEARD);
                if (!out) continue;
                List<String> mixers = mixers(scene.tracer().live(), cell);
                if (mixers.size() > 1)
                    mixed.computeIfAbsent(mixers, _ -> new LinkedHashSet<>())
                            .add(cell.source().id());
            }
        mixed.forEach((mixers, sources) -> findings.add(finding(proof, mixers, sources)));
        return findings;
    }

    /// The devices whose faders are passed.
    private static List<String> mixers(LiveGraph live, SceneProof.Heard cell) {
        return Ways.of(live).strongest(cell.source().id(), cell.ear().id(), 1).stream()
                .map(Way::legs)
                .flatMap(List::stream)
                .flatMap(leg -> leg.governors().stream())
                .map(govern -> live.graph().knobs().get(govern.knob()))
                .filter(use -> use.knob().role() == Knob.Role.FADER)
                .filter(use -> isMixer(live, use.ref().device()))
                .map(use -> use.ref().device())
                .distinct()
                .toList();
    }

    /// What has one fader is a volume.
    private static boolean isMixer(LiveGraph live, String device) {
        return live.graph().knobsOf(device).stream()
                        .filter(use -> use.knob().role() == Knob.Role.FADER)
                        .count()
                > 1;
    }

    private Finding.Draft finding(Proof proof, List<String> mixers, Set<String> sources) {
        List<String> names =
                mixers.stream()
                        .flatMap(id -> proof.show().rig().device(id).stream())
                        .map(Device::name)
                        .toList();
        List<String> mixed =
                proof.show().sources().stream()
                        .filter(source -> sources.contains(source.id()))
                        .map((Source source) -> Names.of(source))
                        .toList();
        return finding(
                        Severity.NOTE,
                        "%s %s mix %s on the way to the public; the mix is to be made in %s"
                                .formatted(
                                        Words.list(names),
                                        names.size() > 2 ? "all" : "both",
                                        Words.list(mixed),
                                        proof.show().habits().of(Habit.HUB).orElseThrow().phrase()))
                .gear(mixers);
    }
}
