package rivulus.desk;

import java.util.Optional;
import rivulus.gear.Control;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Source;

/// A control of a desk, and the channel that sits on it.
public record Seat(Control control, Optional<Channel> channel) {
    /// Whether what is printed on it promises something else than what comes in, and nobody wrote
    /// over it.
    public boolean isMisprinted() {
        return channel.filter(at -> at.written().isEmpty() && misleads(control, at)).isPresent();
    }

    /// Whether a control's print would promise something else than a channel carries.
    static boolean misleads(Control control, Channel channel) {
        return !control.means().isEmpty()
                && !channel.comes().isEmpty()
                && channel.comes().stream().noneMatch(s -> control.means().contains(carried(s)));
    }

    private static Control.Carried carried(Source source) {
        return switch (source) {
            case Person person ->
                    person.isCaller() ? Control.Carried.CALLER : Control.Carried.VOICE;
            case Playback _ -> Control.Carried.PLAYBACK;
        };
    }
}
