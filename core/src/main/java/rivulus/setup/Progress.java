package rivulus.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import rivulus.show.Day;
import rivulus.show.Tick;
import rivulus.words.Words;

/// How far a set-up is: its steps with what became of each.
public final class Progress {
    /// How a step stands.
    public enum Standing {
        OPEN,
        /// Something that comes before it is not done yet.
        WAITS,
        /// It was ticked when it said something else: open again.
        CHANGED,
        DONE,
        SKIPPED,
        FAILED;

        /// Whether nobody has to do anything any more.
        public boolean isOver() {
            return this == DONE || this == SKIPPED;
        }
    }

    /// A step with how it stands.
    ///
    /// @param words what is to be said of that: "waits for lead 04", "said before: …"; or empty
    public record At(Step step, Standing standing, String words) {}

    /// How the steps are put together.
    public enum Order {
        /// As they are done.
        DONE("In order"),
        /// By the machine they are done at.
        MACHINE("By machine"),
        /// By who does them.
        PERSON("By person");

        private final String title;

        Order(String title) {
            this.title = title;
        }

        /// "By machine".
        public String title() {
            return title;
        }
    }

    private final SequencedMap<String, At> all = new LinkedHashMap<>();
    private final Map<Integer, Double> left = new ConcurrentHashMap<>();

    private Progress() {}

    /// How far a list is on a day.
    public static Progress of(SetUp list, Day day) {
        Progress progress = new Progress();
        for (Step step : list.steps()) progress.all.put(step.id(), progress.at(step, day));
        return progress;
    }

    private At at(Step step, Day day) {
        Optional<Tick> tick = day.tick(step.id());
        if (tick.isPresent() && tick.get().said().equals(step.what()))
            return switch (tick.get().how()) {
                case DONE -> new At(step, Standing.DONE, "");
                case SKIPPED -> new At(step, Standing.SKIPPED, tick.get().why());
                case FAILED -> new At(step, Standing.FAILED, tick.get().why());
            };
        for (String before : step.after())
            if (!all.get(before).standing().isOver())
                return new At(step, Standing.WAITS, "waits for: " + all.get(before).step().what());
        return tick.map(
                        was ->
                                new At(
                                        step,
                                        Standing.CHANGED,
                                        "the plan has changed: " + was.said()))
                .orElseGet(() -> new At(step, Standing.OPEN, ""));
    }

    /// Every step in its order.
    public List<At> steps() {
        return List.copyOf(all.values());
    }

    /// The steps in groups under a title each, in the order in which groups begin.
    public SequencedMap<String, List<At>> by(Order order) {
        SequencedMap<String, List<At>> groups = new LinkedHashMap<>();
        for (At at : all.values()) {
            Step step = at.step();
            String title =
                    switch (order) {
                        case DONE -> step.part().title();
                        case MACHINE -> step.machine().isEmpty() ? "Besides" : step.machine();
                        case PERSON -> step.who().isEmpty() ? "Whoever is here" : step.who();
                    };
            groups.computeIfAbsent(title, _ -> new ArrayList<>()).add(at);
        }
        return groups;
    }

    /// What can be done now, first the first.
    public Optional<At> next() {
        return all.values().stream()
                .filter(at -> at.standing() == Standing.OPEN || at.standing() == Standing.CHANGED)
                .findFirst();
    }

    /// How many steps are over.
    public long over() {
        return all.values().stream().filter(at -> at.standing().isOver()).count();
    }

    /// Whether nothing is left to be done.
    public boolean isOver() {
        return over() == all.size();
    }

    /// About how many minutes are left for so many pairs of hands, when each takes the next step
    /// that can be done; who is elsewhere does theirs meanwhile.
    public double minutesLeft(int hands) {
        return left.computeIfAbsent(hands, this::workedOut);
    }

    private double workedOut(int hands) {
        double[] free = new double[hands];
        Map<String, Double> elsewhere = new HashMap<>();
        Map<String, Double> ends = new HashMap<>();
        double end = 0;
        List<Step> todo = new ArrayList<>();
        for (At at : all.values()) if (!at.standing().isOver()) todo.add(at.step());
        Set<String> open = new HashSet<>();
        for (Step step : todo) open.add(step.id());
        while (!todo.isEmpty()) {
            Step first = null;
            double starts = Double.POSITIVE_INFINITY;
            Arrays.sort(free);
            for (Step step : todo) {
                if (step.after().stream().anyMatch(open::contains)) continue;
                double could =
                        step.who().isEmpty() ? free[0] : elsewhere.getOrDefault(step.who(), 0.0);
                for (String before : step.after())
                    could = Math.max(could, ends.getOrDefault(before, 0.0));
                if (could < starts) {
                    starts = could;
                    first = step;
                }
            }
            if (first == null) break; // cannot be: what comes before is in the list before
            double done = starts + first.minutes();
            ends.put(first.id(), done);
            if (first.who().isEmpty()) free[0] = done;
            else elsewhere.put(first.who(), done);
            end = Math.max(end, done);
            todo.remove(first);
            open.remove(first.id());
        }
        return end;
    }

    /// "34 min to air, about 21 min of work left for two pairs of hands."
    ///
    /// @param toAir minutes to air; empty where nobody said when that is
    public String clock(Optional<Double> toAir, int hands) {
        String work =
                isOver()
                        ? "all is done"
                        : "about %s of work left for %s"
                                .formatted(
                                        Words.minutes(Math.ceil(minutesLeft(hands))),
                                        hands == 1
                                                ? "one pair of hands"
                                                : Words.number(hands) + " pairs of hands");
        return toAir.map(
                        minutes ->
                                minutes >= 0
                                        ? "%s to air, %s".formatted(Words.minutes(minutes), work)
                                        : "%s over, %s".formatted(Words.minutes(-minutes), work))
                .orElse(Words.sentence(work));
    }
}
