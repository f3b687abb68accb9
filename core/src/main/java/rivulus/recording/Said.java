package rivulus.recording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.level.Turning;
import rivulus.show.Ear;
import rivulus.words.Severity;

/// What has been said of a recording so far.
final class Said {
    private final List<Remark> all = new ArrayList<>();

    void add(Remark remark) {
        all.add(remark);
    }

    /// Says something of one track.
    void say(
            Remark.Kind kind,
            Severity severity,
            Track track,
            String sentence,
            Map<String, Double> figures) {
        say(kind, severity, track, sentence, List.of(), figures);
    }

    /// Says something of one track, with what to turn.
    void say(
            Remark.Kind kind,
            Severity severity,
            Track track,
            String sentence,
            List<Turning> turns,
            Map<String, Double> figures) {
        add(
                new Remark(
                        kind,
                        severity,
                        sentence,
                        track.ear().map(Ear::id).stream().toList(),
                        Optional.empty(),
                        turns,
                        Map.of(),
                        figures));
    }

    /// Whether something of that kind was said of a track.
    boolean has(Remark.Kind kind, Track track) {
        return all.stream()
                .anyMatch(
                        remark ->
                                remark.kind() == kind
                                        && track.ear()
                                                .filter(ear -> remark.ears().contains(ear.id()))
                                                .isPresent());
    }

    /// All of it, worst first.
    List<Remark> all() {
        return all.stream()
                .sorted(Comparator.comparing(Remark::severity).thenComparing(Remark::kind))
                .toList();
    }
}
