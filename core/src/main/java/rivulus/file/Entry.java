package rivulus.file;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.show.Extras;
import rivulus.words.Near;

/// One value while a file is being read: it knows its file and its path, complains in words, and
/// remembers which of its fields were asked for, so that the rest can be kept.
final class Entry {
    private final String file;
    private final String path;
    private final Json json;
    private final Set<String> asked = new HashSet<>();

    Entry(String file, String path, Json json) {
        this.file = file;
        this.path = path;
        this.json = json;
    }

    static Entry root(String file, Json json) {
        return new Entry(file, "", json);
    }

    /// Another value in the same place.
    Entry like(Json other) {
        return new Entry(file, path, other);
    }

    /// A complaint about this value.
    FileTrouble trouble(String words) {
        String place = path.isEmpty() ? "" : path + " ";
        String line =
                json.spot().line() == 0
                        ? ""
                        : "(line %d, column %d)"
                                .formatted(json.spot().line(), json.spot().column());
        String where = (place + line).strip();
        return new FileTrouble(
                "%s: %s%s".formatted(file, where.isEmpty() ? "" : where + ": ", words));
    }

    FileTrouble trouble(String words, Object... values) {
        return trouble(words.formatted(values));
    }

    private FileTrouble expected(String what) {
        return trouble("%s was expected, not %s", what, json.kind());
    }

    Json json() {
        return json;
    }

    private SequencedMap<String, Json> fields() throws FileTrouble {
        if (json instanceof Json.Obj(var fields, _)) return fields;
        throw expected("an object");
    }

    /// A field that must be there.
    Entry field(String name) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        if (field.isEmpty()) throw trouble("\"%s\" is missing here", name);
        return field.get();
    }

    /// A field that may be there.
    Optional<Entry> maybe(String name) throws FileTrouble {
        asked.add(name);
        Json value = fields().get(name);
        return Optional.ofNullable(value)
                .map(v -> new Entry(file, path.isEmpty() ? name : path + "." + name, v));
    }

    /// Every field, by name.
    SequencedMap<String, Entry> each() throws FileTrouble {
        SequencedMap<String, Entry> each = new LinkedHashMap<>();
        for (String name : fields().keySet()) each.put(name, field(name));
        return each;
    }

    /// The items of a list.
    List<Entry> items() throws FileTrouble {
        if (!(json instanceof Json.Arr(var items, _))) throw expected("a list");
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < items.size(); i++)
            entries.add(new Entry(file, path + "[" + i + "]", items.get(i)));
        return entries;
    }

    /// The items of a list that may be left out.
    List<Entry> items(String name) throws FileTrouble {
        Optional<Entry> list = maybe(name);
        return list.isPresent() ? list.get().items() : List.of();
    }

    /// Texts in a list that may be left out.
    List<String> texts(String name) throws FileTrouble {
        List<String> texts = new ArrayList<>();
        for (Entry item : items(name)) texts.add(item.text());
        return texts;
    }

    String text() throws FileTrouble {
        if (json instanceof Json.Text(var value, _)) return value;
        throw expected("text");
    }

    String text(String name) throws FileTrouble {
        return field(name).text();
    }

    String text(String name, String otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().text() : otherwise;
    }

    boolean isText() {
        return json instanceof Json.Text;
    }

    boolean isNumber() {
        return json instanceof Json.Num;
    }

    /// A name for referring to: letters, digits, dots, dashes, 1 to 80 of them.
    String id() throws FileTrouble {
        String text = text();
        if (!text.matches("[A-Za-z0-9][A-Za-z0-9._-]{0,79}")) {
            throw trouble("\"%s\" cannot be an id; use letters, digits, dots and dashes", text);
        }
        return text;
    }

    boolean truth() throws FileTrouble {
        if (json instanceof Json.Bool(var value, _)) return value;
        throw expected("true or false");
    }

    boolean truth(String name, boolean otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().truth() : otherwise;
    }

    boolean isObject() {
        return json instanceof Json.Obj;
    }

    double number(double least, double most) throws FileTrouble {
        if (!(json instanceof Json.Num(double value, String digits, _))) throw expected("a number");
        if (!(value >= least && value <= most)) {
            throw trouble(
                    "%s is out of range; %s to %s is possible here",
                    digits, plain(least), plain(most));
        }
        return value;
    }

    double number(String name, double least, double most, double otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().number(least, most) : otherwise;
    }

    int whole(String name, int least, int most, int otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        if (field.isEmpty()) return otherwise;
        double value = field.get().number(least, most);
        if (value != Math.rint(value))
            throw field.get().trouble("a whole number was expected, not %s", value);
        return (int) value;
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }

    /// One of several words.
    <T> T word(Map<String, T> words) throws FileTrouble {
        T found = words.get(text());
        if (found == null) throw unknown("word", text(), words.keySet());
        return found;
    }

    /// This as a name that has to be among those that exist.
    String oneOf(String what, Collection<String> known) throws FileTrouble {
        if (!known.contains(text())) throw unknown(what, text(), known);
        return text();
    }

    /// A complaint about a name that is not among those that exist; says which is near, or which
    /// there are.
    FileTrouble unknown(String what, String name, Collection<String> known) {
        return trouble("there is no %s \"%s\"; %s", what, name, Near.hint(name, known));
    }

    /// What nobody asked for.
    Extras extras() throws FileTrouble {
        SequencedMap<String, Object> rest = new LinkedHashMap<>();
        fields().forEach(
                        (name, value) -> {
                            if (!asked.contains(name)) rest.put(name, value.plain());
                        });
        return rest.isEmpty() ? Extras.NONE : new Extras(rest);
    }

    /// Refuses fields that nobody asked for: in a template a misspelt field is a mistake.
    void nothingElse() throws FileTrouble {
        for (String name : fields().keySet()) {
            if (!asked.contains(name)) throw unknown("field", name, asked);
        }
    }
}
