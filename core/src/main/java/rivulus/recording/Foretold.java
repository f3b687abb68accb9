package rivulus.recording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.level.Preamp;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

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

    Optional<Finding> ring(Track track) {
        Set<String> passed =
                ways(track).stream()
                        .flatMap(way -> way.legs().stream())
                        .flatMap(leg -> List.of(leg.from().device(), leg.to().device()).stream())
                        .collect(Collectors.toSet());
        return proof.ofTheRig().stream()
                .filter(finding -> finding.rule().equals("ground-loop"))
                .filter(
                        finding ->
                                finding.gear().stream()
                                        .flatMap(
                                                cable ->
                                                        proof.show().rig().cables().stream()
                                                                .filter(c -> c.id().equals(cable)))
                                        .anyMatch(c -> passed.stream().anyMatch(c::touches)))
                .findFirst();
    }

    List<Way> ways(Track track) {
        if (track.ear().isEmpty()) return List.of();
        String ear = track.ear().get().id();
        List<Source> of = track.source().map(List::of).orElseGet(() -> proof.show().sources());
        return of.stream()
                .flatMap(source -> Ways.of(live).strongest(source.id(), ear, 1).first().stream())
                .toList();
    }

    // What to turn

    /// A turn, and how it is said.
    record Turning(Turn turn, String words) {}

    /// The gain that a track's source passes first, turned by so much; else another level on its
    /// way.
    Optional<Turning> gain(Track track, double byDb) {
        for (Way way : ways(track)) {
            for (Leg leg : way.legs()) {
                Optional<Preamp> preamp = proof.levels().preamp(live, leg);
                if (preamp.isPresent()) return turned(preamp.get().use(), byDb);
            }
            Optional<Turning> other = level(way, byDb);
            if (other.isPresent()) return other;
        }
        return Optional.empty();
    }

    /// The last level before a track's ear, turned by so much.
    Optional<Turning> level(Track track, double byDb) {
        List<Way> ways = ways(track);
        if (ways.isEmpty()) return Optional.empty();
        List<KnobUse> last = levels(ways.getFirst());
        for (Way way : ways) last = last.stream().filter(levels(way)::contains).toList();
        return last.reversed().stream().flatMap(use -> turned(use, byDb).stream()).findFirst();
    }

    private Optional<Turning> level(Way way, double byDb) {
        return levels(way).stream().flatMap(use -> turned(use, byDb).stream()).findFirst();
    }

    private List<KnobUse> levels(Way way) {
        List<KnobUse> levels = new ArrayList<>();
        for (Leg leg : way.legs())
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = live.graph().knobs().get(govern.knob());
                if (use.knob() instanceof Knob.Level) levels.add(use);
            }
        return levels;
    }

    private Optional<Turning> turned(KnobUse use, double byDb) {
        int k = live.graph().knobIndex(use.ref().device(), use.ref().name());
        if (!(use.knob() instanceof Knob.Level level)
                || !(live.positions().get(k) instanceof Setting.Level now)
                || now.isOff()) return Optional.empty();
        double wanted = Math.rint((now.db() + byDb) / level.stepDb()) * level.stepDb();
        Setting.Level to = new Setting.Level(Math.clamp(wanted, level.minDb(), level.maxDb()));
        double by = to.db() - now.db();
        if (Math.abs(by) < level.stepDb() / 2) return Optional.empty();
        return Optional.of(
                new Turning(
                        new Turn(use.ref(), now, to, Optional.empty()),
                        "%s %s%s%s"
                                .formatted(
                                        use.words(),
                                        by > 0 ? "+" : "",
                                        Words.shortest(by),
                                        Words.THIN + "dB")));
    }

    /// A delay on the way to a track's ear, made longer.
    Optional<Turning> later(Track track, double byMs) {
        for (Way way : ways(track))
            for (Leg leg : way.legs())
                for (Leg.Govern govern : leg.governors()) {
                    KnobUse use = live.graph().knobs().get(govern.knob());
                    if (!(use.knob() instanceof Knob.Time time)
                            || !(live.positions().get(govern.knob()) instanceof Setting.Time now))
                        continue;
                    double wanted = Math.rint((now.ms() + byMs) / time.stepMs()) * time.stepMs();
                    Setting.Time to =
                            new Setting.Time(Math.clamp(wanted, time.minMs(), time.maxMs()));
                    if (to.ms() > now.ms())
                        return Optional.of(
                                new Turning(
                                        new Turn(use.ref(), now, to, Optional.empty()),
                                        use.words() + " to " + Words.ms(to.ms())));
                }
        return Optional.empty();
    }

    /// What a knob is called.
    String words(Ref knob) {
        return live.graph().knob(knob).orElseThrow().words();
    }
}
