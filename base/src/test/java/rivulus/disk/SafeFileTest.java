package rivulus.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Files replaced whole, whoever else is at them.
class SafeFileTest {
    private static final int SAVES = 60;

    @TempDir Path folder;

    @Test
    void twoSaversAtOnceNeverTearAFileAndNeitherFails() throws Exception {
        Path file = folder.resolve("a.rivulus");
        List<String> texts = List.of("a".repeat(40_000), "b".repeat(50_000));
        SafeFile.replace(file, texts.getFirst());
        CountDownLatch start = new CountDownLatch(1);
        try (ExecutorService both = Executors.newFixedThreadPool(2)) {
            List<Future<?>> saving =
                    texts.stream()
                            .<Future<?>>map(t -> both.submit(() -> save(file, t, start)))
                            .toList();
            start.countDown();
            while (!saving.stream().allMatch(Future::isDone))
                assertThat(SafeFile.read(file).text()).isIn(texts);
            for (Future<?> one : saving) one.get();
        }
        assertThat(beside()).containsExactly("a.rivulus");
    }

    private static Void save(Path file, String text, CountDownLatch start) throws Exception {
        start.await();
        for (int i = 0; i < SAVES; i++) SafeFile.replace(file, text);
        return null;
    }

    private List<String> beside() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void aLinkLaidWhereANameWasFixedLeadsNowhere() throws Exception {
        Path file = folder.resolve("a.rivulus");
        Path precious = folder.resolve("precious");
        Files.writeString(precious, "gold");
        Files.createSymbolicLink(folder.resolve(".a.rivulus.saving"), precious);
        SafeFile.replace(file, "new");
        assertThat(precious).hasContent("gold");
        assertThat(file).hasContent("new").isRegularFile();
        assertThat(Files.isSymbolicLink(file)).isFalse();
    }

    @Test
    void linksAreFollowedToTheRealFileAlsoWhereItIsNotThereYet() throws Exception {
        Path real = folder.resolve("real.rivulus");
        Path link = folder.resolve("link.rivulus");
        Files.createSymbolicLink(link, real.getFileName());
        SafeFile.replace(link, "one");
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(real).hasContent("one");
        SafeFile.replace(link, "two");
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(real).hasContent("two");
        Path ring = folder.resolve("ring");
        Files.createSymbolicLink(ring, ring.getFileName());
        assertThatThrownBy(() -> SafeFile.replace(ring, "x"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("leads back to itself");
    }

    @Test
    void permissionsStayAsTheyAre() throws Exception {
        Path file = folder.resolve("mine.rivulus");
        for (String marks : List.of("rw-------", "rw-rw-r--")) {
            Files.deleteIfExists(file);
            Files.writeString(file, "old");
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString(marks));
            SafeFile.replace(file, "new");
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                    .isEqualTo(marks);
        }
    }

    @Test
    void whatSomebodyElseChangedIsLeftAlone() throws Exception {
        Path file = folder.resolve("a.rivulus");
        Optional<Fingerprint> mine = Optional.of(SafeFile.replace(file, "mine"));
        byte[] newer = "newer".getBytes(StandardCharsets.UTF_8);
        Files.writeString(file, "theirs");
        assertThat(SafeFile.replace(file, newer, mine)).isFalse();
        assertThat(file).hasContent("theirs");
        assertThat(beside()).containsExactly("a.rivulus");
        Files.writeString(file, "mine");
        assertThat(SafeFile.replace(file, newer, mine)).isTrue();
        Files.delete(file);
        assertThat(SafeFile.replace(file, newer, mine)).as("it has gone").isTrue();
        assertThat(file).hasContent("newer");
    }

    @Test
    void pipesDevicesAndFoldersAreNeitherReadNorReplaced() throws Exception {
        Path pipe = folder.resolve("pipe");
        boolean made = new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor() == 0;
        List<Path> odd =
                made ? List.of(pipe, Path.of("/dev/zero"), folder) : List.of(folder, Path.of("/"));
        for (Path path : odd) {
            assertThatThrownBy(() -> SafeFile.read(path)).isInstanceOf(FileTrouble.class);
            assertThatThrownBy(() -> SafeFile.replace(path, "x")).isInstanceOf(FileTrouble.class);
        }
        assertThat(Path.of("/dev/zero")).exists();
    }

    @Test
    void aNameAsLongAsADiskTakesIsSavedToo() throws Exception {
        Path file = folder.resolve("n".repeat(250));
        SafeFile.replace(file, "x");
        assertThat(file).hasContent("x");
    }

    @Test
    void whatAKilledSaverLeftIsSweptAwayOnceItIsOld() throws Exception {
        Path old = folder.resolve(".rivulus-0123456789abcdef.saving");
        Path young = folder.resolve(".rivulus-fedcba9876543210.saving");
        for (Path stray : List.of(old, young)) Files.writeString(stray, "half");
        Files.setLastModifiedTime(old, FileTime.from(Instant.now().minus(Duration.ofHours(2))));
        SafeFile.replace(folder.resolve("a"), "x");
        assertThat(old).doesNotExist();
        assertThat(young).as("somebody may be at it").exists();
    }

    @Test
    void troublesAreOneLineOfBoundedLengthAndKnowTheirPlace() {
        String odd =
                IntStream.range(0, 3_000).mapToObj(i -> "50%off\n\u001b[31m").toList().toString();
        FileTrouble trouble =
                FileTrouble.at(
                        new FileTrouble.Place("a.rivulus", "rig.devices[2]", new Json.Spot(3, 7)),
                        odd);
        assertThat(trouble)
                .hasMessageStartingWith("a.rivulus: rig.devices[2] (line 3, column 7): ");
        assertThat(trouble.getMessage()).hasSizeLessThan(700).doesNotContain("\n", "\u001b");
        assertThat(trouble.getMessage()).contains("50%off [31m");
        assertThat(trouble.place().orElseThrow().spot().line()).isEqualTo(3);
    }
}
