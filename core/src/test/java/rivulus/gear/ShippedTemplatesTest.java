package rivulus.gear;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.file.Templates;

class ShippedTemplatesTest {
    private static final Path FOLDER = Path.of("src/main/resources/rivulus/templates");

    static List<Path> files() throws IOException {
        try (Stream<Path> files = Files.list(FOLDER)) {
            return files.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
    }

    @Test
    void everyFileInTheFolderShipsUnderItsOwnName() throws IOException {
        List<String> names =
                files().stream().map(f -> f.getFileName().toString().replace(".json", "")).toList();
        assertThat(Templates.shipped().templates().keySet())
                .containsExactlyInAnyOrderElementsOf(names);
    }

    @ParameterizedTest
    @MethodSource("files")
    void aTemplateHoldsToTheSchema(Path file) throws IOException {
        SchemaRegistry registry =
                SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
        Schema schema =
                registry.getSchema(Files.readString(Path.of("../docs/template.schema.json")));
        assertThat(schema.validate(Files.readString(file), InputFormat.JSON)).isEmpty();
    }

    @Test
    void whatTheShowsOfTheDemoWorldNeedIsThere() {
        assertThat(Templates.shipped().templates().keySet())
                .contains(
                        "show-desk",
                        "recording-mixer",
                        "dynamic-mic",
                        "condenser-mic",
                        "usb-mic",
                        "headphones",
                        "earbud-link",
                        "loudspeaker-pair",
                        "assistive-feed",
                        "laptop",
                        "virtual-cable",
                        "call-program",
                        "call-service",
                        "phone",
                        "streaming-program",
                        "track-recorder",
                        "player",
                        "isolator",
                        "room-soft",
                        "room-hard",
                        "person");
    }

    @Test
    void aMixMinusLeavesOutItsOwnReturnAndNothingElse() {
        Template desk = Templates.shipped().get("show-desk");
        List<String> strips =
                desk.routes().stream()
                        .filter(route -> route.to().equals("out.usb1chat"))
                        .filter(
                                route ->
                                        route.governors().stream()
                                                .anyMatch(
                                                        g ->
                                                                g.knob().equals("usb1chat.feed")
                                                                        && g.opens(
                                                                                new Setting.Choice(
                                                                                        "mix-minus"))))
                        .map(route -> route.from().replaceAll("strip\\.(.*)\\.(tap|post)", "$1"))
                        .distinct()
                        .toList();
        assertThat(strips)
                .containsExactlyInAnyOrder(
                        "mic1", "mic2", "mic3", "mic4", "phone", "pads", "usb1main", "usb2");
    }
}
