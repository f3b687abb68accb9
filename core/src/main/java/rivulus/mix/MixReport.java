package rivulus.mix;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rivulus.show.Ear;

/// Mixes as values for other programs; docs/outputs.md tells them.
public final class MixReport {
    private MixReport() {}

    /// The feeds of a show.
    public static Map<String, Object> of(List<Feed> feeds, MixLanguage language) {
        return Map.of("feeds", feeds.stream().map(feed -> feed(feed, language)).toList());
    }

    /// What came of writing.
    public static Map<String, Object> of(MixWriting.Written written, MixLanguage language) {
        return Map.of(
                "written", written.lines().stream().map(l -> line(l, written, language)).toList());
    }

    private static Map<String, Object> feed(Feed feed, MixLanguage language) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("at", feed.at().toString());
        out.put("name", feed.name());
        out.put("listeners", feed.listeners().stream().map(Ear::id).toList());
        out.put("says", feed.says().map(mix -> language.print(mix.steps())).orElse(null));
        out.put("carries", language.print(feed.carries()));
        out.put("asked", feed.asked().map(language::print).orElse(null));
        out.put("torn", feed.torn());
        out.put("state", feed.state().name().toLowerCase(Locale.ROOT));
        return out;
    }

    private static Map<String, Object> line(
            MixWriting.Line line, MixWriting.Written written, MixLanguage language) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("at", line.feed().at().toString());
        out.put(
                "says",
                written.proof()
                        .show()
                        .mix(line.feed().at())
                        .map(mix -> language.print(mix.steps()))
                        .orElse(null));
        out.put("carried", line.carried());
        out.put("words", line.words());
        return out;
    }
}
