package rivulus.app.shell;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import rivulus.air.Chapters;
import rivulus.app.bench.TemplateBench;
import rivulus.app.intake.IntakePane;
import rivulus.app.levels.LevelsStage;
import rivulus.app.look.Look;
import rivulus.app.session.Elsewhere;
import rivulus.app.session.FileAsker;
import rivulus.app.session.Picture;
import rivulus.app.session.Recordings;
import rivulus.app.session.SavingTold;
import rivulus.app.session.Session;
import rivulus.disk.FileNames;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.edit.Borrowed;
import rivulus.edit.Edit;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;
import rivulus.sheet.SoundSheets;
import rivulus.show.Show;
import rivulus.sound.Signals;
import rivulus.words.Words;

/// Everything about files: opening and saving shows, sheets and lists.
final class Files {
    private static final int DIFFERENCES_SHOWN = 8;

    private static final List<String> LISTS = List.of(".csv", ".tsv", ".txt");

    /// What sheets may end in besides `.pdf`; all else gets that.
    private static final List<String> SHEETS = List.of(".md", ".csv", ".svg", ".txt");

    private final Session session;
    private final Layers layers;
    private final FileAsker asker;
    private final Runnable write;
    private final Supplier<TemplateBench> bench;

    /// @param asker asks which file is meant
    /// @param bench opens the bench of gear
    /// @param write turns to the sheet on which a show is said
    Files(
            Session session,
            Layers layers,
            FileAsker asker,
            Supplier<TemplateBench> bench,
            Runnable write) {
        this.session = session;
        this.layers = layers;
        this.asker = asker;
        this.bench = bench;
        this.write = write;
    }

    private Panel panel(String title, String words) {
        return layers.panel(title, words);
    }

    private void trouble(String title, FileTrouble trouble) {
        panel(title, trouble.getMessage()).answer("Close", () -> {});
    }

    /// Opens a show from a file, asking first where unsaved edits would be lost.
    void open(Path file) {
        orSaveFirst(
                () ->
                        session.document()
                                .open(
                                        file,
                                        this::orSaveFirst,
                                        trouble -> trouble("This show cannot be opened", trouble)));
    }

    /// Opens one of the shows that travel with the program, as a new show without a file.
    void openDemo(String name) {
        orSaveFirst(
                () ->
                        session.document()
                                .take(
                                        DemoShows.open(name, session.shelf().prover().catalogue()),
                                        null));
    }

    /// Measures a recording that is asked for.
    void openRecording() {
        asker.toOpen("A recording", Recordings.ENDINGS)
                .ifPresent(file -> session.recordings().take(List.of(file)));
    }

    void newShow() {
        orSaveFirst(
                () -> {
                    session.document().take(Show.untitled(), null);
                    write.run();
                });
    }

    /// A part of another show in place of this one's, after saying what goes.
    void borrow(Borrowed what) {
        asker.toOpen()
                .ifPresent(
                        file ->
                                session.papers()
                                        .openShow(
                                                file,
                                                other -> preview(what, other),
                                                trouble ->
                                                        trouble(
                                                                "This show cannot be opened",
                                                                trouble)));
    }

    private void preview(Borrowed what, Show other) {
        Edit edit = what.from(other, session.show().get(), session.shelf().prover().catalogue());
        Panel panel =
                panel(
                        edit.name() + "?",
                        "It comes whole, in place of what stands here. What goes: "
                                + Words.few(edit.losses(), DIFFERENCES_SHOWN)
                                + ".");
        panel.answer("Take it", () -> session.edit(edit)).answer("Leave it", () -> {});
    }

    /// The same show for another evening: everything but its date, its notes and its file.
    void nextShow() {
        orSaveFirst(
                () -> {
                    session.document().take(session.show().get().nextTime(), null);
                    session.say("A new show like the last; give it a title and a date");
                });
    }

    void openShow() {
        asker.toOpen().ifPresent(this::open);
    }

    void save() {
        save(() -> {});
    }

    /// @param then done once it is saved
    private void save(Runnable then) {
        entered(
                () -> {
                    if (session.document().file().get() == null) saveAsked(then);
                    else saveTo(session.document().file().get(), then);
                });
    }

    /// What is typed is entered first, as far as it can be.
    private void entered(Runnable then) {
        session.document().typed().enter(then);
    }

    void saveAs() {
        saveAs(() -> {});
    }

    private void saveAs(Runnable then) {
        entered(() -> saveAsked(then));
    }

    private void saveAsked(Runnable then) {
        ask(
                FileNames.of(session.show().get().title()) + ShowFile.ENDING,
                List.of(),
                file -> saveTo(file, then));
    }

