package rivulus.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.file.Templates;

/// The words of the trade, from `vocabulary.json`.
final class Vocabulary {
    /// What a phrase means.
    record Sense(Meant kind, String value) {}

    private static final String FILE = "/rivulus/page/vocabulary.json";

    /// Which kind wins where a phrase has several, the first first.
    private static final List<String> KINDS =
            List.of(
                    "speakless",
                    "does",
                    "way",
                    "gear",
                    "sound",
                    "out",
                    "role",
                    "instrument",
                    "place",
                    "group",
                    "silent",
                    "hear",
                    "may");

    private static final Vocabulary SHIPPED = read();

    private final Map<String, List<Sense>> phrases = new HashMap<>();
    private final Set<String> comers = new HashSet<>();
    private final Set<String> things = new HashSet<>();
    private final Set<String> names = new HashSet<>();
    private int longest;

    static Vocabulary shipped() {
        return SHIPPED;
    }

    private static Vocabulary read() {
        Vocabulary all = new Vocabulary();
        try {
            Entry root = Entry.root(FILE, Json.parse(Templates.resource(FILE), FILE));
            root.text("about");
            Entry words = root.field("words");
            words.text("about");
            fill(all.comers, words.field("comers"));
            fill(all.things, words.field("things"));
            fill(all.names, words.field("names"));
            Entry kinds = root.field("phrases");
            for (String kind : KINDS) {
                Meant meant =
                        kind.equals("may")
                                ? Meant.DOUBT
                                : Meant.valueOf(kind.toUpperCase(Locale.ROOT));
                for (Map.Entry<String, Entry> one : kinds.field(kind).each().entrySet())
                    for (Entry phrase : one.getValue().items())
                        all.add(phrase.text(), new Sense(meant, one.getKey()));
            }
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
        return all;
    }

    private static void fill(Set<String> words, Entry from) throws FileTrouble {
        for (Entry word : from.items()) words.add(word.text());
    }

    private void add(String phrase, Sense sense) {
        List<String> words = new ArrayList<>();
        for (Token token : Token.all(phrase)) words.add(token.low());
        longest = Math.max(longest, words.size());
        phrases.computeIfAbsent(String.join(" ", words), _ -> new ArrayList<>()).add(sense);
    }

    /// Whether several come by a way whose word stands before it: "the phone people".
    boolean isComer(String low) {
        return comers.contains(low);
    }

    /// Whether it is a thing, though it is called like those who do something: "letters".
    boolean isThing(String low) {
        return things.contains(low);
    }

    /// Whether people are called so, though it is a common word: with a capital it is a name even
    /// where a sentence begins.
    boolean isName(String low) {
        return names.contains(low);
    }

    int longest() {
        return longest;
    }

    /// What some words mean, the likeliest first; none where they mean nothing of the trade.
    List<Sense> of(String low) {
        return phrases.getOrDefault(low, List.of());
    }
}
