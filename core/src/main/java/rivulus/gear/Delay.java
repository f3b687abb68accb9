package rivulus.gear;

/// How long a route takes, in milliseconds: a typical value inside a range.
///
/// @param ms typical value, 0 or more
/// @param minMs shortest, at most `ms`
/// @param maxMs longest, at least `ms`
public record Delay(double ms, double minMs, double maxMs) {
    /// No delay at all: a wire.
    public static final Delay NONE = exactly(0);

    /// A sample at 48 kHz lasts 1/48 ms; nothing in a live rig waits longer than this.
    public static final double LONGEST_MS = 60_000;

    public Delay {
        if (!(minMs >= 0 && minMs <= ms && ms <= maxMs && maxMs <= LONGEST_MS)) {
            throw new IllegalArgumentException(
                    "a delay runs 0 ≤ min ≤ typical ≤ max ≤ %.0f ms, not %s ≤ %s ≤ %s"
                            .formatted(LONGEST_MS, minMs, ms, maxMs));
        }
    }

    /// A delay without a range.
    public static Delay exactly(double ms) {
        return new Delay(ms, ms, ms);
    }

    /// One delay after the other.
    public Delay plus(Delay next) {
        return new Delay(ms + next.ms, minMs + next.minMs, maxMs + next.maxMs);
    }

    /// The typical value in whole nanoseconds, so that equal ways add up to equal times.
    public long nanos() {
        return Math.round(ms * 1e6);
    }
}
