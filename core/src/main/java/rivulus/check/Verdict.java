package rivulus.check;

/// What is to be said of one ear and one source, worst last.
public enum Verdict {
    /// May be heard, and is not.
    SILENT("not heard"),
    /// May be heard, and is.
    ALLOWED("heard, as it may be"),
    /// Must not be heard, and is not.
    KEPT_OUT("not heard, as wished"),
    /// Must be heard, and is.
    AS_WISHED("as wished"),
    /// Must be heard, and hardly is.
    FAINT("faint"),
    /// Arrives more than once.
    DOUBLED("doubled"),
    /// The listener's own voice, late.
    LATE("late"),
    /// A caller's own voice, back again.
    ECHO("echo"),
    /// Somebody thinks it is muted.
    UNMUTED("not muted"),
    /// Must not be heard, and is.
    LEAK("leak"),
    /// Must be heard, and is not.
    MISSING("missing");

    private final String word;

    Verdict(String word) {
        this.word = word;
    }

    /// As outputs write it.
    public String word() {
        return word;
    }

    /// Whether nothing is amiss.
    public boolean isGood() {
        return compareTo(AS_WISHED) <= 0;
    }
}
