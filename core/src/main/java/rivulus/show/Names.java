package rivulus.show;

import rivulus.words.Words;

/// How ears and sources stand in a sentence.
public final class Names {
    private Names() {}

    /// An ear inside a sentence: "Nadia", "the stream", "Maren's track".
    public static String of(Ear ear) {
        return switch (ear.kind()) {
            case PERSON, TRACK -> ear.name();
            default -> "the " + lower(ear.name());
        };
    }

    /// An ear at the start of a sentence: "The stream".
    public static String subject(Ear ear) {
        return Words.sentence(of(ear));
    }

    /// A source inside a sentence: "Bram", "the music bed".
    public static String of(Source source) {
        return source instanceof Person ? source.name() : "the " + lower(source.name());
    }

    /// A name inside a sentence; an acronym keeps its letters.
    public static String lower(String name) {
        boolean acronym = name.length() > 1 && Character.isUpperCase(name.charAt(1));
        return acronym || name.isEmpty()
                ? name
                : Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }
}
