package rivulus.say;

import java.util.Map;
import java.util.TreeMap;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;

/// How somebody comes in from afar, as data: `afar.json`.
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

    @SuppressWarnings("unchecked")
    private static Map<String, Object> plain(String part) {
        try (var said = Afar.class.getResourceAsStream("/rivulus/said.json")) {
            String text = new String(said.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
            Map<String, Object> all = (Map<String, Object>) Json.parse(text, "said.json").plain();
            return (Map<String, Object>) all.get(part);
        } catch (java.io.IOException | FileTrouble damaged) {
            throw new IllegalStateException("the program is damaged: said.json", damaged);
        }
    }
}
