package rivulus.show;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/// When something happened: what the clock on the wall said, and how much had passed by a count
/// that goes on whatever is done to the clock.
///
/// @param local date and time on the wall, to the millisecond
/// @param offset of that clock from UTC; empty where an older file does not say
/// @param passed by the count of this show's day, which begins anywhere: only the time between two
///     moments means something; empty where an older file does not say
public record Moment(LocalDateTime local, Optional<ZoneOffset> offset, Optional<Duration> passed) {
    /// Moments lie in these years; clocks that have lost their time say 1970 or 2000.
    private static final int FIRST_YEAR = 1900;

    private static final int LAST_YEAR = 9999;

    public Moment {
        local = local.truncatedTo(ChronoUnit.MILLIS);
        passed = passed.map(count -> count.truncatedTo(ChronoUnit.MILLIS));
    }

    /// Reads a moment: "2026-10-25T02:30:00.120+02:00", or the same without an offset.
    ///
    /// @throws DateTimeException where it is none, or in no year that a show was ever in
    public static Moment of(String text, Optional<Duration> passed) {
        Moment read =
                DateTimeFormatter.ISO_DATE_TIME.parseBest(
                                        text, OffsetDateTime::from, LocalDateTime::from)
                                instanceof OffsetDateTime at
                        ? new Moment(at.toLocalDateTime(), Optional.of(at.getOffset()), passed)
                        : new Moment(LocalDateTime.parse(text), Optional.empty(), passed);
        int year = read.local.getYear();
        if (year < FIRST_YEAR || year > LAST_YEAR)
            throw new DateTimeException("no show is in the year " + year);
        return read;
    }

    /// How much time lies between this and a later moment: by the count where both have it, else by
    /// the clock. Never less than nothing.
    public Duration until(Moment later) {
        Duration between = between(later);
        return between.isNegative() ? Duration.ZERO : between;
    }

    private Duration between(Moment later) {
        if (passed.isPresent() && later.passed.isPresent())
            return later.passed.get().minus(passed.get());
        if (offset.isPresent() && later.offset.isPresent())
            return Duration.between(
                    local.atOffset(offset.get()), later.local.atOffset(later.offset.get()));
        return Duration.between(local, later.local);
    }

    /// The one that was counted later, or the other where this was not counted.
    Moment later(Moment other) {
        boolean isLater =
                passed.isPresent()
                        && (other.passed.isEmpty()
                                || passed.get().compareTo(other.passed.get()) > 0);
        return isLater ? this : other;
    }

    /// Whether the clock on the wall said the same.
    boolean isOnTheWallAt(Moment other) {
        return local.equals(other.local) && offset.equals(other.offset);
    }

    /// What the clock on the wall said alone.
    public Moment onTheWall() {
        return new Moment(local, offset, Optional.empty());
    }

    /// The same, a thousandth of a second later on the wall.
    Moment next() {
        return new Moment(local.plus(1, ChronoUnit.MILLIS), offset, passed);
    }

    /// As it is written: "2026-10-25T02:30:00.120+02:00".
    @Override
    public String toString() {
        return local + offset.map(ZoneOffset::getId).orElse("");
    }
}
