package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// The parts of an evening with how long they last, and who rests in them by what stands beside
/// them.
final class ScheduleReader {
    private static final Set<String> CUTS =
            Set.of(
                    ",", ";", "/", ":", "->", "→", "=>", ">", "(", ")", "-", "–", "—", "then",
                    "and", "|", ".", "+");
    private static final Set<String> LEADING =
            Set.of(
                    "then",
                    "first",
                    "last",
                    "next",
                    "comes",
                    "the",
                    "a",
                    "an",
                    "scene",
                    "segment",
                    "from",
                    "for",
                    "of",
                    "about",
                    "is",
                    "it",
                    "there",
                    "we",
                    "start",
                    "with",
                    "followed",
                    "by",
                    "order",
                    "session",
                    "after",
                    "that",
                    "one",
                    "around");
    private static final Set<String> NUMBERED =
            Set.of("scene", "session", "segment", "part", "set", "round", "act");
    private static final Set<String> ORDINALS =
            Set.of("first", "last", "one", "session", "segment");
    private static final Set<String> TRAILING =
            Set.of(
                    "of", "for", "lasts", "takes", ":", "-", "=", "~", "about", "is", "runs", ",",
                    "(", "ca", "around", "\"", "and", "talk\"", "approx", "some", "roughly", "at",
                    "lasting");
    private static final Set<String> VERBS =
            Set.of(
                    "was", "is", "be", "it", "not", "that", "and", "are", "were", "make", "say",
                    "has", "have", "will");
    private static final Pattern NAMED_FIRST =
            Pattern.compile(
                    "(?:^|[/,;|] ?|-> ?)\\s*[\\p{L}][\\p{L}' -]{1,30} \\d{1,3}(?= ?(?:[/,;|(.]|->|$))");
    private static final Pattern NUMBER_FIRST =
            Pattern.compile("(?:^|[/:|]) ?\\d{1,3} \\p{L}[^/|]*");
    private static final int MOST_PARTS = 200;
    private static final Pattern ROW =
            Pattern.compile("[^\\t]+\\t\\s*(?:\\d{1,3}|\\?)\\s*(?:\\t.*)?");
    private static final Pattern LATE =
            Pattern.compile(
                    "(?:within|late|later|delay|delayed|behind|after|every|early|earlier|buffer|ahead)");
    private final Gathered so;
    private final RestReader resting;

    ScheduleReader(Gathered so, RestReader resting) {
        this.so = so;
        this.resting = resting;
    }

    /// Whether a line is a list of parts: several stretches of time, or names with numbers between
    /// strokes.
    static boolean isList(Sheet.Line line) {
        long times =
                line.clauses().stream().mapToLong(clause -> clause.all(Meant.MINUTES).size()).sum();
        return times > 1 || numbered(line) > 1 || times + numbered(line) > 1 && times > 0;
    }

    private static long numbered(Sheet.Line line) {
        Matcher matcher = NAMED_FIRST.matcher(line.text());
        long found = 0;
        while (matcher.find()) found++;
        Matcher first = NUMBER_FIRST.matcher(line.text());
        long leading = 0;
        while (first.find()) leading++;
        return Math.max(found, line.text().contains("/") && leading > 1 ? leading : 0);
    }

    /// A row of a table whose second column is a length: name, minutes, who rests.
    private boolean row(Sheet.Line line, Clause clause) {
        if (line.text().indexOf('\t') < 0 || !ROW.matcher(line.text()).matches()) return false;
        String[] cells = line.text().split("\\t");
        Double minutes = cells[1].strip().equals("?") ? null : Double.valueOf(cells[1].strip());
        Gathered.PartSoFar part = new Gathered.PartSoFar(cells[0].strip(), minutes, line.number());
        so.parts.add(part);
        so.used.add(line.number());
        if (cells.length > 2)
            for (Chunk chunk : clause.chunks())
                if (chunk.from() > Token.all(cells[0]).size() + 2
                        && chunk.is(
                                Meant.NAME, Meant.SOUND, Meant.ROLE, Meant.GROUP, Meant.COUNT)) {
                    if (chunk.kind() == Meant.COUNT || chunk.value().startsWith("every")) {
                        if (cells[2].matches("(?:all|the) .*") || chunk.value().startsWith("every"))
                            part.rests.addAll(so.speaking());
                    } else part.rests.addAll(so.meant(List.of(chunk), List.of()));
                }
        return true;
    }

