package rivulus.disk;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.regex.Pattern;
import rivulus.words.Near;

/// One value while a file is being read: it knows its file and its path, complains in words, and
/// remembers which of its fields were asked for, so that the rest can be kept.
public final class Entry {
    /// A name has at most so many characters.
    public static final int LONGEST_NAME = 120;

    /// Any other text that is understood has at most so many.
    public static final int LONGEST_TEXT = 4_000;

    private static final Pattern ID = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,79}");
    private static final int LONGEST_QUOTED = 300;
    private static final int LONGEST_MISTAKEN = 60;

    private final String file;
    private final String path;
    private final Json json;
    private final Set<String> asked = new HashSet<>();

    Entry(String file, String path, Json json) {
        this.file = file;
        this.path = path;
        this.json = json;
    }

    /// The value that a file holds.
    public static Entry root(String file, Json json) {
        return new Entry(file, "", json);
    }

    /// The value that a file holds, read from it.
    ///
    /// @throws FileTrouble where it cannot be read or is no JSON
    public static Entry ofFile(Path file) throws FileTrouble {
        String name = file.toString();
        return root(name, Json.parse(SafeFile.read(file).text(), name));
    }

    /// The fields of an object as plain values.
    public Map<String, Object> values() throws FileTrouble {
        Map<String, Object> values = new LinkedHashMap<>();
        each().forEach((name, value) -> values.put(name, value.json().plain()));
        return values;
    }

    /// Another value in the same place.
    public Entry like(Json other) {
        return new Entry(file, path, other);
    }

    /// A complaint about this value.
    public FileTrouble trouble(String words) {
        return FileTrouble.at(new FileTrouble.Place(file, path, json.spot()), words);
    }

    public FileTrouble trouble(String words, Object... values) {
        return trouble(words.formatted(values));
    }

    private FileTrouble expected(String what) {
        return trouble("%s was expected, not %s", what, json.kind());
    }

    /// The value itself.
    public Json json() {
        return json;
    }

    private SequencedMap<String, Json> fields() throws FileTrouble {
        if (json instanceof Json.Obj(var fields, _)) return fields;
        throw expected("an object");
    }

    /// A field that must be there.
    public Entry field(String name) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        if (field.isEmpty()) throw trouble("\"%s\" is missing here", name);
        return field.get();
    }

    /// A field that may be there.
    public Optional<Entry> maybe(String name) throws FileTrouble {
        asked.add(name);
        Json value = fields().get(name);
        return Optional.ofNullable(value)
                .map(v -> new Entry(file, path.isEmpty() ? name : path + "." + name, v));
    }

    /// Every field, by name.
    public SequencedMap<String, Entry> each() throws FileTrouble {
        SequencedMap<String, Entry> each = new LinkedHashMap<>();
        for (String name : fields().keySet()) each.put(name, field(name));
        return each;
    }

    /// The items of a list.
    public List<Entry> items() throws FileTrouble {
        if (!(json instanceof Json.Arr(var items, _))) throw expected("a list");
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < items.size(); i++)
            entries.add(new Entry(file, path + "[" + i + "]", items.get(i)));
        return entries;
    }

    /// The items of a list that may be left out.
    public List<Entry> items(String name) throws FileTrouble {
        Optional<Entry> list = maybe(name);
        return list.isPresent() ? list.get().items() : List.of();
    }

    /// Texts in a list that may be left out.
    public List<String> texts(String name) throws FileTrouble {
        List<String> texts = new ArrayList<>();
        for (Entry item : items(name)) texts.add(item.text());
        return texts;
    }

    /// A text of bearable length.
    public String text() throws FileTrouble {
        if (!(json instanceof Json.Text(var value, _))) throw expected("text");
        if (value.length() > LONGEST_TEXT)
            throw trouble(
                    "this text has %d characters; at most %d are possible here",
                    value.length(), LONGEST_TEXT);
        return value;
    }

    /// A name to be shown: one line, at most [#LONGEST_NAME] characters. Control characters become
    /// blanks; a name that says nothing is replaced.
    public String name(String field, String otherwise) throws FileTrouble {
        Entry entry = field(field);
        String name = Line.of(entry.text());
        if (name.length() > LONGEST_NAME)
            throw entry.trouble(
                    "\"%s\" has %d characters; a name has at most %d",
                    name, name.length(), LONGEST_NAME);
        return name.isEmpty() ? otherwise : name;
    }

    /// The text of a field that must be there.
    public String text(String name) throws FileTrouble {
        return field(name).text();
    }

    /// The text of a field that may be left out.
    public String text(String name, String otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().text() : otherwise;
    }

    /// Whether this is text.
    public boolean isText() {
        return json instanceof Json.Text;
    }

    /// Whether this is a number.
    public boolean isNumber() {
        return json instanceof Json.Num;
    }

    /// A name for referring to: letters, digits, dots, dashes, 1 to 80 of them.
    public String id() throws FileTrouble {
        String text = text();
        if (!ID.matcher(text).matches()) {
            throw trouble("\"%s\" cannot be an id; use letters, digits, dots and dashes", text);
        }
        return text;
    }

    /// True or false.
    public boolean truth() throws FileTrouble {
        if (json instanceof Json.Bool(var value, _)) return value;
        throw expected("true or false");
    }

    /// True or false, where it may be left out.
    public boolean truth(String name, boolean otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().truth() : otherwise;
    }

    /// Whether this is an object.
    public boolean isObject() {
        return json instanceof Json.Obj;
    }

    /// A number within bounds.
    public double number(double least, double most) throws FileTrouble {
        if (!(json instanceof Json.Num(double value, String digits, _))) throw expected("a number");
        if (!(value >= least && value <= most)) {
            throw trouble(
                    "%s is out of range; %s to %s is possible here",
                    digits, plain(least), plain(most));
        }
        return value + 0.0; // no number is a negative nothing
    }

    /// A number within bounds, where it may be left out.
    public double number(String name, double least, double most, double otherwise)
            throws FileTrouble {
        Optional<Entry> field = maybe(name);
        return field.isPresent() ? field.get().number(least, most) : otherwise;
    }

    /// A whole number within bounds, where it may be left out.
    public int whole(String name, int least, int most, int otherwise) throws FileTrouble {
        Optional<Entry> field = maybe(name);
        if (field.isEmpty()) return otherwise;
        return field.get().whole(least, most);
    }

    /// A whole number within bounds.
    public int whole(int least, int most) throws FileTrouble {
        double value = number(least, most);
        if (value != Math.rint(value)) throw trouble("a whole number was expected, not %s", value);
        return (int) value;
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }

    /// One of several words.
    public <T> T word(Map<String, T> words) throws FileTrouble {
        T found = words.get(text());
        if (found == null) throw unknown("word", text(), words.keySet());
        return found;
    }

    /// One of the values that are written as words.
    ///
    /// @param what what it should be, for the complaint: "kind of gear"
    public <E extends Enum<E> & Worded> E word(String what, Class<E> kind) throws FileTrouble {
        E found = Worded.words(kind).get(text());
        if (found == null) throw unknown(what, text(), Worded.words(kind).keySet());
        return found;
    }

    /// This as a name that has to be among those that exist.
    public String oneOf(String what, Collection<String> known) throws FileTrouble {
        if (!known.contains(text())) throw unknown(what, text(), known);
        return text();
    }

    /// A complaint about a name that is not among those that exist; says which is near, or which
    /// there are.
    public FileTrouble unknown(String what, String name, Collection<String> known) {
        return trouble(
                "there is no %s \"%s\"; %s",
                what, Line.clipped(name, LONGEST_MISTAKEN), Near.hint(name, known));
    }

    /// What nobody asked for.
    public Extras extras() throws FileTrouble {
        SequencedMap<String, Object> rest = new LinkedHashMap<>();
        fields().forEach(
                        (name, value) -> {
                            if (!asked.contains(name)) rest.put(name, value.plain());
                        });
        return rest.isEmpty() ? Extras.NONE : new Extras(rest);
    }

    /// Refuses fields that nobody asked for: in a template a misspelt field is a mistake.
    public void nothingElse() throws FileTrouble {
        for (String name : fields().keySet()) {
            if (!asked.contains(name)) throw unknown("field", name, asked);
        }
    }
}
