package rivulus.least;

import java.util.List;
import java.util.function.Predicate;
import rivulus.show.Ref;

/// Which knobs may be turned, and at which levels they are tried besides off and nominal.
///
/// @param mayTurn by the knob
/// @param levels in dB
public record Scope(Predicate<Ref> mayTurn, List<Double> levels) {
    /// Every knob, at no other levels.
    public static final Scope ANY = new Scope(_ -> true, List.of());

    public Scope {
        levels = List.copyOf(levels);
    }
}