    /// Parts that a clause names.
    ///
    /// @param bare whether numbers without a unit count
    boolean parts(Sheet.Line line, Clause clause, boolean bare) {
        if (row(line, clause)) return true;
        List<Chunk> times = new ArrayList<>();
        for (Chunk chunk : clause.chunks())
            if (chunk.kind() == Meant.MINUTES
                    || bare
                            && chunk.kind() == Meant.COUNT
                            && isBare(clause, chunk)
                            && !isBeforeMinutes(clause, chunk)
                            && !(clause.has(Meant.MINUTES)
                                    && chunk.to() < clause.tokens().size()
                                    && clause.tokens().get(chunk.to()).low().equals(":")))
                times.add(chunk);
        if (times.isEmpty()) return false;
        boolean any = false;
        int from = 0;
        for (int i = 0; i < times.size(); i++) {
            Chunk time = times.get(i);
            int next = i + 1 < times.size() ? times.get(i + 1).from() : clause.tokens().size();
            if (isLate(clause, time)) continue;
            if (any && isCorrection(clause, time)) {
                so.parts.getLast().minutes = time.number();
                continue;
            }
            Optional<int[]> name = before(clause, time, from);
            if (name.isEmpty()) name = behind(clause, time, next);
            int rest = time.to();
            if (name.isPresent()) {
                String words = clause.text(name.get()[0], name.get()[1]);
                if (isName(clause, name.get(), words)) {
                    Gathered.PartSoFar part = add(words, time.number(), line.number());
                    boolean behind = name.get()[0] > time.from();
                    int end =
                            i + 1 < times.size() && !behind
                                    ? before(clause, times.get(i + 1), rest)
                                            .map(n -> n[0])
                                            .orElse(next)
                                    : next;
                    if (behind) rest = name.get()[1];
                    resting.read(part, clause, rest, end);
                    any = true;
                }
            }
            from = time.to();
        }
        return any;
    }

    /// Whether a time takes the place of the one before: "20 minutes, rather 25".
    private static boolean isCorrection(Clause clause, Chunk time) {
        String before = clause.text(Math.max(0, time.from() - 3), time.from());
        return before.matches("(?i)(?:.*\\b)?(?:rather|make it|no ,?|sorry ,?|i mean)\\s*(?:a )?");
    }

    /// Whether a number belongs to the name of a part whose length follows: "Scene 4, 12 min".
    private static boolean isBeforeMinutes(Clause clause, Chunk count) {
        for (Chunk chunk : clause.chunks())
            if (chunk.kind() == Meant.MINUTES
                    && chunk.from() >= count.to()
                    && chunk.from() - count.to() <= 1) return true;
        return false;
    }

    private static boolean isBare(Clause clause, Chunk count) {
        if (count.to() < clause.tokens().size()) {
            String after = clause.tokens().get(count.to()).low();
            boolean leads =
                    count.from() == 0
                            || Set.of("/", ":", "|")
                                    .contains(clause.tokens().get(count.from() - 1).low());
            if (leads
                    && clause.tokens().get(count.from()).isNumber()
                    && clause.tokens().get(count.to()).isWord()) return true;
            if (count.from() > 0
                    && clause.tokens().get(count.from() - 1).isWord()
                    && clause.tokens().get(count.from()).isNumber()
                    && Set.of("all", "nobody", "only", "with", "without", "everybody", "everyone")
                            .contains(after)) return true;
            if (!Set.of("/", ",", ";", "|", "(", ")", "->", "→", ":").contains(after)) return false;
        }
        if (count.from() == 0 || !clause.tokens().get(count.from()).isNumber()) return false;
        boolean numbered =
                count.from() > 1
                        && clause.tokens().get(count.from() - 1).isNumber()
                        && NUMBERED.contains(clause.tokens().get(count.from() - 2).low());
        return numbered || clause.tokens().get(count.from() - 1).isWord();
    }

