package rivulus.app.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.ObservableMap;
import rivulus.chart.RigLayer;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.cure.Cure;
import rivulus.cure.Cured;
import rivulus.cure.Cures;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.file.Change;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.gear.Setting;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.rig.RigEdit;
import rivulus.rig.RigEdits;
import rivulus.rig.RigFinding;
import rivulus.rig.RigFix;
import rivulus.rig.RigProof;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.timing.BufferAdvice;

/// The one show that is open, what is chosen in it, what was proven of it and what was done to it.
/// All views look at this and at nothing else.
///
/// To be used on the interface thread. Proving, drawing up pictures, searching for cures and
/// keeping the journal go on elsewhere; their results turn up in properties.
public final class Session implements AutoCloseable {
    private static final int CURES_OFFERED = 3;
    private static final int WAYS_OFFERED = 3;

    private final Settings settings;
    private final Optional<Journal> journal;
    private final ReadOnlyObjectWrapper<Refusal> refusal = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Mishap> mishap = new ReadOnlyObjectWrapper<>();
    private final Work proving = new Work("prove", "proving the show", mishap::set);
    private final Work drawing = new Work("draw", "drawing it up", mishap::set);
    private final Work curing = new Work("cure", "searching for cures", mishap::set);
    private final Work keeping = new Work("keep", "keeping unsaved changes", mishap::set);
    private final Work mending = new Work("mend", "searching for fixes of the rig", mishap::set);
    private final Work joining = new Work("join", "searching for leads", mishap::set);
    private final Work reading = new Work("read", "opening a show", this::notOpened);
    private final Work writing = new Work("write", "saving the show", mishap::set);
    private final History history = new History();

    private final ReadOnlyObjectWrapper<Show> show = new ReadOnlyObjectWrapper<>(Show.untitled());
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper dirty = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Proof> proof = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Picture> picture = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper lastDone = new ReadOnlyStringWrapper("");
    private final ObjectProperty<Stage> stage = new SimpleObjectProperty<>(Stage.MIXES);
    private final ObjectProperty<RigLayer> layer = new SimpleObjectProperty<>(RigLayer.LEADS);
    private final DoubleProperty wantedMs = new SimpleDoubleProperty(BufferAdvice.USUAL_WANTED_MS);
    private final StringProperty ear = new SimpleStringProperty("");
    private final StringProperty source = new SimpleStringProperty("");
    private final StringProperty scene = new SimpleStringProperty("");
    private final StringProperty device = new SimpleStringProperty("");
    private final ObjectProperty<Cure> preview = new SimpleObjectProperty<>();
    private final ObservableMap<String, Cured> cures = FXCollections.observableHashMap();

    private final ObservableMap<String, List<RigFix>> rigFixes = FXCollections.observableHashMap();
    private final StringProperty joinTo = new SimpleStringProperty("");
    private final ObservableList<Joining> joinings = FXCollections.observableArrayList();
    private final Shelf shelf;
    private final Papers papers = new Papers(this, mishap::set);

    private Show saved = Show.untitled();
    private Show joinedOn = Show.untitled();
    private boolean choosing;

    /// What the show's file held when it was last read or written here; empty where it has none.
    private final AtomicReference<OnDisk> onDisk = new AtomicReference<>(OnDisk.NOWHERE);

    /// What was taken up from other programs' journals, until this one's holds it.
    private final Set<Journal.Left> takenUp = new LinkedHashSet<>();

    /// A file and what it held.
    private record OnDisk(Path file, Fingerprint print) {
        static final OnDisk NOWHERE = new OnDisk(Path.of(""), Fingerprint.NONE);
    }

    /// A session without a show yet.
    ///
    /// @param journal where unsaved edits are kept; empty where they cannot be
    public Session(Prover prover, Settings settings, Optional<Journal> journal) {
        shelf = new Shelf(prover, settings.library(), this::say, mishap::set);
        this.settings = settings;
        this.journal = journal;
        joinTo.addListener((_, _, _) -> findJoinings());
        device.addListener((_, _, _) -> joinTo.set(""));
        for (StringProperty choice : List.of(ear, source, scene, device)) {
            choice.addListener((_, _, _) -> lookElsewhere());
        }
        preview.addListener((_, _, _) -> draw());
        layer.addListener((_, _, _) -> draw());
        wantedMs.addListener((_, _, _) -> draw());
        stage.addListener((_, _, _) -> draw());
        show.addListener((_, _, now) -> shelf.shows(now));
    }

    // What is open

    /// The show as it is now.
    public ReadOnlyObjectProperty<Show> show() {
        return show.getReadOnlyProperty();
    }

