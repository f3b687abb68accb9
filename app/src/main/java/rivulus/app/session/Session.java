package rivulus.app.session;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
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
import rivulus.edit.Edit;
import rivulus.edit.Parts;
import rivulus.file.Journal;
import rivulus.gear.Setting;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.rig.RigEdits;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// What is chosen in the one show that is open, what was proven of it and what ends it; the show
/// itself with its file and history is the [Document]. All views look at this and at nothing else.
///
/// To be used on the interface thread. Proving, drawing up pictures and searching for remedies go
/// on elsewhere; their results turn up in properties.
public final class Session implements AutoCloseable {
    private static final int REMEDIES_OFFERED = 3;

    /// What nobody looks at is searched once nothing was turned for so long.
    private static final Duration HANDS_AT_WORK = Duration.ofMillis(200);

    /// What has just been opened is looked at first.
    private static final Duration FIRST_LOOK = Duration.ofMillis(600);

    private final Settings settings;
    private final ReadOnlyObjectWrapper<Mishap> mishap = new ReadOnlyObjectWrapper<>();
    private final Work proving = new Work("prove", "proving the show", mishap::set);
    private final Work drawing = new Work("draw", "drawing it up", mishap::set);
    private final Work reading = new Work("say", "reading lines", mishap::set);
    private final Work mending = new Work("mend", "searching for remedies", mishap::set);

    private final ReadOnlyObjectWrapper<Proof> proof = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Picture> picture = new ReadOnlyObjectWrapper<>();
    private final List<View<?>> views = new ArrayList<>();
    private final ReadOnlyStringWrapper doing = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper lastDone = new ReadOnlyStringWrapper("");
    private final StringProperty stage = new SimpleStringProperty("");
    private final StringProperty ear = new SimpleStringProperty("");
    private final StringProperty source = new SimpleStringProperty("");
    private final StringProperty scene = new SimpleStringProperty("");
    private final StringProperty device = new SimpleStringProperty("");
    private final ObjectProperty<Remedy> preview = new SimpleObjectProperty<>();
    private final ObservableMap<String, Cures> remedies = FXCollections.observableHashMap();
    private final Shelf shelf;
    private final Papers papers = new Papers(this, mishap::set);

    private final Document document;
    private final Joinings joinings;
    private final Mixings mixings;
    private final Plannings plannings;
    private final Recordings recordings;
    private final Days days;

    /// A proof that the first one may lean on.
    private Optional<CompletableFuture<Proof>> expected = Optional.empty();

    /// Whether a scene was on when that was last looked at.
    private boolean onAir;

    /// Whether a show has been taken up of which nothing has been told yet.
    private boolean choosing;

    /// The troubles that are still searched, or will be.
    private List<Trouble> unsearched = List.of();

    /// What was just opened, whose remedies are searched once it has been shown; or null.
    private Proof toSearch;

    /// What the search for one remedy may cost; more each time somebody searches on.
    private long steps = Budget.USUAL;

    /// A session without a show yet.
    ///
    /// @param journal where unsaved edits are kept; empty where they cannot be
    public Session(Prover prover, Settings settings, Optional<Journal> journal) {
        shelf = new Shelf(prover, settings.library(), this::say, mishap::set);
        this.settings = settings;
        document =
                new Document(shelf, settings, journal, this::say, mishap::set)
                        .telling(this::begin, this::changed);
        joinings = new Joinings(this, mishap::set);
        mixings = new Mixings(this, mishap::set);
        plannings = new Plannings(this, mishap::set);
        recordings = new Recordings(this, mishap::set);
        days = new Days(this, mishap::set);
        for (StringProperty choice : List.of(ear, source, scene, device)) {
            choice.addListener((_, _, _) -> lookElsewhere());
        }
        preview.addListener((_, _, _) -> redraw());
        settings.searching()
                .addListener(
                        (_, _, _) -> {
                            if (proof.get() != null) search(proof.get(), Duration.ZERO);
                        });
        mishap.addListener((_, _, _) -> doing.set(""));
        stage.addListener((_, _, _) -> redraw());
    }

