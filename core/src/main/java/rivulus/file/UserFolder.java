package rivulus.file;

import java.nio.file.Path;

/// Where what belongs to this user and no show is kept: settings, journals, what was saved over.
public final class UserFolder {
    private UserFolder() {}

    /// The folder: `RIVULUS_STATE`, or the usual place for such files.
    public static Path usual() {
        String own = System.getenv("RIVULUS_STATE");
        if (own != null && !own.isBlank()) return Path.of(own);
        String state = System.getenv("XDG_STATE_HOME");
        Path base =
                state == null || state.isBlank()
                        ? Path.of(System.getProperty("user.home"), ".local", "state")
                        : Path.of(state);
        return base.resolve("rivulus");
    }

    /// Where in it what show files held before they were saved over is kept.
    public static Path versions(Path folder) {
        return folder.resolve("versions");
    }
}
