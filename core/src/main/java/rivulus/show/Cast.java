package rivulus.show;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.disk.Extras;
import rivulus.gear.Keyed;

/// Who and what is in the show.
public record Cast(List<Person> people, List<Playback> playback, Extras extras) {
    public Cast {
        people = Keyed.copyOf(people, Person::id);
        playback = Keyed.copyOf(playback, Playback::id);
    }

    /// Everything that sounds: the people who speak, then the playback, in the order of the cast.
    public List<Source> sources() {
        return Stream.<Source>concat(people.stream().filter(Person::speaks), playback.stream())
                .toList();
    }

    /// The person of that id.
    public Optional<Person> person(String id) {
        return Keyed.find(people, id);
    }

    /// The source of that id.
    public Optional<Source> source(String id) {
        Optional<Source> speaker = person(id).filter(Person::speaks).map(Source.class::cast);
        return speaker.or(() -> Keyed.find(playback, id).map(Source.class::cast));
    }
}
