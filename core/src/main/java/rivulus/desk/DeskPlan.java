package rivulus.desk;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Control;
import rivulus.gear.Desk;
import rivulus.gear.GearKind;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.MuteKey;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;

/// A desk as it lies under the hand: what sits where.
///
/// @param seats its controls in reading order
/// @param without channels that sit on none of them
public record DeskPlan(Device device, Desk desk, List<Seat> seats, List<Channel> without) {
    public DeskPlan {
        seats = List.copyOf(seats);
        without = List.copyOf(without);
    }

    /// A machine as it is laid out; empty where it has no channels.
    public static Optional<DeskPlan> of(Device device, Template kind, Channels channels) {
        List<Channel> all = channels.of(device);
        Control.Reach reach =
                kind.kind() == GearKind.PROGRAM ? Control.Reach.SOFTWARE : Control.Reach.HAND;
        return all.isEmpty() ? Optional.empty() : Optional.of(of(device, kind.desk(), reach, all));
    }

    private static DeskPlan of(
            Device device, Desk desk, Control.Reach reach, List<Channel> channels) {
        List<Channel> left = new ArrayList<>(channels);
        List<Seat> seats = new ArrayList<>();
        for (Control control : controls(desk, reach, channels)) {
            Optional<Channel> sits =
                    left.stream().filter(channel -> sits(device, control, channel)).findFirst();
            sits.ifPresent(left::remove);
            seats.add(new Seat(control, sits));
        }
        return new DeskPlan(device, desk, seats, left);
    }

    private static boolean sits(Device device, Control control, Channel channel) {
        String fader = channel.fader().name();
        return device.layout().isLaidOut()
                ? fader.equals(device.layout().controls().get(control.id()))
                : control.takes(fader);
    }

    /// The controls that a template names, or one for each fader where it names none.
    private static List<Control> controls(Desk desk, Control.Reach reach, List<Channel> channels) {
        if (!desk.controls().isEmpty()) return desk.controls();
        return channels.stream()
                .map(
                        channel ->
                                new Control(
                                        channel.fader().name(),
                                        channel.label(),
                                        reach,
                                        "",
                                        List.of(),
                                        List.of(channel.fader().name())))
                .toList();
    }

    /// Whether its faders can sit elsewhere.
    public boolean isMovable() {
        return desk.controls().stream().anyMatch(control -> control.takes().size() != 1);
    }

    /// Whether a hand reaches any of it.
    public boolean hasHands() {
        return seats.stream().anyMatch(seat -> seat.control().reach() == Control.Reach.HAND);
    }

    /// How near a channel is to the hand; empty where it is nowhere.
    public Optional<Control.Reach> reach(Channel channel) {
        return seats.stream()
                .filter(seat -> seat.channel().equals(Optional.of(channel)))
                .map(seat -> seat.control().reach())
                .findFirst();
    }

    /// Every channel, those that sit somewhere first.
    public List<Channel> channels() {
        List<Channel> all = new ArrayList<>();
        for (Seat seat : seats) seat.channel().ifPresent(all::add);
        all.addAll(without);
        return all;
    }

    /// What to write on a channel, so that it fits and nobody takes it for another; blank where it
    /// has no name.
    public String fitted(Channel channel) {
        List<Channel> all = channels();
        List<String> names = all.stream().map(Channel::name).toList();
        return ShortName.all(names, desk.letters()).get(all.indexOf(channel));
    }

    /// The channel of a fader.
    public Optional<Channel> channel(String fader) {
        return channels().stream().filter(c -> c.fader().name().equals(fader)).findFirst();
    }

    /// What moves in a show: the knobs that scenes turn or somebody presses.
    public static Set<Ref> moving(Show show) {
        Set<Ref> moving = new HashSet<>();
        for (MuteKey key : show.mutes())
            if (key.pressed().during().isEmpty()) moving.add(key.knob());
        for (Scene scene : show.scenes()) moving.addAll(scene.knobs().keySet());
        return moving;
    }

    /// Whether a channel moves in a show.
    public static boolean moves(Channel channel, Set<Ref> moving) {
        return moving.stream().anyMatch(channel::isTurnedBy);
    }

    /// Whether a channel wants a place: something comes in, or somebody wrote on it or reaches for
    /// it in the show, whether or not anything can be heard of it as the knobs stand.
    public static boolean isWanted(Channel channel, Set<Ref> moving) {
        return channel.isUsed() || moves(channel, moving);
    }
}
