package rivulus.bench;

import java.util.Optional;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.rule.Rules;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;

/// The shows that are measured.
final class Shows {
    private Shows() {}

    /// A prover with the shipped gear.
    static Prover prover() {
        return Rules.prover();
    }

    /// The demo show, or the large rig.
    static Show named(String name, Prover prover) {
        return name.equals("large")
                ? LargeRig.show(prover.catalogue())
                : DemoShows.open(DemoShows.LANTERN_HOUR, prover.catalogue());
    }

    /// The show with one knob of its desk turned, in the base.
    static Show turned(Show show, String knob, Setting to) {
        return show.with(new Turn(new Ref("desk", knob), to, to, Optional.empty()));
    }
}
