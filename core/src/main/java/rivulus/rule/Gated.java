package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.level.Staircase;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A gate that cuts the softest words of somebody, or that never closes since the noise lies over
/// it.
final class Gated implements EndedByIdeas {
    @Override
    public String id() {
        return "gate";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Set<Object> told = new HashSet<>();
        for (SceneProof.Coming comes : scene.processed()) {
            if (!(comes.cell().source() instanceof Person)) continue;
            for (OnTheWay gate : OnTheWay.of(scene, comes))
                if (gate.kind() == Kind.GATE
                        && told.add(List.of(comes.cell().source().id(), gate.onOff().ref())))
                    finding(gate, limits).ifPresent(findings::add);
        }
        return findings;
    }

    private Optional<Finding.Draft> finding(OnTheWay gate, Limits limits) {
        Staircase way = gate.comes().way();
        double threshold = gate.block().level(Part.THRESHOLD);
        double cut = 100 * way.shareUnder(gate.worked(), threshold);
        double noise = gate.worked().noiseDb();
        boolean cuts = cut > limits.get(Limit.GATE_CUTS);
        boolean stays = noise + limits.get(Limit.GATE_OVER) > threshold;
        if (!cuts && !stays) return Optional.empty();
        String who = Names.of(gate.comes().cell().source());
        String sentence =
                cuts
                        ? "%s cuts about %d %% of what %s says"
                                .formatted(gate.words(), Math.round(cut), who)
                        : "%s hardly ever closes: it opens at %s, and the noise is at %s"
                                .formatted(
                                        gate.words(), reads(gate, threshold), reads(gate, noise));
        List<Ref> knobs = new ArrayList<>(List.of(gate.onOff().ref()));
        Finding.Draft draft =
                gate.finding(this, Severity.CAUTION, sentence)
                        .figure("cutPercent", cut)
                        .figure("noiseUnderDb", threshold - noise);
        Optional<Setting.Level> better = better(gate, limits);
        gate.turns(Part.THRESHOLD).map(KnobUse::ref).ifPresent(knobs::add);
        better.ifPresent(level -> draft.figure("betterDb", level.db()));
        return Optional.of(draft.knobs(knobs));
    }

    private static String reads(OnTheWay gate, double db) {
        return Words.figure(
                db + gate.block().processor().unit().lineUp(),
                0,
                gate.block().processor().unit().word());
    }

    /// A threshold that neither cuts too much nor lies in the noise: in the middle of what will do.
    private static Optional<Setting.Level> better(OnTheWay gate, Limits limits) {
        Optional<KnobUse> use = gate.turns(Part.THRESHOLD);
        if (use.isEmpty() || !(use.get().knob() instanceof Knob.Level knob))
            return Optional.empty();
        double low = gate.worked().noiseDb() + limits.get(Limit.GATE_OVER);
        double high = low;
        double step = knob.stepDb();
        double most = limits.get(Limit.GATE_CUTS) / 100;
        while (gate.comes().way().shareUnder(gate.worked(), high + step) <= most) high += step;
        double lineUp = gate.block().processor().unit().lineUp();
        return high == low
                ? Optional.empty()
                : Optional.of(knob.nearest((low + high) / 2 + lineUp));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>();
        Double better = finding.figures().get("betterDb");
        if (better != null)
            ideas.add(
                    new Idea.Settings(
                            Map.of(finding.knobs().getLast(), new Setting.Level(better))));
        ideas.add(new Idea.Settings(Map.of(finding.knobs().getFirst(), new Setting.Switch(false))));
        return ideas;
    }
}
