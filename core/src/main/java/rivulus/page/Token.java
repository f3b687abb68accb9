package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// One word, number or sign of a line.
///
/// @param text as it is written
/// @param low in small letters, contractions written out: "does", "not"
record Token(String text, String low) {
    private static final Pattern PIECE =
            Pattern.compile(
                    "\\d{1,2}[:.]\\d{2}(?!\\d)(?:\\s?h\\b)?|\\d+(?:st|nd|rd|th)\\b|\\d+(?:[.,]\\d+)?|[\\p{L}\\p{M}]+(?:[-'’.][\\p{L}\\p{M}]+)*['’]?|->|→|=>|<-|[^\\s\\p{L}\\p{M}\\d]");

    private static final Map<String, String> WRITTEN_OUT =
            Map.ofEntries(
                    Map.entry("can't", "can not"),
                    Map.entry("cannot", "can not"),
                    Map.entry("won't", "will not"),
                    Map.entry("mustnt", "must not"),
                    Map.entry("dont", "do not"),
                    Map.entry("doesnt", "does not"),
                    Map.entry("cant", "can not"),
                    Map.entry("i'm", "i am"),
                    Map.entry("we're", "we are"),
                    Map.entry("they're", "they are"),
                    Map.entry("he's", "he is"),
                    Map.entry("she's", "she is"),
                    Map.entry("it's", "it is"),
                    Map.entry("i'll", "i will"),
                    Map.entry("he'll", "he will"),
                    Map.entry("she'll", "she will"),
                    Map.entry("w/o", "without"),
                    Map.entry("w/out", "without"),
                    Map.entry("w/", "with"),
                    Map.entry("thru", "through"),
                    Map.entry("ppl", "people"),
                    Map.entry("pls", "please"));

    private static final Map<String, String> ENDINGS =
            Map.of("'d", "would", "'ve", "have", "'ll", "will", "'re", "are", "'m", "am");

    private static final Pattern SLASHED = Pattern.compile("(?i)\\bw/(?:o(?:ut)?\\b)?");

    /// The tokens of some text.
    static List<Token> all(String text) {
        List<Token> tokens = new ArrayList<>();
        String plain =
                SLASHED.matcher(text.replace('’', '\''))
                        .replaceAll(m -> m.group().length() > 2 ? "without " : "with ");
        Matcher piece = PIECE.matcher(plain);
        while (piece.find()) add(piece.group(), tokens);
        return tokens;
    }

    private static void add(String piece, List<Token> tokens) {
        String low = piece.toLowerCase(Locale.ROOT);
        String out = WRITTEN_OUT.get(low);
        if (out == null && low.endsWith("n't")) out = low.substring(0, low.length() - 3) + " not";
        for (Map.Entry<String, String> end : ENDINGS.entrySet())
            if (out == null && low.endsWith(end.getKey()) && low.length() > end.getKey().length())
                out = low.substring(0, low.length() - end.getKey().length()) + " " + end.getValue();
        if (out != null) {
            for (String word : out.split(" ")) tokens.add(new Token(piece, word));
        } else if (low.endsWith("'s") && low.length() > 2) {
            tokens.add(
                    new Token(
                            piece.substring(0, piece.length() - 2),
                            low.substring(0, low.length() - 2)));
            tokens.add(new Token("'s", "'s"));
        } else if (low.endsWith("'") && low.length() > 1) {
            tokens.add(
                    new Token(
                            piece.substring(0, piece.length() - 1),
                            low.substring(0, low.length() - 1)));
            tokens.add(new Token("'", "'"));
        } else {
            tokens.add(new Token(piece, low));
        }
    }

    boolean isWord() {
        return !low.isEmpty() && Character.isLetter(low.charAt(0));
    }

    boolean isNumber() {
        return Character.isDigit(low.charAt(0));
    }

    /// Whether it begins with a capital.
    boolean isCapital() {
        return isWord() && Character.isUpperCase(text.charAt(0));
    }

    /// Whether all of it is in capitals.
    boolean isShouted() {
        return isWord() && text.length() > 1 && text.equals(text.toUpperCase(Locale.ROOT));
    }
}
