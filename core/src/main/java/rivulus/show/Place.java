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
        /// The same two, so far apart.
        ///
        /// @param newWord empty where it is given in metres
        public Distance of(double newMetres, String newWord) {
            return new Distance(from, to, newMetres, newWord, extras);
        }

        /// Whether this is the distance between those two, either way round.
        public boolean joins(String a, String b) {
            return from.equals(a) && to.equals(b) || from.equals(b) && to.equals(a);
        }
    }

    /// The same place under another name.
    public Place named(String newName) {
        return new Place(id, newName, room, distances, extras);
    }

    /// The same place that sounds like another kind of room.
    public Place of(String newRoom) {
        return new Place(id, name, newRoom, distances, extras);
    }

    /// The same place with other distances.
    public Place with(List<Distance> newDistances) {
        return new Place(id, name, room, newDistances, extras);
    }
}
