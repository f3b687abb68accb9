package rivulus.torture;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;
import rivulus.app.look.Look;
import rivulus.app.session.Elsewhere;
import rivulus.app.session.SavingTold;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.check.Prover;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// The program that is killed: it takes up what its forerunner left, as the window does, then edits
/// and now and then saves, and says what it has written down. See [Killer].
final class Victim {
    /// What it has after starting, what it has kept, what it has saved: each with the number of the
    /// edit.
    static final String HAS = "has ";

    static final String KEPT = "kept ";

    /// An edit was made, with its number and when, in milliseconds since the epoch.
    static final String MADE = "made ";

    /// It asks whose changes hold, since it was killed between saving and noting that it had.
    static final String ASKED = "asked";

    private static final String TITLE = "Edit ";
    private static final int SAVED = 7;

    private final Session session;
    private final Path file;
    private final Random random = new Random();

    private Victim(Session session, Path file) {
        this.session = session;
        this.file = file;
    }

    public static void main(String[] args) throws Exception {
        Path folder = Path.of(args[0]);
        Path file = folder.resolve("show.rivulus");
        boolean withWindow = args.length > 1;
        Prover prover = Rules.prover();
        Platform.startup(
                () -> {
                    Settings settings = Settings.in(folder);
                    List<Journal.Left> left =
                            Journal.leftIn(settings.journals(), prover.catalogue()).left();
                    try {
                        Session session =
                                new Session(
                                        prover,
                                        settings,
                                        Optional.of(Journal.in(settings.journals())));
                        if (withWindow) {
                            Look.loadFonts();
                            javafx.stage.Stage stage = new javafx.stage.Stage();
                            stage.setScene(new MainWindow(session, Optional.empty()).scene());
                            stage.show();
                        }
                        new Victim(session, file).begin(left, prover);
                    } catch (FileTrouble trouble) {
                        System.out.println("trouble " + trouble.getMessage());
                    }
                });
    }

    private void begin(List<Journal.Left> left, Prover prover) {
        Runnable go =
                () -> {
                    say(HAS + number());
                    Thread.ofPlatform().daemon().start(this::work);
                };
        if (!left.isEmpty()) {
            session.document().take(left.getFirst());
            go.run();
        } else if (Files.exists(file)) {
            session.document()
                    .open(file, Runnable::run, trouble -> say("trouble " + trouble.getMessage()));
            Thread.ofPlatform()
                    .start(
                            () -> {
                                await();
                                Platform.runLater(go);
                            });
        } else {
            Show fresh = DemoShows.open("first-call", prover.catalogue()).titled(TITLE + 0);
            session.document().take(fresh, null);
            go.run();
        }
    }

    private static synchronized void say(String line) {
        System.out.println(line);
        System.out.flush();
    }

    private int number() {
        return Integer.parseInt(session.show().get().title().substring(TITLE.length()));
    }

    private void await() {
        while (!session.isShown()) LockSupport.parkNanos(200_000);
    }

    /// Edits until it is killed; what is said is on the disk.
    private void work() {
        while (true) {
            int[] edited = {0};
            boolean saves = random.nextInt(SAVED) == 0;
            java.util.concurrent.CountDownLatch done = new java.util.concurrent.CountDownLatch(1);
            Platform.runLater(
                    () -> {
                        edited[0] = number() + 1;
                        session.document().edit("Edit", show -> show.titled(TITLE + edited[0]));
                        say(MADE + edited[0] + " " + System.currentTimeMillis());
                        if (saves) session.document().save(file, told);
                        done.countDown();
                    });
            try {
                done.await();
            } catch (InterruptedException ended) {
                return;
            }
            await();
            say(KEPT + edited[0]);
        }
    }

    private final SavingTold told =
            new SavingTold() {
                @Override
                public void saved() {
                    // what is said afterwards says it
                }

                @Override
                public void failed(FileTrouble trouble) {
                    say("trouble " + trouble.getMessage());
                }

                @Override
                public void changed(Elsewhere elsewhere) {
                    say(ASKED);
                    session.document().replace(elsewhere.file(), told());
                }
            };

    private SavingTold told() {
        return told;
    }
}
