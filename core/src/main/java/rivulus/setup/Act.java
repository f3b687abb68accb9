package rivulus.setup;

import java.util.List;
import rivulus.gear.Link;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Turn;

/// What a step does to the rig.
public sealed interface Act {
    /// A machine or a program is there, as it comes.
    record Place(Device bare) implements Act {}

    /// A lead is in at both ends.
    record Lay(Cable lead) implements Act {}

    /// Two channels are linked.
    record Pair(String device, Link link) implements Act {}

    /// Knobs stand as planned.
    record Set(List<Turn> turns) implements Act {
        public Set {
            turns = List.copyOf(turns);
        }
    }

    /// Nothing that the graph knows of.
    record Nothing() implements Act {}
}
