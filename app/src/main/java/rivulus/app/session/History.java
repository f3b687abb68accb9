package rivulus.app.session;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import rivulus.show.Show;

/// What was done and can be undone: the earlier trees.
final class History {
    private static final int LONGEST = 500;

    private final Deque<Step> done = new ArrayDeque<>();
    private final Deque<Step> undone = new ArrayDeque<>();

    /// One edit.
    ///
    /// @param name what it did, as a person would say it: "Set Show desk · USB 1 call feed to
    ///     mix-minus"
    record Step(String name, Show before, Show after) {}

    void add(Step step) {
        done.push(step);
        undone.clear();
        if (done.size() > LONGEST) done.removeLast();
    }

    Optional<Step> undo() {
        Step step = done.poll();
        if (step != null) undone.push(step);
        return Optional.ofNullable(step);
    }

    Optional<Step> redo() {
        Step step = undone.poll();
        if (step != null) done.push(step);
        return Optional.ofNullable(step);
    }

    Optional<Step> nextUndo() {
        return Optional.ofNullable(done.peek());
    }

    Optional<Step> nextRedo() {
        return Optional.ofNullable(undone.peek());
    }

    void clear() {
        done.clear();
        undone.clear();
    }
}
