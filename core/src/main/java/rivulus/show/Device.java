package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.SequencedMap;
import rivulus.disk.Extras;
import rivulus.gear.Setting;

/// One piece of gear or one program in the rig.
///
/// @param template the id of its template
/// @param place the place it stands in, or empty
/// @param on the computer it runs on, for programs and virtual cables; else empty
/// @param worn the person who wears it, or empty
/// @param power what it runs on in this show, or empty for what its template says first
/// @param outlet the id of the outlet strip it is plugged into, or empty for an outlet in the wall
/// @param toBuy whether it has still to be bought
/// @param knobs the knobs that somebody has touched; the others stand as the template says
public record Device(
        String id,
        String name,
        String template,
        String place,
        String on,
        String worn,
        String power,
        String outlet,
        boolean toBuy,
        SequencedMap<String, Setting> knobs,
        Extras extras) {
    public Device {
        knobs = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(knobs));
    }

    /// A device as it comes, nowhere yet.
    public static Device of(String id, String name, String template) {
        return new Device(
                id, name, template, "", "", "", "", "", false, new LinkedHashMap<>(), Extras.NONE);
    }

    /// The same device with one knob turned.
    public Device withKnob(String knob, Setting setting) {
        SequencedMap<String, Setting> turned = new LinkedHashMap<>(knobs);
        turned.put(knob, setting);
        return withKnobs(turned);
    }

    /// The same device with its knobs as given.
    public Device withKnobs(SequencedMap<String, Setting> turned) {
        return new Device(
                id, name, template, place, on, worn, power, outlet, toBuy, turned, extras);
    }

    /// The same device as nobody has touched it.
    public Device withoutKnobs() {
        return withKnobs(new LinkedHashMap<>());
    }

    /// The same device under another name.
    public Device named(String newName) {
        return new Device(
                id, newName, template, place, on, worn, power, outlet, toBuy, knobs, extras);
    }

    /// The same device of another kind.
    public Device ofKind(String newTemplate) {
        return new Device(
                id, name, newTemplate, place, on, worn, power, outlet, toBuy, knobs, extras);
    }

    /// The same device in another place.
    public Device in(String newPlace) {
        return new Device(
                id, name, template, newPlace, on, worn, power, outlet, toBuy, knobs, extras);
    }

    /// The same program on a computer.
    public Device on(String computer) {
        return new Device(
                id, name, template, place, computer, worn, power, outlet, toBuy, knobs, extras);
    }

    /// The same device on a person.
    public Device wornBy(String person) {
        return new Device(
                id, name, template, place, on, person, power, outlet, toBuy, knobs, extras);
    }

    /// The same device run from something else.
    public Device poweredBy(String kind) {
        return new Device(id, name, template, place, on, worn, kind, outlet, toBuy, knobs, extras);
    }

    /// The same device plugged into a strip, or, empty, into the wall.
    public Device pluggedInto(String strip) {
        return new Device(id, name, template, place, on, worn, power, strip, toBuy, knobs, extras);
    }

    /// The same device, to be bought or owned.
    public Device toBuy(boolean buy) {
        return new Device(id, name, template, place, on, worn, power, outlet, buy, knobs, extras);
    }
}
