package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.SequencedMap;
import rivulus.gear.Setting;

/// One piece of gear or one program in the rig.
///
/// @param template the id of its template
/// @param place the place it stands in, or empty
/// @param on the computer it runs on, for programs and virtual cables; else empty
/// @param worn the person who wears it, or empty
/// @param power what it runs on in this show, or empty for what its template says first
/// @param knobs the knobs that somebody has touched; the others stand as the template says
public record Device(
        String id,
        String name,
        String template,
        String place,
        String on,
        String worn,
        String power,
        SequencedMap<String, Setting> knobs,
        Extras extras) {
    public Device {
        knobs = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(knobs));
    }

    /// The same device with one knob turned.
    public Device withKnob(String knob, Setting setting) {
        SequencedMap<String, Setting> turned = new LinkedHashMap<>(knobs);
        turned.put(knob, setting);
        return new Device(id, name, template, place, on, worn, power, turned, extras);
    }

    /// The same device in another place.
    public Device in(String newPlace) {
        return new Device(id, name, template, newPlace, on, worn, power, knobs, extras);
    }

    /// The same device run from something else.
    public Device poweredBy(String kind) {
        return new Device(id, name, template, place, on, worn, kind, knobs, extras);
    }

    /// The same device as nobody has touched it.
    public Device withoutKnobs() {
        return new Device(
                id, name, template, place, on, worn, power, new LinkedHashMap<>(), extras);
    }
}
