package rivulus.file;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.UnaryOperator;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;
import rivulus.gear.Control;
import rivulus.gear.Keyed;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Layout;
import rivulus.show.Owned;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Strip;
import rivulus.show.Tape;

/// Reads the rig of a show.
final class RigReader {
    private final Entry root;
    private final ShowNames names;

    RigReader(Entry root, ShowNames names) {
        this.root = root;
        this.names = names;
    }

    Rig rig() throws FileTrouble {
        Optional<Entry> rig = root.maybe("rig");
        if (rig.isEmpty()) return Show.untitled().rig();
        List<Device> all = new ArrayList<>();
        for (Entry item : rig.get().items("devices")) all.add(device(item));
        Map<String, Device> byId = new HashMap<>();
        for (Device device : all) byId.put(device.id(), device);
        for (Entry item : rig.get().items("devices")) {
            straight(item, "on", "runs on", id -> byId.get(id).on());
            straight(item, "outlet", "is plugged into", id -> byId.get(id).outlet());
        }
        List<Cable> cables = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : rig.get().items("cables")) {
            ShowNames.unique(seen, item, "cable");
            cables.add(cable(item));
        }
        return new Rig(all, cables, stock(rig.get()), rig.get().extras());
    }

    /// What stands on another thing does not come back to itself.
    private static void straight(Entry item, String field, String does, UnaryOperator<String> to)
            throws FileTrouble {
        String id = item.text("id");
        Set<String> met = new LinkedHashSet<>();
        for (String at = id; !at.isEmpty(); at = to.apply(at)) {
            if (met.add(at)) continue;
            if (!at.equals(id)) return; // the others are told of it
            throw item.field(field)
                    .trouble(
                            met.size() == 1
                                    ? "\"%s\" %s itself".formatted(id, does)
                                    : "\"%s\" %s itself, by way of %s"
                                            .formatted(
                                                    id,
                                                    does,
                                                    String.join(
                                                            ", ", met.stream().skip(1).toList())));
        }
    }

    private Device device(Entry item) throws FileTrouble {
        String id = item.text("id");
        Template template = names.devices.get(id);
        item.text("template");
        String on = ShowNames.known(item, "on", "device", names.devices.keySet());
        if (!on.isEmpty() && !names.devices.get(on).isComputer()) {
            throw item.field("on").trouble("\"%s\" is no computer, so nothing can run on it", on);
        }
        SequencedMap<String, Setting> knobs = new LinkedHashMap<>();
        Optional<Entry> turned = item.maybe("knobs");
        if (turned.isPresent()) {
            for (var knob : turned.get().each().entrySet()) {
                for (String meant : template.meant(knob.getKey())) {
                    Setting stands = SettingReader.read(knob.getValue(), template, meant);
                    if (meant.equals(knob.getKey())) knobs.put(meant, stands);
                    else knobs.putIfAbsent(meant, stands);
                }
            }
        }
        return new Device(
                id,
                item.name("name", item.text("id")),
                template.id(),
                new Device.Where(
                        ShowNames.known(item, "place", "place", names.places),
                        on,
                        ShowNames.known(item, "worn", "person", names.people)),
                new Device.Fed(power(item, template), outlet(item)),
                item.truth("toBuy", false),
                knobs,
                strips(item, template),
                layout(item, template),
                item.extras());
    }

    private static SequencedMap<String, Strip> strips(Entry device, Template template)
            throws FileTrouble {
        SequencedMap<String, Strip> strips = new LinkedHashMap<>();
        Optional<Entry> written = device.maybe("strips");
        if (written.isEmpty()) return strips;
        List<String> faders = template.faders().stream().map(Knob::id).toList();
        for (var strip : written.get().each().entrySet()) {
            Entry item = strip.getValue();
            if (!faders.contains(strip.getKey()))
                throw item.unknown("fader on " + device.text("id"), strip.getKey(), faders);
            strips.put(
                    strip.getKey(),
                    new Strip(
                            Line.clipped(Line.of(item.text("name", "")), Entry.LONGEST_NAME),
                            tape(item),
                            item.extras()));
        }
        return strips;
    }

    private Layout layout(Entry device, Template template) throws FileTrouble {
        Optional<Entry> said = device.maybe("layout");
        if (said.isEmpty()) return Layout.AS_IT_COMES;
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        List<String> faders = template.faders().stream().map(Knob::id).toList();
        Optional<Entry> sits = said.get().maybe("controls");
        if (sits.isPresent())
            for (var each : sits.get().each().entrySet()) {
                Entry fader = each.getValue();
                Control control =
                        Keyed.find(template.desk().controls(), each.getKey()).orElse(null);
                if (control == null)
                    throw fader.unknown(
                            "control of the " + template.name(),
                            each.getKey(),
                            template.desk().controls().stream().map(Control::id).toList());
                fader.oneOf("fader", faders);
                if (!control.takes(fader.text()))
                    throw fader.trouble("\"%s\" cannot sit on %s", fader.text(), control.label());
                if (controls.containsValue(fader.text()))
                    throw fader.trouble("\"%s\" sits on another control too", fader.text());
                controls.put(each.getKey(), fader.text());
            }
        return new Layout(
                controls,
                banks(said.get(), template),
                pads(said.get(), template),
                links(said.get(), template),
                said.get().extras());
    }

    private static List<String> links(Entry layout, Template template) throws FileTrouble {
        List<String> known = template.desk().links().stream().map(Link::first).toList();
        List<String> links = new ArrayList<>();
        for (Entry item : layout.items("links")) {
            item.oneOf("channel that can be linked on the " + template.name(), known);
            if (!links.contains(item.text())) links.add(item.text());
        }
        return links;
    }

    private static SequencedMap<String, String> banks(Entry layout, Template template)
            throws FileTrouble {
        SequencedMap<String, String> banks = new LinkedHashMap<>();
        Optional<Entry> said = layout.maybe("banks");
        if (said.isEmpty()) return banks;
        for (var bank : said.get().each().entrySet()) {
            if (!template.desk().hasBank(bank.getKey()))
                throw bank.getValue()
                        .trouble(
                                "there is no bank \"%s\"; there are %d",
                                bank.getKey(), template.desk().banks());
            banks.put(
                    bank.getKey(),
                    Line.clipped(Line.of(bank.getValue().text()), Entry.LONGEST_NAME));
        }
        return banks;
    }

    private SequencedMap<String, Layout.Pad> pads(Entry layout, Template template)
            throws FileTrouble {
        SequencedMap<String, Layout.Pad> pads = new LinkedHashMap<>();
        Optional<Entry> said = layout.maybe("pads");
        if (said.isEmpty()) return pads;
        for (var pad : said.get().each().entrySet()) {
            Entry item = pad.getValue();
            if (!template.desk().hasPad(pad.getKey()))
                throw item.trouble(
                        "there is no pad \"%s\"; pads are bank/number, with %d banks of %d",
                        pad.getKey(), template.desk().banks(), template.desk().pads());
            pads.put(
                    pad.getKey(),
                    new Layout.Pad(
                            Line.clipped(Line.of(item.text("name", "")), Entry.LONGEST_NAME),
                            ShowNames.known(item, "plays", "source", names.sources),
                            item.extras()));
        }
        return pads;
    }

    private String outlet(Entry item) throws FileTrouble {
        String outlet = ShowNames.known(item, "outlet", "device", names.devices.keySet());
        if (!outlet.isEmpty() && names.devices.get(outlet).power().mostWatts() == 0)
            throw item.field("outlet")
                    .trouble("\"%s\" is no outlet strip, so nothing plugs into it", outlet);
        return outlet;
    }

    private List<Owned> stock(Entry rig) throws FileTrouble {
        Set<String> kinds = new HashSet<>(Templates.leads().names());
        kinds.addAll(names.catalogue.ids());
        List<Owned> stock = new ArrayList<>();
        for (Entry item : rig.items("stock")) {
            stock.add(
                    new Owned(
                            ShowNames.known(item.field("what"), "kind of lead or gear", kinds),
                            item.number("metres", 0, 1000, 0),
                            item.whole("pieces", 1, 10_000, 1),
                            item.extras()));
        }
        return stock;
    }

    private static Optional<Power.Source> power(Entry item, Template template) throws FileTrouble {
        Optional<Entry> said = item.maybe("power");
        if (said.isEmpty()) return Optional.empty();
        Power.Source power = said.get().word("kind of power", Power.Source.class);
        List<Power.Source> possible = template.power().from();
        if (!possible.contains(power))
            throw said.get()
                    .unknown(
                            "kind of power for this",
                            power.word(),
                            possible.stream().map(Power.Source::word).toList());
        return Optional.of(power);
    }

    private Cable cable(Entry item) throws FileTrouble {
        Entry fromEntry = item.field("from");
        Entry toEntry = item.field("to");
        Ref from = ShowNames.ref(fromEntry);
        Ref to = ShowNames.ref(toEntry);
        Port a = port(fromEntry, from);
        Port b = port(toEntry, to);
        if (from.equals(to)) throw item.trouble("this lead goes from %s back into it", from);
        Optional<String> refusal = a.cannotJoin(b);
        if (refusal.isPresent())
            throw item.trouble("%s and %s cannot be joined: %s", from, to, refusal.get());
        return new Cable(
                item.text("id"),
                from,
                to,
                item.number("metres", 0, 1000, 0),
                item.truth("toBuy", false),
                tape(item),
                item.extras());
    }

    private static Optional<Tape> tape(Entry item) throws FileTrouble {
        Optional<Entry> said = item.maybe("tape");
        return said.isEmpty()
                ? Optional.empty()
                : Optional.of(said.get().word("colour", Tape.class));
    }

    private Port port(Entry entry, Ref ref) throws FileTrouble {
        Template template = names.device(entry, ref);
        Optional<Port> port = template.port(ref.name());
        if (port.isEmpty()) {
            throw entry.unknown(
                    "port on " + ref.device(),
                    ref.name(),
                    template.ports().stream().map(Port::id).toList());
        }
        return port.get();
    }
}
