package rivulus.app.session;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.file.Change;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Versions;
import rivulus.show.Day;
import rivulus.show.Show;

/// The one show that is open, with its file, what was done to it, and its journal.
///
/// To be used on the interface thread. Files are read and written elsewhere, one after the other;
/// whoever asked is answered.
public final class Document implements AutoCloseable {
    private final Shelf shelf;
    private final Settings settings;
    private final Keeper keeper;
    private final Typed typed = new Typed(this::typedOn);
    private final Consumer<String> said;
    private final Consumer<Mishap> mishaps;
    private final Work reading;
    private final Work writing;
    private final History history = new History();

    private final ReadOnlyObjectWrapper<Show> show = new ReadOnlyObjectWrapper<>(Show.untitled());
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper dirty = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Refusal> refusal = new ReadOnlyObjectWrapper<>();

    private final ReadOnlyBooleanWrapper locked = new ReadOnlyBooleanWrapper();

    private Runnable begins = () -> {};
    private Consumer<Show> changes = _ -> {};
    private Show saved = Show.untitled();

    /// What the show's file held when it was last read or written here.
    private final AtomicReference<OnDisk> onDisk = new AtomicReference<>(OnDisk.NOWHERE);

    /// What was taken up from other programs' journals, until this one's holds it.
    private final Set<Journal.Left> takenUp = new LinkedHashSet<>();

    /// A file and what it held.
    private record OnDisk(Path file, Fingerprint print) {
        static final OnDisk NOWHERE = new OnDisk(Path.of(""), Fingerprint.NONE);
    }

    /// What could not be done, and why.
    public record Refusal(String name, String why) {}

    /// @param journal where unsaved edits are kept; empty where they cannot be
    /// @param said told in a sentence what was done
    /// @param mishaps told what of the program's own failed
    Document(
            Shelf shelf,
            Settings settings,
            Optional<Journal> journal,
            Consumer<String> said,
            Consumer<Mishap> mishaps) {
        this.shelf = shelf;
        this.settings = settings;
        this.said = said;
        this.mishaps = mishaps;
        keeper = new Keeper(settings.journals(), journal, mishaps);
        reading = new Work("read", "opening a show", this::notOpened);
        writing = new Work("write", "saving the show", mishaps);
    }

    /// Who is told when another show is taken up, before, and whenever it has changed.
    Document telling(Runnable whenItBegins, Consumer<Show> whenItChanges) {
        begins = whenItBegins;
        changes = whenItChanges;
        return this;
    }

    /// The show as it is now.
    public ReadOnlyObjectProperty<Show> show() {
        return show.getReadOnlyProperty();
    }

    /// The file it was opened from or saved to, or null.
    public ReadOnlyObjectProperty<Path> file() {
        return file.getReadOnlyProperty();
    }

    /// What is typed and not entered yet.
    public Typed typed() {
        return typed;
    }

    /// Why a kill would cost what is not saved, at the moment; empty where it would not.
    public ReadOnlyStringProperty unkept() {
        return keeper.trouble();
    }

    /// Whether something would be lost by closing: of the show, or of what is typed.
    public ReadOnlyBooleanProperty dirty() {
        return dirty.getReadOnlyProperty();
    }

    /// The latest edit that was refused, or null.
    public ReadOnlyObjectProperty<Refusal> refusal() {
        return refusal.getReadOnlyProperty();
    }

    // Opening and saving

    /// Takes up a show.
    ///
    /// @param from the file it came from, or null for one that has none yet
    public void take(Show newShow, Path from) {
        Show plan = untyped(newShow);
        history.clear();
        takenUp.clear();
        onDisk.set(OnDisk.NOWHERE);
        saved = newShow;
        file.set(from);
        show.set(plan);
        begins.run();
        typed.comeBack(newShow.typed());
        put(plan);
        said.accept("Opened " + (from == null ? newShow.title() : from.getFileName()));
        if (from != null) settings.used(from);
    }

    /// Takes up what a program left behind. The file it belongs to is compared before it is saved
    /// to; the other program's journal goes once this one's holds it.
    public void take(Journal.Left left) {
        take(left.show(), null);
        file.set(left.file().orElse(null));
        left.file().ifPresent(path -> onDisk.set(new OnDisk(path, left.held())));
        saved = Show.untitled();
        dirty.set(true);
        takenUp.add(left);
        keepJournal();
        said.accept("Recovered " + left.show().title());
    }

    /// The plan alone.
    private static Show untyped(Show whole) {
        return whole.withTyped(new LinkedHashMap<>());
    }

    /// The show as it is saved: with what is typed.
    private Show whole() {
        return show.get().withTyped(typed.texts());
    }

