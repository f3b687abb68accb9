package rivulus.air;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.disk.Line;
import rivulus.show.Logged;
import rivulus.show.Moment;
import rivulus.show.Show;

/// The scenes and marks of a log as chapters of a recording that began with the first scene, in the
/// web's format for timed text (W3C WebVTT).
public final class Chapters {
    private Chapters() {}

    /// A chapter in the making.
    private record Chapter(Duration from, Duration to, String text) {}

    /// The chapters as a file; only a heading where no scene began. What is marked before the first
    /// scene or after the end is in no recording.
    public static String webVtt(Show show) {
        StringBuilder out = new StringBuilder("WEBVTT - ").append(plain(show.title())).append('\n');
        int number = 1;
        for (Chapter chapter : chapters(show.day().log()))
            out.append('\n')
                    .append(number++)
                    .append('\n')
                    .append(stamp(chapter.from()))
                    .append(" --> ")
                    .append(stamp(chapter.to()))
                    .append('\n')
                    .append(plain(chapter.text()))
                    .append('\n');
        return out.toString();
    }

    private static List<Chapter> chapters(List<Logged> log) {
        List<Chapter> chapters = new ArrayList<>();
        Moment zero = null;
        Duration at = Duration.ZERO;
        Duration since = Duration.ZERO;
        Optional<Logged> open = Optional.empty();
        for (Logged line : log) {
            boolean begins = line.kind() == Logged.Kind.SCENE && !line.scene().isEmpty();
            boolean ends = line.kind() == Logged.Kind.SCENE && line.scene().isEmpty();
            if (begins && zero == null) zero = line.at();
            if (zero == null) continue;
            Duration now = zero.until(line.at());
            if (now.compareTo(at) > 0) at = now;
            boolean marks = line.kind() == Logged.Kind.MARK && open.isPresent();
            if (!begins && !ends && !marks) continue;
            if (open.isPresent()) chapters.add(new Chapter(since, at, open.get().text()));
            since = at;
            open = ends ? Optional.empty() : Optional.of(line);
        }
        if (open.isPresent())
            chapters.add(new Chapter(since, at.plusSeconds(1), open.get().text()));
        return chapters;
    }

    /// 00:04:02.500.
    private static String stamp(Duration at) {
        return "%02d:%02d:%02d.%03d"
                .formatted(at.toHours(), at.toMinutesPart(), at.toSecondsPart(), at.toMillisPart());
    }

    /// What the format would read as its own is taken out.
    private static String plain(String text) {
        return Line.of(text).replace("-->", "→").replace("&", "&amp;").replace("<", "&lt;");
    }
}
