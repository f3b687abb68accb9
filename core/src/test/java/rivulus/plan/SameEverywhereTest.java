package rivulus.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.file.DemoShows;

/// Whoever asks twice, on any machine, however loaded, is told the same: findings, cures, their
/// order, words, plans, and the steps that each took.
class SameEverywhereTest {
    private static final boolean NIGHT = Boolean.getBoolean("rivulus.night");
    private static final int BUSY = NIGHT ? 8 : 2;

    /// All at night; in an ordinary run some that are soon done.
    private static List<String> shows() {
        return NIGHT
                ? List.copyOf(DemoShows.all().keySet())
                : List.of("language-cafe", "round-table", "choir-night");
    }

    /// The other process compiles as little as may be, so that it is several times slower, and
    /// gives every object the same hash, so that nothing may rest on where an object lies.
    @Test
    void aSlowProcessAndALoadedOneAnswerTheSame(@TempDir Path folder) throws Exception {
        Path answers = folder.resolve("answers");
        List<String> command =
                new ArrayList<>(
                        List.of(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-XX:TieredStopAtLevel=1",
                                "-XX:+UnlockExperimentalVMOptions",
                                "-XX:hashCode=2",
                                "-Drivulus.night=" + NIGHT,
                                "-cp",
                                System.getProperty("java.class.path"),
                                Answers.class.getName(),
                                answers.toString()));
        command.addAll(shows());
        Process slow = new ProcessBuilder(command).inheritIO().start();
        AtomicBoolean working = new AtomicBoolean(true);
        List<String> here;
        try {
            for (int i = 0; i < BUSY; i++)
                Thread.ofPlatform()
                        .daemon()
                        .start(
                                () -> {
                                    while (working.get()) Thread.onSpinWait();
                                });
            here = Answers.of(shows());
        } finally {
            working.set(false);
        }
        assertThat(slow.waitFor()).isZero();
        assertThat(Files.readAllLines(answers)).isEqualTo(here);
    }
}
