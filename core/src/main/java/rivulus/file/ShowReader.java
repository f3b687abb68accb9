package rivulus.file;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;
import rivulus.disk.Worded;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Checks;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Extent;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.MuteKey;
import rivulus.show.OwnTemplate;
import rivulus.show.Owned;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Role;
import rivulus.show.Rundown;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.show.WishChange;

/// Reads a show and makes sure that it holds together: every id it names exists, every port can
/// take its lead, every knob can stand as it does. docs/show-file.md describes the format.
final class ShowReader {
    private final Entry root;
    private final List<OwnTemplate> known;
    private Catalogue catalogue;
    private final Map<String, Template> devices = new HashMap<>();
    private final Set<String> people = new HashSet<>();
    private final Set<String> sources = new HashSet<>();
    private final Set<String> placeIds = new HashSet<>();
    private final Set<String> earIds = new HashSet<>();
    private final Set<String> sceneIds = new HashSet<>();

    private ShowReader(Entry root, Catalogue catalogue, List<OwnTemplate> known) {
        this.root = root;
        this.known = known;
        this.catalogue = catalogue;
    }

    /// Reads a show whose templates are in the catalogue or in the show itself.
    ///
    /// @param known templates that have been read before and need not be read again
    static Show read(Entry root, Catalogue catalogue, List<OwnTemplate> known) throws FileTrouble {
        return new ShowReader(root, catalogue, known).show();
    }

    private Show show() throws FileTrouble {
        root.field("rivulus").number(Show.VERSION, Show.VERSION);
        root.text("$schema", "");
        String title = root.name("title", Show.untitled().title());
        List<OwnTemplate> templates = templates();
        gatherNames();
        List<Place> places = places();
        Rig rig = rig();
        Cast cast = cast();
        List<Ear> ears = ears();
        List<Scene> scenes = scenes();
        List<WishChange> changes = changes();
        List<MuteKey> mutes = mutes();
        Show show =
                new Show(
                        title,
                        cast,
                        places,
                        ears,
                        rig,
                        new Rundown(changes, scenes, mutes),
                        templates,
                        checks(),
                        root.extras());
        Optional<String> tooMuch = Extent.of(show, catalogue).tooMuch();
        if (tooMuch.isPresent()) throw root.trouble("%s", tooMuch.get());
        return show;
    }

    private Checks checks() throws FileTrouble {
        Optional<Entry> said = root.maybe("checks");
        if (said.isEmpty()) return Checks.USUAL;
        Map<Limit, Double> limits = new EnumMap<>(Limit.class);
        Optional<Entry> lines = said.get().maybe("limits");
        if (lines.isPresent())
            for (var line : lines.get().each().entrySet()) {
                Limit limit = Worded.words(Limit.class).get(line.getKey());
                if (limit == null)
                    throw line.getValue()
                            .unknown("limit", line.getKey(), Worded.words(Limit.class).keySet());
                limits.put(limit, line.getValue().number(limit.least(), limit.most()));
            }
        List<Checks.Silenced> silenced = new ArrayList<>();
        for (Entry item : said.get().items("silenced"))
            silenced.add(
                    new Checks.Silenced(
                            item.text("finding"), item.text("reason", ""), item.extras()));
        return new Checks(Limits.of(limits), silenced, said.get().extras());
    }

    private List<OwnTemplate> templates() throws FileTrouble {
        List<OwnTemplate> own = new ArrayList<>();
        for (Entry entry : root.items("templates")) {
            Object written = entry.json().plain();
            Optional<OwnTemplate> same =
                    known.stream().filter(k -> k.written().fields().equals(written)).findFirst();
            own.add(same.isPresent() ? same.get() : Templates.own(entry));
        }
        catalogue = catalogue.with(own.stream().map(OwnTemplate::template).toList());
        return own;
    }

    /// Ids first, since everything may name everything.
    private void gatherNames() throws FileTrouble {
        Optional<Entry> cast = root.maybe("cast");
        if (cast.isPresent()) {
            for (Entry person : cast.get().items("people")) {
                unique(people, person, "person");
                sources.add(person.text("id"));
            }
            for (Entry playback : cast.get().items("playback")) unique(sources, playback, "source");
        }
        for (Entry place : root.items("places")) unique(placeIds, place, "place");
        for (Entry ear : root.items("ears")) unique(earIds, ear, "ear");
        for (Entry scene : root.items("scenes")) unique(sceneIds, scene, "scene");
        Optional<Entry> rig = root.maybe("rig");
        if (rig.isEmpty()) return;
        Set<String> seen = new HashSet<>(people);
        for (Entry device : rig.get().items("devices")) {
            unique(seen, device, "device or person");
            Entry template = device.field("template");
            devices.put(device.text("id"), find(template));
        }
    }

    private Template find(Entry name) throws FileTrouble {
        Optional<Template> template = catalogue.find(name.text());
        if (template.isEmpty()) {
            throw name.unknown("template", name.text(), catalogue.templates().keySet());
        }
        return template.get();
    }

