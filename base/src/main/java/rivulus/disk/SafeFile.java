package rivulus.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.nio.file.attribute.PosixFilePermission;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/// Files read whole, within bounds, and replaced whole or not at all.
public final class SafeFile {
    /// Larger files are refused unread, and larger texts unwritten: the largest rig we can imagine
    /// takes a fiftieth of it.
    public static final long LARGEST_BYTES = 16L << 20;

    private static final String BESIDE = ".rivulus-";
    private static final String ENDING = ".saving";
    private static final Duration STALE = Duration.ofHours(1);
    private static final int MOST_LINKS = 40;
    private static final SecureRandom NAMES = new SecureRandom();
    private static final Set<Path> SWEPT = ConcurrentHashMap.newKeySet();

    private SafeFile() {}

    /// The name of a file, for messages and endings; the whole path where it has none.
    public static String name(Path file) {
        return file.getFileName() == null ? file.toString() : file.getFileName().toString();
    }

    /// What was in a file, and what tells whether it has changed since.
    public record Contents(String text, Fingerprint print) {}

    /// Reads a text file in UTF-8 of at most [#LARGEST_BYTES].
    ///
    /// @throws FileTrouble where it cannot be read, is larger, or is no text
    public static Contents read(Path file) throws FileTrouble {
        return read(file, LARGEST_BYTES);
    }

    /// Reads a text file in UTF-8.
    ///
    /// @param most bytes
    /// @throws FileTrouble where it cannot be read, is larger, or is no text
    public static Contents read(Path file, long most) throws FileTrouble {
        byte[] bytes = bytes(file, most);
        return new Contents(text(file, bytes), Fingerprint.of(bytes));
    }

    /// Bytes as text in UTF-8.
    ///
    /// @param file where they are from, for messages
    /// @throws FileTrouble where they are no text
    public static String text(Path file, byte[] bytes) throws FileTrouble {
        try {
            return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
        } catch (CharacterCodingException binary) {
            throw new FileTrouble(file + ": this is no text in UTF-8", binary);
        }
    }

    /// Reads a file whole.
    ///
    /// @param most bytes
    /// @throws FileTrouble where it cannot be read, or is larger
    public static byte[] bytes(Path file, long most) throws FileTrouble {
        if (Files.isDirectory(file))
            throw new FileTrouble(file + ": this is a folder; name a file in it");
        if (Files.exists(file) && !Files.isRegularFile(file))
            throw new FileTrouble(file + ": this is a pipe or a device; name a file");
        try (InputStream in = Files.newInputStream(file)) {
            byte[] bytes = in.readNBytes((int) most + 1);
            if (bytes.length > most)
                throw new FileTrouble(
                        "%s: the file has %d MB; at most %d MB are read, so this is something else"
                                .formatted(
                                        file,
                                        Math.max(Files.size(file), bytes.length) >> 20,
                                        most >> 20));
            return bytes;
        } catch (NoSuchFileException missing) {
            throw new FileTrouble(file + ": there is no such file", missing);
        } catch (AccessDeniedException closed) {
            throw new FileTrouble(
                    file + ": this file may not be read; check its permissions", closed);
        } catch (IOException failed) {
            throw new FileTrouble(file + ": reading failed: " + why(failed), failed);
        }
    }

    /// Replaces a file's text as [#replace(Path, byte[])] does.
    public static Fingerprint replace(Path file, String text) throws FileTrouble {
        return replace(file, text.getBytes(StandardCharsets.UTF_8));
    }

    /// Replaces what is in a file so that it is, at every moment, either the old one or the new one
    /// whole: written beside under a name of its own, flushed to the disk, then renamed. A link is
    /// followed to the file it names; owner and permissions stay as they are.
    ///
    /// @return what is in it now
    /// @throws FileTrouble where it cannot be written; the old file is then as it was
    public static Fingerprint replace(Path file, byte[] bytes) throws FileTrouble {
        replace(file, bytes, Optional.empty());
        return Fingerprint.of(bytes);
    }

    /// Replaces what is in a file as [#replace(Path, byte[])] does, unless somebody else
    /// has changed it.
    ///
    /// @param expected what is thought to be in it; empty to replace whatever is
    /// @return whether it was replaced; if not, the file is as the others left it
    public static boolean replace(Path file, byte[] bytes, Optional<Fingerprint> expected)
            throws FileTrouble {
        if (Files.isDirectory(file))
            throw new FileTrouble(file + ": this is a folder; choose a file name in it");
        if (Files.exists(file) && !Files.isRegularFile(file))
            throw new FileTrouble(file + ": this is a pipe or a device; choose a file");
        if (isReadOnly(file))
            throw new FileTrouble(file + ": this file is read-only; save under another name");
        Path target = target(file);
        try {
            sweep(target.getParent());
            return replaceAt(target, bytes, expected);
        } catch (AccessDeniedException closed) {
            throw new FileTrouble(
                    file + ": this folder may not be written to; save somewhere else", closed);
        } catch (NoSuchFileException missing) {
            throw new FileTrouble(
                    file + ": this folder does not exist; choose another or make it first",
                    missing);
        } catch (IOException failed) {
            throw new FileTrouble(
                    file + ": saving failed, the old file is untouched: " + why(failed), failed);
        }
    }