    /// The file it was opened from or saved to, or null.
    public ReadOnlyObjectProperty<Path> file() {
        return file.getReadOnlyProperty();
    }

    /// Whether something would be lost by closing.
    public ReadOnlyBooleanProperty dirty() {
        return dirty.getReadOnlyProperty();
    }

    /// The latest finished proof, or null before the first.
    public ReadOnlyObjectProperty<Proof> proof() {
        return proof.getReadOnlyProperty();
    }

    /// What there is to see, or null before the first proof. While a cure is previewed it is as if
    /// it were taken.
    public ReadOnlyObjectProperty<Picture> picture() {
        return picture.getReadOnlyProperty();
    }

    /// What was last done, as a sentence.
    public ReadOnlyStringProperty lastDone() {
        return lastDone.getReadOnlyProperty();
    }

    /// The kinds of gear there are: shipped, in the library, kept with the show.
    public Shelf shelf() {
        return shelf;
    }

    /// Files beside the show: sheets, lists, kinds of gear.
    public Papers papers() {
        return papers;
    }

    /// What the user likes.
    public Settings settings() {
        return settings;
    }

    // What is chosen

    /// The stage that is shown.
    public ObjectProperty<Stage> stage() {
        return stage;
    }

    /// What is laid over the drawing of the rig.
    public ObjectProperty<RigLayer> layer() {
        return layer;
    }

    /// How long a round trip may be where buffers are advised on, in ms.
    public DoubleProperty wantedMs() {
        return wantedMs;
    }

    /// The chosen ear's id.
    public StringProperty ear() {
        return ear;
    }

    /// The chosen source's id, or empty where the chosen ear is looked at.
    public StringProperty source() {
        return source;
    }

    /// The chosen scene's id.
    public StringProperty scene() {
        return scene;
    }

    /// The device whose knobs are shown, or empty.
    public StringProperty device() {
        return device;
    }

    /// A cure that is being looked at and not taken, or null.
    public ObjectProperty<Cure> preview() {
        return preview;
    }

    /// Cures by the id of their trouble. A trouble without an entry is still being searched.
    public ObservableMap<String, Cured> cures() {
        return cures;
    }

    /// The latest failure of the program's own, or null.
    public ReadOnlyObjectProperty<Mishap> mishap() {
        return mishap.getReadOnlyProperty();
    }

    /// Tells that something failed that nobody else has told.
    ///
    /// @param doing what was being done: "showing the window"
    public void failed(String doing, Throwable thrown) {
        mishap.set(Mishap.of(doing, thrown));
    }

    /// Says something in the bottom bar.
    public void say(String sentence) {
        lastDone.set(sentence);
    }

    // Opening and saving

    /// Takes up a show.
    ///
    /// @param from the file it came from, or null for one that has none yet
    public void take(Show newShow, Path from) {
        history.clear();
        takenUp.clear();
        onDisk.set(OnDisk.NOWHERE);
        saved = newShow;
        file.set(from);
        proof.set(null);
        picture.set(null);
        cures.clear();
        choosing = true;
        for (StringProperty choice : List.of(ear, source, device)) choice.set("");
        scene.set(newShow.scenes().getFirst().id());
        put(newShow);
        lastDone.set("Opened " + (from == null ? newShow.title() : from.getFileName()));
        if (from != null) settings.used(from);
    }

    /// Takes up what a program left behind. It is not overwritten unasked: the file it belongs to
    /// is compared before it is saved. The other program's journal goes once this one's holds it.
    public void take(Journal.Left left) {
        take(left.show(), null);
        file.set(left.file().orElse(null));
        left.file().ifPresent(path -> onDisk.set(new OnDisk(path, left.held())));
        saved = Show.untitled();
        dirty.set(true);
        takenUp.add(left);
        keepJournal();
        lastDone.set("Recovered " + left.show().title());
    }

    /// Opens a file, away from the interface thread.
    ///
    /// @param failed told where it cannot be used; the present show stays
    public void open(Path path, Consumer<FileTrouble> failed) {
        say("Opening " + path.getFileName() + " …");
        reading.ask(
                _ -> Attempt.at(() -> ShowFile.read(path, shelf.prover().catalogue())),
                opened ->
                        opened.either(
                                read -> {
                                    take(read.show(), path);
                                    onDisk.set(new OnDisk(path, read.print()));
                                },
                                trouble -> {
                                    say(path.getFileName() + " was not opened");
                                    failed.accept(trouble);
                                }));
    }

    private void notOpened(Mishap failure) {
        say("Nothing was opened");
        mishap.set(failure);
    }

