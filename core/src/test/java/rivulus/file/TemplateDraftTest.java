package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.disk.FileTrouble;
import rivulus.show.OwnTemplate;

/// Kinds of gear in the making, on the shelf and in the form.
class TemplateDraftTest {
    private static final TemplateForm FORM = TemplateForm.shipped();

    @TempDir Path folder;

    static Stream<String> everyKind() {
        return Templates.shipped().templates().keySet().stream();
    }

    private static TemplateDraft draft(String id) {
        return TemplateDraft.of(Templates.shipped(id).orElseThrow());
    }

    @ParameterizedTest
    @MethodSource("everyKind")
    void everyShippedKindIsSoundAsADraftAndComesBackFromItsText(String id) throws Exception {
        TemplateDraft draft = draft(id);
        assertThat(draft.trouble()).isEmpty();
        assertThat(draft.own().template()).isEqualTo(Templates.shipped().get(id));
        TemplateDraft again = TemplateDraft.ofText(draft.text());
        assertThat(again.written()).isEqualTo(draft.written());
        assertThat(again.own().template()).isEqualTo(draft.own().template());
    }

    @ParameterizedTest
    @MethodSource("everyKind")
    void theFormHasAFieldForEverythingThatIsWritten(String id) {
        TemplateDraft draft = draft(id);
        List<String> top = FORM.top().stream().map(TemplateForm.Field::name).toList();
        for (String name : draft.written().keySet()) {
            boolean list = FORM.sections().containsKey(name);
            assertThat(list || top.contains(name)).as(name).isTrue();
            if (!list) continue;
            List<String> fields = FORM.fields(name).stream().map(TemplateForm.Field::name).toList();
            for (Map<String, Object> item : draft.items(name))
                assertThat(fields).as("%s of %s", name, id).containsAll(item.keySet());
        }
    }

    @ParameterizedTest
    @MethodSource("everyKind")
    void whatAFieldShowsIsReadBackAsItWas(String id) {
        TemplateDraft draft = draft(id);
        for (String section : FORM.sections().keySet())
            for (Map<String, Object> item : draft.items(section))
                for (TemplateForm.Field field : FORM.fields(section)) {
                    Object value = item.get(field.name());
                    if (value == null) continue;
                    Optional<Object> read =
                            TemplateDraft.read(field, TemplateDraft.shown(field, value));
                    assertThat(read).as("%s %s", section, field.name()).isPresent();
                    assertThat(TemplateDraft.shown(field, read.get()))
                            .isEqualTo(TemplateDraft.shown(field, value));
                }
    }

    @Test
    void theFormKnowsWhatIsChosenWhatIsNumberedAndWhatMustBeThere() {
        TemplateForm.Field connector = field("ports", "connector");
        assertThat(connector.kind()).isEqualTo(TemplateForm.Kind.WORD);
        assertThat(connector.words()).contains("XLR", "3.5 mm 4-pole");
        assertThat(connector.required()).isTrue();
        assertThat(field("ports", "gives").kind()).isEqualTo(TemplateForm.Kind.NUMBER);
        assertThat(field("ports", "host").kind()).isEqualTo(TemplateForm.Kind.TRUTH);
        assertThat(field("routes", "knobs").kind()).isEqualTo(TemplateForm.Kind.PARTS);
        assertThat(field("knobs", "role").words()).contains("send", "permission");
        assertThat(field("ports", "plug").about()).contains("plug on a cord");
        assertThat(FORM.fields("nothing")).isEmpty();
    }

    @Test
    void everyFieldSaysWhatItIsFor() {
        List<TemplateForm.Field> all = new ArrayList<>(FORM.top());
        FORM.sections().values().forEach(all::addAll);
        assertThat(all).hasSizeGreaterThan(80);
        assertThat(all).extracting(TemplateForm.Field::about).doesNotContain("");
    }

    @Test
    void theFormIsReadInPlainWords() {
        assertThat(TemplateForm.label("soloOn")).isEqualTo("solo on");
        assertThat(field("ports", "label").label()).isEqualTo("label");
        assertThat(field("knobs", "minDb").label()).isEqualTo("min, dB");
        assertThat(field("ports", "drawsMa").label()).isEqualTo("draws, mA");
        TemplateForm.Field host = field("ports", "host");
        assertThat(TemplateDraft.shown(host, true)).isEqualTo("yes");
        assertThat(TemplateDraft.shown(host, false)).isEqualTo("no");
        assertThat(TemplateDraft.read(host, "yes")).contains(true);
        assertThat(TemplateDraft.read(host, "no")).contains(false);
    }

