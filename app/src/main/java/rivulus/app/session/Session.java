package rivulus.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.cure.Cure;
import rivulus.cure.Cures;
import rivulus.file.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.show.Show;

/// The one show that is open, what is chosen in it, what was proven of it and what was done to it.
/// All views look at this and at nothing else.
///
/// To be used on the interface thread. Proving, drawing up pictures and searching for cures go on
/// elsewhere; their results turn up in properties.
public final class Session implements AutoCloseable {
    private static final int CURES_OFFERED = 3;

    private final Prover prover;
    private final Work proving = new Work("prove");
    private final Work drawing = new Work("draw");
    private final Work curing = new Work("cure");
    private final History history = new History();

    private final ReadOnlyObjectWrapper<Show> show = new ReadOnlyObjectWrapper<>(Show.untitled());
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper dirty = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Proof> proof = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Picture> picture = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper lastDone = new ReadOnlyStringWrapper("");
    private final StringProperty ear = new SimpleStringProperty("");
    private final StringProperty source = new SimpleStringProperty("");
    private final StringProperty scene = new SimpleStringProperty("");
    private final ObjectProperty<Cure> preview = new SimpleObjectProperty<>();
    private final ObservableMap<String, List<Cure>> cures = FXCollections.observableHashMap();

    private Show saved = Show.untitled();

    /// A session without a show yet.
    public Session(Prover prover) {
        this.prover = prover;
        ear.addListener((_, _, _) -> draw());
        source.addListener((_, _, _) -> draw());
        scene.addListener((_, _, _) -> draw());
        preview.addListener((_, _, _) -> draw());
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

    /// The prover in use.
    public Prover prover() {
        return prover;
    }

    // What is chosen

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

    /// A cure that is being looked at and not taken, or null.
    public ObjectProperty<Cure> preview() {
        return preview;
    }

    /// Cures by the id of their trouble. A trouble without an entry is still being searched.
    public ObservableMap<String, List<Cure>> cures() {
        return cures;
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
        saved = newShow;
        file.set(from);
        preview.set(null);
        proof.set(null);
        cures.clear();
        put(newShow);
        scene.set(newShow.scenes().getFirst().id());
        source.set("");
        ear.set("");
        lastDone.set(from == null ? "Opened " + newShow.title() : "Opened " + from.getFileName());
    }

    /// Opens a file.
    ///
    /// @throws FileTrouble where it cannot be used; the present show stays
    public void open(Path path) throws FileTrouble {
        take(ShowFile.open(path, prover.catalogue()), path);
    }

    /// Saves to a file, which becomes the show's own.
    ///
    /// @throws FileTrouble where it cannot be written; nothing is lost
    public void save(Path path) throws FileTrouble {
        ShowFile.save(show.get(), path);
        file.set(path);
        saved = show.get();
        dirty.set(false);
        lastDone.set("Saved " + path.getFileName());
    }

    // Editing

    /// Does something to the show.
    ///
    /// @param name what it does, for undo: "Set Show desk · USB 1 chat feed to mix-minus"
    public void edit(String name, Show after) {
        if (after.equals(show.get())) return;
        history.add(new History.Step(name, show.get(), after));
        put(after);
        lastDone.set(name);
    }

    /// Takes a cure.
    public void take(Cure cure) {
        preview.set(null);
        String name = cure.sentence();
        edit(name.substring(0, name.length() - 1), show.get().with(cure.turns()));
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
        Proof earlier = proof.get();
        proving.ask(_ -> prover.prove(newShow, earlier), this::proven);
    }

    // What comes of it

    private void proven(Proof done) {
        proof.set(done);
        if (ear.get().isEmpty() || done.show().ear(ear.get()).isEmpty()) chooseWorstEar(done);
        draw();
        cures.clear();
        searchNext(done, List.copyOf(Trouble.of(done)));
    }

    private void chooseWorstEar(Proof done) {
        String worst =
                Trouble.of(done).stream()
                        .flatMap(trouble -> trouble.ear().stream())
                        .findFirst()
                        .orElseGet(
                                () ->
                                        done.show().ears().stream()
                                                .map(e -> e.id())
                                                .findFirst()
                                                .orElse(""));
        ear.set(worst);
    }

    private void draw() {
        Proof seen = preview.get() == null ? proof.get() : preview.get().after();
        if (seen == null) return;
        String sceneId = scene.get();
        String earId = ear.get();
        String sourceId = source.get();
        drawing.ask(
                _ -> Picture.of(seen, sceneId, earId, sourceId, prover.catalogue()), picture::set);
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
                stale -> Cures.of(prover, done, next, CURES_OFFERED, stale),
                found -> {
                    cures.put(next.id(), found);
                    searchNext(done, rest);
                });
    }

    /// Whether everything that was asked has been worked out.
    public boolean isSettled() {
        return proving.isIdle() && drawing.isIdle() && curing.isIdle();
    }

    @Override
    public void close() {
        proving.close();
        drawing.close();
        curing.close();
    }
}
