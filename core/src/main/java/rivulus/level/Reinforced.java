package rivulus.level;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import rivulus.hearing.Loop;
import rivulus.hearing.Tracer;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// A talker whom somebody in the audience hears bare, and by loudspeakers besides.
///
/// All levels are of the strongest way of either kind, in dB against a voice at one metre. What a
/// loudspeaker may add before it howls is not reckoned by the usual formula from four distances and
/// the number of open microphones, but by the loop itself, with every open microphone in it.
///
/// @param round what goes round by the air of that room
public record Reinforced(
        Person listener, Person talker, double bareDb, double wiredDb, List<Loop> round) {
    private static final String OPEN_EAR = "open";

    public Reinforced {
        round = List.copyOf(round);
    }

    /// Everybody in an audience with everybody who talks in the same room and does not rest.
    ///
    /// Costs two passages of the graph for each talker, whoever listens: no way goes on from an
    /// open ear, and none comes to a mouth, so that all that is bare can be left out at once.
    public static List<Reinforced> all(Show show, Scene scene, Tracer tracer) {
        List<Person> audience =
                show.cast().people().stream().filter(p -> p.role() == Role.AUDIENCE).toList();
        if (audience.isEmpty()) return List.of();
        Set<Ref> ears = audience.stream().map(Reinforced::ear).collect(Collectors.toSet());
        Set<String> mouths =
                show.cast().people().stream().map(Person::id).collect(Collectors.toSet());
        Predicate<Leg> bare =
                leg ->
                        leg.kind() == Leg.Kind.AIR
                                && mouths.contains(leg.from().device())
                                && ears.contains(leg.to());
        LiveGraph onlyBare = tracer.live().without(bare.negate());
        LiveGraph onlyWired = tracer.live().without(bare);
        Map<String, List<Loop>> rounds = new HashMap<>();
        for (Person listener : audience)
            rounds.computeIfAbsent(listener.place(), place -> round(show, tracer, place));
        Map<Person, List<Reinforced>> byListener = new LinkedHashMap<>();
        for (Person listener : audience) byListener.put(listener, new ArrayList<>());
        for (Person talker : show.cast().people()) {
            if (!talker.speaks() || scene.quiet().contains(talker.id())) continue;
            List<Person> here =
                    audience.stream()
                            .filter(p -> !p.equals(talker) && p.place().equals(talker.place()))
                            .toList();
            if (here.isEmpty()) continue;
            double[] bareDb = onlyBare.gainsDb(talker.id());
            double[] wiredDb = onlyWired.gainsDb(talker.id());
            for (Person listener : here)
                byListener
                        .get(listener)
                        .add(
                                new Reinforced(
                                        listener,
                                        talker,
                                        most(onlyBare, bareDb, listener),
                                        most(onlyWired, wiredDb, listener),
                                        rounds.get(listener.place())));
        }
        return byListener.values().stream().flatMap(List::stream).toList();
    }

    private static Ref ear(Person listener) {
        return new Ref(listener.id(), OPEN_EAR);
    }

    private static double most(LiveGraph live, double[] gainsDb, Person listener) {
        double most = Double.NEGATIVE_INFINITY;
        for (int node : live.graph().nodesOf(ear(listener))) most = Math.max(most, gainsDb[node]);
        return most;
    }

    private static List<Loop> round(Show show, Tracer tracer, String place) {
        return tracer.loops().stream()
                .filter(
                        loop ->
                                loop.legs().stream()
                                        .anyMatch(
                                                leg ->
                                                        leg.kind() == Leg.Kind.AIR
                                                                && isIn(show, leg.from(), place)))
                .toList();
    }

    private static boolean isIn(Show show, Ref end, String place) {
        return show.rig()
                .device(end.device())
                .filter(device -> device.place().equals(place))
                .isPresent();
    }

    /// Whether loudspeakers bring them.
    public boolean isWired() {
        return wiredDb > Double.NEGATIVE_INFINITY;
    }

    /// How far all that goes round there is from howling; infinite where nothing does.
    public double marginDb() {
        return round.stream().mapToDouble(Loop::marginDb).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// Both together, as power.
    public double togetherDb() {
        return sum(bareDb, wiredDb);
    }

    /// How much louder a talker has to be in what goes out than in what the loudspeakers get, since
    /// whoever is elsewhere does not hear them bare.
    public double offsetDb() {
        return togetherDb() - wiredDb;
    }

    /// How much louder than bare they would have to come to be heard as from so many metres in the
    /// open; the needed acoustic gain.
    public double neededDb(double metres) {
        return Math.max(0, -20 * Math.log10(metres) - bareDb);
    }

    /// How much louder than bare they can come with a margin kept; the possible acoustic gain.
    public double possibleDb(double keptDb) {
        return sum(bareDb, wiredDb + marginDb() - keptDb) - bareDb;
    }

    /// Whether loudspeakers bring them, and cannot bring them near enough: by the distance as from
    /// which they are to be heard, and the margin that is kept.
    public boolean isShort(Limits limits) {
        return isWired()
                && !round.isEmpty()
                && possibleDb(limits.get(Limit.LOOP_MARGIN)) < neededDb(limits.get(Limit.AS_FROM));
    }

    private static double sum(double a, double b) {
        return 10 * Math.log10(Math.pow(10, a / 10) + Math.pow(10, b / 10));
    }
}
