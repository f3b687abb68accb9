package rivulus.recording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.edit.Edit;
import rivulus.level.Turning;
import rivulus.show.Cast;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.words.Severity;

/// One thing that a recording says.
///
/// @param kind what it is about
/// @param sentence what was found, and what to do
/// @param ears the ears at whose tracks it was found
/// @param finding the finding of the plan that foretells it, as outputs write it; empty where none
/// @param turns what to turn, by steps: of several remarks about one knob all count
/// @param louder people who are louder or softer than the plan took them to be, in dB; they are
///     noted with the turn, so that the plan foretells what was measured
/// @param figures what was measured, by name
public record Remark(
        Kind kind,
        Severity severity,
        String sentence,
        List<String> ears,
        Optional<String> finding,
        List<Turning> turns,
        Map<String, Double> louder,
        Map<String, Double> figures) {
    public Remark {
        ears = List.copyOf(ears);
        turns = List.copyOf(turns);
        louder = Map.copyOf(louder);
        figures = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(figures));
    }

    /// What a remark is about.
    public enum Kind implements rivulus.disk.Worded {
        CLIPPED,
        UNEVEN,
        PEAKS,
        HUM,
        ECHO,
        BLEED,
        PICTURE,
        DRIFT,
        SPEED,
        SILENT,
        NOISE,
        SIDES,
        LOUDNESS,
        FILE
    }

    /// Whether it can be taken in one step.
    public boolean canBeTaken() {
        return !turns.isEmpty() || !louder.isEmpty();
    }

    /// Takes it: what is to be turned is, and who was measured is noted.
    public Edit take(Show show) {
        return take(show, List.of(this));
    }

    /// Takes several in one step.
    public static Edit take(Show show, List<Remark> remarks) {
        Show after = show;
        for (Remark remark : remarks) {
            for (Turning turning : remark.turns()) after = after.with(turning.on(after));
            after = after.withCast(noted(after.cast(), remark.louder()));
        }
        String name =
                remarks.size() == 1
                        ? "Turn as the recording says"
                        : "Take %d of what the recording says".formatted(remarks.size());
        return Edit.of(name, show, after);
    }

    private static Cast noted(Cast cast, Map<String, Double> louder) {
        if (louder.isEmpty()) return cast;
        List<Person> people = new ArrayList<>();
        for (Person person : cast.people()) {
            double by = louder.getOrDefault(person.id(), 0.0);
            double found = Math.clamp(person.measuredDb() + Math.rint(by * 2) / 2, -40, 40);
            people.add(by == 0 ? person : person.measured(found));
        }
        return new Cast(people, cast.playback(), cast.extras());
    }

    /// Figures by name, in their order.
    static Map<String, Double> figures(Object... namesAndValues) {
        Map<String, Double> figures = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2)
            figures.put((String) namesAndValues[i], ((Number) namesAndValues[i + 1]).doubleValue());
        return figures;
    }
}