    /// Opens a file.
    ///
    /// @param overtaken asked where something was done while the file was read: it goes on, or not
    /// @param failed told where it cannot be used; the present show stays
    public void open(Path path, Consumer<Runnable> overtaken, Consumer<FileTrouble> failed) {
        said.accept("Opening " + path.getFileName() + " …");
        Show before = whole();
        read(
                path,
                read -> {
                    Runnable takeUp =
                            () -> {
                                take(read.show(), path);
                                onDisk.set(new OnDisk(path, read.print()));
                            };
                    if (whole().equals(before)) takeUp.run();
                    else overtaken.accept(takeUp);
                },
                trouble -> {
                    said.accept(path.getFileName() + " was not opened");
                    failed.accept(trouble);
                });
    }

    private void read(Path path, Consumer<ShowFile.Opened> then, Consumer<FileTrouble> failed) {
        reading.ask(
                _ -> Attempt.at(() -> ShowFile.read(path, shelf.prover().catalogue())),
                opened -> opened.either(then, failed));
    }

    private void notOpened(Mishap failure) {
        said.accept("Nothing was opened");
        mishaps.accept(failure);
    }

    /// What came of saving: done, or the file holds something that somebody else saved.
    private sealed interface Saving {
        /// It is saved.
        record Done() implements Saving {}

        /// It is not; the file is as the others left it.
        record Changed(Elsewhere elsewhere) implements Saving {}
    }

    /// Saves to a file, which becomes the show's own. Where somebody else has changed the show's
    /// own file since, it is left alone and that is told.
    public void save(Path path, SavingTold told) {
        save(path, path.equals(file.get()), told);
    }

    /// Saves to a file whatever it holds.
    public void replace(Path path, SavingTold told) {
        save(path, false, told);
    }

    /// @param own whether the file is the show's own, which others may have changed
    private void save(Path path, boolean own, SavingTold told) {
        Show written = whole();
        writing.each(
                _ -> Attempt.at(() -> saved(written, path, own)),
                saving ->
                        saving.either(
                                came -> {
                                    switch (came) {
                                        case Saving.Done() -> {
                                            isSaved(written, path);
                                            told.saved();
                                        }
                                        case Saving.Changed(var elsewhere) ->
                                                told.changed(elsewhere);
                                    }
                                },
                                told::failed));
    }

    private Saving saved(Show written, Path path, boolean own) throws FileTrouble {
        keepVersion(path);
        Optional<Fingerprint> print =
                own
                        ? ShowFile.save(written, path, held(Optional.of(path)))
                        : Optional.of(ShowFile.save(written, path));
        if (print.isEmpty()) return new Saving.Changed(elsewhere(written, path));
        onDisk.set(new OnDisk(path, print.get()));
        return new Saving.Done();
    }

    /// That it cannot be kept is no reason not to save.
    private void keepVersion(Path path) {
        try {
            versions().keep(path);
        } catch (FileTrouble unkept) {
            Platform.runLater(() -> said.accept(unkept.getMessage()));
        }
    }

    private Versions versions() {
        return new Versions(settings.versions());
    }

    /// A version of the show's file from before it was saved over.
    ///
    /// @param elsewhere what it holds, and how it differs from the show as it is
    public record Earlier(Versions.Version version, Elsewhere elsewhere) {}

    /// Looks for what the show's file held before it was saved over, newest first.
    public void earlier(Consumer<List<Earlier>> then) {
        Path path = file.get();
        if (path == null) {
            then.accept(List.of());
            return;
        }
        Show mine = show.get();
        reading.ask(
                _ ->
                        versions().of(path).stream()
                                .map(
                                        version ->
                                                new Earlier(
                                                        version, elsewhere(mine, version.copy())))
                                .toList(),
                then);
    }

    /// Takes up an earlier version. Undo brings back what was here.
    public void takeEarlier(Show earlier) {
        put("Take up an earlier version", untyped(earlier));
    }

    /// What programs that are no longer running left behind.
    public void leftBehind(Consumer<Journal.Found> then) {
        reading.ask(_ -> Journal.leftIn(settings.journals(), shelf.prover().catalogue()), then);
    }

    /// What a file held when it was last read or written here.
    private Fingerprint held(Optional<Path> path) {
        OnDisk known = onDisk.get();
        return path.filter(known.file()::equals).isPresent() ? known.print() : Fingerprint.NONE;
    }

    private Elsewhere elsewhere(Show mine, Path path) {
        try {
            Show theirs = ShowFile.open(path, shelf.prover().catalogue());
            Change change = new Change(mine, theirs);
            return new Elsewhere(
                    path, Optional.of(theirs), change.compared(shelf.prover().catalogue()));
        } catch (FileTrouble unreadable) {
            return new Elsewhere(path, Optional.empty(), List.of(unreadable.getMessage()));
        }
    }

    /// Takes up what somebody else saved in the show's own file. Undo brings back what was here;
    /// what is typed here stays, and what they had typed elsewhere comes besides.
    public void takeTheirs(Path path, Consumer<FileTrouble> failed) {
        read(
                path,
                read -> {
                    if (!put("Take up what is in " + path.getFileName(), untyped(read.show())))
                        return;
                    onDisk.set(new OnDisk(path, read.print()));
                    typed.comeBesides(read.show().typed());
                    isSavedAs(read.show());
                },
                failed);
    }

