package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;

/// A track that is taken before the fader where somebody wants them after it, or the other way
/// round. Told only where somebody said how tracks are taken.
final class TrackTaps implements Rule {
    @Override
    public String id() {
        return "track-tap";
    }

    @Override
    public Need need(Finding finding) {
        return Need.ONE_WAY;
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Optional<Habit.Way> said = scene.show().habits().of(Habit.TAPS);
        if (said.isEmpty()) return findings;
        boolean wanted = said.get().word().equals("post");
        for (SceneProof.Heard cell : scene.all()) {
            boolean track =
                    cell.ear().kind() == Ear.Kind.TRACK
                            && cell.ear().of().equals(cell.source().id());
            if (!track || cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            LiveGraph live = scene.tracer().live();
            Optional<Way> way =
                    Ways.of(live).strongest(cell.source().id(), cell.ear().id(), 1).first();
            Optional<KnobUse> fader =
                    way.flatMap(taken -> taken.knob(live.graph(), Knob.Role.FADER));
            if (way.isPresent() && fader.isPresent() != wanted)
                findings.add(finding(scene, cell, way.get(), fader));
        }
        return findings;
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, Way way, Optional<KnobUse> fader) {
        String headline =
                fader.map(
                                use ->
                                        "%s is taken after the fader: %s turns it down, too"
                                                .formatted(Names.subject(cell.ear()), use.words()))
                        .orElseGet(
                                () ->
                                        "%s is taken before the fader: no fader turns it down"
                                                .formatted(Names.subject(cell.ear())));
        return finding(scene, cell, Severity.NOTE, Verdict.AS_WISHED, headline)
                .because(() -> new Finding.Evidence("", List.of(way)));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().otherTaps(finding);
    }
}
