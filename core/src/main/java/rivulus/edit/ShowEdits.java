package rivulus.edit;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import rivulus.disk.Entry;
import rivulus.disk.Extras;
import rivulus.disk.Line;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.show.Cast;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// Changes of what a show is: its title, who is in it and where, who listens, and its scenes. What
/// named a thing that goes, goes with it, and is told before.
public final class ShowEdits {
    private static final int MOST_SCENES = 200;

    private final Show show;
    private final Catalogue catalogue;

    /// Edits of a show whose templates are in the catalogue.
    public ShowEdits(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = show.kinds(catalogue);
    }

    /// Gives the show another title.
    ///
    /// @throws IllegalArgumentException if it is blank
    public Edit title(String title) {
        String line = named(title, "a show");
        return edit("Call the show " + line, show.titled(line));
    }

    /// Adds everything that lines say, in their order, as one step: people with an ear each, places
    /// that are not there yet, listeners, tracks, scenes.
    public Edit add(List<Said> said) {
        Show after = show;
        String chosen = "";
        List<String> names = new ArrayList<>();
        for (Said one : said) {
            Show before = after;
            after = added(after, one.meant());
            if (!after.equals(before)) names.add(one.words(show).split(" · ")[0]);
        }
        List<Ear> ears = after.ears();
        if (ears.size() > show.ears().size()) chosen = ears.getLast().id();
        return edit("Add " + Words.list(names), after).choosing(chosen);
    }

    private static Show added(Show to, Said.Meaning meant) {
        return switch (meant) {
            case Said.Meaning.Somebody who -> somebody(to, who);
            case Said.Meaning.Part part -> part(to, part);
            case Said.Meaning.Listener listener -> listener(to, listener.kind());
            case Said.Meaning.Tracks _ -> tracks(to);
            case Said.Meaning.Nothing _ -> to;
        };
    }

    private static Show somebody(Show to, Said.Meaning.Somebody who) {
        boolean afar = !who.by().isEmpty();
        String where =
                !who.place().isEmpty()
                        ? who.place()
                        : afar ? who.name() + "'s end" : firstPlace(to).orElse("The room");
        Show with = place(to, where);
        String id = freeId(with, who.name());
        List<Person> people = new ArrayList<>(with.cast().people());
        people.add(
                new Person(
                        id,
                        who.name(),
                        who.role(),
                        placeId(with, where),
                        who.pronoun(),
                        who.speaks(),
                        Extras.NONE));
        List<Ear> ears = new ArrayList<>(with.ears());
        ears.add(
                new Ear(
                        freeEar(ears, id),
                        who.name(),
                        Ear.Kind.PERSON,
                        id,
                        List.of(),
                        Extras.NONE));
        return with.withCast(new Cast(people, with.cast().playback(), with.cast().extras()))
                .withEars(ears);
    }

    /// The place that the hosts are in, else the first.
    private static Optional<String> firstPlace(Show in) {
        Optional<String> hosts =
                in.cast().people().stream()
                        .filter(person -> person.role() == Role.HOST)
                        .flatMap(person -> in.place(person.place()).stream())
                        .map(Place::name)
                        .findFirst();
        return hosts.or(() -> in.places().stream().map(Place::name).findFirst());
    }

    /// The show with a place of that name, if it has none yet.
    private static Show place(Show to, String name) {
        if (to.places().stream().anyMatch(place -> place.name().equals(name))) return to;
        List<Place> places = new ArrayList<>(to.places());
        places.add(new Place(freePlace(to, name), name, Catalogue.ROOM, List.of(), Extras.NONE));
        return to.withPlaces(places);
    }

