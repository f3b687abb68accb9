package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Proof;
import rivulus.setup.Progress;
import rivulus.setup.SetUp;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.words.Words;

/// The day itself: what to do before, with boxes, and what happened.
final class DaySheets {
    private final Proof proof;

    DaySheets(Proof proof) {
        this.proof = proof;
    }

    /// A table for each part of the set-up.
    List<Part> setUp() {
        Progress progress = Progress.of(SetUp.of(proof), proof.show().day());
        List<Part> tables = new ArrayList<>();
        for (rivulus.setup.Part part : rivulus.setup.Part.values()) {
            List<List<String>> rows = new ArrayList<>();
            for (Progress.At at : progress.steps())
                if (at.step().part() == part)
                    rows.add(
                            List.of(
                                    box(at),
                                    at.step().what(),
                                    at.step().why(),
                                    at.step().who(),
                                    Words.signed(at.step().minutes(), 1)));
            if (!rows.isEmpty())
                tables.add(
                        new Part.Table(
                                part.title(),
                                List.of("done", "what", "why", "who", "min"),
                                rows,
                                List.of()));
        }
        if (tables.isEmpty())
            tables.add(
                    new Part.Table(
                            "",
                            List.of("done", "what", "why", "who", "min"),
                            List.of(),
                            List.of("There is nothing to set up yet.")));
        return tables;
    }

    private static String box(Progress.At at) {
        return switch (at.standing()) {
            case DONE -> "[x]";
            case SKIPPED -> "[-] " + at.words();
            case FAILED -> "[!] " + at.words();
            case OPEN, WAITS, CHANGED -> "[ ]";
        };
    }

    /// The log, and what to do otherwise the next time.
    List<Part> log() {
        List<List<String>> rows = new ArrayList<>();
        for (Logged line : proof.show().day().log())
            rows.add(
                    List.of(
                            line.at().local().toLocalDate().toString(),
                            "%tT".formatted(line.at().local()),
                            line.kind().words(),
                            proof.show()
                                    .scene(line.scene())
                                    .map(s -> s.name())
                                    .orElse(line.scene()),
                            line.text()));
        List<Part> tables = new ArrayList<>();
        tables.add(
                new Part.Table(
                        "",
                        List.of("date", "time", "kind", "scene", "text"),
                        rows,
                        rows.isEmpty() ? List.of("Nothing has been logged yet.") : List.of()));
        List<List<String>> lessons = new ArrayList<>();
        for (Lesson lesson : proof.show().day().lessons())
            lessons.add(List.of(lesson.taken() ? "[x]" : "[ ]", lesson.text(), lesson.from()));
        if (!lessons.isEmpty())
            tables.add(
                    new Part.Table(
                            "The next time", List.of("done", "what", "from"), lessons, List.of()));
        return tables;
    }
}
