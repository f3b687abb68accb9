package rivulus.disk;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/// Files that are no shows: settings, sheets.
public final class PlainFile {
    private PlainFile() {}

    /// Reads a JSON object as plain values.
    ///
    /// @throws FileTrouble where the file cannot be read or holds something else
    public static Map<String, Object> read(Path file) throws FileTrouble {
        Json json = Json.parse(SafeFile.read(file).text(), file.toString());
        Entry root = Entry.root(file.toString(), json);
        Map<String, Object> values = new LinkedHashMap<>();
        root.each().forEach((name, value) -> values.put(name, value.json().plain()));
        return values;
    }

    /// Writes plain values as a JSON object, whole or not at all.
    public static void write(Path file, Map<String, Object> values) throws FileTrouble {
        SafeFile.replace(file, JsonText.of(values));
    }

    /// Writes bytes, whole or not at all.
    ///
    /// @throws FileTrouble where they cannot be written; the old file is then as it was
    public static void write(Path file, byte[] bytes) throws FileTrouble {
        SafeFile.replace(file, bytes);
    }
}
