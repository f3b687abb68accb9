package rivulus.say;

import java.util.HashSet;
import java.util.Set;

/// What somebody said of what was read of their lines: what they mean by lines that leave something
/// open, and which readings are so, or are not.
///
/// @param all whether every line that leaves something open is taken as it is likeliest meant
/// @param taken lines that are taken as they are likeliest meant
/// @param aside lines of which nothing is taken
/// @param right readings that were looked at, and hold
/// @param wrong readings that were turned down
public record Answers(
        boolean all, Set<String> taken, Set<String> aside, Set<Reading> right, Set<Reading> wrong) {
    /// Nothing was said yet.
    public static final Answers NONE = new Answers(false, Set.of(), Set.of(), Set.of(), Set.of());

    /// Whatever is open is taken as it is likeliest meant.
    public static final Answers FIRST = new Answers(true, Set.of(), Set.of(), Set.of(), Set.of());

    public Answers {
        taken = Set.copyOf(taken);
        aside = Set.copyOf(aside);
        right = Set.copyOf(right);
        wrong = Set.copyOf(wrong);
    }

    /// What was read of a line.
    ///
    /// @param words what the line was read as
    public record Reading(String line, String words) {
        static Reading of(Said said) {
            return new Reading(said.line(), said.words());
        }
    }

    /// The same where every line that leaves something open is taken as it is likeliest meant.
    public Answers first() {
        return new Answers(true, taken, aside, right, wrong);
    }

    /// The same where a line is taken as it is likeliest meant.
    public Answers take(String line) {
        return new Answers(all, and(taken, line), without(aside, line), right, wrong);
    }

    /// The same where nothing is taken of a line.
    public Answers putAside(String line) {
        return new Answers(all, without(taken, line), and(aside, line), right, wrong);
    }

    /// The same where a reading holds.
    public Answers confirm(Said said) {
        Reading one = Reading.of(said);
        return new Answers(all, taken, aside, and(right, one), without(wrong, one));
    }

    /// The same where all that is assumed holds.
    public Answers confirm(Page page) {
        Answers all = this;
        for (Said said : page.lines()) if (said.isToLookAt()) all = all.confirm(said);
        return all;
    }

    /// The same where a reading is turned down.
    public Answers turnDown(Said said) {
        Reading one = Reading.of(said);
        return new Answers(all, taken, aside, without(right, one), and(wrong, one));
    }

    /// The same where nothing is turned down any more.
    public Answers again() {
        return new Answers(all, taken, aside, right, Set.of());
    }

    boolean isTaken(String line) {
        return all || taken.contains(line);
    }

    /// Whether some readings hold one that was not tried yet: what it takes besides stands behind
    /// its words.
    static boolean holds(Set<Reading> some, Said one) {
        return some.stream()
                .anyMatch(
                        reading ->
                                reading.line().equals(one.line())
                                        && reading.words().startsWith(one.words()));
    }

    private static <T> Set<T> and(Set<T> some, T one) {
        Set<T> more = new HashSet<>(some);
        more.add(one);
        return more;
    }

    private static <T> Set<T> without(Set<T> some, T one) {
        Set<T> less = new HashSet<>(some);
        less.remove(one);
        return less;
    }
}
