package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.UnaryOperator;
import rivulus.disk.Entry;
import rivulus.disk.Extras;
import rivulus.disk.Line;
import rivulus.edit.Cleaning;
import rivulus.edit.Edit;
import rivulus.edit.Ids;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.OwnTemplate;
import rivulus.show.Owned;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Words;

/// Changes of a rig that leave a sound document: whatever named a thing that goes, goes with it,
/// and is told before.
public final class RigEdits {
    private final Show show;
    private final Catalogue catalogue;

    /// Edits of a show whose templates are in the catalogue.
    public RigEdits(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = show.kinds(catalogue);
    }

    /// Adds a device.
    ///
    /// @param where the place it stands in, the computer it runs on, or the person who wears it; by
    ///     the kind of gear
    public Edit add(String template, String where) {
        Template kind = catalogue.get(template);
        String name = Ids.nameOfDevice(show, kind.name());
        boolean program =
                kind.kind() == GearKind.PROGRAM
                        && show.rig()
                                .device(where)
                                .filter(host -> catalogue.get(host.template()).isComputer())
                                .isPresent();
        boolean worn = kind.kind() == GearKind.WEARABLE && show.cast().person(where).isPresent();
        Device device =
                Device.of(Ids.ofThing(show, template), name, template)
                        .in(program || worn || show.place(where).isEmpty() ? "" : where)
                        .on(program ? where : "")
                        .wornBy(worn ? where : "");
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(device);
        return edit("Add " + name, with(devices, show.rig().cables()));
    }

    /// Gives a device another name.
    ///
    /// @throws IllegalArgumentException if the name is blank
    public Edit rename(Device device, String name) {
        if (Line.of(name).isEmpty()) throw new IllegalArgumentException("a device needs a name");
        Device renamed = now(device).named(Line.clipped(Line.of(name), Entry.LONGEST_NAME));
        return edit(
                "Call %s %s".formatted(device.name(), renamed.name()),
                show.withRig(show.rig().with(renamed)));
    }

    /// Runs a device from something else.
    public Edit power(Device device, Power.Source source) {
        return edit(
                "Run %s from %s".formatted(device.name(), source.words()),
                show.withRig(show.rig().with(now(device).poweredBy(source))));
    }

    /// Plugs a device into a strip, or into the wall: where that is empty, is no strip, or is
    /// itself plugged into the device.
    public Edit plug(Device device, Optional<Device> into) {
        Optional<Device> strip =
                into.filter(s -> catalogue.get(s.template()).power().mostWatts() > 0)
                        .filter(s -> show.rig().mayFeed(now(s), now(device)));
        return edit(
                "Plug %s into %s"
                        .formatted(device.name(), strip.map(Device::name).orElse("the wall")),
                show.withRig(
                        show.rig()
                                .with(now(device).pluggedInto(strip.map(Device::id).orElse("")))));
    }

    /// Says whether a device has still to be bought.
    public Edit toBuy(Device device, boolean toBuy) {
        return edit(
                "%s %s".formatted(toBuy ? "Buy" : "Own", device.name()),
                show.withRig(show.rig().with(now(device).toBuy(toBuy))));
    }

    /// Says how many of a kind of lead or box are in the cupboard.
    ///
    /// @param what the kind of lead, or the id of a template
    /// @param metres 0 for boxes and unknown lengths
    /// @param pieces 0 to forget it
    public Edit own(String what, double metres, int pieces) {
        List<Owned> stock = new ArrayList<>();
        boolean known = false;
        for (Owned owned : show.rig().stock()) {
            boolean same = owned.what().equals(what) && owned.metres() == metres;
            known |= same;
            if (!same) stock.add(owned);
            else if (pieces > 0) stock.add(new Owned(what, metres, pieces, owned.extras()));
        }
        if (!known && pieces > 0) stock.add(new Owned(what, metres, pieces, Extras.NONE));
        String name = catalogue.find(what).map(Template::name).orElse(what);
        return edit(
                pieces > 0 ? "Own %d × %s".formatted(pieces, name) : "Own no " + name,
                show.withRig(show.rig().withStock(stock)));
    }

