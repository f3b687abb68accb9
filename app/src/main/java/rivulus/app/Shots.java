package rivulus.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import rivulus.air.Stopwatch;
import rivulus.app.brief.BriefStage;
import rivulus.app.day.DayStage;
import rivulus.app.levels.LevelsStage;
import rivulus.app.look.Look;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.RigStage;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.app.stage.Door;
import rivulus.chart.RigLayer;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.mix.Feeds;
import rivulus.recording.Recipe;
import rivulus.rule.Rules;
import rivulus.say.Page;
import rivulus.show.Logged;
import rivulus.show.Show;

/// Takes a picture of every main view of the demo show at 1280 by 800, without a display.
public final class Shots extends Application {
    private static final Duration LOOKED_EVERY = Duration.millis(10);
    private static final boolean IN_A_HURRY = Boolean.getBoolean("rivulus.shots.hurry");

    private Session session;
    private MainWindow window;
    private Path folder;
    private List<String> wanted = List.of();
    private final Deque<Shot> shots = new ArrayDeque<>();

    /// A view to be pictured: the file's name, and what to do first.
    private record Shot(String name, Runnable prepare) {}

    /// Pictures into the folder that is named first; only those that are named after it, if any
    /// are.
    public static void main(String[] args) {
        launch(Shots.class, args);
    }

    @Override
    public void start(Stage stage) throws IOException {
        Look.loadFonts();
        List<String> words = getParameters().getUnnamed();
        folder = Path.of(words.getFirst());
        wanted = words.subList(1, words.size());
        Files.createDirectories(folder);
        Settings settings = Settings.in(Files.createTempDirectory("rivulus-shots"));
        settings.motion().set(false);
        Prover prover = Rules.prover();
        session = new Session(prover, settings, Optional.empty());
        window = new MainWindow(session, Optional.empty());
        stage.setScene(window.scene());
        stage.show();
        plan();
        next();
    }

