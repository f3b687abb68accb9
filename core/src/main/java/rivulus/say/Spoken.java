package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import rivulus.disk.Entry;
import rivulus.disk.Line;
import rivulus.gear.Catalogue;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;

/// A line taken apart at its commas, in the show that it may name things of.
///
/// @param first what it begins with
/// @param rest its other parts
/// @param catalogue every kind of gear, those of the show among them
record Spoken(String line, String first, List<String> rest, Show show, Catalogue catalogue) {
    static Optional<Spoken> of(String line, Show show, Catalogue catalogue) {
        List<String> parts = parts(line);
        if (parts.isEmpty()) return Optional.empty();
        return Optional.of(
                new Spoken(
                        line,
                        parts.getFirst(),
                        List.copyOf(parts.subList(1, parts.size())),
                        show,
                        catalogue));
    }

    static List<String> parts(String line) {
        List<String> parts = new ArrayList<>();
        for (String part : line.split("[,;·\t]")) if (!part.isBlank()) parts.add(part.strip());
        return parts;
    }

    /// A place has letters in it: a number alone is none.
    static boolean isPlace(String part) {
        return part.chars().anyMatch(Character::isLetter)
                && part.chars().noneMatch(c -> c == '?' || c == '!');
    }

    /// The name of the place that is meant, however it is written; a new one as it is written.
    String place(String name) {
        return named(show.places(), Place::name, name).map(Place::name).orElse(clipped(name));
    }

    /// The device of that name.
    Optional<Device> device(String name) {
        return named(show.rig().devices(), Device::name, name);
    }

    /// The device of that name, if it has such a point.
    ///
    /// @param points where in the rig that can be
    Optional<Device> device(String name, List<Ref> points) {
        return device(name)
                .filter(device -> points.stream().anyMatch(at -> at.device().equals(device.id())));
    }

    /// The person of that name.
    Optional<Person> person(String name) {
        return named(show.cast().people(), Person::name, name);
    }

    /// The source of that name.
    Optional<Source> source(String name) {
        return named(show.sources(), Source::name, name);
    }

    /// The ear of that name.
    Optional<Ear> ear(String name) {
        return named(show.ears(), Ear::name, name);
    }

    private static <T> Optional<T> named(List<T> all, Function<T, String> name, String words) {
        String meant = plain(words);
        return all.stream().filter(one -> plain(name.apply(one)).equals(meant)).findFirst();
    }

    /// Without an article, in small letters.
    static String plain(String words) {
        return Said.low(words).replaceFirst("^(the|a|an) ", "");
    }

    static String clipped(String name) {
        return Line.clipped(name, Entry.LONGEST_NAME);
    }
}
