package rivulus.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/// A page cut into lines and clauses, with the headings that lend their meaning to the lines under
/// them.
///
/// @param text the line as it is written, without what marks it as one of a list
/// @param heading what the heading over it, or its own label, means
/// @param label the line's own label, as it is written: "MC"; empty where it has none
record Sheet(List<Line> lines, Roster roster) {
    private static final Pattern MARK =
            Pattern.compile("^\\s*(?:(?:>\\s*)+|[-*•–—]\\s+|\\d{1,2}[.)]\\s+|\\(\\d+\\)\\s+)");
    private static final Set<String> PARTS = Set.of(",", ";", "(", "-", "–", "but");
    private static final Set<String> ENDS = Set.of(".", ";", "!", "?");
    /// What a stop behind does not end.
    private static final Set<String> SHORT =
            Set.of(
                    "approx", "ca", "no", "nr", "incl", "excl", "vs", "resp", "st", "max", "tel",
                    "ch", "min", "mins", "sec", "hr", "hrs");
    private static final int LONGEST_LABEL = 6;
    private static final int LONGEST_NAMING = 3;
    private static final int MOST_LINES = 2_000;

    /// What is longer is read in parts.
    private static final int LONGEST_CLAUSE = 48;

    /// A line of a page.
    ///
    /// @param label the chunks of its label, and of the heading over it where it has none
    /// @param isHeading whether it says nothing but what the lines under it are about
    record Line(
            int number, String text, List<Chunk> label, List<Clause> clauses, boolean isHeading) {
        /// The words of its own label, in small letters: "Stage" of "Stage: Maren and Odd", "Port
        /// Almery" of "PORT ALMERY. Four of us"; empty where it has none.
        String labelWords() {
            int end = text.indexOf(':');
            if (end < 0) end = text.indexOf(". ");
            String words = end < 0 ? "" : Gathered.key(text.substring(0, end));
            return words.split(" ").length <= LONGEST_NAMING ? words : "";
        }

        boolean isQuestion() {
            return text.contains("?");
        }

        /// What of it is certain where it leaves something open: of each of its clauses what stands
        /// before the piece with the doubt, if that piece is about somebody or something of its
        /// own.
        Line certain() {
            List<Clause> certain = new ArrayList<>();
            for (Clause clause : clauses) {
                Optional<Chunk> doubt = clause.first(Meant.DOUBT);
                if (doubt.isEmpty()) {
                    if (!isQuestion()) certain.add(clause);
                    continue;
                }
                int to = doubt.get().from();
                while (to > 0 && !PARTS.contains(clause.tokens().get(to).low())) to--;
                int piece = to;
                boolean ownDoubt =
                        clause.all(Meant.NAME, Meant.ROLE, Meant.SOUND, Meant.GEAR).stream()
                                .anyMatch(chunk -> chunk.from() >= piece);
                if (to > 0 && ownDoubt) certain.add(clause.until(to));
            }
            return new Line(number, text, label, certain, isHeading);
        }
    }

    static Sheet of(String page, List<String> known) {
        List<String> texts = new ArrayList<>();
        for (String line : page.split("\\R", MOST_LINES + 1))
            if (!line.isBlank() && texts.size() < MOST_LINES)
                texts.add(MARK.matcher(line).replaceFirst("").strip());
        List<List<Token>> tokens = new ArrayList<>();
        for (String text : texts) tokens.add(Token.all(text.replace("\t", " , ")));
        Roster roster = new Roster();
        Map<Integer, List<Names.Span>> names = Names.of(tokens, known, roster);
        Chunker chunker = new Chunker(roles(tokens, names));
        List<Line> lines = new ArrayList<>();
        List<Chunk> heading = List.of();
        for (int line = 0; line < texts.size(); line++) {
            Line one =
                    line(
                            line,
                            texts.get(line),
                            tokens.get(line),
                            names.getOrDefault(line, List.of()),
                            heading,
                            chunker);
            if (one.isHeading()) heading = one.label();
            lines.add(one);
        }
        return new Sheet(lines, roster);
    }

