package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

class JournalTest {
    private final Catalogue catalogue = Templates.shipped();
    private final Show show = DemoShows.open("first-call", catalogue);

    @TempDir Path folder;

    @Test
    void aJournalThatIsInUseIsNotOfferedAndACleanEndLeavesNothing() throws Exception {
        try (Journal journal = Journal.in(folder)) {
            journal.keep(show, Optional.empty());
            assertThat(Journal.leftIn(folder, catalogue)).isEmpty();
        }
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).isEmpty();
        }
    }

    /// A program that writes its journal over and over is killed at moments nobody chose; each time
    /// what it left is whole.
    @Test
    void aKillAtAnyMomentLeavesAWholeShow() throws Exception {
        for (int kill = 0; kill < 6; kill++) {
            Process process =
                    new ProcessBuilder(
                                    Path.of(System.getProperty("java.home"), "bin", "java")
                                            .toString(),
                                    "-cp",
                                    System.getProperty("java.class.path"),
                                    Writer.class.getName(),
                                    folder.toString())
                            .redirectErrorStream(true)
                            .start();
            String first = process.inputReader().readLine();
            assertThat(first).isEqualTo("writing");
            process.waitFor(15L + 23L * kill, TimeUnit.MILLISECONDS);
            process.destroyForcibly().waitFor();
            assertThat(Journal.leftIn(folder, catalogue))
                    .singleElement()
                    .satisfies(
                            left -> {
                                assertThat(left.show().title()).startsWith("Edit ");
                                assertThat(left.file()).contains(Path.of("/shows/a.rivulus"));
                                left.discard();
                            });
        }
    }

    /// The program that is killed.
    static final class Writer {
        private Writer() {}

        public static void main(String[] args) throws FileTrouble {
            Show show = DemoShows.open("lantern-hour", Templates.shipped());
            Journal journal = Journal.in(Path.of(args[0]));
            for (int edit = 0; ; edit++) {
                journal.keep(show.titled("Edit " + edit), Optional.of(Path.of("/shows/a.rivulus")));
                if (edit == 0) System.out.println("writing");
            }
        }
    }

    @Test
    void aDamagedJournalIsPassedOverAndStays() throws IOException {
        Path damaged = folder.resolve("x.journal");
        Files.writeString(damaged, "{\"journal\": 1, \"show\": \"{");
        assertThat(Journal.leftIn(folder, catalogue)).isEmpty();
        assertThat(damaged).exists();
        assertThat(Journal.leftIn(folder.resolve("nowhere"), catalogue)).isEmpty();
    }
}