    private static boolean isLate(Clause clause, Chunk time) {
        for (int t = Math.max(0, time.from() - 3);
                t < Math.min(clause.tokens().size(), time.to() + 3);
                t++) if (LATE.matcher(clause.tokens().get(t).low()).matches()) return true;
        return false;
    }

    /// The words before a time, back to where something is cut.
    private static Optional<int[]> before(Clause clause, Chunk time, int least) {
        int to = time.from();
        while (to > least && TRAILING.contains(clause.tokens().get(to - 1).low())) to--;
        while (to > least
                && clause.tokens().get(to - 1).low().matches("\\d.*")
                && isClock(clause, to - 1)) to--;
        int from = to;
        while (from > least
                && !isCut(clause, from - 1)
                && !isClock(clause, from - 1)
                && to - from < 7) from--;
        while (from < to && isLeading(clause, from, to)) from++;
        return from < to ? Optional.of(new int[] {from, to}) : Optional.empty();
    }

    private static boolean isSaying(String low) {
        return English.shipped().isNoun(low) || !English.shipped().isFunction(low);
    }

    /// Whether a word only leads to the name of a part: "then the", and not the first of "first
    /// half".
    private static boolean isLeading(Clause clause, int t, int to) {
        Token token = clause.tokens().get(t);
        if (!token.isWord() && !token.isNumber()) return true;
        if (to - t < 2 || !LEADING.contains(token.low())) return false;
        Token next = clause.tokens().get(t + 1);
        if (NUMBERED.contains(token.low()) && (next.isNumber() || next.text().length() == 1))
            return false;
        boolean ordinal = ORDINALS.contains(token.low());
        return !ordinal || LEADING.contains(clause.tokens().get(t + 1).low());
    }

    private static boolean isCut(Clause clause, int t) {
        String low = clause.tokens().get(t).low();
        boolean range =
                low.equals("-")
                        && t > 0
                        && t + 1 < clause.tokens().size()
                        && clause.tokens().get(t - 1).isNumber()
                        && clause.tokens().get(t + 1).isNumber();
        return CUTS.contains(low) && !range;
    }

    private static boolean isClock(Clause clause, int t) {
        return clause.chunks().stream()
                        .anyMatch(c -> c.kind() == Meant.CLOCK && c.from() <= t && t < c.to())
                || clause.tokens().get(t).low().matches("\\d{4}");
    }

    private static Optional<int[]> behind(Clause clause, Chunk time, int most) {
        int from = time.to();
        while (from < most && LEADING.contains(clause.tokens().get(from).low())) from++;
        int to = from;
        while (to < most && !CUTS.contains(clause.tokens().get(to).low()) && to - from < 5) to++;
        return from < to ? Optional.of(new int[] {from, to}) : Optional.empty();
    }

    private static boolean isName(Clause clause, int[] at, String words) {
        if (at[1] - at[0] > 6 || words.length() > 60) return false;
        for (Chunk chunk : clause.chunks())
            if (chunk.from() >= at[0]
                    && chunk.to() <= at[1]
                    && chunk.is(Meant.HEAR, Meant.GEAR, Meant.DOUBT, Meant.OUT)) return false;
        boolean said = false;
        for (int t = at[0]; t < at[1]; t++) {
            Token token = clause.tokens().get(t);
            said |= token.isWord() && !VERBS.contains(token.low()) && isSaying(token.low());
        }
        return said;
    }

    private Gathered.PartSoFar add(String name, double minutes, int line) {
        so.used.add(line);
        for (Gathered.PartSoFar part : so.parts)
            if (part.key.equals(Gathered.key(name))) {
                if (part.minutes == null || part.line != line) {
                    part.minutes = minutes;
                    return part;
                }
            }
        Gathered.PartSoFar part = new Gathered.PartSoFar(name, minutes, line);
        if (so.parts.size() < MOST_PARTS) so.parts.add(part);
        return part;
    }
}
