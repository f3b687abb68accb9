package rivulus.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.disk.Json;
import rivulus.disk.JsonText;
import rivulus.disk.Patch;
import rivulus.disk.SafeFile;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// The autosaved journal of one running program: the show as it was after the last edit, kept apart
/// from its file, so that a kill at any moment costs nothing.
///
/// The first line holds a show whole, each further one what an edit changed, as a JSON Patch: an
/// edit is a small record that is appended, and written anew is only what has grown long, or
/// belongs to another file. A line that was not ended when the program was killed is no edit.
///
/// Each program holds a lock beside its journal; a journal whose lock is free was left behind.
public final class Journal implements AutoCloseable {
    private static final String ENDING = ".journal";
    private static final String LOCK = ".lock";
    private static final String SET_ASIDE = ".unreadable";

    /// A show inside a journal is a text inside a text, which at most doubles it, and then some.
    private static final long LARGEST_BYTES = 3 * SafeFile.LARGEST_BYTES;

    /// Records are appended up to so many bytes, or as many as the show itself has.
    private static final long SHORT_BYTES = 1 << 20;

    private final Path journal;
    private final Path lockFile;
    private final FileChannel channel;
    private final FileLock lock;

    /// What it holds now; empty where nothing, or nothing that could be gone on from.
    private Optional<Kept> kept = Optional.empty();

    /// A show that was written down.
    ///
    /// @param head what it belongs to
    /// @param document the show, as plain values
    /// @param base how long the first line is
    /// @param length of all lines
    private record Kept(
            Head head, Map<String, Object> document, FileChannel lines, long base, long length) {}

    /// What a show belongs to.
    private record Head(Optional<Path> file, Fingerprint held) {}

    private Journal(Path journal, Path lockFile, FileChannel channel, FileLock lock) {
        this.journal = journal;
        this.lockFile = lockFile;
        this.channel = channel;
        this.lock = lock;
    }

