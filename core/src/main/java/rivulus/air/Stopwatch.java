package rivulus.air;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import rivulus.show.Day;
import rivulus.show.Moment;
import rivulus.show.Now;

/// What has passed on the day of a show: counted on while the program runs, whatever is done to the
/// clock on the wall; over the time between two runs only that clock knows.
///
/// Used by one thread at a time.
public final class Stopwatch {
    private final Supplier<ZonedDateTime> wall;
    private final LongSupplier nanos;
    private Duration counted = Duration.ZERO;
    private long since;

    /// @param wall the clock on the wall
    /// @param nanos a count in nanoseconds that never goes back, as [System#nanoTime()] is
    public Stopwatch(Supplier<ZonedDateTime> wall, LongSupplier nanos) {
        this.wall = wall;
        this.nanos = nanos;
        since = nanos.getAsLong();
    }

    /// The clocks of this machine.
    public static Stopwatch ofMachine() {
        return new Stopwatch(ZonedDateTime::now, System::nanoTime);
    }

    /// By a clock that never jumps, in UTC: the count is the clock's.
    public static Stopwatch by(Supplier<LocalDateTime> clock) {
        Supplier<ZonedDateTime> wall = () -> clock.get().atZone(ZoneOffset.UTC);
        return new Stopwatch(wall, () -> wall.get().toEpochSecond() * 1_000_000_000L);
    }

    /// Goes on where a day that is taken up was left: the time since then is what the clock on the
    /// wall says, or nothing where it has gone back.
    public void goOn(Day day) {
        since = nanos.getAsLong();
        counted = Duration.ZERO;
        Optional<Moment> last = day.last();
        Optional<Duration> count = last.flatMap(Moment::passed);
        if (count.isPresent())
            counted = count.get().plus(last.get().onTheWall().until(now().moment()));
    }

    /// The present on a day. What the day holds already lies behind it.
    public Now now(Day day) {
        Duration ahead = day.last().flatMap(Moment::passed).orElse(Duration.ZERO).minus(passed());
        if (ahead.isPositive()) counted = counted.plus(ahead);
        return now();
    }

    private Now now() {
        return new Now(wall.get(), passed());
    }

    private Duration passed() {
        return counted.plusNanos(nanos.getAsLong() - since);
    }
}
