package rivulus.keeping;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import rivulus.check.SceneProof;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.timing.Rates;
import rivulus.words.Words;

/// The room that all tracks of one machine take on its card or disk: rate · bytes · channels ·
/// time, with the overrun.
///
/// @param rate in Hz
/// @param channels of all tracks, second copies included
/// @param second bytes of all of them in a second
/// @param minutes of the evening, without the overrun
/// @param overrun minutes besides
/// @param cardGb what the card or disk holds, where somebody said
public record Room(
        Device machine,
        int rate,
        int channels,
        double second,
        double minutes,
        double overrun,
        OptionalDouble cardGb) {
    private static final int USUAL_RATE = 48_000;

    /// A WAV file under RIFF holds less.
    private static final double WAV_BYTES = 4.0 * (1L << 30);

    private static final double GB = 1e9;

    /// For every machine that keeps something.
    public static List<Room> all(SceneProof scene, Survey survey) {
        Map<Device, List<Track>> by = new LinkedHashMap<>();
        for (Track track : Track.all(scene, survey))
            by.computeIfAbsent(track.machine(), _ -> new ArrayList<>()).add(track);
        List<Room> rooms = new ArrayList<>();
        by.forEach((machine, tracks) -> rooms.add(of(machine, tracks, scene.show(), survey)));
        return rooms;
    }

    private static Room of(Device machine, List<Track> tracks, Show show, Survey survey) {
        int rate = rate(survey, machine);
        Double card = show.going().cards().get(machine.id());
        return new Room(
                machine,
                rate,
                tracks.stream()
                        .mapToInt(t -> t.channels() * (t.output().saferDb() > 0 ? 2 : 1))
                        .sum(),
                (double) rate * tracks.stream().mapToInt(Track::bytes).sum(),
                show.scenes().stream().mapToDouble(Scene::minutes).sum(),
                show.checks().limits().get(Limit.OVERRUN),
                card == null ? OptionalDouble.empty() : OptionalDouble.of(card));
    }

    /// The rate that a machine keeps and sends at, in Hz: its own, or that of its computer.
    public static int rate(Survey survey, Device machine) {
        int own = Rates.of(survey, machine);
        if (own > 0) return own;
        return survey.device(machine.on())
                .map(d -> Rates.of(survey, d))
                .filter(r -> r > 0)
                .orElse(USUAL_RATE);
    }

    /// All of it in GB, the overrun included.
    public double gb() {
        return second * 60 * (minutes + overrun) / GB;
    }

    /// How long the card lasts, in minutes; infinite where nothing is said of it.
    public double lasts() {
        return cardGb.isPresent()
                ? cardGb.getAsDouble() * GB / second / 60
                : Double.POSITIVE_INFINITY;
    }

    /// In words: what it takes, and whether it fits.
    public String words() {
        double all = second * 60 * (minutes + overrun);
        String split =
                all > WAV_BYTES
                        ? "; one WAV file of all channels is full after %s, so let it split or use RF64"
                                .formatted(Words.hours(WAV_BYTES / second / 60))
                        : "";
        String card =
                cardGb.isPresent()
                        ? " Its card of %s lasts %s."
                                .formatted(bytes(cardGb.getAsDouble() * GB), Words.hours(lasts()))
                        : "";
        return "%s: %d channels at %s are %s an hour, %s for %s and the overrun%s.%s"
                .formatted(
                        machine.name(),
                        channels,
                        Rates.words(rate),
                        bytes(second * 3600),
                        bytes(all),
                        Words.minutes(minutes),
                        split,
                        card);
    }

    /// "4.1 GB".
    public static String bytes(double bytes) {
        return bytes >= GB ? Words.figure(bytes / GB, 1, "GB") : Words.figure(bytes / 1e6, 0, "MB");
    }
}
