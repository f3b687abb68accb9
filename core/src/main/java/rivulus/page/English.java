package rivulus.page;

import java.io.IOException;
import java.net.URL;
import java.util.List;
import java.util.Locale;
import morfologik.stemming.Dictionary;
import morfologik.stemming.DictionaryLookup;
import morfologik.stemming.WordData;

/// The common words of English, to know what is no name.
final class English {
    private static final URL DICTIONARY =
            English.class.getResource("/org/languagetool/resource/en/english.dict");
    private static final English SHIPPED = read();

    private final Dictionary dictionary;

    private English(Dictionary dictionary) {
        this.dictionary = dictionary;
    }

    static English shipped() {
        return SHIPPED;
    }

    private static English read() {
        try {
            return new English(Dictionary.read(DICTIONARY));
        } catch (IOException broken) {
            throw new IllegalStateException("the program is damaged: no words of English", broken);
        }
    }

    /// Whether it is a common word, as nobody is called.
    boolean isCommon(String word) {
        return look(word.toLowerCase(Locale.ROOT)).stream()
                .anyMatch(meaning -> !meaning.getTag().toString().startsWith("NNP"));
    }

    /// Whether no name has it in small letters: a preposition, a conjunction, a modal verb, "only".
    boolean isJoining(String low) {
        return low.equals("only")
                || look(low).stream()
                        .map(meaning -> meaning.getTag().toString())
                        .anyMatch(
                                tag ->
                                        tag.equals("IN")
                                                || tag.equals("CC")
                                                || tag.equals("MD")
                                                || tag.equals("TO"));
    }

    /// Whether it only joins others: an article, a preposition, a conjunction, a pronoun.
    boolean isFunction(String low) {
        return look(low).stream()
                .map(meaning -> meaning.getTag().toString())
                .anyMatch(
                        tag ->
                                tag.startsWith("IN")
                                        || tag.startsWith("DT")
                                        || tag.startsWith("PRP")
                                        || tag.startsWith("CC")
                                        || tag.startsWith("MD")
                                        || tag.startsWith("W")
                                        || tag.startsWith("RB")
                                        || tag.startsWith("TO"));
    }

    /// Whether it may be a noun.
    boolean isNoun(String low) {
        return look(low).stream().anyMatch(meaning -> meaning.getTag().toString().startsWith("NN"));
    }

    /// Whether it may be a verb.
    boolean isVerb(String low) {
        return look(low).stream().anyMatch(meaning -> meaning.getTag().toString().startsWith("VB"));
    }

    private List<WordData> look(String word) {
        // a lookup keeps its answers in itself: one for each question
        return new DictionaryLookup(dictionary).lookup(word);
    }
}