    private static void unique(Set<String> seen, Entry item, String what) throws FileTrouble {
        Entry id = item.field("id");
        if (!seen.add(id.id()))
            throw id.trouble("there are two %ss \"%s\"; an id may be used once", what, id.text());
    }

    private static String known(Entry name, String what, Collection<String> names)
            throws FileTrouble {
        if (!names.contains(name.text())) throw name.unknown(what, name.text(), names);
        return name.text();
    }

    /// A name that may be left out.
    private static String known(Entry item, String field, String what, Collection<String> names)
            throws FileTrouble {
        Optional<Entry> name = item.maybe(field);
        return name.isEmpty() ? "" : known(name.get(), what, names);
    }

    private static List<String> allKnown(
            Entry item, String field, String what, Collection<String> names) throws FileTrouble {
        List<String> all = new ArrayList<>();
        for (Entry name : item.items(field)) all.add(known(name, what, names));
        return all;
    }

    private static <E extends Enum<E>> E oneOf(Entry entry, E[] values, Function<E, String> word)
            throws FileTrouble {
        return entry.word(
                Arrays.stream(values).collect(Collectors.toMap(word, Function.identity())));
    }

    // Places and cast

    private List<Place> places() throws FileTrouble {
        List<Place> places = new ArrayList<>();
        for (Entry item : root.items("places")) {
            Entry room = item.field("room");
            Optional<Air> air = find(room).air();
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
        Set<String> things = new HashSet<>(devices.keySet());
        things.addAll(people);
        List<Place.Distance> distances = new ArrayList<>();
        for (Entry item : place.items("distances")) {
            String from = known(item.field("from"), "person or device", things);
            String to = known(item.field("to"), "person or device", things);
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
                            oneOf(item.field("role"), Role.values(), Role::word),
                            known(item.field("place"), "place", placeIds),
                            pronoun(item),
                            item.truth("speaks", true),
                            item.extras()));
        }
        List<Playback> playback = new ArrayList<>();
        for (Entry item : cast.get().items("playback")) {
            playback.add(
                    new Playback(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            oneOf(item.field("kind"), Playback.Kind.values(), Playback.Kind::word),
                            point(item.field("at")),
                            item.extras()));
        }
        return new Cast(everybody, playback, cast.get().extras());
    }

    private static String pronoun(Entry person) throws FileTrouble {
        String pronoun = Line.of(person.text("pronoun", ""));
        return pronoun.isEmpty() ? "they" : pronoun;
    }

    private static Ref ref(Entry entry) throws FileTrouble {
        try {
            return Ref.of(entry.text());
        } catch (IllegalArgumentException notARef) {
            throw entry.trouble("%s", notARef.getMessage());
        }
    }

    private Template device(Entry place, Ref ref) throws FileTrouble {
        Template template = devices.get(ref.device());
        if (template == null) throw place.unknown("device", ref.device(), devices.keySet());
        return template;
    }

    private Ref point(Entry entry) throws FileTrouble {
        Ref ref = ref(entry);
        Template template =
                people.contains(ref.device())
                        ? catalogue.get(Catalogue.PERSON)
                        : device(entry, ref);
        if (template.point(ref.name()).isEmpty()) {
            throw entry.unknown(
                    "point on " + ref.device(),
                    ref.name(),
                    template.points().stream().map(p -> p.id()).toList());
        }
        return ref;
    }

    // Ears and brief

    private List<Ear> ears() throws FileTrouble {
        List<Ear> ears = new ArrayList<>();
        for (Entry item : root.items("ears")) {
            Ear.Kind kind = oneOf(item.field("kind"), Ear.Kind.values(), Ear.Kind::word);
            String of =
                    kind == Ear.Kind.PERSON
                            ? known(item.field("of"), "person", people)
                            : known(item, "of", "source", sources);
            List<Ref> at = new ArrayList<>();
            for (Entry place : item.items("at")) at.add(point(place));
            if (at.isEmpty() && kind != Ear.Kind.PERSON) {
                throw item.trouble("\"at\" should name the points where this ear listens");
            }
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

    private List<WishChange> changes() throws FileTrouble {
        List<WishChange> changes = new ArrayList<>();
        for (Entry item : root.items("brief")) {
            changes.add(
                    new WishChange(
                            known(item.field("ear"), "ear", earIds),
                            known(item.field("source"), "source", sources),
                            known(item, "scene", "scene", sceneIds),
                            oneOf(item.field("wish"), Wish.values(), Wish::word),
                            item.text("reason", ""),
                            item.extras()));
        }
        return changes;
    }

    // Rig

    private Rig rig() throws FileTrouble {
        Optional<Entry> rig = root.maybe("rig");
        if (rig.isEmpty()) return Show.untitled().rig();
        List<Device> all = new ArrayList<>();
        for (Entry item : rig.get().items("devices")) all.add(device(item));
        List<Cable> cables = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : rig.get().items("cables")) {
            unique(seen, item, "cable");
            cables.add(cable(item));
        }
        return new Rig(all, cables, stock(rig.get()), rig.get().extras());
    }

    private Device device(Entry item) throws FileTrouble {
        String id = item.text("id");
        Template template = devices.get(id);
        item.text("template");
        String on = known(item, "on", "device", devices.keySet());
        if (!on.isEmpty() && !devices.get(on).isComputer()) {
            throw item.field("on").trouble("\"%s\" is no computer, so nothing can run on it", on);
        }
        SequencedMap<String, Setting> knobs = new LinkedHashMap<>();
        Optional<Entry> turned = item.maybe("knobs");
        if (turned.isPresent()) {
            for (var knob : turned.get().each().entrySet()) {
                knobs.put(
                        knob.getKey(),
                        SettingReader.read(knob.getValue(), template, knob.getKey()));
            }
        }
        return new Device(
                id,
                item.name("name", item.text("id")),
                template.id(),
                new Device.Where(
                        known(item, "place", "place", placeIds),
                        on,
                        known(item, "worn", "person", people)),
                new Device.Fed(power(item, template), outlet(item)),
                item.truth("toBuy", false),
                knobs,
                item.extras());
    }

    private String outlet(Entry item) throws FileTrouble {
        String outlet = known(item, "outlet", "device", devices.keySet());
        if (!outlet.isEmpty() && devices.get(outlet).power().mostWatts() == 0)
            throw item.field("outlet")
                    .trouble("\"%s\" is no outlet strip, so nothing plugs into it", outlet);
        return outlet;
    }

    private List<Owned> stock(Entry rig) throws FileTrouble {
        Set<String> kinds = new HashSet<>(Templates.leads().names());
        kinds.addAll(catalogue.templates().keySet());
        List<Owned> stock = new ArrayList<>();
        for (Entry item : rig.items("stock")) {
            stock.add(
                    new Owned(
                            known(item.field("what"), "kind of lead or gear", kinds),
                            item.number("metres", 0, 1000, 0),
                            item.whole("pieces", 1, 10_000, 1),
                            item.extras()));
        }
        return stock;
    }

    private static Optional<Power.Source> power(Entry item, Template template) throws FileTrouble {
        Optional<Entry> said = item.maybe("power");
        if (said.isEmpty()) return Optional.empty();
        Power.Source power = said.get().word("kind of power", Power.Source.class);
        List<Power.Source> possible = template.power().from();
        if (!possible.contains(power))
            throw said.get()
                    .unknown(
                            "kind of power for this",
                            power.word(),
                            possible.stream().map(Power.Source::word).toList());
        return Optional.of(power);
    }

    private Cable cable(Entry item) throws FileTrouble {
        Entry fromEntry = item.field("from");
        Entry toEntry = item.field("to");
        Ref from = ref(fromEntry);
        Ref to = ref(toEntry);
        Port a = port(fromEntry, from);
        Port b = port(toEntry, to);
        if (from.equals(to)) throw item.trouble("this lead goes from %s back into it", from);
        Optional<String> refusal = a.cannotJoin(b);
        if (refusal.isPresent())
            throw item.trouble("%s and %s cannot be joined: %s", from, to, refusal.get());
        return new Cable(
                item.text("id"),
                from,
                to,
                item.number("metres", 0, 1000, 0),
                item.truth("toBuy", false),
                item.extras());
    }

    private Port port(Entry entry, Ref ref) throws FileTrouble {
        Template template = device(entry, ref);
        Optional<Port> port = template.port(ref.name());
        if (port.isEmpty()) {
            throw entry.unknown(
                    "port on " + ref.device(),
                    ref.name(),
                    template.ports().stream().map(Port::id).toList());
        }
        return port.get();
    }

    // Scenes and mutes

    private List<Scene> scenes() throws FileTrouble {
        List<Scene> scenes = new ArrayList<>();
        for (Entry item : root.items("scenes")) {
            SequencedMap<Ref, Setting> knobs = new LinkedHashMap<>();
            Optional<Entry> turned = item.maybe("knobs");
            if (turned.isPresent()) {
                for (var knob : turned.get().each().entrySet()) {
                    Ref ref = knobRef(knob.getValue(), knob.getKey());
                    Template template = device(knob.getValue(), ref);
                    knobs.put(ref, SettingReader.read(knob.getValue(), template, ref.name()));
                }
            }
            scenes.add(
                    new Scene(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            allKnown(item, "quiet", "source", sources),
                            item.number("minutes", 0, 6000, 0),
                            knobs,
                            item.extras()));
        }
        return scenes.isEmpty() ? Show.untitled().scenes() : scenes;
    }

    private static Ref knobRef(Entry place, String text) throws FileTrouble {
        try {
            return Ref.of(text);
        } catch (IllegalArgumentException notARef) {
            throw place.trouble("\"%s\" should be a knob written device/knob", text);
        }
    }

    private List<MuteKey> mutes() throws FileTrouble {
        List<MuteKey> mutes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : root.items("mutes")) {
            unique(seen, item, "mute key");
            Entry knob = item.field("knob");
            Ref ref = ref(knob);
            Template template = device(knob, ref);
            mutes.add(
                    new MuteKey(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            ref,
                            SettingReader.read(item.field("to"), template, ref.name()),
                            allKnown(item, "silences", "source", sources),
                            allKnown(item, "except", "ear", earIds),
                            item.extras()));
        }
        return mutes;
    }
}
