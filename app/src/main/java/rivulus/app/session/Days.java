package rivulus.app.session;

import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import rivulus.air.Clocks;
import rivulus.air.Stopwatch;
import rivulus.check.Proof;
import rivulus.disk.Extras;
import rivulus.file.Change;
import rivulus.recording.Track;
import rivulus.setup.Step;
import rivulus.show.Answer;
import rivulus.show.Day;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.show.Now;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Symptom;
import rivulus.show.Tick;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Question;
import rivulus.trouble.Reply;
import rivulus.trouble.Soundcheck;
import rivulus.trouble.Suspect;

/// The day of the show: what is ticked, answered, searched and logged, each one step of undo. While
/// on air the plan is locked; see [Document#lock].
public final class Days implements AutoCloseable {
    private static final String END = "The evening has ended";

    private final Session session;
    private final Work searching;
    private final ReadOnlyObjectWrapper<Optional<Diagnosis>> search =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Diagnosis.Next> next = new ReadOnlyObjectWrapper<>();
    /// The show of which the search is.
    private Show searched = Show.untitled();

    private boolean looking;
    private Stopwatch watch = Stopwatch.ofMachine();

    Days(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        searching = new Work("search", "looking for what is broken", mishaps);
    }

    boolean isSettled() {
        return searching.isIdle();
    }

    /// What time it is, and how much has passed of the day.
    public Now now() {
        return watch.now(show().day());
    }

    /// Goes by another stopwatch.
    public void goBy(Stopwatch other) {
        watch = other;
        goOn();
    }

    /// Another show has been taken up: its day goes on where it was left.
    void goOn() {
        watch.goOn(show().day());
    }

    private Show show() {
        return session.show().get();
    }

    private String scene() {
        return Clocks.of(show(), now()).now().map(Scene::id).orElse("");
    }

    private boolean edit(String name, UnaryOperator<Day> change) {
        return session.document().edit(name, show -> show.withDay(change.apply(show.day())));
    }

    /// A line of the log, about now.
    private Logged line(Logged.Kind kind, String text) {
        return new Logged(now().moment(), kind, scene(), text);
    }

    // Set-up

    /// Ticks a step.
    ///
    /// @param why for what is skipped or has failed; or empty
    public void tick(Step step, Tick.How how, String why) {
        String name =
                switch (how) {
                    case DONE -> "Tick: ";
                    case SKIPPED -> "Skip: ";
                    case FAILED -> "Failed: ";
                };
        Tick tick = new Tick(step.id(), how, why, now().moment(), step.what(), Extras.NONE);
        edit(
                name + step.what(),
                day ->
                        how == Tick.How.DONE
                                ? day.with(tick)
                                : day.with(tick)
                                        .logged(
                                                line(
                                                        Logged.Kind.SETUP,
                                                        name
                                                                + step.what()
                                                                + (why.isEmpty()
                                                                        ? ""
                                                                        : " (" + why + ")"))));
    }

    /// Opens a step again.
    public void open(Step step) {
        edit("Open again: " + step.what(), day -> day.without(step.id()));
    }

    // Soundcheck

    /// Keeps an answer of the soundcheck.
    public void answer(Soundcheck.Check check, Symptom heard) {
        String words = "%s %s".formatted(check.ask().words(), check.ask().words(heard));
        edit("Answer: " + words, day -> answered(day, check, heard));
    }

    private Day answered(Day day, Soundcheck.Check check, Symptom heard) {
        Day kept =
                day.with(
                        new Answer(
                                check.ask().ear().id(),
                                check.ask().source().id(),
                                check.scene(),
                                heard,
                                now().moment(),
                                Extras.NONE));
        return heard == Symptom.AS_WISHED
                ? kept
                : kept.logged(
                        line(
                                Logged.Kind.ANSWER,
                                "%s %s".formatted(check.ask().words(), check.ask().words(heard))));
    }

    /// Keeps that everything at an ear that was not asked yet is as it should be.
    public void allWell(Soundcheck.Row row) {
        edit(
                "Answer: all is well at " + row.ear().name(),
                day -> {
                    Day now = day;
                    for (Soundcheck.Check check : row.checks())
                        if (check.answer().isEmpty()) now = answered(now, check, Symptom.AS_WISHED);
                    return now;
                });
    }

    /// Keeps what a test recording answers, and what it measured.
    public void answer(SequencedMap<Soundcheck.Check, Symptom> said, List<Track> tracks) {
        edit(
                "Answer as the recording says",
                day -> {
                    Day now = day.logged(line(Logged.Kind.MEASURED, Soundcheck.measured(tracks)));
                    for (var one : said.entrySet())
                        now = answered(now, one.getKey(), one.getValue());
                    return now;
                });
    }

    // What is broken

    /// The search that is going on; empty where none is.
    public ReadOnlyObjectProperty<Optional<Diagnosis>> search() {
        return search.getReadOnlyProperty();
    }

