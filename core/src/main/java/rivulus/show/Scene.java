package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.disk.Extras;
import rivulus.gear.Setting;

/// A part of the show: what is turned against the base, and who rests.
///
/// @param quiet sources that are meant to be silent in it; the public must not hear them, and
///     nobody must
/// @param minutes how long it is meant to last; 0 where nobody has said
/// @param knobs settings that differ from the base while the scene lasts
public record Scene(
        String id,
        String name,
        List<String> quiet,
        double minutes,
        SequencedMap<Ref, Setting> knobs,
        Extras extras) {
    /// The id of the one scene of a show that has none written down.
    public static final String ONLY = "show";

    /// The one scene of a show that has none written down.
    public static Scene only() {
        return new Scene(ONLY, "Show", List.of(), 0, new LinkedHashMap<>(), Extras.NONE);
    }

    public Scene {
        quiet = List.copyOf(quiet);
        knobs = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(knobs));
    }

    /// The same scene with one knob turned.
    public Scene withKnob(Ref knob, Setting setting) {
        SequencedMap<Ref, Setting> turned = new LinkedHashMap<>(knobs);
        turned.put(knob, setting);
        return new Scene(id, name, quiet, minutes, turned, extras);
    }

    /// The same scene under another name.
    public Scene named(String newName) {
        return new Scene(id, newName, quiet, minutes, knobs, extras);
    }

    /// The same scene of another length.
    public Scene lasting(double newMinutes) {
        return new Scene(id, name, quiet, newMinutes, knobs, extras);
    }

    /// The same scene in which others rest.
    public Scene resting(List<String> newQuiet) {
        return new Scene(id, name, newQuiet, minutes, knobs, extras);
    }

    /// The same scene in which a knob stands as in the whole show.
    public Scene without(Ref knob) {
        SequencedMap<Ref, Setting> left = new LinkedHashMap<>(knobs);
        left.remove(knob);
        return new Scene(id, name, quiet, minutes, left, extras);
    }
}
