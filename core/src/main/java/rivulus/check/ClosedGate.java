package rivulus.check;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.search.BestFirst;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// The closed mute or fader that a source comes to first.
public final class ClosedGate {
    private final LiveGraph live;

    private ClosedGate(LiveGraph live) {
        this.live = live;
    }

    /// The first closed mute or fader downstream of a source, following the strongest sound first;
    /// air is only crossed at the source.
    public static Optional<KnobUse> nearest(LiveGraph live, String source) {
        int[] nodes = live.graph().source(source);
        return new ClosedGate(live).from(live.graph().nodes().get(nodes[0]).point());
    }

    /// A point that sound has come to, and how much of it.
    private record Reached(Ref point, double gain) {}

    private Optional<KnobUse> from(Ref start) {
        Set<Ref> seen = new HashSet<>();
        return BestFirst.<Reached, KnobUse>search(
                        Comparator.comparingDouble(r -> -r.gain()),
                        List.of(new Reached(start, 1)),
                        1,
                        Integer.MAX_VALUE,
                        (at, search) -> {
                            if (seen.add(at.point())) look(at, start, search);
                        })
                .first();
    }

    private void look(Reached at, Ref start, BestFirst<Reached, KnobUse> search) {
        for (Leg leg : live.graph().legsFrom(at.point())) {
            Optional<KnobUse> gate = gateOn(leg);
            if (gate.isPresent()) {
                search.answer(gate.get());
                return;
            }
            double gain = at.gain() * live.legGain(leg.index());
            if (gain > 0 && (leg.kind() != Leg.Kind.AIR || at.point().equals(start)))
                search.open(new Reached(leg.to(), gain));
        }
    }

    private Optional<KnobUse> gateOn(Leg leg) {
        for (Leg.Govern govern : leg.governors()) {
            KnobUse use = live.graph().knobs().get(govern.knob());
            Setting stands = live.positions().get(govern.knob());
            if (isGate(use.knob().role(), stands) && !govern.governor().opens(stands))
                return Optional.of(use);
        }
        return Optional.empty();
    }

    /// A fader, or a mute that is on: what goes another way only while a mute is on is not muted by
    /// its being off.
    private static boolean isGate(Knob.Role role, Setting stands) {
        return role == Knob.Role.FADER
                || role == Knob.Role.MUTE && stands.equals(new Setting.Switch(true));
    }
}
