package rivulus.level;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.gear.Knob;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Loudness;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;

/// Where to begin with the processors on the way of a voice to the public ~: the low cut on; one
/// compressor, in the desk or in a program as one likes to work ([Habit#COMPRESS]), with its
/// threshold at the average, a ratio by how somebody talks, and the make-up that keeps the average;
/// the last limiter at the highest peak that may go out. A gate, an equaliser and a leveller are
/// left to the ear.
public final class StartingPoints {
    private final Show show;
    private final LevelMap levels;
    private final String source;
    private final String ear;
    private final SequencedMap<KnobUse, Setting> turned = new LinkedHashMap<>();
    private final LiveGraph before;
    private LiveGraph live;

    private StartingPoints(Show show, LevelMap levels, LiveGraph live, String source, String ear) {
        this.show = show;
        this.levels = levels;
        this.live = live;
        before = live;
        this.source = source;
        this.ear = ear;
    }

    /// What is turned for a voice; nothing where no processor stands on its way, or all stand so.
    ///
    /// @param scene the scene of that state
    /// @param ear one of the public
    public static List<Turn> of(
            Show show, LevelMap levels, LiveGraph live, String scene, Person who, String ear) {
        StartingPoints start = new StartingPoints(show, levels, live, who.id(), ear);
        boolean inProgram = show.habits().says(Habit.COMPRESS, "streaming");
        start.lowCut();
        start.compress(inProgram, ratio(who));
        start.limit();
        return start.turns(scene);
    }

    /// A way with all compression in one place, set as it is begun with, and none elsewhere; empty
    /// where nothing compresses there.
    ///
    /// @param inProgram whether in a program, or in a machine before it
    public static Optional<Staircase> compressed(
            Show show, LevelMap levels, LiveGraph live, Person who, String ear, boolean inProgram) {
        StartingPoints start = new StartingPoints(show, levels, live, who.id(), ear);
        return start.compress(inProgram, ratio(who)) ? start.way() : Optional.empty();
    }

    /// Who talks softly is held back less, since that lifts the noise; who talks loudly more ~.
    private static double ratio(Person who) {
        if (who.loudness() == Loudness.SOFTLY) return 2;
        boolean loud = who.loudness().isTalk() && who.loudness().compareTo(Loudness.RAISED) >= 0;
        return loud ? 4 : 3;
    }

    private Limits limits() {
        return show.checks().limits();
    }

    private Optional<Staircase> way() {
        return Staircase.of(live, levels, limits(), source, ear);
    }

    private List<Placed> placed(Kind kind) {
        return way().stream()
                .flatMap(way -> Placed.along(way.way(), live).stream())
                .filter(one -> one.kind() == kind)
                .toList();
    }

    private void lowCut() {
        placed(Kind.LOW_CUT).stream().findFirst().ifPresent(one -> turn(one.onOff(), true));
    }

    private boolean compress(boolean inProgram, double ratio) {
        List<Placed> all = placed(Kind.COMPRESSOR);
        List<Placed> here =
                all.stream().filter(one -> one.isOfAProgram(show) == inProgram).toList();
        if (here.isEmpty()) return false;
        Placed chosen = here.getFirst();
        for (Placed other : all) turn(other.onOff(), other.equals(chosen));
        chosen.turns(Part.RATIO).ifPresent(knob -> turn(knob, nearest(knob, ratio)));
        chosen.turns(Part.MAKE_UP).ifPresent(knob -> turn(knob, new Setting.Level(0)));
        worked(chosen)
                .ifPresent(
                        worked ->
                                turn(
                                        chosen,
                                        Part.THRESHOLD,
                                        worked.inAverageDb() + chosen.processor().unit().lineUp()));
        worked(chosen).ifPresent(worked -> turn(chosen, Part.MAKE_UP, worked.keepingMakeUpDb()));
        return true;
    }

    private void limit() {
        List<Placed> all = placed(Kind.LIMITER);
        if (all.isEmpty()) return;
        Placed last = all.getLast();
        turn(last.onOff(), true);
        double over = limits().get(Limit.PUBLIC_PEAK) - Speech.LINE_UP_DBFS;
        turn(last, Part.CEILING, last.processor().unit().lineUp() + over);
    }

    /// What a processor that is on does to the voice, as all stands by now.
    private Optional<Staircase.Worked> worked(Placed one) {
        Optional<Staircase> way = way();
        return way.stream()
                .flatMap(w -> w.works().stream())
                .filter(worked -> worked.block().processor().equals(one.processor()))
                .filter(
                        worked ->
                                way.get()
                                        .stairs()
                                        .get(worked.at())
                                        .leg()
                                        .orElseThrow()
                                        .equals(one.leg()))
                .findFirst();
    }

    private void turn(Placed one, Part part, double figure) {
        one.turns(part).ifPresent(knob -> turn(knob, nearest(knob, figure)));
    }

    private void turn(KnobUse knob, boolean on) {
        turn(knob, new Setting.Switch(on));
    }

    private void turn(KnobUse knob, Setting to) {
        int place = place(knob);
        Positions now = live.positions();
        if (now.get(place).equals(to)) return;
        turned.put(knob, to);
        live = live.at(now.with(place, to));
    }

    private int place(KnobUse knob) {
        return live.graph().knobIndex(knob.ref().device(), knob.ref().name());
    }

    /// The setting that is nearest to a figure.
    private static Setting nearest(KnobUse use, double figure) {
        return switch (use.knob()) {
            case Knob.Level level -> level.nearest(figure);
            case Knob.Time time -> time.nearest(figure);
            case Knob.Choice choice -> nearest(choice, figure);
            case Knob.Switch plain -> plain.standing();
        };
    }

    private static Setting nearest(Knob.Choice choice, double figure) {
        String best = choice.options().getFirst().id();
        for (Knob.Option option : choice.options())
            if (off(option.id(), figure) < off(best, figure)) best = option.id();
        return new Setting.Choice(best);
    }

    private static double off(String option, double figure) {
        return Math.abs(Double.parseDouble(option) - figure);
    }

    private List<Turn> turns(String scene) {
        List<Turn> turns = new ArrayList<>();
        turned.forEach(
                (use, to) -> {
                    Setting from = before.positions().get(place(use));
                    if (!from.equals(to))
                        turns.add(new Turn(use.ref(), from, to, show.turnedIn(scene, use.ref())));
                });
        return turns;
    }
}
