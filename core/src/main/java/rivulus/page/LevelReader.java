package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// How loud, or how late, something is wanted. Where the same words say who hears whom, that is
/// whom it is for.
final class LevelReader {
    private static final String HOW =
            "(?:(?:a bit|a little|much|far|slightly|very|real|really|quite|ever so|no|not|rather|more) )*";
    private static final String THAN =
            "(?: for (?:him|her|them|me|us))?(?: than (?:the |a |it )?[\\p{L}']+(?: [\\p{L}]+)?)?";

    /// "Within 25 ms", "7 seconds late", "delayed by 2 min", "within a fifth of a second".
    private static final Pattern LATE =
            Pattern.compile(
                    "(?i)(?:no more than |not more than |less than |at most |within |under |below |over |about |delayed by |late by )*(?:\\d+(?:[.,]\\d+)? ?(?:ms|milliseconds)\\b|(?:an? (?:fifth|tenth|quarter|half) of a|half a) second)(?: (?:late|later|behind|delayed|ahead)(?: the [\\p{L}]+)?)?"
                            + "|(?:no more than |less than |at most |within |under |about )*(?:\\d+(?:[.,]\\d+)?|two|three|four|five|six|seven|eight|nine|ten) ?(?:seconds?|secs?|s|min|minutes?) (?:late|later|behind|delayed|delay)\\b"
                            + "|(?:delayed by|late by|within) (?:\\d+(?:[.,]\\d+)?|two|three|five|ten) ?(?:seconds?|secs?|min|minutes?)\\b"
                            + "|as early as (?:possible|it goes)");
    private static final Pattern LOUD =
            Pattern.compile(
                    "(?i)[-−–]?\\d+(?:[.,]\\d+)? ?dB\\b(?: (?:under|below|lower|down|up|over|above|louder|softer|quieter)(?: (?:the |a |my )?[\\p{L}']+){0,2})?"
                            + "|-\\d+ (?:under|below) [\\p{L}]+"
                            + "|(?:half |twice )?as loud as (?:the |my |his |her )?[\\p{L}']+"
                            + "|(?:(?:about|at|like|by|ducks by) )+(?:half|a third|1/3|1/2)\\b(?: (?:of|the level of) (?:the |my |his |her )?[\\p{L}']+)?(?! (?:past|an? |hour|time|\\d))"
                            + "|\\b(?:half|a third|a quarter|1/3|1/2)\\b(?: (?:of|the level of) (?:the |my |his |her )?[\\p{L}']+)(?! (?:past|an? |hour|time|\\d|of (?:us|them)))"
                            + "|loud and clear|at the same level|low level|(?:lots|more|less) of"
                            + "|"
                            + "(?<!too )\\b(?:"
                            + HOW
                            + "(?:louder|quieter|softer|softly|quietly|lower|soft)|(?:very|real|really|quite|ever so|so) (?:loud|low))\\b(?! delay)"
                            + THAN
                            + "|(?:a bit|a little) (?:down|up)|(?:down|up) (?:a bit|a little)");

    private final Gathered so;

    LevelReader(Gathered so) {
        this.so = so;
    }

