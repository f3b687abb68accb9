package rivulus.file;

import java.time.DateTimeException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;
import rivulus.show.Answer;
import rivulus.show.Day;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.show.Moment;
import rivulus.show.Symptom;
import rivulus.show.Tick;

/// Reads what happened with a show. It tells of ears, scenes and steps that may be gone since, so
/// none of them has to be there.
final class DayReader {
    /// Some three hundred years.
    private static final double MOST_SECONDS = 1e10;

    private static final int LONGEST_SAID = 40;

    private DayReader() {}

    static Day read(Entry root) throws FileTrouble {
        Optional<Entry> day = root.maybe("day");
        if (day.isEmpty()) return Day.AHEAD;
        return new Day(
                ticks(day.get()),
                answers(day.get()),
                log(day.get()),
                lessons(day.get()),
                day.get().extras());
    }

    private static List<Tick> ticks(Entry day) throws FileTrouble {
        List<Tick> ticks = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : day.items("setUp")) {
            String id = item.text("id");
            if (!seen.add(id)) throw item.field("id").trouble("\"%s\" is ticked twice", id);
            ticks.add(
                    new Tick(
                            id,
                            item.field("how").word("mark", Tick.How.class),
                            item.text("why", ""),
                            time(item, "time"),
                            item.text("said"),
                            item.extras()));
        }
        return ticks;
    }

    private static List<Answer> answers(Entry day) throws FileTrouble {
        List<Answer> answers = new ArrayList<>();
        Set<List<String>> seen = new HashSet<>();
        for (Entry item : day.items("soundcheck")) {
            Answer answer =
                    new Answer(
                            item.text("ear"),
                            item.text("source"),
                            item.text("scene"),
                            item.field("heard").word("answer", Symptom.class),
                            time(item, "time"),
                            item.extras());
            if (!seen.add(List.of(answer.ear(), answer.source(), answer.scene())))
                throw item.trouble("this is answered twice");
            answers.add(answer);
        }
        return answers;
    }

    private static List<Logged> log(Entry day) throws FileTrouble {
        List<Logged> log = new ArrayList<>();
        for (Entry item : day.items("log")) {
            log.add(
                    new Logged(
                            time(item, "at"),
                            item.field("kind").word("kind of line", Logged.Kind.class),
                            item.text("scene", ""),
                            item.text("about", ""),
                            item.text("text"),
                            item.extras()));
        }
        return log;
    }

    private static List<Lesson> lessons(Entry day) throws FileTrouble {
        List<Lesson> lessons = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : day.items("lessons")) {
            Entry id = item.field("id");
            if (!seen.add(id.id())) throw id.trouble("\"%s\" is there twice", id.text());
            lessons.add(
                    new Lesson(
                            id.id(),
                            item.text("text"),
                            item.text("from", ""),
                            item.truth("taken", false),
                            item.extras()));
        }
        return lessons;
    }

    private static Moment time(Entry item, String field) throws FileTrouble {
        Entry at = item.field(field);
        Optional<Duration> passed = Optional.empty();
        if (item.maybe("passed").isPresent())
            passed = Optional.of(count(item.number("passed", 0, MOST_SECONDS, 0)));
        try {
            return Moment.of(at.text(), passed);
        } catch (DateTimeException none) {
            throw at.trouble(
                    "a date and time were expected, such as 2026-12-01T20:03:12+01:00, not \"%s\"",
                    Line.clipped(at.text(), LONGEST_SAID));
        }
    }

    private static Duration count(double seconds) {
        return Duration.ofMillis(Math.round(seconds * 1000));
    }
}
