package rivulus.show;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import rivulus.disk.Extras;

/// How a show wants to be worked and judged.
///
/// @param limits where the rules draw their lines
/// @param silenced findings that somebody has looked at and does not want to be told again
/// @param habits how one likes to work
public record Checks(Limits limits, List<Silenced> silenced, Habits habits, Extras extras) {
    /// As everybody is judged.
    public static final Checks USUAL =
            new Checks(Limits.USUAL, List.of(), Habits.UNSAID, Extras.NONE);

    public Checks {
        silenced = List.copyOf(silenced);
    }

    /// A finding that is not told.
    ///
    /// @param finding its id, in whatever scene: `leak/stream/cues`
    /// @param reason why, in the words of who did it
    public record Silenced(String finding, String reason, Extras extras) {}

    /// Those of some findings that are to be told.
    ///
    /// @param id of a finding, in whatever scene
    public <T> List<T> told(List<T> findings, Function<T, String> id) {
        if (silenced.isEmpty()) return findings;
        Set<String> ids = silenced.stream().map(Silenced::finding).collect(Collectors.toSet());
        return findings.stream().filter(finding -> !ids.contains(id.apply(finding))).toList();
    }

    /// The same with lines drawn elsewhere.
    public Checks with(Limits newLimits) {
        return new Checks(newLimits, silenced, habits, extras);
    }

    /// The same, worked otherwise.
    public Checks with(Habits newHabits) {
        return new Checks(limits, silenced, newHabits, extras);
    }

    /// The same with one more finding that is not told, or another reason for it.
    public Checks silencing(String finding, String reason) {
        List<Silenced> all = new ArrayList<>(telling(finding).silenced());
        all.add(new Silenced(finding, reason, Extras.NONE));
        return new Checks(limits, all, habits, extras);
    }

    /// The same with a finding told again.
    public Checks telling(String finding) {
        return new Checks(
                limits,
                silenced.stream().filter(one -> !one.finding().equals(finding)).toList(),
                habits,
                extras);
    }
}
