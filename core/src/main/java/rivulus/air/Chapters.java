package rivulus.air;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import rivulus.show.Logged;
import rivulus.show.Show;

/// The scenes and marks of a log as chapters of a recording that began with the first scene, in the
/// web's format for timed text (W3C WebVTT).
public final class Chapters {
    private Chapters() {}

    /// The chapters as a file; only a heading where no scene began.
    public static String webVtt(Show show) {
        List<Logged> lines = new ArrayList<>();
        for (Logged line : show.day().log())
            if (line.kind() == Logged.Kind.SCENE
                    || line.kind() == Logged.Kind.MARK && !lines.isEmpty()) lines.add(line);
        boolean ended = !lines.isEmpty() && lines.getLast().scene().isEmpty();
        LocalDateTime end =
                lines.isEmpty() || ended ? null : show.day().log().getLast().at().plusSeconds(1);
        int chapters = ended ? lines.size() - 1 : lines.size();
        StringBuilder out = new StringBuilder("WEBVTT - ").append(plain(show.title())).append('\n');
        for (int i = 0; i < chapters; i++) {
            LocalDateTime zero = lines.getFirst().at();
            LocalDateTime to = i + 1 < lines.size() ? lines.get(i + 1).at() : end;
            out.append('\n')
                    .append(i + 1)
                    .append('\n')
                    .append(stamp(Duration.between(zero, lines.get(i).at())))
                    .append(" --> ")
                    .append(stamp(Duration.between(zero, to)))
                    .append('\n')
                    .append(plain(lines.get(i).text()))
                    .append('\n');
        }
        return out.toString();
    }

    /// 00:04:02.500.
    private static String stamp(Duration at) {
        return "%02d:%02d:%02d.%03d"
                .formatted(at.toHours(), at.toMinutesPart(), at.toSecondsPart(), at.toMillisPart());
    }

    /// What the format would read as its own is taken out.
    private static String plain(String text) {
        return text.replace("-->", "→")
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace('\n', ' ');
    }
}
