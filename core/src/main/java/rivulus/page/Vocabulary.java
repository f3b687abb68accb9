package rivulus.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
    private int longest;

    static Vocabulary shipped() {
        return SHIPPED;
    }

    private static Vocabulary read() {
        Vocabulary all = new Vocabulary();
        try {
            Entry root = Entry.root(FILE, Json.parse(Templates.resource(FILE), FILE));
            root.text("about");
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

    private void add(String phrase, Sense sense) {
        List<String> words = new ArrayList<>();
        for (Token token : Token.all(phrase)) words.add(token.low());
        longest = Math.max(longest, words.size());
        phrases.computeIfAbsent(String.join(" ", words), _ -> new ArrayList<>()).add(sense);
    }

    int longest() {
        return longest;
    }

    /// What some words mean, the likeliest first; none where they mean nothing of the trade.
    List<Sense> of(String low) {
        return phrases.getOrDefault(low, List.of());
    }
}
