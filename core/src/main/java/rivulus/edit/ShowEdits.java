package rivulus.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import rivulus.disk.Entry;
import rivulus.disk.Extras;
import rivulus.disk.Line;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.show.Cast;
import rivulus.show.Ear;
import rivulus.show.MuteKey;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// Changes of what a show is: its title, who is in it and where, who listens, and its scenes. What
/// named a thing that goes, goes with it, and is told before.
public final class ShowEdits {
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

    // Changes and removals

    /// Puts somebody into a place, known or new.
    public Edit move(Person person, String to) {
        Show with = withPlace(show, to, catalogue);
        return new Parts(with, catalogue)
                .put(
                        "Move %s to %s".formatted(person.name(), to),
                        person.in(placeCalled(with, to).id()))
                .from(show);
    }

    /// A show with a place of that name: the one it has, or a new one as rooms usually are.
    public static Show withPlace(Show to, String name, Catalogue catalogue) {
        if (to.places().stream().anyMatch(place -> place.name().equals(name))) return to;
        List<Place> places = new ArrayList<>(to.places());
        places.add(Ids.place(to, name, catalogue.usualRoom().id()));
        return to.withPlaces(places);
    }

    /// The place of that name, which is there.
    public static Place placeCalled(Show in, String name) {
        return in.places().stream()
                .filter(place -> place.name().equals(name))
                .findFirst()
                .orElseThrow();
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
                        Ids.ofScene(show.scenes(), name),
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

    // Mute keys

    /// Adds a mute key that silences nothing yet.
    public Edit add(String name, Ref knob, Setting to) {
        Set<String> taken = new HashSet<>();
        for (MuteKey key : show.mutes()) taken.add(key.id());
        List<MuteKey> keys = new ArrayList<>(show.mutes());
        keys.add(
                new MuteKey(
                        Ids.free(name, taken),
                        Line.clipped(name, Entry.LONGEST_NAME),
                        knob,
                        to,
                        MuteKey.Pressed.ONCE,
                        List.of(),
                        List.of(),
                        Extras.NONE));
        return edit("Add a mute key", show.withRundown(show.rundown().withMutes(keys)));
    }

    /// Takes a mute key out.
    public Edit remove(MuteKey key) {
        List<MuteKey> keys = new ArrayList<>(show.mutes());
        keys.remove(key);
        return edit(
                "Remove the mute key " + key.name(),
                show.withRundown(show.rundown().withMutes(keys)));
    }

    // Profiles

    /// Keeps how the knobs stand now.
    public Edit keepKnobs() {
        Set<String> taken = new HashSet<>();
        for (Profile profile : show.profiles()) taken.add(profile.id());
        String name = "Knobs " + (show.profiles().size() + 1);
        Profile kept = Profile.of(Ids.free(name, taken), name, show);
        List<Profile> profiles = new ArrayList<>(show.profiles());
        profiles.add(kept);
        return edit("Keep how the knobs stand", withProfiles(profiles)).choosing(kept.id());
    }

    /// Sets every knob as it stood.
    public Edit set(Profile profile) {
        return edit("Set the knobs as " + profile.name(), profile.set(show));
    }

    /// Forgets how the knobs stood.
    public Edit remove(Profile profile) {
        List<Profile> profiles = new ArrayList<>(show.profiles());
        profiles.remove(profile);
        return edit("Forget the profile " + profile.name(), withProfiles(profiles));
    }

    private Show withProfiles(List<Profile> profiles) {
        return show.withRundown(show.rundown().withProfiles(profiles));
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
        return new Parts(show, catalogue).cleaned(name, after);
    }
}
