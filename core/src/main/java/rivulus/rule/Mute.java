package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.ClosedGate;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.hearing.Tracer;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.MuteKey;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.Positions;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A mute that does not silence what its user thinks: a source that rests behind a closed mute or
/// fader and is heard all the same, or a mute key that would leave an ear listening if it were
/// pressed.
final class Mute implements Rule {
    @Override
    public String id() {
        return "mute";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("levelDb") - limits.get(Limit.LEAK);
    }

    @Override
    public boolean countsByWire(Finding finding, Show show) {
        return true;
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "does not hear") + " when muted";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (!Leak.leaks(scene, cell, limits)) continue;
            thoughtToSilence(scene, cell)
                    .ifPresent(knob -> findings.add(resting(scene, cell, knob)));
        }
        for (MuteKey key : scene.show().mutes()) {
            press(scene, key)
                    .ifPresent(pressed -> findings.addAll(pressed(scene, key, pressed, limits)));
        }
        return findings;
    }

    /// What would be heard with that mute key pressed; empty where it already is, or is not there.
    private static Optional<Tracer> press(SceneProof scene, MuteKey key) {
        if (key.isPressedIn(scene.scene())) return Optional.of(scene.tracer());
        Positions positions = scene.tracer().live().positions();
        int knob = scene.tracer().live().graph().knobIndex(key.knob().device(), key.knob().name());
        if (knob < 0 || positions.get(knob).equals(key.to())) return Optional.empty();
        return Optional.of(scene.with(key.knob(), key.to()));
    }

    static boolean isThoughtMuted(SceneProof scene, SceneProof.Heard cell) {
        return thoughtToSilence(scene, cell).isPresent();
    }

    /// The closed mute or fader that the source stands behind while it rests in this scene.
    private static Optional<KnobUse> thoughtToSilence(SceneProof scene, SceneProof.Heard cell) {
        if (!scene.scene().quiet().contains(cell.source().id())) return Optional.empty();
        return ClosedGate.nearest(scene.tracer().live(), cell.source().id());
    }

    private Finding.Draft resting(SceneProof scene, SceneProof.Heard cell, KnobUse knob) {
        boolean fader = knob.knob() instanceof Knob.Level;
        String headline =
                "%s hears %s at %s though %s is %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                Words.db(cell.hearing().levelDb()),
                                knob.words(),
                                fader ? "down" : "on");
        return finding(
                scene,
                cell.ear(),
                cell.source(),
                Verdict.UNMUTED,
                knob.ref().toString(),
                headline,
                cell.hearing().levelDb(),
                scene.tracer());
    }

    private List<Finding.Draft> pressed(
            SceneProof scene, MuteKey key, Tracer pressed, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (String id : key.silences()) {
            Source source = scene.show().cast().source(id).orElse(null);
            if (source == null) continue; // somebody who does not speak is silent anyhow
            for (Ear ear : scene.show().ears()) {
                if (isExcepted(key, ear, source)) continue;
                double level = pressed.hearing(ear.id(), id).byWireDb();
                if (level <= limits.get(Limit.LEAK)) continue;
                String headline =
                        "%s does not silence %s for %s: %s remain"
                                .formatted(
                                        key.name(),
                                        Names.of(source),
                                        Names.of(ear),
                                        Words.db(level));
                findings.add(
                        finding(
                                scene,
                                ear,
                                source,
                                Verdict.MUTE_FAILS,
                                key.knob().toString(),
                                headline,
                                level,
                                pressed));
            }
        }
        return findings;
    }

    private static boolean isExcepted(MuteKey key, Ear ear, Source source) {
        return ear.of().equals(source.id()) || key.except().contains(ear.id());
    }

    private Finding.Draft finding(
            SceneProof scene,
            Ear ear,
            Source source,
            Verdict verdict,
            String knob,
            String headline,
            double level,
            Tracer tracer) {
        Severity severity = ear.isPublic() ? Severity.PROBLEM : Severity.CAUTION;
        return finding(severity, headline)
                .in(scene, tracer.live())
                .heard(ear, source, verdict)
                .about(knob)
                .figure("levelDb", level)
                .because(
                        () ->
                                new Finding.Evidence(
                                        "",
                                        Ways.of(tracer.live())
                                                .strongest(source.id(), ear.id(), 2)
                                                .all()));
    }

    /// What comes through though it rests is the same harm whether a mute is closed before it or
    /// not.
    @Override
    public Finding.Key harm(Finding finding) {
        Finding.Key key = finding.key();
        boolean leaks = finding.verdict().filter(Verdict.UNMUTED::equals).isPresent();
        return leaks ? new Finding.Key("leak", key.scene(), key.ear(), key.source(), "") : key;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().closers(finding);
    }
}
