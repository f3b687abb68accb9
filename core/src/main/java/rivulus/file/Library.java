package rivulus.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import rivulus.disk.FileTrouble;
import rivulus.show.OwnTemplate;

/// Somebody's own kinds of gear: a folder of template files.
///
/// @param kinds what could be read, by file name
/// @param troubles what could not, one line each; the files are left as they are
public record Library(Path folder, List<OwnTemplate> kinds, List<String> troubles) {
    private static final String ENDING = ".json";

    public Library {
        kinds = List.copyOf(kinds);
        troubles = List.copyOf(troubles);
    }

    /// The library in a folder; a folder that is not there is an empty one.
    public static Library in(Path folder) {
        List<OwnTemplate> kinds = new ArrayList<>();
        List<String> troubles = new ArrayList<>();
        if (!Files.isDirectory(folder)) return new Library(folder, kinds, troubles);
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.toString().endsWith(ENDING)).sorted().toList()) {
                try {
                    kinds.add(Templates.open(file));
                } catch (FileTrouble broken) {
                    troubles.add(broken.getMessage());
                }
            }
        } catch (IOException unreadable) {
            troubles.add(folder + ": this folder cannot be read");
        }
        return new Library(folder, kinds, troubles);
    }

    /// The library with one kind more, or in place of that of the same id; written at once.
    ///
    /// @throws FileTrouble where it cannot be written; nothing is changed then
    public Library with(OwnTemplate own) throws FileTrouble {
        try {
            Files.createDirectories(folder);
        } catch (IOException closed) {
            throw new FileTrouble(folder + ": this folder cannot be made", closed);
        }
        Templates.save(own, file(own));
        return in(folder);
    }

    /// The library without a kind; its file is deleted.
    ///
    /// @throws FileTrouble where it cannot be deleted
    public Library without(OwnTemplate own) throws FileTrouble {
        try {
            Files.deleteIfExists(file(own));
        } catch (IOException closed) {
            throw new FileTrouble(file(own) + ": this cannot be deleted", closed);
        }
        return in(folder);
    }

    private Path file(OwnTemplate own) {
        return folder.resolve(own.template().id() + ENDING);
    }
}
