package rivulus.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.words.Words;

/// Which buffer size keeps a round trip short enough, and no shorter than it must be: larger
/// buffers load the computer less.
///
/// @param rateHz the sample rate it runs at
/// @param rows one for each size the knob has, in its order
/// @param wantedMs how long the round trip may be
/// @param best the largest size that is short enough; empty where none is
public record BufferAdvice(
        KnobUse knob, int rateHz, List<Row> rows, double wantedMs, Optional<Row> best) {
    /// The role of a buffer size among knobs.
    public static final Knob.Role ROLE = Knob.Role.BUFFER;

    private static final double NOMINAL_RATE_HZ = 48_000;
    private static final int WAYS_LOOKED_AT = 6;

    public BufferAdvice {
        rows = List.copyOf(rows);
    }

    /// One size.
    ///
    /// @param frames its option
    /// @param bufferMs what one buffer lasts: n/r
    /// @param roundTripMs from the mouth to the ear through the program
    public record Row(int frames, double bufferMs, double roundTripMs, boolean stands) {}

    /// Advice for a buffer knob, by the strongest way through it on which an ear hears its own
    /// person. Empty where nobody does, or the knob's options are no frames.
    public static Optional<BufferAdvice> of(
            SceneProof scene, KnobUse knob, Ear ear, int rateHz, double wantedMs) {
        if (!(knob.knob() instanceof Knob.Choice choice) || ear.of().isEmpty())
            return Optional.empty();
        var live = scene.tracer().live();
        int index = live.graph().knobIndex(knob.ref().device(), knob.ref().name());
        if (live.graph().sourceIndex(ear.of()) < 0) return Optional.empty();
        Setting stands = live.positions().get(index);
        Optional<Way> way =
                Ways.of(live).strongest(ear.of(), ear.id(), WAYS_LOOKED_AT).stream()
                        .filter(w -> times(w, index) > 0)
                        .findFirst();
        if (way.isEmpty()) return Optional.empty();
        List<Row> rows = new ArrayList<>();
        for (Knob.Option option : choice.options()) {
            if (!option.id().matches("\\d{1,6}")) return Optional.empty();
            int frames = Integer.parseInt(option.id());
            Setting to = new Setting.Choice(option.id());
            double scale = NOMINAL_RATE_HZ / rateHz;
            double shift = delay(way.get(), index, to) * scale - delay(way.get(), index, stands);
            rows.add(
                    new Row(
                            frames,
                            1000.0 * frames / rateHz,
                            way.get().ms() + shift,
                            to.equals(stands)));
        }
        Optional<Row> best =
                rows.stream()
                        .filter(row -> row.roundTripMs() <= wantedMs)
                        .reduce((a, b) -> a.frames() > b.frames() ? a : b);
        return Optional.of(new BufferAdvice(knob, rateHz, rows, wantedMs, best));
    }

    private static long times(Way way, int knob) {
        return way.legs().stream()
                .flatMap(leg -> leg.governors().stream())
                .filter(govern -> govern.knob() == knob)
                .count();
    }

    private static double delay(Way way, int knob, Setting at) {
        double ms = 0;
        for (Leg leg : way.legs())
            for (Leg.Govern govern : leg.governors())
                if (govern.knob() == knob) ms += govern.governor().delayMs(at);
        return ms;
    }

    /// The advice in a sentence.
    public String words() {
        return best.map(
                        row ->
                                "%d frames keep the round trip at %s, under the %s that are wanted."
                                        .formatted(
                                                row.frames(),
                                                Words.ms(row.roundTripMs()),
                                                Words.ms(wantedMs)))
                .orElse(
                        "No buffer is short enough for %s: listen direct in hardware."
                                .formatted(Words.ms(wantedMs)));
    }
}
