package rivulus.page;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// How loud, or how late, something is wanted.
final class LevelReader {
    private static final Pattern SAID =
            Pattern.compile(
                    "(?i)(?:(?:about|around|at|some|within|under|over) )?[-−–]?\\d+(?:[.,]\\d+)? ?(?:db|dB|ms|milliseconds|seconds|sec)\\b(?: (?:under|below|lower|down|over|above|louder|softer|late|later|behind|delayed)(?: (?:the |a )?[\\p{L}']+){0,3})?|(?:about |at |like |by )(?:half|a third|1/3)\\b(?: (?:of|as loud as) (?:the |my |his )?[\\p{L}']+)?|\\b(?:half|a third|1/3) (?:of|as loud as|the level of) (?:the |my |his )?[\\p{L}']+|(?:a bit |much |a little |ever so )?\\b(?:louder|quieter|softer|softly|quietly|lower|soft|low)\\b(?: (?:than|under) (?:the |a )?[\\p{L}']+(?: [\\p{L}]+)?)?|as early as (?:possible|it goes)|-\\d+ (?:under|below) (?:speech|voice|voices)");

    private final Gathered so;

    LevelReader(Gathered so) {
        this.so = so;
    }

    boolean read(Sheet.Line line, Clause clause) {
        String text =
                clause.text(0, clause.tokens().size()).replace(" - ", " -").replace("- ", "-");
        Matcher said = so.effort.matcher(SAID, text);
        if (!said.find()) return false;
        List<Chunk> all =
                clause.all(
                        Meant.SOUND,
                        Meant.NAME,
                        Meant.ROLE,
                        Meant.INSTRUMENT,
                        Meant.OUT,
                        Meant.GROUP,
                        Meant.GEAR);
        Optional<Chunk> what = all.stream().filter(c -> c.is(Meant.SOUND)).findFirst();
        if (what.isEmpty())
            what =
                    all.stream()
                            .filter(c -> c.is(Meant.NAME, Meant.ROLE, Meant.INSTRUMENT, Meant.GEAR))
                            .findFirst();
        if (what.isEmpty())
            what = all.stream().filter(c -> c.is(Meant.OUT, Meant.GROUP)).findFirst();
        if (what.isEmpty()) return false;
        List<String> names = so.meant(List.of(what.get()), List.of());
        String name = names.isEmpty() ? what.get().text() : names.getFirst();
        Optional<Chunk> hears = clause.first(Meant.HEAR);
        Chunk subject = what.get();
        String who = "";
        if (hears.isPresent()) {
            Optional<Chunk> before =
                    all.stream()
                            .filter(
                                    c ->
                                            c.to() <= hears.get().from()
                                                    && c.is(Meant.NAME, Meant.ROLE))
                            .findFirst();
            Optional<Chunk> after =
                    all.stream()
                            .filter(
                                    c ->
                                            c.from() >= hears.get().to()
                                                    && c.is(Meant.NAME, Meant.SOUND, Meant.ROLE))
                            .findFirst();
            if (before.isPresent() && after.isPresent()) {
                who = so.meant(List.of(before.get()), List.of()).stream().findFirst().orElse("");
                name =
                        so.meant(List.of(after.get()), List.of()).stream()
                                .findFirst()
                                .orElse(after.get().text());
            }
        }
        if (subject.kind() == Meant.OUT && subject.value().equals("stream")) {
            who = "stream";
            name = "everything";
        }
        so.levels.add(new Facts.Level(who, name, said.group().strip(), line.number(), false));
        so.used.add(line.number());
        return true;
    }
}
