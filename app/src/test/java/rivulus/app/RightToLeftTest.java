package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.file.Templates;

/// Names and notes in letters that are written from the right are shown, typed and kept; the
/// toolkit would fail at breaking such lines.
class RightToLeftTest {
    private static final String NAME = "אבגד הוזח טיכל מנסע פצקר";
    private static final String NOTE =
            "מרן שומעת את איבו " + "אבגד הוזח טיכל ".repeat(12) + "\u202Eturned round";

    @TempDir Path folder;

    @Test
    void everyStageShowsThem() throws Exception {
        Path file = folder.resolve("show.rivulus");
        ShowFile.save(DemoShows.open("lantern-hour", Templates.shipped()), file);
        Files.writeString(
                file,
                Files.readString(file)
                        .replace("\"Maren\"", "\"" + NAME + "\"")
                        .replace("\"The Lantern Hour\"", "\"" + NAME + " " + NAME + "\""));
        List<Throwable> uncaught = new CopyOnWriteArrayList<>();
        try (Hand hand = Hand.atNewWindow(folder)) {
            Hand.onFx(
                    () -> {
                        Thread.currentThread()
                                .setUncaughtExceptionHandler((_, thrown) -> uncaught.add(thrown));
                        return null;
                    });
            hand.act(() -> hand.window().open(file));
            for (KeyCode digit : Hand.STAGES) {
                hand.press(KeyCode.CONTROL, digit);
                hand.press(KeyCode.CONTROL, KeyCode.SHIFT, digit);
            }
            hand.press(KeyCode.CONTROL, KeyCode.L);
            TextInputControl lines = (TextInputControl) hand.find("#say-lines");
            hand.act(lines::requestFocus);
            hand.act(() -> lines.setText(NOTE));
            hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT5);
            TextInputControl lesson = (TextInputControl) hand.find("#lesson");
            hand.act(() -> lesson.setText(NOTE));
            hand.act(() -> lesson.requestFocus());
            hand.press(KeyCode.ENTER);
            assertThat(hand.session().mishap().get()).isNull();
            assertThat(hand.session().show().get().title()).contains(NAME);
        }
        assertThat(uncaught).isEmpty();
    }
}
