package rivulus.app.session;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import rivulus.file.ShowFile;

/// Asks which file is meant.
public interface FileAsker {
    /// The file to open, unless the user thought better of it.
    Optional<Path> toOpen();

    /// The file to save to, unless the user thought better of it.
    ///
    /// @param name what it might be called
    Optional<Path> toSave(String name);

    /// A file of some other kind to open.
    ///
    /// @param what the kind, in words
    /// @param endings of such files, with the dot
    default Optional<Path> toOpen(String what, List<String> endings) {
        return toOpen();
    }

    /// Asks with the platform's own dialogs.
    static FileAsker dialogs(Window owner) {
        return new FileAsker() {
            @Override
            public Optional<Path> toOpen() {
                return path(chooser().showOpenDialog(owner));
            }

            @Override
            public Optional<Path> toOpen(String what, List<String> endings) {
                FileChooser chooser = new FileChooser();
                chooser.setTitle("Open " + what);
                chooser.getExtensionFilters()
                        .add(
                                new FileChooser.ExtensionFilter(
                                        what, endings.stream().map("*"::concat).toList()));
                return path(chooser.showOpenDialog(owner));
            }

            @Override
            public Optional<Path> toSave(String name) {
                FileChooser chooser = new FileChooser();
                chooser.setTitle("Save");
                chooser.setInitialFileName(name);
                return path(chooser.showSaveDialog(owner));
            }
        };
    }

    private static FileChooser chooser() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Open a show");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Rivulus shows", "*" + ShowFile.ENDING));
        return chooser;
    }

    private static Optional<Path> path(File file) {
        return Optional.ofNullable(file).map(File::toPath);
    }
}
