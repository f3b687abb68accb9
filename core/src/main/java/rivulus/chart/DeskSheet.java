package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import rivulus.check.SceneProof;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.DeskPlan;
import rivulus.desk.Seat;
import rivulus.desk.Silencing;
import rivulus.gear.Catalogue;
import rivulus.show.Device;
import rivulus.words.Words;

/// A desk as it lies under the hand, in reading order: what sits where, the name that fits, and
/// what its keys silence and for whom.
public record DeskSheet(Device device, List<Group> groups) {
    public DeskSheet {
        groups = List.copyOf(groups);
    }

    /// What lies together.
    ///
    /// @param title "under the hand"
    public record Group(String title, List<Row> rows) {
        public Group {
            rows = List.copyOf(rows);
        }

        /// The controls that hold nothing that is used.
        public List<String> idle() {
            return rows.stream().filter(row -> row.used().isEmpty()).map(Row::place).toList();
        }
    }

    /// One control.
    ///
    /// @param place the control, as it is told
    /// @param channel what sits there; empty where nothing does
    /// @param name what to write on it
    /// @param taped whether that goes over a print that promises something else
    /// @param keys what each of its keys silences, one clause each
    public record Row(
            String place,
            Optional<Channel> channel,
            String name,
            boolean taped,
            List<String> keys) {
        public Row {
            keys = List.copyOf(keys);
        }

        /// The channel, where it is used.
        public Optional<Channel> used() {
            return channel.filter(Channel::isUsed);
        }
    }

    /// A desk in a scene; empty where the machine has no channels. Costs a tracing for each key of
    /// each channel that something comes into.
    public static Optional<DeskSheet> of(SceneProof scene, Device device, Catalogue catalogue) {
        return maker(scene, catalogue).apply(device);
    }

    /// The same of any machine in a scene; what they share is worked out once.
    public static Function<Device, Optional<DeskSheet>> maker(
            SceneProof scene, Catalogue catalogue) {
        Catalogue kinds = scene.show().kinds(catalogue);
        Channels channels =
                Channels.in(
                        scene.show(), other -> kinds.get(other.template()), scene.tracer().live());
        return device ->
                DeskPlan.of(device, kinds.get(device.template()), channels)
                        .map(plan -> of(scene, plan));
    }

    private static DeskSheet of(SceneProof scene, DeskPlan plan) {
        List<Group> groups = new ArrayList<>();
        for (Seat seat : plan.seats()) {
            String title = Words.sentence(seat.control().reach().words());
            if (groups.isEmpty() || !groups.getLast().title().equals(title))
                groups.add(new Group(title, List.of()));
            Row row =
                    new Row(
                            seat.control().label(),
                            seat.channel(),
                            seat.channel().map(plan::fitted).orElse(""),
                            seat.isMisprinted(),
                            seat.channel().map(c -> keys(scene, plan, c)).orElse(List.of()));
            groups.set(groups.size() - 1, with(groups.getLast(), row));
        }
        List<Row> without = new ArrayList<>();
        for (Channel channel : plan.without())
            if (channel.isUsed())
                without.add(
                        new Row(
                                channel.label(),
                                Optional.of(channel),
                                plan.fitted(channel),
                                false,
                                keys(scene, plan, channel)));
        if (!without.isEmpty()) groups.add(new Group("On no control", without));
        return new DeskSheet(plan.device(), groups);
    }

    private static Group with(Group group, Row row) {
        List<Row> rows = new ArrayList<>(group.rows());
        rows.add(row);
        return new Group(group.title(), rows);
    }

    private static List<String> keys(SceneProof scene, DeskPlan plan, Channel channel) {
        if (channel.isLinked())
            return plan.channel(channel.leads().name())
                    .map(left -> List.of("goes by " + left.label() + ", linked"))
                    .orElse(List.of());
        if (channel.comes().isEmpty()) return List.of();
        return Silencing.of(scene, channel).stream()
                .map(key -> key(channel, key) + " " + key.words())
                .toList();
    }

    /// What a key is called beside its channel: "Mute", "Mute in stream mix".
    private static String key(Channel channel, Silencing key) {
        String label = key.key().knob().label();
        String own = channel.label() + " ";
        return Words.sentence(label.startsWith(own) ? label.substring(own.length()) : label);
    }
}
