package rivulus.timing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.gear.Delay;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.signal.Leg;
import rivulus.words.Words;

/// What the delay of a way is made of.
///
/// @param parts in the order in which they are first met; parts of no delay are left out
public record DelayBudget(Way way, List<Part> parts) {
    private static final List<String> KNOWN =
            List.of("converter", "usb", "buffer", "radio", "capture", "network", "look-ahead");

    public DelayBudget {
        parts = List.copyOf(parts);
    }

    /// One kind of delay, summed over the way.
    ///
    /// @param what `air`, `converter`, `usb`, `buffer`, `radio`, `capture`, `network`,
    ///     `look-ahead`, or `processing` for what no template explains
    public record Part(String what, Delay delay) {
        /// "network 120".
        String words() {
            String name =
                    switch (what) {
                        case "usb" -> "USB";
                        case "converter" -> "converters";
                        case "buffer" -> "buffers";
                        default -> what;
                    };
            return name + " " + Words.signed(delay.ms(), delay.ms() < 9.95 ? 1 : 0);
        }
    }

    /// The budget of the strongest way from a source to an ear, where there is one.
    public static Optional<DelayBudget> of(SceneProof scene, String ear, String source) {
        return Ways.of(scene.tracer().live()).strongest(source, ear, 1).stream()
                .findFirst()
                .map(DelayBudget::of);
    }

    /// The budget of a way.
    public static DelayBudget of(Way way) {
        Map<String, Delay> sums = new LinkedHashMap<>();
        double ms = 0;
        double minMs = 0;
        double maxMs = 0;
        for (Way.Step step : way.steps()) {
            Delay own =
                    new Delay(
                            Math.max(0, step.ms() - ms),
                            Math.max(0, Math.min(step.minMs() - minMs, step.ms() - ms)),
                            Math.max(step.maxMs() - maxMs, step.ms() - ms));
            if (own.maxMs() > 0) sums.merge(kind(step.leg()), own, Delay::plus);
            ms = step.ms();
            minMs = step.minMs();
            maxMs = step.maxMs();
        }
        List<Part> parts = new ArrayList<>();
        sums.forEach((what, delay) -> parts.add(new Part(what, delay)));
        return new DelayBudget(way, parts);
    }

    private static String kind(Leg leg) {
        if (leg.kind() == Leg.Kind.AIR) return "air";
        return leg.marks().stream().filter(KNOWN::contains).findFirst().orElse("processing");
    }

    /// "296 ms (134 to 582): network 245, buffers 30, USB 6.0".
    public String words() {
        List<String> largest =
                parts.stream()
                        .sorted(Comparator.comparingDouble(part -> -part.delay().ms()))
                        .map(Part::words)
                        .toList();
        String range =
                way.maxMs() - way.minMs() < 1
                        ? ""
                        : " (%s to %s)"
                                .formatted(
                                        Words.signed(way.minMs(), 0), Words.signed(way.maxMs(), 0));
        return Words.ms(way.ms())
                + range
                + (largest.isEmpty() ? "" : ": ")
                + String.join(", ", largest);
    }
}
