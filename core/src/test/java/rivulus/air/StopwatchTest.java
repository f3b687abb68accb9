package rivulus.air;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.show.Day;
import rivulus.show.Logged;
import rivulus.show.Now;
import rivulus.show.Show;
import rivulus.words.Words;

/// The clock on the wall is set back, ahead and by the zone; what has passed is what has passed.
class StopwatchTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Oslo");

    /// In that zone 25 October 2026, 03:00 is followed by 02:00.
    private static final ZonedDateTime NIGHT =
            ZonedDateTime.of(LocalDateTime.of(2026, 10, 25, 1, 30), ZONE);

    private ZonedDateTime wall = NIGHT;
    private long nanos = 77_000_000_000L;
    private Stopwatch watch = new Stopwatch(() -> wall, () -> nanos);
    private Show show = Demo.show("lantern-hour");

    private void passes(int minutes) {
        wall = wall.plusMinutes(minutes);
        nanos += Duration.ofMinutes(minutes).toNanos();
    }

    private void log(Logged.Kind kind, String scene, String text) {
        Day day = show.day();
        show = show.withDay(day.logged(new Logged(watch.now(day).moment(), kind, scene, text)));
    }

    private Clocks clocks() {
        return Clocks.of(show, watch.now(show.day()));
    }

    @Test
    void theNightSummerTimeEndsHasAnHourMore() throws FileTrouble {
        log(Logged.Kind.SCENE, "doors", "Doors");
        passes(80);
        log(Logged.Kind.SCENE, "tales", "Tales");
        passes(30);
        log(Logged.Kind.MARK, "tales", "Here");
        assertThat(show.day().log())
                .extracting(line -> line.at().toString())
                .containsExactly(
                        "2026-10-25T01:30+02:00",
                        "2026-10-25T02:50+02:00",
                        "2026-10-25T02:20+01:00");
        assertThat(clocks().evening()).startsWith("on air for " + Words.minutes(110) + ", ");
        assertThat(Chapters.webVtt(show))
                .contains("00:00:00.000 --> 01:20:00.000", "01:20:00.000 --> 01:50:00.000");
        assertThat(ShowFile.parse(ShowFile.write(show), "show", Demo.PROVER.catalogue()))
                .extracting(Show::day)
                .isEqualTo(show.day());
    }

    @Test
    void aLineFromAYearAheadPushesNothing() {
        log(Logged.Kind.SCENE, "doors", "Doors");
        passes(10);
        wall = wall.plusYears(1);
        log(Logged.Kind.NOTE, "doors", "The clock is wrong");
        wall = wall.minusYears(1);
        passes(5);
        log(Logged.Kind.SCENE, "tales", "Tales");
        passes(2);
        assertThat(show.day().log().getLast().at().local())
                .isEqualTo(LocalDateTime.of(2026, 10, 25, 1, 45));
        assertThat(clocks().evening()).startsWith("on air for " + Words.minutes(17) + ", ");
        assertThat(Chapters.webVtt(show)).contains("00:00:00.000 --> 00:15:00.000");
    }

    @Test
    void aDayThatIsTakenUpAgainGoesOnByTheWall() {
        log(Logged.Kind.SCENE, "doors", "Doors");
        passes(10);
        log(Logged.Kind.NOTE, "doors", "Off it goes");
        wall = wall.plusMinutes(3);
        nanos = 5;
        watch = new Stopwatch(() -> wall, () -> nanos);
        watch.goOn(show.day());
        passes(1);
        assertThat(clocks().evening()).startsWith("on air for " + Words.minutes(14) + ", ");
        wall = wall.minusHours(5);
        watch.goOn(show.day());
        assertThat(clocks().evening()).startsWith("on air for " + Words.minutes(10) + ", ");
    }

    /// Whatever is done to the clock between the lines of a log.
    @Property(tries = 200)
    void whatHasPassedIsWhatWasCounted(
            @ForAll @Size(max = 12) List<@IntRange(min = -600_000, max = 600_000) Integer> jumps) {
        show = show.withDay(Day.AHEAD);
        wall = NIGHT;
        log(Logged.Kind.SCENE, "doors", "Doors");
        Now first = watch.now(show.day());
        for (int jump : jumps) {
            wall = wall.plusMinutes(jump);
            passes(7);
            log(Logged.Kind.MARK, "doors", "Mark");
        }
        assertThat(watch.now(show.day()).since(first.moment()))
                .isEqualTo(Duration.ofMinutes(7L * jumps.size()));
        assertThat(show.day().log()).extracting(Logged::at).doesNotHaveDuplicates();
        assertThat(Chapters.webVtt(show).lines().filter(line -> line.contains("-->")))
                .hasSize(jumps.size() + 1)
                .isSorted();
    }
}
