package rivulus.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.stage.Stage;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.rule.Rules;
import rivulus.show.Ref;

/// Whether undo slows down over 500 steps: the demo show in a window, 500 turns of a fader, then as
/// many undone; each with the proof and the pictures that follow it, remedies not waited for.
/// Prints medians of the first and last fifty, and their ratio.
public final class UndoSteps {
    private static final int STEPS = 500;
    private static final int PART = 50;

    private static Session session;

    private UndoSteps() {}

    /// Measures and prints; wants `-Dglass.platform=Headless -Dprism.order=sw`.
    public static void main(String[] args) throws Exception {
        Path state = Files.createTempDirectory("rivulus-undo");
        CountDownLatch open = new CountDownLatch(1);
        Platform.startup(
                () -> {
                    session = new Session(Rules.prover(), Settings.in(state), Optional.empty());
                    MainWindow window = new MainWindow(session, Optional.empty());
                    Stage stage = new Stage();
                    stage.setScene(window.scene());
                    stage.show();
                    window.openDemo(DemoShows.LANTERN_HOUR);
                    open.countDown();
                });
        open.await();
        proven();
        double[] edits = new double[STEPS];
        double[] undos = new double[STEPS];
        Ref fader = Ref.of("desk/mic1.fader");
        for (int i = 0; i < STEPS; i++) {
            double db = -(i % 40) * 0.5 - 0.5;
            edits[i] =
                    ms(
                            () ->
                                    session.document()
                                            .edit(
                                                    "Turn",
                                                    show ->
                                                            show.withKnob(
                                                                    fader, new Setting.Level(db))));
        }
        for (int i = 0; i < STEPS; i++) undos[i] = ms(() -> session.document().undo());
        print("edit", edits);
        print("undo", undos);
        Runtime.getRuntime().halt(0);
    }

    private static double ms(Runnable deed) throws InterruptedException {
        long start = System.nanoTime();
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(
                () -> {
                    deed.run();
                    done.countDown();
                });
        done.await();
        proven();
        return (System.nanoTime() - start) / 1e6;
    }

    /// Waits until the show that is open is proven and drawn.
    private static void proven() throws InterruptedException {
        boolean[] so = new boolean[1];
        while (!so[0]) {
            CountDownLatch asked = new CountDownLatch(1);
            Platform.runLater(
                    () -> {
                        so[0] =
                                session.proof().get() != null
                                        && session.proof().get().show() == session.show().get();
                        asked.countDown();
                    });
            asked.await();
            if (!so[0]) TimeUnit.MICROSECONDS.sleep(200);
        }
    }

    private static void print(String what, double[] ms) {
        double first = median(Arrays.copyOfRange(ms, 0, PART));
        double last = median(Arrays.copyOfRange(ms, STEPS - PART, STEPS));
        System.out.printf(
                "%s: first %d %.1f ms, last %d %.1f ms, ratio %.2f%n",
                what, PART, first, PART, last, last / first);
    }

    private static double median(double[] of) {
        double[] sorted = of.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