    /// Asks for a file to write to. Where its ending had to be added, whoever asked about
    /// replacing it asked about another file: it is asked again.
    ///
    /// @param name what it might be called
    /// @param others endings that will do besides that of the name
    void ask(String name, List<String> others, Consumer<Path> then) {
        Optional<Path> asked = asker.toSave(name);
        if (asked.isEmpty()) return;
        Path file = FileNames.ending(asked.get(), FileNames.endingOf(name), others);
        if (file.equals(asked.get()) || !file.toFile().exists()) {
            then.accept(file);
            return;
        }
        panel(
                        SafeFile.name(file) + " is there already",
                        "In %s. What it holds would be replaced."
                                .formatted(file.toAbsolutePath().getParent()))
                .answer("Another name", () -> ask(name, others, then))
                .answer("Replace it", () -> then.accept(file))
                .answer("Stay here", () -> {});
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
        boolean locked = session.document().locked().get();
        if (locked)
            panel.with(
                    Look.paragraph(
                            "You are on air and the plan is locked: theirs can be taken up once it"
                                    + " is open (Ctrl Shift U).",
                            "panel-words"));
        if (elsewhere.theirs().isPresent() && !locked)
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

    /// Writes a sheet to a file that is asked for: PDF or CSV where it ends so, else Markdown.
    void saveSheet(Sheets.Kind kind) {
        Picture picture = session.picture().get();
        if (picture == null) return;
        ask(kind.word() + ".pdf", SHEETS, file -> writeSheet(picture, kind, file));
    }

    /// Writes what was measured of the recording to a file that is asked for.
    void saveRecording() {
        Picture picture = session.picture().get();
        if (picture == null) return;
        Recordings.Heard heard = session.recordings().heard().get();
        ask(
                "recording.pdf",
                SHEETS,
                file ->
                        write(
                                file,
                                () ->
                                        SoundSheets.of(
                                                picture.show().title(),
                                                heard.tracks(),
                                                heard.remarks(),
                                                picture.show().checks().limits()),
                                this::saveRecording));
    }

    private void writeSheet(Picture picture, Sheets.Kind kind, Path file) {
        Sheets sheets = new Sheets(picture.proof(), session.shelf().prover().catalogue());
        write(file, () -> sheets.of(kind), () -> saveSheet(kind));
    }

    /// Draws up a sheet and writes it.
    ///
    /// @param elsewhere asks for another file where it cannot be written there
    private void write(Path file, Supplier<Sheet> sheet, Runnable elsewhere) {
        session.papers()
                .write(
                        file,
                        () -> written(sheet.get(), file),
                        trouble ->
                                panel("The sheet is not written", trouble.getMessage())
                                        .answer("Write it somewhere else", elsewhere)
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

    /// Writes a test signal to a file that is asked for.
    void saveSignal(Signals signal) {
        ask(
                signal.word() + ".wav",
                List.of(),
                file ->
                        session.papers()
                                .write(
                                        file,
                                        signal::wav,
                                        trouble ->
                                                panel(
                                                                "The signal is not written",
                                                                trouble.getMessage())
                                                        .answer("Close", () -> {})));
    }

    /// Writes the scenes and marks of the log as chapters.
    void saveChapters() {
        Show show = session.show().get();
        ask(
                "chapters.vtt",
                List.of(),
                file ->
                        session.papers()
                                .write(
                                        file,
                                        () ->
                                                Chapters.webVtt(show)
                                                        .getBytes(StandardCharsets.UTF_8),
                                        trouble ->
                                                panel(
                                                                "The chapters are not written",
                                                                trouble.getMessage())
                                                        .answer("Close", () -> {})));
    }

    void takeInList() {
        asker.toOpen("an input list or a lead list", LISTS).ifPresent(this::takeIn);
    }

    /// Shows what a list would change.
    void takeIn(Path file) {
        session.papers()
                .openList(
                        file,
                        list -> {
                            IntakePane pane =
                                    new IntakePane(
                                            session, SafeFile.name(file), list, layers::closeTop);
                            layers.lay(pane);
                            pane.focus();
                        },
                        trouble -> trouble("This list cannot be taken in", trouble));
    }

    /// Does something at once where nothing would be lost, else asks.
    void orSaveFirst(Runnable then) {
        if (!session.document().dirty().get()) {
            then.run();
            return;
        }
        panel(
                        "Save “" + session.show().get().title() + "” first?",
                        session.document().typed().isEmpty()
                                ? "It has changes that are not saved."
                                : "It has changes that are not saved; what is typed and not entered"
                                        + " yet is among them.")
                .answer("Save", () -> save(() -> orSaveFirst(then)))
                .answer("Leave them", then)
                .answer("Stay here", () -> {});
    }

    /// Takes up what was dropped: recordings, and folders of them, are measured together; of all
    /// else the first.
    void drop(List<Path> dropped) {
        List<Path> recordings = Recordings.among(dropped);
        if (recordings.isEmpty()) {
            take(dropped.getFirst());
            return;
        }
        session.stage().set(LevelsStage.ID);
        session.recordings().take(recordings);
    }

    /// Takes up a file that was dropped: a kind of gear goes to the bench, a list
    /// is looked through, all else is a show.
    void take(Path file) {
        String name = SafeFile.name(file).toLowerCase(Locale.ROOT);
        if (name.endsWith(".json")) bench.get().open(file);
        else if (LISTS.stream().anyMatch(name::endsWith)) takeIn(file);
        else open(file);
    }
}
