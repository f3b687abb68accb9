package rivulus.file;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;

/// The repeat form of templates: `"for": {"s": "strips", "o": "outs"}, "unless": "{s}={o}"` writes
/// an item once for every pair of a strip and an out, with `{s}` and `{s.label}` filled in.
final class Repeat {
    /// A list of a template has at most so many items, written out.
    static final int MOST_ITEMS = 20_000;

    /// Rounds that are gone through before `unless` leaves some out.
    private static final long MOST_ROUNDS = 50_000;

    /// All texts that are written out have at most so many letters.
    private static final int MOST_LETTERS = 4_000_000;

    /// Lists by name, each a map from id to label.
    private final Map<String, SequencedMap<String, String>> lists = new LinkedHashMap<>();

    private int letters;

    private Repeat() {}

    /// Reads the template's `lists`: a range `"1..4"`, a list of ids, or an object of ids and
    /// labels.
    static Repeat lists(Entry template) throws FileTrouble {
        Repeat repeat = new Repeat();
        var lists = template.maybe("lists");
        if (lists.isPresent()) {
            for (var list : lists.get().each().entrySet()) {
                repeat.lists.put(list.getKey(), members(list.getValue()));
            }
        }
        return repeat;
    }

    private static SequencedMap<String, String> members(Entry list) throws FileTrouble {
        SequencedMap<String, String> members = new LinkedHashMap<>();
        if (list.isText()) {
            if (!list.text().matches("\\d{1,3}\\.\\.\\d{1,3}")) {
                throw list.trouble("\"%s\" should be a range like \"1..4\"", list.text());
            }
            String[] ends = list.text().split("\\.\\.");
            for (int n = Integer.parseInt(ends[0]); n <= Integer.parseInt(ends[1]); n++) {
                members.put(Integer.toString(n), Integer.toString(n));
            }
        } else if (list.json() instanceof Json.Arr) {
            for (Entry item : list.items()) members.put(item.text(), item.text());
        } else {
            for (var item : list.each().entrySet())
                members.put(item.getKey(), item.getValue().text());
        }
        if (members.isEmpty()) throw list.trouble("this list has nothing in it");
        return members;
    }

    /// The items of a field, repeated ones written out.
    List<Entry> items(Entry template, String field) throws FileTrouble {
        List<Entry> out = new ArrayList<>();
        for (Entry item : template.items(field)) {
            var loop = item.maybe("for");
            if (loop.isEmpty()) {
                out.add(item);
                continue;
            }
            for (Map<String, String> round : rounds(loop.get())) {
                if (isLeftOut(item, round)) continue;
                out.add(item.like(fill(item.json(), round)));
                if (out.size() > MOST_ITEMS)
                    throw item.trouble("this writes out more than %d items", MOST_ITEMS);
                if (letters > MOST_LETTERS)
                    throw item.trouble("this writes out more than %d letters", MOST_LETTERS);
            }
        }
        return out;
    }

    /// Every round of a loop; counted before they are written out.
    private List<Map<String, String>> rounds(Entry loop) throws FileTrouble {
        long count = 1;
        for (Entry list : loop.each().values()) {
            count *= listOf(list).size();
            if (count > MOST_ROUNDS)
                throw loop.trouble("this goes round more than %d times", MOST_ROUNDS);
        }
        List<Map<String, String>> rounds = List.of(Map.of());
        for (var variable : loop.each().entrySet())
            rounds = times(rounds, variable.getKey(), listOf(variable.getValue()));
        return rounds;
    }

    private SequencedMap<String, String> listOf(Entry name) throws FileTrouble {
        SequencedMap<String, String> list = lists.get(name.text());
        if (list != null) return list;
        if (name.text().matches("\\d{1,3}\\.\\.\\d{1,3}")) return members(name);
        throw name.unknown("list", name.text(), lists.keySet());
    }

    private static List<Map<String, String>> times(
            List<Map<String, String>> rounds, String variable, SequencedMap<String, String> list) {
        List<Map<String, String>> out = new ArrayList<>();
        for (Map<String, String> round : rounds) {
            list.forEach(
                    (id, label) -> {
                        Map<String, String> more = new LinkedHashMap<>(round);
                        more.put("{" + variable + "}", id);
                        more.put("{" + variable + ".label}", label);
                        out.add(more);
                    });
        }
        return out;
    }

    private boolean isLeftOut(Entry item, Map<String, String> round) throws FileTrouble {
        for (Entry unless : item.maybe("unless").map(Repeat::oneOrMore).orElse(List.of())) {
            String[] sides = fill(unless.text(), round).split("=", -1);
            if (sides.length != 2)
                throw unless.trouble("\"unless\" compares two sides, like \"{s}={o}\"");
            if (sides[0].equals(sides[1])) return true;
        }
        return false;
    }

    private static List<Entry> oneOrMore(Entry unless) {
        try {
            return unless.isText() ? List.of(unless) : unless.items();
        } catch (FileTrouble notAList) {
            return List.of(unless);
        }
    }

    private Json fill(Json json, Map<String, String> round) {
        return switch (json) {
            case Json.Text(var value, var spot) -> new Json.Text(fill(value, round), spot);
            case Json.Arr(var items, var spot) ->
                    new Json.Arr(items.stream().map(i -> fill(i, round)).toList(), spot);
            case Json.Obj(var fields, var spot) -> {
                SequencedMap<String, Json> filled = new LinkedHashMap<>();
                fields.forEach(
                        (key, value) -> {
                            if (!key.equals("for") && !key.equals("unless"))
                                filled.put(fill(key, round), fill(value, round));
                        });
                yield new Json.Obj(filled, spot);
            }
            default -> json;
        };
    }

    private String fill(String text, Map<String, String> round) {
        int brace = text.indexOf('{');
        if (brace < 0) return counted(text);
        StringBuilder filled = new StringBuilder();
        int from = 0;
        while (brace >= 0) {
            int end = text.indexOf('}', brace);
            String value = end < 0 ? null : round.get(text.substring(brace, end + 1));
            filled.append(text, from, brace);
            filled.append(value == null ? "{" : value);
            from = value == null ? brace + 1 : end + 1;
            brace = text.indexOf('{', from);
        }
        return counted(filled.append(text, from, text.length()).toString());
    }

    private String counted(String text) {
        letters += text.length();
        return text;
    }
}
