package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// What to do about a way that clips or hisses.
///
/// @param sentence what, and why
/// @param turn the knob that does it; empty where none can
public record Advice(String sentence, Optional<Turn> turn) {
    /// Nobody turns a knob for less.
    private static final double HAIR_DB = 0.05;

    /// What to do about one way, the worst first; nothing where it has room and is quiet.
    ///
    /// @param live the state it was found in
    public static List<Advice> of(Staircase way, LiveGraph live, Limits limits) {
        List<Advice> advice = new ArrayList<>();
        if (way.headroomDb() < -HAIR_DB) advice.add(lower(way, live));
        double lacking = limits.get(Limit.NOISE) - way.signalToNoiseDb();
        Staircase.Stair end = way.end();
        boolean ownRoom =
                !way.hisses().isEmpty()
                        && end.scale().unit() == Scale.Unit.SPL
                        && way.hisses().getFirst().at() == way.stairs().size() - 1;
        if (lacking > 0 && !ownRoom) advice.add(quieter(way, live, lacking));
        return advice;
    }

    private static Advice lower(Staircase way, LiveGraph live) {
        Staircase.Stair at = way.tightest();
        double over = -way.headroomDb();
        String clips = "Loud moments clip at %s by %s".formatted(at.node().words(), Words.db(over));
        if (at.scale().unit() == Scale.Unit.SPL)
            return new Advice(clips + ": farther from the microphone.", Optional.empty());
        return way.knobBefore(at, live)
                .flatMap(use -> turned(use, live, -over))
                .map(turn -> new Advice(clips + ": " + say(turn, live), Optional.of(turn)))
                .orElse(
                        new Advice(
                                "%s: a pad of %s before it."
                                        .formatted(clips, Words.db(Math.ceil(over))),
                                Optional.empty()));
    }

    private static Advice quieter(Staircase way, LiveGraph live, double lacking) {
        Staircase.Hiss hiss = way.hisses().getFirst();
        Staircase.Stair at = way.stairs().get(hiss.at());
        String much =
                "The average lies only %s over the noise, most of it %s"
                        .formatted(Words.db(way.signalToNoiseDb()), hiss.what());
        if (at.scale().unit() == Scale.Unit.SPL)
            return new Advice(
                    much
                            + (hiss.what().equals("the room")
                                    ? ": nearer to the microphone."
                                    : "'s own: nearer to it, or a quieter one."),
                    Optional.empty());
        String where = much + " at " + at.node().words();
        double room = Math.floor(Math.min(lacking, roomFrom(way, hiss.at())));
        return way.knobBefore(at, live)
                .filter(_ -> room >= 1)
                .flatMap(use -> turned(use, live, room))
                .map(
                        turn ->
                                new Advice(
                                        "%s: %s and less behind it."
                                                .formatted(
                                                        where,
                                                        say(turn, live).replaceAll("\\.$", "")),
                                        Optional.of(turn)))
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

    /// A knob turned by so much, towards less where its steps do not fit; empty where it cannot.
    private static Optional<Turn> turned(KnobUse use, LiveGraph live, double byDb) {
        int k = live.graph().knobIndex(use.ref().device(), use.ref().name());
        if (!(use.knob() instanceof Knob.Level level)
                || !(live.positions().get(k) instanceof Setting.Level now)
                || now.isOff()) return Optional.empty();
        double to = Math.floor((now.db() + byDb + HAIR_DB) / level.stepDb()) * level.stepDb();
        Setting.Level then = new Setting.Level(Math.clamp(to, level.minDb(), level.maxDb()));
        if (Math.abs(then.db() - now.db()) < Math.abs(byDb) - level.stepDb())
            return Optional.empty();
        return Optional.of(new Turn(use.ref(), now, then, Optional.empty()));
    }

    private static String say(Turn turn, LiveGraph live) {
        KnobUse use = live.graph().knob(turn.knob()).orElseThrow();
        double by = ((Setting.Level) turn.to()).db() - ((Setting.Level) turn.from()).db();
        return "%s %s by %s."
                .formatted(use.words(), by < 0 ? "down" : "up", Words.db(Math.abs(by)));
    }
}
