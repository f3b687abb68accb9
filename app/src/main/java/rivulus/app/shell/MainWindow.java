package rivulus.app.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.GridPane;
import javafx.stage.Window;
import rivulus.app.bench.TemplateBench;
import rivulus.app.look.Look;
import rivulus.app.plan.PlanPane;
import rivulus.app.session.Document;
import rivulus.app.session.FileAsker;
import rivulus.app.session.Mishap;
import rivulus.app.session.Session;
import rivulus.app.stage.Command;
import rivulus.app.stage.Door;
import rivulus.file.Journal;
import rivulus.show.Device;

/// The window's scene: the workspace with what lies over it, its style, its keys, and everything
/// about files.
public final class MainWindow {
    /// Plus where it is a key of its own besides, where it is a shifted one, and on the number pad.
    private static final List<String> LARGER =
            List.of(
                    "Shortcut+EQUALS",
                    "Shortcut+Shift+EQUALS",
                    "Shortcut+Shift+PLUS",
                    "Shortcut+ADD");

    private final Session session;
    private final Workspace workspace;
    private final Layers layers;
    private final Scene scene;
    private final Commands commands;
    private final FileAsker asker;
    private final Files files;
    private final Recovery recovery;

    /// The window of a session.
    ///
    /// @param asker asks which file is meant; empty for the platform's own dialogs
    public MainWindow(Session session, Optional<FileAsker> asker) {
        this.session = session;
        this.commands = new Commands(session, this);
        this.workspace = new Workspace(session, this);
        this.layers = new Layers(workspace);
        Scaled scaled = new Scaled(layers, session.settings().scale());
        this.scene = new Scene(scaled, 1280, 800);
        this.asker = asker.orElseGet(() -> FileAsker.dialogs(scene.getWindow()));
        this.files = new Files(session, layers, this.asker, this::bench, workspace::write);
        this.recovery = new Recovery(session, layers, files::orSaveFirst);
        session.settings().theme().addListener((_, _, theme) -> dress(theme));
        dress(session.settings().theme().get());
        for (Command command : commands.standing()) {
            command.keys().ifPresent(keys -> scene.getAccelerators().put(keys, () -> run(command)));
        }
        accelerate("Shortcut+Y", session.document()::redo);
        for (String keys : LARGER) accelerate(keys, () -> session.settings().scaleBy(1.1));
        accelerate("Shortcut+SUBTRACT", () -> session.settings().scaleBy(1 / 1.1));
        session.mishap().addListener((_, _, mishap) -> tell(mishap));
        session.document().refusal().addListener((_, _, refusal) -> tell(refusal));
        session.document().typed().watch(scene);
        scene.setOnDragOver(this::dragOver);
        scene.setOnDragDropped(this::dropped);
    }

    private void accelerate(String keys, Runnable deed) {
        scene.getAccelerators().put(KeyCombination.valueOf(keys), deed);
    }

    /// Begins: where no show is open, one is written.
    public void begin() {
        if (session.show().get().ears().isEmpty()) workspace.write();
    }

    /// The scene to put on a stage.
    public Scene scene() {
        return scene;
    }

    private void dress(String theme) {
        scene.getStylesheets().setAll(Look.sheet(theme), Look.sheet("rivulus"));
    }

    /// While something lies over the workspace, only its own keys count.
    private void run(Command command) {
        if (layers.isClear()) command.runIfPossible();
    }

    // What lies over the workspace

    /// Opens the palette.
    public void openPalette() {
        List<Command> all = new java.util.ArrayList<>(commands.standing());
        all.addAll(commands.ofTheMoment());
        Palette palette = new Palette(all, layers::closeTop);
        layers.lay(palette);
        palette.focus();
    }

    /// Opens the bench on which kinds of gear are made and changed.
    ///
    /// @param kind the id of the template to look at first
    /// @param device the device it is looked at for, which takes up a copy that is kept
    public void openBench(Optional<String> kind, Optional<Device> device) {
        bench().open(kind, device);
    }

