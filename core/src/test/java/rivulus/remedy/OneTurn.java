package rivulus.remedy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.least.Dials;
import rivulus.least.Scope;
import rivulus.least.Stand;
import rivulus.rule.Workshop;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.SignalGraph;

/// What ends a trouble by one turn of one knob, found by trying them all.
final class OneTurn {
    private static final List<Double> LEVELS =
            List.of(Double.NEGATIVE_INFINITY, -60.0, -12.0, 0.0, 10.0, 20.0, 30.0);

    /// Levels that somebody would set to mend something.
    private static final Set<Double> PLAIN = Set.of(Double.NEGATIVE_INFINITY, -60.0, 0.0, 10.0);

    private OneTurn() {}

    /// One of them.
    record Cure(KnobUse use, Setting to) {
        Ref knob() {
            return use.ref();
        }
    }

    /// What the search itself weighs a turn by.
    private static Dials dials(Proof base) {
        Workshop workshop = new Workshop(base, Demo.PROVER.catalogue());
        return new Dials(base.show(), base.graph(), workshop::isComputer, false, Scope.ANY);
    }

    /// Every knob in every way that it can stand, levels at a few of theirs; in an ordinary run a
    /// ninth of them, all at night (docs/testing.md).
    ///
    /// @param effort only those that cost less
    static List<Cure> all(Proof base, Trouble trouble, int effort) {
        Trial trial = new Trial(base, trouble.findings());
        List<Cure> all = new ArrayList<>();
        for (KnobUse use : base.graph().knobs())
            for (Setting to : ways(use.knob()))
                if (!(to instanceof Setting.Level(double db)) || PLAIN.contains(db))
                    all.add(new Cure(use, to));
        Dials dials = dials(base);
        SignalGraph graph = base.graph();
        all.removeIf(
                cure -> {
                    int knob = graph.knobIndex(cure.knob().device(), cure.knob().name());
                    return dials.cost(new Stand(knob, cure.to())) >= effort;
                });
        return Demo.some(Demo.some(all)).stream()
                .filter(
                        cure -> {
                            Show turned =
                                    base.show().with(turns(base.show(), cure.use(), cure.to()));
                            return !turned.equals(base.show())
                                    && isGood(trial, Demo.PROVER.prove(turned, base));
                        })
                .toList();
    }

    private static boolean isGood(Trial trial, Proof after) {
        return trial.leftInScenes(after).isEmpty()
                && trial.weakened(after).isEmpty()
                && trial.silenced(after).isEmpty()
                && trial.isGoodForTheRig(after);
    }

    /// The ways in which a knob can stand, levels at a few of theirs.
    static List<Setting> ways(Knob knob) {
        if (knob instanceof Knob.Level)
            return LEVELS.stream().<Setting>map(Setting.Level::new).filter(knob::takes).toList();
        List<Setting> ways = new ArrayList<>(knob.others(knob.standing()));
        ways.add(knob.standing());
        return ways;
    }

    /// In the whole show, and in the scenes that have a setting of their own.
    private static List<Turn> turns(Show show, KnobUse use, Setting to) {
        List<Turn> turns = new ArrayList<>();
        Setting stands =
                show.rig()
                        .device(use.ref().device())
                        .map(device -> device.knobs().get(use.ref().name()))
                        .orElse(use.knob().standing());
        if (!stands.equals(to)) turns.add(new Turn(use.ref(), stands, to, Optional.empty()));
        for (Scene scene : show.scenes()) {
            Setting own = scene.knobs().get(use.ref());
            if (own != null && !own.equals(to))
                turns.add(new Turn(use.ref(), own, to, Optional.of(scene.id())));
        }
        return turns;
    }
}
