package rivulus.desk;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.gear.Control;
import rivulus.show.Layout;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;

/// Lays a desk out: what moves in the show under the hand, then people in the room, callers, and
/// whatever is played; side by side in that order; nothing that is not used.
///
/// As many of the more urgent channels as can sit nearer do: channels are seated one by one, and
/// whoever sits already may be asked to move along (augmenting paths in a bipartite graph, which
/// keep everybody seated; Kuhn 1955). Greedy by urgency is then best, since sets of channels that
/// can be seated together form a matroid.
public final class LayingOut {
    private final DeskPlan plan;
    private final Show show;
    private final Set<Ref> moving;

    /// @param plan the desk as it is
    public LayingOut(DeskPlan plan, Show show) {
        this.plan = plan;
        this.show = show;
        moving = DeskPlan.moving(show);
    }

    /// The desk laid out; names, banks and pads stay.
    public Layout layout() {
        List<Channel> waiting = new ArrayList<>();
        for (Channel channel : plan.channels())
            if (DeskPlan.isWanted(channel, moving)) waiting.add(channel);
        waiting.sort(Comparator.comparingInt(this::urgency));
        Map<String, Channel> seated = new HashMap<>();
        for (Control.Reach reach : Control.Reach.values()) {
            List<Control> near = new ArrayList<>();
            for (Seat seat : plan.seats())
                if (seat.control().reach() == reach) near.add(seat.control());
            Map<String, Channel> sits = new HashMap<>();
            for (Channel channel : List.copyOf(waiting))
                if (seat(channel, near, sits, new HashSet<>())) waiting.remove(channel);
            inOrder(near, sits);
            seated.putAll(sits);
        }
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        for (Seat seat : plan.seats()) {
            Channel sits = seated.get(seat.control().id());
            if (sits != null) controls.put(seat.control().id(), sits.fader().name());
        }
        return plan.device().layout().withControls(controls);
    }

    private boolean seat(
            Channel channel, List<Control> near, Map<String, Channel> sits, Set<String> asked) {
        List<Control> fit =
                near.stream()
                        .filter(control -> control.takes(channel.fader().name()))
                        .sorted(Comparator.comparing(control -> Seat.misleads(control, channel)))
                        .toList();
        for (Control control : fit) {
            if (!asked.add(control.id())) continue;
            Channel other = sits.get(control.id());
            if (other == null || seat(other, near, sits, asked)) {
                sits.put(control.id(), channel);
                return true;
            }
        }
        return false;
    }

    /// Puts whoever sits on controls that take anything into the order in which one looks for them.
    private void inOrder(List<Control> near, Map<String, Channel> sits) {
        List<Control> free = near.stream().filter(control -> control.takes().isEmpty()).toList();
        List<Channel> those = new ArrayList<>();
        for (Control control : free) {
            Channel sat = sits.remove(control.id());
            if (sat != null) those.add(sat);
        }
        those.sort(Comparator.comparingInt(this::place));
        for (int i = 0; i < those.size(); i++) sits.put(free.get(i).id(), those.get(i));
    }

    /// What moves comes first; among the like as one looks for them.
    private int urgency(Channel channel) {
        int all = show.sources().size() + 1;
        return (DeskPlan.moves(channel, moving) ? 0 : 4 * all) + place(channel);
    }

    /// People in the room, then callers, then what is played, each as the cast names them.
    private int place(Channel channel) {
        int all = show.sources().size() + 1;
        if (channel.comes().isEmpty()) return 3 * all;
        Source first = channel.comes().getFirst();
        int group = first instanceof Person person ? person.isCaller() ? 1 : 0 : 2;
        return group * all + show.sources().indexOf(first);
    }
}
