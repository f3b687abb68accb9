package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Consumer;
import rivulus.disk.Extras;
import rivulus.gear.Power;
import rivulus.gear.Setting;

/// One piece of gear or one program in the rig.
///
/// @param template the id of its template
/// @param toBuy whether it has still to be bought
/// @param knobs the knobs that somebody has touched; the others stand as the template says
/// @param strips what is written on its channels, by the ids of their faders
/// @param layout where its faders and cue pads are
public record Device(
        String id,
        String name,
        String template,
        Where where,
        Fed fed,
        boolean toBuy,
        SequencedMap<String, Setting> knobs,
        SequencedMap<String, Strip> strips,
        Layout layout,
        Extras extras) {
    /// Where it is.
    ///
    /// @param place the place it stands in, or empty
    /// @param on the computer it runs on, for programs and virtual cables; else empty
    /// @param worn the person who wears it, or empty
    public record Where(String place, String on, String worn) {
        public static final Where NOWHERE = new Where("", "", "");
    }

    /// What it runs on.
    ///
    /// @param from what somebody chose, or empty for what its template says first
    /// @param outlet the id of the outlet strip it is plugged into, or empty for an outlet in the
    ///     wall
    public record Fed(Optional<Power.Source> from, String outlet) {
        public static final Fed AS_USUAL = new Fed(Optional.empty(), "");
    }

    public Device {
        knobs = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(knobs));
        strips = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(strips));
    }

    /// A device as it comes, nowhere yet.
    public static Device of(String id, String name, String template) {
        return new Device(
                id,
                name,
                template,
                Where.NOWHERE,
                Fed.AS_USUAL,
                false,
                new LinkedHashMap<>(),
                new LinkedHashMap<>(),
                Layout.AS_IT_COMES,
                Extras.NONE);
    }

    /// The same device with some of its parts replaced.
    private Device but(Consumer<Parts> edit) {
        Parts parts = new Parts(this);
        edit.accept(parts);
        return new Device(
                id,
                parts.name,
                parts.template,
                parts.where,
                parts.fed,
                parts.toBuy,
                parts.knobs,
                parts.strips,
                parts.layout,
                extras);
    }

    /// The parts of a device while one is made from another.
    private static final class Parts {
        String name;
        String template;
        Where where;
        Fed fed;
        boolean toBuy;
        SequencedMap<String, Setting> knobs;
        SequencedMap<String, Strip> strips;
        Layout layout;

        Parts(Device device) {
            name = device.name;
            template = device.template;
            where = device.where;
            fed = device.fed;
            toBuy = device.toBuy;
            knobs = device.knobs;
            strips = device.strips;
            layout = device.layout;
        }
    }

    /// The id of the place it stands in, or empty.
    public String place() {
        return where.place();
    }

    /// The id of the computer it runs on, or empty.
    public String on() {
        return where.on();
    }

    /// The id of the person who wears it, or empty.
    public String worn() {
        return where.worn();
    }

    /// What somebody chose that it runs on; empty for what its template says first.
    public Optional<Power.Source> power() {
        return fed.from();
    }

    /// The id of the outlet strip it is plugged into, or empty for the wall.
    public String outlet() {
        return fed.outlet();
    }

    /// The same device with one knob turned.
    public Device withKnob(String knob, Setting setting) {
        SequencedMap<String, Setting> turned = new LinkedHashMap<>(knobs);
        turned.put(knob, setting);
        return withKnobs(turned);
    }

    /// The same device with its knobs as given.
    public Device withKnobs(SequencedMap<String, Setting> turned) {
        return but(device -> device.knobs = turned);
    }

    /// What is written on the channel of a fader.
    public Strip strip(String fader) {
        return strips.getOrDefault(fader, Strip.BLANK);
    }

    /// The same device with something else written on a channel.
    public Device withStrip(String fader, Strip strip) {
        SequencedMap<String, Strip> written = new LinkedHashMap<>(strips);
        if (strip.isBlank()) written.remove(fader);
        else written.put(fader, strip);
        return withStrips(written);
    }

    /// The same device with its channels written on as given.
    public Device withStrips(SequencedMap<String, Strip> written) {
        return but(device -> device.strips = written);
    }

    /// The same device laid out otherwise.
    public Device withLayout(Layout newLayout) {
        return but(device -> device.layout = newLayout);
    }

    /// The same device as nobody has touched it.
    public Device withoutKnobs() {
        return withKnobs(new LinkedHashMap<>());
    }

    /// The same device under another name.
    public Device named(String newName) {
        return but(device -> device.name = newName);
    }

    /// The same device of another kind.
    public Device ofKind(String newTemplate) {
        return but(device -> device.template = newTemplate);
    }

    /// The same device in another place.
    public Device in(String newPlace) {
        return but(device -> device.where = new Where(newPlace, on(), worn()));
    }

    /// The same program on a computer.
    public Device on(String computer) {
        return but(device -> device.where = new Where(place(), computer, worn()));
    }

    /// The same device on a person.
    public Device wornBy(String person) {
        return but(device -> device.where = new Where(place(), on(), person));
    }

    /// The same device run from something else.
    public Device poweredBy(Power.Source source) {
        return poweredBy(Optional.of(source));
    }

    /// The same device run from something else, or, empty, as usual.
    public Device poweredBy(Optional<Power.Source> source) {
        return but(device -> device.fed = new Fed(source, outlet()));
    }

    /// The same device plugged into a strip, or, empty, into the wall.
    public Device pluggedInto(String strip) {
        return but(device -> device.fed = new Fed(power(), strip));
    }

    /// The same device, to be bought or owned.
    public Device toBuy(boolean buy) {
        return but(device -> device.toBuy = buy);
    }
}
