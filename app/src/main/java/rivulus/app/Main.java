package rivulus.app;

import javafx.application.Application;

/// Starts the window.
public final class Main {
    private Main() {}

    /// Starts the window with the files that are named.
    public static void main(String[] args) {
        Early.begin();
        Application.launch(App.class, args);
    }
}
