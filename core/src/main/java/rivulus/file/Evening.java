package rivulus.file;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;

/// One of the evenings of the demo world: `evenings.json`.
///
/// @param file its name without the ending
/// @param about what is done there
/// @param teaches what is wrong with it as it was first built
/// @param repaired the name of the file as it was repaired
public record Evening(
        String file, String title, String about, String teaches, Optional<String> repaired) {
    /// Every evening that travels with the program, the demo show first.
    public static final List<Evening> ALL = all();

    private static List<Evening> all() {
        try {
            String text = Templates.resource("/rivulus/evenings.json");
            List<Evening> evenings = new ArrayList<>();
            for (Object one : (List<?>) Json.parse(text, "evenings.json").plain())
                evenings.add(of((Map<?, ?>) one));
            return List.copyOf(evenings);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    private static Evening of(Map<?, ?> one) {
        String file = (String) one.get("file");
        boolean repaired = Boolean.TRUE.equals(one.get("repaired"));
        return new Evening(
                file,
                (String) one.get("title"),
                (String) one.get("about"),
                (String) one.get("teaches"),
                repaired ? Optional.of(file + "-repaired") : Optional.empty());
    }
}
