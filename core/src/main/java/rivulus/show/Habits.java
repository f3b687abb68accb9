package rivulus.show;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// How one likes to work, as far as somebody has said.
///
/// @param said the words of the schools, by what they are about
public record Habits(Map<Habit, String> said) {
    /// Nobody has said anything.
    public static final Habits UNSAID = new Habits(Map.of());

    /// @throws IllegalArgumentException if a school is none of its habit
    public Habits {
        Map<Habit, String> copy = new EnumMap<>(Habit.class);
        copy.putAll(said);
        copy.forEach(Habit::way);
        said = Collections.unmodifiableMap(copy);
    }

    /// What somebody said.
    public Optional<Habit.Way> of(Habit habit) {
        return Optional.ofNullable(said.get(habit)).map(habit::way);
    }

    /// Whether somebody said just that.
    public boolean says(Habit habit, String word) {
        return word.equals(said.get(habit));
    }

    /// The same with one of them said, or, empty, as nobody had said it.
    public Habits with(Habit habit, String word) {
        Map<Habit, String> changed = new EnumMap<>(Habit.class);
        changed.putAll(said);
        if (word.isEmpty()) changed.remove(habit);
        else changed.put(habit, word);
        return new Habits(changed);
    }
}