    /// What came of saving: done, or the file holds something that somebody else saved.
    private sealed interface Saving {
        /// It is saved.
        record Done(Fingerprint print) implements Saving {}

        /// It is not; the file is as the others left it.
        record Changed(Elsewhere elsewhere) implements Saving {}
    }

    /// A file that somebody else has changed since it was read or written here.
    ///
    /// @param theirs the show it holds now; empty where it holds none that can be read
    /// @param differences what is different in it, one clause each
    public record Elsewhere(Path file, Optional<Show> theirs, List<String> differences) {
        public Elsewhere {
            differences = List.copyOf(differences);
        }
    }

    /// Told what came of saving, on the interface thread.
    public interface SavingTold {
        /// It is saved.
        void saved();

        /// It cannot be written; nothing is lost.
        void failed(FileTrouble trouble);

        /// Somebody else has changed the file, and it was left as it is.
        void changed(Elsewhere elsewhere);
    }

    /// Saves to a file, which becomes the show's own, away from the interface thread. Where
    /// somebody else has changed the show's own file since, it is left alone and that is told.
    public void save(Path path, SavingTold told) {
        save(path, false, told);
    }

    /// Saves to a file whatever it holds.
    public void replace(Path path, SavingTold told) {
        save(path, true, told);
    }

    private void save(Path path, boolean whatever, SavingTold told) {
        Show written = show.get();
        boolean own = path.equals(file.get()) && !whatever;
        writing.each(
                _ -> Attempt.at(() -> saved(written, path, own)),
                saving ->
                        saving.either(
                                came -> {
                                    switch (came) {
                                        case Saving.Done _ -> {
                                            isSaved(written, path);
                                            told.saved();
                                        }
                                        case Saving.Changed(var elsewhere) ->
                                                told.changed(elsewhere);
                                    }
                                },
                                told::failed));
    }

    /// @param own whether the file is the show's own, which others may have changed
    private Saving saved(Show written, Path path, boolean own) throws FileTrouble {
        Fingerprint print;
        if (own) {
            Optional<Fingerprint> now = ShowFile.save(written, path, held(Optional.of(path)));
            if (now.isEmpty()) return new Saving.Changed(elsewhere(written, path));
            print = now.get();
        } else {
            print = ShowFile.save(written, path);
        }
        onDisk.set(new OnDisk(path, print));
        return new Saving.Done(print);
    }

    /// What a file held when it was last read or written here.
    private Fingerprint held(Optional<Path> path) {
        OnDisk known = onDisk.get();
        return path.filter(known.file()::equals).isPresent() ? known.print() : Fingerprint.NONE;
    }

    private Elsewhere elsewhere(Show mine, Path path) {
        try {
            Show theirs = ShowFile.open(path, shelf.prover().catalogue());
            return new Elsewhere(
                    path,
                    Optional.of(theirs),
                    new Change(mine, theirs).compared(shelf.prover().catalogue()));
        } catch (FileTrouble unreadable) {
            return new Elsewhere(path, Optional.empty(), List.of(unreadable.getMessage()));
        }
    }

    /// Takes up what somebody else saved in the show's own file. Undo brings back what was here.
    public void takeTheirs(Path path, Consumer<FileTrouble> failed) {
        reading.ask(
                _ -> Attempt.at(() -> ShowFile.read(path, shelf.prover().catalogue())),
                opened ->
                        opened.either(
                                read -> {
                                    onDisk.set(new OnDisk(path, read.print()));
                                    saved = read.show();
                                    edit("Take up what is in " + path.getFileName(), read.show());
                                    dirty.set(!show.get().equals(saved));
                                    keepJournal();
                                },
                                failed));
    }

    private void isSaved(Show written, Path path) {
        file.set(path);
        saved = written;
        dirty.set(!show.get().equals(saved));
        keepJournal();
        settings.used(path);
        lastDone.set("Saved " + path.getFileName());
    }

    // Editing

    /// Does something to the show, as long as what comes of it could be saved and opened again.
    ///
    /// @param name what it does, for undo: "Set Show desk · USB 1 chat feed to mix-minus"
    public void edit(String name, Show edited) {
        Show after = shelf.whole(edited);
        try {
            Show again = ShowFile.again(after, shelf.shipped());
            // an equal one shares what has not changed with its forerunners
            if (!again.equals(after)) after = again;
        } catch (FileTrouble unsound) {
            refused(name, unsound);
            return;
        }
        if (after.equals(show.get())) return;
        history.add(new History.Step(name, show.get(), after));
        put(after);
        lastDone.set(name);
    }