    /// Reads a clause whose wishes have been read.
    ///
    /// @param before how many wishes there were before it
    void read(Sheet.Line line, Clause clause, int before) {
        String text =
                clause.text(0, clause.tokens().size()).replace(" - ", " -").replace("- ", "-");
        Matcher late = so.effort.matcher(LATE, text);
        Matcher loud = so.effort.matcher(LOUD, text);
        boolean isLate = late.find();
        if (!isLate && !loud.find()) return;
        Matcher said = isLate ? late : loud;
        String words = said.group().strip();
        if (words.matches("(?i)half|a third|a quarter|loud|soft|low") && clause.has(Meant.MINUTES))
            return;
        List<Facts.Wish> wished =
                so.wishes.subList(Math.min(before, so.wishes.size()), so.wishes.size()).stream()
                        .filter(wish -> !wish.hears().equals("must not"))
                        .filter(wish -> !wish.who().equals("everyone else"))
                        .toList();
        Optional<Chunk> out =
                clause.all(Meant.OUT).stream().filter(c -> !c.value().equals("house")).findFirst();
        if (isLate && out.isPresent() && !clause.has(Meant.NAME)) {
            add(out.get().value(), "everything", words, line);
            return;
        }
        if (!wished.isEmpty()) {
            // how loud is said of whom is named last, how late of all
            String last = wished.getLast().whom();
            for (Facts.Wish wish : wished)
                if (isLate || wish.whom().equals(last)) add(wish.who(), wish.whom(), words, line);
            return;
        }
        int at = token(clause, text, said.start());
        Optional<Chunk> what = what(clause, at);
        if (what.isEmpty()) return;
        List<String> names = so.meant(List.of(what.get()), List.of());
        String name = names.isEmpty() ? what.get().text() : names.getFirst();
        String who = ears(clause, what.get()).stream().findFirst().orElse("");
        if (what.get().kind() == Meant.OUT && what.get().value().equals("stream")) {
            who = "stream";
            name = "everything";
        }
        add(who, name, words, line);
    }

    private void add(String who, String what, String says, Sheet.Line line) {
        if (so.levels.size() < Gathered.MOST)
            so.levels.add(new Facts.Level(who, what, says, line.number(), false));
        so.used.add(line.number());
    }

    /// The token at a place of a clause's text.
    private static int token(Clause clause, String text, int at) {
        int from = 0;
        for (int t = 0; t < clause.tokens().size(); t++) {
            int found = text.indexOf(clause.tokens().get(t).text(), from);
            if (found >= at) return t;
            if (found >= 0) from = found + clause.tokens().get(t).text().length();
        }
        return clause.tokens().size();
    }

    /// What is meant to be so: what stands last before it, or else behind it.
    private static Optional<Chunk> what(Clause clause, int at) {
        List<Chunk> before = new ArrayList<>();
        List<Chunk> after = new ArrayList<>();
        for (Chunk chunk :
                clause.all(
                        Meant.SOUND,
                        Meant.NAME,
                        Meant.ROLE,
                        Meant.INSTRUMENT,
                        Meant.WAY,
                        Meant.OUT)) {
            boolean ear =
                    chunk.from() > 0
                            && clause.tokens()
                                    .get(chunk.from() - 1)
                                    .low()
                                    .matches("for|to|than|under|below");
            if (!ear) (chunk.from() < at ? before : after).add(chunk);
        }
        for (List<Chunk> some : List.of(before, after)) {
            Optional<Chunk> sound =
                    some.stream().filter(c -> c.is(Meant.SOUND, Meant.INSTRUMENT)).findFirst();
            if (sound.isPresent()) return sound;
            Optional<Chunk> who =
                    some.stream().filter(c -> c.is(Meant.NAME, Meant.ROLE, Meant.WAY)).findFirst();
            if (who.isPresent()) return who;
            if (!some.isEmpty()) return Optional.of(some.getFirst());
        }
        return Optional.empty();
    }

    /// For whom: whoever stands behind "for", or what behind "in" or "on".
    private List<String> ears(Clause clause, Chunk what) {
        for (Chunk chunk : clause.all(Meant.NAME, Meant.ROLE, Meant.OUT, Meant.WAY, Meant.PLACE)) {
            if (chunk == what || chunk.from() == 0) continue;
            String before = clause.tokens().get(chunk.from() - 1).low();
            String further = chunk.from() > 1 ? clause.tokens().get(chunk.from() - 2).low() : "";
            String leads = before.matches("the|a|my|our|his|her") ? further : before;
            boolean ear =
                    leads.equals("for") || leads.matches("in|on") && chunk.kind() != Meant.ROLE;
            if (ear) return so.meant(List.of(chunk), List.of());
        }
        return List.of();
    }
}
