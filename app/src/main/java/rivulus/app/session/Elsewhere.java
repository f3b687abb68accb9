package rivulus.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import rivulus.show.Show;

/// A file that somebody else has changed since it was read or written here.
///
/// @param theirs the show it holds now; empty where it holds none that can be read
/// @param differences what is different in it, one clause each
public record Elsewhere(Path file, Optional<Show> theirs, List<String> differences) {
    public Elsewhere {
        differences = List.copyOf(differences);
    }
}