    /// Makes a change that was thought out on an earlier state of the show, on the show as it is.
    public void edit(String name, Change change) {
        try {
            edit(name, change.on(show.get(), shelf.prover().catalogue()));
        } catch (FileTrouble unfit) {
            refused(name, unfit);
        }
    }

    /// What could not be done, and why.
    public record Refusal(String name, String why) {}

    private void refused(String name, FileTrouble why) {
        refusal.set(new Refusal(name, why.getMessage().replaceFirst("^this: ", "")));
    }

    /// The latest edit that was refused, or null.
    public ReadOnlyObjectProperty<Refusal> refusal() {
        return refusal.getReadOnlyProperty();
    }

    /// Takes a cure.
    public void take(Cure cure) {
        String name = cure.sentence();
        edit(name.substring(0, name.length() - 1), show.get().with(cure.turns()));
    }

    /// Takes a fix of the rig.
    public void take(RigFix fix) {
        edit(fix.sentence().substring(0, fix.sentence().length() - 1), fix.change());
    }

    /// Takes a way to join two machines.
    public void take(Joining way) {
        Show on = joinedOn;
        joinTo.set("");
        edit(new RigEdits(on, shelf.prover().catalogue()).join(way));
    }

    /// Turns a knob.
    ///
    /// @param here whether only in the chosen scene; else in the base, and in the scene where it
    ///     has a setting of its own
    public void turn(KnobUse knob, Setting from, Setting to, boolean here) {
        Ref ref = knob.ref();
        boolean own =
                show.get()
                        .scene(scene.get())
                        .map(Scene::knobs)
                        .map(k -> k.containsKey(ref))
                        .orElse(false);
        Optional<String> where = here || own ? Optional.of(scene.get()) : Optional.empty();
        String sceneName = where.flatMap(show.get()::scene).map(s -> " in " + s.name()).orElse("");
        edit(
                "Set %s to %s%s".formatted(knob.words(), knob.say(to), sceneName),
                show.get().with(new Turn(ref, from, to, where)));
    }

    /// Undoes what was last done.
    public void undo() {
        history.undo()
                .ifPresent(
                        step -> {
                            put(step.before());
                            lastDone.set("Undid: " + step.name());
                        });
    }

    /// Does again what was last undone.
    public void redo() {
        history.redo()
                .ifPresent(
                        step -> {
                            put(step.after());
                            lastDone.set("Did again: " + step.name());
                        });
    }

    /// What undo would undo.
    public Optional<String> undoName() {
        return history.undoName();
    }

    /// What redo would do.
    public Optional<String> redoName() {
        return history.redoName();
    }

    private void put(Show newShow) {
        preview.set(null);
        show.set(newShow);
        dirty.set(!newShow.equals(saved));
        keepJournal();
        Proof earlier = proof.get();
        proving.ask(_ -> wholly(shelf.prover().prove(newShow, earlier)), this::proven);
    }

    /// Works every scene out here and now, off the interface thread.
    private static Proof wholly(Proof proof) {
        proof.findings();
        return proof;
    }

    private void keepJournal() {
        if (journal.isEmpty()) return;
        Show kept = show.get();
        boolean unsaved = dirty.get();
        Optional<Path> path = Optional.ofNullable(file.get());
        List<Journal.Left> others = List.copyOf(takenUp);
        keeping.ask(
                _ -> writeJournal(kept, path, unsaved, others),
                trouble -> {
                    if (trouble.isEmpty()) others.forEach(takenUp::remove);
                    trouble.ifPresent(this::say);
                });
    }

    /// @param others what holds the same, and goes once it is written here or saved
    private Optional<String> writeJournal(
            Show kept, Optional<Path> path, boolean unsaved, List<Journal.Left> others) {
        try {
            if (unsaved) journal.get().keep(kept, path, held(path), others);
            else journal.get().clear();
            for (Journal.Left other : others) other.discard();
            return Optional.empty();
        } catch (FileTrouble trouble) {
            return Optional.of(trouble.getMessage());
        }
    }

    // What comes of it

    private void proven(Proof done) {
        proof.set(done);
        if (choosing || done.show().ear(ear.get()).isEmpty()) chooseWorst(done);
        choosing = false;
        draw();
        cures.clear();
        rigFixes.clear();
        searchNext(done, Trouble.of(done));
        mend(done);
        findJoinings();
    }

    /// Turns to the ear in the worst trouble, in a scene where it shows.
    private void chooseWorst(Proof done) {
        Optional<Trouble> worst =
                Trouble.of(done).stream().filter(t -> t.ear().isPresent()).findFirst();
        if (worst.isEmpty()) {
            ear.set(done.show().ears().stream().map(Ear::id).findFirst().orElse(""));
            return;
        }
        ear.set(worst.get().ear().orElseThrow());
        if (!worst.get().isIn(scene.get())) scene.set(worst.get().first().scene());
    }

