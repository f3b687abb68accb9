package rivulus.hearing;

import java.util.List;
import rivulus.gear.Setting;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;

/// A way that a missing source could take, and the knobs that would have to be turned for it.
///
/// @param legs the way, from the source to the ear
/// @param breaksAt the place in `legs` of the first one that is closed as the knobs stand
/// @param turns what opens it all, in the order of the way
/// @param gainDb gain of the way once it is open
/// @param ms typical delay of the way
public record Opening(
        List<Leg> legs, int breaksAt, List<KnobTurn> turns, double gainDb, double ms) {
    public Opening {
        legs = List.copyOf(legs);
        turns = List.copyOf(turns);
    }

    /// A knob to turn.
    public record KnobTurn(KnobUse knob, Setting from, Setting to) {
        /// As an order: "Set Show desk · headphones 3 feed to everything".
        public String words() {
            return "%s to %s".formatted(knob.words(), knob.say(to));
        }
    }

    /// The sum of the knobs' efforts.
    public int effort() {
        return turns.stream().mapToInt(turn -> turn.knob().knob().effort()).sum();
    }

    /// Where it breaks.
    public Leg broken() {
        return legs.get(breaksAt);
    }
}
