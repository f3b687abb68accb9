package rivulus.app.session;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import rivulus.check.Proof;
import rivulus.mix.Feed;
import rivulus.mix.MixWriting;
import rivulus.search.Budget;
import rivulus.show.Mix;

/// Mixes written into the show: knobs are looked for off the interface thread, and what comes of it
/// is one edit.
public final class Mixings implements AutoCloseable {
    private final Session session;
    private final Work writing;
    private final ReadOnlyStringWrapper doing = new ReadOnlyStringWrapper("");
    private final ObservableMap<String, String> told = FXCollections.observableHashMap();
    private long steps = MixWriting.STEPS;

    /// Writes again what was written last, where not everything was tried for it.
    private Optional<Runnable> again = Optional.empty();

    Mixings(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        writing = new Work("mix", "turning knobs for a mix", mishaps);
    }

    boolean isSettled() {
        return writing.isIdle();
    }

    /// What is being written: "Writing mixes, 3 done"; empty where nothing is.
    public ReadOnlyStringProperty doing() {
        return doing.getReadOnlyProperty();
    }

    /// What was said when mixes were last written, by the points of their feeds.
    public ObservableMap<String, String> told() {
        return told;
    }

    /// One feed is to carry something; or, empty, nobody says what any more.
    public void let(Feed feed, Optional<List<Mix.Step>> steps) {
        begin(() -> write("Turning knobs", w -> proof -> w.one(proof, feed, steps)));
    }

    /// Every feed that somebody relies on is to carry what the brief would ask for.
    public void all() {
        begin(this::writeAll);
    }

    private void writeAll() {
        AtomicInteger done = new AtomicInteger();
        Consumer<MixWriting.Line> soFar =
                _ -> {
                    String words = "Writing mixes, %d done".formatted(done.incrementAndGet());
                    Platform.runLater(() -> progress(words));
                };
        write("Writing mixes", w -> proof -> w.all(proof, soFar));
    }

    private void begin(Runnable writing) {
        steps = MixWriting.STEPS;
        repeat(writing);
    }

    private void repeat(Runnable writing) {
        again = Optional.of(writing);
        writing.run();
    }

    /// Searches eight times as far for what was written last, where not everything was tried; says
    /// whether there is anything of that kind.
    boolean searchOn() {
        if (again.isEmpty() || !writing.isIdle()) return false;
        steps *= Budget.MORE;
        repeat(again.get());
        return true;
    }

    /// The show has changed: what was written last is of no interest any more.
    void forget() {
        if (writing.isIdle()) again = Optional.empty();
    }

    private void progress(String words) {
        if (!doing.get().isEmpty()) doing.set(words);
    }

    private void write(
            String words, Function<MixWriting, Function<Proof, MixWriting.Written>> what) {
        Proof now = session.proof().get();
        if (now == null) return;
        told.clear();
        doing.set(words);
        long most = steps;
        writing.ask(
                stale ->
                        what.apply(
                                        new MixWriting(
                                                session.shelf().prover(),
                                                Budget.of(most).stoppedBy(stale)))
                                .apply(now),
                this::written);
    }

    private void written(MixWriting.Written written) {
        doing.set("");
        for (MixWriting.Line line : written.lines())
            told.put(line.feed().at().toString(), line.words());
        Optional<Runnable> on = written.isComplete() ? Optional.empty() : again;
        session.edit(written.edit());
        if (on.isPresent()) session.say("Not everything was tried; Ctrl Shift Enter searches on");
        again = on;
    }

    /// Gives up what is being written; the show stays as it is.
    public void stop() {
        writing.forget();
        doing.set("");
    }

    @Override
    public void close() {
        writing.close();
    }
}