    private void isSaved(Show written, Path path) {
        file.set(path);
        isSavedAs(written);
        settings.used(path);
        said.accept("Saved " + path.getFileName());
    }

    private void isSavedAs(Show written) {
        saved = written;
        weigh();
        keepJournal();
    }

    /// Looks whether something would be lost by closing.
    private void weigh() {
        dirty.set(typed.isFieldTyped() || !whole().equals(saved));
    }

    /// Something else is typed.
    private void typedOn() {
        weigh();
        keepJournal();
    }

    // Editing

    /// Does something to the show as it is now, as long as what comes of it could be saved and
    /// opened again.
    ///
    /// @param name what it does, for undo: "Set Show desk · USB 1 call feed to mix-minus"
    /// @return whether it was done; else why not has been told
    public boolean edit(String name, UnaryOperator<Show> what) {
        return put(name, what.apply(show.get()));
    }

    /// Makes a change that was thought out on an earlier state of the show, on the show as it is.
    ///
    /// @return whether it was made; else why not has been told
    public boolean edit(String name, Change change) {
        return edit(name, change, UnaryOperator.identity());
    }

    /// The same, in one step with what is written down of it.
    ///
    /// @return whether it was made; else why not has been told
    public boolean edit(String name, Change change, UnaryOperator<Day> noted) {
        try {
            Show after = change.on(show.get(), shelf.prover().catalogue());
            return put(name, after.withDay(noted.apply(after.day())));
        } catch (FileTrouble unfit) {
            refused(name, unfit);
            return false;
        }
    }

    /// @return whether the show is that now
    private boolean put(String name, Show edited) {
        if (isLockedFor(show.get(), edited)) {
            refusal.set(new Refusal(name, LOCKED));
            return false;
        }
        Show after = shelf.whole(edited);
        try {
            Show again = ShowFile.again(after, shelf.shipped());
            // an equal one shares what has not changed with its forerunners
            if (!again.equals(after)) after = again;
        } catch (FileTrouble unsound) {
            refused(name, unsound);
            return false;
        }
        if (after.equals(show.get())) return true;
        history.add(new History.Step(name, show.get(), after));
        put(after);
        said.accept(name);
        return true;
    }

    private void refused(String name, FileTrouble why) {
        refusal.set(new Refusal(name, why.getMessage().replaceFirst("^this: ", "")));
    }

    private static final String LOCKED =
            "you are on air, and the plan is locked; Ctrl Shift U opens it, and locks it again";

    /// Locks the plan, so that nothing of it is changed by accident, or opens it again. What
    /// happens on the day is written down all the same.
    public void lock(boolean now) {
        locked.set(now);
    }

    /// Whether the plan is locked.
    public ReadOnlyBooleanProperty locked() {
        return locked.getReadOnlyProperty();
    }

    private boolean isLockedFor(Show before, Show after) {
        return locked.get() && !before.withDay(after.day()).equals(after);
    }

    /// Undoes what was last done.
    public void undo() {
        if (history.nextUndo()
                .filter(step -> isLockedFor(step.after(), step.before()))
                .isPresent()) {
            refusal.set(new Refusal("Undo", LOCKED));
            return;
        }
        history.undo()
                .ifPresent(
                        step -> {
                            put(step.before());
                            said.accept("Undid: " + step.name());
                        });
    }

    /// Does again what was last undone.
    public void redo() {
        if (history.nextRedo()
                .filter(step -> isLockedFor(step.before(), step.after()))
                .isPresent()) {
            refusal.set(new Refusal("Do again", LOCKED));
            return;
        }
        history.redo()
                .ifPresent(
                        step -> {
                            put(step.after());
                            said.accept("Did again: " + step.name());
                        });
    }

    /// What undo would undo.
    public Optional<String> undoName() {
        return history.nextUndo().map(History.Step::name);
    }

    /// What redo would do.
    public Optional<String> redoName() {
        return history.nextRedo().map(History.Step::name);
    }

    private void put(Show newShow) {
        show.set(newShow);
        shelf.shows(newShow);
        weigh();
        keepJournal();
        changes.accept(newShow);
    }

    // The journal

    private void keepJournal() {
        List<Journal.Left> others = List.copyOf(takenUp);
        keeper.keep(
                new Keeper.Unsaved(
                        show.get().withTyped(typed.allTexts()),
                        Optional.ofNullable(file.get()),
                        dirty.get(),
                        others),
                this::held,
                () -> others.forEach(takenUp::remove));
    }

    /// Whether everything that was asked has been read and written.
    boolean isSettled() {
        return keeper.isSettled() && Stream.of(reading, writing).allMatch(Work::isIdle);
    }

    /// Finishes what is being saved, and forgets the journal.
    @Override
    public void close() {
        writing.finish();
        reading.close();
        keeper.close();
    }
}
