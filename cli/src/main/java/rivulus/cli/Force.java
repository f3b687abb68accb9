package rivulus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Option;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.file.UserFolder;
import rivulus.file.Versions;
import rivulus.show.Show;

/// Whether a file that is there already is replaced.
final class Force {
    @Option(names = "--force", description = "Replace a file that is there already.")
    private boolean replaces;

    /// Whether a file may be written; looked at before anything is worked out for it.
    ///
    /// @param out where to; null for nowhere
    /// @throws FileTrouble where something is there, and nobody said to replace it
    void mayWrite(Path out) throws FileTrouble {
        if (out == null) return;
        if (Files.isDirectory(out))
            throw new FileTrouble(out + ": this is a folder; choose a file name in it");
        if (replaces || !Files.exists(out)) return;
        throw new FileTrouble(
                out + ": this file is there already; --force replaces it, or name another");
    }

    /// Whether a show may be written: to the file that it came from it may.
    void mayWrite(Path out, Path from) throws FileTrouble {
        if (out != null && !isSame(out, from)) mayWrite(out);
    }

    /// Writes a show; what its file held before is kept with what the window keeps, so that it can
    /// be taken up there again.
    void save(Show show, Path out) throws FileTrouble {
        new Versions(UserFolder.versions(UserFolder.usual())).keep(out);
        ShowFile.save(show, out);
    }

    private static boolean isSame(Path out, Path from) {
        try {
            return Files.isSameFile(out, from);
        } catch (IOException notBoth) {
            return false;
        }
    }
}
