package rivulus.recording;

import java.util.List;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.level.Turning;
import rivulus.recording.Remark.Kind;
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
                            .filter(track -> track.ear().filter(TrackRemarks::goesOut).isPresent())
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
        Compared found =
                Comparing.same(
                        Comparing.slower(
                                Comparing.read(camera.file(), camera.channel()), Recording.SLOW_HZ),
                        Comparing.slower(
                                Comparing.read(sound.file(), sound.channel()), Recording.SLOW_HZ));
        if (!found.isFound()) return;
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
}
