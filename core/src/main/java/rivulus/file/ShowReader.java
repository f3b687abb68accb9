package rivulus.file;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.Line;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.Speech;
import rivulus.show.Cast;
import rivulus.show.Ear;
import rivulus.show.Extent;
import rivulus.show.Loudness;
import rivulus.show.Occasion;
import rivulus.show.OwnTemplate;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Show;

/// Reads a show and makes sure that it holds together: every id it names exists, every port can
/// take its lead, every knob can stand as it does. docs/show-file.md describes the format.
final class ShowReader {
    private static final int MOST_PEOPLE = 100_000;
    private static final double MOST_MEASURED_DB = 40;

    private final Entry root;
    private final ShowNames names;

    private ShowReader(Entry root, ShowNames names) {
        this.root = root;
        this.names = names;
    }

    /// Reads a show whose templates are in the catalogue or in the show itself.
    ///
    /// @param known templates that have been read before and need not be read again
    static Show read(Entry root, Catalogue catalogue, List<OwnTemplate> known) throws FileTrouble {
        root.field("rivulus").number(Show.VERSION, Show.VERSION);
        root.text("$schema", "");
        List<OwnTemplate> own = templates(root, known);
        ShowNames names =
                new ShowNames(catalogue.with(own.stream().map(OwnTemplate::template).toList()));
        names.gather(root);
        return new ShowReader(root, names).show(own);
    }

    private Show show(List<OwnTemplate> templates) throws FileTrouble {
        RundownReader rundown = new RundownReader(root, names);
        Show show =
                new Show(
                        root.name("title", Show.untitled().title()),
                        new Occasion(Line.of(root.text("date", "")), air(), root.text("notes", "")),
                        cast(),
                        places(),
                        ears(),
                        new RigReader(root, names).rig(),
                        rundown.rundown(),
                        templates,
                        rundown.checks(),
                        DayReader.read(root),
                        typed(),
                        root.extras());
        Optional<String> tooMuch = Extent.of(show, names.catalogue).tooMuch();
        if (tooMuch.isPresent()) throw root.trouble("%s", tooMuch.get());
        return show;
    }

    /// Of whatever length: what is too long to be entered is kept all the same.
    private SequencedMap<String, String> typed() throws FileTrouble {
        SequencedMap<String, String> typed = new LinkedHashMap<>();
        Optional<Entry> all = root.maybe("typed");
        if (all.isEmpty()) return typed;
        for (var one : all.get().each().entrySet()) {
            if (!(one.getValue().json() instanceof Json.Text(String text, _)))
                throw one.getValue().trouble("what was typed is text");
            typed.put(one.getKey(), text);
        }
        return typed;
    }

    private String air() throws FileTrouble {
        Optional<Entry> air = root.maybe("air");
        if (air.isEmpty()) return "";
        if (!air.get().text().matches("([01]?[0-9]|2[0-3]):[0-5][0-9]"))
            throw air.get()
                    .trouble(
                            "a time of day was expected, such as 20:00, not \"%s\"",
                            air.get().text());
        return air.get().text();
    }

    private static List<OwnTemplate> templates(Entry root, List<OwnTemplate> known)
            throws FileTrouble {
        List<OwnTemplate> own = new ArrayList<>();
        for (Entry entry : root.items("templates")) {
            Object written = entry.json().plain();
            Optional<OwnTemplate> same =
                    known.stream().filter(k -> k.written().fields().equals(written)).findFirst();
            own.add(same.isPresent() ? same.get() : Templates.own(entry));
        }
        return own;
    }

    // Places and cast

    private List<Place> places() throws FileTrouble {
        List<Place> places = new ArrayList<>();
        for (Entry item : root.items("places")) {
            Entry room = item.field("room");
            Optional<Air> air = names.find(room).air();
            if (air.isEmpty()) throw room.trouble("\"%s\" is no room", room.text());
            places.add(
                    new Place(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            room.text(),
                            distances(item, air.get()),
                            item.extras()));
        }
        return places;
    }

