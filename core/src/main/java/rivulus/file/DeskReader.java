package rivulus.file;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Control;
import rivulus.gear.Desk;
import rivulus.gear.Knob;

/// Reads what a template offers to a hand: where its faders can sit, and its cue pads.
final class DeskReader {
    private static final int MOST_LETTERS = 40;
    private static final int MOST_BANKS = 64;
    private static final int MOST_PADS = 64;

    private DeskReader() {}

    static Desk read(Entry root, Repeat repeat, Map<String, Knob> knobs) throws FileTrouble {
        List<String> faders =
                knobs.values().stream()
                        .filter(knob -> knob.role() == Knob.Role.FADER)
                        .map(Knob::id)
                        .toList();
        List<Control> controls = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : repeat.items(root, "controls")) {
            TemplateReader.once(seen, item, "control");
            List<String> takes = new ArrayList<>();
            for (Entry fader : item.items("takes")) takes.add(fader.oneOf("fader", faders));
            List<Control.Carried> means = new ArrayList<>();
            for (Entry carried : item.items("means"))
                means.add(carried.word("thing to carry", Control.Carried.class));
            Optional<Entry> reach = item.maybe("reach");
            Control control =
                    new Control(
                            item.text("id"),
                            item.text("label"),
                            reach.isPresent()
                                    ? reach.get().word("reach", Control.Reach.class)
                                    : Control.Reach.HAND,
                            item.text("prints", ""),
                            means,
                            takes);
            if (control.prints().isEmpty() && !means.isEmpty())
                throw item.field("means")
                        .trouble(
                                "nothing is printed here that could mean anything; say \"prints\"");
            controls.add(control);
            item.nothingElse();
        }
        if (!controls.isEmpty() && faders.isEmpty())
            throw root.field("controls").trouble("there is no fader that could sit here");
        Optional<Entry> pads = root.maybe("pads");
        int banks = 0;
        int each = 0;
        if (pads.isPresent()) {
            banks = pads.get().whole("banks", 1, MOST_BANKS, 1);
            each = pads.get().field("each").whole(1, MOST_PADS);
            pads.get().nothingElse();
        }
        return new Desk(controls, root.whole("letters", 0, MOST_LETTERS, 0), banks, each);
    }
}
