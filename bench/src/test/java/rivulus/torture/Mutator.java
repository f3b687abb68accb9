package rivulus.torture;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonText;

/// Turns sound JSON documents into unsound ones that still look like them, and tables likewise.
final class Mutator {
    private static final List<Object> HOSTILE =
            List.of(
                    "",
                    " ",
                    "desk/",
                    "/",
                    "a/b/c",
                    "default",
                    "communications",
                    "none",
                    "off",
                    "person",
                    "50%off %s %n",
                    "\u0000\u001b[31m\u202e\uFFFE",
                    "=1+1",
                    "{s}{s.label}",
                    "1..999",
                    "999..1",
                    0,
                    -1,
                    0.3,
                    1e300,
                    -200,
                    64,
                    20_000,
                    true,
                    false);

    private final Random random;

    Mutator(Random random) {
        this.random = random;
    }

    private <T> T any(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    /// A document with a few things wrong.
    String document(String text, String other) {
        Object tree = mutable(plain(text));
        Object donor = mutable(plain(other));
        int times = random.nextInt(4) == 0 ? 2 : 1;
        for (int i = 0; i < times; i++) mutate(tree, donor);
        String out = JsonText.of(tree);
        return random.nextInt(12) == 0 ? bytes(out) : out;
    }

    /// A text with a few letters wrong.
    String bytes(String text) {
        StringBuilder out = new StringBuilder(text);
        for (int i = random.nextInt(4); i >= 0 && !out.isEmpty(); i--) {
            int at = random.nextInt(out.length());
            switch (random.nextInt(5)) {
                case 0 -> out.setLength(at);
                case 1 -> out.setCharAt(at, (char) random.nextInt(0x110));
                case 2 ->
                        out.insert(
                                at, any(List.of("{", "]", "\"", "1e99999999999", "\u0000", "💧")));
                case 3 -> out.deleteCharAt(at);
                default ->
                        out.insert(
                                at,
                                out.substring(
                                        at, Math.min(out.length(), at + random.nextInt(200))));
            }
        }
        return out.toString();
    }

    /// A table with a few cells wrong.
    String table(String csv) {
        List<String> lines = new ArrayList<>(csv.lines().toList());
        for (int i = random.nextInt(5); i >= 0; i--) {
            int at = random.nextInt(lines.size());
            List<String> cells = new ArrayList<>(List.of(lines.get(at).split(",", -1)));
            switch (random.nextInt(6)) {
                case 0 -> cells.set(random.nextInt(cells.size()), String.valueOf(any(HOSTILE)));
                case 1 -> cells.add(any(cells));
                case 2 -> cells.set(random.nextInt(cells.size()), " ".repeat(random.nextInt(600)));
                case 3 ->
                        cells.set(
                                random.nextInt(cells.size()),
                                any(List.of(any(lines).split(",", -1))));
                case 4 -> lines.add(lines.get(at));
                default -> cells.removeLast();
            }
            lines.set(at, String.join(",", cells));
        }
        String out = String.join("\n", lines);
        return random.nextInt(8) == 0 ? bytes(out) : out;
    }

    /// Lines of words: joined, swapped, cut, doubled, and a few letters wrong.
    String words(List<String> from) {
        List<String> lines = new ArrayList<>();
        for (int i = random.nextInt(6); i >= 0; i--) {
            List<String> words = new ArrayList<>(List.of(any(from).split(" ")));
            List<String> others = List.of(any(from).split(" "));
            for (int j = random.nextInt(4); j > 0; j--)
                switch (random.nextInt(5)) {
                    case 0 -> words.add(random.nextInt(words.size() + 1), any(others));
                    case 1 -> words.set(random.nextInt(words.size()), any(others));
                    case 2 -> words.set(random.nextInt(words.size()), String.valueOf(any(HOSTILE)));
                    case 3 -> words.addAll(others);
                    default -> {
                        if (words.size() > 1) words.remove(random.nextInt(words.size()));
                    }
                }
            lines.add(String.join(random.nextInt(9) == 0 ? ", " : " ", words));
        }
        if (random.nextInt(40) == 0)
            lines.addAll(java.util.Collections.nCopies(1 << random.nextInt(9), any(lines)));
        String out = String.join("\n", lines);
        return random.nextInt(4) == 0 ? bytes(out) : out;
    }

    /// A recording with a few bytes wrong, or cut off, as text of a letter for each byte.
    String sound(byte[] good) {
        byte[] bytes = good.clone();
        int head = random.nextBoolean() ? Math.min(80, bytes.length) : bytes.length;
        for (int i = random.nextInt(12); i > 0; i--)
            bytes[random.nextInt(head)] = (byte) random.nextInt();
        int length = random.nextInt(3) == 0 ? random.nextInt(bytes.length) : bytes.length;
        return new String(bytes, 0, length, StandardCharsets.ISO_8859_1);
    }

    private static Object plain(String text) {
        try {
            return Json.parse(text, "seed").plain();
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static Object mutable(Object plain) {
        return switch (plain) {
            case Map<?, ?> map -> {
                Map<String, Object> copy = new LinkedHashMap<>();
                map.forEach((name, value) -> copy.put((String) name, mutable(value)));
                yield copy;
            }
            case List<?> list -> {
                List<Object> copy = new ArrayList<>();
                for (Object item : list) copy.add(mutable(item));
                yield copy;
            }
            case null, default -> plain;
        };
    }

    /// Everything that has parts, the outermost first.
    private static void containers(Object tree, List<Object> into) {
        if (tree instanceof Map<?, ?> map) {
            if (!map.isEmpty()) into.add(map);
            map.values().forEach(value -> containers(value, into));
        } else if (tree instanceof List<?> list) {
            if (!list.isEmpty()) into.add(list);
            list.forEach(item -> containers(item, into));
        }
    }

    private void mutate(Object tree, Object donor) {
        List<Object> places = new ArrayList<>();
        containers(tree, places);
        List<Object> donors = new ArrayList<>();
        containers(donor, donors);
        if (places.isEmpty()) return;
        Object place = any(places);
        Object fresh = random.nextInt(3) == 0 ? mutable(part(any(donors))) : part(any(places));
        Object value = random.nextInt(3) == 0 ? hostile() : mutable(fresh);
        if (place instanceof Map<?, ?>) {
            @SuppressWarnings("unchecked")
            Map<String, Object> map = (Map<String, Object>) place;
            List<String> names = List.copyOf(map.keySet());
            switch (random.nextInt(5)) {
                case 0 -> map.remove(any(names));
                case 1 -> map.put(name(donors), value);
                case 2 -> map.put(any(names) + any(List.of("x", "/", " ")), map.remove(any(names)));
                default -> map.put(any(names), value);
            }
        } else if (place instanceof List<?>) {
            @SuppressWarnings("unchecked")
            List<Object> list = (List<Object>) place;
            int at = random.nextInt(list.size());
            switch (random.nextInt(6)) {
                case 0 -> list.remove(at);
                case 1 -> list.add(at, value);
                case 2 -> list.add(mutable(list.get(at)));
                case 3 -> many(list, at);
                case 4 -> list.clear();
                default -> list.set(at, value);
            }
        }
    }

    private Object hostile() {
        return switch (random.nextInt(12)) {
            case 0 -> "x".repeat(1 << random.nextInt(14));
            case 1 -> mutable(List.of(List.of(List.of())));
            case 2 -> null;
            default -> any(HOSTILE);
        };
    }

    private String name(List<Object> donors) {
        for (int tries = 0; tries < 5; tries++)
            if (any(donors) instanceof Map<?, ?> map)
                return (String) any(List.copyOf(map.keySet()));
        return "unknown";
    }

    private Object part(Object place) {
        return place instanceof Map<?, ?> map
                ? any(new ArrayList<Object>(map.values()))
                : any(new ArrayList<Object>((List<?>) place));
    }

    /// The same item up to 120 times, with ids of their own where it has one.
    private void many(List<Object> list, int at) {
        int times = random.nextInt(120);
        for (int n = 0; n < times; n++) {
            Object copy = mutable(list.get(at));
            if (copy instanceof Map<?, ?> map && map.get("id") instanceof String id) {
                @SuppressWarnings("unchecked")
                Map<String, Object> fields = (Map<String, Object>) map;
                fields.put("id", id + "-" + n);
            }
            list.add(copy);
        }
    }

    static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
