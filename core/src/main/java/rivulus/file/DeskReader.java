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
import rivulus.gear.Link;

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
        return new Desk(
                controls,
                root.whole("letters", 0, MOST_LETTERS, 0),
                banks,
                each,
                links(repeat.items(root, "links"), knobs.keySet()));
    }

    private static List<Link> links(List<Entry> items, Set<String> knobs) throws FileTrouble {
        List<Link> links = new ArrayList<>();
        for (Entry item : items) {
            Link link = new Link(item.text("first"), item.text("second"));
            item.nothingElse();
            for (String side : List.of(link.first(), link.second())) {
                if (knobs.stream().noneMatch(knob -> new Link(side, side).has(knob)))
                    throw item.trouble("no knob belongs to \"%s\"", side);
                if (links.stream().anyMatch(other -> other.has(side)))
                    throw item.trouble("\"%s\" is linked already", side);
            }
            if (link.first().equals(link.second()))
                throw item.trouble("\"%s\" cannot be linked to itself", link.first());
            links.add(link);
        }
        return links;
    }
}
