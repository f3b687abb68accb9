package rivulus.show;

import rivulus.disk.Extras;

/// A person in the show.
///
/// @param place the id of the place they are in
/// @param pronoun `she`, `he` or `they`
/// @param speaks whether anybody is meant to hear them; an audience may only listen
/// @param loudness how they talk
/// @param measuredDb how much louder than that they were measured, in dB; 0 where nobody did
/// @param count how many they are: 12 for a choir
public record Person(
        String id,
        String name,
        Role role,
        String place,
        String pronoun,
        boolean speaks,
        int count,
        Loudness loudness,
        double measuredDb,
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

    /// Whether they call in from elsewhere.
    public boolean isCaller() {
        return role == Role.CALLER;
    }

    /// The same person under another name.
    public Person named(String newName) {
        return new Person(
                id, newName, role, place, pronoun, speaks, count, loudness, measuredDb, extras);
    }

    /// The same person in another role.
    public Person as(Role newRole) {
        return new Person(
                id, name, newRole, place, pronoun, speaks, count, loudness, measuredDb, extras);
    }

    /// The same person elsewhere.
    public Person in(String newPlace) {
        return new Person(
                id, name, role, newPlace, pronoun, speaks, count, loudness, measuredDb, extras);
    }

    /// The same person, spoken of otherwise.
    public Person calledBy(String newPronoun) {
        return new Person(
                id, name, role, place, newPronoun, speaks, count, loudness, measuredDb, extras);
    }

    /// The same person, to be heard or not.
    public Person speaking(boolean isHeard) {
        return new Person(
                id, name, role, place, pronoun, isHeard, count, loudness, measuredDb, extras);
    }

    /// So many of them.
    public Person many(int newCount) {
        return new Person(
                id, name, role, place, pronoun, speaks, newCount, loudness, measuredDb, extras);
    }

    /// The same person, talking otherwise.
    public Person talking(Loudness newLoudness) {
        return new Person(
                id, name, role, place, pronoun, speaks, count, newLoudness, measuredDb, extras);
    }

    /// The same person, measured to be so much louder than they are said to talk.
    public Person measured(double db) {
        return new Person(id, name, role, place, pronoun, speaks, count, loudness, db, extras);
    }

    /// How much louder than normal speech they are, in dB.
    public double overNormalDb() {
        return loudness.overNormalDb() + measuredDb + 10 * Math.log10(count);
    }
}
