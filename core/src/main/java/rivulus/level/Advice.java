package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.show.Limit;
import rivulus.show.Show;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// What to do about a way that clips or hisses, or could do so less.
///
/// @param sentence what, and why
/// @param turns the knobs that do it, together; none where none can
/// @param isTrouble whether something is wrong, and not only worth knowing
public record Advice(String sentence, List<Turning> turns, boolean isTrouble) {
    public Advice {
        turns = List.copyOf(turns);
    }

    private Advice(String sentence, Optional<Turning> turning) {
        this(sentence, turning.stream().toList(), true);
    }

    /// Something to know.
    static Advice note(String sentence) {
        return new Advice(sentence, List.of(), false);
    }

    /// Nobody turns a knob for less.
    private static final double HAIR_DB = 0.05;

    /// What to do about one way, the worst first; nothing where it has room and is quiet. What the
    /// listener's own room adds is not told.
    ///
    /// @param live the state it was found in
    /// @param scene the scene of that state
    public static List<Advice> of(Staircase way, LiveGraph live, Show show, String scene) {
        List<Advice> advice = new ArrayList<>();
        if (way.headroomDb() < -HAIR_DB) advice.add(lower(way, live, show, scene));
        double lacking = show.checks().limits().get(Limit.NOISE) - way.signalToNoiseDb();
        if (lacking > 0 && !way.endsInTheRoom())
            advice.add(quieter(way, lacking, live, show, scene));
        for (InARow row : InARow.on(way, live)) advice.add(row.advice(live, show, scene));
        return advice;
    }

    private static Advice lower(Staircase way, LiveGraph live, Show show, String scene) {
        Staircase.Stair at = way.tightest();
        double over = -way.headroomDb();
        String clips = "Loud moments clip at %s by %s".formatted(at.node().words(), Words.db(over));
        if (at.scale().unit() == Scale.Unit.SPL)
            return new Advice(clips + ": farther from the microphone.", Optional.empty());
        double halves = Math.ceil(2 * (over - HAIR_DB)) / 2;
        return turned(way, at, -halves, live, show, scene)
                .map(
                        turning ->
                                new Advice(
                                        "%s: %s.".formatted(clips, turning.words()),
                                        Optional.of(turning)))
                .orElse(
                        new Advice(
                                "%s: a pad of %s before it."
                                        .formatted(clips, Words.db(Math.ceil(over))),
                                Optional.empty()));
    }

    private static Advice quieter(
            Staircase way, double lacking, LiveGraph live, Show show, String scene) {
        Staircase.Hiss hiss = way.hisses().getFirst();
        Staircase.Stair at = way.stairs().get(hiss.at());
        String much =
                "The average lies only %s over the noise, most of it %s"
                        .formatted(Words.db(way.signalToNoiseDb()), hiss.what());
        if (at.scale().unit() == Scale.Unit.SPL)
            return new Advice(
                    much
                            + (hiss.isRoom()
                                    ? ": nearer to the microphone."
                                    : "'s own: nearer to it, or a quieter one."),
                    Optional.empty());
        String where = much + " at " + at.node().words();
        double room = Math.floor(Math.min(lacking, roomFrom(way, hiss.at())));
        return (room < 1 ? Optional.<Turning>empty() : turned(way, at, room, live, show, scene))
                .map(
                        turning ->
                                new Advice(
                                        "%s: %s, and less behind it."
                                                .formatted(where, turning.words()),
                                        Optional.of(turning)))
                .orElse(
                        new Advice(
                                where + ": what comes there has to come louder, or balanced.",
                                Optional.empty()));
    }

    /// How much may be raised from a step on before something clips.
    private static double roomFrom(Staircase way, int at) {
        return way.stairs().subList(at, way.stairs().size()).stream()
                .mapToDouble(way::headroomDb)
                .min()
                .orElse(0);
    }

    private static Optional<Turning> turned(
            Staircase way, Staircase.Stair at, double db, LiveGraph live, Show show, String scene) {
        return way.knobBefore(at, live)
                .flatMap(use -> Turning.by(db, use, live, show.turnedIn(scene, use.ref())));
    }
}
