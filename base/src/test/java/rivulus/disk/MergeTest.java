package rivulus.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

/// Two changes of one document.
class MergeTest {
    private static Object plain(String json) throws FileTrouble {
        return Json.parse(json.replace('\'', '"'), "a").plain();
    }

    private static void assertMerged(String base, String mine, String theirs, String merged)
            throws Exception {
        assertThat(Merge.of(plain(base), plain(mine), plain(theirs))).isEqualTo(plain(merged));
    }

    @Test
    void changesOfDifferentFieldsAreBothThere() throws Exception {
        assertMerged(
                "{'a': 1, 'b': 1}", "{'a': 2, 'b': 1}", "{'a': 1, 'b': 3}", "{'a': 2, 'b': 3}");
        assertMerged("{'a': 1}", "{}", "{'a': 1, 'c': 4}", "{'c': 4}");
        assertMerged("{'a': {}}", "{'a': {'x': 1}}", "{'a': {'y': 2}}", "{'a': {'y': 2, 'x': 1}}");
    }

    @Test
    void ofTwoChangesOfOneValueMineHolds() throws Exception {
        assertMerged("{'a': 1}", "{'a': 2}", "{'a': 3}", "{'a': 2}");
        assertMerged("[1, 2]", "[1]", "[1, 2, 3]", "[1]");
    }

    @Test
    void itemsAreTakenByTheirNames() throws Exception {
        assertMerged(
                "[{'id': 'a'}, {'id': 'b', 'n': 1}, {'id': 'c'}]",
                "[{'id': 'a'}, {'id': 'x'}, {'id': 'b', 'n': 2}]",
                "[{'id': 'b', 'n': 1, 'm': 9}, {'id': 'a'}, {'id': 'c'}, {'id': 'd'}]",
                "[{'id': 'b', 'n': 2, 'm': 9}, {'id': 'a'}, {'id': 'x'}, {'id': 'd'}]");
        assertMerged(
                "{'l': [{'from': 'a', 'to': 'b', 'm': 1}]}",
                "{'l': [{'from': 'a', 'to': 'b', 'm': 2}]}",
                "{'l': [{'from': 'a', 'to': 'c', 'm': 1}, {'from': 'a', 'to': 'b', 'm': 1}]}",
                "{'l': [{'from': 'a', 'to': 'c', 'm': 1}, {'from': 'a', 'to': 'b', 'm': 2}]}");
        assertMerged(
                "{}",
                "{'l': [{'id': 'a'}]}",
                "{'l': [{'id': 'b'}]}",
                "{'l': [{'id': 'b'}, {'id': 'a'}]}");
    }

    @Test
    void aChangeOfWhatHasGoneDoesNotFit() {
        assertThatThrownBy(
                        () ->
                                assertMerged(
                                        "[{'id': 'a', 'n': 1}]", "[{'id': 'a', 'n': 2}]", "[]", ""))
                .isInstanceOf(Merge.Conflict.class)
                .hasMessageContaining("a");
    }

    @Test
    void differencesAreToldFromTheOutsideIn() throws Exception {
        List<Merge.Difference> all =
                Merge.between(
                        plain("{'t': 1, 'l': [{'id': 'a', 'name': 'Ada', 'n': 1}, {'id': 'b'}]}"),
                        plain("{'t': 1, 'l': [{'id': 'c'}, {'id': 'a', 'name': 'Ada', 'n': 2}]}"));
        assertThat(all)
                .extracting(d -> String.join("/", d.path()))
                .containsExactly("l/Ada/n", "l/b", "l/c");
        assertThat(all.get(1).after()).isEmpty();
        assertThat(all.get(2).before()).isEmpty();
        assertThat(
                        Merge.between(
                                plain("[{'id': 'a'}, {'id': 'b'}]"),
                                plain("[{'id': 'b'}, {'id': 'a'}]")))
                .as("another order")
                .hasSize(1);
    }
}