    private List<Place.Distance> distances(Entry place, Air air) throws FileTrouble {
        Set<String> things = new HashSet<>(names.devices.keySet());
        things.addAll(names.people);
        List<Place.Distance> distances = new ArrayList<>();
        Set<Set<String>> pairs = new HashSet<>();
        for (Entry item : place.items("distances")) {
            String from = ShowNames.known(item.field("from"), "person or device", things);
            String to = ShowNames.known(item.field("to"), "person or device", things);
            if (!pairs.add(new HashSet<>(List.of(from, to))))
                throw item.trouble("how far %s and %s are apart is said twice", from, to);
            Optional<Entry> word = item.maybe("word");
            double metres =
                    word.isPresent()
                            ? word.get().word(air.words())
                            : item.field("m").number(0.005, 200);
            distances.add(
                    new Place.Distance(
                            from,
                            to,
                            metres,
                            word.isPresent() ? word.get().text() : "",
                            item.extras()));
        }
        return distances;
    }

    private Cast cast() throws FileTrouble {
        Optional<Entry> cast = root.maybe("cast");
        if (cast.isEmpty()) return Show.untitled().cast();
        List<Person> everybody = new ArrayList<>();
        for (Entry item : cast.get().items("people")) {
            everybody.add(
                    new Person(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            item.field("role").word("role", Role.class),
                            ShowNames.known(item.field("place"), "place", names.places),
                            pronoun(item),
                            item.truth("speaks", true),
                            item.whole("count", 1, MOST_PEOPLE, 1),
                            loudness(item),
                            item.number("measuredDb", -MOST_MEASURED_DB, MOST_MEASURED_DB, 0),
                            item.extras()));
        }
        List<Playback> playback = new ArrayList<>();
        for (Entry item : cast.get().items("playback")) {
            playback.add(
                    new Playback(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            item.field("kind").word("kind of playback", Playback.Kind.class),
                            at(item),
                            item.number("lufs", LEAST_LUFS, 0, Speech.NOMINAL_LUFS),
                            licensed(item),
                            item.extras()));
        }
        return new Cast(everybody, playback, cast.get().extras());
    }

    private static final double LEAST_LUFS = -70;

    private static Loudness loudness(Entry person) throws FileTrouble {
        Optional<Entry> said = person.maybe("loudness");
        return said.isEmpty() ? Loudness.NORMALLY : said.get().word("loudness", Loudness.class);
    }

    private static List<Ear.Kind> licensed(Entry playback) throws FileTrouble {
        List<Ear.Kind> kinds = new ArrayList<>();
        for (Entry kind : playback.items("licensed"))
            kinds.add(kind.word("kind of ear", Ear.Kind.class));
        return kinds;
    }

    private Optional<Ref> at(Entry playback) throws FileTrouble {
        Optional<Entry> at = playback.maybe("at");
        return at.isEmpty() ? Optional.empty() : Optional.of(names.point(at.get()));
    }

    private static String pronoun(Entry person) throws FileTrouble {
        String pronoun = Line.of(person.text("pronoun", ""));
        return pronoun.isEmpty() ? "they" : pronoun;
    }

    // Ears and brief

    private List<Ear> ears() throws FileTrouble {
        List<Ear> ears = new ArrayList<>();
        for (Entry item : root.items("ears")) {
            Ear.Kind kind = item.field("kind").word("kind of ear", Ear.Kind.class);
            String of =
                    kind == Ear.Kind.PERSON
                            ? ShowNames.known(item.field("of"), "person", names.people)
                            : ShowNames.known(item, "of", "source", names.sources);
            List<Ref> at = new ArrayList<>();
            for (Entry place : item.items("at")) at.add(names.point(place));
            ears.add(
                    new Ear(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            kind,
                            of,
                            at,
                            item.extras()));
        }
        return ears;
    }
}
