package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The program takes pictures of itself, in a process of its own: of the views on the way to the
/// bench, at night of every one. What the others show is driven by the tests of their stages.
class ShotsTest {
    private static final List<String> WANTED =
            Boolean.getBoolean("rivulus.night")
                    ? List.of()
                    : List.of("start", "mixes-echo", "say", "rig", "bench");

    @TempDir Path folder;

    @Test
    void mainViewsArePicturedAt1280By800WithoutADisplay() throws Exception {
        String toolkit = jars(true);
        String rest = jars(false);
        List<String> command = new ArrayList<>();
        command.addAll(
                List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Dglass.platform=Headless",
                        "-Dprism.order=sw",
                        "-Drivulus.shots.hurry=true",
                        "--enable-native-access=javafx.graphics",
                        "--sun-misc-unsafe-memory-access=allow",
                        "--module-path",
                        toolkit,
                        "--add-modules",
                        "javafx.controls",
                        "-cp",
                        rest,
                        Shots.class.getName(),
                        folder.toString()));
        command.addAll(WANTED);
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        try (Stream<Path> files = Files.list(folder)) {
            List<File> pictures = files.map(Path::toFile).toList();
            if (WANTED.isEmpty()) assertThat(pictures).hasSizeGreaterThanOrEqualTo(30);
            else assertThat(pictures).hasSameSizeAs(WANTED);
            for (File file : pictures) {
                BufferedImage picture = ImageIO.read(file);
                assertThat(picture.getWidth()).isEqualTo(1280);
                assertThat(picture.getHeight()).isEqualTo(800);
                assertThat(inks(picture)).as("%s shows something", file).isGreaterThan(20);
            }
        }
    }

    /// The toolkit's jars of this test's class path that hold code, or all the rest.
    private static String jars(boolean toolkit) {
        return Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(jar -> jar.contains("javafx-") == toolkit)
                .filter(jar -> !toolkit || jar.matches(".*javafx-[a-z]+-[0-9.]+-.*"))
                .collect(Collectors.joining(File.pathSeparator));
    }

    private static long inks(BufferedImage picture) {
        return IntStream.range(0, 1280 * 800)
                .map(i -> picture.getRGB(i % 1280, i / 1280))
                .distinct()
                .count();
    }
}
