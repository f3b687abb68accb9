package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;

/// What is no voice, heard by way of a program that keeps voices and takes away all else.
final class MusicCleanedUp implements EndedByIdeas {
    private static final double SILENT = 1e-6;

    @Override
    public String id() {
        return "clean-up";
    }

    @Override
    public boolean isHarm(Finding finding) {
        return true;
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        LiveGraph live = scene.tracer().live();
        boolean cleans =
                live.graph().legs().stream()
                        .filter(Leg::keepsOnlyVoices)
                        .anyMatch(leg -> live.legGain(leg.index()) > SILENT);
        if (!cleans) return findings;
        for (SceneProof.Heard cell : scene.asked())
            if (cell.source() instanceof Playback
                    && cell.standing().wish() == Wish.MUST
                    && cell.hearing().levelDb() >= limits.get(Limit.HEARD))
                cleaning(live, cell).map(leg -> finding(scene, cell, leg)).ifPresent(findings::add);
        return findings;
    }

    private static Optional<Leg> cleaning(LiveGraph live, SceneProof.Heard cell) {
        return Ways.of(live).strongest(cell.source().id(), cell.ear().id(), 1).all().stream()
                .flatMap(way -> way.legs().stream())
                .filter(Leg::keepsOnlyVoices)
                .findFirst();
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Heard cell, Leg leg) {
        LiveGraph live = scene.tracer().live();
        String program = live.graph().nodes().get(live.graph().nodesOf(leg.from())[0]).device();
        List<Ref> knobs =
                leg.governors().stream()
                        .map(govern -> live.graph().knobs().get(govern.knob()))
                        .filter(use -> use.knob() instanceof Knob.Switch)
                        .filter(use -> use.knob().role() != Knob.Role.MUTE)
                        .map(KnobUse::ref)
                        .toList();
        return finding(
                        scene,
                        cell,
                        Severity.PROBLEM,
                        Verdict.AS_WISHED,
                        "%s hears %s by way of the voice clean-up of %s, which eats all that is no voice"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        Names.of(cell.source()),
                                        program))
                .knobs(() -> knobs)
                .brief("cleaned up")
                .figure("levelDb", Math.round(cell.hearing().levelDb() * 10) / 10.0)
                .because(() -> Rule.ways(scene, cell, "", 1));
    }

    /// The clean-up off, by whatever switch that goes.
    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>();
        for (Ref ref : finding.knobs()) {
            int knob = finding.live().graph().knobIndex(ref.device(), ref.name());
            boolean on = finding.live().positions().get(knob).equals(new Setting.Switch(true));
            ideas.add(new Idea.Settings(Map.of(ref, new Setting.Switch(!on))));
        }
        return ideas;
    }
}
