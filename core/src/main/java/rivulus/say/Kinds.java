package rivulus.say;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Template;

/// Kinds of gear by what people call them: "show desk", "dynamic microphones", "two-input
/// interface".
final class Kinds {
    private static final Map<String, String> CALLED = Afar.names();

    private Kinds() {}

    /// The kind of that name; the name's beginning is enough.
    static Optional<Template> find(String words, Catalogue catalogue) {
        String name = Spoken.plain(words);
        if (name.isEmpty()) return Optional.empty();
        List<String> forms = List.of(name, name.replaceFirst("s$", ""), "wired " + name);
        for (String form : forms) {
            Optional<Template> kind = exactly(form, catalogue);
            if (kind.isPresent()) return kind;
        }
        return forms.stream()
                .limit(2)
                .flatMap(form -> beginning(form, catalogue).stream())
                .findFirst();
    }

    /// What one of several is called: "mics" are each a "mic", "headphones" stay headphones.
    static String one(String words, Catalogue catalogue) {
        String plain = words.strip().replaceFirst("^(?i)(the|a|an) ", "");
        boolean itself = exactly(Said.low(plain), catalogue).isPresent();
        boolean pair = exactly("wired " + Said.low(plain), catalogue).isPresent();
        return itself || pair ? plain : plain.replaceFirst("s$", "");
    }

    /// The kind of just that name.
    static Optional<Template> exactly(String name, Catalogue catalogue) {
        String called = CALLED.getOrDefault(name, name.replace(' ', '-'));
        return catalogue
                .find(called)
                .or(
                        () ->
                                catalogue.templates().values().stream()
                                        .filter(kind -> Said.low(kind.name()).equals(name))
                                        .findFirst())
                .filter(Kinds::isGear);
    }

    private static Optional<Template> beginning(String name, Catalogue catalogue) {
        return catalogue.templates().values().stream()
                .filter(Kinds::isGear)
                .filter(kind -> Said.low(kind.name()).startsWith(name + " "))
                .findFirst();
    }

    private static boolean isGear(Template kind) {
        return kind.kind() != GearKind.ROOM && kind.kind() != GearKind.PERSON;
    }
}
