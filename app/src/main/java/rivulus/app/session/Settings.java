package rivulus.app.session;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.disk.SafeFile;
import rivulus.file.UserFolder;

/// What the user likes, kept between runs in one small file. A settings file that cannot be read is
/// passed over: the usual settings hold.
public final class Settings implements AutoCloseable {
    /// The theme on warm paper.
    public static final String DAY = "day";

    /// The theme for a dark booth.
    public static final String NIGHT = "night";

    private static final int MOST_RECENT = 10;
    private static final double SMALLEST = 0.8;
    private static final double LARGEST = 2;

    private final Path folder;
    private final Work keeping = new Work("settings", "keeping the settings", _ -> {});
    private final StringProperty theme = new SimpleStringProperty(DAY);
    private final DoubleProperty scale = new SimpleDoubleProperty(1);
    private final BooleanProperty motion = new SimpleBooleanProperty(true);
    private final BooleanProperty searching = new SimpleBooleanProperty(true);
    private final List<String> troubles = new ArrayList<>();
    private final ObservableList<Path> recent = FXCollections.observableArrayList();

    private Settings(Path folder) {
        this.folder = folder;
    }

    /// The settings kept in a folder.
    public static Settings in(Path folder) {
        Settings settings = new Settings(folder);
        settings.read();
        return settings;
    }

    /// Where autosaved journals are kept.
    public Path journals() {
        return folder.resolve("journals");
    }

    /// Where what show files held before they were saved over is kept.
    public Path versions() {
        return UserFolder.versions(folder);
    }

    /// Where the user's own kinds of gear are kept.
    public Path library() {
        return folder.resolve("templates");
    }

    /// `day` or `night`.
    public StringProperty theme() {
        return theme;
    }

    /// Size of everything, 0.8 to 2.
    public DoubleProperty scale() {
        return scale;
    }

    /// Whether ribbons move to their new beds.
    public BooleanProperty motion() {
        return motion;
    }

    /// Whether remedies are searched by themselves; else when they are asked for, which spares a
    /// battery.
    public BooleanProperty searching() {
        return searching;
    }

    /// Files opened or saved lately, latest first.
    public ObservableList<Path> recent() {
        return recent;
    }

    /// What could not be read, one line each.
    public List<String> troubles() {
        return List.copyOf(troubles);
    }

    /// Makes everything larger or smaller by that factor, within bounds.
    public void scaleBy(double factor) {
        scale.set(Math.clamp(Math.round(scale.get() * factor * 20) / 20.0, SMALLEST, LARGEST));
        keep();
    }

    /// Puts a file on top of the recent ones.
    public void used(Path file) {
        Path path = file.toAbsolutePath();
        recent.remove(path);
        recent.addFirst(path);
        if (recent.size() > MOST_RECENT) recent.remove(MOST_RECENT, recent.size());
        keep();
    }

    /// Writes the settings down, away from the interface thread.
    public void keep() {
        Map<String, Object> now = written();
        keeping.ask(_ -> keep(now), _ -> {});
    }

    /// Whether they are written down as they are.
    boolean isKept() {
        return keeping.isIdle();
    }

    /// Writes them down a last time.
    @Override
    public void close() {
        keeping.close();
        keep(written());
    }

    private Map<String, Object> written() {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("theme", theme.get());
        out.put("scale", scale.get());
        out.put("motion", motion.get());
        out.put("searching", searching.get());
        out.put("recent", recent.stream().<Object>map(Path::toString).toList());
        return out;
    }

    /// That they cannot be kept is no reason to stop anybody's work.
    private synchronized boolean keep(Map<String, Object> out) {
        try {
            Files.createDirectories(folder);
            SafeFile.replace(file(), JsonText.of(out));
            return true;
        } catch (java.io.IOException | FileTrouble unwritable) {
            System.getLogger("rivulus")
                    .log(
                            System.Logger.Level.WARNING,
                            "settings are not kept: " + unwritable.getMessage());
            return false;
        }
    }

    private Path file() {
        return folder.resolve("settings.json");
    }

    private void read() {
        if (!Files.exists(file())) return;
        try {
            Map<String, Object> in = Entry.ofFile(file()).values();
            if (NIGHT.equals(in.get("theme"))) theme.set(NIGHT);
            if (in.get("scale") instanceof Number number)
                scale.set(Math.clamp(number.doubleValue(), SMALLEST, LARGEST));
            if (in.get("motion") instanceof Boolean moves) motion.set(moves);
            if (in.get("searching") instanceof Boolean searches) searching.set(searches);
            if (in.get("recent") instanceof List<?> list)
                recent.setAll(list.stream().limit(MOST_RECENT).flatMap(Settings::path).toList());
        } catch (FileTrouble broken) {
            troubles.add("The usual settings hold: " + broken.getMessage());
        }
    }

    private static Stream<Path> path(Object written) {
        try {
            return written instanceof String name && !name.isBlank()
                    ? Stream.of(Path.of(name))
                    : Stream.empty();
        } catch (InvalidPathException noPath) {
            return Stream.empty();
        }
    }
}