    private static boolean replaceAt(Path target, byte[] bytes, Optional<Fingerprint> expected)
            throws IOException {
        Optional<PosixFileAttributes> marks = marks(target);
        Path beside = null;
        try {
            while (beside == null) beside = written(bytes, target, marks.isPresent());
            if (marks.isPresent()) mark(beside, marks.get());
            if (expected.isPresent() && isOthers(Fingerprint.at(target), expected.get(), bytes))
                return false;
            move(beside, target);
            flush(target.getParent());
            return true;
        } finally {
            if (beside != null) forget(beside);
        }
    }

    /// Whether a file holds something that is neither what is thought nor what is to be in it. One
    /// that has gone is nobody's.
    private static boolean isOthers(Fingerprint held, Fingerprint expected, byte[] bytes) {
        return !held.equals(Fingerprint.NONE)
                && !held.equals(expected)
                && !held.equals(Fingerprint.of(bytes));
    }

    /// A new file beside the target, flushed to the disk; null where the name was taken.
    ///
    /// @param closed whether nobody else may look into it yet
    private static Path written(byte[] bytes, Path target, boolean closed) throws IOException {
        byte[] name = new byte[8];
        NAMES.nextBytes(name);
        Path beside = target.resolveSibling(BESIDE + HexFormat.of().formatHex(name) + ENDING);
        boolean done = false;
        try (FileChannel channel =
                FileChannel.open(beside, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            if (closed)
                Files.setPosixFilePermissions(
                        beside,
                        EnumSet.of(
                                PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE));
            ByteBuffer all = ByteBuffer.wrap(bytes);
            while (all.hasRemaining()) channel.write(all);
            channel.force(true);
            done = true;
            return beside;
        } catch (FileAlreadyExistsException taken) {
            return null;
        } finally {
            if (!done) forget(beside);
        }
    }

    private static Optional<PosixFileAttributes> marks(Path target) throws IOException {
        PosixFileAttributeView view =
                Files.getFileAttributeView(target, PosixFileAttributeView.class);
        if (view == null || !Files.exists(target)) return Optional.empty();
        return Optional.of(view.readAttributes());
    }

    /// The owner can be kept only by somebody who may give files away.
    private static void mark(Path beside, PosixFileAttributes marks) throws IOException {
        PosixFileAttributeView view =
                Files.getFileAttributeView(beside, PosixFileAttributeView.class);
        try {
            if (!view.readAttributes().owner().equals(marks.owner())) view.setOwner(marks.owner());
            if (!view.readAttributes().group().equals(marks.group())) view.setGroup(marks.group());
        } catch (FileSystemException notAllowed) {
            // the new file is then the saver's own
        }
        view.setPermissions(marks.permissions());
    }

    private static void move(Path beside, Path target) throws IOException {
        try {
            Files.move(
                    beside,
                    target,
                    StandardCopyOption.ATOMIC_MOVE,
                    StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException plainDisk) {
            Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /// The renaming itself, on to the disk; not every platform lets a folder be flushed.
    private static void flush(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException notHere) {
            // then the platform does it in its own time
        }
    }

    /// Where a name leads: links are followed, also to what is not there yet, so that no link is
    /// replaced by a file.
    private static Path target(Path file) throws FileTrouble {
        Path at = file.toAbsolutePath();
        try {
            for (int links = 0; Files.isSymbolicLink(at); links++) {
                if (links == MOST_LINKS)
                    throw new FileTrouble(file + ": this link leads back to itself");
                at = at.resolveSibling(Files.readSymbolicLink(at)).toAbsolutePath();
            }
        } catch (IOException unreadable) {
            throw new FileTrouble(file + ": this link cannot be followed", unreadable);
        }
        return at;
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

    private static void forget(Path beside) {
        try {
            Files.deleteIfExists(beside);
        } catch (IOException leftBehind) {
            // a stray file beside is no loss, and is swept away by a later run
        }
    }

    /// Lets nobody but its owner look into a folder. Not every platform has such marks, and not
    /// everybody may set them.
    public static void closeToOthers(Path folder) {
        try {
            Files.setPosixFilePermissions(
                    folder,
                    EnumSet.of(
                            PosixFilePermission.OWNER_READ,
                            PosixFilePermission.OWNER_WRITE,
                            PosixFilePermission.OWNER_EXECUTE));
        } catch (IOException | UnsupportedOperationException notHere) {
            // then the folder above has to keep others out
        }
    }

    /// What programs that were killed while saving left in a folder goes, once a run.
    private static void sweep(Path folder) {
        if (!SWEPT.add(folder)) return;
        FileTime old = FileTime.from(Instant.now().minus(STALE));
        try (DirectoryStream<Path> strays =
                Files.newDirectoryStream(folder, BESIDE + "*" + ENDING)) {
            for (Path stray : strays)
                if (Files.getLastModifiedTime(stray).compareTo(old) < 0) forget(stray);
        } catch (IOException notThere) {
            // what cannot be listed cannot be swept
        }
    }

    /// Why the disk refused something, in words.
    public static String why(IOException failed) {
        return switch (failed) {
            case FileSystemException named
                    when named.getReason() != null && !named.getReason().isBlank() ->
                    named.getReason();
            case FileAlreadyExistsException _ -> "something else stands in its place";
            case NoSuchFileException _ -> "there is no such file";
            case AccessDeniedException _ -> "its permissions forbid it";
            default ->
                    failed.getMessage() == null
                            ? failed.getClass().getSimpleName()
                            : failed.getMessage();
        };
    }
}
