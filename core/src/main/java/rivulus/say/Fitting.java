package rivulus.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Extras;
import rivulus.edit.Ids;
import rivulus.edit.ShowEdits;
import rivulus.file.Templates;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.listening.Points;
import rivulus.rig.RigEdits;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Words;

/// Gear that was said put into a show: where it stands, who has it, on what it runs. What hangs on
/// a network finds its other end by itself, as networks do; leads are laid only where somebody says
/// so.
///
/// @param noWays pairs of machines between which there is none, by their kinds and free ports: they
///     are not sought again
record Fitting(Show show, Catalogue shipped, Set<String> noWays) {
    private static final int WAYS = 6;

    /// So many pairs of one line that cannot be joined are told.
    private static final int MOST_LACKING = 3;

    private Catalogue catalogue() {
        return show.kinds(shipped);
    }

    private Fitting with(Show other) {
        return new Fitting(other, shipped, noWays);
    }

    private Template kind(Device device) {
        return catalogue().get(device.template());
    }

    // Gear

    Show gear(Meaning.Gear gear) {
        Fitting now = this;
        for (int i = 0; i < gear.pieces(); i++) {
            Optional<Person> whose =
                    i < gear.whose().size()
                            ? now.show.cast().person(gear.whose().get(i))
                            : Optional.empty();
            now = now.with(now.one(gear, whose));
        }
        return now.show;
    }

    private Show one(Meaning.Gear gear, Optional<Person> whose) {
        Template kind = catalogue().get(gear.template());
        Show with =
                gear.place().isEmpty() ? show : ShowEdits.withPlace(show, gear.place(), shipped);
        Device device =
                Device.of(
                        Ids.ofThing(with, name(gear, kind, whose)),
                        Ids.nameOfDevice(with, name(gear, kind, whose)),
                        kind.id());
        List<Device> devices = new ArrayList<>(with.rig().devices());
        devices.add(with(with).put(device, gear, kind, whose));
        Fitting there = with(with.withRig(with.rig().with(devices, with.rig().cables())));
        there = there.with(there.near(device.id(), kind, whose));
        for (Meaning.Gear program : gear.runs())
            there = there.with(there.gear(program.on(device.id())));
        return there.networked(device.id());
    }

    private String name(Meaning.Gear gear, Template kind, Optional<Person> whose) {
        String name = gear.name().isEmpty() ? kind.name() : gear.name();
        return whose.map(person -> person.name() + "'s " + Names.lower(name)).orElse(name);
    }

    /// A program goes onto the computer that was said, else onto the only one; what is worn onto
    /// its wearer; all else into the place that was said, its owner's, or the hosts'.
    private Device put(Device device, Meaning.Gear gear, Template kind, Optional<Person> whose) {
        if (kind.kind() == GearKind.PROGRAM || kind.kind() == GearKind.CABLE) {
            List<Device> computers =
                    show.rig().devices().stream().filter(d -> kind(d).isComputer()).toList();
            String only = computers.size() == 1 ? computers.getFirst().id() : "";
            return device.on(gear.on().isEmpty() ? only : gear.on());
        }
        if (kind.kind() == GearKind.SERVICE) return device;
        if (whose.isPresent() && kind.isWorn()) return device.wornBy(whose.get().id());
        String place =
                !gear.place().isEmpty()
                        ? ShowEdits.placeCalled(show, gear.place()).id()
                        : whose.map(Person::place)
                                .or(() -> Saying.firstPlace(show).map(Place::id))
                                .orElse("");
        return device.in(place);
    }

    /// A microphone that is somebody's is at their mouth.
    private Show near(String device, Template kind, Optional<Person> whose) {
        boolean hears = kind.ends().stream().anyMatch(e -> e.kind() == AcousticEnd.Kind.MICROPHONE);
        if (whose.isEmpty() || !hears || kind.isWorn()) return show;
        Optional<Place> place = show.place(whose.get().place());
        Optional<Air> air = place.flatMap(p -> catalogue().get(p.room()).air());
        if (air.isEmpty()) return show;
        Optional<Map.Entry<String, Double>> nearest =
                air.get().words().entrySet().stream()
                        .min(Comparator.comparing(Map.Entry::getValue));
        if (nearest.isEmpty()) return show;
        List<Place.Distance> distances = new ArrayList<>(place.get().distances());
        distances.add(
                new Place.Distance(
                        whose.get().id(),
                        device,
                        nearest.get().getValue(),
                        nearest.get().getKey(),
                        Extras.NONE));
        Place nearer = place.get().with(distances);
        return show.withPlaces(
                show.places().stream().map(p -> p.id().equals(nearer.id()) ? nearer : p).toList());
    }

    // From afar

    /// Somebody afar with what they wear there, and the service that they meet the show in.
    Show afar(Person person, Afar way) {
        Fitting now = this;
        if (!way.through().isEmpty()
                && show.rig().devices().stream().noneMatch(d -> isService(kind(d))))
            now = now.with(now.gear(Meaning.Gear.one(catalogue().get(way.through()), "", "")));
        Template kind = catalogue().get(way.wears());
        String name = kind.kind() == GearKind.PHONE ? "phone" : "headset";
        return now.gear(Meaning.Gear.one(kind, name, "").of(List.of(person.id())));
    }

