package rivulus.recording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.recording.Remark.Kind;
import rivulus.words.Severity;

/// A file that runs at another speed than the others of the same recording: kept at 44.1 kHz and
/// marked as 48, or the other way round. It is as much longer or shorter as the two rates differ.
final class SpeedRemarks {
    private static final double RATES = 48_000 / 44_100.0;

    /// Recorders are not stopped at the same moment.
    private static final double ALIKE = 0.01;

    private static final double LONG_ENOUGH_S = 10;

    private final Said said;

    SpeedRemarks(Said said) {
        this.said = said;
    }

    /// Every file beside most of the others.
    void look(List<Track> tracks) {
        Map<Object, Track> files = new LinkedHashMap<>();
        for (Track track : tracks) files.putIfAbsent(track.file(), track);
        double usual = usual(files.values().stream().map(t -> t.measured().seconds()).toList());
        if (usual < LONG_ENOUGH_S) return;
        for (Track track : files.values()) {
            double longer = track.measured().seconds() / usual;
            if (isLike(longer, RATES)) say(track, "slow", "44.1", "48");
            if (isLike(longer, 1 / RATES)) say(track, "fast", "48", "44.1");
        }
    }

    /// How long most are; 0 where no two agree, or not more than any others.
    private static double usual(List<Double> seconds) {
        List<Double> alike = new ArrayList<>();
        for (double one : seconds) {
            List<Double> like = seconds.stream().filter(s -> isLike(s, one)).toList();
            if (like.size() > alike.size()) alike = like;
        }
        return alike.size() > 1 && 2 * alike.size() > seconds.size() ? alike.getFirst() : 0;
    }

    private static boolean isLike(double a, double b) {
        return Math.abs(a / b - 1) < ALIKE;
    }

    private void say(Track track, String how, String marked, String kept) {
        said.say(
                Kind.SPEED,
                Severity.PROBLEM,
                track,
                "%s runs too %s beside the others: it was kept at %s kHz and is marked %s. Mark it right, and set both machines to one rate."
                        .formatted(track.name(), how, kept, marked),
                Remark.figures("seconds", track.measured().seconds()));
    }
}
