package rivulus.edit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import rivulus.disk.Entry;
import rivulus.disk.Line;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Checks;
import rivulus.show.Day;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Going;
import rivulus.show.MuteKey;
import rivulus.show.Occasion;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Scene;
import rivulus.show.Show;

/// Parts of a show put in place of those of the same id, or moved among their like: the one way in
/// which a part is changed. What no longer fits goes along, and is told before.
public final class Parts {
    private final Show show;
    private final Catalogue catalogue;

    /// The parts of a show whose templates are in the catalogue.
    public Parts(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = show.kinds(catalogue);
    }

    /// Somebody, changed; an ear of theirs that bears their name bears the new one.
    public Edit put(String name, Person changed) {
        Person was = show.cast().person(changed.id()).orElseThrow();
        List<Ear> ears =
                show.ears().stream()
                        .map(ear -> isOwn(ear, was) ? called(ear, changed.name()) : ear)
                        .toList();
        return cleaned(
                name, withPeople(put(show.cast().people(), Person::id, changed)).withEars(ears));
    }

    private static boolean isOwn(Ear ear, Person person) {
        return ear.kind() == Ear.Kind.PERSON
                && ear.of().equals(person.id())
                && ear.name().equals(person.name());
    }

    private static Ear called(Ear ear, String name) {
        return new Ear(ear.id(), name, ear.kind(), ear.of(), ear.at(), ear.extras());
    }

    /// Something that plays, changed.
    public Edit put(String name, Playback changed) {
        return cleaned(name, withPlayback(put(show.cast().playback(), Playback::id, changed)));
    }

    /// A place, changed.
    public Edit put(String name, Place changed) {
        return cleaned(name, show.withPlaces(put(show.places(), Place::id, changed)));
    }

    /// A listener, changed.
    public Edit put(String name, Ear changed) {
        return cleaned(name, show.withEars(put(show.ears(), Ear::id, changed)));
    }

    /// A scene, changed.
    public Edit put(String name, Scene changed) {
        return cleaned(name, withScenes(put(show.scenes(), Scene::id, changed)));
    }

    /// A mute key, changed.
    public Edit put(String name, MuteKey changed) {
        return cleaned(name, withMutes(put(show.mutes(), MuteKey::id, changed)));
    }

    /// A profile, changed.
    public Edit put(String name, Profile changed) {
        return cleaned(
                name,
                show.withRundown(
                        show.rundown().withProfiles(put(show.profiles(), Profile::id, changed))));
    }

    /// How what goes out and is kept is set, changed.
    public Edit put(String name, Going changed) {
        return cleaned(name, show.withRundown(show.rundown().withGoing(changed)));
    }

    /// A machine or a program, changed.
    public Edit put(String name, Device changed) {
        return cleaned(name, show.withRig(show.rig().with(changed)));
    }

    /// A lead, changed.
    public Edit put(String name, Cable changed) {
        return cleaned(name, show.withRig(show.rig().with(changed)));
    }

    /// When the show is, changed.
    public Edit put(String name, Occasion changed) {
        return cleaned(name, show.on(changed));
    }

    /// What happened with it, changed.
    public Edit put(String name, Day changed) {
        return cleaned(name, show.withDay(changed));
    }

    /// How the show is judged, changed.
    public Edit put(String name, Checks changed) {
        return cleaned(name, show.withChecks(changed));
    }

    /// Findings that are not to be told again.
    ///
    /// @param findings their ids, in whatever scene
    /// @param reason in the words of who does it
    public Edit silence(List<String> findings, String reason) {
        Checks checks = show.checks();
        for (String finding : findings)
            checks = checks.silencing(finding, Line.clipped(Line.of(reason), Entry.LONGEST_NAME));
        return put("Silence " + findings.getFirst(), checks);
    }

    /// Somebody earlier or later among the others.
    public Edit move(Person one, int by) {
        return moved(one.name(), withPeople(moved(show.cast().people(), one, by)));
    }

    /// Something that plays, earlier or later among the others.
    public Edit move(Playback one, int by) {
        return moved(one.name(), withPlayback(moved(show.cast().playback(), one, by)));
    }

    /// A place earlier or later among the others.
    public Edit move(Place one, int by) {
        return moved(one.name(), show.withPlaces(moved(show.places(), one, by)));
    }

    /// A listener earlier or later among the others.
    public Edit move(Ear one, int by) {
        return moved(one.name(), show.withEars(moved(show.ears(), one, by)));
    }

    /// A scene earlier or later among the others.
    public Edit move(Scene one, int by) {
        return moved("the scene " + one.name(), withScenes(moved(show.scenes(), one, by)));
    }

    /// A mute key earlier or later among the others.
    public Edit move(MuteKey one, int by) {
        return moved(one.name(), withMutes(moved(show.mutes(), one, by)));
    }

    /// The show after something else has been done to it, with whatever no longer fits gone.
    Edit cleaned(String name, Show after) {
        List<String> losses = new ArrayList<>();
        Show sound = new Cleaning(after, catalogue, Set.of(), losses).cleaned();
        return new Edit(name, new Change(show, sound), losses);
    }

    private Edit moved(String what, Show after) {
        return Edit.of("Move " + what, show, after);
    }

    private Show withPeople(List<Person> people) {
        Cast cast = show.cast();
        return show.withCast(new Cast(people, cast.playback(), cast.extras()));
    }

    private Show withPlayback(List<Playback> playback) {
        Cast cast = show.cast();
        return show.withCast(new Cast(cast.people(), playback, cast.extras()));
    }

    private Show withScenes(List<Scene> scenes) {
        return show.withRundown(show.rundown().withScenes(scenes));
    }

    private Show withMutes(List<MuteKey> mutes) {
        return show.withRundown(show.rundown().withMutes(mutes));
    }

    private static <T> List<T> put(List<T> all, Function<T, String> id, T changed) {
        List<T> put = new ArrayList<>(all);
        put.replaceAll(one -> id.apply(one).equals(id.apply(changed)) ? changed : one);
        return put;
    }

    /// At an end it stays.
    private static <T> List<T> moved(List<T> all, T one, int by) {
        List<T> moved = new ArrayList<>(all);
        int at = moved.indexOf(one);
        int to = Math.clamp(at + by, 0, moved.size() - 1);
        moved.add(to, moved.remove(at));
        return Collections.unmodifiableList(moved);
    }
}
