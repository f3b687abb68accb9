package rivulus.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class PatchTest {
    private static Object plain(String json) throws FileTrouble {
        return Json.parse(json.replace('\'', '"'), "a").plain();
    }

    private static Object random(Random random, int depth) {
        int kind = depth == 0 ? random.nextInt(3) : random.nextInt(5);
        return switch (kind) {
            case 0 -> "abc/~".substring(random.nextInt(5));
            case 1 -> random.nextInt(3);
            case 2 -> null;
            case 3 -> {
                List<Object> list = new ArrayList<>();
                for (int i = random.nextInt(5); i > 0; i--) list.add(random(random, depth - 1));
                yield list;
            }
            default -> {
                Map<String, Object> map = new LinkedHashMap<>();
                for (int i = random.nextInt(5); i > 0; i--)
                    map.put("ab/~".substring(random.nextInt(4)), random(random, depth - 1));
                yield map;
            }
        };
    }

    /// The order of fields, too: printed they are the same.
    @Property(tries = 2000)
    void whatWasPatchedIsWhatItWasToBe(@ForAll long seed) {
        Random random = new Random(seed);
        Object before = random(random, 4);
        Object after = random.nextBoolean() ? random(random, 4) : Arrays.asList(before, before);
        Object back = Patch.applied(before, Patch.between(before, after));
        assertThat(back).isEqualTo(after);
        assertThat(JsonText.of(back)).isEqualTo(JsonText.of(after));
        assertThat(Patch.between(before, before)).isEmpty();
    }

    @Test
    void aPatchIsAsSmallAsWhatChanged() throws Exception {
        Object before = plain("{'a': [{'id': 1}, {'id': 2, 'k': {'x': 1}}, {'id': 3}], 'b': 1}");
        assertThat(
                        Patch.between(
                                before,
                                plain(
                                        "{'a': [{'id': 0}, {'id': 1}, {'id': 2, 'k': {'x': 1}},"
                                                + " {'id': 3}], 'b': 1}")))
                .hasToString("[{op=add, path=/a/0, value={id=0}}]");
        assertThat(
                        Patch.between(
                                before,
                                plain("{'a': [{'id': 1}, {'id': 2, 'k': {'x': 7}}, {'id': 3}]}")))
                .hasToString("[{op=remove, path=/b}, {op=replace, path=/a/1/k/x, value=7}]");
    }

    @Test
    void whatDoesNotFitIsSaid() throws Exception {
        Object document = plain("{'a': [1]}");
        for (String patch :
                List.of(
                        "[{'op': 'remove', 'path': '/b'}]",
                        "[{'op': 'add', 'path': '/a/2', 'value': 1}]",
                        "[{'op': 'replace', 'path': '/a/x', 'value': 1}]",
                        "[{'op': 'replace', 'path': '/a/0/b', 'value': 1}]",
                        "[{'op': 'remove', 'path': ''}]",
                        "[7]",
                        "[{'op': 3}]"))
            assertThatThrownBy(() -> Patch.applied(document, (List<?>) plain(patch)))
                    .as(patch)
                    .isInstanceOf(IllegalArgumentException.class);
    }
}
