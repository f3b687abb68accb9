package rivulus.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;

/// `./rivulus` from a copy of this project that was never built: by a link, without a locale, in a
/// folder with an umlaut, twice at once. Builds everything, so it runs outside CI only (`-Pimage`,
/// docs/testing.md).
@EnabledIfSystemProperty(named = "rivulus.image", matches = "true")
class LauncherTest {
    private static final List<String> LEFT = List.of("target", ".git");

    @TempDir Path folder;

    private Path home;

    @BeforeEach
    void aCopy() throws IOException {
        home = folder.resolve("Käse und Brot");
        Path from = Path.of("..").toRealPath();
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : (Iterable<Path>) files::iterator) {
                Path at = from.relativize(file);
                boolean left = false;
                for (Path part : at) left |= LEFT.contains(part.toString());
                if (left || Files.isDirectory(file)) continue;
                Path to = home.resolve(at.toString());
                Files.createDirectories(to.getParent());
                Files.copy(file, to);
            }
        }
        home.resolve("rivulus").toFile().setExecutable(true);
    }

    private Process check(Path launcher, Path told) throws IOException {
        ProcessBuilder check =
                new ProcessBuilder(
                        launcher.toString(),
                        "check",
                        home.resolve("shows/first-call.rivulus").toString());
        for (String name : List.of("LANG", "LC_ALL", "LC_CTYPE")) check.environment().remove(name);
        return check.directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(told.toFile())
                .start();
    }

    @Test
    void itRunsByALinkWithoutALocaleAndTwiceAtOnce() throws Exception {
        Path link =
                Files.createSymbolicLink(folder.resolve("rivulus-link"), home.resolve("rivulus"));
        List<Path> told = List.of(folder.resolve("a"), folder.resolve("b"));
        List<Process> both = new ArrayList<>();
        for (Path one : told) both.add(check(link, one));
        for (Process one : both) assertThat(one.waitFor(10, TimeUnit.MINUTES)).isTrue();
        for (int i = 0; i < both.size(); i++) {
            assertThat(told.get(i)).content().contains("mix-minus");
            assertThat(both.get(i).exitValue()).as("there is a problem in it").isEqualTo(1);
        }
        assertThat(Files.exists(folder.resolve("target"))).as("built beside the link").isFalse();
        assertThat(home.resolve("target/busy")).doesNotExist();
    }
}
