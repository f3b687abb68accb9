package rivulus.page;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/// What single words are, asked by whoever reads a line in a form of its own.
public final class Trade {
    private static final int LONGEST_NAME = 4;

    private Trade() {}

    /// Whether somebody may be called so: no word of the trade, no word that joins others, no
    /// number.
    public static boolean isName(String words) {
        List<Token> tokens = Token.all(words);
        if (tokens.isEmpty() || tokens.stream().noneMatch(Token::isWord)) return false;
        for (Token token : tokens)
            if (English.shipped().isJoining(token.low()) && !token.isCapital()) return false;
        return new Chunker()
                .of(tokens, List.of()).stream()
                        .noneMatch(
                                chunk ->
                                        chunk.is(
                                                Meant.GEAR,
                                                Meant.WAY,
                                                Meant.OUT,
                                                Meant.HEAR,
                                                Meant.SPEAKLESS,
                                                Meant.MINUTES,
                                                Meant.CLOCK));
    }

    /// Whether words can be nothing but a name: few, each with a capital or in no dictionary.
    public static boolean isProper(String words) {
        List<Token> tokens = Token.all(words).stream().filter(Token::isWord).toList();
        return !tokens.isEmpty()
                && tokens.size() <= LONGEST_NAME
                && tokens.stream()
                        .allMatch(
                                token ->
                                        token.isCapital()
                                                || !English.shipped().isCommon(token.low()));
    }

    /// Whether it is a word for a place.
    public static boolean isKnownPlace(String words) {
        return Vocabulary.shipped().of(words.strip().toLowerCase(Locale.ROOT)).stream()
                .anyMatch(sense -> sense.kind() == Meant.PLACE);
    }

    /// Whether a thing may be called so: "Cue" laptop, and not "two callers by" phone.
    public static boolean isThing(String words) {
        return Token.all(words).stream()
                .noneMatch(
                        token ->
                                English.shipped().isJoining(token.low())
                                        || "+;&=".contains(token.low()));
    }

    /// Whether somebody can be there: nothing of the trade but a place, if anything.
    public static boolean isPlace(String words) {
        return new Chunker()
                .of(Token.all(words), List.of()).stream()
                        .noneMatch(
                                chunk ->
                                        chunk.is(
                                                Meant.GEAR,
                                                Meant.WAY,
                                                Meant.OUT,
                                                Meant.HEAR,
                                                Meant.ROLE,
                                                Meant.SOUND,
                                                Meant.SILENT,
                                                Meant.SPEAKLESS,
                                                Meant.MINUTES,
                                                Meant.DOES));
    }

    /// What somebody does who is called that: "quizmaster" is a host.
    public static Optional<String> role(String words) {
        return Vocabulary.shipped().of(words.strip().toLowerCase(Locale.ROOT)).stream()
                .filter(sense -> sense.kind() == Meant.ROLE)
                .map(Vocabulary.Sense::value)
                .findFirst();
    }
}