    /// Whoever turns to something else no longer stands on a cure.
    private void lookElsewhere() {
        preview.set(null);
        draw();
    }

    private void draw() {
        Proof seen = preview.get() == null ? proof.get() : preview.get().after();
        if (seen == null) return;
        Picture.Choice choice =
                new Picture.Choice(
                        scene.get(),
                        ear.get(),
                        source.get(),
                        device.get(),
                        Optional.of(layer.get()).filter(_ -> stage.get() == Stage.RIG),
                        wantedMs.get());
        drawing.ask(
                _ -> Picture.of(seen, choice, shelf.prover().catalogue(), shelf.rigs()),
                picture::set);
    }

    /// Searches one trouble after the other, those of the chosen ear first.
    private void searchNext(Proof done, List<Trouble> troubles) {
        if (troubles.isEmpty()) {
            curing.forget();
            return;
        }
        Trouble next =
                troubles.stream()
                        .filter(trouble -> trouble.ear().filter(ear.get()::equals).isPresent())
                        .findFirst()
                        .orElse(troubles.getFirst());
        List<Trouble> rest = troubles.stream().filter(trouble -> trouble != next).toList();
        curing.ask(
                stale -> Cures.of(shelf.prover(), done, next, CURES_OFFERED, stale),
                found -> {
                    cures.put(next.id(), found);
                    searchNext(done, rest);
                });
    }

    /// Tries the fixes of every finding of the rig.
    private void mend(Proof done) {
        mending.ask(
                stale -> {
                    RigProof rig = shelf.rigs().prove(done);
                    Map<String, List<RigFix>> found = new HashMap<>();
                    for (RigFinding finding : rig.findings()) {
                        if (stale.getAsBoolean()) break;
                        found.put(finding.id(), shelf.rigs().fixes(done, rig, finding, stale));
                    }
                    return found;
                },
                rigFixes::putAll);
    }

    /// The device that the chosen one is to be joined to, or empty.
    public StringProperty joinTo() {
        return joinTo;
    }

    /// The best ways to join the chosen device to the other, as soon as they are found.
    public ObservableList<Joining> joinings() {
        return joinings;
    }

    /// The fixes of each finding of the rig, as soon as they have been tried.
    public ObservableMap<String, List<RigFix>> rigFixes() {
        return rigFixes;
    }

    private void findJoinings() {
        joinings.clear();
        Show now = show.get();
        Optional<Device> from = now.rig().device(device.get());
        Optional<Device> to = now.rig().device(joinTo.get());
        if (from.isEmpty() || to.isEmpty()) return;
        joining.ask(
                _ -> waysBetween(now, from.get(), to.get()),
                found -> {
                    joinedOn = now;
                    joinings.setAll(found);
                });
    }

    /// The best ways from one to the other, then those the other way round.
    private List<Joining> waysBetween(Show now, Device one, Device other) {
        Joiner joiner = new Joiner(now, shelf.prover().catalogue(), shelf.rigs().leads());
        List<Joining> ways = new ArrayList<>(joiner.ways(one, other, WAYS_OFFERED));
        ways.addAll(joiner.ways(other, one, WAYS_OFFERED));
        return ways;
    }

    /// Changes the rig.
    public void edit(RigEdit edit) {
        edit(edit.name(), edit.change());
    }

    /// Edits of the rig as it is now.
    public RigEdits rigEdits() {
        return new RigEdits(show.get(), shelf.prover().catalogue());
    }

    private List<Work> lanes() {
        return List.of(proving, drawing, keeping, joining, reading, writing, curing, mending);
    }

    /// Whether everything that was asked has been worked out and is shown, but for the fixes, which
    /// may still be searched.
    public boolean isShown() {
        return settings.isKept()
                && shelf.isSettled()
                && papers.isSettled()
                && lanes().stream().allMatch(lane -> lane.isIdle() || searches(lane));
    }

    /// Whether everything that was asked has been worked out.
    public boolean isSettled() {
        return isShown() && lanes().stream().allMatch(Work::isIdle);
    }

    private boolean searches(Work lane) {
        return lane == curing || lane == mending;
    }

    @Override
    public void close() {
        writing.finish();
        for (Work work : lanes()) work.close();
        shelf.close();
        papers.close();
        settings.close();
        journal.ifPresent(
                kept -> {
                    try {
                        kept.close();
                    } catch (FileTrouble trouble) {
                        System.getLogger("rivulus")
                                .log(System.Logger.Level.WARNING, trouble.getMessage());
                    }
                });
    }
}
