package rivulus.level;

import java.util.Optional;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// A knob turned by some steps from where it stands: what is asked of a level or a delay is the
/// step, so that two of one knob add up.
///
/// @param turn as it was thought out
public record Turning(KnobUse use, Turn turn) {
    /// A level turned by so much, by its steps; empty where it is off, or cannot be turned so far.
    ///
    /// @param live the state that it stands in
    /// @param scene where its setting is changed; empty for the base
    public static Optional<Turning> by(
            double db, KnobUse use, LiveGraph live, Optional<String> scene) {
        if (!(use.knob() instanceof Knob.Level level)
                || !(stands(use, live) instanceof Setting.Level now)
                || now.isOff()) return Optional.empty();
        Setting.Level to = level.nearest(now.db() + db);
        double lacking = Math.abs(now.db() + db - to.db());
        boolean turns = Math.abs(to.db() - now.db()) >= level.stepDb() / 2;
        return turns && lacking < level.stepDb()
                ? Optional.of(new Turning(use, new Turn(use.ref(), now, to, scene)))
                : Optional.empty();
    }

    /// A delay made longer by so much, as far as it goes; empty where it is no delay, or at its
    /// end.
    public static Optional<Turning> later(
            double ms, KnobUse use, LiveGraph live, Optional<String> scene) {
        if (!(use.knob() instanceof Knob.Time time)
                || !(stands(use, live) instanceof Setting.Time now)) return Optional.empty();
        Setting.Time to = time.nearest(now.ms() + ms);
        return to.ms() > now.ms()
                ? Optional.of(new Turning(use, new Turn(use.ref(), now, to, scene)))
                : Optional.empty();
    }

    private static Setting stands(KnobUse use, LiveGraph live) {
        return live.positions().get(live.graph().knobIndex(use.ref().device(), use.ref().name()));
    }

    /// What is turned: "Show desk · MIC 1 gain +5 dB", "Streaming program · delay to 120 ms".
    public String words() {
        if (turn.from() instanceof Setting.Level(double from)
                && turn.to() instanceof Setting.Level(double to)) {
            String step = Words.shortest(to - from) + Words.THIN + "dB";
            return use.words() + " " + (to > from ? "+" : "") + step;
        }
        return use.words() + " to " + use.say(turn.to());
    }

    /// The same step from where the knob stands in a show by now.
    public Turn on(Show show) {
        Setting now = now(show);
        Setting to =
                switch (use.knob()) {
                    case Knob.Level level when now instanceof Setting.Level at ->
                            at.isOff()
                                    ? at
                                    : level.nearest(at.db() + db(turn.to()) - db(turn.from()));
                    case Knob.Time time when now instanceof Setting.Time at ->
                            time.nearest(at.ms() + ms(turn.to()) - ms(turn.from()));
                    default -> turn.to();
                };
        return new Turn(turn.knob(), now, to, turn.scene());
    }

    private Setting now(Show show) {
        Ref knob = turn.knob();
        Optional<Setting> said =
                turn.scene().isPresent()
                        ? show.scene(turn.scene().get()).map(scene -> scene.knobs().get(knob))
                        : show.rig()
                                .device(knob.device())
                                .map(device -> device.knobs().get(knob.name()));
        return said.orElse(turn.from());
    }

    private static double db(Setting level) {
        return ((Setting.Level) level).db();
    }

    private static double ms(Setting time) {
        return ((Setting.Time) time).ms();
    }
}
