package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.DoubleSummaryStatistics;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.Doubling;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.signal.Leg;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A source that arrives twice, or more often.
///
/// Sound through a room's air is always followed by more of itself: next to it a second arrival
/// counts only once it slaps or echoes.
final class Doubled implements Rule {
    private static final int MOST_WAYS = 4;

    @Override
    public String id() {
        return "doubled";
    }

    @Override
    public Need need(Finding finding) {
        return Need.ONE_WAY;
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "hears") + " once";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Map<List<Arrival>, Optional<Copies>> known = new IdentityHashMap<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (cell.standing().wish() == Wish.MUST_NOT || LateOwnVoice.isOwnVoice(cell)) continue;
            if (cell.hearing().levelDb() < limits.get(Limit.HEARD)) continue;
            known.computeIfAbsent(cell.hearing().arrivals(), alike -> copies(alike, limits))
                    .ifPresent(copies -> findings.add(finding(scene, cell, copies, limits)));
        }
        return findings;
    }

    /// The strongest arrival, and those besides that matter, one at least.
    private record Copies(Arrival strongest, List<Arrival> again) {
        Arrival worst() {
            return again.stream().max(Comparator.comparingDouble(Arrival::levelDb)).orElseThrow();
        }

        Doubling doubling() {
            return Doubling.of(strongest, worst());
        }

        int times() {
            return again.size() + 1;
        }

        double withinMs() {
            DoubleSummaryStatistics times =
                    Stream.concat(Stream.of(strongest), again.stream())
                            .mapToDouble(Arrival::ms)
                            .summaryStatistics();
            return times.getMax() - times.getMin();
        }
    }

    /// What comes again. Ears that hear alike share their arrivals, and ask but once.
    private static Optional<Copies> copies(List<Arrival> arrivals, Limits limits) {
        if (arrivals.size() < 2) return Optional.empty();
        Arrival strongest =
                arrivals.stream().max(Comparator.comparingDouble(Arrival::levelDb)).orElseThrow();
        List<Arrival> again =
                arrivals.stream()
                        .filter(other -> other != strongest && !other.ringing())
                        .filter(other -> matters(strongest, other, limits))
                        .toList();
        return again.isEmpty() ? Optional.empty() : Optional.of(new Copies(strongest, again));
    }

    private static boolean matters(Arrival strongest, Arrival other, Limits limits) {
        Doubling doubling = Doubling.of(strongest, other);
        boolean air = strongest.throughAir() || other.throughAir();
        Limit limit =
                switch (doubling.effect()) {
                    case SHIFTS -> null;
                    case COLOURS -> air ? null : Limit.COLOURS;
                    case SLAPS -> air ? Limit.COLOURS : Limit.SLAPS;
                    case ECHOES -> air ? Limit.COLOURS : Limit.ECHOES;
                };
        return limit != null && doubling.belowDb() <= limits.get(limit);
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, Copies copies, Limits limits) {
        Doubling doubling = copies.doubling();
        boolean twice = copies.times() == 2;
        String headline =
                "%s hears %s %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                Names.of(cell.source()),
                                twice
                                        ? "twice, %s apart".formatted(Words.ms(doubling.gapMs()))
                                        : "%s within %s"
                                                .formatted(
                                                        Words.times(copies.times()),
                                                        Words.ms(copies.withinMs())));
        boolean bad =
                doubling.effect() != Doubling.Effect.COLOURS
                        || doubling.belowDb() < limits.get(Limit.COLOURS_BAD);
        return finding(
                        scene,
                        cell,
                        bad ? Severity.PROBLEM : Severity.CAUTION,
                        twice ? Verdict.DOUBLED : Verdict.REPEATED,
                        headline)
                .brief(Words.times(copies.times()))
                .figure("times", copies.times())
                .figure("gapMs", doubling.gapMs())
                .figure("belowDb", doubling.belowDb())
                .figure("firstNotchHz", doubling.firstNotchHz())
                .figure("rippleDb", doubling.rippleDb())
                .because(() -> new Finding.Evidence(words(doubling), ways(scene, cell, copies)));
    }

    /// The way of each copy, once round a loop where that is how it comes, then the strongest
    /// others.
    private static List<Way> ways(SceneProof scene, SceneProof.Heard cell, Copies copies) {
        Ways all = Ways.of(scene.tracer().live());
        String source = cell.source().id();
        String ear = cell.ear().id();
        Map<List<Leg>, Way> ways = new LinkedHashMap<>();
        Stream.of(copies.strongest(), copies.worst())
                .flatMap(copy -> all.arriving(source, ear, copy.ms()).stream())
                .forEach(way -> ways.put(way.legs(), way));
        all.strongest(source, ear, MOST_WAYS)
                .all()
                .forEach(way -> ways.putIfAbsent(way.legs(), way));
        return ways.values().stream().limit(MOST_WAYS).toList();
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().closersOfOne(finding);
    }

    private static String words(Doubling doubling) {
        return switch (doubling.effect()) {
            case SHIFTS -> "the image moves to one side";
            case COLOURS ->
                    doubling.gapMs() >= 1
                            ? "hollow, with dips every " + Words.hz(doubling.notchesHz())
                            : "dull, with dips at %s and every %s from there"
                                    .formatted(
                                            Words.hz(doubling.firstNotchHz()),
                                            Words.hz(doubling.notchesHz()));
            case SLAPS -> "the second one slaps back";
            case ECHOES -> "the second one is an echo of its own";
        };
    }
}
