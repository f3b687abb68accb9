package rivulus.desk;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Device;

/// Channels of a machine linked in pairs.
public final class Linking {
    private Linking() {}

    /// The machine with two channels linked: where they can be placed between left and right, each
    /// is placed on its side.
    public static Device linked(Device device, Template kind, Link link) {
        List<String> links = new ArrayList<>(parted(device, link).layout().links());
        links.add(link.first());
        Device linked = device.withLayout(device.layout().withLinks(links));
        for (Knob knob : kind.knobs())
            if (knob.role() == Knob.Role.PAN
                    && knob instanceof Knob.Choice pan
                    && link.has(pan.id())) {
                Knob.Option side =
                        link.isSecond(pan.id())
                                ? pan.options().getLast()
                                : pan.options().getFirst();
                linked = linked.withKnob(pan.id(), new Setting.Choice(side.id()));
            }
        return linked;
    }

    /// The machine with two channels parted again, each as it stands.
    public static Device parted(Device device, Link link) {
        List<String> links = new ArrayList<>(device.layout().links());
        links.remove(link.first());
        return device.withLayout(device.layout().withLinks(links));
    }

    /// What both sides of a pair are called, the left one first.
    public static List<String> sides(Link link, List<Channel> channels) {
        return channels.stream()
                .filter(channel -> link.has(channel.fader().name()))
                .sorted(Comparator.comparing(channel -> link.isSecond(channel.fader().name())))
                .map(Channel::label)
                .toList();
    }
}