    private static TemplateForm.Field field(String section, String name) {
        return FORM.fields(section).stream()
                .filter(field -> field.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest(name = "{0} {1} = {2}: {3}")
    @CsvSource({
        "ports, gives, 2, true",
        "ports, gives, '2,5', true",
        "ports, gives, two, false",
        "routes, knobs, '[\"level\"]', true",
        "routes, knobs, '[level', false",
        "ports, label, MIC 1, true",
        "ports, host, yes, true"
    })
    void whatIsTypedIsReadOrNot(String section, String name, String typed, boolean reads) {
        assertThat(TemplateDraft.read(field(section, name), typed).isPresent()).isEqualTo(reads);
    }

    @Test
    void anEmptyFieldIsTakenOut() {
        TemplateDraft draft = draft("pocket-recorder").with("ports", 0, "label", "LINE");
        assertThat(draft.items("ports").getFirst()).containsEntry("label", "LINE");
        assertThat(draft.with("ports", 0, "label", "").items("ports").getFirst())
                .doesNotContainKey("label");
        assertThat(draft.with("about", "").written()).doesNotContainKey("about");
    }

    @Test
    void troubleNamesTheListAndTheItemItIsIn() {
        TemplateDraft broken = draft("show-desk").with("routes", 3, "from", "nowhere");
        assertThat(broken.kept()).isEmpty();
        assertThat(broken.section()).isEqualTo("routes");
        assertThat(broken.item()).isEqualTo(3);
        assertThat(broken.trouble()).contains("nowhere");
        assertThatThrownBy(broken::own).isInstanceOf(IllegalStateException.class);
        assertThat(broken.with("routes", 3, "from", "{p}.play").kept()).isPresent();
    }

    @Test
    void aPortWithSomethingImpossibleIsRefusedInWords() {
        TemplateDraft ohms = draft("pocket-recorder").with("ports", 0, "ohms", new BigDecimal(-5));
        assertThat(ohms.trouble()).contains("ohms");
        TemplateDraft hot =
                draft("pocket-recorder")
                        .with("ports", 0, "levelDbu", new BigDecimal(20))
                        .with("ports", 0, "mostDbu", new BigDecimal(-20));
        assertThat(hot.trouble()).isNotEmpty();
    }

    @Test
    void itemsAreAddedDoubledAndTakenOut() {
        TemplateDraft draft = TemplateDraft.fresh("stage-box", "Stage box");
        assertThat(draft.kept()).isPresent();
        TemplateDraft one = draft.plusItem("ports");
        assertThat(one.items("ports")).hasSize(1);
        assertThat(one.summary("ports", 0)).isEqualTo("new-1");
        assertThat(one.section()).isEqualTo("ports");
        TemplateDraft named =
                one.with("ports", 0, "connector", "XLR").with("ports", 0, "carries", "mic");
        TemplateDraft two = named.doubled("ports", 0);
        assertThat(two.items("ports"))
                .extracting(item -> item.get("id"))
                .containsExactly("new-1", "new-1-2");
        assertThat(two.kept()).isPresent();
        assertThat(two.minusItem("ports", 0).minusItem("ports", 0).written())
                .doesNotContainKey("ports");
        assertThat(draft.plusItem("routes").summary("routes", 0)).isEqualTo("new");
        assertThat(draft("show-desk").summary("routes", 0)).isEqualTo("{s}.in → strip.{s}.pre");
    }

    @Test
    void aCopyHasANameOfItsOwn() {
        TemplateDraft copy = draft("show-desk").copy("our-desk", "Our desk");
        assertThat(copy.own().template().id()).isEqualTo("our-desk");
        assertThat(copy.own().template().routes())
                .isEqualTo(Templates.shipped().get("show-desk").routes());
    }

    @ParameterizedTest
    @CsvSource({"'{'", "'[1, 2]'", "'3'", "''"})
    void textThatIsNoKindIsRefused(String text) {
        assertThatThrownBy(() -> TemplateDraft.ofText(text)).isInstanceOf(FileTrouble.class);
    }

    @Test
    void theLibraryKeepsOneFileForEachKindAndSaysWhatItCannotRead() throws Exception {
        Path shelf = folder.resolve("templates");
        assertThat(Library.in(shelf).kinds()).isEmpty();
        OwnTemplate own = draft("show-desk").copy("our-desk", "Our desk").own();
        Library library = Library.in(shelf).with(own);
        assertThat(library.kinds()).extracting(k -> k.template().id()).containsExactly("our-desk");
        Files.writeString(shelf.resolve("broken.json"), "{\"template\": 1}");
        Files.writeString(shelf.resolve("notes.txt"), "not a kind");
        Library again = Library.in(shelf);
        assertThat(again.kinds()).hasSize(1);
        assertThat(again.troubles()).singleElement().asString().startsWith("broken.json:");
        assertThat(again.without(own).kinds()).isEmpty();
        assertThat(shelf.resolve("broken.json")).exists();
    }

    @Test
    void aLibraryThatCannotBeWrittenSaysSo() throws Exception {
        Path file = Files.writeString(folder.resolve("in-the-way"), "");
        Library library = Library.in(file.resolve("templates"));
        OwnTemplate own = draft("pocket-recorder").own();
        assertThatThrownBy(() -> library.with(own))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("cannot be made");
    }

    @Test
    void aTemplateFileGoesOutAndComesBackTheSame() throws Exception {
        Path file = folder.resolve("desk.json");
        OwnTemplate desk = Templates.shipped("show-desk").orElseThrow();
        Templates.save(desk, file);
        assertThat(Templates.open(file)).isEqualTo(desk);
        assertThat(Templates.shipped("no-such-kind")).isEmpty();
        assertThat(Templates.isShipped("show-desk")).isTrue();
    }
}
