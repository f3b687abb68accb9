package rivulus.app.stage;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.scene.input.KeyCombination;

/// Something the user can ask for, from the palette, by keyboard, or both.
///
/// @param title what it does, as an order; asked each time, since it may name what would be undone
/// @param shortcut its keys, written like "Shortcut+Shift+S", or empty
/// @param possible whether it would do anything now
public record Command(
        Supplier<String> title, String shortcut, BooleanSupplier possible, Runnable run) {
    /// Something that can always be asked for.
    public static Command of(String title, String shortcut, Runnable run) {
        return when(title, shortcut, () -> true, run);
    }

    /// Something that can be asked for at times.
    public static Command when(
            String title, String shortcut, BooleanSupplier possible, Runnable run) {
        return new Command(() -> title, shortcut, possible, run);
    }

    /// Does it, if it would do anything now.
    public void runIfPossible() {
        if (possible.getAsBoolean()) run.run();
    }

    /// Its keys, if it has any.
    public Optional<KeyCombination> keys() {
        return shortcut.isEmpty()
                ? Optional.empty()
                : Optional.of(KeyCombination.valueOf(shortcut));
    }

    /// The keys as people write them: "Ctrl Shift S", or empty.
    public String keysInWords() {
        return shortcut.replace("Shortcut", "Ctrl")
                .replace('+', ' ')
                .replace("PLUS", "Plus")
                .replace("MINUS", "Minus");
    }
}