    private RigStage rig() {
        return window.stages().stream()
                .filter(stage -> stage.id().equals(RigStage.ID))
                .map(Door::get)
                .map(RigStage.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private void plan() {
        shot("start", window::begin);
        shot("mixes-echo", () -> window.openDemo(DemoShows.LANTERN_HOUR));
        shot("mixes-cure-preview", () -> focus(".cure"));
        shot("mixes-missing", () -> choose("call-in", "sunniva"));
        shot(
                "mixes-source",
                () -> {
                    choose("tales", "stream");
                    session.source().set("nadia");
                });
        shot(
                "mixes-every",
                () -> {
                    session.source().set("");
                    press("#every-mix");
                    letTheCallCarryAllButNadia();
                });
        shot(
                "levels",
                () -> {
                    press("#one-listener");
                    session.document().undo();
                    choose("tales", "stream");
                    session.source().set("maren");
                    session.stage().set(LevelsStage.ID);
                });
        shot(
                "say",
                () -> {
                    session.stage().set(MixesStage.ID);
                    session.source().set("");
                    window.stages().stream()
                            .filter(stage -> stage.id().equals(BriefStage.ID))
                            .map(Door::get)
                            .map(BriefStage.class::cast)
                            .forEach(BriefStage::say);
                    ((TextArea) window.scene().lookup("#say-lines"))
                            .setText(
                                    "Ada, guest, Reading Room, she\nlavalier for Ivo\nChoir, guests, tenors!"
                                            + "\nOttilie joins by video call, she must not hear herself"
                                            + "\nperhaps a quartet at the end\nIvo must hear Teo, Tales");
                });
        shot(
                "form",
                () -> {
                    ((TextArea) window.scene().lookup("#say-lines")).clear();
                    if (window.scene().lookup("#row-scene-tales") instanceof Button row) row.fire();
                });
        shot(
                "brief",
                () -> {
                    session.stage().set(BriefStage.ID);
                    press("#hears-tab");
                    choose("call-in", "sunniva");
                    session.source().set("bram");
                });
        shot(
                "rig",
                () -> {
                    session.stage().set(RigStage.ID);
                    session.source().set("");
                });
        for (RigLayer layer : RigLayer.values()) {
            if (layer == RigLayer.LEADS) continue;
            shot(
                    "rig-" + layer.title().toLowerCase(java.util.Locale.ROOT),
                    () -> rig().layer().set(layer));
        }
        shot(
                "rig-knobs",
                () -> {
                    rig().layer().set(RigLayer.LEADS);
                    session.device().set("desk");
                });
        shot("desk", () -> press("#channels-tab"));
        shot(
                "rig-join",
                () -> {
                    session.edit(session.rigEdits().add("pocket-recorder", "workroom"));
                    press("#gear-tab");
                    session.device().set("cue-laptop");
                    session.joinings()
                            .to()
                            .set(session.show().get().rig().devices().getLast().id());
                });
        shot(
                "rig-add",
                () -> {
                    session.document().undo();
                    window.searchGear();
                });
        shot(
                "cupboard",
                () -> {
                    session.edit(
                            session.rigEdits()
                                    .ownThePlan(session.picture().get().proof().survey().leads()));
                    press("#cupboard-tab");
                });
        shot(
                "bench",
                () -> {
                    session.document().undo();
                    window.openBench(Optional.of("show-desk"), Optional.empty());
                    press("#section-routes");
                });
        shot(
                "take-in",
                () -> {
                    window.closeTop();
                    window.takeIn(inputList());
                });
        shot(
                "palette",
                () -> {
                    window.closeTop();
                    session.stage().set(MixesStage.ID);
                    session.device().set("");
                    window.openPalette();
                    ((TextField) window.scene().getRoot().lookup("#palette-search"))
                            .setText("stream");
                });
        shot(
                "plans",
                () -> {
                    window.closeTop();
                    session.document().edit("Say a talk", _ -> tideTables());
                    window.openPlans();
                });
        shot(
                "night",
                () -> {
                    window.closeTop();
                    session.document().undo();
                    session.settings().theme().set(Settings.NIGHT);
                    choose("tales", "nadia");
                });
        shot(
                "day-setup",
                () -> {
                    session.settings().theme().set(Settings.DAY);
                    session.days().goBy(Stopwatch.by(() -> LocalDateTime.of(2026, 12, 1, 19, 26)));
                    window.openDemo(DemoShows.LANTERN_HOUR);
                    session.stage().set(DayStage.ID);
                });
        shot("day-soundcheck-begun", () -> press("#day-soundcheck"));
        shot("day-soundcheck", () -> press("#check-reply-2"));
        shot("day-trouble", () -> press("#check-find"));
        shot(
                "day-air-day",
                () -> {
                    press("#day-air");
                    for (int scene = 0; scene < 2; scene++)
                        session.days().begin(session.show().get().scenes().get(scene));
                    session.days().log(Logged.Kind.NOTE, "Ivo's stool creaks");
                    session.days().learn("Another stool for Ivo");
                });
        shot("day-air", () -> session.settings().theme().set(Settings.NIGHT));
        shot(
                "day-log",
                () -> {
                    session.settings().theme().set(Settings.DAY);
                    press("#day-log");
                });
        shot(
                "letters",
                () -> {
                    session.settings().theme().set(Settings.DAY);
                    window.openDemo(DemoShows.LONG_READ);
                    leaveChanges();
                });
        shot(
                "levels-processing",
                () -> {
                    choose("letters", "stream");
                    session.source().set("ivo");
                    session.stage().set(LevelsStage.ID);
                    press("#levels-processing");
                });
        shot("levels-going", () -> press("#levels-going"));
        shot(
                "talk",
                () -> {
                    press("#levels-on-paper");
                    window.openDemo(Recipe.TIDE_TABLE_TALK);
                    leaveChanges();
                });
        shot(
                "levels-recording",
                () -> {
                    session.scene().set("tide-tables");
                    session.stage().set(LevelsStage.ID);
                    session.recordings().make(Recipe.shipped(Recipe.TIDE_TABLE_TALK));
                });
    }

    /// A talk, as far as it is a brief.
    private Show tideTables() {
        String lines =
                """
                Maren, host, Reading Room, she
                Ivo, guest, he
                Ada, guest, she
                Bram, caller, phone, he
                Cue pads, cues
                stream
                scene Tide tables, 40 min
                """;
        Show empty = Show.untitled().titled("The tide-table talk");
        return Page.of(lines, empty, session.shelf().prover().catalogue()).edit().after();
    }

    private void letTheCallCarryAllButNadia() {
        Feeds.of(session.shelf().prover(), session.proof().get()).stream()
                .filter(feed -> feed.at().toString().equals("desk/out.usb1chat"))
                .findFirst()
                .ifPresent(call -> session.mixings().let(call, call.asked()));
    }

    private void shot(String name, Runnable prepare) {
        shots.add(new Shot(name, prepare));
    }

    private void choose(String scene, String ear) {
        session.scene().set(scene);
        session.ear().set(ear);
        session.source().set("");
    }

    private void focus(String selector) {
        Node node = window.scene().getRoot().lookup(selector);
        if (node != null) node.requestFocus();
    }

    /// An input list as somebody might send it.
    private Path inputList() {
        try {
            return Files.writeString(
                    Files.createTempDirectory("rivulus-list").resolve("inputs.csv"),
                    """
                    Ch,Source,Mic,48V,Length
                    MIC 1,Maren,Dynamic microphone,,10
                    MIC 4,Lute,Condenser microphone,x,15
                    MIC 4,Second lute,Dynamic microphone,,15
                    ,Poet,Microphone with XLR and USB,,5
                    """);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private void press(String selector) {
        if (window.scene().getRoot().lookup(selector) instanceof ButtonBase button) button.fire();
    }

    /// Answers whether to save first, where that is asked.
    private void leaveChanges() {
        for (Node node : window.scene().getRoot().lookupAll("#panel .button"))
            if (node instanceof Button button && button.getText().equals("Leave them"))
                button.fire();
    }

    private void next() {
        boolean more = wanted.isEmpty() || shots.stream().anyMatch(s -> wanted.contains(s.name()));
        Shot shot = shots.poll();
        if (shot == null || !more) {
            Platform.exit();
            return;
        }
        whenSettled(
                () -> {
                    shot.prepare().run();
                    whenSettled(
                            () -> {
                                if (wanted.isEmpty() || wanted.contains(shot.name()))
                                    take(window.scene(), folder.resolve(shot.name() + ".png"));
                                next();
                            });
                });
    }

    /// Runs something once nothing is being worked out any more and the window has been laid out;
    /// where somebody is in a hurry, fixes may still be searched.
    private void whenSettled(Runnable then) {
        if (IN_A_HURRY ? session.isShown() : session.isSettled()) {
            Platform.runLater(() -> Platform.runLater(then));
            return;
        }
        PauseTransition pause = new PauseTransition(LOOKED_EVERY);
        pause.setOnFinished(_ -> whenSettled(then));
        pause.play();
    }

    private static void take(Scene scene, Path file) {
        WritableImage image = scene.snapshot(null);
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++)
                picture.setRGB(x, y, image.getPixelReader().getArgb(x, y));
        }
        try {
            ImageIO.write(picture, "png", file.toFile());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
