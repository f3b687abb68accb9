package rivulus.show;

import rivulus.disk.Extras;

/// A person in the show.
///
/// @param place the id of the place they are in
/// @param pronoun `she`, `he` or `they`
/// @param speaks whether anybody is meant to hear them; an audience may only listen
public record Person(
        String id,
        String name,
        Role role,
        String place,
        String pronoun,
        boolean speaks,
        Extras extras)
        implements Source {
    @Override
    public String part() {
        return role.word();
    }

    @Override
    public String self() {
        return switch (pronoun) {
            case "she" -> "herself";
            case "he" -> "himself";
            default -> "themself";
        };
    }

    @Override
    public String object() {
        return switch (pronoun) {
            case "she" -> "her";
            case "he" -> "him";
            default -> "them";
        };
    }
}
