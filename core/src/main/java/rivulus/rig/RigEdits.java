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
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Extras;
import rivulus.show.MuteKey;
import rivulus.show.OwnTemplate;
import rivulus.show.Owned;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Scene;
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
        this.catalogue = catalogue.with(show.templates().stream().map(o -> o.template()).toList());
    }

    /// Adds a device.
    ///
    /// @param where the place it stands in, the computer it runs on, or the person who wears it; by
    ///     the kind of gear
    public RigEdit add(String template, String where) {
        Template kind = catalogue.get(template);
        String name = freeName(kind.name());
        boolean program =
                kind.kind().equals("program")
                        && show.rig()
                                .device(where)
                                .filter(host -> catalogue.get(host.template()).isComputer())
                                .isPresent();
        boolean worn = kind.kind().equals("wearable") && show.cast().person(where).isPresent();
        Device device =
                Device.of(freeId(template), name, template)
                        .in(program || worn || show.place(where).isEmpty() ? "" : where)
                        .on(program ? where : "")
                        .wornBy(worn ? where : "");
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(device);
        return new RigEdit("Add " + name, with(devices, show.rig().cables()));
    }

    private String freeName(String stem) {
        Set<String> names = new HashSet<>();
        for (Device device : show.rig().devices()) names.add(device.name());
        if (!names.contains(stem)) return stem;
        int n = 2;
        while (names.contains(stem + " " + n)) n++;
        return stem + " " + n;
    }

    private String freeId(String stem) {
        Set<String> ids = new HashSet<>();
        for (Device device : show.rig().devices()) ids.add(device.id());
        show.cast().people().forEach(person -> ids.add(person.id()));
        show.cast().playback().forEach(playback -> ids.add(playback.id()));
        if (!ids.contains(stem)) return stem;
        int n = 2;
        while (ids.contains(stem + "-" + n)) n++;
        return stem + "-" + n;
    }

    /// Gives a device another name.
    ///
    /// @throws IllegalArgumentException if the name is blank
    public RigEdit rename(Device device, String name) {
        if (name.isBlank()) throw new IllegalArgumentException("a device needs a name");
        Device renamed = device.named(name.strip());
        return new RigEdit(
                "Call %s %s".formatted(device.name(), name.strip()),
                show.withRig(show.rig().with(renamed)));
    }

    /// Runs a device from something else: `battery`, `mains` …
    public RigEdit power(Device device, String kind) {
        return new RigEdit(
                "Run %s from %s".formatted(device.name(), kind),
                show.withRig(show.rig().with(device.poweredBy(kind))));
    }

    /// Plugs a device into a strip, or, empty, into the wall.
    public RigEdit plug(Device device, Optional<Device> strip) {
        return new RigEdit(
                "Plug %s into %s"
                        .formatted(device.name(), strip.map(Device::name).orElse("the wall")),
                show.withRig(
                        show.rig().with(device.pluggedInto(strip.map(Device::id).orElse("")))));
    }

    /// Says whether a device has still to be bought.
    public RigEdit toBuy(Device device, boolean toBuy) {
        return new RigEdit(
                "%s %s".formatted(toBuy ? "Buy" : "Own", device.name()),
                show.withRig(show.rig().with(device.toBuy(toBuy))));
    }

    /// Says how many of a kind of lead or box are in the cupboard.
    ///
    /// @param what the kind of lead, or the id of a template
    /// @param metres 0 for boxes and unknown lengths
    /// @param pieces 0 to forget it
    public RigEdit own(String what, double metres, int pieces) {
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
        return new RigEdit(
                pieces > 0 ? "Own %d × %s".formatted(pieces, name) : "Own no " + name,
                show.withRig(show.rig().withStock(stock)));
    }

    /// Counts every lead and box of the plan that is not to be bought as owned.
    public RigEdit ownThePlan(List<LeadReport> leads) {
        Map<String, Owned> stock = new LinkedHashMap<>();
        for (LeadReport lead : leads) {
            boolean thing = lead.kind().filter(kind -> kind.isThing()).isPresent();
            if (thing && !lead.cable().toBuy())
                count(stock, lead.kindInWords(), lead.cable().metres());
        }
        for (Device device : show.rig().devices()) {
            String kind = catalogue.get(device.template()).kind();
            boolean box = kind.equals("adapter") || kind.equals("isolator");
            if (box && !device.toBuy()) count(stock, device.template(), 0);
        }
        return new RigEdit(
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
    public RigEdit keep(OwnTemplate own) {
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
        Show sound = new RigEdits(with, then).new Cleaning(with, Set.of(), losses).cleaned();
        return new RigEdit("Keep the kind " + own.template().name(), sound, losses);
    }

    /// Keeps a kind of gear with the show and makes a device one of it.
    public RigEdit keepFor(OwnTemplate own, Device device) {
        RigEdit kept = keep(own);
        if (own.template().id().equals(device.template())) return kept;
        RigEdit put =
                new RigEdits(kept.after(), catalogue.with(List.of(own.template())))
                        .replace(device, own.template().id());
        List<String> losses = new ArrayList<>(kept.losses());
        losses.addAll(put.losses());
        return new RigEdit(
                "Make %s a %s".formatted(device.name(), own.template().name()),
                put.after(),
                losses);
    }

    /// Puts a device in another place.
    public RigEdit move(Device device, Place place) {
        return new RigEdit(
                "Move %s to %s".formatted(device.name(), place.name()),
                show.withRig(show.rig().with(device.in(place.id()))));
    }

    /// Joins two devices in a way that was found.
    public RigEdit join(Joining way) {
        return new RigEdit("Join " + way.way(), way.picks().after());
    }

    /// Takes a lead out.
    public RigEdit unjoin(LeadReport lead) {
        return new RigEdit(
                "Take out the lead from %s to %s".formatted(lead.a().words(), lead.b().words()),
                show.withRig(show.rig().without(lead.cable())));
    }

    /// Says how long a lead is.
    ///
    /// @param metres 0 for unknown
    public RigEdit length(LeadReport lead, double metres) {
        return cable(
                "Make the lead from %s %s m long".formatted(lead.a().words(), metres),
                lead,
                c -> c.ofLength(metres));
    }

    /// Says whether a lead has still to be bought.
    public RigEdit toBuy(LeadReport lead, boolean toBuy) {
        return cable(
                "%s the lead from %s".formatted(toBuy ? "Buy" : "Own", lead.a().words()),
                lead,
                c -> c.toBuy(toBuy));
    }

    private RigEdit cable(String name, LeadReport lead, UnaryOperator<Cable> edit) {
        List<Cable> cables =
                show.rig().cables().stream()
                        .map(c -> c.id().equals(lead.cable().id()) ? edit.apply(c) : c)
                        .toList();
        return new RigEdit(name, with(show.rig().devices(), cables));
    }

    /// Puts a device of another kind in the place of one: leads stay where a port of the same
    /// connector and signal is free, knobs where the new device has one of the same id.
    public RigEdit replace(Device device, String template) {
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
                        .poweredBy(
                                kind.power().from().contains(device.power()) ? device.power() : "")
                        .withKnobs(knobs);
        List<Device> devices =
                show.rig().devices().stream()
                        .map(d -> d.id().equals(device.id()) ? instead : d)
                        .toList();
        Show after = with(devices, cables);
        Show sound = new Cleaning(after, Set.of(), losses).cleaned();
        return new RigEdit("Replace %s by %s".formatted(device.name(), kind.name()), sound, losses);
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
                .filter(port -> port.carries().equals(old.carries()))
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
                                        cable.extras()));
    }

    /// Takes a device out, with its leads, what runs on it, and whatever named it.
    public RigEdit remove(Device device) {
        Set<String> gone = new HashSet<>(Set.of(device.id()));
        for (Device other : show.rig().devices())
            if (gone.contains(other.on())) gone.add(other.id());
        List<String> losses = new ArrayList<>();
        for (Device other : show.rig().devices())
            if (gone.contains(other.id()) && other != device) losses.add(other.name());
        Show after = new Cleaning(show, gone, losses).cleaned();
        return new RigEdit("Remove " + device.name(), after, losses);
    }

    private Show with(List<Device> devices, List<Cable> cables) {
        return show.withRig(show.rig().with(devices, cables));
    }

    /// Takes everything out of a show that names a device, point, port or knob that is not there.
    private final class Cleaning {
        private final Show from;
        private final Set<String> gone;
        private final List<String> losses;

        Cleaning(Show from, Set<String> gone, List<String> losses) {
            this.from = from;
            this.gone = gone;
            this.losses = losses;
        }

        Show cleaned() {
            List<Device> devices =
                    from.rig().devices().stream()
                            .filter(d -> !gone.contains(d.id()))
                            .map(this::unpicked)
                            .toList();
            List<Cable> cables =
                    from.rig().cables().stream()
                            .filter(c -> portIsThere(c.from()) && portIsThere(c.to()))
                            .toList();
            int leads = from.rig().cables().size() - cables.size();
            if (leads > 0) losses.add(leads == 1 ? "a lead" : leads + " leads");
            List<Playback> playback =
                    from.cast().playback().stream().filter(p -> has(p.at(), p.name())).toList();
            List<Ear> ears = new ArrayList<>();
            for (Ear ear : from.ears()) {
                List<Ref> at = ear.at().stream().filter(this::isThere).toList();
                if (at.isEmpty() && !ear.at().isEmpty()) losses.add(ear.name());
                else
                    ears.add(new Ear(ear.id(), ear.name(), ear.kind(), ear.of(), at, ear.extras()));
            }
            Set<String> sources = new HashSet<>();
            from.cast().people().forEach(p -> sources.add(p.id()));
            playback.forEach(p -> sources.add(p.id()));
            Set<String> earIds = new HashSet<>();
            ears.forEach(e -> earIds.add(e.id()));
            return new Show(
                    from.title(),
                    new Cast(from.cast().people(), playback, from.cast().extras()),
                    from.places().stream().map(this::place).toList(),
                    ears.stream()
                            .filter(e -> e.of().isEmpty() || sources.contains(e.of()))
                            .toList(),
                    from.changes().stream()
                            .filter(c -> earIds.contains(c.ear()) && sources.contains(c.source()))
                            .toList(),
                    from.rig().with(devices, cables),
                    from.scenes().stream().map(s -> scene(s, sources)).toList(),
                    from.mutes().stream()
                            .filter(m -> knobIsThere(m.knob()))
                            .map(m -> mute(m, sources, earIds))
                            .toList(),
                    from.templates(),
                    from.extras());
        }

        private boolean has(Ref at, String name) {
            boolean there = isThere(at);
            if (!there) losses.add(name);
            return there;
        }

        private boolean isThere(Ref point) {
            if (from.cast().person(point.device()).isPresent()) return true;
            return template(point.device())
                    .filter(t -> t.point(point.name()).isPresent())
                    .isPresent();
        }

        private Optional<Template> template(String device) {
            return from.rig()
                    .device(device)
                    .filter(d -> !gone.contains(d.id()))
                    .map(d -> catalogue.get(d.template()));
        }

        private boolean knobIsThere(Ref knob) {
            return template(knob.device())
                    .filter(
                            t ->
                                    t.knob(knob.name()).isPresent()
                                            || t.picker(knob.name()).isPresent())
                    .isPresent();
        }

        /// A pick of a device that has gone falls back to how the picker stands.
        private Device unpicked(Device device) {
            SequencedMap<String, Setting> kept = new LinkedHashMap<>();
            device.knobs()
                    .forEach(
                            (knob, setting) -> {
                                if (takes(device, knob, setting)) kept.put(knob, setting);
                            });
            Device here = gone.contains(device.outlet()) ? device.pluggedInto("") : device;
            return here.withKnobs(kept);
        }

        /// Whether a device still has a knob and it can stand so.
        private boolean takes(Device device, String knob, Setting setting) {
            Template template = catalogue.get(device.template());
            if (template.picker(knob).isPresent()) return !picksGone(setting);
            boolean takes = template.knob(knob).filter(k -> k.takes(setting)).isPresent();
            if (!takes) losses.add("the setting of %s on %s".formatted(knob, device.name()));
            return takes;
        }

        private boolean portIsThere(Ref port) {
            return template(port.device()).flatMap(t -> t.port(port.name())).isPresent();
        }

        private boolean picksGone(Setting setting) {
            return setting instanceof Setting.Choice(String option)
                    && option.contains("/")
                    && !endpointIsThere(option);
        }

        private boolean endpointIsThere(String option) {
            int slash = option.indexOf('/');
            return template(option.substring(0, slash))
                    .filter(
                            t ->
                                    t.endpoints().stream()
                                            .anyMatch(
                                                    e ->
                                                            e.id().equals(
                                                                            option.substring(
                                                                                    slash + 1))))
                    .isPresent();
        }

        private Scene scene(Scene scene, Set<String> sources) {
            SequencedMap<Ref, Setting> knobs = new LinkedHashMap<>();
            scene.knobs()
                    .forEach(
                            (ref, setting) -> {
                                if (knobIsThere(ref) && !picksGone(setting))
                                    knobs.put(ref, setting);
                            });
            List<String> quiet = scene.quiet().stream().filter(sources::contains).toList();
            return new Scene(
                    scene.id(), scene.name(), quiet, scene.minutes(), knobs, scene.extras());
        }

        private MuteKey mute(MuteKey mute, Set<String> sources, Set<String> ears) {
            return new MuteKey(
                    mute.id(),
                    mute.name(),
                    mute.knob(),
                    mute.to(),
                    mute.silences().stream().filter(sources::contains).toList(),
                    mute.except().stream().filter(ears::contains).toList(),
                    mute.extras());
        }

        private Place place(Place place) {
            return new Place(
                    place.id(),
                    place.name(),
                    place.room(),
                    place.distances().stream()
                            .filter(d -> !gone.contains(d.from()) && !gone.contains(d.to()))
                            .toList(),
                    place.extras());
        }
    }
}
