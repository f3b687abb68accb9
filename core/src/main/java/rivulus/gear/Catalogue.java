package rivulus.gear;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.SequencedSet;
import java.util.function.Function;

/// The templates that a show can be built from. A template that ships is read when it is first
/// asked for: a show needs few of them. May be shared between threads.
public final class Catalogue {
    /// The template that every person in the cast is an instance of.
    public static final String PERSON = "person";

    private final SequencedMap<String, Place> places;

    /// Where a template is, or will be once it is read.
    private static final class Place {
        private final Function<String, Template> reads;
        private final String id;
        private Template template;

        Place(String id, Function<String, Template> reads) {
            this.id = id;
            this.reads = reads;
        }

        synchronized Template template() {
            if (template == null) template = reads.apply(id);
            return template;
        }
    }

    private Catalogue(SequencedMap<String, Place> places) {
        this.places = places;
    }

    /// A catalogue of those templates; a later one replaces an earlier one of the same id.
    public static Catalogue of(Collection<Template> templates) {
        return new Catalogue(new LinkedHashMap<>()).with(templates);
    }

    /// A catalogue of templates that are read when they are first asked for.
    ///
    /// @param reads gives the template of an id
    public static Catalogue reading(Collection<String> ids, Function<String, Template> reads) {
        SequencedMap<String, Place> places = new LinkedHashMap<>();
        for (String id : ids) places.put(id, new Place(id, reads));
        return new Catalogue(places);
    }

    /// This catalogue with more templates; one of the same id takes precedence.
    public Catalogue with(Collection<Template> more) {
        if (more.isEmpty()) return this;
        SequencedMap<String, Place> all = new LinkedHashMap<>(places);
        for (Template template : more)
            all.put(template.id(), new Place(template.id(), _ -> template));
        return new Catalogue(all);
    }

    /// How rooms usually are: the first that carries sound.
    ///
    /// @throws IllegalStateException if there is none
    public Template usualRoom() {
        return places.values().stream()
                .map(Place::template)
                .filter(template -> template.air().isPresent())
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("there is no room"));
    }

    /// The template of that id.
    public Optional<Template> find(String id) {
        return Optional.ofNullable(places.get(id)).map(Place::template);
    }

    /// The template of that id, which the reader of the show has made sure of.
    ///
    /// @throws IllegalArgumentException if there is none
    public Template get(String id) {
        return find(id).orElseThrow(
                        () -> new IllegalArgumentException("there is no template \"" + id + "\""));
    }

    /// The ids of all templates, in order.
    public SequencedSet<String> ids() {
        return Collections.unmodifiableSequencedSet(places.sequencedKeySet());
    }

    /// All templates by their ids, in order; reads those that nobody has asked for yet.
    public SequencedMap<String, Template> templates() {
        SequencedMap<String, Template> all = new LinkedHashMap<>();
        places.forEach((id, place) -> all.put(id, place.template()));
        return Collections.unmodifiableSequencedMap(all);
    }
}
