package rivulus.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;

/// The program as an image of its own, without Java or Maven: made, started, and pictured. Takes
/// half a minute and the whole toolkit, so it runs outside CI only (`-Pimage`, docs/testing.md).
@EnabledIfSystemProperty(named = "rivulus.image", matches = "true")
class ImageTest {
    @TempDir Path folder;

    @Test
    void anImageIsMadeAndShowsTheDemoShow() throws Exception {
        run(new ProcessBuilder("../rivulus", "image", folder.toString()));
        ProcessBuilder shots =
                new ProcessBuilder(
                        folder.resolve("Rivulus/bin/Rivulus").toString(),
                        "shots",
                        folder.resolve("shots").toString(),
                        "mixes-echo");
        shots.environment().remove("JAVA_HOME");
        shots.environment().put("JAVA_TOOL_OPTIONS", "-Dglass.platform=Headless -Dprism.order=sw");
        run(shots);
        BufferedImage picture = ImageIO.read(folder.resolve("shots/mixes-echo.png").toFile());
        assertThat(picture.getWidth()).isEqualTo(1280);
        assertThat(picture.getHeight()).isEqualTo(800);
        Set<Integer> colours = new HashSet<>();
        for (int x = 0; x < 1280; x += 3)
            for (int y = 0; y < 800; y += 3) colours.add(picture.getRGB(x, y));
        assertThat(colours).as("a window full of things").hasSizeGreaterThan(200);
    }

    private static void run(ProcessBuilder program) throws IOException, InterruptedException {
        Process running = program.inheritIO().start();
        assertThat(running.waitFor(5, TimeUnit.MINUTES)).isTrue();
        assertThat(running.exitValue()).isZero();
    }
}
