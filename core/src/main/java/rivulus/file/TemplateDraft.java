package rivulus.file;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonText;
import rivulus.show.OwnTemplate;

/// A template that is being written: its fields as they stand, and what the language says of them.
/// Every change gives a new draft, checked.
///
/// @param written the fields, as plain values
/// @param kept the template where it holds together
/// @param trouble what does not hold, in one line with the place and what would be right; empty
///     where it does
/// @param section the list in which the trouble is; empty where it is in none, or there is none
/// @param item the place of the item in that list as it is written; −1 where it is in none
public record TemplateDraft(
        SequencedMap<String, Object> written,
        Optional<OwnTemplate> kept,
        String trouble,
        String section,
        int item) {
    /// A place in a list: `ports[0].id`.
    private static final Pattern ITEM = Pattern.compile("^([A-Za-z]+)\\[(\\d+)]");

    /// A draft of what stands there.
    public static TemplateDraft of(Map<String, Object> fields) {
        SequencedMap<String, Object> written = new LinkedHashMap<>(fields);
        try {
            OwnTemplate own = Templates.parseOwn(JsonText.of(written), "the kind");
            return new TemplateDraft(written, Optional.of(own), "", "", -1);
        } catch (FileTrouble trouble) {
            String path = trouble.place().map(FileTrouble.Place::path).orElse("");
            Matcher place = ITEM.matcher(path);
            boolean there = place.find();
            return new TemplateDraft(
                    written,
                    Optional.empty(),
                    trouble.getMessage().replaceFirst("^the kind: ", ""),
                    there ? place.group(1) : "",
                    there ? Integer.parseInt(place.group(2)) : -1);
        }
    }

    /// A draft of a template.
    public static TemplateDraft of(OwnTemplate own) {
        return of(own.written().fields());
    }

    /// A kind of gear about which little has been said yet.
    public static TemplateDraft fresh(String id, String name) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("template", id);
        fields.put("name", name);
        fields.put("kind", "desk");
        fields.put("about", "");
        return of(fields);
    }

    /// A copy under another id and name.
    public TemplateDraft copy(String id, String name) {
        SequencedMap<String, Object> fields = new LinkedHashMap<>(written);
        fields.put("template", id);
        fields.put("name", name);
        return of(fields);
    }

    /// The whole as JSON text.
    public String text() {
        return JsonText.of(written);
    }

    /// The draft that a JSON text makes.
    ///
    /// @throws FileTrouble where it is no JSON object
    public static TemplateDraft ofText(String text) throws FileTrouble {
        Json json = Json.parse(text, "the text");
        if (!(json.plain() instanceof Map<?, ?> fields))
            throw new FileTrouble("the text: a kind of gear is a JSON object");
        SequencedMap<String, Object> written = new LinkedHashMap<>();
        fields.forEach((name, value) -> written.put((String) name, value));
        return of(written);
    }

    /// The items of a list as they are written; none where the list is not there.
    public List<Map<String, Object>> items(String list) {
        List<Map<String, Object>> items = new ArrayList<>();
        if (written.get(list) instanceof List<?> all)
            for (Object item : all)
                if (item instanceof Map<?, ?> map) {
                    Map<String, Object> fields = new LinkedHashMap<>();
                    map.forEach((name, value) -> fields.put((String) name, value));
                    items.add(fields);
                }
        return Collections.unmodifiableList(items);
    }

    /// One item in a few words: its id and label, or where it leads.
    public String summary(String list, int index) {
        Map<String, Object> item = items(list).get(index);
        Object head = item.getOrDefault("id", item.get("from"));
        Object tail = item.containsKey("id") ? item.get("label") : item.get("to");
        String joint = item.containsKey("id") ? " · " : " → ";
        String words = head == null ? "new" : head.toString();
        return tail == null || tail.toString().isEmpty() ? words : words + joint + tail;
    }

    /// The draft with a field of the template itself set; an empty value takes it out.
    public TemplateDraft with(String field, Object value) {
        SequencedMap<String, Object> fields = new LinkedHashMap<>(written);
        put(fields, field, value);
        return of(fields);
    }

    /// The draft with a field of one item set; an empty value takes it out.
    public TemplateDraft with(String list, int index, String field, Object value) {
        List<Map<String, Object>> items = new ArrayList<>(items(list));
        Map<String, Object> item = new LinkedHashMap<>(items.get(index));
        put(item, field, value);
        items.set(index, item);
        return withItems(list, items);
    }

    private static void put(Map<String, Object> fields, String field, Object value) {
        boolean empty = value == null || value instanceof String text && text.isEmpty();
        if (empty) fields.remove(field);
        else fields.put(field, value);
    }

    /// The draft with one more item at the end of a list; empty but for an id where items have ids.
    public TemplateDraft plusItem(String list) {
        List<Map<String, Object>> items = new ArrayList<>(items(list));
        Map<String, Object> item = new LinkedHashMap<>();
        boolean named = !list.equals("routes") && !list.equals("pictures");
        if (named) item.put("id", "new-" + (items.size() + 1));
        items.add(item);
        return withItems(list, items);
    }

    /// The draft with one item twice.
    public TemplateDraft doubled(String list, int index) {
        List<Map<String, Object>> items = new ArrayList<>(items(list));
        Map<String, Object> copy = new LinkedHashMap<>(items.get(index));
        copy.computeIfPresent("id", (_, id) -> id + "-2");
        items.add(index + 1, copy);
        return withItems(list, items);
    }

    /// The draft without one item.
    public TemplateDraft minusItem(String list, int index) {
        List<Map<String, Object>> items = new ArrayList<>(items(list));
        items.remove(index);
        return withItems(list, items);
    }

    private TemplateDraft withItems(String list, List<Map<String, Object>> items) {
        SequencedMap<String, Object> fields = new LinkedHashMap<>(written);
        if (items.isEmpty()) fields.remove(list);
        else fields.put(list, List.copyOf(items));
        return of(fields);
    }

    /// A value as a field shows it: text as it is, unless it could be read as something else; all
    /// else as JSON on one line.
    public static String shown(TemplateForm.Field field, Object value) {
        if (value == null) return "";
        if (field.kind() == TemplateForm.Kind.TRUTH && value instanceof Boolean truth)
            return truth ? "yes" : "no";
        boolean plain = field.kind() != TemplateForm.Kind.EITHER || !isJson(value);
        return value instanceof String text && plain
                ? text
                : JsonText.of(List.of(value))
                        .strip()
                        .replaceAll("\\s*\\n\\s*", " ")
                        .replaceAll("^\\[\\s*|\\s*]$", "");
    }

    private static boolean isJson(Object value) {
        try {
            Json.parse(value.toString(), "");
            return true;
        } catch (FileTrouble none) {
            return false;
        }
    }

    /// What was typed into a field, as a plain value; empty where it cannot be one.
    public static Optional<Object> read(TemplateForm.Field field, String typed) {
        String words = typed.strip();
        if (words.isEmpty()) return Optional.of("");
        try {
            return switch (field.kind()) {
                case TEXT, WORD -> Optional.of(words);
                case NUMBER -> Optional.of(new BigDecimal(words.replace(',', '.')));
                case TRUTH -> Optional.of(words.equals("yes"));
                case PARTS -> Optional.of(Json.parse(words, field.name()).plain());
                case EITHER ->
                        Optional.of(
                                isJson(words) ? Json.parse(words, field.name()).plain() : words);
            };
        } catch (NumberFormatException | FileTrouble noValue) {
            return Optional.empty();
        }
    }

    /// The template with what it was written as.
    ///
    /// @throws IllegalStateException where it does not hold together
    public OwnTemplate own() {
        return kept.map(own -> new OwnTemplate(own.template(), new Extras(written)))
                .orElseThrow(() -> new IllegalStateException(trouble));
    }
}
