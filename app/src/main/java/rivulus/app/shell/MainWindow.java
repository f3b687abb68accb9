package rivulus.app.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.StackPane;
import javafx.stage.Window;
import rivulus.app.bench.TemplateBench;
import rivulus.app.intake.IntakePane;
import rivulus.app.look.Look;
import rivulus.app.session.Document;
import rivulus.app.session.Elsewhere;
import rivulus.app.session.FileAsker;
import rivulus.app.session.Mishap;
import rivulus.app.session.Picture;
import rivulus.app.session.SavingTold;
import rivulus.app.session.Session;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;
import rivulus.show.Device;
import rivulus.show.Show;
import rivulus.words.Words;

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

    private static final int DIFFERENCES_SHOWN = 8;
    private static final List<String> LISTS = List.of(".csv", ".tsv", ".txt");

    private final Session session;
    private final Workspace workspace;
    private final StackPane layers;
    private final Scene scene;
    private final Commands commands;
    private final FileAsker files;

    /// The window of a session.
    ///
    /// @param files asks which file is meant; empty for the platform's own dialogs
    public MainWindow(Session session, Optional<FileAsker> files) {
        this.session = session;
        this.commands = new Commands(session, this);
        this.workspace = new Workspace(session, this);
        this.layers = new StackPane(workspace);
        Scaled scaled = new Scaled(layers, session.settings().scale());
        this.scene = new Scene(scaled, 1280, 800);
        this.files = files.orElseGet(() -> FileAsker.dialogs(scene.getWindow()));
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
        scene.setOnDragOver(this::dragOver);
        scene.setOnDragDropped(this::dropped);
    }

    private void accelerate(String keys, Runnable deed) {
        scene.getAccelerators().put(KeyCombination.valueOf(keys), deed);
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
        if (layers.getChildren().size() == 1) command.runIfPossible();
    }

    // What lies over the workspace

    private void lay(Node over) {
        layers.getChildren().add(over);
        showTop();
    }

    /// Closes what lies on top of the workspace, if anything does.
    public void closeTop() {
        if (layers.getChildren().size() > 1) layers.getChildren().removeLast();
        showTop();
        if (layers.getChildren().size() == 1) workspace.focusAgain();
        else if (layers.getChildren().getLast() instanceof Panel panel) panel.focus();
    }

    /// Of what lies over the workspace only the uppermost is seen.
    private void showTop() {
        List<Node> all = layers.getChildren();
        for (int i = 1; i < all.size(); i++) all.get(i).setVisible(i == all.size() - 1);
        workspace.setDisable(all.size() > 1);
    }

    private Panel panel(String title, String words) {
        Panel panel = new Panel(title, words, this::closeTop);
        lay(panel);
        Platform.runLater(panel::focus);
        return panel;
    }

    /// Opens the palette.
    public void openPalette() {
        List<Command> all = new java.util.ArrayList<>(commands.standing());
        all.addAll(commands.ofTheMoment());
        Palette palette = new Palette(all, this::closeTop);
        lay(palette);
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
        TemplateBench bench = new TemplateBench(session, files, this::closeTop);
        lay(bench);
        return bench;
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
        panel("Keys", "").with(scroll).with(more).answer("Close", () -> {});
    }

    private void trouble(String title, FileTrouble trouble) {
        panel(title, trouble.getMessage()).answer("Close", () -> {});
    }

    // Files

    /// Opens a show from a file, asking first where unsaved edits would be lost.
    public void open(Path file) {
        orSaveFirst(
                () ->
                        session.document()
                                .open(
                                        file,
                                        trouble -> trouble("This show cannot be opened", trouble)));
    }

    /// Opens one of the shows that travel with the program, as a new show without a file.
    public void openDemo(String name) {
        orSaveFirst(
                () ->
                        session.document()
                                .take(
                                        DemoShows.open(name, session.shelf().prover().catalogue()),
                                        null));
    }

    void openDemoFromStart() {
        openDemo(DemoShows.LANTERN_HOUR);
    }

    void newShow() {
        orSaveFirst(() -> session.document().take(Show.untitled(), null));
    }

    void openShow() {
        files.toOpen().ifPresent(this::open);
    }

    void save() {
        save(() -> {});
    }

    /// @param then done once it is saved
    private void save(Runnable then) {
        if (session.document().file().get() == null) saveAs(then);
        else saveTo(session.document().file().get(), then);
    }

    void saveAs() {
        saveAs(() -> {});
    }

    private void saveAs(Runnable then) {
        String name = session.show().get().title().replaceAll("[^\\p{L}\\p{N} -]", "").strip();
        files.toSave((name.isEmpty() ? "show" : name) + ShowFile.ENDING)
                .ifPresent(file -> saveTo(file, then));
    }

    private void saveTo(Path file, Runnable then) {
        session.document().save(file, told(then));
    }

    private SavingTold told(Runnable then) {
        return new SavingTold() {
            @Override
            public void saved() {
                then.run();
            }

            @Override
            public void failed(FileTrouble trouble) {
                panel("The show is not saved", trouble.getMessage())
                        .answer("Save somewhere else", () -> saveAs(then))
                        .answer("Close", () -> {});
            }

            @Override
            public void changed(Elsewhere elsewhere) {
                offerBoth(elsewhere, then);
            }
        };
    }

    /// Somebody else has saved the same file: both are offered, with what differs.
    private void offerBoth(Elsewhere elsewhere, Runnable then) {
        Path name = elsewhere.file().getFileName();
        List<String> differences = elsewhere.differences();
        List<String> shown =
                differences.subList(0, Math.min(differences.size(), DIFFERENCES_SHOWN));
        int more = differences.size() - shown.size();
        Panel panel =
                panel(
                        "Somebody else has changed " + name,
                        "It is not what you opened, and it is left as it is. What is different there:");
        for (String one : shown) panel.with(Look.paragraph(one, "soft"));
        if (more > 0)
            panel.with(Look.paragraph("and " + Words.count(more, "thing") + " more", "soft"));
        panel.answer("Keep both: save mine elsewhere", () -> saveAs(then));
        if (elsewhere.theirs().isPresent())
            panel.answer(
                    "Take up theirs",
                    () ->
                            session.document()
                                    .takeTheirs(
                                            elsewhere.file(),
                                            trouble ->
                                                    trouble(
                                                            "This show cannot be opened",
                                                            trouble)));
        panel.answer(
                        "Replace theirs",
                        () -> session.document().replace(elsewhere.file(), told(then)))
                .answer("Not now", () -> {});
    }

    // What went wrong

    /// Tells what was found on starting that somebody should know.
    public void tell(List<String> notes) {
        if (notes.isEmpty()) return;
        Panel panel = panel("Before you begin", "");
        for (String note : notes) panel.with(Look.paragraph(note, "panel-words"));
        panel.answer("Go on", () -> {});
    }

    /// A failure of the program's own ends in a calm card, one at a time.
    private void tell(Mishap mishap) {
        if (mishap == null || scene.lookup("#mishap") != null) return;
        Label words = Look.paragraph(mishap.words(), "panel-words");
        words.setId("mishap");
        panel("Something in the program failed", "")
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
        panel("This cannot be done", refusal.name() + ": " + refusal.why())
                .answer("Close", () -> {});
    }

    /// Writes a sheet to a file that is asked for: PDF or CSV where it ends so, else Markdown.
    void saveSheet(Sheets.Kind kind) {
        Picture picture = session.picture().get();
        if (picture == null) return;
        files.toSave(kind.word() + ".pdf").ifPresent(file -> writeSheet(picture, kind, file));
    }

    private void writeSheet(Picture picture, Sheets.Kind kind, Path file) {
        Sheets sheets = new Sheets(picture.proof(), session.shelf().prover().catalogue());
        session.papers()
                .write(
                        file,
                        () -> written(sheets.of(kind), file),
                        trouble ->
                                panel("The sheet is not written", trouble.getMessage())
                                        .answer("Write it somewhere else", () -> saveSheet(kind))
                                        .answer("Close", () -> {}));
    }

    private static byte[] written(Sheet sheet, Path file) throws FileTrouble {
        String name = SafeFile.name(file);
        if (name.endsWith(".svg") && !sheet.endings().contains(".svg"))
            throw new FileTrouble(
                    name
                            + ": there is no drawing on this sheet; it is written as "
                            + String.join(", ", sheet.endings()));
        return sheet.in(name);
    }

    void takeInList() {
        files.toOpen("an input list or a lead list", LISTS.getFirst()).ifPresent(this::takeIn);
    }

    /// Shows what a list would change.
    public void takeIn(Path file) {
        session.papers()
                .openList(
                        file,
                        list -> {
                            IntakePane pane =
                                    new IntakePane(
                                            session, SafeFile.name(file), list, this::closeTop);
                            lay(pane);
                            pane.focus();
                        },
                        trouble -> trouble("This list cannot be taken in", trouble));
    }

    /// Does something at once where nothing would be lost, else asks.
    private void orSaveFirst(Runnable then) {
        if (!session.document().dirty().get()) {
            then.run();
            return;
        }
        panel(
                        "Save “" + session.show().get().title() + "” first?",
                        "It has changes that are not saved.")
                .answer("Save", () -> save(then))
                .answer("Leave them", then)
                .answer("Stay here", () -> {});
    }

    /// Closes the window, asking first where unsaved edits would be lost.
    public void quit() {
        orSaveFirst(
                () -> {
                    Window window = scene.getWindow();
                    if (window != null) window.hide();
                });
    }

    /// Offers what an earlier run left behind.
    public void offer(List<Journal.Left> left) {
        if (left.isEmpty()) return;
        Journal.Left latest = left.getFirst();
        String where = latest.file().map(file -> " (" + file.getFileName() + ")").orElse("");
        panel(
                        "Take up where you were?",
                        "Rivulus ended without saving “%s”%s. Its last change is kept."
                                .formatted(latest.show().title(), where))
                .answer("Recover it", () -> session.document().take(latest))
                .answer("Throw it away", () -> discard(latest))
                .answer("Later", () -> {});
    }

    private void discard(Journal.Left left) {
        try {
            left.discard();
        } catch (FileTrouble trouble) {
            trouble("This cannot be thrown away", trouble);
        }
    }

    /// Takes up a file that was dropped: a kind of gear goes to the bench, a list
    /// is looked through, all else is a show.
    void take(Path file) {
        String name = SafeFile.name(file).toLowerCase(Locale.ROOT);
        if (name.endsWith(".json")) bench().open(file);
        else if (LISTS.stream().anyMatch(name::endsWith)) takeIn(file);
        else open(file);
    }

    private void dragOver(DragEvent event) {
        if (event.getDragboard().hasFiles()) event.acceptTransferModes(TransferMode.COPY);
        event.consume();
    }

    private void dropped(DragEvent event) {
        if (event.getDragboard().hasFiles()) {
            take(event.getDragboard().getFiles().getFirst().toPath());
            event.setDropCompleted(true);
        }
        event.consume();
    }

    /// The stages of the work, in the order people go through them.
    public List<Stage> stages() {
        return workspace.stages();
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
