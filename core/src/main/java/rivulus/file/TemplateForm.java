package rivulus.file;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;

/// What may stand in a template, as a form: sections of items, each with its fields. Made of the
/// JSON Schema of the template language, so that the two cannot part.
///
/// @param top the fields of the template itself
/// @param sections the lists of a template, by the name of the field, with the fields of their
///     items
public record TemplateForm(List<Field> top, SequencedMap<String, List<Field>> sections) {
    private static final String SCHEMA = "/rivulus/schemas/template.schema.json";
    private static final String REF = "#/$defs/";

    /// How a field is filled in.
    public enum Kind {
        /// A line of text.
        TEXT,
        /// A number.
        NUMBER,
        /// Yes or no.
        TRUTH,
        /// One of several words.
        WORD,
        /// Something with parts, written as JSON.
        PARTS,
        /// A text, or something with parts.
        EITHER
    }

    /// One field.
    ///
    /// @param words what may be chosen, where something is chosen
    /// @param about what it is for; may be empty
    public record Field(
            String name, Kind kind, boolean required, List<String> words, String about) {
        public Field {
            words = List.copyOf(words);
        }

        /// The name as people read it.
        public String label() {
            return TemplateForm.label(name);
        }
    }

    private static final Map<String, String> UNITS =
            Map.ofEntries(
                    Map.entry("Db", "dB"),
                    Map.entry("Dbu", "dBu"),
                    Map.entry("Ms", "ms"),
                    Map.entry("Hz", "Hz"),
                    Map.entry("Ma", "mA"),
                    Map.entry("Wh", "Wh"),
                    Map.entry("Watts", "W"),
                    Map.entry("M", "m"),
                    Map.entry("C", "°C"));

    /// A name of the language as people read it: `soloOn` is "solo on", `minDb` is "min, dB".
    public static String label(String name) {
        String[] words = name.split("(?=[A-Z])");
        String unit = UNITS.get(words[words.length - 1]);
        if (unit != null) words = Arrays.copyOf(words, words.length - 1);
        return String.join(" ", words).toLowerCase(Locale.ROOT) + (unit == null ? "" : ", " + unit);
    }

    /// The form of the present language.
    public static TemplateForm shipped() {
        try {
            return new Schema(Entry.root(SCHEMA, Json.parse(Templates.resource(SCHEMA), SCHEMA)))
                    .form();
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// The fields of the items of a section.
    public List<Field> fields(String section) {
        return sections.getOrDefault(section, List.of());
    }

    /// Reads the schema.
    private record Schema(Entry root) {
        TemplateForm form() throws FileTrouble {
            List<Field> top = new ArrayList<>();
            SequencedMap<String, List<Field>> sections = new LinkedHashMap<>();
            Set<String> required = required(root);
            for (var property : root.field("properties").each().entrySet()) {
                if (property.getKey().startsWith("$")) continue;
                Optional<Entry> items = property.getValue().maybe("items");
                Optional<Entry> item = items.isPresent() ? referred(items.get()) : Optional.empty();
                if (item.isPresent() && item.get().maybe("properties").isPresent())
                    sections.put(property.getKey(), fields(item.get()));
                else top.add(field(property.getKey(), property.getValue(), required));
            }
            return new TemplateForm(top, sections);
        }

        private Optional<Entry> referred(Entry entry) throws FileTrouble {
            Optional<Entry> ref = entry.maybe("$ref");
            if (ref.isEmpty()) return Optional.empty();
            return Optional.of(root.field("$defs").field(ref.get().text().substring(REF.length())));
        }

        private List<Field> fields(Entry object) throws FileTrouble {
            Set<String> required = required(object);
            List<Field> fields = new ArrayList<>();
            for (var property : object.field("properties").each().entrySet())
                fields.add(field(property.getKey(), property.getValue(), required));
            return fields;
        }

        private static Set<String> required(Entry object) throws FileTrouble {
            return new LinkedHashSet<>(object.texts("required"));
        }

        private Field field(String name, Entry said, Set<String> required) throws FileTrouble {
            Entry meant = referred(said).orElse(said);
            String about = said.text("description", meant.text("description", ""));
            List<String> words =
                    name.equals("connector")
                            ? List.copyOf(Templates.leads().connectors().keySet())
                            : meant.texts("enum");
            Kind kind = words.isEmpty() ? kind(meant) : Kind.WORD;
            return new Field(name, kind, required.contains(name), words, about);
        }

        private static boolean isEither(List<Entry> ways) throws FileTrouble {
            for (Entry way : ways) if (way.text("type", "").equals("string")) return true;
            return false;
        }

        private static Kind kind(Entry meant) throws FileTrouble {
            Optional<Entry> type = meant.maybe("type");
            if (type.isEmpty()) return isEither(meant.items("oneOf")) ? Kind.EITHER : Kind.PARTS;
            if (!type.get().isText()) return Kind.EITHER;
            return switch (type.get().text()) {
                case "string" -> Kind.TEXT;
                case "number", "integer" -> Kind.NUMBER;
                case "boolean" -> Kind.TRUTH;
                default -> Kind.PARTS;
            };
        }
    }
}
