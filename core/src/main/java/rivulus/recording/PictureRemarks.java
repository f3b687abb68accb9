package rivulus.recording;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.level.Turning;
import rivulus.recording.Remark.Kind;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.sound.Compared;
import rivulus.sound.Comparing;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Sound against the picture: what goes out beside a camera's own sound.
final class PictureRemarks {
    private static final double SAME_LENGTH_S = 0.5;

    private final Foretold plan;
    private final Said said;

    PictureRemarks(Foretold plan, Said said) {
        this.plan = plan;
        this.said = said;
    }

    /// Every camera among the tracks, beside what goes out.
    void look(List<Track> tracks) throws FileTrouble {
        for (Track camera : tracks) {
            if (!camera.isPicture() || camera.sound().isSilent()) continue;
            List<Track> out =
                    tracks.stream()
                            .filter(track -> track.ear().filter(Ear::isSent).isPresent())
                            .toList();
            List<Track> beside =
                    out.stream().filter(track -> track.file().equals(camera.file())).toList();
            for (Track sound : beside.isEmpty() ? out : beside) {
                double longer = sound.measured().seconds() - camera.measured().seconds();
                if (Math.abs(longer) < SAME_LENGTH_S) picture(camera, sound);
            }
        }
    }

    private void picture(Track camera, Track sound) throws FileTrouble {
        Comparing.Stretch seen = slowly(camera);
        Comparing.Stretch heard = slowly(sound);
        if (seen.rateHz() != heard.rateHz()) {
            said.say(
                    Kind.FILE,
                    Severity.NOTE,
                    sound,
                    "%s and %s were kept at two rates: the picture was not looked at."
                            .formatted(camera.name(), sound.name()),
                    Map.of());
            return;
        }
        Compared found = Comparing.same(seen, heard);
        if (!found.isFound()) return;
        drift(camera, sound, found.driftPpm());
        double late = found.delayMs();
        boolean fine =
                late <= plan.limit(Limit.PICTURE_LATE) && late >= -plan.limit(Limit.PICTURE_EARLY);
        if (fine) return;
        Optional<Turning> turning = late < 0 ? plan.later(sound, -late) : Optional.empty();
        said.say(
                Kind.PICTURE,
                Severity.PROBLEM,
                sound,
                "The sound of %s is %s %s the picture%s."
                        .formatted(
                                Names.of(sound.ear().orElseThrow()),
                                Words.ms(Math.rint(Math.abs(late))),
                                late < 0 ? "ahead of" : "behind",
                                turning.map(t -> ": " + t.words())
                                        .orElse(
                                                late < 0
                                                        ? ": delay it by as much"
                                                        : ": delay the picture by as much")),
                turning.stream().toList(),
                Remark.figures("lateMs", late));
    }

    private static Comparing.Stretch slowly(Track track) throws FileTrouble {
        return Comparing.slower(Comparing.read(track.file(), track.channel()), Recording.SLOW_HZ);
    }

    /// Two clocks that run apart: what is in time at the beginning is not at the end.
    private void drift(Track camera, Track sound, double ppm) {
        double hourly = ppm * HOUR_MS / 1e6;
        if (Math.abs(hourly) < DRIFT_MS) return;
        said.say(
                Kind.DRIFT,
                Severity.CAUTION,
                sound,
                "%s and %s run apart by %s an hour: two clocks. Let one follow the other, or clap at the end too."
                        .formatted(
                                camera.name(), sound.name(), Words.ms(Math.rint(Math.abs(hourly)))),
                Remark.figures("driftPpm", ppm, "hourlyMs", hourly));
    }

    private static final double HOUR_MS = 3_600_000;

    /// What nobody notices, and what so short a recording cannot tell for certain.
    private static final double DRIFT_MS = 60;
}