    /// Starts a journal in a folder, which is made where it is missing, for its owner's eyes only.
    ///
    /// @throws FileTrouble where the folder cannot be written to
    public static Journal in(Path folder) throws FileTrouble {
        try {
            Files.createDirectories(folder);
            SafeFile.closeToOthers(folder);
            while (true) {
                String name = UUID.randomUUID().toString();
                Path lockFile = folder.resolve(name + LOCK);
                FileChannel channel =
                        FileChannel.open(
                                lockFile, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock();
                // another program that sweeps locks away may have come between
                if (lock != null && Files.exists(lockFile))
                    return new Journal(folder.resolve(name + ENDING), lockFile, channel, lock);
                channel.close();
            }
        } catch (IOException failed) {
            throw new FileTrouble(
                    "%s cannot be written to (%s)".formatted(folder, SafeFile.why(failed)), failed);
        }
    }

    /// Writes down a show with unsaved edits.
    ///
    /// @param file the file it belongs to, if it has one
    public void keep(Show show, Optional<Path> file) throws FileTrouble {
        keep(show, file, Fingerprint.NONE, List.of());
    }

    /// Writes down a show with unsaved edits. A kill costs nothing from then on; that the power
    /// fails does not, once it is flushed.
    ///
    /// @param file the file it belongs to, if it has one
    /// @param held what that file held when it was last read or written here
    /// @param instead what this was taken up from: once this is written, those are of the past,
    ///     whether or not there is still time to delete them
    public synchronized void keep(
            Show show, Optional<Path> file, Fingerprint held, List<Left> instead)
            throws FileTrouble {
        Head head = new Head(file, held);
        Map<String, Object> document = ShowWriter.document(show);
        boolean goesOn = kept.filter(k -> k.head().equals(head) && isShort(k)).isPresent();
        if (goesOn && instead.isEmpty()) append(document);
        else begin(head, document, instead);
    }

    private static boolean isShort(Kept kept) {
        return kept.length() - kept.base() < Math.max(SHORT_BYTES, kept.base());
    }

    private void append(Map<String, Object> document) throws FileTrouble {
        Kept now = kept.orElseThrow();
        Map<String, Object> entry = new LinkedHashMap<>();
        entry.put("written", Instant.now().toString());
        entry.put("patch", Patch.between(now.document(), document));
        byte[] line = (JsonText.line(entry) + "\n").getBytes(StandardCharsets.UTF_8);
        try {
            if (!Files.exists(journal)) throw new NoSuchFileException(journal.toString());
            ByteBuffer all = ByteBuffer.wrap(line);
            long at = now.length();
            while (all.hasRemaining()) at += now.lines().write(all, at);
            kept =
                    Optional.of(
                            new Kept(
                                    now.head(),
                                    document,
                                    now.lines(),
                                    now.base(),
                                    now.length() + line.length));
        } catch (IOException failed) {
            // the half of a line that may stand there is no edit; the next one begins anew
            forget();
            throw new FileTrouble(
                    "%s cannot be written to (%s)".formatted(journal, SafeFile.why(failed)),
                    failed);
        }
    }

    private void begin(Head head, Map<String, Object> document, List<Left> instead)
            throws FileTrouble {
        forget();
        Map<String, Object> entry = new LinkedHashMap<>();
        entry.put("journal", 2);
        entry.put("written", Instant.now().toString());
        head.file().ifPresent(path -> entry.put("file", path.toAbsolutePath().toString()));
        if (!head.held().equals(Fingerprint.NONE)) entry.put("held", head.held().digest());
        if (!instead.isEmpty())
            entry.put("instead", instead.stream().map(l -> SafeFile.name(l.journal())).toList());
        entry.put("show", document);
        byte[] line = (JsonText.line(entry) + "\n").getBytes(StandardCharsets.UTF_8);
        SafeFile.replace(journal, line);
        try {
            FileChannel lines = FileChannel.open(journal, StandardOpenOption.WRITE);
            kept = Optional.of(new Kept(head, document, lines, line.length, line.length));
        } catch (IOException failed) {
            throw new FileTrouble(
                    "%s cannot be written to (%s)".formatted(journal, SafeFile.why(failed)),
                    failed);
        }
    }

    /// Goes on from nothing of what was written.
    private void forget() {
        kept.ifPresent(
                now -> {
                    try {
                        now.lines().close();
                    } catch (IOException closed) {
                        // it is not written to any more
                    }
                });
        kept = Optional.empty();
    }

    /// Sees to it that what was written down is on the disk itself.
    public void flush() throws FileTrouble {
        Optional<Kept> now;
        synchronized (this) {
            now = kept;
        }
        if (now.isEmpty()) return;
        try {
            now.get().lines().force(false);
        } catch (ClosedChannelException anew) {
            // it was written anew meanwhile, and flushed then
        } catch (IOException failed) {
            throw new FileTrouble(
                    "%s cannot be written to (%s)".formatted(journal, SafeFile.why(failed)),
                    failed);
        }
    }

    /// Whether its folder has not been taken away.
    public boolean isThere() {
        return Files.exists(lockFile);
    }

    /// Forgets what was written down: all is saved.
    public synchronized void clear() throws FileTrouble {
        forget();
        delete(journal);
    }

    private static void delete(Path file) throws FileTrouble {
        try {
            Files.deleteIfExists(file);
        } catch (IOException failed) {
            throw new FileTrouble(
                    file + ": this cannot be deleted: " + failed.getMessage(), failed);
        }
    }

    /// Ends the journal and forgets what was written down.
    @Override
    public void close() throws FileTrouble {
        clear();
        letGo();
        delete(lockFile);
    }

    /// Ends the journal and leaves what was written down to the next program.
    public synchronized void letGo() throws FileTrouble {
        forget();
        try {
            lock.release();
            channel.close();
        } catch (IOException failed) {
            throw new FileTrouble(
                    lockFile + ": the journal cannot be closed: " + failed.getMessage(), failed);
        }
    }

    /// What a program left behind.
    ///
    /// @param file the file the show belongs to, if it has one
    /// @param held what that file held when it was last read or written by that program
    /// @param written when the last edit was kept
    public record Left(
            Path journal, Show show, Optional<Path> file, Fingerprint held, Instant written) {
        /// When it was kept and how large it is, beside the file it belongs to: "kept on 1 December
        /// at 20:03, 48 kB; café.rivulus was saved on 1 December at 19:40, 47 kB".
        public String words(ZoneId zone) {
            String kept = "kept " + on(written, zone) + size(journal);
            if (file.isEmpty()) return kept + "; it was never saved";
            Path saved = file.get();
            try {
                Instant at = Files.getLastModifiedTime(saved).toInstant();
                return "%s; %s was saved %s%s"
                        .formatted(kept, SafeFile.name(saved), on(at, zone), size(saved));
            } catch (IOException gone) {
                return "%s; %s is not there any more".formatted(kept, SafeFile.name(saved));
            }
        }

        private static String on(Instant at, ZoneId zone) {
            return DateTimeFormatter.ofPattern("'on' d MMMM 'at' HH:mm", Locale.ENGLISH)
                    .format(at.atZone(zone));
        }

        private static String size(Path file) {
            try {
                return ", %d kB".formatted(Math.max(1, Files.size(file) / 1000));
            } catch (IOException gone) {
                return "";
            }
        }

        /// Throws it away.
        public void discard() throws FileTrouble {
            delete(journal);
            delete(lockOf(journal));
        }
    }

    /// What was found of programs that are no longer running.
    ///
    /// @param left what they left behind, newest first
    /// @param troubles what could not be read, one line each; those journals are set aside
    public record Found(List<Left> left, List<String> troubles) {
        public Found {
            left = List.copyOf(left);
            troubles = List.copyOf(troubles);
        }
    }

    private static Path lockOf(Path journal) {
        String name = journal.getFileName().toString();
        return journal.resolveSibling(name.substring(0, name.length() - ENDING.length()) + LOCK);
    }

    /// What programs that are no longer running left behind in a folder and nobody has saved. A
    /// journal that cannot be read is set aside under another name and told; locks that nobody
    /// holds are swept away.
    public static Found leftIn(Path folder, Catalogue catalogue) {
        if (!Files.isDirectory(folder)) return new Found(List.of(), List.of());
        List<Left> left = new ArrayList<>();
        List<String> troubles = new ArrayList<>();
        Set<String> past = new HashSet<>();
        try {
            for (Path file : endingIn(folder, ENDING)) {
                if (isInUse(lockOf(file))) continue;
                try {
                    Left found = read(file, catalogue, past);
                    if (!isSaved(found) || !isGone(found)) left.add(found);
                } catch (FileTrouble broken) {
                    troubles.add(setAside(file, broken));
                }
            }
            left.removeIf(one -> past.contains(SafeFile.name(one.journal())) && isGone(one));
            for (Path lock : endingIn(folder, LOCK)) sweep(lock);
        } catch (IOException unreadable) {
            troubles.add(folder + ": this folder cannot be looked through");
        }
        left.sort(Comparator.comparing(Left::written).reversed());
        return new Found(left, troubles);
    }

    /// Whether the file it belongs to holds just that: the program ended between saving and
    /// forgetting.
    private static boolean isSaved(Left one) {
        if (one.file().isEmpty()) return false;
        try {
            byte[] bytes = ShowFile.write(one.show()).getBytes(StandardCharsets.UTF_8);
            return SafeFile.read(one.file().get()).print().equals(Fingerprint.of(bytes));
        } catch (FileTrouble gone) {
            return false;
        }
    }

    private static boolean isGone(Left one) {
        try {
            one.discard();
            return true;
        } catch (FileTrouble stays) {
            return false;
        }
    }

    private static List<Path> endingIn(Path folder, String ending) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().endsWith(ending)).sorted().toList();
        }
    }

    private static String setAside(Path file, FileTrouble broken) {
        Path aside = file.resolveSibling(file.getFileName() + SET_ASIDE);
        try {
            Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING);
            return "%s. It is set aside as %s.".formatted(broken.getMessage(), aside);
        } catch (IOException stays) {
            return broken.getMessage();
        }
    }

    private static boolean isInUse(Path lockFile) {
        if (!Files.exists(lockFile, LinkOption.NOFOLLOW_LINKS)) return false;
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.WRITE);
                FileLock free = channel.tryLock()) {
            return free == null;
        } catch (IOException | OverlappingFileLockException held) {
            return true;
        }
    }

    /// Takes a lock away that nobody holds and no journal belongs to.
    private static void sweep(Path lockFile) {
        String name = lockFile.getFileName().toString();
        Path journal =
                lockFile.resolveSibling(name.substring(0, name.length() - LOCK.length()) + ENDING);
        if (Files.exists(journal)) return;
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.WRITE);
                FileLock free = channel.tryLock()) {
            if (free != null) Files.deleteIfExists(lockFile);
        } catch (IOException | OverlappingFileLockException held) {
            // somebody's, then
        }
    }

    /// @param past is told which journals this one stands instead
    private static Left read(Path file, Catalogue catalogue, Set<String> past) throws FileTrouble {
        String name = file.toString();
        List<Entry> lines = lines(file);
        Entry root = lines.getFirst();
        try {
            Optional<Path> of =
                    Optional.of(root.text("file", "")).filter(f -> !f.isEmpty()).map(Path::of);
            Instant written = Instant.parse(lines.getLast().text("written"));
            Show show = ShowFile.parse(text(root.field("show"), lines), name, catalogue);
            past.addAll(root.texts("instead"));
            Fingerprint held = new Fingerprint(root.text("held", ""));
            return new Left(file, show, of, held, written);
        } catch (DateTimeException | IllegalArgumentException broken) {
            throw new FileTrouble(name + ": this is no journal: " + broken.getMessage(), broken);
        }
    }

    /// Every line that was ended; a journal of the first version is one document.
    private static List<Entry> lines(Path file) throws FileTrouble {
        String name = file.toString();
        byte[] bytes = SafeFile.bytes(file, LARGEST_BYTES);
        int end = bytes.length;
        while (end > 0 && bytes[end - 1] != '\n') end--;
        String whole = SafeFile.text(file, end == 0 ? bytes : Arrays.copyOf(bytes, end));
        List<Entry> lines = new ArrayList<>();
        for (String line : whole.lines().toList()) {
            try {
                lines.add(Entry.root(name, Json.parse(line, name)));
            } catch (FileTrouble broken) {
                // nothing is an edit that stands behind what cannot be read
                return lines.isEmpty() ? List.of(Entry.root(name, Json.parse(whole, name))) : lines;
            }
        }
        return lines.isEmpty() ? List.of(Entry.root(name, Json.parse(whole, name))) : lines;
    }

    /// The text of the show after all edits.
    private static String text(Entry show, List<Entry> lines) throws FileTrouble {
        if (show.json() instanceof Json.Text(String text, _)) return text;
        if (!show.isObject()) throw show.trouble("a show was expected");
        Object document = show.json().plain();
        for (Entry line : lines.subList(1, lines.size()))
            document =
                    Patch.applied(
                            document,
                            line.items("patch").stream().map(one -> one.json().plain()).toList());
        return JsonText.of(document);
    }
}
