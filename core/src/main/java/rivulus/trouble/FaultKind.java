package rivulus.trouble;

import java.util.ArrayList;
import java.util.List;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.Worded;
import rivulus.file.Templates;
import rivulus.gear.Knob;

/// A way in which things break, from `faults.json`.
///
/// @param role of the knobs that it turns
/// @param to how they stand then
/// @param weight how often it happens against the others
/// @param minutes how long a look takes
/// @param words what is wrong, with `{it}` and `{as}`
/// @param todo what to do, as an order, with `{it}` and `{right}`
record FaultKind(
        String id,
        Does does,
        Knob.Role role,
        To to,
        double weight,
        double minutes,
        String words,
        String todo) {
    /// What it does.
    enum Does implements Worded {
        /// A knob stands otherwise.
        TURNS,
        /// Nothing goes through a lead.
        CUTS_LEAD,
        /// A lead is in the hole beside its own.
        NEXT_HOLE,
        /// One side of a lead carries nothing.
        HALVES_LEAD,
        /// A machine is dark.
        DARKENS,
        /// A machine that runs from a battery is.
        DRAINS,
        /// A microphone gets no phantom power.
        STARVES,
        /// What goes through a machine crackles.
        CRACKLES,
        /// What goes through an isolator hums.
        HUMS
    }

    /// How a knob stands that is not as planned.
    enum To implements Worded {
        /// As it comes.
        STANDING,
        /// Any other way.
        OTHERS,
        OFF,
        /// 15 dB down.
        LOW,
        /// 15 dB up.
        HIGH
    }

    /// Every kind that ships.
    static final List<FaultKind> ALL = all();

    private static List<FaultKind> all() {
        try {
            return parse(Templates.resource("/rivulus/faults.json"), "faults.json");
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// Reads kinds.
    ///
    /// @throws FileTrouble where something in it cannot be
    static List<FaultKind> parse(String text, String file) throws FileTrouble {
        Entry root = Entry.root(file, Json.parse(text, file));
        root.text("about", "");
        List<FaultKind> kinds = new ArrayList<>();
        for (Entry item : root.items("kinds")) {
            Does does = item.field("does").word("kind of fault", Does.class);
            boolean turns = does == Does.TURNS;
            kinds.add(
                    new FaultKind(
                            item.text("id"),
                            does,
                            turns
                                    ? item.field("role").word("role", Knob.Role.class)
                                    : Knob.Role.NONE,
                            turns ? item.field("to").word("way to stand", To.class) : To.OTHERS,
                            item.field("weight").number(0.01, 100),
                            item.field("minutes").number(0.05, 60),
                            item.text("words"),
                            item.text("todo")));
            item.nothingElse();
        }
        root.nothingElse();
        return List.copyOf(kinds);
    }

    String words(String it, String as) {
        return words.replace("{it}", it).replace("{as}", as);
    }

    String todo(String it, String right) {
        return todo.replace("{it}", it).replace("{right}", right);
    }
}
