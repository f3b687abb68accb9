package rivulus.say;

import java.util.Map;
import java.util.TreeMap;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.file.Templates;

/// How somebody comes in from afar, as data: `said.json`.
///
/// @param wears the kind of gear at their end
/// @param through the kind of service that they meet the show in; empty where the networks of two
///     phones join by themselves
record Afar(String wears, String through) {
    /// By what people call it: "call program".
    static final Map<String, Afar> ALL = all();

    private static Map<String, Afar> all() {
        Map<String, Afar> ways = new TreeMap<>();
        plain("afar").forEach((name, way) -> ways.put(name, of((Map<?, ?>) way)));
        return Map.copyOf(ways);
    }

    private static Afar of(Map<?, ?> way) {
        Object through = way.get("through");
        return new Afar((String) way.get("wears"), through == null ? "" : (String) through);
    }

    /// What kinds of gear are called besides their names.
    static Map<String, String> names() {
        Map<String, String> names = new TreeMap<>();
        plain("called").forEach((name, kind) -> names.put(name, (String) kind));
        return Map.copyOf(names);
    }

    private static Map<String, Object> plain(String part) {
        try {
            String text = Templates.resource("/rivulus/said.json");
            Map<?, ?> all = (Map<?, ?>) Json.parse(text, "said.json").plain();
            Map<String, Object> found = new TreeMap<>();
            ((Map<?, ?>) all.get(part)).forEach((name, value) -> found.put((String) name, value));
            return found;
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }
}
