package rivulus.app.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.edit.Edit;
import rivulus.edit.ShowEdits;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// What a show says so far, ready to be looked at and taken away again.
///
/// @param sections people, playback, places, listeners, scenes
record SaySight(Picture picture, List<Section> sections) {
    /// Things of one kind.
    record Section(String title, List<Row> rows) {}

    /// One thing.
    ///
    /// @param id unique in the pane
    /// @param words what it is, after its name
    /// @param removal takes it away; empty where that cannot be
    /// @param told what goes with it, or why it cannot go; or empty
    /// @param person the person, where it is one
    /// @param scene the scene, where it is one
    record Row(
            String id,
            String name,
            String words,
            Optional<Edit> removal,
            String told,
            Optional<Person> person,
            Optional<Scene> scene) {
        Row of(Person somebody) {
            return new Row(id, name, words, removal, told, Optional.of(somebody), scene);
        }

        Row of(Scene part) {
            return new Row(id, name, words, removal, told, person, Optional.of(part));
        }
    }

    /// An edit that may not be possible.
    private interface Removal {
        Edit edit();
    }

    static SaySight of(Picture picture, Catalogue catalogue) {
        Show show = picture.show();
        ShowEdits edits = new ShowEdits(show, catalogue);
        List<Row> people = new ArrayList<>();
        for (Person person : show.cast().people())
            people.add(
                    row(
                                    "person-" + person.id(),
                                    person.name(),
                                    words(show, person),
                                    () -> edits.remove(person.id()))
                            .of(person));
        List<Row> playback = new ArrayList<>();
        for (Playback plays : show.cast().playback())
            playback.add(
                    row(
                            "playback-" + plays.id(),
                            plays.name(),
                            plays.kind().word(),
                            () -> edits.remove(plays.id())));
        List<Row> places = new ArrayList<>();
        for (Place place : show.places())
            places.add(
                    row(
                            "place-" + place.id(),
                            place.name(),
                            catalogue.find(place.room()).map(t -> t.name()).orElse(place.room()),
                            () -> edits.remove(place)));
        List<Row> ears = new ArrayList<>();
        for (Ear ear : show.ears())
            ears.add(row("ear-" + ear.id(), ear.name(), words(ear), () -> edits.remove(ear)));
        List<Row> scenes = new ArrayList<>();
        for (Scene scene : show.scenes()) {
            Row row =
                    row(
                            "scene-" + scene.id(),
                            scene.name(),
                            scene.minutes() == 0 ? "" : Words.minutes(scene.minutes()),
                            () -> edits.remove(scene));
            scenes.add(row.of(scene));
        }
        return new SaySight(
                picture,
                List.of(
                        new Section("People", people),
                        new Section("Playback", playback),
                        new Section("Places", places),
                        new Section("Who listens", ears),
                        new Section("Scenes", scenes)));
    }

    private static String words(Show show, Person person) {
        String place = show.place(person.place()).map(Place::name).orElse("");
        return person.role().word()
                + (place.isEmpty() ? "" : ", " + place)
                + (person.speaks() ? "" : ", only listens");
    }

    private static String words(Ear ear) {
        boolean nowhere = ear.at().isEmpty() && ear.kind() != Ear.Kind.PERSON;
        return ear.kind().word() + (nowhere ? ", nowhere yet" : "");
    }

    private static Row row(String id, String name, String words, Removal removal) {
        try {
            Edit edit = removal.edit();
            String told =
                    edit.losses().isEmpty()
                            ? ""
                            : "With " + name + " goes: " + Words.list(edit.losses()) + ".";
            return new Row(
                    id, name, words, Optional.of(edit), told, Optional.empty(), Optional.empty());
        } catch (IllegalArgumentException cannotBe) {
            String why = Words.sentence(cannotBe.getMessage()) + ".";
            return new Row(
                    id, name, words, Optional.empty(), why, Optional.empty(), Optional.empty());
        }
    }
}
