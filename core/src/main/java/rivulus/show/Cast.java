package rivulus.show;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.disk.Extras;

/// Who and what is in the show.
public record Cast(List<Person> people, List<Playback> playback, Extras extras) {
    public Cast {
        people = List.copyOf(people);
        playback = List.copyOf(playback);
    }

    /// Everything that sounds: the people who speak, then the playback, in the order of the cast.
    public List<Source> sources() {
        return Stream.<Source>concat(people.stream().filter(Person::speaks), playback.stream())
                .toList();
    }

    /// The person of that id.
    public Optional<Person> person(String id) {
        for (Person person : people) if (person.id().equals(id)) return Optional.of(person);
        return Optional.empty();
    }

    /// The source of that id.
    public Optional<Source> source(String id) {
        return sources().stream().filter(s -> s.id().equals(id)).findFirst();
    }
}
