package rivulus.gear;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Optional;
import java.util.SequencedMap;

/// The templates that a show can be built from.
public record Catalogue(SequencedMap<String, Template> templates) {
    /// The template that every person in the cast is an instance of.
    public static final String PERSON = "person";

    public Catalogue {
        templates = new LinkedHashMap<>(templates);
    }

    /// A catalogue of those templates; a later one replaces an earlier one of the same id.
    public static Catalogue of(Collection<Template> templates) {
        SequencedMap<String, Template> map = new LinkedHashMap<>();
        templates.forEach(template -> map.put(template.id(), template));
        return new Catalogue(map);
    }

    /// This catalogue with more templates; one of the same id takes precedence.
    public Catalogue with(Collection<Template> more) {
        if (more.isEmpty()) return this;
        SequencedMap<String, Template> map = new LinkedHashMap<>(templates);
        more.forEach(template -> map.put(template.id(), template));
        return new Catalogue(map);
    }

    /// How rooms usually are: the first that carries sound.
    ///
    /// @throws IllegalStateException if there is none
    public Template usualRoom() {
        return templates.values().stream()
                .filter(template -> template.air().isPresent())
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("there is no room"));
    }

    /// The template of that id.
    public Optional<Template> find(String id) {
        return Optional.ofNullable(templates.get(id));
    }

    /// The template of that id, which the reader of the show has made sure of.
    ///
    /// @throws IllegalArgumentException if there is none
    public Template get(String id) {
        return find(id).orElseThrow(
                        () -> new IllegalArgumentException("there is no template \"" + id + "\""));
    }

    @Override
    public SequencedMap<String, Template> templates() {
        return java.util.Collections.unmodifiableSequencedMap(templates);
    }
}
