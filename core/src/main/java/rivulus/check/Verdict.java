package rivulus.check;

/// What is to be said of one ear and one source, worst last.
public enum Verdict {
    /// May be heard, and is not.
    SILENT(Flow.ALLOWED, "not heard", "", "", ""),
    /// May be heard, and is.
    ALLOWED(Flow.ALLOWED, "heard, as it may be", "hears", "", ""),
    /// Need not be heard, is, and does no harm: one's own voice at once, a neighbour on a track.
    LET_PASS(Flow.ALLOWED, "heard, and let pass", "hears", "", ""),
    /// Must not be heard, and is so far down that nobody minds.
    FAR_DOWN(Flow.AS_WISHED, "far down, as wished", "far down", "", ""),
    /// Must not be heard, and is not.
    KEPT_OUT(Flow.AS_WISHED, "not heard, as wished", "kept out", "", ""),
    /// Must be heard, and is.
    AS_WISHED(Flow.AS_WISHED, "as wished", "hears", "", ""),
    /// Heard softer under the voices than somebody wants it.
    TOO_SOFT(Flow.FAINT, "too soft", "too soft", "%s too soft", "hears %s too soft"),
    /// Heard louder than somebody wants it, or than anything should be.
    TOO_LOUD(Flow.AS_WISHED, "too loud", "too loud", "%s too loud", "hears %s too loud"),
    /// Heard later than somebody wants it.
    LATER(Flow.LATE, "later than wished", "late", "%s too late", "hears %s too late"),
    /// Must be heard, and hardly is.
    FAINT(Flow.FAINT, "faint", "faint", "%s faintly", "hears %s only faintly"),
    /// Arrives twice.
    DOUBLED(Flow.DOUBLED, "doubled", "twice", "%s twice", "hears %s twice"),
    /// Arrives more often.
    REPEATED(Flow.DOUBLED, "repeated", "repeated", "%s repeated", "hears %s again and again"),
    /// The listener's own voice, late.
    LATE(Flow.LATE, "late", "late", "%s late", "hears %s late"),
    /// A caller's own voice, back again.
    ECHO(Flow.LATE, "echo", "late", "%s late", "hears %s back"),
    /// Somebody would think it muted, and it would not be.
    MUTE_FAILS(
            Flow.LEAK,
            "mute fails",
            "mute fails",
            "would hear %s though muted",
            "would hear %s though muted"),
    /// Somebody thinks it is muted.
    UNMUTED(Flow.LEAK, "not muted", "not muted", "hears %s though muted", "hears %s though muted"),
    /// Must not be heard, and is.
    LEAK(Flow.LEAK, "leak", "leaks in", "hears %s and must not", "hears %s and must not"),
    /// Must be heard, and is not.
    MISSING(Flow.MISSING, "missing", "missing", "not %s", "does not hear %s");

    /// How sound of which that is said is drawn; several verdicts may be drawn alike.
    public enum Flow {
        AS_WISHED,
        ALLOWED,
        FAINT,
        LATE,
        DOUBLED,
        LEAK,
        MISSING
    }

    private final Flow flow;
    private final String word;
    private final String brief;
    private final String clause;
    private final String headline;

    Verdict(Flow flow, String word, String brief, String clause, String headline) {
        this.flow = flow;
        this.word = word;
        this.brief = brief;
        this.clause = clause;
        this.headline = headline;
    }

    /// How it is drawn.
    public Flow flow() {
        return flow;
    }

    /// As outputs write it.
    public String word() {
        return word;
    }

    /// In a cell of the chart, where the finding says nothing shorter.
    public String brief() {
        return brief;
    }

    /// As a clause about an ear, without its name: "Bram faintly".
    public String clause(String sources) {
        return clause.formatted(sources);
    }

    /// As what an ear does: "hears Bram only faintly".
    public String headline(String sources) {
        return headline.formatted(sources);
    }

    /// Whether nothing is amiss.
    public boolean isGood() {
        return compareTo(AS_WISHED) <= 0;
    }
}
