package rivulus.file;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.disk.Json;
import rivulus.disk.SafeFile;
import rivulus.gear.Catalogue;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;

/// Shows on disk.
public final class ShowFile {
    /// The ending of show files.
    public static final String ENDING = ".rivulus";

    private ShowFile() {}

    /// A show that was read.
    ///
    /// @param print what the file held then
    public record Opened(Show show, Fingerprint print) {}

    /// Reads a show.
    ///
    /// @throws FileTrouble in one line that names the file, the place and what would be right
    public static Show open(Path file, Catalogue catalogue) throws FileTrouble {
        return read(file, catalogue).show();
    }

    /// Reads a show, and notes what its file held.
    ///
    /// @throws FileTrouble in one line that names the file, the place and what would be right
    public static Opened read(Path file, Catalogue catalogue) throws FileTrouble {
        SafeFile.Contents contents = SafeFile.read(file);
        String name = SafeFile.name(file);
        Show show = parse(contents.text(), name, catalogue);
        bytes(show, name);
        return new Opened(show, contents.print());
    }

    /// Reads a show from text.
    ///
    /// @param name the file's name, for messages
    public static Show parse(String text, String name, Catalogue catalogue) throws FileTrouble {
        return parse(text, name, catalogue, List.of());
    }

    /// @param known templates that have been read before
    static Show parse(String text, String name, Catalogue catalogue, List<OwnTemplate> known)
            throws FileTrouble {
        Entry root = Entry.root(name, Json.parse(text, name));
        if (!root.isObject()) throw root.trouble("a show is a JSON object");
        return ShowReader.read(Migrations.toPresent(root), catalogue, known);
    }

    /// The show as the text of its file.
    public static String write(Show show) {
        return ShowWriter.write(show);
    }

    private static byte[] bytes(Show show, String name) throws FileTrouble {
        byte[] bytes = write(show).getBytes(StandardCharsets.UTF_8);
        if (bytes.length > SafeFile.LARGEST_BYTES)
            throw new FileTrouble(
                    "%s: written out, this show has %.1f MB; a show has at most %d MB"
                            .formatted(
                                    name,
                                    bytes.length / (double) (1 << 20),
                                    SafeFile.LARGEST_BYTES >> 20));
        return bytes;
    }

    /// The gate that every edit passes: a show that, written out, can be read again.
    ///
    /// Costs a round of writing and reading: milliseconds for a large rig.
    ///
    /// @param catalogue the kinds of gear that everybody has; those of somebody's own must be kept
    ///     with the show
    /// @return the show as it was read again, equal to what was written
    /// @throws FileTrouble where it could not be opened again, with what does not hold together
    public static Show again(Show show, Catalogue catalogue) throws FileTrouble {
        String text = new String(bytes(show, "this"), StandardCharsets.UTF_8);
        return parse(text, "this", catalogue, show.templates());
    }

    /// Saves a show so that the file is, at every moment, either the old one or the new one whole,
    /// as [SafeFile#replace(Path, byte[])] does.
    ///
    /// @return what the file holds now
    /// @throws FileTrouble where it cannot be written; the old file is then as it was
    public static Fingerprint save(Show show, Path file) throws FileTrouble {
        return SafeFile.replace(file, bytes(show, SafeFile.name(file)));
    }

    /// Saves a show as [#save(Show, Path)] does, unless the file holds something else than is
    /// thought.
    ///
    /// @return what the file holds now; empty where somebody else has changed it: it is then as
    ///     they left it
    /// @throws FileTrouble where it cannot be written; the old file is then as it was
    public static Optional<Fingerprint> save(Show show, Path file, Fingerprint expected)
            throws FileTrouble {
        byte[] bytes = bytes(show, SafeFile.name(file));
        return SafeFile.replace(file, bytes, Optional.of(expected))
                ? Optional.of(Fingerprint.of(bytes))
                : Optional.empty();
    }
}
