package rivulus.air;

import java.time.Duration;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.show.Logged;
import rivulus.show.Moment;
import rivulus.show.Now;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// How the time stands on an evening, by its plan and its log.
///
/// @param now the scene that is on; empty before the first and after the end
/// @param next the one after it; empty in the last
/// @param scene how the time of the scene is: "4 min left", "2 min over", "34 min to air"
/// @param evening how the time of the evening is: "on air for 12 min, ends about 22:04"
/// @param over whether the evening has ended
public record Clocks(
        Optional<Scene> now, Optional<Scene> next, String scene, String evening, boolean over) {
    /// Who looks so many hours away from air is in the evening before, or after.
    private static final long HALF_A_DAY = 12;

    /// How it stands at a time.
    public static Clocks of(Show show, Now at) {
        Optional<Logged> last =
                show.day().log().reversed().stream()
                        .filter(line -> line.kind() == Logged.Kind.SCENE)
                        .findFirst();
        boolean over = last.filter(line -> line.scene().isEmpty()).isPresent();
        Optional<Scene> now = last.flatMap(line -> show.scene(line.scene()));
        int place = now.map(scene -> show.scenes().indexOf(scene)).orElse(-1);
        Optional<Scene> next =
                !over && place + 1 < show.scenes().size()
                        ? Optional.of(show.scenes().get(place + 1))
                        : Optional.empty();
        String scene =
                over
                        ? "the evening is over"
                        : now.isEmpty()
                                ? beforeAir(show, at)
                                : scene(now.get(), since(last.orElseThrow().at(), at));
        return new Clocks(now, next, scene, evening(show, at, last, place, over), over);
    }

    private static double since(Moment then, Now at) {
        return minutes(at.since(then));
    }

    private static double minutes(Duration time) {
        return time.toSeconds() / 60.0;
    }

    private static String beforeAir(Show show, Now at) {
        return toAir(show, at)
                .map(
                        minutes ->
                                minutes >= 0
                                        ? Words.minutes(Math.ceil(minutes)) + " to air"
                                        : Words.minutes(Math.floor(-minutes)) + " late")
                .orElse("not on air yet");
    }

    private static String scene(Scene now, double on) {
        double minutes = now.minutes();
        if (minutes == 0) return "on for " + Words.minutes(Math.floor(on));
        return on <= minutes
                ? Words.minutes(Math.ceil(minutes - on)) + " left"
                : Words.minutes(Math.floor(on - minutes)) + " over";
    }

    /// What is behind, and when it would end if everything from here took as long as planned.
    private static String evening(
            Show show, Now at, Optional<Logged> last, int place, boolean over) {
        List<String> words = new ArrayList<>();
        Optional<Logged> first =
                show.day().log().stream()
                        .filter(line -> line.kind() == Logged.Kind.SCENE)
                        .findFirst();
        if (over) {
            words.add(
                    "it took "
                            + Words.minutes(
                                    minutes(
                                            first.orElseThrow()
                                                    .at()
                                                    .until(last.orElseThrow().at()))));
        } else if (first.isPresent()) {
            words.add("on air for " + Words.minutes(Math.floor(since(first.get().at(), at))));
            double left = 0;
            for (int s = place + 1; s < show.scenes().size(); s++)
                left += show.scenes().get(s).minutes();
            if (place >= 0)
                left +=
                        Math.max(
                                0, show.scenes().get(place).minutes() - since(last.get().at(), at));
            if (left > 0) words.add("ends about " + at.after(left));
        }
        return String.join(", ", words);
    }

    /// Minutes to air; negative once that has passed; empty where nobody said when it is.
    public static Optional<Double> toAir(Show show, Now at) {
        if (show.occasion().air().isEmpty()) return Optional.empty();
        String[] parts = show.occasion().air().split(":");
        LocalTime air = LocalTime.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
        ZonedDateTime now = at.at();
        ZonedDateTime day = now.toLocalDate().atTime(air).atZone(now.getZone());
        if (Duration.between(day, now).toHours() < -HALF_A_DAY) day = day.minusDays(1);
        if (Duration.between(day, now).toHours() > HALF_A_DAY) day = day.plusDays(1);
        return Optional.of(minutes(Duration.between(now, day)));
    }
}