    /// Counts every lead and box of the plan that is not to be bought as owned.
    public Edit ownThePlan(List<LeadReport> leads) {
        Map<String, Owned> stock = new LinkedHashMap<>();
        for (LeadReport lead : leads) {
            boolean thing = lead.kind().filter(kind -> kind.isThing()).isPresent();
            if (thing && !lead.cable().toBuy())
                count(stock, lead.kindInWords(), lead.cable().metres());
        }
        for (Device device : show.rig().devices()) {
            boolean box = catalogue.get(device.template()).kind().isBox();
            if (box && !device.toBuy()) count(stock, device.template(), 0);
        }
        return edit(
                "Count what the plan takes as owned",
                show.withRig(show.rig().withStock(List.copyOf(stock.values()))));
    }

    private static void count(Map<String, Owned> stock, String what, double metres) {
        stock.merge(
                what + "/" + metres,
                new Owned(what, metres, 1, Extras.NONE),
                (a, _) -> new Owned(what, metres, a.pieces() + 1, Extras.NONE));
    }

    /// Keeps a kind of gear with the show, in place of another of the same id; what devices of it
    /// can no longer do goes with the old one.
    public Edit keep(OwnTemplate own) {
        List<OwnTemplate> templates = new ArrayList<>();
        boolean known = false;
        for (OwnTemplate other : show.templates()) {
            boolean same = other.template().id().equals(own.template().id());
            known |= same;
            templates.add(same ? own : other);
        }
        if (!known) templates.add(own);
        Show with = show.withTemplates(templates);
        Catalogue then = catalogue.with(List.of(own.template()));
        List<String> losses = new ArrayList<>();
        Show sound = new Cleaning(with, then, Set.of(), losses).cleaned();
        return edit("Keep the kind " + own.template().name(), sound, losses);
    }

    /// Keeps a kind of gear with the show and makes a device one of it.
    public Edit keepFor(OwnTemplate own, Device device) {
        Edit kept = keep(own);
        if (own.template().id().equals(device.template())) return kept;
        Edit put =
                new RigEdits(kept.after(), catalogue.with(List.of(own.template())))
                        .replace(device, own.template().id());
        List<String> losses = new ArrayList<>(kept.losses());
        losses.addAll(put.losses());
        return edit(
                "Make %s a %s".formatted(device.name(), own.template().name()),
                put.after(),
                losses);
    }

    /// Puts a device in another place.
    public Edit move(Device device, Place place) {
        return edit(
                "Move %s to %s".formatted(device.name(), place.name()),
                show.withRig(show.rig().with(now(device).in(place.id()))));
    }

    /// Joins two devices in a way that was found.
    public Edit join(Joining way) {
        return edit("Join " + way.way(), way.picks().after());
    }

    /// Takes a lead out.
    public Edit unjoin(Cable lead) {
        return edit(
                "Take out the lead " + End.words(lead, show.rig(), catalogue),
                show.withRig(show.rig().without(lead)));
    }

    /// Puts on somebody what they wear, and takes everything else off them.
    ///
    /// @param worn the ids of the devices
    public Edit wear(Person person, List<String> worn) {
        List<Device> devices =
                show.rig().devices().stream()
                        .map(
                                device ->
                                        worn.contains(device.id())
                                                ? device.wornBy(person.id())
                                                : device.worn().equals(person.id())
                                                        ? device.wornBy("")
                                                        : device)
                        .toList();
        return edit(
                "Change what %s wears".formatted(person.name()),
                with(devices, show.rig().cables()));
    }

    /// A device once more, with its knobs, in the same place and without leads.
    public Edit twice(Device device) {
        Device now = now(device);
        String name = Ids.nameOfDevice(show, now.name());
        Device copy =
                Device.of(Ids.ofThing(show, now.template()), name, now.template())
                        .in(now.place())
                        .on(now.on())
                        .poweredBy(now.power())
                        .pluggedInto(now.outlet())
                        .toBuy(now.toBuy())
                        .withKnobs(now.knobs());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(devices.indexOf(now) + 1, copy);
        return edit("Double " + now.name(), with(devices, show.rig().cables())).choosing(copy.id());
    }

    /// Says how long a lead is.
    ///
    /// @param metres 0 for unknown
    public Edit length(LeadReport lead, double metres) {
        return cable(
                "Make the lead from %s %s m long".formatted(lead.a().words(), metres),
                lead,
                c -> c.ofLength(metres));
    }

    /// Says whether a lead has still to be bought.
    public Edit toBuy(LeadReport lead, boolean toBuy) {
        return cable(
                "%s the lead from %s".formatted(toBuy ? "Buy" : "Own", lead.a().words()),
                lead,
                c -> c.toBuy(toBuy));
    }