    /// What to ask next; null where nothing is asked, or it is still worked out.
    public ReadOnlyObjectProperty<Diagnosis.Next> next() {
        return next.getReadOnlyProperty();
    }

    /// Begins a search in a scene.
    ///
    /// @param begun what is known from the start
    public void find(String scene, UnaryOperator<Diagnosis> begun) {
        Proof proof = session.proof().get();
        if (proof == null) return;
        search.set(Optional.empty());
        searched = proof.show();
        found(stale -> begun.apply(Diagnosis.of(session.shelf().prover(), proof, scene, stale)));
    }

    /// Begins a search after what somebody said in the soundcheck.
    public void find(Soundcheck.Check check, Symptom heard) {
        find(
                check.scene(),
                start ->
                        start.about(check.ask().ear().id(), check.ask().source().id())
                                .map(ask -> start.after(ask, new Reply.Heard(heard)))
                                .orElse(start));
    }

    /// Begins a search after a step that failed.
    public void find(Step step) {
        find(session.proof().get().fullest().scene().id(), start -> start.pointedAt(step));
    }

    /// Goes on with an answer.
    public void said(Question question, Reply reply) {
        Diagnosis now = search.get().orElseThrow();
        found(_ -> now.after(question, reply));
    }

    /// Takes the last answer back.
    public void back() {
        search.get().ifPresent(now -> found(_ -> now.back()));
    }

    private record Found(Diagnosis search, Optional<Diagnosis.Next> next) {}

    private void found(Function<BooleanSupplier, Diagnosis> work) {
        looking = true;
        next.set(null);
        searching.ask(
                stale -> {
                    Diagnosis now = work.apply(stale);
                    boolean ended = now.found().isPresent();
                    return new Found(now, ended ? Optional.empty() : now.next());
                },
                found -> {
                    looking = false;
                    search.set(Optional.of(found.search()));
                    next.set(found.next().orElse(null));
                });
    }

    /// Whether a search is being worked out.
    public boolean isSearching() {
        return looking;
    }

    /// Gives the search up.
    public void leave() {
        searching.forget();
        looking = false;
        next.set(null);
        search.set(Optional.empty());
    }

    /// Keeps that a fault was found and put right: the plan is as it was.
    public void putRight(Suspect what) {
        edit(
                "Put right: " + what.words(),
                day ->
                        day.logged(line(Logged.Kind.FAULT, what.words()))
                                .logged(line(Logged.Kind.CURE, what.todo())));
        leave();
    }

    /// Keeps that it stays as it was found: the plan is set to that. What was done since the search
    /// began stays done.
    public void stays(Suspect what) {
        Change change = new Change(searched, what.faults().getFirst().plan().orElseThrow());
        session.document()
                .edit(
                        "The plan is as it was found: " + what.words(),
                        change,
                        day -> day.logged(line(Logged.Kind.FAULT, what.words() + "; it stays so")));
        leave();
    }

    // On air

    /// A scene begins. With the first the plan is locked.
    public void begin(Scene scene) {
        edit("Scene: " + scene.name(), day -> day.logged(turn(scene.id(), scene.name())));
        session.scene().set(scene.id());
    }

    /// The evening ends. The plan is open again.
    public void end() {
        edit(END, day -> day.logged(turn("", END)));
    }

    private Logged turn(String scene, String text) {
        return new Logged(now().moment(), Logged.Kind.SCENE, scene, text);
    }

    /// Whether a scene is on.
    boolean isOnAir() {
        return Clocks.of(show(), now()).now().isPresent();
    }

    /// Writes a line into the log.
    ///
    /// @return whether it was; else why not has been told
    public boolean log(Logged.Kind kind, String text) {
        return log(kind, "", text);
    }

    /// Writes a line into the log.
    ///
    /// @param about the id of the device or person that it is about; or empty
    /// @return whether it was; else why not has been told
    public boolean log(Logged.Kind kind, String about, String text) {
        return edit("Log: " + text, day -> day.logged(line(kind, text).about(about)));
    }

    /// Takes a line out of the log.
    public void remove(Logged line) {
        edit("Take out of the log: " + line.text(), day -> day.without(line));
    }

    // Lessons

    /// Keeps what to do otherwise the next time.
    ///
    /// @return whether it was; else why not has been told
    public boolean learn(String text) {
        return edit("Next time: " + text, day -> day.learned(text, ""));
    }

    /// Keeps whether a lesson is done.
    public void taken(Lesson lesson, boolean now) {
        edit((now ? "Done: " : "Not done: ") + lesson.text(), day -> day.with(lesson.taken(now)));
    }

    /// Takes a lesson away.
    public void forget(Lesson lesson) {
        edit("Forget: " + lesson.text(), day -> day.without(lesson));
    }

    @Override
    public void close() {
        searching.close();
    }
}
