package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.disk.FileTrouble;

class VersionsTest {
    @TempDir Path folder;

    @Test
    void theLastFewAreKeptNewestFirst() throws Exception {
        Versions versions = new Versions(folder.resolve("versions"));
        Path file = folder.resolve("a.rivulus");
        versions.keep(file);
        assertThat(versions.of(file)).as("nothing was there").isEmpty();
        for (int save = 1; save <= 14; save++) {
            Files.writeString(file, "save " + save);
            versions.keep(file);
            versions.keep(file);
        }
        assertThat(versions.of(file)).hasSize(Versions.MOST);
        assertThat(versions.of(file).getFirst().copy()).hasContent("save 14");
        assertThat(versions.of(file).getLast().copy()).hasContent("save 5");
        assertThat(versions.of(folder.resolve("b.rivulus"))).isEmpty();
        assertThat(versions.of(folder.resolve("x/../a.rivulus"))).hasSize(Versions.MOST);
        assertThat(
                        PosixFilePermissions.toString(
                                Files.getPosixFilePermissions(folder.resolve("versions"))))
                .isEqualTo("rwx------");
    }

    @Test
    void thatItCannotBeKeptIsSaid() throws Exception {
        Path file = Files.writeString(folder.resolve("a.rivulus"), "x");
        Path taken = Files.writeString(folder.resolve("versions"), "a file");
        assertThatThrownBy(() -> new Versions(taken).keep(file))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("the version before cannot be kept");
    }
}