    private static String placeId(Show in, String name) {
        return in.places().stream()
                .filter(place -> place.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Show listener(Show to, Ear.Kind kind) {
        List<Ear> ears = new ArrayList<>(to.ears());
        String id = freeEar(ears, kind.word());
        ears.add(new Ear(id, Said.name(kind), kind, "", List.of(), Extras.NONE));
        return to.withEars(ears);
    }

    private static Show tracks(Show to) {
        List<Ear> ears = new ArrayList<>(to.ears());
        Set<String> tracked = new HashSet<>();
        for (Ear ear : ears) if (ear.kind() == Ear.Kind.TRACK) tracked.add(ear.of());
        for (Person person : to.cast().people())
            if (person.speaks() && !tracked.contains(person.id()))
                ears.add(
                        new Ear(
                                freeEar(ears, "track-" + person.id()),
                                person.name() + "'s track",
                                Ear.Kind.TRACK,
                                person.id(),
                                List.of(),
                                Extras.NONE));
        return to.withEars(ears);
    }

    /// The one scene of a show that has none written down is taken over by the first that is said.
    private static Show part(Show to, Said.Meaning.Part part) {
        List<Scene> scenes = new ArrayList<>(to.scenes());
        boolean only = scenes.equals(Show.untitled().scenes());
        if (only) scenes.clear();
        if (scenes.size() >= MOST_SCENES) return to;
        scenes.add(
                new Scene(
                        freeScene(scenes, part.name()),
                        part.name(),
                        part.rests(),
                        part.minutes(),
                        new LinkedHashMap<>(),
                        Extras.NONE));
        return to.withRundown(to.rundown().withScenes(scenes));
    }

    // Changes and removals

    /// Makes somebody what a line says: name, role, place, pronoun, whether they speak. Where the
    /// line names no place they stay where they are.
    public Edit change(Person person, Said.Meaning.Somebody to) {
        boolean moves = !to.place().isEmpty();
        Show with = moves ? place(show, to.place()) : show;
        Person changed =
                new Person(
                        person.id(),
                        named(to.name(), "somebody"),
                        to.role(),
                        moves ? placeId(with, to.place()) : person.place(),
                        to.pronoun(),
                        to.speaks(),
                        person.extras());
        List<Person> people = new ArrayList<>(show.cast().people());
        people.replaceAll(p -> p.id().equals(person.id()) ? changed : p);
        List<Ear> ears =
                show.ears().stream()
                        .map(ear -> isCalled(ear, person) ? called(ear, changed.name()) : ear)
                        .toList();
        return cleaned(
                "Change " + person.name(),
                with.withCast(new Cast(people, show.cast().playback(), show.cast().extras()))
                        .withEars(ears));
    }

    /// Makes a scene what a line says: name, minutes, who rests. Of people who only listen no line
    /// says whether they rest; that stays as it is.
    public Edit change(Scene scene, Said.Meaning.Part to) {
        List<String> quiet = new ArrayList<>(scene.quiet());
        quiet.removeIf(id -> show.cast().source(id).isPresent() && !to.rests().contains(id));
        for (String id : to.rests()) if (!quiet.contains(id)) quiet.add(id);
        Scene changed =
                new Scene(
                        scene.id(),
                        named(to.name(), "a scene"),
                        quiet,
                        to.minutes(),
                        scene.knobs(),
                        scene.extras());
        return edit(
                "Change the scene " + scene.name(),
                withScenes(
                        scenes -> scenes.replaceAll(s -> s.id().equals(scene.id()) ? changed : s)));
    }

    /// Whether an ear is somebody's own and bears their name.
    private static boolean isCalled(Ear ear, Person person) {
        return ear.kind() == Ear.Kind.PERSON
                && ear.of().equals(person.id())
                && ear.name().equals(person.name());
    }

    private static Ear called(Ear ear, String name) {
        return new Ear(ear.id(), name, ear.kind(), ear.of(), ear.at(), ear.extras());
    }

    /// Takes somebody or something that plays out of the cast, with their ears.
    public Edit remove(String source) {
        Cast cast = show.cast();
        String name =
                cast.person(source)
                        .map(Person::name)
                        .or(() -> cast.source(source).map(s -> s.name()))
                        .orElseThrow(() -> new IllegalArgumentException("nobody is " + source));
        Cast without =
                new Cast(
                        cast.people().stream().filter(p -> !p.id().equals(source)).toList(),
                        cast.playback().stream().filter(p -> !p.id().equals(source)).toList(),
                        cast.extras());
        return cleaned("Remove " + name, show.withCast(without));
    }

    /// Takes a listener out.
    public Edit remove(Ear ear) {
        return cleaned(
                "Remove the ear " + ear.name(),
                show.withEars(show.ears().stream().filter(e -> !e.id().equals(ear.id())).toList()));
    }

    /// Takes a place out that nobody is in.
    ///
    /// @throws IllegalArgumentException where somebody is in it
    public Edit remove(Place place) {
        List<String> there =
                show.cast().people().stream()
                        .filter(person -> person.place().equals(place.id()))
                        .map(Person::name)
                        .toList();
        if (!there.isEmpty())
            throw new IllegalArgumentException(
                    "%s %s in %s; move them first"
                            .formatted(
                                    Words.list(there),
                                    there.size() == 1 ? "is" : "are",
                                    place.name()));
        return cleaned(
                "Remove the place " + place.name(),
                show.withPlaces(
                        show.places().stream().filter(p -> !p.id().equals(place.id())).toList()));
    }

    // Scenes

    /// Takes a scene out; the last one stays.
    ///
    /// @throws IllegalArgumentException where it is the only one
    public Edit remove(Scene scene) {
        if (show.scenes().size() == 1)
            throw new IllegalArgumentException("a show has one scene at least");
        return cleaned(
                "Remove the scene " + scene.name(),
                withScenes(scenes -> scenes.removeIf(s -> s.id().equals(scene.id()))));
    }

    /// A scene once more behind itself, with its knobs and who rests.
    public Edit twice(Scene scene) {
        String name = Line.clipped(scene.name() + " again", Entry.LONGEST_NAME);
        Scene copy =
                new Scene(
                        freeScene(show.scenes(), name),
                        name,
                        scene.quiet(),
                        scene.minutes(),
                        scene.knobs(),
                        scene.extras());
        return edit(
                        "Double the scene " + scene.name(),
                        withScenes(scenes -> scenes.add(scenes.indexOf(scene) + 1, copy)))
                .choosing(copy.id());
    }

    /// A scene earlier or later; at an end it stays.
    ///
    /// @param by how many places; negative for earlier
    public Edit move(Scene scene, int by) {
        int at = show.scenes().indexOf(scene);
        int to = Math.clamp(at + by, 0, show.scenes().size() - 1);
        return edit(
                "Move the scene " + scene.name(),
                withScenes(scenes -> scenes.add(to, scenes.remove(at))));
    }

    private Show withScenes(Consumer<List<Scene>> how) {
        List<Scene> scenes = new ArrayList<>(show.scenes());
        how.accept(scenes);
        return show.withRundown(show.rundown().withScenes(scenes));
    }

    // What all have in common

    private static String named(String name, String what) {
        String line = Line.clipped(Line.of(name), Entry.LONGEST_NAME);
        if (line.isEmpty()) throw new IllegalArgumentException(what + " needs a name");
        return line;
    }

    private Edit edit(String name, Show after) {
        return new Edit(name, new Change(show, after), List.of());
    }

    private Edit cleaned(String name, Show after) {
        List<String> losses = new ArrayList<>();
        Show sound = new Cleaning(after, catalogue, Set.of(), losses).cleaned();
        return new Edit(name, new Change(show, sound), losses);
    }

    private static String stem(String name) {
        String stem =
                Normalizer.normalize(name, Normalizer.Form.NFD)
                        .toLowerCase(Locale.ROOT)
                        .replaceAll("\\p{M}", "")
                        .replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-+|-+$", "");
        return stem.isEmpty() ? "one" : stem.substring(0, Math.min(60, stem.length()));
    }

    private static String freeId(Show in, String name) {
        String stem = stem(name);
        return in.has(stem) ? in.freeId(stem, 2) : stem;
    }

    private static String free(String name, Set<String> taken) {
        String stem = stem(name);
        if (!taken.contains(stem)) return stem;
        int n = 2;
        while (taken.contains(stem + "-" + n)) n++;
        return stem + "-" + n;
    }

    private static String freePlace(Show in, String name) {
        Set<String> taken = new HashSet<>();
        for (Place place : in.places()) taken.add(place.id());
        return free(name, taken);
    }

    private static String freeEar(List<Ear> ears, String name) {
        Set<String> taken = new HashSet<>();
        for (Ear ear : ears) taken.add(ear.id());
        return free(name, taken);
    }

    private static String freeScene(List<Scene> scenes, String name) {
        Set<String> taken = new HashSet<>();
        for (Scene scene : scenes) taken.add(scene.id());
        return free(name, taken);
    }
}
