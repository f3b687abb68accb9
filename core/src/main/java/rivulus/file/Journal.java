package rivulus.file;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// The autosaved journal of one running program: the show as it was after the last edit, kept apart
/// from its file, so that a kill at any moment costs nothing.
///
/// Each program holds a lock beside its journal; a journal whose lock is free was left behind.
/// Writing replaces the journal whole or not at all, as [ShowFile#save] does.
public final class Journal implements AutoCloseable {
    private static final String ENDING = ".journal";

    private final Path journal;
    private final Path lockFile;
    private final FileChannel channel;
    private final FileLock lock;

    private Journal(Path journal, Path lockFile, FileChannel channel, FileLock lock) {
        this.journal = journal;
        this.lockFile = lockFile;
        this.channel = channel;
        this.lock = lock;
    }

    /// Starts a journal in a folder, which is made where it is missing.
    ///
    /// @throws FileTrouble where the folder cannot be written to
    public static Journal in(Path folder) throws FileTrouble {
        try {
            Files.createDirectories(folder);
            String name = UUID.randomUUID().toString();
            Path lockFile = folder.resolve(name + ".lock");
            FileChannel channel =
                    FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            return new Journal(folder.resolve(name + ENDING), lockFile, channel, channel.lock());
        } catch (IOException failed) {
            throw new FileTrouble(
                    folder + ": the autosave journal cannot be kept here: " + failed.getMessage(),
                    failed);
        }
    }

    /// Writes down a show with unsaved edits.
    ///
    /// @param file the file it belongs to, if it has one
    public void keep(Show show, Optional<Path> file) throws FileTrouble {
        Map<String, Object> entry = new LinkedHashMap<>();
        entry.put("journal", 1);
        entry.put("written", Instant.now().toString());
        file.ifPresent(path -> entry.put("file", path.toAbsolutePath().toString()));
        entry.put("show", ShowFile.write(show));
        ShowFile.replace(JsonText.of(entry), journal);
    }

    /// Forgets what was written down: all is saved.
    public void clear() throws FileTrouble {
        try {
            Files.deleteIfExists(journal);
        } catch (IOException failed) {
            throw new FileTrouble(
                    journal + ": the journal cannot be cleared: " + failed.getMessage(), failed);
        }
    }

    @Override
    public void close() throws FileTrouble {
        clear();
        try {
            lock.release();
            channel.close();
            Files.deleteIfExists(lockFile);
        } catch (IOException failed) {
            throw new FileTrouble(
                    lockFile + ": the journal cannot be closed: " + failed.getMessage(), failed);
        }
    }

    /// What a program left behind.
    ///
    /// @param file the file the show belongs to, if it has one
    /// @param written when the last edit was kept
    public record Left(Path journal, Show show, Optional<Path> file, Instant written) {
        /// Throws it away.
        public void discard() throws FileTrouble {
            try {
                Files.deleteIfExists(journal);
                Files.deleteIfExists(lockOf(journal));
            } catch (IOException failed) {
                throw new FileTrouble(
                        journal + ": this cannot be deleted: " + failed.getMessage(), failed);
            }
        }
    }

    private static Path lockOf(Path journal) {
        String name = journal.getFileName().toString();
        return journal.resolveSibling(name.substring(0, name.length() - ENDING.length()) + ".lock");
    }

    /// What programs that are no longer running left behind in a folder, newest first. A journal
    /// that cannot be read is passed over and stays where it is.
    public static List<Left> leftIn(Path folder, Catalogue catalogue) {
        if (!Files.isDirectory(folder)) return List.of();
        List<Left> left = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.toString().endsWith(ENDING)).toList()) {
                if (!isInUse(lockOf(file))) read(file, catalogue).ifPresent(left::add);
            }
        } catch (IOException unreadable) {
            return List.of();
        }
        left.sort(Comparator.comparing(Left::written).reversed());
        return left;
    }

    private static boolean isInUse(Path lockFile) {
        if (!Files.exists(lockFile)) return false;
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.WRITE);
                FileLock free = channel.tryLock()) {
            return free == null;
        } catch (IOException | OverlappingFileLockException held) {
            return true;
        }
    }

    private static Optional<Left> read(Path file, Catalogue catalogue) {
        try {
            Entry root =
                    Entry.root(
                            file.getFileName().toString(),
                            Json.parse(ShowFile.text(file), file.toString()));
            Optional<Path> of =
                    Optional.of(root.text("file", "")).filter(f -> !f.isEmpty()).map(Path::of);
            Show show = ShowFile.parse(root.text("show"), file.getFileName().toString(), catalogue);
            return Optional.of(new Left(file, show, of, Instant.parse(root.text("written"))));
        } catch (FileTrouble | java.time.DateTimeException broken) {
            return Optional.empty();
        }
    }
}
