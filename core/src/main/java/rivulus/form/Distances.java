package rivulus.form;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.Extras;
import rivulus.gear.Air;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;

/// How far it is through the air, a field for each pair in one room.
record Distances(Ground on) {
    /// How far it is to what sounds or hears in the same room.
    List<Field> of(Person person) {
        Optional<Place> place = on.show().place(person.place());
        if (place.isEmpty()) return List.of();
        Map<String, String> others = new LinkedHashMap<>();
        for (Device device : on.show().rig().devices()) {
            boolean there = device.place().equals(place.get().id());
            if (there && meetsAir(on.catalogue().get(device.template())))
                others.put(device.id(), device.name());
        }
        for (Person other : on.show().cast().people())
            if (other.place().equals(place.get().id()) && !other.id().equals(person.id()))
                others.put(other.id(), other.name());
        return fields(place.get(), person.id(), person.name(), others);
    }

    /// How far it is from what sounds to what hears in the same room, and back; for people too,
    /// who do both.
    List<Field> of(Device device) {
        Optional<Place> place = on.show().place(device.place());
        Template kind = on.catalogue().get(device.template());
        if (place.isEmpty() || !meetsAir(kind)) return List.of();
        Map<String, String> others = new LinkedHashMap<>();
        for (Device other : on.show().rig().devices()) {
            boolean there =
                    other.place().equals(place.get().id()) && !other.id().equals(device.id());
            Template far = on.catalogue().get(other.template());
            if (there && (sounds(kind) && hears(far) || hears(kind) && sounds(far)))
                others.put(other.id(), other.name());
        }
        for (Person other : on.show().cast().people())
            if (other.place().equals(place.get().id())) others.put(other.id(), other.name());
        return fields(place.get(), device.id(), device.name(), others);
    }

    private List<Field> fields(Place place, String id, String name, Map<String, String> others) {
        List<Field> fields = new ArrayList<>();
        others.forEach((far, farName) -> fields.add(distance(place, id, name, far, farName)));
        return fields;
    }

    private static boolean meetsAir(Template kind) {
        return hears(kind) || sounds(kind);
    }

    private static boolean hears(Template kind) {
        return kind.ends().stream().anyMatch(e -> e.kind().hearsAir());
    }

    private static boolean sounds(Template kind) {
        return kind.ends().stream().anyMatch(e -> e.kind().sounds());
    }

    private Field distance(Place place, String from, String fromName, String other, String name) {
        Air air = on.catalogue().get(place.room()).air().orElseThrow();
        List<String> words =
                air.words().entrySet().stream()
                        .sorted(Map.Entry.comparingByValue())
                        .map(Map.Entry::getKey)
                        .toList();
        String said =
                place.distances().stream()
                        .filter(d -> d.joins(from, other))
                        .findFirst()
                        .map(d -> d.word().isEmpty() ? Ground.plain(d.metres()) + " m" : d.word())
                        .orElse("");
        return new Field.Text(
                "to-" + other,
                "To " + name,
                said,
                air.otherwise(),
                words,
                typed ->
                        on.parts()
                                .put(
                                        "Say how far %s is from %s".formatted(fromName, name),
                                        placed(place, from, other, typed, air)));
    }

    /// A place with a distance in it said otherwise; blank takes it out.
    private static Place placed(Place place, String from, String to, String typed, Air air) {
        Optional<Place.Distance> said = said(typed, air);
        List<Place.Distance> distances = new ArrayList<>();
        boolean known = false;
        for (Place.Distance distance : place.distances())
            if (!distance.joins(from, to)) {
                distances.add(distance);
            } else if (!known && said.isPresent()) {
                known = true;
                distances.add(distance.of(said.get().metres(), said.get().word()));
            }
        if (!known)
            said.ifPresent(
                    one ->
                            distances.add(
                                    new Place.Distance(
                                            from, to, one.metres(), one.word(), Extras.NONE)));
        return place.with(distances);
    }

    /// A distance between no two: a word of the room, or metres.
    private static Optional<Place.Distance> said(String typed, Air air) {
        String plain = typed.strip().toLowerCase(Locale.ROOT);
        if (plain.isEmpty()) return Optional.empty();
        Double known = air.words().get(plain);
        if (known != null)
            return Optional.of(new Place.Distance("", "", known, plain, Extras.NONE));
        String number = plain.replaceFirst("\\s*(m|metres?|meters?)$", "");
        double metres =
                Ground.number(
                        number, "A distance is one of the words offered, or metres:", 0.005, 200);
        return Optional.of(new Place.Distance("", "", metres, "", Extras.NONE));
    }
}
