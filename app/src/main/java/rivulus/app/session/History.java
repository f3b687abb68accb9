package rivulus.app.session;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import rivulus.show.Show;

/// What was done and can be undone: the earlier trees. What was done longest ago is undone in one
/// step, so that undo always ends where everything began.
final class History {
    private static final int LONGEST = 1000;

    private final Deque<Step> done = new ArrayDeque<>();
    private final Deque<Step> undone = new ArrayDeque<>();

    /// As many changes are one step, the first.
    private int joined = 1;

    /// One edit.
    ///
    /// @param name what it did, as a person would say it: "Set Show desk · USB 1 call feed to
    ///     mix-minus"
    record Step(String name, Show before, Show after) {}

    void add(Step step) {
        done.push(step);
        undone.clear();
        if (done.size() > LONGEST) joinTheFirst();
    }

    private void joinTheFirst() {
        Step first = done.removeLast();
        Step second = done.removeLast();
        joined++;
        done.addLast(
                new Step("the first %d changes".formatted(joined), first.before(), second.after()));
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
        joined = 1;
    }
}
