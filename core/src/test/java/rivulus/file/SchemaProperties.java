package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonText;
import rivulus.gear.Catalogue;

/// The published schema and the reader say the same: what the reader takes holds to the schema, and
/// what the reader refuses for its shape, its type or its range the schema refuses too.
class SchemaProperties {
    private static final Catalogue CATALOGUE = Templates.shipped();
    private static final List<Json> SHOWS = all("../shows");
    private static final List<Json> KINDS = all("src/main/resources/rivulus/templates");
    private static final Schema SHOW = schema("show");
    private static final Schema KIND = schema("template");

    /// Values that are nearly right somewhere.
    private static final List<Object> STRANGE =
            List.of(
                    "",
                    " ",
                    "x",
                    "no/where/at all",
                    "desk/mic1.fader",
                    "default",
                    "off",
                    "she",
                    0,
                    1,
                    -1,
                    0.3,
                    2.5,
                    64,
                    65,
                    -200,
                    1e6,
                    1e12,
                    true,
                    false,
                    List.of(),
                    Map.of());

    /// What the reader says of shapes, types and ranges.
    private static final List<String> OF_THE_SHAPE =
            List.of(
                    " was expected, not",
                    "is out of range",
                    "is missing here",
                    "name at least one",
                    "cannot be an id",
                    "there is no field",
                    "there is no kind of gear",
                    "there is no kind of signal",
                    "there is no role",
                    "there is no limit");

    private static List<Json> all(String folder) {
        try (Stream<Path> files = Files.list(Path.of(folder))) {
            List<Json> all = new ArrayList<>();
            for (Path file : files.filter(f -> !f.endsWith("index.txt")).sorted().toList())
                all.add(Json.parse(Files.readString(file), "seed"));
            return all;
        } catch (IOException | FileTrouble missing) {
            throw new IllegalStateException(missing);
        }
    }

    private static Schema schema(String name) {
        try {
            String template = Files.readString(Path.of("../docs/template.schema.json"));
            return SchemaRegistry.withDefaultDialect(
                            SpecificationVersion.DRAFT_2020_12,
                            builder -> builder.schemas(Map.of("rivulus:template", template)))
                    .getSchema(Files.readString(Path.of("../docs/" + name + ".schema.json")));
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    @Property(tries = 1500)
    void aShowThatIsTakenHoldsToTheSchemaAndOneThatIsBadlyShapedDoesNot(@ForAll long seed) {
        agree(seed, SHOWS, SHOW, text -> ShowFile.parse(text, "the show", CATALOGUE));
    }

    @Property(tries = 1500)
    void aKindOfGearThatIsTakenHoldsToTheSchemaAndOneThatIsBadlyShapedDoesNot(@ForAll long seed) {
        agree(seed, KINDS, KIND, text -> Templates.parse(text, "the kind"));
    }

    private interface Reader {
        void read(String text) throws FileTrouble;
    }

    private static void agree(long seed, List<Json> seeds, Schema schema, Reader reader) {
        Random random = new Random(seed);
        String text = JsonText.of(changed(any(random, seeds).plain(), random));
        if (text.contains("\"rivulus\": 0")) return; // an older version; it is brought up to date
        String refused = "";
        try {
            reader.read(text);
        } catch (FileTrouble trouble) {
            refused = trouble.getMessage();
        }
        boolean holds = schema.validate(text, InputFormat.JSON).isEmpty();
        if (refused.isEmpty())
            assertThat(schema.validate(text, InputFormat.JSON)).as("taken by the reader").isEmpty();
        else if (isOfTheShape(refused))
            assertThat(holds).as("refused by the reader alone: " + refused).isFalse();
    }

    /// How a knob stands hangs on the kind of gear, a channel on how many there are, the id of an
    /// item that is written many times on the list it is written for, and the orders of processors
    /// on the choice that picks one; no schema knows that.
    private static boolean isOfTheShape(String refused) {
        if (refused.contains(".knobs.")
                || refused.contains(".map[")
                || refused.contains(".orders (")
                || refused.contains("mutes[")
                || refused.contains("\"to\"")
                || refused.contains("{")) return false;
        return OF_THE_SHAPE.stream().anyMatch(refused::contains);
    }

    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    /// A document with one value, somewhere, that is another, gone, or under another name.
    private static Object changed(Object tree, Random random) {
        int[] left = {random.nextInt(count(tree))};
        return changed(tree, left, random);
    }

    private static int count(Object tree) {
        int count = 1;
        if (tree instanceof Map<?, ?> map) for (Object value : map.values()) count += count(value);
        if (tree instanceof List<?> list) for (Object item : list) count += count(item);
        return count;
    }

    private static Object changed(Object tree, int[] left, Random random) {
        if (left[0]-- == 0) return any(random, STRANGE);
        if (tree instanceof Map<?, ?> map) {
            Map<String, Object> copy = new LinkedHashMap<>();
            for (var field : map.entrySet()) {
                boolean here = left[0] == 0;
                Object value = changed(field.getValue(), left, random);
                String name = (String) field.getKey();
                int how = here ? random.nextInt(6) : -1;
                if (how == 0) continue;
                copy.put(how == 1 ? name + "x" : name, how == 1 ? field.getValue() : value);
            }
            return copy;
        }
        if (tree instanceof List<?> list) {
            List<Object> copy = new ArrayList<>();
            for (Object item : list) copy.add(changed(item, left, random));
            return copy;
        }
        return tree;
    }
}
