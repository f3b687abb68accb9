package rivulus.file;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
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
        List<Cable> cables = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : rig.get().items("cables")) {
            ShowNames.unique(seen, item, "cable");
            cables.add(cable(item));
        }
        return new Rig(all, cables, stock(rig.get()), rig.get().extras());
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
                knobs.put(
                        knob.getKey(),
                        SettingReader.read(knob.getValue(), template, knob.getKey()));
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

    private String outlet(Entry item) throws FileTrouble {
        String outlet = ShowNames.known(item, "outlet", "device", names.devices.keySet());
        if (!outlet.isEmpty() && names.devices.get(outlet).power().mostWatts() == 0)
            throw item.field("outlet")
                    .trouble("\"%s\" is no outlet strip, so nothing plugs into it", outlet);
        return outlet;
    }

    private List<Owned> stock(Entry rig) throws FileTrouble {
        Set<String> kinds = new HashSet<>(Templates.leads().names());
        kinds.addAll(names.catalogue.templates().keySet());
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