    private static boolean isService(Template kind) {
        return kind.kind() == GearKind.SERVICE;
    }

    /// A device whose free network ports are joined to seats of a service, the seats of a service
    /// to whoever waits for one, and a free phone line to the other phone.
    private Show networked(String id) {
        Device device = show.rig().device(id).orElseThrow();
        Fitting now = this;
        for (Port port : kind(device).ports()) {
            Ref here = new Ref(id, port.id());
            if (now.isTaken(here)) continue;
            Optional<Ref> there =
                    port.carries() == Signal.NET || port.carries() == Signal.PHONE
                            ? now.otherEnd(device, port.carries())
                            : Optional.empty();
            if (there.isPresent()) now = now.with(now.joined(here, there.get()));
        }
        return now.show;
    }

    private Show joined(Ref here, Ref there) {
        List<Cable> cables = new ArrayList<>(show.rig().cables());
        cables.add(Cable.of(Joiner.freeCable(show, 0), here, there));
        return show.withRig(show.rig().with(show.rig().devices(), cables));
    }

    private Optional<Ref> otherEnd(Device device, Signal carries) {
        boolean service = isService(kind(device));
        boolean worn = !device.worn().isEmpty();
        for (Device other : show.rig().devices()) {
            boolean fits =
                    carries == Signal.NET
                            ? service != isService(kind(other))
                            : worn == other.worn().isEmpty();
            if (!fits || other.id().equals(device.id())) continue;
            for (Port port : kind(other).ports()) {
                Ref ref = new Ref(other.id(), port.id());
                if (port.carries() == carries && !isTaken(ref)) return Optional.of(ref);
            }
        }
        return Optional.empty();
    }

    private boolean isTaken(Ref port) {
        return show.rig().cables().stream().anyMatch(cable -> cable.ends(port));
    }

    // Leads

    /// Each joined to each in the best way that there is.
    ///
    /// @param besides is told which boxes that takes
    /// @param lacking is told what cannot be joined
    Show joined(Meaning.Joins joins, List<String> besides, List<String> lacking) {
        Fitting now = this;
        for (String from : joins.from())
            for (String to : joins.to()) {
                if (lacking.size() >= MOST_LACKING) return now.show;
                Device a = show.rig().device(from).orElseThrow();
                Device b = show.rig().device(to).orElseThrow();
                Optional<Joining> way = now.way(a, b);
                if (way.isPresent()) {
                    now = now.with(new RigEdits(now.show, shipped).join(way.get()).after());
                    for (Device box : way.get().boxes()) besides.add("through " + box.name());
                } else lacking.add("there is no way from %s to %s".formatted(a.name(), b.name()));
            }
        return now.show;
    }

    private Optional<Joining> way(Device a, Device b) {
        String pair = free(a) + " > " + free(b);
        if (noWays.contains(pair)) return Optional.empty();
        Joiner joiner = new Joiner(show, shipped, Templates.leads());
        Optional<Joining> way =
                best(joiner.ways(a, b, WAYS).all()).or(() -> best(joiner.ways(b, a, WAYS).all()));
        if (way.isEmpty()) noWays.add(pair);
        return way;
    }

    /// The kind of a device and which of its ports are free.
    private String free(Device device) {
        Set<Ref> taken = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
        StringBuilder words = new StringBuilder(device.template());
        for (Port port : kind(device).ports())
            if (!taken.contains(new Ref(device.id(), port.id())))
                words.append(' ').append(port.id());
        return words.toString();
    }

    /// The cheapest way, but a computer rather by USB: that goes both ways.
    private Optional<Joining> best(List<Joining> ways) {
        return ways.stream()
                .filter(way -> way.boxes().isEmpty())
                .filter(way -> way.leads().getFirst().a().port().carries() == Signal.USB)
                .findFirst()
                .or(() -> ways.stream().findFirst());
    }

    // Playback

    /// Something that plays: by a player of its own on a computer, or by what the machine has for
    /// it.
    Show plays(Meaning.Plays plays) {
        Optional<Device> by = show.rig().device(plays.by());
        if (by.isEmpty()) return Saying.with(show, plays, Optional.empty());
        if (!kind(by.get()).isComputer()) return Saying.with(show, plays, playing(plays.by()));
        String name = Words.sentence(plays.name()) + " player";
        Fitting with = with(gear(Meaning.Gear.one(player(), name, plays.by())));
        String player = with.show.rig().devices().getLast().id();
        return Saying.with(with.show, plays, with.playing(player));
    }

    /// The first point of a device at which something can play.
    private Optional<Ref> playing(String device) {
        return Points.playing(show, catalogue()).stream()
                .filter(at -> at.device().equals(device))
                .findFirst();
    }

    /// The kind of program that does nothing but play.
    private Template player() {
        return catalogue().templates().values().stream()
                .filter(kind -> kind.kind() == GearKind.PROGRAM && kind.ports().isEmpty())
                .filter(kind -> kind.pickers().size() == 1)
                .filter(kind -> !Points.playing(kind).isEmpty())
                .findFirst()
                .orElseThrow();
    }
}
