package rivulus.trouble;

import java.util.Optional;
import java.util.function.Supplier;
import rivulus.show.Show;

/// Something that may be broken.
///
/// @param id the same however often the list is made: `lead/c4`
/// @param words as a clause: "lead 04 is out or broken"
/// @param todo what to do against it, as an order
/// @param weight how often it happens against the others
/// @param spot where one sees it
/// @param staying what the show would be if it were to stay so, made when asked for; empty where no
///     plan says such a thing
public record Fault(
        String id,
        String words,
        String todo,
        double weight,
        Spot spot,
        Optional<Supplier<Show>> staying) {
    /// The show as it would be if it were to stay so; empty where no plan says such a thing.
    public Optional<Show> plan() {
        return staying.map(Supplier::get);
    }
}
