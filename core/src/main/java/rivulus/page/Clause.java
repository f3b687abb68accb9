package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A part of a line that says one thing: its words, what of them means something, and the same as
/// one text in which every meaning is a sign such as `<N2>`, for patterns to be held against.
///
/// @param line which line of the page, from 0
/// @param first whether it begins its line
record Clause(int line, boolean first, List<Token> tokens, List<Chunk> chunks, String coded) {
    private static final Pattern SIGN = Pattern.compile("<([A-Z])(\\d+)>");

    static Clause of(int line, boolean first, List<Token> tokens, List<Chunk> chunks) {
        return new Clause(
                line, first, tokens, List.copyOf(chunks), coded(tokens, chunks, 0, tokens.size()));
    }

    private static String coded(List<Token> tokens, List<Chunk> chunks, int from, int to) {
        StringBuilder coded = new StringBuilder();
        int at = from;
        for (int c = 0; c < chunks.size(); c++) {
            Chunk chunk = chunks.get(c);
            if (chunk.from() < from || chunk.to() > to) continue;
            for (; at < chunk.from(); at++) word(tokens.get(at), coded);
            coded.append('<').append(chunk.kind().letter()).append(c).append("> ");
            at = chunk.to();
        }
        for (; at < to; at++) word(tokens.get(at), coded);
        return coded.toString();
    }

    /// The coded text of some of its tokens.
    String coded(int from, int to) {
        return coded(tokens, chunks, from, to);
    }

    private static void word(Token token, StringBuilder coded) {
        coded.append(token.low()).append(' ');
    }

    /// The same up to a token.
    Clause until(int to) {
        return of(
                line,
                first,
                tokens.subList(0, to),
                chunks.stream().filter(chunk -> chunk.to() <= to).toList());
    }

    /// The chunks of a part of the coded text, in their order.
    List<Chunk> in(String part) {
        List<Chunk> found = new ArrayList<>();
        if (part == null) return found;
        Matcher sign = SIGN.matcher(part);
        while (sign.find()) found.add(chunks.get(Integer.parseInt(sign.group(2))));
        return found;
    }

    boolean has(Meant... kinds) {
        return chunks.stream().anyMatch(chunk -> chunk.is(kinds));
    }

    List<Chunk> all(Meant... kinds) {
        return chunks.stream().filter(chunk -> chunk.is(kinds)).toList();
    }

    Optional<Chunk> first(Meant... kinds) {
        return chunks.stream().filter(chunk -> chunk.is(kinds)).findFirst();
    }

    /// The words between two tokens, as they are written.
    String text(int from, int to) {
        StringBuilder text = new StringBuilder();
        for (int t = from; t < to; t++) {
            String piece = tokens.get(t).text();
            boolean glued = piece.equals("'s") || piece.equals("'") || piece.equals(",");
            if (!text.isEmpty() && !glued) text.append(' ');
            text.append(piece);
        }
        return text.toString();
    }

    /// Its words in small letters, a blank behind each.
    String low() {
        StringBuilder low = new StringBuilder();
        for (Token token : tokens) low.append(token.low()).append(' ');
        return low.toString();
    }

    /// The same as one text in which hyphens are blanks, as the names of parts are kept.
    String plain() {
        return low().strip().replace('-', ' ');
    }

    /// Whether a word stands in it.
    boolean says(String... words) {
        for (String word : words) if ((" " + coded).contains(" " + word + " ")) return true;
        return false;
    }
}
