package rivulus.hearing;

/// What it does to a talker to hear their own voice late. Bounds are rules of thumb (REFERENCE,
/// Time), except that speech is disrupted most near 180 to 200 ms (delayed auditory feedback: Lee
/// 1950, Black 1951).
public enum OwnVoice {
    /// Under 3 ms.
    UNNOTICED(3, "it goes unnoticed"),
    /// 3 to 10 ms: a comb against the voice inside the head.
    COLOURED(10, "it colours the voice inside the head"),
    /// 10 to 30 ms.
    NOTICED(30, "it is noticed"),
    /// 30 to 100 ms.
    DISTURBING(100, "it disturbs"),
    /// Over 100 ms: talkers slow down, stumble and stop.
    DISRUPTIVE(Double.POSITIVE_INFINITY, "talkers slow down and stumble");

    private final double underMs;
    private final String words;

    OwnVoice(double underMs, String words) {
        this.underMs = underMs;
        this.words = words;
    }

    /// What a delay does.
    public static OwnVoice at(double ms) {
        for (OwnVoice band : values()) if (ms < band.underMs) return band;
        return DISRUPTIVE;
    }

    /// The delay in ms at which the next band begins.
    public double underMs() {
        return underMs;
    }

    /// The effect in words.
    public String words() {
        return words;
    }
}
