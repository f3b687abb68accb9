package rivulus.desk;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Template;

/// What the labels of a machine's knobs begin with: "MIC 1 gain" is of "MIC 1".
///
/// @param all names of channels and of sockets
public record Labels(List<String> all) {
    public Labels {
        all = List.copyOf(all);
    }

    /// Those of some channels.
    public static Labels of(List<Channel> channels) {
        return new Labels(channels.stream().map(Channel::label).toList());
    }

    /// The same with the sockets of a machine besides.
    public Labels and(Template kind) {
        return new Labels(
                Stream.concat(all.stream(), kind.ports().stream().map(Port::label)).toList());
    }

    /// The one that a knob belongs to, the longest that fits; empty where it is of the machine as a
    /// whole.
    public String of(Knob knob) {
        return all.stream()
                .filter(label -> knob.label().startsWith(label + " "))
                .max(Comparator.comparingInt(String::length))
                .orElse("");
    }
}
