package rivulus.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Shows on disk.
public final class ShowFile {
    /// The ending of show files.
    public static final String ENDING = ".rivulus";

    /// Larger files are refused unread: the largest rig we can imagine takes a fiftieth of it.
    static final long LARGEST_BYTES = 16L << 20;

    private ShowFile() {}

    /// Reads a show.
    ///
    /// @throws FileTrouble in one line that names the file, the place and what would be right
    public static Show open(Path file, Catalogue catalogue) throws FileTrouble {
        return parse(text(file), file.getFileName().toString(), catalogue);
    }

    /// Reads a show from text.
    ///
    /// @param name the file's name, for messages
    public static Show parse(String text, String name, Catalogue catalogue) throws FileTrouble {
        Entry root = Entry.root(name, Json.parse(text, name));
        if (!root.isObject()) throw root.trouble("a show is a JSON object");
        return ShowReader.read(Migrations.toPresent(root), catalogue);
    }

    /// Reads a text file of bearable size in UTF-8.
    public static String text(Path file) throws FileTrouble {
        try {
            if (Files.isDirectory(file))
                throw new FileTrouble(
                        file + ": this is a folder; name a " + ENDING + " file in it");
            long size = Files.size(file);
            if (size > LARGEST_BYTES) {
                throw new FileTrouble(
                        "%s: the file has %d MB; a show has at most %d MB, so this is something else"
                                .formatted(file, size >> 20, LARGEST_BYTES >> 20));
            }
            return Files.readString(file, StandardCharsets.UTF_8);
        } catch (NoSuchFileException missing) {
            throw new FileTrouble(file + ": there is no such file", missing);
        } catch (AccessDeniedException closed) {
            throw new FileTrouble(
                    file + ": this file may not be read; check its permissions", closed);
        } catch (CharacterCodingException binary) {
            throw new FileTrouble(file + ": this is no text in UTF-8", binary);
        } catch (IOException failed) {
            throw new FileTrouble(file + ": reading failed: " + failed.getMessage(), failed);
        }
    }

    /// The show as the text of its file.
    public static String write(Show show) {
        return ShowWriter.write(show);
    }

    /// Saves a show so that the file is, at every moment, either the old one or the new one whole:
    /// written beside, flushed to the disk, then renamed.
    ///
    /// @throws FileTrouble where it cannot be written; the old file is then as it was
    public static void save(Show show, Path file) throws FileTrouble {
        replace(write(show), file);
    }

    /// Replaces a file's text as [#save] does.
    static void replace(String text, Path file) throws FileTrouble {
        replace(StandardCharsets.UTF_8.encode(text), file);
    }

    /// Replaces what is in a file as [#save] does.
    static void replace(ByteBuffer bytes, Path file) throws FileTrouble {
        if (Files.isDirectory(file))
            throw new FileTrouble(file + ": this is a folder; choose a file name in it");
        if (isReadOnly(file)) {
            throw new FileTrouble(file + ": this file is read-only; save under another name");
        }
        Path target = target(file);
        Path beside = target.resolveSibling("." + target.getFileName() + ".saving");
        try {
            writeAndFlush(bytes, beside);
            try {
                Files.move(
                        beside,
                        target,
                        StandardCopyOption.ATOMIC_MOVE,
                        StandardCopyOption.REPLACE_EXISTING);
            } catch (AtomicMoveNotSupportedException plainDisk) {
                Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (AccessDeniedException closed) {
            throw new FileTrouble(
                    file + ": this folder may not be written to; save somewhere else", closed);
        } catch (NoSuchFileException missing) {
            throw new FileTrouble(
                    file + ": this folder does not exist; choose another or make it first",
                    missing);
        } catch (IOException failed) {
            throw new FileTrouble(
                    file + ": saving failed, the old file is untouched: " + failed.getMessage(),
                    failed);
        } finally {
            forget(beside);
        }
    }

    /// Where a name leads: a link is followed, so that it is not replaced by a file.
    private static Path target(Path file) {
        try {
            return file.toRealPath();
        } catch (IOException notThereYet) {
            return file.toAbsolutePath();
        }
    }

    /// A file that is marked read-only is left alone even by a user who could write to it.
    private static boolean isReadOnly(Path file) {
        if (!Files.exists(file)) return false;
        try {
            boolean marked =
                    Files.getPosixFilePermissions(file).stream()
                            .noneMatch(right -> right.name().endsWith("WRITE"));
            return marked || !Files.isWritable(file);
        } catch (IOException | UnsupportedOperationException noSuchMarks) {
            return !Files.isWritable(file);
        }
    }

    private static void writeAndFlush(ByteBuffer bytes, Path path) throws IOException {
        try (FileChannel channel =
                FileChannel.open(
                        path,
                        StandardOpenOption.CREATE,
                        StandardOpenOption.WRITE,
                        StandardOpenOption.TRUNCATE_EXISTING)) {
            while (bytes.hasRemaining()) channel.write(bytes);
            channel.force(true);
        }
    }

    private static void forget(Path beside) {
        try {
            Files.deleteIfExists(beside);
        } catch (IOException leftBehind) {
            // A stray file beside the show is no loss; the next save overwrites it.
            beside.toFile().deleteOnExit();
        }
    }
}
