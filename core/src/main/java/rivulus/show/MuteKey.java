package rivulus.show;

import java.util.List;
import rivulus.disk.Extras;
import rivulus.gear.Setting;

/// A knob that somebody will reach for to silence a source, and what they think it does.
///
/// @param to the setting they turn it to
/// @param silences the sources that ought to fall silent
/// @param except the ears that may still hear them; own tracks taken before the fader are always
///     excepted
public record MuteKey(
        String id,
        String name,
        Ref knob,
        Setting to,
        List<String> silences,
        List<String> except,
        Extras extras) {
    public MuteKey {
        silences = List.copyOf(silences);
        except = List.copyOf(except);
    }

    /// The same key under another name.
    public MuteKey named(String newName) {
        return new MuteKey(id, newName, knob, to, silences, except, extras);
    }

    /// The same on another knob.
    public MuteKey on(Ref newKnob, Setting newTo) {
        return new MuteKey(id, name, newKnob, newTo, silences, except, extras);
    }

    /// The same that should silence others.
    public MuteKey silencing(List<String> sources) {
        return new MuteKey(id, name, knob, to, sources, except, extras);
    }

    /// The same that others may still hear past.
    public MuteKey except(List<String> ears) {
        return new MuteKey(id, name, knob, to, silences, ears, extras);
    }
}
