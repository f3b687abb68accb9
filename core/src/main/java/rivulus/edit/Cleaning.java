package rivulus.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.Keyed;
import rivulus.gear.Knob;
import rivulus.gear.Link;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Going;
import rivulus.show.Layout;
import rivulus.show.Mix;
import rivulus.show.MuteKey;
import rivulus.show.Output;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Rundown;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Strip;
import rivulus.words.Words;

/// Takes everything out of a show that names a person, place, ear, scene, device, point, port,
/// knob, setting, outlet or computer that is not there or cannot be so, so that what is left can be
/// saved and opened again.
public final class Cleaning {
    private final Show from;
    private final Catalogue catalogue;
    private final Set<String> gone;
    private final List<String> losses;

    /// @param catalogue every kind of gear, those of the show among them
    /// @param gone devices that are to go
    /// @param losses what goes is added to it, one clause each
    public Cleaning(Show from, Catalogue catalogue, Set<String> gone, List<String> losses) {
        this.from = from;
        this.catalogue = catalogue;
        this.gone = gone;
        this.losses = losses;
    }

    /// What is left.
    public Show cleaned() {
        List<Cable> cables = cables();
        List<Device> devices =
                from.rig().devices().stream()
                        .filter(d -> !gone.contains(d.id()))
                        .map(this::device)
                        .toList();
        List<Playback> playback = from.cast().playback().stream().map(this::playback).toList();
        Set<String> sources = new HashSet<>();
        from.cast().people().forEach(p -> sources.add(p.id()));
        playback.forEach(p -> sources.add(p.id()));
        List<Ear> ears = ears(sources);
        Set<String> earIds = new HashSet<>();
        ears.forEach(e -> earIds.add(e.id()));
        Rig rig = from.rig().with(devices, cables);
        Rundown rundown =
                new Rundown(
                        from.changes().stream()
                                .filter(
                                        c ->
                                                isNamed(
                                                        c.ear(),
                                                        earIds,
                                                        c.source(),
                                                        sources,
                                                        c.scene()))
                                .toList(),
                        from.aims().stream()
                                .filter(
                                        aim ->
                                                isNamed(
                                                        aim.ear(),
                                                        earIds,
                                                        aim.source(),
                                                        sources,
                                                        aim.scene()))
                                .toList(),
                        from.scenes().stream().map(s -> scene(s, sources)).toList(),
                        from.mutes().stream()
                                .filter(this::canBePressed)
                                .map(m -> mute(m, sources, earIds))
                                .toList(),
                        from.mixes().stream()
                                .filter(this::isMixedThere)
                                .map(mix -> mix.of(sources))
                                .toList(),
                        from.profiles().stream().map(this::profile).toList(),
                        going(earIds, sources));
        return from.withCast(new Cast(from.cast().people(), playback, from.cast().extras()))
                .withPlaces(from.places().stream().map(this::place).toList())
                .withEars(ears)
                .withRig(rig)
                .withRundown(rundown);
    }

    private boolean isMixedThere(Mix mix) {
        if (isThere(mix.at())) return true;
        losses.add("what " + mix.at() + " is to carry");
        return false;
    }

    private boolean isNamed(
            String ear, Set<String> ears, String source, Set<String> sources, String scene) {
        return ears.contains(ear)
                && sources.contains(source)
                && (scene.isEmpty() || from.scene(scene).isPresent());
    }

    private List<Ear> ears(Set<String> sources) {
        List<Ear> ears = new ArrayList<>();
        for (Ear ear : from.ears()) {
            List<Ref> at = ear.at().stream().filter(this::isThere).toList();
            boolean nobodys = !ear.of().isEmpty() && !sources.contains(ear.of());
            if (nobodys) {
                losses.add(ear.name());
                continue;
            }
            if (at.isEmpty() && !ear.at().isEmpty()) losses.add(ear.name() + " listens nowhere");
            ears.add(new Ear(ear.id(), ear.name(), ear.kind(), ear.of(), at, ear.extras()));
        }
        return ears;
    }

    private Playback playback(Playback plays) {
        Optional<Ref> at = plays.at().filter(this::isThere);
        if (at.equals(plays.at())) return plays;
        losses.add("nothing plays " + plays.name());
        return plays.from(at);
    }

    private boolean isThere(Ref point) {
        Optional<Template> template =
                from.cast().person(point.device()).isPresent()
                        ? catalogue.find(Catalogue.PERSON)
                        : template(point.device());
        return template.flatMap(t -> t.point(point.name())).isPresent();
    }

    private Optional<Template> template(String device) {
        return from.rig()
                .device(device)
                .filter(d -> !gone.contains(d.id()))
                .flatMap(d -> catalogue.find(d.template()));
    }

    // Devices

