package rivulus.show;

import java.util.List;
import rivulus.disk.Extras;
import rivulus.gear.Setting;

/// A knob that silences a source, and what people think it does.
///
/// @param to the setting they turn it to
/// @param pressed how it comes to be pressed
/// @param silences the sources that ought to fall silent
/// @param except the ears that may still hear them; own tracks taken before the fader are always
///     excepted
public record MuteKey(
        String id,
        String name,
        Ref knob,
        Setting to,
        Pressed pressed,
        List<String> silences,
        List<String> except,
        Extras extras) {
    public MuteKey {
        silences = List.copyOf(silences);
        except = List.copyOf(except);
    }

    /// How a key comes to be pressed.
    ///
    /// @param held whether it silences only while somebody holds it, as a cough key does
    /// @param during the playback that presses it for as long as it plays, as a workstation does
    ///     that closes the talk microphone; or empty
    public record Pressed(boolean held, String during) {
        /// By somebody, until it is pressed again.
        public static final Pressed ONCE = new Pressed(false, "");
    }

    /// Whether it is pressed in a scene without anybody's doing.
    public boolean isPressedIn(Scene scene) {
        return !pressed.during().isEmpty() && !scene.quiet().contains(pressed.during());
    }

    /// The same key under another name.
    public MuteKey named(String newName) {
        return new MuteKey(id, newName, knob, to, pressed, silences, except, extras);
    }

    /// The same on another knob.
    public MuteKey on(Ref newKnob, Setting newTo) {
        return new MuteKey(id, name, newKnob, newTo, pressed, silences, except, extras);
    }

    /// The same, pressed otherwise.
    public MuteKey pressed(Pressed newPressed) {
        return new MuteKey(id, name, knob, to, newPressed, silences, except, extras);
    }

    /// The same that should silence others.
    public MuteKey silencing(List<String> sources) {
        return new MuteKey(id, name, knob, to, pressed, sources, except, extras);
    }

    /// The same that others may still hear past.
    public MuteKey except(List<String> ears) {
        return new MuteKey(id, name, knob, to, pressed, silences, ears, extras);
    }
}
