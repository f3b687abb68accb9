package rivulus.file;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.disk.SafeFile;

/// What show files held before they were saved over: of each the last few, so that one bad save is
/// not final. Kept apart from the files, for their owner's eyes only.
///
/// @param folder which need not be there yet
public record Versions(Path folder) {
    /// As many are kept of one file.
    public static final int MOST = 10;

    /// As many files are remembered.
    private static final int MOST_FILES = 200;

    private static final int NAME = 24;

    /// What a file held once.
    ///
    /// @param copy where that is kept
    /// @param kept when it was saved over
    public record Version(Path copy, Instant kept, long bytes) {}

    /// Keeps what a file holds now, unless nothing is there or just that was kept last.
    ///
    /// @throws FileTrouble where it cannot be kept
    public void keep(Path file) throws FileTrouble {
        if (!Files.isRegularFile(file)) return;
        byte[] bytes = SafeFile.bytes(file, SafeFile.LARGEST_BYTES);
        List<Version> before = of(file);
        if (!before.isEmpty()) {
            byte[] last = SafeFile.bytes(before.getFirst().copy(), SafeFile.LARGEST_BYTES);
            if (Fingerprint.of(last).equals(Fingerprint.of(bytes))) return;
        }
        Path own = folderOf(file);
        try {
            boolean fresh = !Files.isDirectory(own);
            Files.createDirectories(own);
            SafeFile.closeToOthers(folder);
            long at = Instant.now().toEpochMilli();
            while (Files.exists(copy(own, at))) at++;
            SafeFile.replace(copy(own, at), bytes);
            for (int i = MOST - 1; i < before.size(); i++)
                Files.deleteIfExists(before.get(i).copy());
            if (fresh) forgetOldest();
        } catch (IOException failed) {
            throw new FileTrouble(
                    own + ": the version before cannot be kept: " + SafeFile.why(failed), failed);
        }
    }

    /// What is kept of a file, newest first.
    public List<Version> of(Path file) {
        List<Version> all = new ArrayList<>();
        Path own = folderOf(file);
        if (!Files.isDirectory(own)) return all;
        try (Stream<Path> copies = Files.list(own)) {
            for (Path copy : copies.toList()) {
                String name = SafeFile.name(copy);
                if (!name.matches("\\d{1,15}\\" + ShowFile.ENDING)) continue;
                long at =
                        Long.parseLong(name.substring(0, name.length() - ShowFile.ENDING.length()));
                all.add(new Version(copy, Instant.ofEpochMilli(at), Files.size(copy)));
            }
        } catch (IOException gone) {
            return List.of();
        }
        all.sort(Comparator.comparing(Version::kept).reversed());
        return all;
    }

    private static Path copy(Path own, long at) {
        return own.resolve(at + ShowFile.ENDING);
    }

    private Path folderOf(Path file) {
        byte[] path = file.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8);
        return folder.resolve(Fingerprint.of(path).digest().substring(0, NAME));
    }

    /// Of too many files those are forgotten that were saved longest ago.
    private void forgetOldest() throws IOException {
        List<Path> all;
        try (Stream<Path> folders = Files.list(folder)) {
            all = new ArrayList<>(folders.filter(Files::isDirectory).toList());
        }
        all.sort(Comparator.comparing(own -> own.toFile().lastModified()));
        for (Path own : all.subList(0, Math.max(0, all.size() - MOST_FILES))) {
            try (Stream<Path> copies = Files.list(own)) {
                for (Path copy : copies.toList()) Files.delete(copy);
            }
            Files.delete(own);
        }
    }
}