    private Device device(Device device) {
        Device here =
                device.withKnobs(settings(device))
                        .withStrips(strips(device))
                        .withLayout(layout(device));
        if (!here.outlet().isEmpty() && !isStrip(here.outlet())) {
            if (!gone.contains(here.outlet())) losses.add("the outlet of " + device.name());
            here = here.pluggedInto("");
        }
        if (!here.on().isEmpty() && template(here.on()).filter(Template::isComputer).isEmpty()) {
            losses.add(device.name() + " no longer runs on anything");
            here = here.on("");
        }
        if (!here.worn().isEmpty() && from.cast().person(here.worn()).isEmpty()) {
            losses.add(device.name() + " is worn by nobody");
            here = here.wornBy("");
        }
        if (!here.place().isEmpty() && from.place(here.place()).isEmpty()) {
            losses.add(device.name() + " stands nowhere");
            here = here.in("");
        }
        return here.poweredBy(catalogue.get(here.template()).power().bears(here.power()));
    }

    private boolean isStrip(String outlet) {
        return template(outlet).filter(t -> t.power().mostWatts() > 0).isPresent();
    }

    private SequencedMap<String, Strip> strips(Device device) {
        SequencedMap<String, Strip> kept = new LinkedHashMap<>(device.strips());
        List<String> faders =
                catalogue.get(device.template()).faders().stream().map(Knob::id).toList();
        kept.keySet().retainAll(faders);
        if (kept.size() < device.strips().size())
            losses.add("what is written on channels of " + device.name());
        return kept;
    }

    /// Faders, pads and links that a machine has not, and pads for what is gone.
    private Layout layout(Device device) {
        Template kind = catalogue.get(device.template());
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        device.layout()
                .controls()
                .forEach(
                        (id, fader) -> {
                            boolean sits =
                                    Keyed.find(kind.desk().controls(), id)
                                                    .filter(control -> control.takes(fader))
                                                    .isPresent()
                                            && kind.knob(fader).isPresent();
                            if (sits) controls.put(id, fader);
                        });
        SequencedMap<String, String> banks = new LinkedHashMap<>(device.layout().banks());
        banks.keySet().removeIf(number -> !kind.desk().hasBank(number));
        SequencedMap<String, Layout.Pad> pads = new LinkedHashMap<>();
        device.layout()
                .pads()
                .forEach(
                        (number, pad) -> {
                            if (kind.desk().hasPad(number)) pads.put(number, pad(pad));
                        });
        List<String> links =
                device.layout().standing(kind.desk()).stream().map(Link::first).toList();
        Layout kept = new Layout(controls, banks, pads, links, device.layout().extras());
        if (!kept.withControls(device.layout().controls()).equals(kept))
            losses.add("where faders of " + device.name() + " sit");
        if (pads.size() < device.layout().pads().size()) losses.add("cue pads of " + device.name());
        if (links.size() < device.layout().links().size())
            losses.add("linked channels of " + device.name());
        return kept;
    }

    /// A pad for something that has gone keeps its name.
    private Layout.Pad pad(Layout.Pad pad) {
        boolean there = pad.plays().isEmpty() || from.cast().source(pad.plays()).isPresent();
        return there ? pad : pad.playing("");
    }

    /// A pick of a device that has gone falls back to how the picker stands.
    private SequencedMap<String, Setting> settings(Device device) {
        SequencedMap<String, Setting> kept = new LinkedHashMap<>();
        List<String> unset = new ArrayList<>();
        device.knobs()
                .forEach(
                        (knob, setting) -> {
                            Ref ref = new Ref(device.id(), knob);
                            if (takes(ref, setting)) kept.put(knob, setting);
                            else if (!picksGone(setting)) unset.add(knob);
                        });
        for (String knob : unset)
            losses.add("the setting of %s on %s".formatted(label(device, knob), device.name()));
        return kept;
    }

    private String label(Device device, String knob) {
        return catalogue.get(device.template()).knob(knob).map(Knob::label).orElse(knob);
    }

    /// Whether a knob is there and can stand so.
    private boolean takes(Ref ref, Setting setting) {
        Optional<Template> template = template(ref.device());
        if (template.isEmpty()) return false;
        if (template.get().picker(ref.name()).isPresent())
            return setting instanceof Setting.Choice && !picksGone(setting);
        return template.get().knob(ref.name()).filter(k -> k.takes(setting)).isPresent();
    }

    private boolean picksGone(Setting setting) {
        return setting instanceof Setting.Choice(String option)
                && option.contains("/")
                && !endpointIsThere(option);
    }

    private boolean endpointIsThere(String option) {
        int slash = option.indexOf('/');
        return template(option.substring(0, slash)).stream()
                .flatMap(t -> t.endpoints().stream())
                .anyMatch(e -> e.id().equals(option.substring(slash + 1)));
    }

    // Leads

    private List<Cable> cables() {
        List<Cable> kept = new ArrayList<>();
        List<String> lost = new ArrayList<>();
        for (Cable cable : from.rig().cables()) {
            if (canJoin(cable)) kept.add(cable);
            else lost.add(words(cable));
        }
        if (lost.size() == 1) losses.add(lost.getFirst());
        else if (!lost.isEmpty()) losses.add(lost.size() + " leads");
        return kept;
    }

