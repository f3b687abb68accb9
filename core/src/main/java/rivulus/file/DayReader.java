package rivulus.file;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.show.Answer;
import rivulus.show.Day;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.show.Symptom;
import rivulus.show.Tick;

/// Reads what happened with a show. It tells of ears, scenes and steps that may be gone since, so
/// none of them has to be there.
final class DayReader {
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
                            time(item.field("time")),
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
                            time(item.field("time")),
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
            LocalDateTime at = time(item.field("at"));
            if (!log.isEmpty() && !log.getLast().at().isBefore(at))
                throw item.field("at").trouble("the lines of a log follow each other in time");
            log.add(
                    new Logged(
                            at,
                            item.field("kind").word("kind of line", Logged.Kind.class),
                            item.text("scene", ""),
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

    private static LocalDateTime time(Entry at) throws FileTrouble {
        try {
            return LocalDateTime.parse(at.text());
        } catch (DateTimeException none) {
            throw at.trouble(
                    "a date and time were expected, such as 2026-12-01T20:03:12, not \"%s\"",
                    at.text());
        }
    }
}
