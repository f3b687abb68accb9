package rivulus.file;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonPrinter;
import rivulus.disk.Line;
import rivulus.disk.Merge;
import rivulus.gear.Catalogue;
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
        return ShowFile.parse(JsonPrinter.print(Json.of(merged)), "this", catalogue, now.templates());
    }

    private static Map<String, Object> document(Show show) {
        return ShowWriter.document(show);
    }

    /// What is changed, one clause each, in the order of the document: "Show desk · knobs ·
    /// mic1.fader: −6, was 0".
    public List<String> words() {
        List<String> words = new ArrayList<>();
        for (Merge.Difference one : Merge.between(document(before), document(after)))
            words.add(words(one));
        return words;
    }

    private static String words(Merge.Difference one) {
        List<String> path =
                one.path().size() > 1 ? one.path().subList(1, one.path().size()) : one.path();
        boolean inRig = path.size() > 1 && List.of("devices", "cables").contains(path.getFirst());
        String what = String.join(" · ", inRig ? path.subList(1, path.size()) : path);
        if (one.before().isEmpty()) return what + ": new" + value(one.after());
        if (one.after().isEmpty()) return what + ": gone" + value(one.before());
        return "%s: %s, was %s".formatted(what, plain(one.after()), plain(one.before()));
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
