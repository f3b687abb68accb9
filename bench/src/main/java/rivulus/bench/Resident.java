package rivulus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import rivulus.app.brief.BriefStage;
import rivulus.app.day.DayStage;
import rivulus.app.levels.LevelsStage;
import rivulus.app.look.Look;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.RigStage;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.check.Prover;
import rivulus.gear.Setting;
import rivulus.rule.Rules;
import rivulus.show.Device;
import rivulus.show.Ref;

/// How much memory a window holds after hours of work: `Resident empty`, or `Resident demo EDITS`
/// and `Resident large EDITS`, where faders are moved, scenes and ears turned to, and all of it is
/// proven, drawn and searched for cures; then every stage is looked at. Prints what the process has
/// resident and what the heap holds.
public final class Resident {
    private static final int FADERS = 4;
    private static final int STEPS = 20;

    private Resident() {}

    /// Runs it.
    public static void main(String[] args) throws Exception {
        CountDownLatch shown = new CountDownLatch(1);
        if (args[0].equals("empty")) {
            Platform.startup(
                    () -> {
                        Stage stage = new Stage();
                        stage.setScene(new Scene(new Pane(), 1280, 800));
                        stage.show();
                        shown.countDown();
                    });
            shown.await();
        } else {
            work(args[0], Integer.parseInt(args[1]));
        }
        System.gc();
        System.out.printf("%s: %s, heap %d MB%n", String.join(" ", args), resident(), heap());
        if (args[args.length - 1].equals("told"))
            new ProcessBuilder(
                            "jcmd",
                            String.valueOf(ProcessHandle.current().pid()),
                            "VM.native_memory")
                    .inheritIO()
                    .start()
                    .waitFor();
        System.exit(0);
    }

    private static void work(String show, int edits) throws Exception {
        Prover prover = Rules.prover();
        Path state = Files.createTempDirectory("rivulus-resident");
        Session[] sessions = new Session[1];
        onToolkit(
                () -> {
                    Look.loadFonts();
                    Session session = new Session(prover, Settings.in(state), Optional.empty());
                    Stage stage = new Stage();
                    stage.setScene(new MainWindow(session, Optional.empty()).scene());
                    stage.show();
                    session.document().take(Shows.named(show, prover), null);
                    sessions[0] = session;
                });
        Session session = sessions[0];
        for (int edit = 0; edit < edits; edit++) {
            int n = edit;
            await(session);
            Platform.runLater(() -> edit(session, n));
        }
        for (String stage :
                List.of(BriefStage.ID, RigStage.ID, MixesStage.ID, LevelsStage.ID, DayStage.ID)) {
            Platform.runLater(() -> session.stage().set(stage));
            await(session);
        }
        await(session);
    }

    private static void edit(Session session, int n) {
        var scenes = session.show().get().scenes();
        var ears = session.show().get().ears();
        Ref fader = fader(session, n % FADERS);
        session.document()
                .edit("Move", show -> show.withKnob(fader, new Setting.Level(-(n % STEPS))));
        if (n % STEPS == 0) session.scene().set(scenes.get(n / STEPS % scenes.size()).id());
        if (n % STEPS == 1) session.ear().set(ears.get(n / STEPS % ears.size()).id());
    }

    private static Ref fader(Session session, int n) {
        Device desk = session.show().get().rig().device("desk").orElseThrow();
        return new Ref(
                desk.id(), session.proof().get().survey().template(desk).faders().get(n).id());
    }

    private static void onToolkit(Runnable deed) throws InterruptedException {
        CountDownLatch done = new CountDownLatch(1);
        Platform.startup(
                () -> {
                    deed.run();
                    done.countDown();
                });
        done.await();
    }

    private static void await(Session session) throws InterruptedException {
        CountDownLatch idle = new CountDownLatch(1);
        while (idle.getCount() > 0) {
            Platform.runLater(
                    () -> {
                        if (session.isShown()) idle.countDown();
                    });
            LockSupport.parkNanos(1_000_000);
        }
    }

    private static String resident() throws IOException {
        return Files.readAllLines(Path.of("/proc/self/status")).stream()
                .filter(line -> line.startsWith("VmRSS") || line.startsWith("VmHWM"))
                .map(line -> line.replaceAll("\\s+", " "))
                .reduce((a, b) -> a + ", " + b)
                .orElse("unknown");
    }

    private static long heap() {
        Runtime runtime = Runtime.getRuntime();
        return (runtime.totalMemory() - runtime.freeMemory()) >> 20;
    }
}
