package rivulus.file;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonPrinter;
import rivulus.disk.Line;
import rivulus.disk.Merge;
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Show;

/// A change of a show, thought out on one state of it and made on another: whatever was done in
/// between stays done.
///
/// @param before the show that it was thought out on
/// @param after what comes of that one
public record Change(Show before, Show after) {
    private static final int LONGEST_VALUE = 40;

    /// The show as it is now, changed in the same way. What both changed stands as this change
    /// says. Costs nothing where nothing was done in between, else a round of writing and reading.
    ///
    /// @param catalogue the kinds of gear that everybody has
    /// @throws FileTrouble where the change no longer fits, or what would come of it does not hold
    ///     together
    public Show on(Show now, Catalogue catalogue) throws FileTrouble {
        if (now.equals(before)) return after;
        Object merged;
        try {
            merged = Merge.of(document(before), document(after), document(now));
        } catch (Merge.Conflict gone) {
            throw new FileTrouble(
                    "this no longer fits the show as it is now (%s); it is searched for again"
                            .formatted(gone.getMessage()),
                    gone);
        }
        return ShowFile.parse(
                JsonPrinter.print(Json.of(merged)), "this", catalogue, now.templates());
    }

    private static Map<String, Object> document(Show show) {
        return ShowWriter.document(show);
    }

    /// Everything that is changed, in the order of the document.
    public List<Merge.Difference> differences() {
        return Merge.between(document(before), document(after));
    }

    /// What is changed, one clause each, in the order of the document: "Show desk · knobs ·
    /// mic1.fader: -6, was 0".
    public List<String> words() {
        return told(Map.of(), "new", "gone", "%s, was %s");
    }

    /// What differs where the second show is somebody else's: "Show desk · MIC 1 fader: -6 there, 0
    /// here".
    ///
    /// @param catalogue for the labels of knobs
    public List<String> compared(Catalogue catalogue) {
        Map<String, Template> kinds = new HashMap<>();
        for (Show show : List.of(before, after)) {
            Catalogue all = show.kinds(catalogue);
            for (Device device : show.rig().devices())
                all.find(device.template()).ifPresent(kind -> kinds.put(device.name(), kind));
        }
        return told(kinds, "only there", "only here", "%s there, %s here");
    }

    /// @param kinds of devices, by their names
    private List<String> told(Map<String, Template> kinds, String come, String gone, String both) {
        List<String> words = new ArrayList<>();
        for (Merge.Difference one : differences()) {
            String what =
                    one.before().isEmpty()
                            ? come + value(one.after())
                            : one.after().isEmpty()
                                    ? gone + value(one.before())
                                    : both.formatted(plain(one.after()), plain(one.before()));
            words.add(place(one.path(), kinds) + ": " + what);
        }
        return words;
    }

    /// A device or a lead is named without the list it stands in, a knob by its label.
    private static String place(List<String> path, Map<String, Template> kinds) {
        boolean inRig = path.size() > 2 && path.getFirst().equals("rig");
        boolean inList = path.size() > 1 && !path.getFirst().equals("rig");
        List<String> names = new ArrayList<>(path.subList(inRig ? 2 : inList ? 1 : 0, path.size()));
        if (names.size() == 3 && names.get(1).equals("knobs")) {
            String label = label(kinds.get(names.getFirst()), names.getLast());
            names = List.of(names.getFirst(), label);
        }
        return String.join(" · ", names);
    }

    private static String label(Template kind, String knob) {
        if (kind == null) return knob;
        return kind.knob(knob)
                .map(Knob::label)
                .or(() -> kind.picker(knob).map(Picker::label))
                .orElse(knob);
    }

    private static String value(Optional<Object> value) {
        boolean small = value.filter(v -> v instanceof Map || v instanceof List).isEmpty();
        return small ? ", " + plain(value) : "";
    }

    private static String plain(Optional<Object> value) {
        Object plain = value.orElse("nothing");
        String text = plain instanceof String words ? words : JsonPrinter.print(Json.of(plain));
        return Line.clipped(Line.of(text), LONGEST_VALUE);
    }
}
