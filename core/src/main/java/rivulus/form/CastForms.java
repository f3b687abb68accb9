package rivulus.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import rivulus.disk.Worded;
import rivulus.edit.Edit;
import rivulus.gear.Catalogue;
import rivulus.gear.Speech;
import rivulus.gear.Template;
import rivulus.listening.Points;
import rivulus.say.Unlooked;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Loudness;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.words.Words;

/// Forms of who and what sounds, and of where they are.
record CastForms(Ground on) {
    private static final List<Option> PRONOUNS =
            List.of(new Option("she", "she"), new Option("he", "he"), new Option("they", "they"));
    private static final String SPEAKS = "speaks";
    private static final List<Option> VOICE =
            List.of(new Option(SPEAKS, "speaks"), new Option("listens", "only listens"));

    // People

    Form of(Person person) {
        String change = "Change " + person.name();
        List<Field> fields = new ArrayList<>();
        fields.add(
                Field.Text.of(
                        "name",
                        "Name",
                        person.name(),
                        typed -> on.parts().put(change, person.named(Ground.name(typed)))));
        fields.add(
                new Field.Choice(
                        "role",
                        "Role",
                        person.role().word(),
                        Ground.options(List.of(Role.values())),
                        word ->
                                on.parts()
                                        .put(
                                                change,
                                                person.as(Worded.words(Role.class).get(word)))));
        fields.add(
                new Field.Text(
                        "place",
                        "Where",
                        on.show().place(person.place()).map(Place::name).orElse(""),
                        "a place, new or known",
                        on.show().places().stream().map(Place::name).toList(),
                        typed -> on.edits().move(person, Ground.name(typed))));
        fields.add(
                new Field.Choice(
                        "pronoun",
                        "Spoken of as",
                        person.pronoun(),
                        withOwn(PRONOUNS, person.pronoun()),
                        word -> on.parts().put(change, person.calledBy(word))));
        fields.add(
                new Field.Choice(
                        "voice",
                        "In the show",
                        person.speaks() ? SPEAKS : "listens",
                        VOICE,
                        word -> on.parts().put(change, person.speaking(word.equals(SPEAKS)))));
        fields.add(
                Field.Text.of(
                        "count",
                        "How many",
                        Integer.toString(person.count()),
                        typed -> on.parts().put(change, person.many(count(typed)))));
        fields.add(
                new Field.Choice(
                        "loudness",
                        "How loud",
                        person.loudness().word(),
                        Ground.options(List.of(Loudness.values()), Loudness::word, Loudness::words),
                        word ->
                                on.parts()
                                        .put(
                                                change,
                                                person.talking(
                                                        Worded.words(Loudness.class).get(word)))));
        fields.add(
                new Field.Text(
                        "measured",
                        "Measured louder by",
                        person.measuredDb() == 0 ? "" : Words.shortest(person.measuredDb()),
                        "dB, by a recording; less than 0 where softer",
                        List.of(),
                        typed -> on.parts().put(change, person.measured(measured(typed)))));
        fields.add(wears(person));
        if (!Unlooked.isLookedAt(on.show(), person))
            fields.add(
                    new Field.Text(
                            "unlooked",
                            "Nobody looks at them because",
                            Unlooked.reason(on.show(), person),
                            "a reason, and they are no longer told as not looked at",
                            List.of(),
                            typed -> Unlooked.because(on.show(), person, Ground.words(typed))));
        fields.addAll(new Distances(on).of(person));
        List<Deed> deeds =
                new ArrayList<>(
                        Ground.order(
                                on.show().cast().people(),
                                person,
                                by -> on.parts().move(person, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(person.id())));
        return new Form("person/" + person.id(), person.name(), fields, deeds);
    }

    private static int count(String typed) {
        double count = Ground.number(typed.isBlank() ? "1" : typed, "They are", 1, 100_000);
        if (count != Math.rint(count))
            throw new IllegalArgumentException("People are counted in whole numbers.");
        return (int) count;
    }

    private static double measured(String typed) {
        return Ground.number(typed.isBlank() ? "0" : typed, "Measured louder by", -40, 40);
    }

    /// A word that a file has of its own stays to be chosen.
    private static List<Option> withOwn(List<Option> options, String value) {
        if (options.stream().anyMatch(option -> option.id().equals(value))) return options;
        List<Option> more = new ArrayList<>(options);
        more.add(new Option(value, value));
        return more;
    }

    private Field wears(Person person) {
        List<Device> wearable =
                on.show().rig().devices().stream()
                        .filter(device -> isWorn(device, on.catalogue()))
                        .filter(device -> device.worn().isEmpty() || isOn(device, person))
                        .toList();
        return new Field.Several(
                "wears",
                "Wears",
                wearable.stream().filter(d -> isOn(d, person)).map(Device::id).toList(),
                Ground.options(wearable, Device::id, Device::name),
                ids -> on.rig().wear(person, ids));
    }

    private static boolean isOn(Device device, Person person) {
        return device.worn().equals(person.id());
    }

    /// Whether somebody can have it on, or has.
    static boolean isWorn(Device device, Catalogue catalogue) {
        return !device.worn().isEmpty() || catalogue.get(device.template()).isWorn();
    }

    // Playback

    private static final double LEAST_LUFS = -70;

    Form of(Playback plays) {
        String change = "Change " + plays.name();
        List<Option> at = new ArrayList<>(List.of(Option.none("nothing yet")));
        for (Ref point : Points.playing(on.show(), on.catalogue()))
            at.add(new Option(point.toString(), Points.words(point, on.show(), on.catalogue())));
        List<Field> fields =
                List.of(
                        Field.Text.of(
                                "name",
                                "Name",
                                plays.name(),
                                typed -> on.parts().put(change, plays.named(Ground.name(typed)))),
                        new Field.Choice(
                                "kind",
                                "Is",
                                plays.kind().word(),
                                Ground.options(List.of(Playback.Kind.values())),
                                word ->
                                        on.parts()
                                                .put(
                                                        change,
                                                        plays.as(
                                                                Worded.words(Playback.Kind.class)
                                                                        .get(word)))),
                        new Field.Choice(
                                "at",
                                "Played by",
                                plays.at().map(Ref::toString).orElse(""),
                                at,
                                ref -> on.parts().put(change, plays.from(ref(ref)))),
                        new Field.Text(
                                "lufs",
                                "Made at",
                                plays.overNominalDb() == 0 ? "" : Words.shortest(plays.lufs()),
                                "LUFS, by a loudness meter; as loud as a voice where left empty",
                                List.of(),
                                typed -> on.parts().put(change, plays.made(lufs(typed)))),
                        new Field.Several(
                                "licensed",
                                "Licensed for",
                                plays.licensed().stream().map(Ear.Kind::word).toList(),
                                Ground.options(
                                        List.of(
                                                Ear.Kind.STREAM,
                                                Ear.Kind.ON_DEMAND,
                                                Ear.Kind.HOUSE,
                                                Ear.Kind.SECOND_LANGUAGE)),
                                words ->
                                        on.parts()
                                                .put(
                                                        change,
                                                        plays.licensed(
                                                                words.stream()
                                                                        .map(
                                                                                Worded.words(
                                                                                                Ear
                                                                                                        .Kind
                                                                                                        .class)
                                                                                        ::get)
                                                                        .toList()))));
        List<Deed> deeds =
                new ArrayList<>(
                        Ground.order(
                                on.show().cast().playback(),
                                plays,
                                by -> on.parts().move(plays, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(plays.id())));
        return new Form("playback/" + plays.id(), plays.name(), fields, deeds);
    }

    private static double lufs(String typed) {
        String said = typed.strip().replaceFirst("(?i)\\s*lufs$", "");
        return said.isEmpty()
                ? Speech.NOMINAL_LUFS
                : Ground.number(said, "Loudness in LUFS", LEAST_LUFS, 0);
    }

    private static Optional<Ref> ref(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(Ref.of(text));
    }

    // Places

    Form of(Place place) {
        String change = "Change " + place.name();
        Function<String, Edit> room = id -> on.parts().put(change, place.of(id));
        List<Template> rooms =
                on.catalogue().templates().values().stream()
                        .filter(kind -> kind.air().isPresent())
                        .toList();
        List<Field> fields =
                List.of(
                        Field.Text.of(
                                "name",
                                "Name",
                                place.name(),
                                typed -> on.parts().put(change, place.named(Ground.name(typed)))),
                        new Field.Choice(
                                "room",
                                "Sounds like",
                                place.room(),
                                Ground.options(rooms, Template::id, Template::name),
                                room));
        List<Deed> deeds =
                new ArrayList<>(
                        Ground.order(on.show().places(), place, by -> on.parts().move(place, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(place)));
        return new Form("place/" + place.id(), place.name(), fields, deeds);
    }
}
