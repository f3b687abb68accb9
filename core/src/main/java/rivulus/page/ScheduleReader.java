package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// The parts of an evening with how long they last, and who rests in them.
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
    private static final Pattern SILENCE =
            Pattern.compile(
                    "(?<who>"
                            + WishShapes.LIST
                            + ")(?:(?:all|both|is|are|stays?|keeps?|must|be|to|will|should|has|have|goes|naturally|being|in|which|they|three|we|do|not|here|there|also|too|of|it|the) ){0,5}<Z\\d+>");
    private static final Pattern WITHOUT =
            Pattern.compile(
                    "(?:^|[ ,(])(?:no|without|minus|leave out|take away|not) (?<who>"
                            + WishShapes.LIST
                            + ")");
    private static final Pattern ALONE =
            Pattern.compile(
                    "(?:only (?<a>"
                            + WishShapes.LIST
                            + ")|(?<b>"
                            + WishShapes.LIST
                            + ")(?:is |are )?(?:alone|only|on (?:his|her|their) own))");
    private static final Pattern ALL_BUT =
            Pattern.compile(
                    "(?:<U\\d+>|all) (?:\\w+ )?(?:but|except|apart from|bar) (?<but>"
                            + WishShapes.LIST
                            + ")(?:\\w+ ){0,3}(?:<Z\\d+>)?");
    private static final Pattern NOBODY =
            Pattern.compile(
                    "(?:nobody|no one|no-one|noone|no person|without anyone|none of us|<U\\d+>) (?:\\w+ ){0,2}(?:talks?|speaks?|speak|speaking|talking|to be heard|is heard|says|sing|sings)|<[UQ]\\d+> (?:<C\\d+> )?(?:of <U\\d+> |of us |of them |five |four |three )?(?:, in whatever \\w+ , )?(?:are |is |keep |at the talk )?<Z\\d+>");

    private final Gathered so;

    ScheduleReader(Gathered so) {
        this.so = so;
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
                        if (cells[2].matches("all .*") || chunk.value().startsWith("every"))
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
            Optional<int[]> name = before(clause, time, from);
            if (name.isEmpty()) name = behind(clause, time, next);
            int rest = time.to();
            if (name.isPresent()) {
                String words = clause.text(name.get()[0], name.get()[1]);
                if (isName(clause, name.get(), words)) {
                    Gathered.PartSoFar part = add(words, time.number(), line.number());
                    int end =
                            i + 1 < times.size()
                                    ? before(clause, times.get(i + 1), rest)
                                            .map(n -> n[0])
                                            .orElse(next)
                                    : next;
                    if (name.get()[0] > time.from()) rest = name.get()[1];
                    rests(part, clause, rest, end);
                    any = true;
                }
            }
            from = time.to();
        }
        return any;
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
            if (!Set.of("/", ",", ";", "|", "(", ")", "->", "→", ":").contains(after)) return false;
        }
        return count.from() > 0
                && clause.tokens().get(count.from() - 1).isWord()
                && clause.tokens().get(count.from()).isNumber();
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

    // Who rests

    /// Who rests by what a part of a clause says.
    private void rests(Gathered.PartSoFar part, Clause clause, int from, int to) {
        String coded = coded(clause, from, to);
        rests(part, clause, coded);
    }

    private static String coded(Clause clause, int from, int to) {
        StringBuilder coded = new StringBuilder();
        int t = from;
        for (int c = 0; c < clause.chunks().size(); c++) {
            Chunk chunk = clause.chunks().get(c);
            if (chunk.from() < from || chunk.to() > to) continue;
            for (; t < chunk.from(); t++) coded.append(clause.tokens().get(t).low()).append(' ');
            coded.append('<').append(chunk.kind().letter()).append(c).append("> ");
            t = chunk.to();
        }
        for (; t < to; t++) coded.append(clause.tokens().get(t).low()).append(' ');
        return coded.toString();
    }

    private boolean rests(Gathered.PartSoFar part, Clause clause, String said) {
        int before = part.rests.size();
        String coded = said;
        Matcher allBut = so.effort.matcher(ALL_BUT, coded);
        if (allBut.find()) {
            List<String> but = so.meant(clause.in(allBut.group("but")), List.of());
            for (String one : so.speaking()) if (!but.contains(one)) part.rests.add(one);
            coded = allBut.replaceFirst("| ");
        }
        Matcher nobody = so.effort.matcher(NOBODY, coded);
        if (nobody.find()
                && (nobody.group()
                                .matches(
                                        "(?:nobody|no one|no-one|noone|no person|without anyone|none of us).*")
                        || everybody(clause, nobody.group())))
            part.rests.addAll(all(clause, nobody.group()));
        Matcher silence = so.effort.matcher(SILENCE, coded);
        while (silence.find())
            part.rests.addAll(sounding(so.meant(clause.in(silence.group("who")), List.of())));
        Matcher without = so.effort.matcher(WITHOUT, coded);
        while (without.find())
            part.rests.addAll(sounding(so.meant(clause.in(without.group("who")), List.of())));
        Matcher alone = so.effort.matcher(ALONE, coded);
        if (alone.find()) {
            List<String> who =
                    so.meant(
                            clause.in(
                                    alone.group("a") != null ? alone.group("a") : alone.group("b")),
                            List.of());
            List<String> speaking = so.speaking();
            if (who.stream().anyMatch(speaking::contains))
                for (String one : speaking) if (!who.contains(one)) part.rests.add(one);
            if (!who.isEmpty()
                    && who.stream().noneMatch(speaking::contains)
                    && so.plays.stream().anyMatch(p -> who.contains(p.name())))
                part.rests.addAll(speaking);
        }
        return part.rests.size() > before;
    }

    /// Everybody who speaks; where the rest is meant, but those the clause names.
    private List<String> all(Clause clause, String said) {
        List<String> all = new ArrayList<>(so.speaking());
        boolean rest = clause.in(said).stream().anyMatch(c -> c.value().equals("everyone else"));
        if (rest) all.removeAll(so.meant(clause.all(Meant.NAME), List.of()));
        return all;
    }

    private static boolean everybody(Clause clause, String group) {
        return clause.in(group).stream()
                .anyMatch(
                        c ->
                                c.is(Meant.GROUP, Meant.SUBJECT)
                                        && (c.value().startsWith("everyone")
                                                || c.value().equals("we")
                                                || c.value().equals("everything")
                                                || c.value().equals("nobody")));
    }

    private static List<String> sounding(List<String> all) {
        return all.stream()
                .filter(
                        one ->
                                !Set.of(
                                                "stream",
                                                "recording",
                                                "on-demand",
                                                "programme",
                                                "tracks",
                                                "everyone",
                                                "everything",
                                                "house")
                                        .contains(one))
                .toList();
    }

    /// Whether words are about what happens in a part.
    private static boolean isIn(String words, Gathered.PartSoFar part) {
        String name = Pattern.quote(part.key);
        return words.matches("(?:the )?" + name + "\\b.*")
                || words.matches(
                        ".*\\b(?:in|during|at|for|until|till|before|while) (?:the )?(?:\\w+ )?"
                                + name
                                + "\\b.*");
    }

    /// A clause that says who rests in a part named before: "in the break everybody mute".
    boolean rests(Sheet.Line line, Clause clause) {
        String words = clause.low().strip().toLowerCase(Locale.ROOT).replace('-', ' ');
        List<Gathered.PartSoFar> parts =
                so.named(words).stream().filter(part -> isIn(words, part)).toList();
        if (parts.isEmpty() && WishReader.isOne(clause)) return false;
        if (parts.isEmpty())
            parts =
                    so.parts.stream()
                            .filter(p -> p.line == line.number())
                            .reduce((_, b) -> b)
                            .stream()
                            .toList();
        if (parts.isEmpty()) return false;
        List<Gathered.PartSoFar> in = parts;
        boolean onlyIn =
                in.stream()
                        .map(part -> Pattern.quote(part.key))
                        .anyMatch(
                                name ->
                                        words.matches(
                                                        ".*\\bonly (?:in|for|during|after) (?:the )?"
                                                                + name
                                                                + "\\b.*")
                                                || words.matches(
                                                        ".*\\b(?:in|for|during) (?:the )?"
                                                                + name
                                                                + " only\\b.*"));
        if (onlyIn) {
            List<Chunk> who = clause.all(Meant.NAME, Meant.ROLE, Meant.SOUND);
            if (who.isEmpty() || so.named(words).isEmpty()) return false;
            List<String> names = so.meant(List.of(who.getFirst()), List.of());
            for (Gathered.PartSoFar other : so.parts)
                if (!parts.contains(other) && !words.contains(other.key)) other.rests.addAll(names);
            so.used.add(line.number());
            return true;
        }
        boolean any = false;
        for (Gathered.PartSoFar part : parts) any |= rests(part, clause, clause.coded());
        if (any) so.used.add(line.number());
        return any;
    }
}
