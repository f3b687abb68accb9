package rivulus.show;

import rivulus.disk.Worded;

/// What an ear wishes of a source.
public enum Wish implements Worded {
    MUST("must", "must hear"),
    MAY("may", "may hear"),
    MUST_NOT("mustNot", "must not hear");

    private final String word;
    private final String phrase;

    Wish(String word, String phrase) {
        this.word = word;
        this.phrase = phrase;
    }

    /// As files and outputs write it: `mustNot`.
    @Override
    public String word() {
        return word;
    }

    /// As sentences say it: "must not hear".
    public String phrase() {
        return phrase;
    }
}
