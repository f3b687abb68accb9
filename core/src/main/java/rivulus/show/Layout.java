package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.disk.Extras;
import rivulus.gear.Desk;
import rivulus.gear.Link;

/// What sits where on a desk.
///
/// @param controls the fader that sits on each control that somebody laid out; controls that are
///     not named hold nothing once any is
/// @param banks what banks of cue pads are called, by their number
/// @param pads what each cue pad plays, by bank and number: `1/3`
/// @param links the pairs of channels that are linked, each by what its left one is called
public record Layout(
        SequencedMap<String, String> controls,
        SequencedMap<String, String> banks,
        SequencedMap<String, Pad> pads,
        List<String> links,
        Extras extras) {
    /// As the desk comes.
    public static final Layout AS_IT_COMES =
            new Layout(
                    new LinkedHashMap<>(),
                    new LinkedHashMap<>(),
                    new LinkedHashMap<>(),
                    List.of(),
                    Extras.NONE);

    public Layout {
        controls = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(controls));
        banks = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(banks));
        pads = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(pads));
        links = List.copyOf(links);
    }

    /// A cue pad.
    ///
    /// @param name what stands on it
    /// @param plays the playback that it is for, or empty
    public record Pad(String name, String plays, Extras extras) {
        /// A pad on which there is nothing.
        public static final Pad BLANK = new Pad("", "", Extras.NONE);

        /// The same under another name.
        public Pad named(String newName) {
            return new Pad(newName, plays, extras);
        }

        /// The same for something else that plays, or, empty, for nothing yet.
        public Pad playing(String newPlays) {
            return new Pad(name, newPlays, extras);
        }

        /// Whether there is nothing on it.
        public boolean isBlank() {
            return equals(BLANK);
        }
    }

    /// Whether somebody laid out its faders.
    public boolean isLaidOut() {
        return !controls.isEmpty();
    }

    /// The same with its faders elsewhere; as the desk comes where none is given.
    public Layout withControls(SequencedMap<String, String> newControls) {
        return new Layout(newControls, banks, pads, links, extras);
    }

    /// The same with other channels linked.
    public Layout withLinks(List<String> newLinks) {
        return new Layout(controls, banks, pads, newLinks, extras);
    }

    /// What sound depends on, and nothing else.
    public Layout heard() {
        return AS_IT_COMES.withLinks(links);
    }

    /// The links of a machine that stand.
    public List<Link> standing(Desk desk) {
        return desk.links().stream().filter(link -> links.contains(link.first())).toList();
    }

    /// The pad of that number, blank where nobody put anything on it.
    public Pad pad(String number) {
        return pads.getOrDefault(number, Pad.BLANK);
    }

    /// The same with something else on a pad.
    public Layout withPad(String number, Pad pad) {
        SequencedMap<String, Pad> more = new LinkedHashMap<>(pads);
        if (pad.isBlank()) more.remove(number);
        else more.put(number, pad);
        return new Layout(controls, banks, more, links, extras);
    }

    /// The same with a bank called something else, or, empty, by its number.
    public Layout withBank(String number, String name) {
        SequencedMap<String, String> more = new LinkedHashMap<>(banks);
        if (name.isEmpty()) more.remove(number);
        else more.put(number, name);
        return new Layout(controls, more, pads, links, extras);
    }
}