    private TemplateBench bench() {
        TemplateBench bench =
                new TemplateBench(
                        session,
                        asker,
                        (name, then) -> files.ask(name, List.of(), then),
                        layers::closeTop);
        layers.lay(bench);
        return bench;
    }

    /// Opens whole plans for the show, side by side.
    public void openPlans() {
        PlanPane plans = new PlanPane(session, layers::closeTop);
        layers.lay(plans);
        plans.focus();
    }

    /// Turns to the catalogue of gear.
    public void searchGear() {
        workspace.searchGear();
    }

    void showKeys() {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("keys");
        int row = 0;
        for (Command command : commands.standing()) {
            if (command.shortcut().isEmpty()) continue;
            String title =
                    command.title()
                            .get()
                            .replaceAll(
                                    ": .*", command.title().get().startsWith("Stage") ? "$0" : "");
            grid.addRow(row++, Look.text(command.keysInWords(), "shortcut"), Look.text(title));
        }
        Label more =
                Look.paragraph(
                        "Up and Down choose an ear. Tab walks on. On a cure, Space takes it.",
                        "soft");
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        scroll.setPrefViewportHeight(440);
        layers.panel("Keys", "").with(scroll).with(more).answer("Close", () -> {});
    }

    // What went wrong

    /// Tells what was found on starting that somebody should know.
    public void tell(List<String> notes) {
        if (notes.isEmpty()) return;
        Panel panel = layers.panel("Before you begin", "");
        for (String note : notes) panel.with(Look.paragraph(note, "panel-words"));
        panel.answer("Go on", () -> {});
    }

    /// A failure of the program's own ends in a calm card, one at a time.
    private void tell(Mishap mishap) {
        if (mishap == null || scene.lookup("#mishap") != null) return;
        Label words = Look.paragraph(mishap.words(), "panel-words");
        words.setId("mishap");
        layers.panel("Something in the program failed", "")
                .with(words)
                .answer("Go on", () -> {})
                .answer("Copy what happened", () -> copy(mishap.details()));
    }

    private static void copy(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }

    private void tell(Document.Refusal refusal) {
        if (refusal == null) return;
        layers.panel("This cannot be done", refusal.name() + ": " + refusal.why())
                .answer("Close", () -> {});
    }

    /// Closes the window, asking first where unsaved edits would be lost.
    public void quit() {
        files.orSaveFirst(
                () -> {
                    Window window = scene.getWindow();
                    if (window != null) window.hide();
                });
    }

    private void dragOver(DragEvent event) {
        if (event.getDragboard().hasFiles()) event.acceptTransferModes(TransferMode.COPY);
        event.consume();
    }

    private void dropped(DragEvent event) {
        if (event.getDragboard().hasFiles()) {
            drop(event.getDragboard().getFiles().stream().map(File::toPath).toList());
            event.setDropCompleted(true);
        }
        event.consume();
    }

    /// Takes up what was dropped on the window.
    public void drop(List<Path> dropped) {
        files.drop(dropped);
    }

    /// The stages of the work, in the order people go through them.
    public List<Door<?>> stages() {
        return workspace.stages();
    }

    /// Closes what lies on top of the workspace, if anything does.
    public void closeTop() {
        layers.closeTop();
    }

    /// What was there before and can be had again.
    Recovery recovery() {
        return recovery;
    }

    /// Everything about files.
    Files files() {
        return files;
    }

    /// Opens a show from a file, asking first where unsaved edits would be lost.
    public void open(Path file) {
        files.open(file);
    }

    /// Opens one of the shows that travel with the program, as a new show without a file.
    public void openDemo(String name) {
        files.openDemo(name);
    }

    /// Shows what a list would change.
    public void takeIn(Path file) {
        files.takeIn(file);
    }

    /// Offers what an earlier run left behind.
    public void offer(List<Journal.Left> left) {
        recovery.offer(left);
    }

    // The keyboard

    void focusEars() {
        workspace.focusEars();
    }

    void focusFindings() {
        workspace.focusFindings();
    }

    void focusStage() {
        workspace.focusStage();
    }
}
