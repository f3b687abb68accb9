package rivulus.show;

import rivulus.disk.Worded;

/// What somebody says of what they hear, or a meter shows.
public enum Symptom implements Worded {
    /// Everything as it should be.
    AS_WISHED("as it should be"),
    NOT("not at all"),
    SOFT("too softly"),
    LOUD("too loud"),
    TWICE("twice"),
    LATE("late"),
    /// As through a pipe: something comes twice, close together.
    HOLLOW("hollow"),
    ONE_SIDE("on one side only"),
    HUM("with a hum"),
    CRACKLE("with crackle"),
    /// Something comes that should not.
    UNWANTED("though it should not"),
    OTHER("in some other way");

    private final String words;

    Symptom(String words) {
        this.words = words;
    }

    /// As an answer: "twice", "with a hum".
    public String words() {
        return words;
    }
}
