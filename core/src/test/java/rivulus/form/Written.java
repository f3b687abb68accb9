package rivulus.form;

import java.util.List;
import java.util.Map;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.file.ShowFile;
import rivulus.show.Show;

/// A value of a show as its file holds it.
final class Written {
    private Written() {}

    /// @param path names from the outside in, with points between; items of lists by their ids, or
    ///     by their ends
    static Object at(Show show, String path) {
        Object value;
        try {
            value = Json.parse(ShowFile.write(show), "written").plain();
        } catch (FileTrouble impossible) {
            throw new AssertionError(impossible);
        }
        for (String name : path.split("\\."))
            value =
                    value instanceof List<?> list
                            ? list.stream().filter(i -> is(i, name)).findFirst().orElse(null)
                            : value instanceof Map<?, ?> map ? map.get(name) : null;
        return value;
    }

    private static boolean is(Object item, String name) {
        return item instanceof Map<?, ?> map
                && (name.equals(map.get("id"))
                        || name.equals(map.get("from") + " " + map.get("to"))
                        || name.equals(map.get("ear") + " " + map.get("source"))
                        || name.equals(
                                "%s %s %s"
                                        .formatted(
                                                map.get("ear"),
                                                map.get("source"),
                                                map.get("scene"))));
    }
}
