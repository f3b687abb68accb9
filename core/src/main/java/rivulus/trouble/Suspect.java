package rivulus.trouble;

import java.util.List;
import java.util.stream.Collectors;
import rivulus.words.Words;

/// One fault, or two at once, that may be what is wrong.
///
/// @param faults empty where it is something that this cannot see
/// @param chance 0 to 1, after all answers
public record Suspect(List<Fault> faults, double chance) {
    public Suspect {
        faults = List.copyOf(faults);
    }

    /// What is wrong, as a clause.
    public String words() {
        if (faults.isEmpty()) return "something that the plan does not know of";
        return Words.list(faults.stream().map(Fault::words).toList());
    }

    /// What to do, as orders.
    public String todo() {
        return faults.stream().map(Fault::todo).collect(Collectors.joining(" "));
    }
}