    private String words(Cable cable) {
        boolean told = port(cable.from(), true).isPresent() && port(cable.to(), true).isPresent();
        return told ? "the lead " + End.words(cable, from.rig(), catalogue) : "a lead";
    }

    private boolean canJoin(Cable cable) {
        Optional<Port> a = port(cable.from(), false);
        Optional<Port> b = port(cable.to(), false);
        return a.isPresent()
                && b.isPresent()
                && !cable.from().equals(cable.to())
                && a.get().cannotJoin(b.get()).isEmpty();
    }

    /// @param any whether on devices that are to go, too
    private Optional<Port> port(Ref port, boolean any) {
        Optional<Template> template =
                any
                        ? from.rig()
                                .device(port.device())
                                .flatMap(d -> catalogue.find(d.template()))
                        : template(port.device());
        return template.flatMap(t -> t.port(port.name()));
    }

    // What else names them

    private Scene scene(Scene scene, Set<String> sources) {
        SequencedMap<Ref, Setting> knobs = new LinkedHashMap<>();
        List<String> unset = new ArrayList<>();
        scene.knobs()
                .forEach(
                        (ref, setting) -> {
                            if (takes(ref, setting)) knobs.put(ref, setting);
                            else if (template(ref.device()).isPresent() && !picksGone(setting))
                                unset.add(knobWords(ref));
                        });
        if (!unset.isEmpty())
            losses.add("in %s the setting of %s".formatted(scene.name(), Words.list(unset)));
        List<String> quiet = scene.quiet().stream().filter(sources::contains).toList();
        return new Scene(scene.id(), scene.name(), quiet, scene.minutes(), knobs, scene.extras());
    }

    private Going going(Set<String> ears, Set<String> sources) {
        Going kept = from.going();
        for (Output output : from.going().outputs())
            if (!ears.contains(output.ear())) {
                losses.add("how " + output.ear() + " is sent or kept");
                kept = kept.without(output);
            }
        for (String device : from.going().cards().sequencedKeySet())
            if (gone.contains(device) || from.rig().device(device).isEmpty()) {
                losses.add("what the card of " + name(device) + " holds");
                kept = kept.withCard(device, 0);
            }
        for (String source : from.going().leave().sequencedKeySet())
            if (!sources.contains(source)) {
                losses.add("the leave given for " + source);
                kept = kept.withLeave(source, "");
            }
        return kept;
    }

    private String name(String device) {
        return from.rig().device(device).map(Device::name).orElse(device);
    }

    private Profile profile(Profile profile) {
        SequencedMap<Ref, Setting> kept = new LinkedHashMap<>();
        profile.knobs()
                .forEach(
                        (ref, setting) -> {
                            if (takes(ref, setting)) kept.put(ref, setting);
                        });
        return profile.with(kept);
    }

    private String knobWords(Ref ref) {
        Device device = from.rig().device(ref.device()).orElseThrow();
        return "%s on %s".formatted(label(device, ref.name()), device.name());
    }

    private boolean canBePressed(MuteKey mute) {
        boolean can = takes(mute.knob(), mute.to());
        if (!can) losses.add("the mute key " + mute.name());
        return can;
    }

    private static MuteKey mute(MuteKey mute, Set<String> sources, Set<String> ears) {
        return new MuteKey(
                mute.id(),
                mute.name(),
                mute.knob(),
                mute.to(),
                sources.contains(mute.pressed().during())
                        ? mute.pressed()
                        : new MuteKey.Pressed(mute.pressed().held(), ""),
                mute.silences().stream().filter(sources::contains).toList(),
                mute.except().stream().filter(ears::contains).toList(),
                mute.extras());
    }

    /// A place needs a room that carries sound; a distance by a word that the room does not know
    /// stays in metres.
    private Place place(Place place) {
        Optional<Air> air = catalogue.find(place.room()).flatMap(Template::air);
        String room = place.room();
        if (air.isEmpty()) {
            Template other = catalogue.usualRoom();
            losses.add("the kind of room of " + place.name());
            room = other.id();
            air = other.air();
        }
        Map<String, Double> words = air.orElseThrow().words();
        return new Place(
                place.id(),
                place.name(),
                room,
                place.distances().stream()
                        .filter(d -> isSomething(d.from()) && isSomething(d.to()))
                        .map(d -> distance(d, words))
                        .toList(),
                place.extras());
    }

    private boolean isSomething(String id) {
        return from.cast().person(id).isPresent() || template(id).isPresent();
    }

    private static Place.Distance distance(Place.Distance said, Map<String, Double> words) {
        Double metres = words.get(said.word());
        return metres == null
                ? new Place.Distance(said.from(), said.to(), said.metres(), "", said.extras())
                : new Place.Distance(said.from(), said.to(), metres, said.word(), said.extras());
    }
}
