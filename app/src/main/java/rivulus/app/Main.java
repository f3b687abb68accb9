package rivulus.app;

import java.util.Arrays;
import java.util.List;
import javafx.application.Application;

/// Starts the window, or, where `shots DIR` is asked for, takes its pictures.
public final class Main {
    private static final String SHOTS = "shots";

    private Main() {}

    /// Starts the window with the files that are named.
    public static void main(String[] args) {
        if (args.length > 1 && args[0].equals(SHOTS)) {
            Shots.main(Arrays.copyOfRange(args, 1, args.length));
            return;
        }
        Early.begin(List.of(args));
        Application.launch(App.class, args);
    }
}
