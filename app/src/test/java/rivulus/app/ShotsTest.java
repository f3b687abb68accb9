package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ShotsTest {
    @TempDir Path folder;

    @Test
    void everyMainViewIsPicturedAt1280By800WithoutADisplay() throws Exception {
        String toolkit = jars(true);
        String rest = jars(false);
        List<String> command =
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
                        folder.toString());
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        try (Stream<Path> files = Files.list(folder)) {
            List<File> pictures = files.map(Path::toFile).toList();
            assertThat(pictures).hasSizeGreaterThanOrEqualTo(8);
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
