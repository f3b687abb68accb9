package rivulus.show;

import java.util.List;
import rivulus.disk.Extras;

/// A room, or somewhere afar.
///
/// @param room the id of the room template that says how it carries sound
/// @param distances how far things in it are apart; what is not listed takes the room's usual word
public record Place(String id, String name, String room, List<Distance> distances, Extras extras) {
    public Place {
        distances = List.copyOf(distances);
    }

    /// How far apart two things in a place are: a person, or a device that sounds or hears.
    ///
    /// @param word the plain word it was given by, or empty where it was given in metres
    public record Distance(String from, String to, double metres, String word, Extras extras) {
        /// Whether this is the distance between those two, either way round.
        public boolean joins(String a, String b) {
            return from.equals(a) && to.equals(b) || from.equals(b) && to.equals(a);
        }
    }
}