    /// The show that is taken up next has been proven already, or is being, by the prover that this
    /// session was made with.
    public void expect(CompletableFuture<Proof> early) {
        expected = Optional.of(early);
    }

    // What is open

    /// The show with its file, its history and its journal.
    public Document document() {
        return document;
    }

    /// The show as it is now.
    public ReadOnlyObjectProperty<Show> show() {
        return document.show();
    }

    /// The latest finished proof, or null before the first.
    public ReadOnlyObjectProperty<Proof> proof() {
        return proof.getReadOnlyProperty();
    }

    /// What there is to see, or null before the first proof. While a remedy is previewed it is as
    /// if it were taken.
    public ReadOnlyObjectProperty<Picture> picture() {
        return picture.getReadOnlyProperty();
    }

    /// What was last done, as a sentence.
    public ReadOnlyStringProperty lastDone() {
        return lastDone.getReadOnlyProperty();
    }

    /// What goes on elsewhere at the moment, with how far it has come: "Trying remedies, 3 of 12";
    /// empty at rest.
    public ReadOnlyStringProperty doing() {
        return doing.getReadOnlyProperty();
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

    /// The id of the stage that is shown.
    public StringProperty stage() {
        return stage;
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
    public ObjectProperty<Remedy> preview() {
        return preview;
    }

    /// Remedies by the id of their trouble. A trouble without an entry is still being searched.
    public ObservableMap<String, Cures> remedies() {
        return remedies;
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

    /// A show has been taken up: nothing of the former one stays on the screen.
    private void begin() {
        proving.forget();
        drawing.forget();
        proof.set(null);
        picture.set(null);
        views.forEach(View::clear);
        remedies.clear();
        unsearched = List.of();
        toSearch = null;
        choosing = true;
        mixings.stop();
        recordings.forget();
        days.leave();
        days.goOn();
        onAir = days.isOnAir();
        document.lock(onAir);
        mixings.told().clear();
        for (StringProperty choice : List.of(ear, source, device)) choice.set("");
        scene.set(document.show().get().scenes().getFirst().id());
    }

    /// On air the plan is locked: from when a scene begins, or is on again after an undo, to the
    /// end.
    private void lockOnAir() {
        boolean is = days.isOnAir();
        if (is != onAir) document.lock(is);
        onAir = is;
    }

    /// The show has changed: it is proven again.
    private void changed(Show now) {
        lockOnAir();
        preview.set(null);
        mixings.forget();
        Proof earlier = proof.get();
        doing.set("Proving the show");
        Optional<CompletableFuture<Proof>> early =
                shelf.isAsShipped() && earlier == null ? expected : Optional.empty();
        expected = Optional.empty();
        proving.follow(
                () ->
                        wholly(
                                shelf.prover()
                                        .prove(
                                                now,
                                                early.map(CompletableFuture::join)
                                                        .orElse(earlier))),
                this::proven);
    }

    /// Takes a remedy.
    public void take(Remedy remedy) {
        document.edit(remedy.name(), remedy.change());
    }

    /// Turns a knob.
    ///
    /// @param here whether only in the chosen scene; else in the base, and in the scene where it
    ///     has a setting of its own
    public void turn(KnobUse knob, Setting from, Setting to, boolean here) {
        Ref ref = knob.ref();
        Optional<String> where =
                here ? Optional.of(scene.get()) : show().get().turnedIn(scene.get(), ref);
        String sceneName =
                where.flatMap(show().get()::scene).map(s -> " in " + s.name()).orElse("");
        document.edit(
                "Set %s to %s%s".formatted(knob.words(), knob.say(to), sceneName),
                show -> show.with(new Turn(ref, from, to, where)));
    }

    /// Works every scene out here and now, off the interface thread.
    private static Proof wholly(Proof proof) {
        proof.findings();
        return proof;
    }

    // What comes of it

    private void proven(Proof done) {
        Proof earlier = proof.get();
        proof.set(done);
        boolean latest = done.show() == show().get();
        if (latest
                && earlier != null
                && earlier.show().withDay(done.show().day()).equals(done.show())) {
            doing.set("");
            redraw(); // only the day has gone on: remedies are as they were
            return;
        }
        if (choosing || done.show().ear(ear.get()).isEmpty()) chooseWorst(done);
        boolean first = choosing;
        choosing = false;
        redraw();
        remedies.clear();
        if (!latest) return; // the show has changed meanwhile, and is being proven again
        toSearch = first ? done : null;
        if (!first) search(done, Duration.ZERO);
        joinings.find();
    }

    /// Searches for remedies of everything that is wrong, where they are searched by themselves.
    private void search(Proof done, Duration after) {
        steps = Budget.USUAL;
        if (settings.searching().get()) searchNext(done, Trouble.of(done), after);
        else stopSearching();
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

    /// Whoever turns to something else no longer stands on a remedy.
    private void lookElsewhere() {
        preview.set(null);
        redraw();
    }

    /// Registers a view: it is drawn up whenever the show, or what is chosen, has changed.
    public void draws(View<?> view) {
        views.add(view);
        redraw();
    }

    /// Draws up what is seen once more: something about it has changed that is not in the session,
    /// such as its size.
    public void redraw() {
        Proof seen = preview.get() == null ? proof.get() : preview.get().after();
        if (seen == null) return;
        Picture.Choice choice =
                new Picture.Choice(scene.get(), ear.get(), source.get(), device.get());
        List<Function<Picture, Runnable>> drawings =
                views.stream().filter(View::isSeen).map(Session::drawing).toList();
        drawing.follow(() -> drawn(Picture.of(seen, choice), drawings), Runnable::run);
    }

    /// How a view is drawn, and then shown.
    private static <P> Function<Picture, Runnable> drawing(View<P> view) {
        Function<Picture, P> drawing = view.drawing();
        return picture -> {
            P drawn = drawing.apply(picture);
            return () -> view.show(drawn);
        };
    }

    /// Everything drawn up, ready to be shown at once.
    private Runnable drawn(Picture drawn, List<Function<Picture, Runnable>> drawings) {
        List<Runnable> shown = drawings.stream().map(drawing -> drawing.apply(drawn)).toList();
        return () -> {
            picture.set(drawn);
            shown.forEach(Runnable::run);
            if (toSearch == null || drawn.proof() != toSearch) return;
            search(toSearch, FIRST_LOOK);
            toSearch = null;
        };
    }

    /// Searches one trouble after the other, those of the chosen ear first.
    ///
    /// @param after a moment in which other things may be done
    private void searchNext(Proof done, List<Trouble> troubles, Duration after) {
        unsearched = troubles;
        if (troubles.isEmpty()) {
            mending.forget();
            doing.set("");
            return;
        }
        Trouble next =
                troubles.stream()
                        .filter(trouble -> trouble.ear().filter(ear.get()::equals).isPresent())
                        .findFirst()
                        .orElse(troubles.getFirst());
        List<Trouble> rest = troubles.stream().filter(trouble -> trouble != next).toList();
        long most = steps;
        mending.ask(
                stale -> {
                    Work.pause(after, stale);
                    return Remedies.of(
                            shelf.prover(),
                            done,
                            next,
                            REMEDIES_OFFERED,
                            Budget.of(most).stoppedBy(stale),
                            first -> showFirst(next, first, stale));
                },
                found -> {
                    remedies.put(next.id(), found);
                    searchNext(done, rest, remedies.size() == 1 ? HANDS_AT_WORK : Duration.ZERO);
                });
        int all = Trouble.of(done).size();
        doing.set(
                steps == Budget.USUAL
                        ? "Trying remedies, %d of %d".formatted(all - rest.size(), all)
                        : "Searching on, %s left"
                                .formatted(Words.count(troubles.size(), "trouble")));
    }

    /// The first that will do is shown at once; what else there is takes its place.
    private void showFirst(Trouble trouble, Remedy first, BooleanSupplier stale) {
        Platform.runLater(
                () -> {
                    if (!stale.getAsBoolean())
                        remedies.putIfAbsent(trouble.id(), Cures.soFar(first));
                });
    }

    /// The search for remedies leaves the machine to what somebody waits for, until [#mendOn()].
    void rest() {
        mending.forget();
        doing.set("");
    }

    /// Goes on searching where it was left.
    void mendOn() {
        if (!unsearched.isEmpty()) searchNext(proof.get(), unsearched, Duration.ZERO);
    }

    /// Searches on where a search ended before everything was tried: for the mix that was written
    /// last, else for remedies, eight times as far as before.
    public void searchOn() {
        if (proof.get() == null || mixings.searchOn()) return;
        List<Trouble> open =
                Trouble.of(proof.get()).stream()
                        .filter(trouble -> remedies.containsKey(trouble.id()))
                        .filter(trouble -> remedies.get(trouble.id()).mayBeBettered())
                        .toList();
        if (open.isEmpty() || !unsearched.isEmpty()) {
            say(
                    unsearched.isEmpty()
                            ? "Everything worth a try was tried"
                            : "Remedies are still being tried");
            return;
        }
        boolean tried = open.stream().anyMatch(t -> remedies.get(t.id()).tried() > 0);
        if (tried) steps *= Budget.MORE;
        searchNext(proof.get(), open, Duration.ZERO);
    }

    /// Gives up the search for remedies; what was not tried by then says so.
    public void stopSearching() {
        if (proof.get() == null) return;
        mending.forget();
        for (Trouble trouble : Trouble.of(proof.get()))
            remedies.putIfAbsent(trouble.id(), Cures.UNKNOWN);
        unsearched = List.of();
        doing.set("");
    }

    /// How the chosen device could be joined to another.
    public Joinings joinings() {
        return joinings;
    }

    /// Whole plans for the show.
    public Plannings plannings() {
        return plannings;
    }

    /// Recordings of the show, measured and compared with the plan.
    public Recordings recordings() {
        return recordings;
    }

    /// The day of the show: set-up, soundcheck, faults, log.
    public Days days() {
        return days;
    }

    /// Mixes written into the show.
    public Mixings mixings() {
        return mixings;
    }

    /// Makes an edit, and turns to what it chooses: an ear, a scene or a device.
    ///
    /// @return whether it was made; else why not has been told
    public boolean edit(Edit edit) {
        if (!document.edit(edit.name(), edit.change())) return false;
        Show now = show().get();
        if (now.ear(edit.chosen()).isPresent()) ear.set(edit.chosen());
        else if (now.scene(edit.chosen()).isPresent()) scene.set(edit.chosen());
        else if (now.rig().device(edit.chosen()).isPresent()) device.set(edit.chosen());
        return true;
    }

    /// Reads lines as they would be taken into the show as it is now; only the latest text counts.
    ///
    /// @param answers what was said of what was read before
    public void understand(String text, Answers answers, Consumer<Page> then) {
        Show now = show().get();
        reading.ask(_ -> Page.written(text, now, shelf.prover().catalogue(), answers), then);
    }

    /// Does not tell some findings again.
    ///
    /// @param findings their ids, in whatever scene
    public void silence(List<String> findings, String reason) {
        edit(new Parts(show().get(), shelf.prover().catalogue()).silence(findings, reason));
    }

    /// Edits of the rig as it is now.
    public RigEdits rigEdits() {
        return new RigEdits(show().get(), shelf.prover().catalogue());
    }

    private List<Work> lanes() {
        return List.of(proving, drawing, reading, mending);
    }

    /// Whether everything that was asked has been worked out and is shown, but for the remedies,
    /// which may still be searched.
    public boolean isShown() {
        return settings.isKept()
                && shelf.isSettled()
                && papers.isSettled()
                && document.isSettled()
                && joinings.isSettled()
                && mixings.isSettled()
                && plannings.isSettled()
                && recordings.isSettled()
                && days.isSettled()
                && lanes().stream().allMatch(lane -> lane.isIdle() || lane == mending);
    }

    /// Whether everything that was asked has been worked out.
    public boolean isSettled() {
        return isShown() && lanes().stream().allMatch(Work::isIdle);
    }

    @Override
    public void close() {
        document.close();
        for (Work work : lanes()) work.close();
        shelf.close();
        papers.close();
        joinings.close();
        mixings.close();
        plannings.close();
        recordings.close();
        days.close();
        settings.close();
    }
}
