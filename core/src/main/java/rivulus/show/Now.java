package rivulus.show;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/// The present, as it stands on the wall and by the count of the day.
///
/// @param at on the wall, with the zone whose rules say what the clock will show later
/// @param passed by the count that [Moment#passed()] tells
public record Now(ZonedDateTime at, Duration passed) {
    /// By a clock that never jumps: the count is the clock's.
    public static Now by(LocalDateTime at) {
        ZonedDateTime zoned = at.atZone(ZoneOffset.UTC);
        return new Now(zoned, Duration.ofSeconds(zoned.toEpochSecond(), zoned.getNano()));
    }

    /// To be kept.
    public Moment moment() {
        return new Moment(at.toLocalDateTime(), Optional.of(at.getOffset()), Optional.of(passed));
    }

    /// What the clock on the wall will show after so many minutes, to the minute.
    public LocalTime after(double minutes) {
        return at.plusSeconds((long) (minutes * 60)).toLocalTime().truncatedTo(ChronoUnit.MINUTES);
    }

    /// How long ago that was.
    public Duration since(Moment then) {
        return then.until(moment());
    }
}