    private Edit cable(String name, LeadReport lead, UnaryOperator<Cable> edit) {
        List<Cable> cables =
                show.rig().cables().stream()
                        .map(c -> c.id().equals(lead.cable().id()) ? edit.apply(c) : c)
                        .toList();
        return edit(name, with(show.rig().devices(), cables));
    }

    /// Puts a device of another kind in the place of one: leads stay where a port of the same
    /// connector and signal is free, knobs where the new device has one of the same id.
    public Edit replace(Device replaced, String template) {
        Device device = now(replaced);
        Template kind = catalogue.get(template);
        List<String> losses = new ArrayList<>();
        List<Cable> cables = new ArrayList<>();
        Set<String> used = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            Optional<Cable> kept = carried(cable, device, kind, used);
            kept.ifPresentOrElse(
                    cables::add,
                    () -> losses.add("the lead " + End.words(cable, show.rig(), catalogue)));
        }
        SequencedMap<String, Setting> knobs = new LinkedHashMap<>();
        List<String> unset = new ArrayList<>();
        device.knobs()
                .forEach(
                        (id, setting) -> {
                            if (kind.knob(id).filter(k -> k.takes(setting)).isPresent())
                                knobs.put(id, setting);
                            else unset.add(label(device, id));
                        });
        if (!unset.isEmpty()) losses.add("the setting of " + Words.list(unset));
        Device instead =
                device.ofKind(template)
                        .poweredBy(kind.power().bears(device.power()))
                        .withKnobs(knobs);
        List<Device> devices =
                show.rig().devices().stream()
                        .map(d -> d.id().equals(device.id()) ? instead : d)
                        .toList();
        Show after = with(devices, cables);
        Show sound = new Cleaning(after, catalogue, Set.of(), losses).cleaned();
        return edit("Replace %s by %s".formatted(device.name(), kind.name()), sound, losses);
    }

    private String label(Device device, String knob) {
        return catalogue.get(device.template()).knob(knob).map(Knob::label).orElse(knob);
    }

    private Optional<Cable> carried(Cable cable, Device device, Template kind, Set<String> used) {
        if (!cable.touches(device.id())) return Optional.of(cable);
        boolean here = cable.from().device().equals(device.id());
        Port old =
                catalogue
                        .get(device.template())
                        .port((here ? cable.from() : cable.to()).name())
                        .orElseThrow();
        return kind.ports().stream()
                .filter(port -> port.connector().equals(old.connector()))
                .filter(port -> port.carries() == old.carries())
                .filter(port -> port.gives() > 0 == old.gives() > 0)
                .filter(port -> port.takes() > 0 == old.takes() > 0)
                .sorted(Comparator.comparing(port -> !port.id().equals(old.id())))
                .filter(port -> used.add(port.id()))
                .findFirst()
                .map(port -> new Ref(device.id(), port.id()))
                .map(
                        ref ->
                                new Cable(
                                        cable.id(),
                                        here ? ref : cable.from(),
                                        here ? cable.to() : ref,
                                        cable.metres(),
                                        cable.toBuy(),
                                        cable.tape(),
                                        cable.extras()));
    }

    /// Takes a device out, with its leads, what runs on it, and whatever named it.
    public Edit remove(Device device) {
        Set<String> gone = new HashSet<>(Set.of(device.id()));
        for (Device other : show.rig().devices())
            if (gone.contains(other.on())) gone.add(other.id());
        List<String> losses = new ArrayList<>();
        for (Device other : show.rig().devices())
            if (gone.contains(other.id()) && !other.id().equals(device.id()))
                losses.add(other.name());
        Show after = new Cleaning(show, catalogue, gone, losses).cleaned();
        return edit("Remove " + device.name(), after, losses);
    }

    private Edit edit(String name, Show after) {
        return edit(name, after, List.of());
    }

    private Edit edit(String name, Show after, List<String> losses) {
        return new Edit(name, new Change(show, after), losses);
    }

    /// A device as it stands in this show, whenever it was looked up.
    private Device now(Device device) {
        return show.rig().device(device.id()).orElse(device);
    }

    private Show with(List<Device> devices, List<Cable> cables) {
        return show.withRig(show.rig().with(devices, cables));
    }
}
