package rivulus.recording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.level.Preamp;
import rivulus.level.Turning;
import rivulus.show.Cable;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// The plan beside a recording: what it foretells of a track, and what would have to be turned.
final class Foretold {
    private final Proof proof;
    private final SceneProof scene;
    private final LiveGraph live;

    Foretold(Proof proof, SceneProof scene) {
        this.proof = proof;
        this.scene = scene;
        live = scene.tracer().live();
    }

    Proof proof() {
        return proof;
    }

    SceneProof scene() {
        return scene;
    }

    Show show() {
        return proof.show();
    }

    double limit(Limit limit) {
        return proof.show().checks().limits().get(limit);
    }

    /// How loud the one source of a track is there, against nominal.
    double planned(Track track) {
        return scene.of(track.ear().orElseThrow().id(), track.source().orElseThrow().id())
                .hearing()
                .levelDb();
    }

    /// The ring of grounds that is closed by a lead on a track's way; empty where there is none.
    Optional<Finding> ring(Track track) {
        Set<String> passed =
                ways(track).stream()
                        .flatMap(way -> way.legs().stream())
                        .flatMap(leg -> Stream.of(leg.from().device(), leg.to().device()))
                        .collect(Collectors.toSet());
        Set<String> leads =
                show().rig().cables().stream()
                        .filter(cable -> passed.contains(cable.from().device()))
                        .filter(cable -> passed.contains(cable.to().device()))
                        .map(Cable::id)
                        .collect(Collectors.toSet());
        return proof.ofTheRig().stream()
                .filter(finding -> finding.rule().equals("ground-loop"))
                .filter(finding -> finding.gear().stream().anyMatch(leads::contains))
                .findFirst();
    }

    /// The strongest way of the track's source, or of each of a mix, to where it listens.
    List<Way> ways(Track track) {
        if (track.ear().isEmpty()) return List.of();
        String ear = track.ear().get().id();
        List<Source> of = track.source().map(List::of).orElseGet(() -> proof.show().sources());
        return of.stream()
                .flatMap(source -> Ways.of(live).strongest(source.id(), ear, 1).first().stream())
                .toList();
    }

    // What to turn

    /// The gain that a track's source passes first, turned by so much; else another level on its
    /// way.
    Optional<Turning> gain(Track track, double byDb) {
        for (Way way : ways(track)) {
            for (Leg leg : way.legs()) {
                Optional<Preamp> preamp = proof.levels().preamp(live, leg);
                if (preamp.isPresent()) return turned(preamp.get().use(), byDb);
            }
            Optional<Turning> other =
                    way.knobs(live.graph()).flatMap(use -> turned(use, byDb).stream()).findFirst();
            if (other.isPresent()) return other;
        }
        return Optional.empty();
    }

    /// The last level before a track's ear that all of it passes, turned by so much.
    Optional<Turning> level(Track track, double byDb) {
        List<Way> ways = ways(track);
        if (ways.isEmpty()) return Optional.empty();
        List<KnobUse> shared = new ArrayList<>(ways.getFirst().knobs(live.graph()).toList());
        for (Way way : ways) shared.retainAll(way.knobs(live.graph()).toList());
        return shared.reversed().stream().flatMap(use -> turned(use, byDb).stream()).findFirst();
    }

    private Optional<Turning> turned(KnobUse use, double byDb) {
        return Turning.by(byDb, use, live, where(use));
    }

    private Optional<String> where(KnobUse use) {
        return show().turnedIn(scene.scene().id(), use.ref());
    }

    /// A delay on the way to a track's ear, made longer.
    Optional<Turning> later(Track track, double byMs) {
        return ways(track).stream()
                .flatMap(way -> way.knobs(live.graph()))
                .flatMap(use -> Turning.later(byMs, use, live, where(use)).stream())
                .findFirst();
    }

    /// A switch turned on; empty where it is on.
    Optional<Turning> switchedOn(Ref knob) {
        int k = live.graph().knobIndex(knob.device(), knob.name());
        Setting now = live.positions().get(k);
        Setting on = new Setting.Switch(true);
        if (now.equals(on)) return Optional.empty();
        KnobUse use = live.graph().knobs().get(k);
        return Optional.of(new Turning(use, new Turn(knob, now, on, where(use))));
    }
}