    /// What people are called by what they do on this page alone, by the labels that stand before
    /// their names: "Precentor: Rev. Elowen", "Three widows: Noor, Ilse".
    private static Set<String> roles(
            List<List<Token>> lines, Map<Integer, List<Names.Span>> names) {
        Set<String> roles = new HashSet<>();
        for (int line = 0; line < lines.size(); line++) {
            List<Token> tokens = lines.get(line);
            for (Names.Span span : names.getOrDefault(line, List.of())) {
                int colon = span.from() - 1;
                if (colon < 1 || !tokens.get(colon).low().equals(":")) continue;
                String role = tokens.get(colon - 1).low();
                boolean begins =
                        colon < 4
                                || tokens.subList(0, colon - 1).stream()
                                        .anyMatch(token -> ENDS.contains(token.low()));
                if (begins
                        && role.length() > 3
                        && Vocabulary.shipped().of(role).isEmpty()
                        && Vocabulary.shipped().of(Names.singular(role)).isEmpty()
                        && English.shipped().isNoun(role)) roles.add(role);
            }
        }
        return roles;
    }

    private static Line line(
            int number,
            String text,
            List<Token> tokens,
            List<Names.Span> names,
            List<Chunk> heading,
            Chunker chunker) {
        int colon = colon(tokens);
        boolean only = colon == tokens.size() - 1 && colon > 0;
        boolean shouted =
                tokens.size() <= 4
                        && tokens.stream().allMatch(token -> !token.isWord() || token.isShouted())
                        && tokens.stream().anyMatch(Token::isWord);
        if ((only || shouted) && number > 0) {
            List<Chunk> meant = chunker.of(tokens, names);
            return new Line(number, text, meant, List.of(), true);
        }
        List<Chunk> label = heading;
        if (colon > 0) {
            List<Chunk> own = chunker.of(tokens.subList(0, colon), names(names, 0, colon));
            if (!own.isEmpty()) label = own;
        }
        return new Line(number, text, label, clauses(number, tokens, names, chunker), false);
    }

    /// Where a label ends, or −1.
    private static int colon(List<Token> tokens) {
        for (int t = 1; t < Math.min(tokens.size(), LONGEST_LABEL + 1); t++)
            if (tokens.get(t).low().equals(":")) return t;
        return tokens.size() > 1 && tokens.getLast().low().equals(":") ? tokens.size() - 1 : -1;
    }

    private static List<Clause> clauses(
            int line, List<Token> tokens, List<Names.Span> names, Chunker chunker) {
        List<Clause> clauses = new ArrayList<>();
        int from = 0;
        for (int t = 0; t <= tokens.size(); t++) {
            boolean end =
                    t == tokens.size()
                            || ENDS.contains(tokens.get(t).low())
                                    && !within(names, t)
                                    && !isShort(tokens, t);
            boolean tooLong = t - from >= LONGEST_CLAUSE && !within(names, t);
            if (!end && !tooLong) continue;
            if (t > from) {
                List<Token> part = tokens.subList(from, t);
                List<Names.Span> there = names(names, from, t);
                clauses.add(Clause.of(line, from == 0, List.copyOf(part), chunker.of(part, there)));
            }
            from = end ? t + 1 : t;
        }
        return clauses;
    }

    /// Whether a stop only ends a word cut short: "approx. 150".
    private static boolean isShort(List<Token> tokens, int t) {
        return t > 0
                && t + 1 < tokens.size()
                && tokens.get(t).low().equals(".")
                && SHORT.contains(tokens.get(t - 1).low())
                && !tokens.get(t + 1).isCapital();
    }

    private static boolean within(List<Names.Span> names, int t) {
        return names.stream().anyMatch(span -> span.from() <= t && t < span.to());
    }

    private static List<Names.Span> names(List<Names.Span> names, int from, int to) {
        return names.stream()
                .filter(span -> span.from() >= from && span.to() <= to)
                .map(span -> new Names.Span(span.from() - from, span.to() - from, span.who()))
                .toList();
    }

    static Optional<Chunk> of(List<Chunk> chunks, Meant kind) {
        return chunks.stream().filter(chunk -> chunk.kind() == kind).findFirst();
    }
}
