package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
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
    public static List<Reinforced> all(Show show, Scene scene, Tracer tracer) {
        List<Reinforced> all = new ArrayList<>();
        for (Person listener : show.cast().people())
            if (listener.role() == Role.AUDIENCE) {
                List<Loop> round = round(show, tracer, listener.place());
                for (Person talker : show.cast().people())
                    if (talker.speaks()
                            && !scene.quiet().contains(talker.id())
                            && !talker.equals(listener)
                            && talker.place().equals(listener.place()))
                        all.add(of(listener, talker, tracer.live(), round));
            }
        return all;
    }

    private static Reinforced of(Person listener, Person talker, LiveGraph live, List<Loop> round) {
        Ref ear = new Ref(listener.id(), OPEN_EAR);
        Predicate<Leg> bare =
                leg ->
                        leg.kind() == Leg.Kind.AIR
                                && leg.from().device().equals(talker.id())
                                && leg.to().equals(ear);
        return new Reinforced(
                listener,
                talker,
                most(live.without(bare.negate()), talker, ear),
                most(live.without(bare), talker, ear),
                round);
    }

    private static double most(LiveGraph live, Person talker, Ref ear) {
        double[] gains = live.gainsDb(talker.id());
        double most = Double.NEGATIVE_INFINITY;
        for (int node : live.graph().nodesOf(ear)) most = Math.max(most, gains[node]);
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
