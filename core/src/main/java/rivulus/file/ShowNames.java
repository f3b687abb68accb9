package rivulus.file;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Catalogue;
import rivulus.gear.Template;
import rivulus.show.Ref;

/// What a show that is being read names: everything may name everything, so the ids are gathered
/// first.
final class ShowNames {
    final Map<String, Template> devices = new HashMap<>();
    final Set<String> people = new HashSet<>();
    final Set<String> sources = new HashSet<>();
    final Set<String> places = new HashSet<>();
    final Set<String> ears = new HashSet<>();
    final Set<String> scenes = new HashSet<>();
    final Catalogue catalogue;

    /// @param catalogue the kinds of gear there are, the show's own among them
    ShowNames(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /// Ids first, since everything may name everything.
    void gather(Entry root) throws FileTrouble {
        Optional<Entry> cast = root.maybe("cast");
        if (cast.isPresent()) {
            for (Entry person : cast.get().items("people")) {
                unique(people, person, "person");
                sources.add(person.text("id"));
            }
            for (Entry playback : cast.get().items("playback")) unique(sources, playback, "source");
        }
        for (Entry place : root.items("places")) unique(places, place, "place");
        for (Entry ear : root.items("ears")) unique(ears, ear, "ear");
        for (Entry scene : root.items("scenes")) unique(scenes, scene, "scene");
        Optional<Entry> rig = root.maybe("rig");
        if (rig.isEmpty()) return;
        Set<String> seen = new HashSet<>(people);
        for (Entry device : rig.get().items("devices")) {
            unique(seen, device, "device or person");
            Entry template = device.field("template");
            devices.put(device.text("id"), find(template));
        }
    }

    Template find(Entry name) throws FileTrouble {
        Optional<Template> template = catalogue.find(name.text());
        if (template.isEmpty()) {
            throw name.unknown("template", name.text(), catalogue.ids());
        }
        return template.get();
    }

    static void unique(Set<String> seen, Entry item, String what) throws FileTrouble {
        Entry id = item.field("id");
        if (!seen.add(id.id()))
            throw id.trouble("there are two %ss \"%s\"; an id may be used once", what, id.text());
    }

    static String known(Entry name, String what, Collection<String> names) throws FileTrouble {
        if (!names.contains(name.text())) throw name.unknown(what, name.text(), names);
        return name.text();
    }

    /// A name that may be left out.
    static String known(Entry item, String field, String what, Collection<String> names)
            throws FileTrouble {
        Optional<Entry> name = item.maybe(field);
        return name.isEmpty() ? "" : known(name.get(), what, names);
    }

    static List<String> allKnown(Entry item, String field, String what, Collection<String> names)
            throws FileTrouble {
        List<String> all = new ArrayList<>();
        for (Entry name : item.items(field)) all.add(known(name, what, names));
        return all;
    }

    static Ref ref(Entry entry) throws FileTrouble {
        try {
            return Ref.of(entry.text());
        } catch (IllegalArgumentException notARef) {
            throw entry.trouble("%s", notARef.getMessage());
        }
    }

    Template device(Entry place, Ref ref) throws FileTrouble {
        Template template = devices.get(ref.device());
        if (template == null) throw place.unknown("device", ref.device(), devices.keySet());
        return template;
    }

    Ref point(Entry entry) throws FileTrouble {
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

    static Ref knobRef(Entry place, String text) throws FileTrouble {
        try {
            return Ref.of(text);
        } catch (IllegalArgumentException notARef) {
            throw place.trouble("\"%s\" should be a knob written device/knob", text);
        }
    }
}
